import type { DayCourse, Outcome } from '../core/core'
import * as compiled from '@morphotera/core'
import { QueryClient } from '@tanstack/react-query'
import catalogue from '../../catalogue.json'
import parts from './demo/coreParts.json'
import type { MethodEntry, ReadingEntry } from '../api/schema'
import { queries } from '../queries/queries'

const texts = import.meta.glob<string>('../../../core/src/main/resources/**/*.txt', {
  query: '?raw',
  import: 'default',
  eager: true,
})
const cases = import.meta.glob<WorkedCase[]>(
  '../../../core/src/test/resources/org/morphotera/core/method/*/*/cases.json',
  { import: 'default', eager: true },
)

const files = (wanted: RegExp) =>
  Object.fromEntries(Object.entries(texts).filter(([path]) => wanted.test(path)))

/** What the server hands the page for its core. */
export const coreData = {
  benchmarks: files(/\/benchmarks(\/\w[\w-]*)?\.txt$/),
  messages: files(/\/(messages\/[\w-]+|texts)\.txt$/),
  evidence: files(/\/evidence\/[\w-]+\.txt$/),
  // what the core says of a place and of units
  context: parts.context as unknown as ReadingEntry[],
  units: parts.units,
  stopRoles: parts.stopRoles,
}

/** The methods as the server lists them; the server's own tests hold the file to what it serves. */
export const methods = catalogue as unknown as MethodEntry[]

export const methodOf = (id: string) => methods.find((each) => each.id === id)!

export type WorkedCase = {
  name: string
  readings: Record<string, unknown>
  context?: Record<string, unknown>
  expectErrors?: unknown
}

/** The worked cases of a method that are not refused. */
export function casesOf(id: string): WorkedCase[] {
  const own = Object.entries(cases).find(([path]) => path.split('/').at(-2) === id.replaceAll('-', ''))
  return (own?.[1] ?? []).filter((each) => each.expectErrors === undefined)
}

let opened = false

/** An evaluation by the core as compiled for the page. */
export function evaluated(id: string, readings: unknown, context: unknown = {}) {
  if (!opened) {
    compiled.open(JSON.stringify(coreData.benchmarks), JSON.stringify(coreData.messages))
    opened = true
  }
  return JSON.parse(compiled.evaluate(id, JSON.stringify({ readings, context }))) as {
    errors?: { field: string; code: string; message: string }[]
    values?: Record<string, { value: number }>
    ratings?: { indicator: string; level?: string }[]
  }
}

/** A calculator's answer by the core as compiled for the page. */
export function workedOut(calculator: string, inputs: unknown): Outcome {
  evaluated('texture-feel', {})
  const answer = JSON.parse(compiled.workOut(calculator, JSON.stringify({ inputs })))
  return answer.errors ? { faults: answer.errors } : { envelope: answer }
}

/** A day's course by the core as compiled for the page. */
export function dayCourse(asked: unknown): DayCourse {
  evaluated('texture-feel', {})
  return JSON.parse(compiled.dayCourse(JSON.stringify(asked)))
}

/** A client that has heard of the catalogue and the core's files; all else has no network. */
export function clientWithCatalogue() {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } })
  client.setQueryData(queries.coreData().queryKey, coreData)
  client.setQueryData(queries.methods().queryKey, methods)
  return client
}

export const noNetwork = () => Promise.reject(new TypeError('no network'))
