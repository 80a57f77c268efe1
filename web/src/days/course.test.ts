import { describe, expect, it } from 'vitest'
import type { DayMark, DayView, MadeTest, Stop, Timer } from '../api/schema'
import { dayCourse, methods } from '../testing/realCore'
import { bring, changesOf, courseOf, startOf, type Happened } from './course'

const NOTHING: Happened = { marks: [], made: [], timers: [] }
const MINUTE = 60_000

function stop(id: string, east?: number, north?: number): Stop {
  return {
    id,
    fieldId: 'f',
    label: `Stop ${id}`,
    longitude: east,
    latitude: north,
    position: 1,
    role: 'routine',
    version: 1,
  }
}

function day(
  tests: string[],
  stops: Stop[],
  people = ['Isla', 'Nils'],
  second?: { driveMin: number },
): DayView {
  const work = { fieldId: 'f', visitId: 'v', stopIds: stops.map((each) => each.id), methods: tests }
  const other = stops.map((each) => ({ ...each, id: `${each.id}b`, fieldId: 'g' }))
  return {
    day: {
      id: 'd',
      plannedOn: '2026-05-04',
      startsAt: '08:30',
      walkMetresPerMinute: 60,
      people,
      fields: second
        ? [work, { ...work, fieldId: 'g', visitId: 'w', stopIds: other.map((each) => each.id), ...second }]
        : [work],
      version: 1,
    },
    fields: second
      ? [
          { id: 'f', name: 'Long Dyke', stops },
          { id: 'g', name: 'Beet Reach', stops: other },
        ]
      : [{ id: 'f', name: 'Long Dyke', stops }],
    marks: [],
  }
}

const run = (view: DayView, happened = NOTHING, now = 0) =>
  courseOf(view, methods, happened, now, { dayCourse })

function mark(
  stopId: string,
  method: string,
  step: number,
  from: number,
  to: number | undefined,
  zero: number,
): DayMark {
  const at = (minute: number) => new Date(zero + minute * MINUTE).toISOString()
  return {
    id: `${stopId}${method}${step}`,
    planId: 'd',
    stopId,
    method,
    step,
    person: 0,
    begunAt: at(from),
    endedAt: to === undefined ? undefined : at(to),
    version: 1,
  }
}

const TWO = [stop('a', 3.4, 53.8), stop('b', 3.402, 53.8)]

describe('a day as it is planned', () => {
  it('has every step once, each person at one place at a time', () => {
    const course = run(day(['crumb-stability', 'ph', 'structure', 'penetration'], TWO))
    expect(course.turns).toHaveLength(2 * (3 + 2 + 1 + 1))
    for (const person of [0, 1]) {
      const own = course.turns.filter((turn) => turn.person === person)
      own.slice(1).forEach((turn, i) => expect(turn.start).toBeGreaterThanOrEqual(own[i]!.end - 1e-6))
    }
    expect(course.finish).toBeLessThan(course.oneAfterAnother)
    expect(course.turns[0]!.label).not.toBe('')
  })

  it('does one field after the other, with the drive between', () => {
    const course = run(day(['structure'], TWO, ['Isla'], { driveMin: 25 }))
    const first = course.turns.filter((turn) => turn.field === 'Long Dyke')
    const second = course.turns.filter((turn) => turn.field === 'Beet Reach')
    expect(course.drives).toHaveLength(1)
    expect(course.drives[0]!.end - course.drives[0]!.start).toBe(25)
    expect(Math.min(...second.map((turn) => turn.start))).toBeGreaterThanOrEqual(
      Math.max(...first.map((turn) => turn.end)) + 25 - 1e-6,
    )
  })

  it('puts stops without a place in a row, and others where they are', () => {
    const walked = (stops: Stop[]) => run(day(['structure'], stops, ['Isla'])).walking
    // 100 m and 132 m at 60 m a minute
    expect(walked([stop('a'), stop('b')])).toBeCloseTo(100 / 60, 1)
    expect(walked(TWO)).toBeCloseTo(132 / 60, 1)
  })

  it('counts what to bring once, and water for every stop', () => {
    const { things, litres } = bring(day(['crumb-stability', 'slump'], TWO), methods)
    expect(new Set(things).size).toBe(things.length)
    const each = methods
      .filter((method) => ['crumb-stability', 'slump'].includes(method.id))
      .reduce((sum, method) => sum + (method.waterLitres ?? 0), 0)
    expect(litres).toBe(Math.ceil(2 * each))
  })
})

describe('a day as it goes', () => {
  const view = day(['crumb-stability'], [TWO[0]!], ['Isla'])
  const zero = startOf(view.day)

  /** The steps that are done or under way half an hour after the start. */
  const steps = (happened: Partial<Happened>, nowMin = 30) =>
    run(view, { ...NOTHING, ...happened }, zero + nowMin * MINUTE).turns.filter(
      (turn) => turn.done || turn.going,
    )

  it('takes a marked step as it was, by whom it was', () => {
    const [only, ...more] = steps({ marks: [mark('a', 'crumb-stability', 0, 3, 8, zero)] })
    expect(more).toEqual([])
    expect(only).toMatchObject({ step: 0, person: 0, start: 3, end: 8, going: false })
  })

  it('keeps a step that goes on open until now', () => {
    const [only] = steps({ marks: [mark('a', 'crumb-stability', 0, 3, undefined, zero)] }, 20)
    expect(only).toMatchObject({ going: true, start: 3, end: 20 })
  })

  it('takes a running clock for its first step', () => {
    const timer = {
      stopId: 'a',
      method: 'crumb-stability',
      startedAt: new Date(zero + 5 * MINUTE).toISOString(),
    }
    expect(steps({ timers: [timer as Timer] })[0]).toMatchObject({ step: 0, start: 5, end: 9, done: true })
  })

  it('takes a recorded test for done, every step of it', () => {
    const made = {
      stopId: 'a',
      method: 'crumb-stability',
      takenAt: new Date(zero + 40 * MINUTE).toISOString(),
    }
    const all = steps({ made: [made as MadeTest] }, 40)
    expect(all).toHaveLength(methods.find((method) => method.id === 'crumb-stability')!.work.length)
    expect(all.every((each) => !each.going && each.end === 40)).toBe(true)
  })

  it('never takes a later step for done before an earlier one', () => {
    expect(steps({ marks: [mark('a', 'crumb-stability', 2, 3, 8, zero)] })).toEqual([])
  })

  it('plans the rest anew around what happened, and says what moved', () => {
    const view = day(['structure', 'penetration', 'ph'], TWO)
    const start = startOf(view.day)
    const before = run(view, NOTHING, start)
    const first = before.turns[0]!
    const marks = [{ ...mark(first.stopId, first.method, first.step, 0, 45, start), person: first.person }]
    const after = run({ ...view, marks }, { ...NOTHING, marks }, start + 45 * MINUTE)
    const done = after.turns.find((turn) => turn.chain === first.chain && turn.step === first.step)!
    expect(done).toMatchObject({ done: true, start: 0, end: 45, person: first.person })
    for (const turn of after.turns.filter((each) => !each.done))
      expect(turn.start).toBeGreaterThanOrEqual(45 - 1e-6)
    const said = changesOf(before, after, view.day.people)
    expect(said[0]).toBe(`The day ends ${Math.round(after.finish - before.finish)} min later.`)
    expect(changesOf(after, after, view.day.people)).toEqual([])
  })

  it('names a wait that can not be kept any more', () => {
    const view = day(['crumb-stability'], [TWO[0]!], ['Isla'])
    const start = startOf(view.day)
    const marks = [mark('a', 'crumb-stability', 0, 0, 4, start)]
    const before = run({ ...view, marks }, { ...NOTHING, marks }, start + 4 * MINUTE)
    const late = run({ ...view, marks }, { ...NOTHING, marks }, start + 30 * MINUTE)
    expect(before.late).toEqual([])
    expect(late.late[0]).toMatchObject({ chain: 'a crumb-stability', step: 1 })
    // read at 30 min instead of at most 7 min after the fourth
    expect(late.late[0]!.byMin).toBeCloseTo(19, 5)
    expect(changesOf(before, late, view.day.people).join(' ')).toContain('19 min too late')
  })
})
