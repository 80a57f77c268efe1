import 'fake-indexeddb/auto'
import { screen } from '@testing-library/react'
import { afterEach, expect, it } from 'vitest'
import { open, putAway, serve } from '../testing/page'
import { ClockTray } from './ClockTray'

afterEach(putAway)

const timer = (seconds: number) => ({
  serverNow: new Date().toISOString(),
  timers: [
    {
      id: 't',
      measurementId: 'm',
      visitId: 'v',
      stopId: 's',
      fieldId: 'f',
      field: 'Gull Polder',
      stop: 'Stop 2',
      method: 'crumb-stability',
      startedAt: new Date(Date.now() - 600_000).toISOString(),
      version: 1,
      steps: [
        {
          id: 'step',
          code: 'cloud',
          label: 'read the cloud and how many crumbs gave way',
          dueAt: new Date(Date.now() + seconds * 1000).toISOString(),
        },
      ],
    },
  ],
})

function tray(seconds: number) {
  serve({ 'GET /api/timers': timer(seconds) })
  return open('/today', <ClockTray />, '/today')
}

it('says the time first, then what it is about; only the words may be cut', async () => {
  tray(754)
  const link = await screen.findByRole('link', { name: /read the cloud/ })
  expect(link.textContent).toMatch(/^1?\d:\d\d ?to go/)
  const [time, words] = [...link.children] as HTMLElement[]
  expect(time!.className).toContain('shrink-0')
  expect(words!.className).toContain('truncate')
  expect(words!.textContent).toContain('Stop 2: read the cloud')
})

it('says how late it is where nobody came', async () => {
  tray(-65)
  expect((await screen.findByRole('link', { name: /read the cloud/ })).textContent).toMatch(/^1:0\d ?late/)
})
