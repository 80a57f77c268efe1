import type { MethodEntry, Stop, VisitView } from '../api/schema'

/** Parts of the walk, in the order in which people really work. */
export const PARTS: { family: string; label: string }[] = [
  { family: 'above-ground', label: 'Above ground' },
  { family: 'surface', label: 'At the surface' },
  { family: 'block', label: 'Dig' },
  { family: 'water', label: 'In water' },
  { family: 'chemistry', label: 'Chemistry' },
  { family: 'life', label: 'Life' },
]

/** Tests that need minutes to days by themselves: set going early, read later. */
export function waits(method: MethodEntry) {
  return method.timedSteps.some((step) => (step.atSeconds ?? 0) >= 300)
}

/** The tests of a visit in the order of the walk: those chosen, or all. */
export function testsOf(view: VisitView, methods: MethodEntry[]): MethodEntry[] {
  const chosen = view.visit.tests?.split(',')
  const rank = (method: MethodEntry) => PARTS.findIndex((part) => part.family === method.family)
  return methods
    .filter((method) => !chosen || chosen.includes(method.id))
    .map((method, i) => ({ method, i }))
    .sort((a, b) => rank(a.method) - rank(b.method) || a.i - b.i)
    .map(({ method }) => method)
}

export function testPath(visit: string, stop: string, method: string, measurement?: string) {
  return `/visits/${visit}/stops/${stop}/${method}${measurement ? `/${measurement}` : ''}`
}

function open(view: VisitView, stop: Stop, method: MethodEntry) {
  const made = view.measurements.some((each) => each.stopId === stop.id && each.method === method.id)
  const begun = view.drafts.some((each) => each.stopId === stop.id && each.method === method.id)
  return !made && !begun
}

/**
 * Where the walk goes on: the next test at the same stop that is neither made nor begun, then those passed over there,
 * then the stops after it, then the ones before.
 */
export function nextTest(
  view: VisitView,
  methods: MethodEntry[],
  after?: { stop: string; method: string },
): { stop: Stop; method: MethodEntry } | undefined {
  const tests = testsOf(view, methods)
  const start = Math.max(0, after ? view.stops.findIndex((each) => each.id === after.stop) : 0)
  const stops = [...view.stops.slice(start), ...view.stops.slice(0, start)]
  for (const stop of stops) {
    const from = after && stop.id === after.stop ? tests.findIndex((each) => each.id === after.method) + 1 : 0
    const found = [...tests.slice(from), ...tests.slice(0, from)].find(
      (method) => open(view, stop, method) && !(stop.id === after?.stop && method.id === after.method),
    )
    if (found) return { stop, method: found }
  }
  return undefined
}

/** How many of the chosen tests are made, at a stop or on the whole visit. */
export function progress(view: VisitView, methods: MethodEntry[], stop?: Stop) {
  const tests = testsOf(view, methods)
  const stops = stop ? [stop] : view.stops
  const made = stops.flatMap((each) =>
    tests.filter((method) =>
      view.measurements.some((test) => test.stopId === each.id && test.method === method.id),
    ),
  ).length
  return { made, of: stops.length * tests.length }
}
