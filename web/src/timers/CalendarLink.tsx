import { calendarOf } from './calendar'
import type { Due } from './clocks'

/** The moments to come as a file for the phone’s calendar; fetched when asked for, since what writes it is large. */
export default function CalendarLink({ due, now }: { due: Due[]; now: number }) {
  const coming = due.filter((each) => each.inSeconds > 0)
  if (coming.length === 0) return null
  return (
    <a
      href={`data:text/calendar;charset=utf-8,${encodeURIComponent(calendarOf(coming, now))}`}
      download="morphotera-clocks.ics"
      className="inline-flex min-h-11 items-center font-semibold text-accent hover:underline"
    >
      Into the phone’s calendar
    </a>
  )
}
