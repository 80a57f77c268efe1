import type { Fault } from './client'
import type { ReadingEntry } from './schema'

/** Readings of a test or inputs of a calculator, as the catalogue names them. */
export type Readings = Record<string, unknown>

/** Faults by path, so that each stands at the entry concerned. */
export function faultAt(faults: Fault[] | undefined, path: string) {
  return faults?.find((fault) => fault.field === path)?.message
}

/** Readings without those that don't count any more, and without empty ones. */
export function pruned(entries: ReadingEntry[], readings: Readings): Readings {
  const kept: Readings = {}
  for (const entry of entries) {
    const value = readings[entry.name]
    if (value === undefined || !counts(entry, readings)) continue
    if (entry.type === 'list') kept[entry.name] = (value as Readings[]).map((row) => pruned(entry.items, row))
    else if (entry.type === 'group') kept[entry.name] = pruned(entry.items, value as Readings)
    else kept[entry.name] = value
  }
  return kept
}

/** Whether a reading counts, given its siblings: its conditions come from the catalogue. */
export function counts(entry: ReadingEntry, readings: Readings) {
  return entry.when.every((condition) => condition.values.includes(String(readings[condition.name])))
}
