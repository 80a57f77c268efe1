import type { Fault } from './client'
import type { MethodTypes } from './methodTypes'
import type { ReadingEntry } from './schema'

/** Readings of a test or inputs of a calculator, as the catalogue names them. */
export type Readings = Record<string, unknown>

export type MethodId = keyof MethodTypes

/** The readings of one method as they may stand while they are entered; of any method where it is not known which. */
export type ReadingsOf<Id extends string> = Id extends MethodId ? MethodTypes[Id]['readings'] : Readings

/** Names of the readings that hold a certain kind of value. */
export type NamesOf<R, Kind> = {
  [Name in keyof R]-?: NonNullable<R[Name]> extends Kind ? Name : never
}[keyof R] &
  string

/** The value, if it is of the kind that the entry shows; whatever else may stand there. */
export const asNumber = (value: unknown) => (typeof value === 'number' ? value : undefined)
export const asText = (value: unknown) => (typeof value === 'string' ? value : undefined)
export const asList = (value: unknown): unknown[] => (Array.isArray(value) ? value : [])
export const asTexts = (value: unknown) => asList(value).filter((each) => typeof each === 'string')
export const asNumbers = (value: unknown) => asList(value).filter((each) => typeof each === 'number')
export const isReadings = (value: unknown): value is Readings =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
export const asReadings = (value: unknown): Readings => (isReadings(value) ? value : {})
export const asRows = (value: unknown) => asList(value).filter(isReadings)

/** Faults by path, so that each stands at the entry concerned. */
export function faultAt(faults: Fault[] | undefined, path: string) {
  return faults?.find((fault) => fault.field === path)?.message
}

/** Readings without those that don't count any more, and without empty ones. */
export function pruned(entries: ReadingEntry[], readings: Readings): Readings {
  const kept: Readings = {}
  for (const entry of entries) {
    const value = readings[entry.name]
    if (value === undefined || !counts(entry, readings, entries)) continue
    if (entry.type === 'list') kept[entry.name] = asRows(value).map((row) => pruned(entry.items, row))
    else if (entry.type === 'group') kept[entry.name] = pruned(entry.items, asReadings(value))
    else kept[entry.name] = value
  }
  return kept
}

/**
 * Whether a reading counts, given its siblings: its conditions come from the catalogue; what is not said counts as its
 * preset.
 */
export function counts(entry: ReadingEntry, readings: Readings, siblings: ReadingEntry[]) {
  return entry.when.every(({ name, values }) =>
    values.includes(String(readings[name] ?? siblings.find((each) => each.name === name)?.preset)),
  )
}

/** Rows that hold all of some readings: one that was never finished is not drawn. */
export function whole<Row, Name extends keyof Row>(rows: Row[] | undefined, ...names: Name[]) {
  return (rows ?? []).filter((row): row is Row & Required<Pick<Row, Name>> =>
    names.every((name) => row[name] !== undefined),
  )
}
