import type { DayMark, DayView, MadeTest, MethodEntry, Timer } from '../api/schema'
import type { LaneTurn } from '../charts/Lanes'
import type { Core, DayCourse } from '../core/core'

/** One step of somebody's day. */
export type Turn = LaneTurn & { method: string; mark?: DayMark }

/** A day as it stands, with the names of what is done where. */
export type Course = Omit<DayCourse, 'turns'> & { turns: Turn[] }

/** What really happened, gathered from marks, recorded tests and running clocks. */
export type Happened = { marks: DayMark[]; made: MadeTest[]; timers: Timer[] }

/** The moment that a day starts, ms since 1970, on this device's clock face. */
export const startOf = (day: DayView['day']) => Date.parse(`${day.plannedOn}T${day.startsAt}:00`)

/**
 * A day as it stands.
 *
 * @param now ms since 1970
 */
export function courseOf(
  view: DayView,
  methods: MethodEntry[],
  happened: Happened,
  now: number,
  core: Pick<Core, 'dayCourse'>,
): Course {
  const course = core.dayCourse({
    day: view.day,
    fields: view.fields,
    ...happened,
    zeroMs: startOf(view.day),
    nowMs: now,
  })
  const marks = new Map(happened.marks.map((mark) => [mark.id, mark]))
  const fields = new Map(view.fields.map((field) => [field.id, field.name]))
  const stops = new Map(view.fields.flatMap((field) => field.stops.map((stop) => [stop.id, stop.label])))
  return {
    ...course,
    turns: course.turns.map(({ markId, ...turn }) => {
      const method = methods.find((each) => each.id === turn.method)!
      return {
        ...turn,
        stop: stops.get(turn.stopId) ?? '',
        field: fields.get(turn.fieldId) ?? '',
        title: method.title,
        label: method.work[turn.step]?.label ?? method.title,
        mark: markId === undefined ? undefined : marks.get(markId),
      }
    }),
    walks: course.walks.map((walk) => ({
      ...walk,
      from: stops.get(walk.from) ?? '',
      to: stops.get(walk.to) ?? '',
    })),
    drives: course.drives.map((drive) => ({ ...drive, to: fields.get(drive.to) ?? '' })),
  }
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
