import { cleanup, render } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { mayRing, useAlarm, useAwake } from './alarm'
import type { Due } from './clocks'
import { ring } from './ring'

vi.mock('./ring', () => ({ ring: vi.fn() }))

const due = (id: string, inSeconds: number) =>
  ({ timer: { id, stop: 'Stop 1' }, step: { id, label: `Read ${id}` }, inSeconds }) as unknown as Due

function Page({ next }: { next: Due[] }) {
  useAlarm(next)
  useAwake(next)
  return null
}

beforeEach(() => vi.mocked(ring).mockClear())
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
  Reflect.deleteProperty(navigator, 'wakeLock')
})

describe('the alarm', () => {
  it('rings once when a moment comes, and once more for the next', () => {
    const page = render(<Page next={[due('a', 5), due('b', 65)]} />)
    expect(ring).not.toHaveBeenCalled()
    page.rerender(<Page next={[due('a', 0), due('b', 60)]} />)
    page.rerender(<Page next={[due('a', -1), due('b', 59)]} />)
    expect(ring).toHaveBeenCalledTimes(1)
    page.rerender(<Page next={[due('a', -60), due('b', 0)]} />)
    expect(ring).toHaveBeenCalledTimes(2)
  })

  it('does not ring for what was late before the page opened, and names it in the title', () => {
    const page = render(<Page next={[due('a', -300)]} />)
    expect(ring).not.toHaveBeenCalled()
    expect(document.title).toBe('● Read a, Stop 1 – Morphotera')
    page.rerender(<Page next={[]} />)
    expect(document.title).toBe('Morphotera')
  })

  it('may call only where the person allowed it', () => {
    expect(mayRing()).toBe('no')
    for (const [permission, may] of [
      ['granted', 'yes'],
      ['default', 'ask'],
      ['denied', 'no'],
    ] as const) {
      vi.stubGlobal('Notification', { permission })
      expect(mayRing()).toBe(may)
    }
  })
})

describe('the screen', () => {
  function wakeLock() {
    const held = { release: vi.fn(() => Promise.resolve()) }
    const request = vi.fn(() => Promise.resolve(held))
    Object.defineProperty(navigator, 'wakeLock', { value: { request }, configurable: true })
    return { held, request }
  }

  it('stays awake while a moment is near, and may sleep after', async () => {
    const { held, request } = wakeLock()
    const page = render(<Page next={[due('a', 31 * 60)]} />)
    expect(request).not.toHaveBeenCalled()
    page.rerender(<Page next={[due('a', 29 * 60)]} />)
    await vi.waitFor(() => expect(request).toHaveBeenCalledTimes(1))
    page.rerender(<Page next={[]} />)
    await vi.waitFor(() => expect(held.release).toHaveBeenCalled())
  })

  it('is asked for again when the page is seen again', async () => {
    const { request } = wakeLock()
    render(<Page next={[due('a', 60)]} />)
    await vi.waitFor(() => expect(request).toHaveBeenCalledTimes(1))
    document.dispatchEvent(new Event('visibilitychange'))
    await vi.waitFor(() => expect(request).toHaveBeenCalledTimes(2))
  })
})
