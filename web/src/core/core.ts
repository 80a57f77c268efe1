import { useQuery } from '@tanstack/react-query'
import { useMemo } from 'react'
import type { Fault } from '../api/client'
import { queries } from '../queries/queries'
import type { Readings } from '../api/readings'
import type { Envelope, NoteText, VisitView } from '../api/schema'

export type Outcome = { envelope: Envelope; faults?: undefined } | { envelope?: undefined; faults: Fault[] }

/** A picture as four bytes a point, from the top left. */
export type Points = { data: Uint8ClampedArray; width: number }

/** Where the printed card's places lie, as shares of a picture, and how far from straight it was taken, %. */
export type CardPlaces = {
  skewPct: number
  grey: { x: number; y: number }
  soil: { x: number; y: number }
  dish: { x: number; y: number; radius: number }
}

/** A day of work, its steps by their ids; times in minutes since it starts. */
export type DayCourse = {
  turns: {
    chain: string
    step: number
    stopId: string
    fieldId: string
    method: string
    person: number
    start: number
    end: number
    done: boolean
    going: boolean
    markId?: string
  }[]
  walks: { person: number; from: string; to: string; start: number; end: number }[]
  drives: { to: string; start: number; end: number }[]
  late: { chain: string; step: number; byMin: number }[]
  finish: number
  oneAfterAnother: number
  walking: number
  proven: boolean
}

/** The rules of the job, in the page. */
export type Core = {
  evaluate: (method: string, readings: Readings, context: Readings) => Outcome
  /** what must be said at once of readings that are still being entered */
  warnings: (method: string, readings: Readings) => NoteText[]
  /** a calculator's answer to its inputs */
  workOut: (calculator: string, inputs: Readings) => Outcome
  /** what a calculator's answer comes to, in a few words; empty where it is no amount */
  amount: (calculator: string, answer: Envelope, garden: boolean, us: boolean) => string
  /** readings proposed from pictures; the envelope holds a `proposal` too */
  look: (kind: string, inputs: Readings, pictures: Points[]) => Outcome
  /** the picture as if taken from straight above the printed card, where that is seen on it */
  straightened: (picture: Points) => (Points & { told: CardPlaces }) | undefined
  /** a picture of what a test reads, drawn; of crumbs that before, or with 1 that after */
  drawnPhoto: (kind: string, readings: Readings, seed: number, which?: number) => Points
  /** what is known at a stop when a test is made there, by what is on record and what was recorded since */
  contextOf: (place: VisitView['place'], recorded: unknown[], stop: string) => Readings
  /** a day of work as it stands, by what was meant and what happened */
  dayCourse: (asked: Record<string, unknown>) => DayCourse
  /** what to mind about a day, its season by its ISO date */
  conditions: (context: Readings, date: string, south: boolean) => NoteText[]
}

/** The core in the page: loaded once, with the benchmarks and texts that the server has in force. */
export function useCore(): Core | undefined {
  const data = useQuery(queries.coreData()).data
  const { data: core } = useQuery({
    queryKey: ['core'],
    enabled: data !== undefined,
    staleTime: Infinity,
    queryFn: async (): Promise<Core> => {
      const compiled = await import('@morphotera/core')
      compiled.open(JSON.stringify(data!.benchmarks), JSON.stringify(data!.messages))
      warm(compiled)
      return {
        evaluate: (method, readings, context) => {
          const answer = JSON.parse(compiled.evaluate(method, JSON.stringify({ readings, context })))
          return answer.errors ? { faults: answer.errors } : { envelope: answer }
        },
        warnings: (method, readings) => JSON.parse(compiled.warnings(method, JSON.stringify(readings))),
        workOut: (calculator, inputs) => {
          const answer = JSON.parse(compiled.workOut(calculator, JSON.stringify({ inputs })))
          return answer.errors ? { faults: answer.errors } : { envelope: answer }
        },
        amount: (calculator, answer, garden, us) =>
          compiled.amount(calculator, JSON.stringify(answer), garden, us),
        look: (kind, inputs, pictures) => {
          const said = JSON.stringify(inputs)
          const [one, other] = pictures
          const answer = JSON.parse(
            other
              ? compiled.lookAtBoth(kind, said, one!.data, one!.width, other.data, other.width)
              : compiled.look(kind, said, one!.data, one!.width),
          )
          return answer.errors ? { faults: answer.errors } : { envelope: answer }
        },
        straightened: ({ data, width }) => {
          const straight = compiled.straightened(data, width)
          return straight
            ? { data: straight.data, width: straight.width, told: JSON.parse(straight.told) }
            : undefined
        },
        drawnPhoto: (kind, readings, seed, which = 0) =>
          compiled.drawnPhoto(kind, JSON.stringify(readings), seed, which),
        contextOf: (place, recorded, stop) =>
          JSON.parse(compiled.contextOf(JSON.stringify(place), JSON.stringify(recorded), stop)),
        dayCourse: (asked) => JSON.parse(compiled.dayCourse(JSON.stringify(asked))),
        conditions: (context, date, south) =>
          JSON.parse(compiled.conditions(JSON.stringify(context), Number(date.slice(5, 7)), south)),
      }
    },
  })
  return core
}

/** What is known at a stop of a visit; nothing until the core is loaded. */
export function useContextOf(
  view: { place: VisitView['place']; recorded: unknown[] },
  stop: string,
): Readings {
  const core = useCore()
  const key = JSON.stringify([view.place, view.recorded, stop])
  return useMemo(
    () => core?.contextOf(view.place, view.recorded, stop) ?? {},
    // the key stands for place, recorded tests and stop
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [core, key],
  )
}

/** The evaluation of readings as they stand, at once; undefined until the core is loaded. */
export function useLive(method: string, readings: Readings, context: Readings): Outcome | undefined {
  const core = useCore()
  const key = JSON.stringify([readings, context])
  return useMemo(
    () => core?.evaluate(method, readings, context),
    // the key stands for readings and context
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [core, method, key],
  )
}

/** What must be said at once while a test is entered; nothing where `readings` are undefined. */
export function useWarnings(method: string, readings: Readings | undefined): NoteText[] {
  const core = useCore()
  const key = JSON.stringify(readings)
  return useMemo(
    () => (core && readings ? core.warnings(method, readings) : []),
    // the key stands for the readings
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [core, method, key],
  )
}

/** The heaviest evaluation once, while nobody waits, so that the first figure of a test comes at once. */
function warm(compiled: { evaluate: (method: string, body: string) => string }) {
  const jar = { sandMm: 20, siltMm: 40, clayMm: 50, waterColumnMm: 150 }
  setTimeout(() => compiled.evaluate('texture-jar', JSON.stringify({ readings: jar })), 300)
}
