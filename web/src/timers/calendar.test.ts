import { expect, it } from 'vitest'
import { calendarOf } from './calendar'
import type { Due } from './clocks'

it('writes each moment with an alarm, as calendars read them', () => {
  const due = {
    timer: { field: 'Long Dyke; east', stop: 'Stop 1' },
    step: { id: 'x', label: 'Clouds at 10 min', dueAt: '2030-04-01T08:10:00.000Z' },
    inSeconds: 60,
  } as unknown as Due
  const lines = calendarOf([due], Date.parse('2030-04-01T08:09:00Z')).split('\r\n')
  expect(lines).toContain('DTSTART:20300401T081000Z')
  expect(lines).toContain('SUMMARY:Clouds at 10 min: Long Dyke\\; east\\, Stop 1')
  expect(lines.filter((line) => line.startsWith('BEGIN:VALARM'))).toHaveLength(1)
})
