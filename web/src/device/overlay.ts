import type { Field, MadeTest, MeasurementWrite, MethodEntry, Stop, Timer, VisitView } from '../api/schema'
import { bodyOf, type Job } from './device'

/** A visit that so far is on this device only, from the field it is made on. */
export function visitFrom(job: Job, field: Field, stops: Stop[], person: string): VisitView {
  const visit = { id: job.target, personId: job.person, person, ...bodyOf(job, 'visit')! }
  const { soilMoisture, daysSinceRain, soilTempC } = visit
  const { landUse, crop, purpose, textureClass } = field
  const context = { landUse, crop, purpose, textureClass, soilMoisture, daysSinceRain, soilTempC }
  const known = Object.fromEntries(Object.entries(context).filter(([, value]) => value !== undefined))
  return {
    visit,
    field,
    stops,
    contexts: Object.fromEntries(stops.map((stop) => [stop.id, known])),
    warnings: [],
    measurements: [],
    drafts: [],
    observations: [],
    fixes: [],
  }
}

/** A visit as it will be once everything kept on this device is sent. */
export function withKept(view: VisitView, jobs: Job[], methods: MethodEntry[]): VisitView {
  const own = jobs.filter((job) => job.body?.visitId === view.visit.id || job.target === view.visit.id)
  if (own.length === 0) return view
  const next = { ...view, contexts: { ...view.contexts } }
  for (const job of own) {
    if (job.state === 'refused' || job.state === 'differs') continue
    const visit = bodyOf(job, 'visit')
    // once sent, the server's answer has this version or a later one
    if (visit && visit.version >= next.visit.version)
      next.visit = { ...next.visit, ...visit, version: visit.version + 1 }
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
      const texture = job.envelope?.classes['textureClass']
      if (typeof texture === 'string')
        next.contexts[body.stopId] = { ...next.contexts[body.stopId], textureClass: texture }
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
