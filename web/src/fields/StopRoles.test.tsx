import { screen, waitFor } from '@testing-library/react'
import { afterEach, describe, expect, it } from 'vitest'
import { change } from '../testing/demo'
import { open, putAway, Refusal, serve } from '../testing/page'
import { StopRoles } from './StopRoles'

afterEach(putAway)

const stops = change.stops
const poor = stops.find((each) => each.role === 'poor')!
const hedge = stops.find((each) => each.role === 'reference')!

function openRoles(answers: Record<string, unknown> = {}) {
  const asked = serve({
    'PUT /api/stops/*': ({ body }: { body: object }) => ({ ...poor, ...body }),
    ...answers,
  })
  return { asked, ...open('/x', <StopRoles field="f" stops={stops} />, '/x') }
}

describe('what stops stand for', () => {
  it('shows the role of each, in words', async () => {
    openRoles()
    for (const stop of stops) {
      const select = await screen.findByLabelText<HTMLSelectElement>(`What ${stop.label} stands for`)
      await waitFor(() => expect(select.value).toBe(stop.role))
      expect(select.selectedOptions[0]!.textContent).not.toBe('')
    }
  })

  it('changes a role and nothing else of the stop', async () => {
    const { user, asked } = openRoles()
    const select = await screen.findByLabelText(`What ${hedge.label} stands for`)
    await waitFor(() => expect(select.querySelectorAll('option').length).toBe(6))
    await user.selectOptions(select, 'control')
    await waitFor(() => expect(asked.some((each) => each.method === 'PUT')).toBe(true))
    const sent = asked.find((each) => each.method === 'PUT')!
    expect(sent.path).toBe(`/api/stops/${hedge.id}`)
    expect(sent.body).toMatchObject({
      role: 'control',
      label: hedge.label,
      longitude: hedge.longitude,
      position: hedge.position,
      version: hedge.version,
    })
  })

  it('takes the share of a patch once it is left, and no share that can’t be', async () => {
    const { user, asked } = openRoles()
    const share = await screen.findByLabelText(`Share of the field that the patch of ${poor.label} takes, %`)
    await user.clear(share)
    await user.type(share, '140')
    await user.tab()
    expect(share.getAttribute('aria-invalid')).toBe('true')
    expect(asked.filter((each) => each.method === 'PUT')).toHaveLength(0)
    await user.clear(share)
    await user.type(share, '35{Enter}')
    await waitFor(() => expect(asked.filter((each) => each.method === 'PUT')).toHaveLength(1))
    expect(asked.find((each) => each.method === 'PUT')!.body).toMatchObject({
      areaSharePct: 35,
      role: 'poor',
    })
  })

  it('asks for a share of patches only', async () => {
    openRoles()
    await screen.findByLabelText(`What ${hedge.label} stands for`)
    expect(screen.queryByLabelText(new RegExp(`patch of ${hedge.label} takes`))).toBeNull()
  })

  it('says that somebody else changed it', async () => {
    const { user } = openRoles({ 'PUT /api/stops/*': new Refusal(409, { detail: 'stale' }) })
    const select = await screen.findByLabelText(`What ${hedge.label} stands for`)
    await waitFor(() => expect(select.querySelectorAll('option').length).toBe(6))
    await user.selectOptions(select, 'control')
    expect((await screen.findByRole('alert')).textContent).toContain('changed elsewhere')
  })
})
