import { ApiError, write } from '../api/client'
import type { Draft, Envelope, Measurement } from '../api/schema'
import { different } from './differences'
import {
  changeJob,
  dropJob,
  keepDraft,
  keepJob,
  keptDraft,
  keptDrafts,
  keptJobs,
  tellReached,
  type Job,
} from './device'

/** What became of a write: the server's answer, or kept on the device until it can be sent. */
export type Kept<T> = { sent: true; data: T } | { sent: false }

type Waiter = { resolve: (kept: Kept<unknown>) => void; reject: (error: ApiError) => void }

const EVERY_MS = 4000

const waiters = new Map<number, Waiter>()
let person: string | undefined
let running: Promise<void> | undefined
let again = false
let onSent: (job: Job) => void = () => {}

/**
 * Sends what is kept, in order, for as long as a person is signed in: at once, when the network comes back, and every
 * few seconds.
 */
export function startSending(who: string, sent: (job: Job) => void) {
  person = who
  onSent = sent
  const go = () => void flush()
  const tick = setInterval(() => {
    if (keptJobs().some((each) => each.state === 'waiting') || keptDrafts().some((each) => !each.sent)) go()
  }, EVERY_MS)
  addEventListener('online', go)
  go()
  return () => {
    clearInterval(tick)
    removeEventListener('online', go)
    person = undefined
  }
}

/**
 * Keeps a write on this device, then sends it. Resolves once it is sent or can't be now; a refusal while the page waits
 * is thrown and not kept, since the page still has it.
 */
export async function keep<T>(
  job: Pick<Job, 'kind' | 'target' | 'path' | 'body' | 'picture' | 'label' | 'envelope' | 'place'>,
): Promise<Kept<T>> {
  const kept = await keepJob({
    ...job,
    person: person ?? '',
    keptAt: new Date().toISOString(),
    state: 'waiting',
  })
  const answer = new Promise<Kept<unknown>>((resolve, reject) => waiters.set(kept.seq, { resolve, reject }))
  void flush()
  return answer as Promise<Kept<T>>
}

/** One after the other; a call while sending makes another round after it. */
export async function flush(): Promise<void> {
  again = true
  running ??= rounds()
  await running
}

async function rounds() {
  try {
    while (again) {
      again = false
      await round()
    }
  } finally {
    // in the same step as the last look at `again`, so that no call falls between
    running = undefined
  }
}

async function round() {
  for (const job of keptJobs().filter((each) => each.state === 'waiting' && each.person === (person ?? ''))) {
    const open = await send(job)
    if (!open) {
      // nothing gets through now: whoever waits is told that it is kept
      waiters.forEach((waiter) => waiter.resolve({ sent: false }))
      waiters.clear()
      return
    }
  }
  for (const draft of keptDrafts().filter((each) => !each.sent && !each.conflict)) {
    if (!(await sendDraft(draft.id))) return
  }
}

/** @returns whether others may follow */
async function send(job: Job): Promise<boolean> {
  const waiter = waiters.get(job.seq)
  try {
    const data = await write('PUT', job.path, job.picture ?? job.body)
    tellReached(true)
    waiters.delete(job.seq)
    const otherwise = job.envelope && different(job.envelope, (data as Measurement).evaluation as Envelope)
    if (otherwise) await changeJob(job.seq, { state: 'differs', message: otherwise, picture: undefined })
    else await dropJob(job.seq)
    onSent(job)
    waiter?.resolve({ sent: true, data })
    return true
  } catch (error) {
    if (!(error instanceof ApiError)) throw error
    if (error.unreached || error.status === 401 || error.status === 403 || error.status >= 500) {
      tellReached(!error.unreached && error.status < 500)
      return false
    }
    waiters.delete(job.seq)
    if (waiter) {
      await dropJob(job.seq)
      waiter.reject(error)
    } else {
      await changeJob(job.seq, {
        state: error.status === 409 ? 'conflict' : 'refused',
        faults: error.faults,
        message: error.message,
        current: error.current as Record<string, unknown> | undefined,
      })
    }
    return true
  }
}

async function sendDraft(id: string): Promise<boolean> {
  const going = keptDraft(id)
  if (!going || going.sent) return true
  const { id: target, ...place } = going.place
  try {
    const answer = (await write('PUT', `/api/drafts/${target}`, {
      ...place,
      content: going.content,
      version: going.version,
    })) as Draft
    const latest = keptDraft(id)
    if (latest)
      keepDraft({
        ...latest,
        version: answer.version,
        sent: latest.content === going.content && latest.place === going.place,
      })
    return true
  } catch (error) {
    if (!(error instanceof ApiError)) throw error
    const latest = keptDraft(id)
    if (error.status === 409 && latest) keepDraft({ ...latest, conflict: error.current as Draft })
    // a draft that the server will not have (its test is recorded, its visit refused) stays on the device
    return !error.unreached && error.status !== 401 && error.status < 500
  }
}

/** Settles a conflict: with this device's version over the other, or the other's. */
export async function settle(job: Job, mine: boolean) {
  if (!mine) return dropJob(job.seq)
  if (job.kind === 'measurement') {
    // a record is never overwritten: ours becomes a correction of it
    const id = crypto.randomUUID()
    await dropJob(job.seq)
    await keepJob({
      ...job,
      target: id,
      path: `/api/measurements/${id}`,
      body: { ...job.body, supersedes: job.current?.id, reason: 'the readings kept on another device' },
      state: 'waiting',
    })
  } else {
    await changeJob(job.seq, {
      state: 'waiting',
      body: { ...job.body, version: job.current?.version },
      current: undefined,
    })
  }
  await flush()
}
