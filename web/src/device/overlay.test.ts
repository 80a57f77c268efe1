import { contextOf } from '@morphotera/core'
import { describe, expect, it } from 'vitest'
import type { MethodEntry, Timer, VisitView } from '../api/schema'
import { evaluated } from '../testing/realCore'
import { differingEntries } from './differences'
import type { Job } from './device'
import { clocksWithKept, visitFrom, withKept } from './overlay'

const job = (part: Partial<Job>): Job => ({
  seq: 1,
  kind: 'visit',
  target: 'v',
  person: 'me',
  path: '',
  label: '',
  keptAt: '',
  state: 'waiting',
  ...part,
})
const METHODS = [
  {
    id: 'crumb-stability',
    indicators: [{ id: 'slaking', label: 'Crumbs hold' }],
    timedSteps: [{ code: 'stand-60', label: '60 s still', atSeconds: 60, toleranceSeconds: 5 }],
  },
] as unknown as MethodEntry[]
const VIEW = {
  visit: { id: 'v', version: 1 },
  stops: [{ id: 's' }],
  place: { field: { landUse: 'arable' }, visit: { visitedOn: '2030-04-01' }, events: [], found: [] },
  measurements: [],
  drafts: [{ id: 'm' }],
  observations: [],
} as unknown as VisitView

// opens the core with the files that the server hands out
evaluated('texture-feel', {})

describe('what is kept and not sent', () => {
  it('shows a recorded test with its level, hands it on for the tests after it, and has no draft any more', () => {
    const envelope = {
      ratings: [{ indicator: 'slaking', school: 'standing', level: 'strained' }],
      classes: { textureClass: 'loam' },
    }
    const test = job({
      kind: 'measurement',
      target: 'm',
      body: {
        visitId: 'v',
        stopId: 's',
        method: 'crumb-stability',
        takenAt: '2030-04-01T08:00:00Z',
      },
      envelope: envelope as never,
    })
    const shown = withKept(VIEW, [test], METHODS)
    expect(shown.measurements[0]!.results).toEqual([
      { indicator: 'slaking', label: 'Crumbs hold', level: 'strained' },
    ])
    expect(shown.recorded).toEqual([
      { id: 'm', stopId: 's', method: 'crumb-stability', takenAt: '2030-04-01T08:00:00Z', envelope },
    ])
    expect(shown.drafts).toEqual([])
    expect(VIEW.measurements).toEqual([])
  })

  it('leaves another visit and a refused test alone', () => {
    const other = job({ kind: 'measurement', target: 'm', body: { visitId: 'w', stopId: 's' } })
    expect(withKept(VIEW, [other], METHODS)).toEqual({ ...VIEW, recorded: [] })
    const refused = job({ ...other, body: { visitId: 'v', stopId: 's' }, state: 'refused' })
    expect(withKept(VIEW, [refused], METHODS).measurements).toEqual([])
  })

  it('lets conditions be changed twice before either is sent', () => {
    const once = job({ body: { soilMoisture: 'wet', version: 1 } })
    const twice = job({ seq: 2, body: { soilMoisture: 'dry', version: 2 } })
    const shown = withKept(VIEW, [once, twice], METHODS)
    expect(shown.visit).toMatchObject({ soilMoisture: 'dry', version: 3 })
    expect(shown.place.visit).toMatchObject({ soilMoisture: 'dry' })
  })

  it('makes a whole visit that the server has never heard of', () => {
    const field = { id: 'f', landUse: 'pasture', textureClass: 'loam' }
    const begun = job({ body: { fieldId: 'f', visitedOn: '2030-04-01', soilMoisture: 'moist', version: 0 } })
    const events = [{ kind: 'straw', happenedOn: '2029-10-02' }]
    const at = { field, stops: [{ id: 's' }], southern: false, events } as never
    const view = visitFrom(begun, at, 'A. Advisor')
    const known = JSON.parse(contextOf(JSON.stringify(view.place), '[]', 's'))
    expect(known).toEqual({
      landUse: 'pasture',
      textureClass: 'loam',
      soilMoisture: 'moist',
      season: 'spring',
      carbonAddedLastAutumn: true,
    })
    expect(withKept(view, [begun], METHODS).visit.version).toBe(1)
  })

  it('runs clocks that were started, marked and stopped without signal', () => {
    const timers: Timer[] = []
    const step = { id: 'x', code: 'stand-60', dueAt: '2030-04-01T08:01:00Z', toleranceSeconds: 5 }
    const start = job({
      kind: 'timer',
      target: 't',
      place: { field: 'Long Dyke', fieldId: 'f', stop: 'Stop 1' },
      body: { visitId: 'v', stopId: 's', measurementId: 'm', method: 'crumb-stability', steps: [step] },
    })
    const running = clocksWithKept(timers, [start], METHODS)
    expect(running[0]).toMatchObject({ field: 'Long Dyke', steps: [{ label: '60 s still' }] })
    const marked = job({ kind: 'step', target: 'x', body: { doneAt: '2030-04-01T08:01:04Z' } })
    expect(clocksWithKept(timers, [start, marked], METHODS)[0]!.steps[0]!.doneAt).toBe('2030-04-01T08:01:04Z')
    const stopped = job({ kind: 'timer-stop', target: 't' })
    expect(clocksWithKept(timers, [start, stopped], METHODS)).toEqual([])
    const recorded = job({ kind: 'measurement', target: 'm' })
    expect(clocksWithKept(timers, [start, recorded], METHODS)).toEqual([])
  })

  it('names the entries in which two versions differ', () => {
    expect(differingEntries({ note: 'a', version: 1, same: 2 }, { note: 'b', version: 2, same: 2 })).toEqual([
      { name: 'note', mine: 'a', other: 'b' },
    ])
  })
})
