import 'fake-indexeddb/auto'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { emptyDevice, hear, keepDraft, keptDraft, keptJobs, store } from './device'
import { flush, keep, startSending } from './outbox'

/** A server that knows what it was told, until it is put back to an earlier day. */
class Server {
  known = new Set<string>(['f'])
  asked: { path: string; body: Record<string, unknown> }[] = []

  answer = (path: string, init: RequestInit) => {
    const body = JSON.parse(init.body as string) as Record<string, unknown>
    this.asked.push({ path, body })
    const missing = this.missing(path, body)
    if (missing)
      return Promise.resolve(
        new Response(JSON.stringify({ detail: `There is no such ${missing}.`, missing }), { status: 404 }),
      )
    this.known.add(path.split('/')[3]!)
    return Promise.resolve(new Response(JSON.stringify({ version: 1 }), { status: 200 }))
  }

  private missing(path: string, body: Record<string, unknown>) {
    const [, , kind, id] = path.split('/')
    if (kind === 'visits') {
      if (!this.known.has(body.fieldId as string)) return 'field'
      return body.version && !this.known.has(id!) ? 'visit' : undefined
    }
    if (body.visitId && !this.known.has(body.visitId as string)) return 'visit'
    if (kind === 'drafts' && body.version && !this.known.has(id!)) return 'draft'
    if (path.includes('/steps/') && !this.known.has(id!)) return 'step'
    return undefined
  }
}

let server: Server
let stop: () => void

beforeEach(async () => {
  server = new Server()
  vi.stubGlobal('fetch', server.answer)
  await emptyDevice()
  await store.visits.clear()
  stop = startSending('me', () => {})
})

afterEach(() => {
  stop()
  vi.unstubAllGlobals()
})

const visit = (version = 0) =>
  keep({
    kind: 'visit',
    target: 'v',
    path: '/api/visits/v',
    label: 'Visit',
    body: { fieldId: 'f', visitedOn: '2026-05-01', version },
  })
const test = () =>
  keep({
    kind: 'measurement',
    target: 'm',
    path: '/api/measurements/m',
    label: 'pH',
    body: { visitId: 'v', method: 'ph' },
  })
const paths = () => server.asked.map((each) => each.path)

describe('a server put back to an earlier day', () => {
  it('is told the visit again that a test names', async () => {
    await visit()
    server.known = new Set(['f'])
    server.asked = []
    await test()
    await flush()
    expect(paths()).toEqual(['/api/measurements/m', '/api/visits/v', '/api/measurements/m'])
    expect(server.asked[1]!.body).toMatchObject({ fieldId: 'f', version: 0 })
    expect(keptJobs()).toEqual([])
  })

  it('is told a visit as new that was changed here', async () => {
    await visit(3)
    await flush()
    expect(server.asked.at(-1)!.body).toMatchObject({ version: 0 })
    expect(keptJobs()).toEqual([])
  })

  it('takes a draft as new, and its visit before it', async () => {
    await visit()
    server.known = new Set(['f'])
    keepDraft({
      id: 'd',
      place: { id: 'd', visitId: 'v', stopId: 's', method: 'ph' },
      content: { readings: {} },
      version: 4,
      sent: false,
    })
    await flush()
    await flush()
    expect(keptDraft('d')).toMatchObject({ sent: true })
    expect(server.known.has('v')).toBe(true)
  })

  it('gets a running clock again, and the visit it runs on', async () => {
    await visit()
    server.known = new Set(['f'])
    const step = { id: 'x', code: 'stand-60', label: '', dueAt: '2026-05-01T09:01:00Z', toleranceSeconds: 5 }
    hear({
      offsetMs: 0,
      timers: [
        {
          id: 't',
          visitId: 'v',
          stopId: 's',
          stop: 'Stop 1',
          fieldId: 'f',
          field: 'Long Dyke',
          measurementId: 'm',
          method: 'crumb-stability',
          startedAt: '2026-05-01T09:00:00Z',
          steps: [step],
        },
      ],
    })
    const path = '/api/timers/t/steps/x/done'
    await keep({ kind: 'step', target: 'x', path, label: 'Clock', body: { doneAt: '2026-05-01T09:01:03Z' } })
    await flush()
    expect(keptJobs()).toEqual([])
    expect(server.known.has('t')).toBe(true)
    expect(paths().at(-1)).toBe(path)
  })

  it('what can’t be made again is said, once, and kept', async () => {
    await visit()
    // the field itself was begun after that day
    server.known = new Set()
    server.asked = []
    const refused = await test().catch((error: Error) => error)
    expect((refused as Error).message).toBe('There is no such visit.')
    expect(paths()).toEqual(['/api/measurements/m', '/api/visits/v'])
  })
})
