import type { YearEntry } from '../api/schema'
import { yearCalendar } from './yearCalendar'

/** The entries as a file that a calendar reads; fetched when the page stands, since what writes it is large. */
export default function CalendarLink({ entries }: { entries: YearEntry[] }) {
  return (
    <a
      href={`data:text/calendar;charset=utf-8,${encodeURIComponent(yearCalendar(entries, new Date()))}`}
      download="morphotera-year.ics"
      className="inline-flex min-h-11 items-center font-semibold text-accent hover:underline"
    >
      Into a calendar
    </a>
  )
}
