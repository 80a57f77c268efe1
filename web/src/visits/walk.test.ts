import { describe, expect, it } from 'vitest'
import type { MethodEntry, VisitView } from '../api/schema'
import { nextTest, progress, testsOf, waits } from './walk'

const method = (id: string, family: string, atSeconds?: number) =>
  ({
    id,
    family,
    timedSteps:
      atSeconds === undefined ? [] : [{ code: 'read', label: 'read', atSeconds, toleranceSeconds: 5 }],
  }) as unknown as MethodEntry
const METHODS = [
  method('ph', 'chemistry'),
  method('ground-cover', 'above-ground'),
  method('roots', 'block'),
  method('crumb-stability', 'water', 1800),
]
const made = (stopId: string, id: string) => ({
  id: stopId + id,
  stopId,
  method: id,
  takenAt: '',
  results: [],
})
const view = (measurements: ReturnType<typeof made>[], tests?: string) =>
  ({
    visit: { tests },
    stops: [{ id: 'a' }, { id: 'b' }],
    measurements,
    drafts: [],
  }) as unknown as VisitView
const ids = (next: ReturnType<typeof nextTest>) => next && `${next.stop.id}/${next.method.id}`

describe('the walk', () => {
  it('goes down the face, whatever the order of the catalogue', () => {
    expect(testsOf(view([]), METHODS).map((each) => each.id)).toEqual([
      'ground-cover',
      'roots',
      'crumb-stability',
      'ph',
    ])
    expect(testsOf(view([], 'ph,roots'), METHODS).map((each) => each.id)).toEqual(['roots', 'ph'])
  })
  it('goes on at the same stop, then with what was passed over there, then at the next', () => {
    expect(ids(nextTest(view([]), METHODS))).toBe('a/ground-cover')
    expect(ids(nextTest(view([made('a', 'roots')]), METHODS, { stop: 'a', method: 'roots' }))).toBe(
      'a/crumb-stability',
    )
    const allButCover = ['roots', 'crumb-stability', 'ph'].map((id) => made('a', id))
    expect(ids(nextTest(view(allButCover), METHODS, { stop: 'a', method: 'ph' }))).toBe('a/ground-cover')
    const stopDone = [...allButCover, made('a', 'ground-cover')]
    expect(ids(nextTest(view(stopDone), METHODS, { stop: 'a', method: 'ph' }))).toBe('b/ground-cover')
    const done = [...stopDone, ...METHODS.map((each) => made('b', each.id))]
    expect(nextTest(view(done), METHODS)).toBeUndefined()
  })
  it('counts what is made of what was chosen', () => {
    const some = view([made('a', 'ph'), made('a', 'roots'), made('b', 'ph')], 'ph,roots')
    expect(progress(some, METHODS)).toEqual({ made: 3, of: 4 })
    expect(progress(some, METHODS, some.stops[1])).toEqual({ made: 1, of: 2 })
  })
  it('knows what can be left alone', () => {
    expect(METHODS.filter(waits).map((each) => each.id)).toEqual(['crumb-stability'])
  })
})
