import ical, { ICalAlarmType } from 'ical-generator'
import type { Due } from './clocks'

const LOOK_MS = 300_000

/** Moments as an iCalendar file (RFC 5545), each with an alarm: for a phone that can't ring while it sleeps. */
export function calendarOf(due: Due[], now: number): string {
  const calendar = ical({ prodId: { company: 'Morphotera', product: 'Clocks' } })
  for (const { timer, step } of due) {
    const start = new Date(step.dueAt)
    calendar
      .createEvent({
        id: step.id,
        stamp: new Date(now),
        start,
        end: new Date(start.getTime() + LOOK_MS),
        summary: `${step.label}: ${timer.field}, ${timer.stop}`,
      })
      .createAlarm({ type: ICalAlarmType.display, trigger: 0, description: step.label })
  }
  return calendar.toString()
}
