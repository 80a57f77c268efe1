import type { Due } from './clocks'

/** 20270301T094500Z, as calendars write moments. */
function stamp(instant: number) {
  return new Date(instant).toISOString().replace(/[-:]|\.\d+/g, '')
}

const escaped = (text: string) => text.replace(/([\\;,])/g, '\\$1')

/** Moments as an iCalendar file (RFC 5545), each with an alarm: for a phone that can't ring while it sleeps. */
export function calendarOf(due: Due[], now: number): string {
  const events = due.flatMap(({ timer, step }) => [
    'BEGIN:VEVENT',
    `UID:${step.id}`,
    `DTSTAMP:${stamp(now)}`,
    `DTSTART:${stamp(Date.parse(step.dueAt))}`,
    'DURATION:PT5M',
    `SUMMARY:${escaped(`${step.label}: ${timer.field}, ${timer.stop}`)}`,
    'BEGIN:VALARM',
    'ACTION:DISPLAY',
    `DESCRIPTION:${escaped(step.label)}`,
    'TRIGGER:PT0S',
    'END:VALARM',
    'END:VEVENT',
  ])
  return [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//Morphotera//Clocks//EN',
    ...events,
    'END:VCALENDAR',
    '',
  ].join('\r\n')
}
