import Dexie, { type Table } from 'dexie'
import { useSyncExternalStore } from 'react'
import type { Fault } from '../api/client'
import type {
  DayMarkWrite,
  Draft,
  Envelope,
  FixWrite,
  FromPhotoWrite,
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
  /** what a picture proposed, before the hand changed it */
  photo?: FromPhotoWrite
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
  /** whose it is; nobody's on what was kept before persons were told apart */
  person?: string
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
  fix: FixWrite
  'day-mark': DayMarkWrite
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
  /** what it needs was made again on a server that had lost it */
  again?: boolean
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

/** A picture of a series that goes on by the clock, until the series is taken or left. */
export type Look = { key: string; draft: string; moment: string; person?: string; blob: Blob }

/** A visit as the server acknowledged it, to make it again on a server that was put back to an earlier day. */
export type SentVisit = { id: string; person: string; body: Record<string, unknown>; at: number }

/** A round on the training ground, as the device keeps it. */
export type TrainingRound = {
  id: string
  person: string
  /** what the place was drawn from */
  deal: { seed: number; level: 'clear' | 'usual' | 'hard'; like?: TrainingLike }
  begunAt: number
  /** time passed on the round's own clock, ms, and how fast it runs */
  passedMs: number
  speed: number
  /** readings on their way, by test */
  contents: Record<string, Content>
  timers: Timer[]
  made: {
    key: string
    method: string
    topMm?: number
    bottomMm?: number
    readings: Readings
    minutes: number
  }[]
  named?: string
  action?: string
  endedAt?: number
  score?: number
  minutes?: number
}

/** A real field that a made-up one resembles: no name, only what is believed of it. */
export type TrainingLike = {
  landUse?: string
  textureClass?: string
  suspected: { constraint: string; probability: number }[]
}

/** So many of the newest visits are remembered. */
const VISITS_REMEMBERED = 200

class DeviceStore extends Dexie {
  jobs!: Table<Job, number>
  drafts!: Table<KeptDraft, string>
  heard!: Table<{ name: string; value: unknown }, string>
  visits!: Table<SentVisit, string>
  /** training rounds; they hold nothing of real fields, and stay when somebody signs out */
  rounds!: Table<TrainingRound, string>
  looks!: Table<Look, string>
  constructor() {
    super('morphotera')
    this.version(1).stores({ jobs: '++seq, target', drafts: 'id', heard: 'name' })
    this.version(2).stores({ jobs: '++seq, target', drafts: 'id', heard: 'name', visits: 'id, at' })
    this.version(3).stores({ rounds: 'id, person' })
    this.version(4).stores({ looks: 'key, draft' })
  }
}

export const store = new DeviceStore()

// Read at once everywhere, so also held in memory; the store is written before anything is sent.
let jobs: Job[] = []
let drafts = new Map<string, KeptDraft>()
let heard: HeardTimers | undefined
let failing = false
// whose device it is now: of others nothing is shown, sent or forgotten
let owner: string | undefined
let own: Job[] = []
const listeners = new Set<() => void>()

export function changed() {
  own = jobs.filter((each) => isOwn(each.person))
  listeners.forEach((listener) => listener())
}

function subscribe(listener: () => void) {
  listeners.add(listener)
  return () => {
    listeners.delete(listener)
  }
}

const isOwn = (person: string | undefined) => !person || person === owner

/** Says who is signed in: only theirs is shown and sent from now on. */
export async function ownDevice(person: string | undefined) {
  if (person === owner) return
  owner = person
  heard = undefined
  changed()
  if (!person) return
  const before = await store.heard.get(`timers ${person}`).catch(() => undefined)
  // what the server has said in the meantime is newer
  heard ??= before?.value as HeardTimers | undefined
  changed()
}

/** Reads what this device has kept; call once before the first page is shown. */
export async function openDevice() {
  try {
    jobs = await store.jobs.orderBy('seq').toArray()
    drafts = new Map((await store.drafts.toArray()).map((each) => [each.id, each]))
    changed()
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
  if (owner) void store.heard.put({ name: `timers ${owner}`, value: timers }).catch(() => {})
}

export const keptJobs = () => own
export const keptDrafts = () => [...drafts.values()].filter((each) => isOwn(each.person))
export function keptDraft(id: string) {
  const draft = drafts.get(id)
  return draft && isOwn(draft.person) ? draft : undefined
}

/** Remembers a visit that the server has. */
export function rememberVisit(id: string, body: Record<string, unknown>) {
  void store.visits
    .put({ id, person: owner ?? '', body, at: Date.now() })
    .then(async () => {
      const count = await store.visits.count()
      if (count > VISITS_REMEMBERED)
        await store.visits
          .orderBy('at')
          .limit(count - VISITS_REMEMBERED)
          .delete()
    })
    .catch(() => {})
}

/** A visit as it was last sent from here, or as it was last read here. */
export async function rememberedVisit(id: string): Promise<Record<string, unknown> | undefined> {
  const sent = await store.visits.get(id).catch(() => undefined)
  if (sent && isOwn(sent.person)) return sent.body
  const read = await globalThis.caches?.match(`/api/visits/${id}`).catch(() => undefined)
  const view = (await read?.json().catch(() => undefined)) as { visit?: Record<string, unknown> } | undefined
  if (!view?.visit) return undefined
  const ofServer = new Set(['id', 'personId', 'person'])
  return Object.fromEntries(Object.entries(view.visit).filter(([name]) => !ofServer.has(name)))
}

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

/** Puts a write in the place of another: what comes is kept before what goes is dropped, both or neither. */
export async function replaceJob(seq: number, by: Omit<Job, 'seq'>): Promise<void> {
  const at = await store
    .transaction('rw', store.jobs, async () => {
      const added = await store.jobs.add(by as Job)
      await store.jobs.delete(seq)
      return added
    })
    .catch(() => undefined)
  stored(at !== undefined)
  const kept =
    at === undefined ? { ...by, seq: Date.now() + Math.random(), unkept: true } : { ...by, seq: at }
  jobs = [...jobs.filter((each) => each.seq !== seq), kept]
  changed()
}

/** Puts a draft in the place of a write, both or neither. */
export async function draftInsteadOf(seq: number, draft: KeptDraft): Promise<void> {
  const kept = { ...draft, person: draft.person ?? owner }
  const sound = await store
    .transaction('rw', store.jobs, store.drafts, async () => {
      await store.drafts.put(kept)
      await store.jobs.delete(seq)
      return true
    })
    .catch(() => false)
  stored(sound)
  drafts.set(draft.id, kept)
  jobs = jobs.filter((each) => each.seq !== seq)
  changed()
}

export function keepDraft(draft: KeptDraft) {
  const kept = { ...draft, person: draft.person ?? owner }
  drafts.set(draft.id, kept)
  store.drafts.put(kept).then(
    () => stored(true),
    () => stored(false),
  )
  changed()
}

export function forgetDraft(id: string) {
  drafts.delete(id)
  void store.drafts.delete(id).catch(() => {})
  void forgetLooks(id)
  changed()
}

/** Keeps a picture of a draft's series. */
export async function keepLook(draft: string, moment: string, blob: Blob) {
  try {
    await store.looks.put({ key: `${draft} ${moment}`, draft, moment, person: owner, blob })
  } catch {
    // a store that fails keeps it on this page only
  }
}

/** The pictures of a draft's series that this device has. */
export async function keptLooks(draft: string): Promise<Look[]> {
  try {
    const all = await store.looks.where({ draft }).toArray()
    return all.filter((each) => isOwn(each.person))
  } catch {
    return []
  }
}

export async function forgetLooks(draft: string) {
  try {
    await store.looks.where({ draft }).delete()
  } catch {
    // a store that fails keeps nothing to forget
  }
}

/** Forgets everything that was kept of whoever is signed in; after signing out. Of others their unsent work stays. */
export async function emptyDevice() {
  const seqs = own.map((each) => each.seq)
  const ids = keptDrafts().map((each) => each.id)
  jobs = jobs.filter((each) => !isOwn(each.person))
  drafts = new Map([...drafts].filter(([, each]) => !isOwn(each.person)))
  heard = undefined
  try {
    await Promise.all([
      store.jobs.bulkDelete(seqs),
      store.drafts.bulkDelete(ids),
      store.looks.filter((each) => isOwn(each.person)).delete(),
      store.heard.clear(),
      store.visits.filter((each) => isOwn(each.person)).delete(),
    ])
  } catch {
    // a store that fails keeps nothing to forget
  }
  await forgetRead()
  owner = undefined
  changed()
}

/** Forgets what was read from the server; once nobody is signed in any more, and before somebody else is. */
export async function forgetRead() {
  heard = undefined
  if (!('caches' in globalThis)) return
  const names = await caches.keys().catch(() => [])
  await Promise.all(names.filter((name) => name.startsWith('data-')).map((name) => caches.delete(name)))
}

export function useJobs() {
  return useSyncExternalStore(subscribe, keptJobs)
}

export function useKeptDraft(id: string) {
  return useSyncExternalStore(subscribe, () => keptDraft(id))
}

const countUnsent = () =>
  own.filter((each) => each.state === 'waiting' || each.state === 'aside').length +
  keptDrafts().filter((each) => !each.sent).length

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
