import 'fake-indexeddb/auto'
import { screen, waitFor, within } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import type { Timer } from '../api/schema'
import { startSending } from '../device/outbox'
import { methods } from '../testing/realCore'
import { open, putAway, serve, writes } from '../testing/page'
import { ClocksPage } from './ClocksPage'

let stop = () => {}
beforeEach(() => {
  stop = startSending('me', () => {})
})
afterEach(async () => {
  stop()
  await putAway()
})

const at = (seconds: number) => new Date(Date.now() + seconds * 1000).toISOString()

function timer(id: string, steps: [string, number][]): Timer {
  const crumbs = methods.find((each) => each.id === 'crumb-stability')!
  return {
    id,
    visitId: 'v',
    stopId: 's',
    stop: 'Stop 1',
    fieldId: 'f',
    field: `Field of ${id}`,
    measurementId: `m-${id}`,
    method: 'crumb-stability',
    startedAt: at(-700),
    steps: steps.map(([code, seconds]) => ({
      id: `${id}-${code}`,
      code,
      label: crumbs.timedSteps.find((each) => each.code === code)!.label,
      dueAt: at(seconds),
      toleranceSeconds: 60,
    })),
  }
}

function openClocks(timers: Timer[]) {
  const asked = serve({
    'GET /api/timers': { serverNow: new Date().toISOString(), timers },
    'PUT /api/timers/a/stopped': timers[0],
    'PUT /api/timers/a/steps/a-cloud-10/done': timers[0],
  })
  return { asked, ...open('/clocks', <ClocksPage />, '/clocks') }
}

describe('the clocks', () => {
  it('stand with the most overdue first, each moment with how late it is', async () => {
    openClocks([timer('b', [['cloud-30', 1100]]), timer('a', [['cloud-10', -100]])])
    const entries = await screen.findAllByText(/^Field of/)
    expect(entries.map((each) => each.textContent)).toEqual([
      expect.stringContaining('Field of a, Stop 1: Crumbs in water'),
      expect.stringContaining('Field of b'),
    ])
    expect(screen.getByText(/^1:4\d late$/)).toBeTruthy()
    expect(screen.getByText(/^in 18:\d\d$/)).toBeTruthy()
  })

  it('are marked as read with the time it really was', async () => {
    const { user, asked } = openClocks([timer('a', [['cloud-10', -100]])])
    const before = Date.now()
    await user.click(await screen.findByRole('button', { name: 'Read the clouds done at Stop 1' }))
    await waitFor(() => expect(writes(asked)).toHaveLength(1))
    const { doneAt } = writes(asked)[0]!.body as { doneAt: string }
    expect(Math.abs(Date.parse(doneAt) - before)).toBeLessThan(3000)
  })

  it('are stopped', async () => {
    const { user, asked } = openClocks([timer('a', [['cloud-10', 100]])])
    await user.click(await screen.findByRole('button', { name: 'Stop this clock' }))
    await waitFor(() => expect(writes(asked)[0]?.path).toBe('/api/timers/a/stopped'))
    expect(writes(asked)[0]!.body).toHaveProperty('stoppedAt')
  })

  it('go into the phone’s calendar, those to come only', async () => {
    openClocks([
      timer('a', [
        ['cloud-10', -100],
        ['cloud-30', 1100],
      ]),
    ])
    const link = await screen.findByRole('link', { name: /calendar/ })
    const file = decodeURIComponent(link.getAttribute('href')!)
    expect(file).toContain('SUMMARY:Read the clouds again: Field of a\\, Stop 1')
    expect(file.match(/BEGIN:VEVENT/g)).toHaveLength(1)
    expect(link.getAttribute('download')).toMatch(/\.ics$/)
  })

  it('lead to their test', async () => {
    openClocks([timer('a', [['cloud-10', 100]])])
    const link = await screen.findByRole('link', { name: 'Go to the test' })
    expect(link.getAttribute('href')).toBe('/visits/v/stops/s/crumb-stability/m-a')
    expect(within(document.body).queryByText(/Nothing is running/)).toBeNull()
  })
})
