import type { DayMark, DayView, Envelope, MadeTest, MethodEntry, Stop, Timer } from '../api/schema'
import type { LaneTurn } from '../charts/Lanes'
import type { Outcome } from '../core/core'
import { frameAt, toMetres, type Point } from '../geo/geo'

/** One step of somebody's day. */
export type Turn = LaneTurn & { method: string; mark?: DayMark }

export type Walk = { person: number; from: string; to: string; start: number; end: number }

export type Course = {
  turns: Turn[]
  walks: Walk[]
  /** drives between fields: everybody goes */
  drives: { to: string; start: number; end: number }[]
  late: { chain: string; step: number; byMin: number }[]
  finish: number
  oneAfterAnother: number
  walking: number
  proven: boolean
}

/** What really happened, gathered from marks, recorded tests and running clocks. */
export type Happened = { marks: DayMark[]; made: MadeTest[]; timers: Timer[] }

const MINUTE = 60_000
/** Stops without a position are taken to lie so far apart, in their order. */
const UNPLACED_M = 100

export const chainOf = (stopId: string, method: string) => `${stopId} ${method}`

/** The moment that a day starts, ms since 1970, on this device's clock face. */
export const startOf = (day: DayView['day']) => Date.parse(`${day.plannedOn}T${day.startsAt}:00`)

export function placesOf(stops: Stop[]) {
  const first = stops.find((stop) => stop.longitude !== undefined && stop.latitude !== undefined)
  const frame = frameAt([first?.longitude ?? 0, first?.latitude ?? 0])
  return stops.map((stop, i) => {
    const [eastM, northM] =
      stop.longitude !== undefined && stop.latitude !== undefined
        ? toMetres(frame, [stop.longitude, stop.latitude] as Point)
        : [i * UNPLACED_M, 0]
    return { id: stop.id, eastM, northM }
  })
}

type Done = {
  chain: string
  step: number
  person: number
  start: number
  end: number
  going: boolean
  mark?: DayMark
}

/** The steps of a test at a stop that are done or under way, in order; times in minutes since `zero`. */
export function doneSteps(
  stopId: string,
  method: MethodEntry,
  happened: Happened,
  zero: number,
  nowMin: number,
  planned: (step: number) => number,
): Done[] {
  const chain = chainOf(stopId, method.id)
  const at = (iso: string) => Math.max(0, (Date.parse(iso) - zero) / MINUTE)
  const marks = happened.marks.filter((mark) => mark.stopId === stopId && mark.method === method.id)
  const made = happened.made.find((test) => test.stopId === stopId && test.method === method.id)
  const timer = happened.timers.find((each) => each.stopId === stopId && each.method === method.id)
  const done: Done[] = []
  for (const [step, work] of method.work.entries()) {
    const mark = marks.find((each) => each.step === step)
    const person = mark?.person ?? planned(step)
    if (mark?.endedAt) {
      done.push({ chain, step, person, start: at(mark.begunAt), end: at(mark.endedAt), going: false, mark })
    } else if (made) {
      // what was recorded is done, step by step up to its moment
      const end = at(made.takenAt)
      const before = done.at(-1)?.end ?? 0
      done.push({
        chain,
        step,
        person,
        start: Math.min(end, Math.max(before, end - work.minutes)),
        end,
        going: false,
        mark,
      })
    } else if (mark) {
      const start = at(mark.begunAt)
      done.push({
        chain,
        step,
        person,
        start,
        end: Math.max(nowMin, start + work.minutes),
        going: true,
        mark,
      })
    } else if (timer && step === 0) {
      const start = at(timer.startedAt)
      done.push({
        chain,
        step,
        person,
        start,
        end: start + work.minutes,
        going: nowMin < start + work.minutes,
      })
    } else {
      break
    }
    if (done.at(-1)!.going) break
  }
  return done
}

type PlanRow = { chain: string; step: number; person: number; start: number; end: number }

/**
 * A day as it stands: each field planned around what is done there, one field after the other with the drive between.
 *
 * @param now ms since 1970
 */
export function courseOf(
  view: DayView,
  methods: MethodEntry[],
  happened: Happened,
  now: number,
  workOut: (inputs: Record<string, unknown>) => Outcome,
): Course {
  const { day } = view
  const zero = startOf(day)
  const course: Course = {
    turns: [],
    walks: [],
    drives: [],
    late: [],
    finish: 0,
    oneAfterAnother: 0,
    walking: 0,
    proven: true,
  }
  const today = now >= zero && now - zero < 24 * 60 * MINUTE
  let offset = 0
  for (const [i, work] of day.fields.entries()) {
    const field = view.fields[i]
    if (!field) continue
    if (i > 0) {
      const drive = work.driveMin ?? 0
      if (drive > 0) course.drives.push({ to: field.name, start: offset, end: offset + drive })
      offset += drive
    }
    const stops = work.stopIds.flatMap((id) => field.stops.filter((stop) => stop.id === id))
    const tests = work.methods.flatMap((id) => methods.filter((method) => method.id === id))
    const chains = stops.flatMap((stop) =>
      tests.map((method) => ({ id: chainOf(stop.id, method.id), place: stop.id, method: method.id })),
    )
    if (chains.length === 0) continue
    const base = {
      crew: day.people.length,
      places: placesOf(stops),
      walkMetresPerMinute: day.walkMetresPerMinute,
      chains,
    }
    const nowMin = today ? Math.max(0, (now - zero) / MINUTE - offset) : 0
    const anything = happened.marks.length + happened.made.length + happened.timers.length > 0
    const fresh = workOut(base).envelope
    const persons = new Map((fresh ? rows(fresh) : []).map((row) => [`${row.chain}#${row.step}`, row.person]))
    const fieldZero = zero + offset * MINUTE
    const done = anything
      ? stops.flatMap((stop) =>
          tests.flatMap((method) =>
            doneSteps(
              stop.id,
              method,
              happened,
              fieldZero,
              nowMin,
              (step) => persons.get(`${chainOf(stop.id, method.id)}#${step}`) ?? 0,
            ),
          ),
        )
      : []
    const planned =
      done.length > 0 || nowMin > 0
        ? workOut({
            ...base,
            nowMin,
            done: done.map(({ chain, step, person, start, end }) => ({ chain, step, person, start, end })),
          }).envelope
        : fresh
    if (!planned) continue
    const doneBy = new Map(done.map((each) => [`${each.chain}#${each.step}`, each]))
    for (const row of rows(planned)) {
      const stop = stops.find((each) => row.chain.startsWith(`${each.id} `))!
      const method = tests.find((each) => row.chain === chainOf(stop.id, each.id))!
      const past = doneBy.get(`${row.chain}#${row.step}`)
      course.turns.push({
        chain: row.chain,
        step: row.step,
        stopId: stop.id,
        stop: stop.label,
        fieldId: field.id,
        field: field.name,
        method: method.id,
        title: method.title,
        label: method.work[row.step]?.label ?? method.title,
        person: row.person,
        start: row.start + offset,
        end: row.end + offset,
        done: past !== undefined && !past.going,
        going: past?.going ?? false,
        mark: past?.mark,
      })
    }
    const names = new Map(stops.map((stop) => [stop.id, stop.label]))
    for (const walk of planned.series['walks'] ?? [])
      course.walks.push({
        person: Number(walk['person']),
        from: names.get(String(walk['from'])) ?? '',
        to: names.get(String(walk['to'])) ?? '',
        start: Number(walk['start']) + offset,
        end: Number(walk['end']) + offset,
      })
    for (const late of planned.series['late'] ?? [])
      course.late.push({
        chain: String(late['chain']),
        step: Number(late['step']),
        byMin: Number(late['byMin']),
      })
    course.walking += planned.values['walkingMin']?.value ?? 0
    course.oneAfterAnother +=
      (planned.values['oneAfterAnotherMin']?.value ?? 0) + (i > 0 ? (work.driveMin ?? 0) : 0)
    course.proven &&= planned.classes['optimal'] === 'yes'
    offset += planned.values['finishMin']?.value ?? 0
  }
  course.finish = offset
  course.turns.sort((a, b) => a.start - b.start || a.person - b.person)
  return course
}

function rows(envelope: Envelope): PlanRow[] {
  return (envelope.series['steps'] ?? []).map((row) => ({
    chain: String(row['chain']),
    step: Number(row['step']),
    person: Number(row['person']),
    start: Number(row['start']),
    end: Number(row['end']),
  }))
}

/** What a new plan changes against the one before, in words; nothing where it is the same. */
export function changesOf(before: Course, after: Course, people: string[]): string[] {
  const said: string[] = []
  const later = Math.round(after.finish - before.finish)
  if (later !== 0) said.push(`The day ends ${Math.abs(later)} min ${later > 0 ? 'later' : 'earlier'}.`)
  const old = new Map(before.turns.map((turn) => [`${turn.chain}#${turn.step}`, turn]))
  const moved = after.turns.filter((turn) => {
    const was = old.get(`${turn.chain}#${turn.step}`)
    return was && !turn.done && !was.done && was.person !== turn.person
  })
  for (const turn of moved.slice(0, 3))
    said.push(`${turn.title} at ${turn.stop} goes to ${people[turn.person] ?? 'another'}.`)
  if (moved.length > 3) said.push(`${moved.length - 3} more steps change hands.`)
  for (const late of after.late) {
    const turn = after.turns.find((each) => each.chain === late.chain && each.step === late.step)
    if (turn && !turn.done)
      said.push(`${turn.label} at ${turn.stop} comes ${Math.ceil(late.byMin)} min too late.`)
  }
  return said
}

/** What to bring, each thing once, and how much rain water. */
export function bring(view: DayView, methods: MethodEntry[]) {
  const things = new Set<string>()
  let litres = 0
  for (const work of view.day.fields)
    for (const id of work.methods) {
      const method = methods.find((each) => each.id === id)
      method?.materials.forEach((thing) => things.add(thing))
      litres += (method?.waterLitres ?? 0) * work.stopIds.length
    }
  return { things: [...things], litres: Math.ceil(litres) }
}
