import 'fake-indexeddb/auto'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { emptyDevice, keepAgain, keptJobs, openDevice, store } from './device'
import { flush, keep, sendAgain, startSending } from './outbox'

/** A small seeded generator, so that a failure can be repeated. */
function draws(seed: number) {
  let state = seed * 7919 + 1
  return () => {
    state = (state * 1_103_515_245 + 12_345) % 2_147_483_648
    return state / 2_147_483_648
  }
}

type Mood = 'sound' | 'offline' | 'signed-out'

/** What a server does: takes a write once, knows visits, fails or refuses some paths for as long as it pleases. */
class ServerModel {
  mood: Mood = 'sound'
  readonly acknowledged = new Map<string, number>()
  readonly failing = new Set<string>()
  readonly refusing = new Set<string>()
  readonly order: string[] = []

  answer = (path: string, init: RequestInit): Promise<Response> => {
    if (this.mood === 'offline') return Promise.reject(new TypeError('no network'))
    const status = this.status(path, JSON.parse(init.body as string) as { visitId?: string })
    if (status === 200) {
      this.acknowledged.set(path, (this.acknowledged.get(path) ?? 0) + 1)
      this.order.push(path)
    }
    return Promise.resolve(new Response(JSON.stringify({ detail: String(status) }), { status }))
  }

  private status(path: string, body: { visitId?: string }) {
    if (this.mood === 'signed-out') return 401
    if (this.failing.has(path)) return 500
    if (this.refusing.has(path)) return 422
    // a test of a visit that the server does not have is not found
    if (body.visitId && !this.acknowledged.has(`/api/visits/${body.visitId}`)) return 404
    return 200
  }
}

let stop: () => void

beforeEach(async () => {
  vi.useFakeTimers({ toFake: ['Date'] })
  vi.restoreAllMocks()
  await emptyDevice()
  stop = startSending('me', () => {})
})

afterEach(() => {
  stop()
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('the outbox, whatever happens in whatever order', () => {
  it.each(Array.from({ length: 24 }, (_, i) => i + 1))(
    'loses nothing and sends nothing twice (%i)',
    async (seed) => {
      const next = draws(seed)
      const server = new ServerModel()
      vi.stubGlobal('fetch', server.answer)
      const written: string[] = []
      const refusedToPage = new Set<string>()
      const pick = <T>(from: readonly T[]) => from[Math.floor(next() * from.length)]!
      const write = async (kind: 'visit' | 'measurement', target: string, body: Record<string, unknown>) => {
        const path = kind === 'visit' ? `/api/visits/${target}` : `/api/measurements/${target}`
        written.push(path)
        if (next() < 0.12) server.failing.add(path)
        if (next() < 0.08) server.refusing.add(path)
        await keep({ kind, target, path, label: target, body }).catch(() => refusedToPage.add(path))
      }
      const visits: string[] = []
      const whereIs = (path: string) =>
        server.acknowledged.has(path) ||
        refusedToPage.has(path) ||
        keptJobs().some((job) => job.path === path)

      for (let i = 0; i < 40; i++) {
        const dice = next()
        if (dice < 0.15 || visits.length === 0) {
          const id = `visit-${seed}-${i}`
          visits.push(id)
          await write('visit', id, { version: 0 })
        } else if (dice < 0.6) await write('measurement', `test-${seed}-${i}`, { visitId: pick(visits) })
        else if (dice < 0.72) server.mood = pick<Mood>(['sound', 'offline', 'signed-out'])
        else if (dice < 0.8) vi.setSystemTime(Date.now() + 70_000)
        else if (dice < 0.9)
          await openDevice() // the page is loaded anew
        else await flush()
        // at every moment each write is with the server, with the page that waits, or kept here
        for (const path of written) expect(whereIs(path), path).toBe(true)
      }

      // in the end everything works, and what was set aside or refused is sent again by hand
      server.mood = 'sound'
      server.failing.clear()
      server.refusing.clear()
      for (const path of [...refusedToPage].filter((each) => each.startsWith('/api/visits/')))
        await keep({ kind: 'visit', target: path.split('/')[3]!, path, label: path, body: { version: 0 } })
      for (let i = 0; i < 8; i++) {
        vi.setSystemTime(Date.now() + 70_000)
        await flush()
        for (const job of keptJobs().filter((each) => each.state !== 'waiting')) await sendAgain(job)
      }
      expect(keptJobs()).toEqual([])
      expect(await store.jobs.count()).toBe(0)
      for (const path of written.filter((each) => !refusedToPage.has(each)))
        expect(server.acknowledged.get(path), path).toBe(1)
    },
  )

  it('keeps in memory what the store can’t take, and sends it all the same', async () => {
    const server = new ServerModel()
    server.mood = 'offline'
    vi.stubGlobal('fetch', server.answer)
    vi.spyOn(store.jobs, 'add').mockRejectedValue(new Error('full'))
    for (const id of ['a', 'b', 'c'])
      await keep({ kind: 'visit', target: id, path: `/api/visits/${id}`, label: id, body: { version: 0 } })
    expect(keptJobs().every((job) => job.unkept)).toBe(true)
    server.mood = 'sound'
    await flush()
    expect(server.order).toEqual(['/api/visits/a', '/api/visits/b', '/api/visits/c'])
    expect(keptJobs()).toEqual([])
    await keepAgain()
    expect(await store.jobs.count()).toBe(0)
  })
})
