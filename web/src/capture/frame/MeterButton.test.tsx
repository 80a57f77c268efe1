import { QueryClientProvider } from '@tanstack/react-query'
import { act, cleanup, render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { clientWithCatalogue, methodOf } from '../../testing/realCore'
import { MeterButton } from './MeterButton'
import { OnBench, type CaptureProps } from './panel'

/** A stream that shows what the test lets it show. */
class Stream {
  static opened: Stream[] = []
  onmessage?: (event: { data: string }) => void
  onerror?: () => void
  closed = false
  constructor(readonly url: string) {
    Stream.opened.push(this)
  }
  show(value: number, stable = false) {
    act(() => this.onmessage?.({ data: JSON.stringify({ value, unit: 'dS/m', stable, simulated: true }) }))
  }
  close() {
    this.closed = true
  }
}

beforeEach(() => {
  Stream.opened = []
  vi.stubGlobal('EventSource', Stream)
})
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

function open(bench = false) {
  const taken: number[] = []
  // all that an instrument needs of a test is its stop
  const capture = { method: methodOf('salinity'), stop: { id: 'stop-1' } } as unknown as CaptureProps
  render(
    <QueryClientProvider client={clientWithCatalogue()}>
      <OnBench.Provider value={bench ? { told: () => {} } : undefined}>
        <MeterButton
          instrument="conductivity-probe"
          capture={capture}
          label="Read from the probe"
          depthMm={150}
          onReading={(value) => taken.push(value)}
        />
      </OnBench.Provider>
    </QueryClientProvider>,
  )
  return { user: userEvent.setup(), taken }
}

describe('an instrument that streams', () => {
  it('shows what it reads, and that nothing real was read', async () => {
    const { user } = open()
    await user.click(screen.getByRole('button', { name: 'Read from the probe' }))
    expect(Stream.opened[0]!.url).toBe('/api/devices/conductivity-probe/readings?stop=stop-1&depthMm=150')
    Stream.opened[0]!.show(1.42)
    expect(screen.getByText('1.42 dS/m')).toBeTruthy()
    expect(screen.getByText('still moving')).toBeTruthy()
    expect(screen.getByText('simulated instrument')).toBeTruthy()
  })

  it('takes the first value that stands still, and is put away', async () => {
    const { user, taken } = open()
    await user.click(screen.getByRole('button', { name: 'Read from the probe' }))
    const [stream] = Stream.opened
    stream!.show(1.2)
    await user.click(screen.getByRole('button', { name: 'Take it when stable' }))
    stream!.show(1.3)
    expect(taken).toEqual([])
    stream!.show(1.35, true)
    expect(taken).toEqual([1.35])
    expect(stream!.closed).toBe(true)
    expect(screen.getByRole('button', { name: 'Read from the probe' })).toBeTruthy()
  })

  it('takes what it shows now where that is wanted', async () => {
    const { user, taken } = open()
    await user.click(screen.getByRole('button', { name: 'Read from the probe' }))
    expect(screen.getByRole('button', { name: 'Take it now' })).toHaveProperty('disabled', true)
    Stream.opened[0]!.show(0.8)
    await user.click(screen.getByRole('button', { name: 'Take it now' }))
    expect(taken).toEqual([0.8])
  })

  it('says when it is not heard from, and goes on when it is', async () => {
    const { user } = open()
    await user.click(screen.getByRole('button', { name: 'Read from the probe' }))
    act(() => Stream.opened[0]!.onerror?.())
    expect(screen.getByText('not heard from')).toBeTruthy()
    Stream.opened[0]!.show(0.8, true)
    expect(screen.getByText('stands still')).toBeTruthy()
  })

  it('is put away without a reading', async () => {
    const { user, taken } = open()
    await user.click(screen.getByRole('button', { name: 'Read from the probe' }))
    await user.click(screen.getByRole('button', { name: 'Put it away' }))
    expect(Stream.opened[0]!.closed).toBe(true)
    expect(taken).toEqual([])
  })

  it('is not asked on the bench', () => {
    open(true)
    expect(screen.queryByRole('button')).toBeNull()
  })
})
