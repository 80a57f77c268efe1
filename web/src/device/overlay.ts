import type {
  Envelope,
  Field,
  MadeTest,
  ManagementEvent,
  MeasurementWrite,
  MethodEntry,
  Stop,
  Timer,
  VisitView,
} from '../api/schema'
import { bodyOf, type Job } from './device'

/** A test recorded on this device, as the core asks for it. */
export type Recorded = Pick<MeasurementWrite, 'stopId' | 'method' | 'takenAt' | 'supersedes'> & {
  id: string
  envelope?: Envelope
}

/** A visit as pages show it; `recorded` is what this device recorded on it beyond what its `place` tells. */
export type ShownVisit = VisitView & { recorded: Recorded[] }

/** What a visit is begun on. */
export type VisitedField = {
  field: Field
  stops: Stop[]
  southern?: boolean
  events?: ManagementEvent[]
  textures?: VisitView['place']['found']
}

/** A visit that so far is on this device only, from the field it is made on. */
export function visitFrom(job: Job, at: VisitedField, person: string): VisitView {
  const visit = { id: job.target, personId: job.person, person, ...bodyOf(job, 'visit')! }
  return {
    visit,
    field: at.field,
    stops: at.stops,
    place: {
      field: at.field,
      visit,
      southern: at.southern ?? false,
      events: at.events ?? [],
      found: at.textures ?? [],
    },
    contexts: {},
    warnings: [],
    measurements: [],
    drafts: [],
    observations: [],
    fixes: [],
  }
}

/** A visit as it will be once everything kept on this device is sent. */
export function withKept(view: VisitView, jobs: Job[], methods: MethodEntry[]): ShownVisit {
  const own = jobs.filter((job) => job.body?.visitId === view.visit.id || job.target === view.visit.id)
  const next: ShownVisit = { ...view, recorded: [] }
  for (const job of own) {
    if (job.state === 'refused' || job.state === 'differs') continue
    const visit = bodyOf(job, 'visit')
    // once sent, the server's answer has this version or a later one
    if (visit && visit.version >= next.visit.version) {
      next.visit = { ...next.visit, ...visit, version: visit.version + 1 }
      next.place = { ...next.place, visit: next.visit }
    }
    const noticed = bodyOf(job, 'observation')
    if (noticed) {
      const seen = { id: job.target, ...noticed }
      next.observations = [
        ...next.observations.filter((each) => each.stopId !== seen.stopId),
        { ...seen, version: seen.version + 1 },
      ]
    }
    const stood = bodyOf(job, 'fix')
    if (stood && !next.fixes.some((each) => each.id === job.target))
      next.fixes = [...next.fixes, { id: job.target, ...stood }]
    const body = bodyOf(job, 'measurement')
    if (body && !next.measurements.some((each) => each.id === job.target)) {
      next.measurements = [
        ...next.measurements.filter((each) => each.id !== body.supersedes),
        madeTest(job, body, methods),
      ]
      const { stopId, method, takenAt, supersedes } = body
      next.recorded = [
        ...next.recorded,
        { id: job.target, stopId, method, takenAt, supersedes, envelope: job.envelope },
      ]
    }
  }
  const gone = new Set(next.measurements.map((each) => each.id))
  next.drafts = next.drafts.filter((draft) => !gone.has(draft.id))
  return next
}

function madeTest(job: Job, body: MeasurementWrite, methods: MethodEntry[]): MadeTest {
  const labels = methods.find((each) => each.id === body.method)?.indicators ?? []
  const ratings = job.envelope?.ratings.filter((each) => each.school === 'standing') ?? []
  const texture = job.envelope?.classes['textureClass']
  return {
    id: job.target,
    stopId: body.stopId,
    method: body.method,
    depthTopMm: body.depthTopMm,
    depthBottomMm: body.depthBottomMm,
    takenAt: body.takenAt,
    results: ratings.map((each) => ({
      indicator: each.indicator,
      label: labels.find((label) => label.id === each.indicator)?.label ?? each.indicator,
      level: each.level!,
    })),
    contextClass: typeof texture === 'string' ? texture : undefined,
  }
}

/** The clocks as they will be once everything kept on this device is sent. */
export function clocksWithKept(timers: Timer[], jobs: Job[], methods: MethodEntry[]): Timer[] {
  let next = timers
  for (const job of jobs) {
    if (job.state !== 'waiting' && job.state !== 'aside') continue
    const body = bodyOf(job, 'timer')
    if (body) {
      const labels = methods.find((each) => each.id === body.method)?.timedSteps ?? []
      const steps = body.steps.map((step) => ({
        ...step,
        label: labels.find((each) => each.code === step.code)?.label ?? step.code,
      }))
      const known = next.find((each) => each.id === job.target)
      const timer: Timer = known
        ? {
            ...known,
            steps: [...known.steps, ...steps.filter((s) => !known.steps.some((k) => k.id === s.id))],
          }
        : { field: '', fieldId: '', stop: '', ...job.place, ...body, id: job.target, steps }
      next = [...next.filter((each) => each.id !== job.target), timer]
    }
    const marked = bodyOf(job, 'step')
    if (marked) {
      const { doneAt } = marked
      next = next.map((timer) => ({
        ...timer,
        steps: timer.steps.map((step) => (step.id === job.target ? { ...step, doneAt } : step)),
      }))
    }
    if (job.kind === 'timer-stop') next = next.filter((each) => each.id !== job.target)
    // a recorded test stops its clocks
    if (job.kind === 'measurement') next = next.filter((each) => each.measurementId !== job.target)
  }
  return next
}
