import Dexie, { type Table } from 'dexie'
import { useSyncExternalStore } from 'react'
import type { Fault } from '../api/client'
import type {
  Draft,
  Envelope,
  MeasurementWrite,
  ObservationWrite,
  Timer,
  TimerWrite,
  VisitWrite,
} from '../api/schema'
import type { Readings } from '../api/readings'

/** What a capture page needs to go on where it was left. */
export type Content<R = Readings> = {
  readings: R
  /** when the clock was started, as an instant */
  startedAt?: string
  /** how far a staged test has come */
  stage?: number
  /** what was remarked about the test */
  note?: string
}

export type DraftPlace = {
  id: string
  visitId: string
  stopId: string
  method: string
  depthTopMm?: number
  depthBottomMm?: number
  supersedes?: string
}

/** A draft as kept on this device; unsent until the server has it. */
export type KeptDraft = {
  id: string
  place: DraftPlace
  content: Content
  version: number
  sent: boolean
  /** somebody else changed the same draft: theirs, to choose from */
  conflict?: Draft
}

/** What a write is about; pages show it from here until the server has it. */
export type JobKind = keyof Bodies

/** What each kind of write holds; a picture is kept apart. */
export type Bodies = {
  visit: VisitWrite
  measurement: MeasurementWrite
  observation: ObservationWrite
  timer: TimerWrite
  step: { doneAt?: string }
  'timer-stop': { stoppedAt?: string }
  photo: undefined
  'test-set': Record<string, unknown>
}

/** What a write holds, if it is of that kind: the page that made it gave it the body of its kind. */
export function bodyOf<Kind extends JobKind>(job: Job, kind: Kind): Bodies[Kind] | undefined {
  return job.kind === kind ? (job.body as Bodies[Kind]) : undefined
}

/**
 * Where a write stands: on its way, refused, changed elsewhere, worked out otherwise by the server, or set aside since
 * the server kept failing on it.
 */
export type JobState = 'waiting' | 'refused' | 'conflict' | 'differs' | 'aside'

/** A write on its way to the server, kept until it is acknowledged. */
export type Job = {
  /** order of sending; given by the device */
  seq: number
  kind: JobKind
  /** id of what is written */
  target: string
  /** whose it is: sent only while the same person is signed in */
  person: string
  path: string
  body?: Record<string, unknown>
  picture?: Blob
  /** names of where a clock runs, until the server tells them */
  place?: { field: string; fieldId: string; stop: string }
  /** in words, for the list of what is kept here */
  label: string
  keptAt: string
  state: JobState
  /** how often the server has failed on it, since it was last sent by hand */
  tries?: number
  /** not tried again before this moment, ms since 1970 */
  notBefore?: number
  /** the server's last answer, a status */
  answered?: number
  /** the device's store failed: it is in this page's memory only */
  unkept?: boolean
  /** what the server said against it, or the other version */
  faults?: Fault[]
  message?: string
  current?: Record<string, unknown>
  /** the page's own evaluation of a measurement, to hold against the server's */
  envelope?: Envelope
}

/** The clocks as last heard of, for a reload without a server. */
export type HeardTimers = { timers: Timer[]; offsetMs: number }

class DeviceStore extends Dexie {
  jobs!: Table<Job, number>
  drafts!: Table<KeptDraft, string>
  heard!: Table<{ name: string; value: unknown }, string>
  constructor() {
    super('morphotera')
    this.version(1).stores({ jobs: '++seq, target', drafts: 'id', heard: 'name' })
  }
}

export const store = new DeviceStore()

// Read at once everywhere, so also held in memory; the store is written before anything is sent.
let jobs: Job[] = []
let drafts = new Map<string, KeptDraft>()
let heard: HeardTimers | undefined
let failing = false
const listeners = new Set<() => void>()

export function changed() {
  listeners.forEach((listener) => listener())
}

function subscribe(listener: () => void) {
  listeners.add(listener)
  return () => {
    listeners.delete(listener)
  }
}

/** Reads what this device has kept; call once before the first page is shown. */
export async function openDevice() {
  try {
    jobs = await store.jobs.orderBy('seq').toArray()
    drafts = new Map((await store.drafts.toArray()).map((each) => [each.id, each]))
    heard = (await store.heard.get('timers'))?.value as HeardTimers | undefined
  } catch {
    // a browser that forbids its store still works with a server, from memory; the foot of the page says so
    failing = true
    changed()
  }
}

/** Asks the browser not to clear what is kept when room gets short. */
export function askToPersist() {
  void navigator.storage?.persist?.().catch(() => {})
}

/** Notes how a write to the device's store went; what it could not take is in memory only, and is said to be. */
function stored(sound: boolean) {
  if (sound && jobs.some((each) => each.unkept)) return
  if (failing !== sound) return
  failing = !sound
  changed()
}

/** Whether the device's store fails: full, forbidden or damaged. What is entered then is on this page only. */
export function useStoreFails() {
  return useSyncExternalStore(subscribe, () => failing)
}

/** Tries again to keep what the store could not take. */
export async function keepAgain() {
  for (const job of jobs.filter((each) => each.unkept)) {
    try {
      await store.jobs.put({ ...job, unkept: undefined })
      jobs = jobs.map((each) => (each.seq === job.seq ? { ...each, unkept: undefined } : each))
    } catch {
      return
    }
  }
  stored(true)
}

export const heardTimers = () => heard

export function hear(timers: HeardTimers) {
  heard = timers
  void store.heard.put({ name: 'timers', value: timers }).catch(() => {})
}

export const keptJobs = () => jobs
export const keptDraft = (id: string) => drafts.get(id)
export const keptDrafts = () => [...drafts.values()]

export async function keepJob(job: Omit<Job, 'seq'>): Promise<Job> {
  const seq = await store.jobs.add(job as Job).catch(() => undefined)
  const kept = seq === undefined ? { ...job, seq: Date.now() + Math.random(), unkept: true } : { ...job, seq }
  jobs = [...jobs, kept]
  stored(seq !== undefined)
  changed()
  return kept
}

export async function changeJob(seq: number, part: Partial<Job>) {
  jobs = jobs.map((each) => (each.seq === seq ? { ...each, ...part } : each))
  await store.jobs.update(seq, part as object).catch(() => {})
  changed()
}

export async function dropJob(seq: number) {
  jobs = jobs.filter((each) => each.seq !== seq)
  await store.jobs.delete(seq).catch(() => {})
  changed()
}

export function keepDraft(draft: KeptDraft) {
  drafts.set(draft.id, draft)
  store.drafts.put(draft).then(
    () => stored(true),
    () => stored(false),
  )
  changed()
}

export function forgetDraft(id: string) {
  drafts.delete(id)
  void store.drafts.delete(id).catch(() => {})
  changed()
}

/** Forgets everything that was kept; after signing out. */
export async function emptyDevice() {
  jobs = []
  drafts = new Map()
  heard = undefined
  await Promise.all([store.jobs.clear(), store.drafts.clear(), store.heard.clear()]).catch(() => {})
  if ('caches' in globalThis) {
    const names = await caches.keys()
    await Promise.all(names.filter((name) => name.startsWith('data-')).map((name) => caches.delete(name)))
  }
  changed()
}

export function useJobs() {
  return useSyncExternalStore(subscribe, keptJobs)
}

export function useKeptDraft(id: string) {
  return useSyncExternalStore(subscribe, () => drafts.get(id))
}

const countUnsent = () =>
  jobs.filter((each) => each.state === 'waiting' || each.state === 'aside').length +
  [...drafts.values()].filter((each) => !each.sent).length

/** How many changes this device has kept that the server does not have yet. */
export function useUnsent() {
  return useSyncExternalStore(subscribe, countUnsent)
}

let reached = true

/** Whether the server was reached when it was last asked. */
export function useReached() {
  return useSyncExternalStore(subscribe, () => reached)
}

export function tellReached(now: boolean) {
  if (now !== reached) {
    reached = now
    changed()
  }
}
