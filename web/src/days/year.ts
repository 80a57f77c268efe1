import type { YearEntry } from '../api/schema'

const KINDS: Record<string, string> = { visit: 'Visit', action: 'Do', 'follow-up': 'Test what was done' }

export const kindWord = (kind: string) => KINDS[kind] ?? kind

/** Entries by month, in order; what is overdue stands in front of all. */
export function byMonth(entries: YearEntry[]) {
  const months = new Map<string, YearEntry[]>()
  for (const entry of entries) {
    const month = entry.on.slice(0, 7)
    months.set(month, [...(months.get(month) ?? []), entry])
  }
  return [...months.entries()].sort(([a], [b]) => a.localeCompare(b))
}
