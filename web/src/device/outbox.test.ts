import 'fake-indexeddb/auto'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { ApiError } from '../api/client'
import { renderHook, waitFor } from '@testing-library/react'
import { different } from './differences'
import {
  emptyDevice,
  keepAgain,
  keepDraft,
  keptDraft,
  keptJobs,
  openDevice,
  store,
  useStoreFails,
} from './device'
import { flush, keep, sendAgain, settle, startSending, takeBack } from './outbox'

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

  it('keeps ours of a conflicting test before the other way is given up, or leaves all as it was', async () => {
    replies = ['unreached']
    const body = { visitId: 'v', stopId: 's', method: 'slump', readings: {} }
    await keep({ kind: 'measurement', target: 'm', path: '/api/measurements/m', label: 'Clods', body })
    replies = [{ status: 409, body: { detail: 'changed', current: { id: 'm' } } }]
    await flush()
    replies = ['unreached']
    const broken = vi.spyOn(store.jobs, 'delete').mockImplementation(() => {
      throw new Error('the store fails')
    })
    await settle(keptJobs()[0]!, true)
    broken.mockRestore()
    // as after a crash at that moment
    await openDevice()
    expect(keptJobs().map((job) => [job.target, job.state])).toEqual([['m', 'conflict']])
    await settle(keptJobs()[0]!, true)
    await openDevice()
    expect(keptJobs()).toHaveLength(1)
    expect(keptJobs()[0]).toMatchObject({ state: 'waiting', body: { supersedes: 'm', readings: {} } })
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
    expect(keptJobs()).toEqual([])
    expect(await store.jobs.count()).toBe(1)
  })

  it('says where the server works a test out otherwise', async () => {
    const here = { ratings: [], notes: [], values: { rate: { value: 38, unit: 'mm/h' } } }
    const there = { evaluation: { ratings: [], notes: [], values: { rate: { value: 41, unit: 'mm/h' } } } }
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

describe('a write that the server keeps failing on', () => {
  const failing = (path: string) => asked.filter((each) => each.path === path).length

  /** Answers by path: those listed fail, all others are taken. */
  const failOn = (paths: Record<string, number>) =>
    vi.stubGlobal('fetch', (path: string, init: RequestInit) => {
      asked.push({ path, body: JSON.parse(init.body as string) })
      const status = paths[path] ?? 200
      return Promise.resolve(new Response(JSON.stringify({ detail: `answer ${status}` }), { status }))
    })

  /** Lets every pause pass, sending after each. */
  const waitOut = async () => {
    for (let i = 0; i < 6; i++) {
      vi.setSystemTime(Date.now() + 120_000)
      await flush()
    }
  }

  beforeEach(() => {
    vi.useFakeTimers({ toFake: ['Date'] })
  })
  afterEach(() => {
    vi.useRealTimers()
  })

  it.each([500, 403])(
    'is set aside after a few tries (%i), and the next ten arrive at once',
    async (status) => {
      failOn({ '/api/visits/poison': status })
      expect(await visit('poison')).toEqual({ sent: false })
      for (let i = 0; i < 10; i++) expect((await visit(`v${i}`)).sent).toBe(true)
      await waitOut()
      expect(keptJobs().map((job) => [job.target, job.state, job.answered])).toEqual([
        ['poison', 'aside', status],
      ])
      expect(failing('/api/visits/poison')).toBe(4)
      await flush()
      expect(failing('/api/visits/poison')).toBe(4)
    },
  )

  it.each([
    [408, 'too slow'],
    [429, 'no more at once'],
  ])(
    'that came at a bad moment (%i) is neither refused nor set aside, and arrives later',
    async (status, words) => {
      failOn({ '/api/visits/moment': status })
      expect(await visit('moment')).toEqual({ sent: false })
      expect(keptJobs()[0]!.message).toContain(words)
      await waitOut()
      await waitOut()
      expect(keptJobs().map((job) => [job.target, job.state])).toEqual([['moment', 'waiting']])
      failOn({})
      await waitOut()
      expect(keptJobs()).toEqual([])
    },
  )

  it('is not tried again before its pause is over', async () => {
    failOn({ '/api/visits/poison': 500 })
    await visit('poison')
    await flush()
    await flush()
    expect(failing('/api/visits/poison')).toBe(1)
    vi.setSystemTime(Date.now() + 4001)
    await flush()
    expect(failing('/api/visits/poison')).toBe(2)
    vi.setSystemTime(Date.now() + 4001)
    await flush()
    expect(failing('/api/visits/poison')).toBe(2)
  })

  it('holds back what depends on it, and nothing else', async () => {
    failOn({ '/api/visits/poison': 500 })
    await visit('poison', { version: 0 })
    const test = (target: string, visitId: string) =>
      keep({
        kind: 'measurement',
        target,
        path: `/api/measurements/${target}`,
        label: target,
        body: { visitId },
      })
    expect(await test('of-poison', 'poison')).toEqual({ sent: false })
    expect((await test('of-other', 'other')).sent).toBe(true)
    await waitOut()
    expect(keptJobs().map((job) => [job.target, job.state])).toEqual([
      ['poison', 'aside'],
      ['of-poison', 'waiting'],
    ])
    failOn({})
    await sendAgain(keptJobs()[0]!)
    await flush()
    expect(keptJobs()).toEqual([])
    expect(asked.slice(-2).map((each) => each.path)).toEqual([
      '/api/visits/poison',
      '/api/measurements/of-poison',
    ])
  })

  it('is sent by itself once a server that was away is back', async () => {
    failOn({ '/api/visits/a': 503 })
    await visit('a')
    await waitOut()
    expect(keptJobs()[0]).toMatchObject({ target: 'a', state: 'aside' })
    failOn({})
    await visit('b')
    await flush()
    expect(keptJobs()).toEqual([])
  })

  it('is tried once a minute after a full disk, though nothing else is sent', async () => {
    failOn({ '/api/visits/a': 507 })
    await visit('a')
    await waitOut()
    expect(keptJobs()[0]).toMatchObject({ state: 'aside', answered: 507 })
    failOn({})
    stop()
    vi.useFakeTimers({ toFake: ['Date', 'setInterval', 'clearInterval'] })
    vi.setSystemTime(Date.now() + 10 * 120_000)
    stop = startSending('me', () => {})
    for (let i = 0; i < 3; i++) {
      vi.advanceTimersByTime(4000)
      await new Promise((resolve) => setTimeout(resolve, 20))
    }
    expect(keptJobs()).toEqual([])
  })

  it('can be taken back into its draft', async () => {
    failOn({ '/api/measurements/m': 500 })
    const body = { visitId: 'v', stopId: 's', method: 'slump', readings: { clods: [] }, note: 'wet' }
    await keep({ kind: 'measurement', target: 'm', path: '/api/measurements/m', label: 'Clods', body })
    await takeBack(keptJobs()[0]!)
    expect(keptJobs()).toEqual([])
    expect(keptDraft('m')).toMatchObject({
      place: { id: 'm', visitId: 'v', stopId: 's', method: 'slump' },
      content: { readings: { clods: [] }, note: 'wet' },
      sent: false,
    })
  })

  it('a failing draft lets other drafts pass', async () => {
    failOn({ '/api/drafts/d1': 500 })
    const draft = (id: string) => ({
      id,
      place: { id, visitId: 'v', stopId: 's', method: 'slump' },
      content: { readings: {} },
      version: 0,
      sent: false,
    })
    keepDraft(draft('d1'))
    keepDraft(draft('d2'))
    await flush()
    expect(keptDraft('d2')!.sent).toBe(true)
    expect(keptDraft('d1')!.sent).toBe(false)
  })
})

describe('a store that fails', () => {
  afterEach(() => vi.restoreAllMocks())

  it('is said, the write is never shown as kept, and is kept once the store works again', async () => {
    replies = ['unreached']
    const full = vi.spyOn(store.jobs, 'add').mockRejectedValue(new Error('QuotaExceededError'))
    const { result } = renderHook(() => useStoreFails())
    expect(result.current).toBe(false)
    await visit('a')
    expect(keptJobs()).toMatchObject([{ target: 'a', unkept: true }])
    await waitFor(() => expect(result.current).toBe(true))
    expect(await store.jobs.count()).toBe(0)
    full.mockRestore()
    await keepAgain()
    await waitFor(() => expect(result.current).toBe(false))
    expect(await store.jobs.count()).toBe(1)
    expect(keptJobs()[0]!.unkept).toBeUndefined()
  })

  it('is said when it can’t be opened at all', async () => {
    vi.spyOn(store.jobs, 'orderBy').mockImplementation(() => {
      throw new Error('damaged')
    })
    const { result } = renderHook(() => useStoreFails())
    await openDevice()
    await waitFor(() => expect(result.current).toBe(true))
    vi.restoreAllMocks()
    await keepAgain()
    await waitFor(() => expect(result.current).toBe(false))
  })
})

describe('what the server works out otherwise', () => {
  const envelope = (...notes: string[]) =>
    ({
      ratings: [],
      values: {},
      notes: notes.map((code) => ({ code, severity: 'danger', text: code })),
    }) as never
  it('counts notes: a danger that one side does not name is a difference', () => {
    expect(different(envelope('A'), envelope('A'))).toBeUndefined()
    expect(different(envelope(), envelope('DO_NOT_ENTER'))).toContain('DO_NOT_ENTER')
    expect(different(envelope('DO_NOT_ENTER'), envelope())).toContain('DO_NOT_ENTER')
  })
})
