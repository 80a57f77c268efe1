import ical from 'ical-generator'
import type { YearEntry } from '../api/schema'
import { kindWord } from './year'

/** What the year asks for as an iCalendar file (RFC 5545): whole days, each with its field. */
export function yearCalendar(entries: YearEntry[], stamp: Date): string {
  const calendar = ical({ prodId: { company: 'Morphotera', product: 'Year' } })
  for (const entry of entries) {
    // at noon, so that no time zone makes another day of it
    const start = new Date(`${entry.on}T12:00:00`)
    calendar.createEvent({
      id: `${entry.kind}-${entry.id}`,
      stamp,
      start,
      end: new Date(new Date(`${entry.until ?? entry.on}T12:00:00`).getTime() + 86_400_000),
      allDay: true,
      summary: `${entry.field}: ${entry.what}`,
      description: kindWord(entry.kind),
    })
  }
  return calendar.toString()
}
