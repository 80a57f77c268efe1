import { isReadings } from '../api/readings'
import { ApiError, write } from '../api/client'
import type { Draft, Measurement } from '../api/schema'
import { different } from './differences'
import { madeAgain } from './restored'
import {
  askToPersist,
  bodyOf,
  changeJob,
  draftInsteadOf,
  dropJob,
  keepAgain,
  keepDraft,
  keepJob,
  keptDraft,
  keptDrafts,
  keptJobs,
  ownDevice,
  rememberVisit,
  replaceJob,
  tellReached,
  type Job,
  type KeptDraft,
} from './device'

/** What became of a write: the server's answer, or kept on the device until it can be sent. */
export type Kept<T> = { sent: true; data: T } | { sent: false }

type Waiter = { resolve: (kept: Kept<unknown>) => void; reject: (error: ApiError) => void }

const EVERY_MS = 4000

/** Pauses after the server failed on a write, ms; after as many failures it is set aside. */
const PAUSES_MS = [4000, 15_000, 60_000]

/** Not this write is at fault: the server is away, or its disk is full. */
const AWAY = [502, 503, 504, 507]

/** The write is sound and only came at a bad moment: it is never set aside for that, and these words say why it waits. */
export const LATER: Record<number, string> = {
  408: 'The connection was too slow for it. It is sent again by itself.',
  429: 'The server takes no more at once. It is sent again by itself.',
}

const waiters = new Map<number, Waiter>()
const drafts = new Map<string, { tries: number; notBefore: number }>()
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
  void ownDevice(who)
  const go = () => void flush()
  askToPersist()
  const tick = setInterval(() => {
    void keepAgain()
    void wakeAfterPause()
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
  const due = (each: Job) => each.state === 'waiting' && each.person === (person ?? '')
  for (const { seq } of keptJobs().filter(due)) {
    const job = keptJobs().find((each) => each.seq === seq)
    if (!job || !due(job)) continue
    const held = (job.notBefore ?? 0) > Date.now() || keptJobs().some((each) => holdsBack(each, job))
    if (held) {
      waiters.get(seq)?.resolve({ sent: false })
      waiters.delete(seq)
      continue
    }
    if (!(await send(job))) {
      // nothing gets through now: whoever waits is told that it is kept
      waiters.forEach((waiter) => waiter.resolve({ sent: false }))
      waiters.clear()
      return
    }
  }
  for (const draft of keptDrafts().filter((each) => !each.sent && !each.conflict)) {
    if ((drafts.get(draft.id)?.notBefore ?? 0) > Date.now()) continue
    if (!(await sendDraft(draft.id))) return
  }
}

/** Whether a write must wait for an earlier one: of the same thing, or of one that it names and that is not there yet. */
export function holdsBack(earlier: Job, later: Job): boolean {
  if (earlier.seq >= later.seq || earlier.person !== later.person || earlier.state === 'differs') return false
  if (earlier.target === later.target) return true
  const makes = !earlier.body?.version
  return makes && (later.path.split(/[/?&=]/).includes(earlier.target) || names(later.body, earlier.target))
}

function names(value: unknown, id: string): boolean {
  if (typeof value === 'string') return value === id
  return typeof value === 'object' && value !== null && Object.values(value).some((each) => names(each, id))
}

/** @returns whether others may follow */
async function send(job: Job): Promise<boolean> {
  const waiter = waiters.get(job.seq)
  try {
    const data = await write('PUT', job.path, job.picture ?? job.body)
    tellReached(true)
    waiters.delete(job.seq)
    if (job.kind === 'visit' && job.body) rememberVisit(job.target, job.body)
    const otherwise = job.envelope && different(job.envelope, (data as Measurement).evaluation)
    if (otherwise) await changeJob(job.seq, { state: 'differs', message: otherwise, picture: undefined })
    else await dropJob(job.seq)
    await wakeAfterOutage()
    onSent(job)
    waiter?.resolve({ sent: true, data })
    return true
  } catch (error) {
    if (!(error instanceof ApiError)) throw error
    if (error.unreached || error.status === 401) {
      tellReached(!error.unreached)
      return false
    }
    if (error.status === 404 && !job.again && (await again404(job, error))) return true
    waiters.delete(job.seq)
    if (LATER[error.status]) {
      await later(job, error)
      waiter?.resolve({ sent: false })
      // a server that takes no more is not asked for the next one either
      return error.status !== 429
    }
    if (error.status === 403 || error.status >= 500) {
      await failed(job, error)
      waiter?.resolve({ sent: false })
    } else if (waiter) {
      await dropJob(job.seq)
      waiter.reject(error)
    } else {
      await changeJob(job.seq, {
        state: error.status === 409 ? 'conflict' : 'refused',
        faults: error.faults,
        message: error.missing
          ? `The server does not know this ${error.missing} any more, and this device does not hold it: the server was put back to an earlier day.`
          : error.message,
        current: isReadings(error.current) ? error.current : undefined,
      })
    }
    return true
  }
}

/** A server that does not know any more what a write names is told it again, where this device can; then the write goes. */
async function again404(job: Job, error: ApiError) {
  const unknownSelf = error.missing === job.kind && Boolean(job.body?.version)
  if (!unknownSelf && !(await madeAgain(job, error))) return false
  await changeJob(job.seq, {
    again: true,
    body: unknownSelf ? { ...job.body, version: 0 } : job.body,
  })
  again = true
  return true
}

/** The server failed on a write: it is tried again after growing pauses, then set aside, and others go on. */
async function failed(job: Job, error: ApiError) {
  const tries = (job.tries ?? 0) + 1
  const pause = PAUSES_MS[tries - 1]
  await changeJob(job.seq, {
    tries,
    answered: error.status,
    message: error.message,
    notBefore: Date.now() + (pause ?? PAUSES_MS.at(-1)!),
    state: pause === undefined ? 'aside' : 'waiting',
  })
}

/** A write that came at a bad moment waits, longer each time, and is tried for as long as it takes. */
async function later(job: Job, error: ApiError) {
  const tries = (job.tries ?? 0) + 1
  await changeJob(job.seq, {
    tries,
    answered: error.status,
    message: LATER[error.status],
    notBefore: Date.now() + PAUSES_MS[Math.min(tries, PAUSES_MS.length) - 1]!,
  })
}

/** Something got through: what was set aside only since the server was away is tried again. */
async function wakeAfterOutage() {
  for (const job of keptJobs().filter(
    (each) => each.state === 'aside' && AWAY.includes(each.answered ?? 0),
  )) {
    await changeJob(job.seq, {
      state: 'waiting',
      tries: undefined,
      notBefore: undefined,
      answered: undefined,
    })
    again = true
  }
}

/** What was set aside only since the server was away or full is tried once a minute, though nothing else is sent. */
async function wakeAfterPause() {
  const due = keptJobs().filter(
    (each) =>
      each.state === 'aside' && AWAY.includes(each.answered ?? 0) && (each.notBefore ?? 0) <= Date.now(),
  )
  for (const job of due) await changeJob(job.seq, { state: 'waiting', notBefore: undefined })
}

/** Sends a write again that was set aside or refused. */
export async function sendAgain(job: Job) {
  await changeJob(job.seq, {
    state: 'waiting',
    tries: undefined,
    notBefore: undefined,
    answered: undefined,
    faults: undefined,
    message: undefined,
  })
  await flush()
}

/** Takes a measurement back into the draft it came from, to be corrected at its test. */
export async function takeBack(job: Job) {
  const test = bodyOf(job, 'measurement')
  if (!test) return
  const { readings, note, visitId, stopId, method, depthTopMm, depthBottomMm, supersedes } = test
  const version = keptDraft(job.target)?.version ?? 0
  await draftInsteadOf(job.seq, {
    id: job.target,
    place: { id: job.target, visitId, stopId, method, depthTopMm, depthBottomMm, supersedes },
    content: { readings, note },
    version,
    sent: false,
  })
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
    drafts.delete(id)
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
    if (error.status === 404 && latest && (await draftAgain(latest, error))) return true
    if (error.status === 409 && latest) keepDraft({ ...latest, conflict: error.current as Draft })
    // a draft that the server will not have (its test is recorded, its visit refused) stays on the device
    if (!error.unreached && error.status !== 401) {
      const tries = (drafts.get(id)?.tries ?? 0) + 1
      drafts.set(id, { tries, notBefore: Date.now() + (PAUSES_MS[tries - 1] ?? PAUSES_MS.at(-1)!) })
    }
    return !error.unreached && error.status !== 401
  }
}

/** A draft that the server does not know any more, or whose visit it does not, is sent as a new one. */
async function draftAgain(draft: KeptDraft, error: ApiError) {
  const { visitId } = draft.place
  const unknownSelf = error.missing === 'draft' && draft.version > 0
  const asJob = { kind: 'measurement', path: '', body: { visitId } } as unknown as Job
  if (!unknownSelf && !(await madeAgain(asJob, error))) return false
  keepDraft({ ...draft, version: 0, sent: false })
  again = true
  return true
}

/** Settles a conflict: with this device's version over the other, or the other's. */
export async function settle(job: Job, mine: boolean) {
  if (!mine) return dropJob(job.seq)
  if (job.kind === 'measurement') {
    // a record is never overwritten: ours becomes a correction of it
    const id = crypto.randomUUID()
    const { seq, ...ours } = job
    await replaceJob(seq, {
      ...ours,
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
