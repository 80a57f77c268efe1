import 'fake-indexeddb/auto'
import { screen, waitFor } from '@testing-library/react'
import { afterEach, describe, expect, it, vi } from 'vitest'
import type { Fix, FixWrite, Stop } from '../api/schema'
import { open, putAway, serve, writes } from '../testing/page'
import { StandHere } from './StandHere'

afterEach(async () => {
  vi.unstubAllGlobals()
  await putAway()
})

const stop: Stop = {
  id: 's',
  fieldId: 'f',
  label: 'Stop 1',
  longitude: 3.42,
  latitude: 53.81,
  position: 1,
  role: 'routine',
  version: 1,
}

const fix = (latitude: number): Fix => ({
  id: `x${latitude}`,
  visitId: 'v',
  stopId: 's',
  longitude: 3.42,
  latitude,
  accuracyM: 4,
  takenAt: '2026-05-04T08:30:00Z',
})

function device(answer: (ok: PositionCallback, no: PositionErrorCallback) => void) {
  vi.stubGlobal('navigator', { ...navigator, geolocation: { getCurrentPosition: answer } })
}

describe('at a stop', () => {
  it('says how far and which way it is', () => {
    serve({})
    open('/', <StandHere visit="v" stop={stop} fixes={[fix(53.81 - 0.0009)]} />, '/')
    expect(screen.getByRole('status').textContent).toMatch(/100 m to the north \(0°\) ± 4 m/)
  })

  it('says when it is found again, by the newest stand', () => {
    serve({})
    open('/', <StandHere visit="v" stop={stop} fixes={[fix(53.8), fix(53.81003)]} />, '/')
    expect(screen.getByRole('status').textContent).toContain('Within 5 m of it')
  })

  it('keeps where one stands with its accuracy, also where the stop has no place', async () => {
    const asked = serve({ 'PUT /api/fixes/*': fix(53.82) })
    device((ok) =>
      ok({
        coords: { longitude: 3.43, latitude: 53.82, accuracy: 6.04 },
        timestamp: Date.parse('2026-05-04T09:00:00Z'),
      } as GeolocationPosition),
    )
    const { user } = open(
      '/',
      <StandHere visit="v" stop={{ ...stop, longitude: undefined, latitude: undefined }} fixes={[]} />,
      '/',
    )
    await user.click(screen.getByRole('button', { name: 'Keep where I stand' }))
    await waitFor(() => expect(writes(asked)).toHaveLength(1))
    expect(writes(asked)[0]!.body as FixWrite).toEqual({
      visitId: 'v',
      stopId: 's',
      longitude: 3.43,
      latitude: 53.82,
      accuracyM: 6,
      takenAt: '2026-05-04T09:00:00.000Z',
    })
  })

  it('says what to do when the device may not tell', async () => {
    serve({})
    device((_, no) => no({ code: 1 } as GeolocationPositionError))
    const { user } = open('/', <StandHere visit="v" stop={stop} fixes={[]} />, '/')
    await user.click(screen.getByRole('button', { name: 'How far is it?' }))
    expect((await screen.findByRole('alert')).textContent).toContain('Allow it in the browser')
  })
})
