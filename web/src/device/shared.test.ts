import 'fake-indexeddb/auto'
import { QueryClient } from '@tanstack/react-query'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { endSession } from '../app/session'
import {
  emptyDevice,
  hear,
  heardTimers,
  keepDraft,
  keptDraft,
  keptDrafts,
  keptJobs,
  openDevice,
  ownDevice,
  store,
} from './device'
import { keep, startSending } from './outbox'

const place = (id: string) => ({ id, visitId: 'v', stopId: 's', method: 'ph' })
const draft = (id: string) => ({ id, place: place(id), content: { readings: {} }, version: 0, sent: false })
const visit = (id: string) =>
  keep({ kind: 'visit', target: id, path: `/api/visits/${id}`, label: id, body: { version: 0 } })

/** The browser's caches, as far as they are named and thrown away. */
function someCaches(names: string[]) {
  const left = new Set(names)
  vi.stubGlobal('caches', {
    keys: () => Promise.resolve([...left]),
    delete: (name: string) => Promise.resolve(left.delete(name)),
    match: () => Promise.resolve(undefined),
  })
  return left
}

let stop = () => {}

beforeEach(async () => {
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')))
  await Promise.all([store.jobs.clear(), store.drafts.clear(), store.heard.clear(), store.visits.clear()])
  await openDevice()
  stop = startSending('ann', () => {})
})

afterEach(() => {
  stop()
  vi.unstubAllGlobals()
})

describe('a device that two people use', () => {
  it('shows neither what the other has kept, and has it when they come back', async () => {
    await visit('a')
    keepDraft(draft('d'))
    hear({ timers: [], offsetMs: 5 })
    stop()
    stop = startSending('ben', () => {})
    expect(keptJobs()).toEqual([])
    expect(keptDraft('d')).toBeUndefined()
    expect(keptDrafts()).toEqual([])
    expect(heardTimers()).toBeUndefined()
    stop()
    await openDevice()
    stop = startSending('ann', () => {})
    expect(keptJobs().map((job) => job.target)).toEqual(['a'])
    expect(keptDraft('d')).toMatchObject({ person: 'ann' })
    await vi.waitFor(() => expect(heardTimers()).toMatchObject({ offsetMs: 5 }))
  })

  it('signing out forgets one’s own and leaves what another has not sent yet', async () => {
    await visit('a')
    keepDraft(draft('d'))
    stop()
    stop = startSending('ben', () => {})
    await visit('b')
    keepDraft(draft('e'))
    const left = someCaches(['data-read', 'data-session', 'workbox-precache'])
    await emptyDevice()
    expect([...left]).toEqual(['workbox-precache'])
    expect((await store.jobs.toArray()).map((job) => job.target)).toEqual(['a'])
    expect((await store.drafts.toArray()).map((each) => each.id)).toEqual(['d'])
    await openDevice()
    await ownDevice('ann')
    expect(keptJobs().map((job) => job.target)).toEqual(['a'])
  })
})

describe('a session that has ended', () => {
  it('takes with it what was read, and keeps what was not sent', async () => {
    await visit('a')
    const left = someCaches(['data-read', 'data-owner'])
    const client = new QueryClient()
    client.setQueryData(['session'], { me: { id: 'ann' } })
    client.setQueryData(['fields', {}], [{ name: 'Long Dyke' }])
    client.setQueryData(['methods'], [])
    await endSession(client)
    expect(client.getQueryData(['session'])).toEqual({})
    expect(client.getQueryData(['fields', {}])).toBeUndefined()
    expect(client.getQueryData(['methods'])).toEqual([])
    expect([...left]).toEqual([])
    expect(keptJobs()).toEqual([])
    expect(await store.jobs.count()).toBe(1)
  })

  it('is told by any answer that says so', async () => {
    const told = vi.fn()
    addEventListener('morphotera:signed-out', told)
    vi.stubGlobal('fetch', () => Promise.resolve(new Response('{}', { status: 401 })))
    await visit('b')
    expect(told).toHaveBeenCalled()
    removeEventListener('morphotera:signed-out', told)
  })
})
