import 'fake-indexeddb/auto'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { ApiError } from '../api/client'
import { emptyDevice, keptJobs, openDevice, store } from './device'
import { flush, keep, settle, startSending } from './outbox'

type Reply = { status: number; body?: unknown } | 'unreached'

let replies: Reply[]
let asked: { path: string; body: unknown }[]
let stop: () => void

const answer = (path: string, init: RequestInit) => {
  asked.push({ path, body: JSON.parse(init.body as string) })
  const reply = replies.length > 1 ? replies.shift()! : replies[0]!
  if (reply === 'unreached') return Promise.reject(new TypeError('no network'))
  return Promise.resolve(new Response(JSON.stringify(reply.body ?? {}), { status: reply.status }))
}

const visit = (id: string, body: Record<string, unknown> = {}) =>
  keep<unknown>({ kind: 'visit', target: id, path: `/api/visits/${id}`, label: `Visit ${id}`, body })

beforeEach(async () => {
  replies = [{ status: 200 }]
  asked = []
  vi.stubGlobal('fetch', answer)
  await emptyDevice()
  stop = startSending('me', () => {})
})

afterEach(() => {
  stop()
  vi.unstubAllGlobals()
})

describe('the outbox', () => {
  it('sends at once and forgets what was acknowledged', async () => {
    expect(await visit('a', { version: 0 })).toEqual({ sent: true, data: {} })
    expect(keptJobs()).toEqual([])
    expect(await store.jobs.count()).toBe(0)
  })

  it('keeps in order what can’t be sent, through a reload, and sends each once when it can', async () => {
    replies = ['unreached']
    expect(await visit('a')).toEqual({ sent: false })
    expect(await visit('b')).toEqual({ sent: false })
    await openDevice()
    expect(keptJobs().map((job) => job.target)).toEqual(['a', 'b'])
    replies = [{ status: 200 }]
    asked = []
    await flush()
    expect(asked.map((each) => each.path)).toEqual(['/api/visits/a', '/api/visits/b'])
    await flush()
    expect(asked).toHaveLength(2)
  })

  it('throws a refusal to the page that waits for it, and keeps nothing', async () => {
    replies = [
      { status: 422, body: { detail: 'no', errors: [{ field: 'x', code: 'RANGE', message: 'too big' }] } },
    ]
    const refused = await visit('a').catch((error: unknown) => error)
    expect(refused).toBeInstanceOf(ApiError)
    expect((refused as ApiError).faults[0]!.field).toBe('x')
    expect(keptJobs()).toEqual([])
  })

  it('holds a refusal that nobody waits for, and goes on with the next', async () => {
    replies = ['unreached']
    await visit('a')
    await visit('b')
    replies = [{ status: 422, body: { detail: 'no' } }, { status: 200 }]
    await flush()
    expect(keptJobs().map((job) => [job.target, job.state])).toEqual([['a', 'refused']])
  })

  it('offers both versions of a conflict, and sends ours on top of theirs when that is chosen', async () => {
    replies = ['unreached']
    await visit('a', { note: 'mine', version: 1 })
    replies = [{ status: 409, body: { detail: 'changed', current: { note: 'theirs', version: 4 } } }]
    await flush()
    expect(keptJobs()[0]).toMatchObject({ state: 'conflict', current: { note: 'theirs' } })
    replies = [{ status: 200 }]
    await settle(keptJobs()[0]!, true)
    expect(asked.at(-1)!.body).toEqual({ note: 'mine', version: 4 })
    expect(keptJobs()).toEqual([])
  })

  it('waits for a sign-in, and sends nothing of somebody else', async () => {
    replies = [{ status: 401 }]
    expect(await visit('a')).toEqual({ sent: false })
    stop()
    replies = [{ status: 200 }]
    asked = []
    stop = startSending('another', () => {})
    await flush()
    expect(asked).toEqual([])
    expect(keptJobs()).toHaveLength(1)
  })

  it('says where the server works a test out otherwise', async () => {
    const here = { ratings: [], values: { rate: { value: 38, unit: 'mm/h' } } }
    const there = { evaluation: { ratings: [], values: { rate: { value: 41, unit: 'mm/h' } } } }
    replies = [{ status: 200, body: there }]
    await keep({
      kind: 'measurement',
      target: 'm',
      path: '/api/measurements/m',
      label: 'Hole',
      body: {},
      envelope: here as never,
    })
    expect(keptJobs()[0]).toMatchObject({ state: 'differs', message: 'rate 38 here, 41 on the server' })
  })
})
