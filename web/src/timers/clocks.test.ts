import { describe, expect, it } from 'vitest'
import type { Timer } from '../api/schema'
import { dueSteps, showSpan } from './clocks'

const at = (seconds: number) => new Date(seconds * 1000).toISOString()
const step = (code: string, due: number, done?: number) => ({
  id: code,
  code,
  label: code,
  dueAt: at(due),
  toleranceSeconds: 5,
  doneAt: done === undefined ? undefined : at(done),
})
const timer = (id: string, steps: ReturnType<typeof step>[]): Timer => ({
  id,
  visitId: 'v',
  stopId: 's',
  stop: 'Stop 1',
  fieldId: 'f',
  field: 'Field',
  measurementId: 'm',
  method: 'crumb-stability',
  startedAt: at(0),
  steps,
})

describe('clocks', () => {
  it('put the most overdue first and leave out what is done', () => {
    const due = dueSteps(
      [timer('a', [step('one', 60, 61), step('two', 600)]), timer('b', [step('level', 300)])],
      400_000,
    )
    expect(due.map(({ step: each, inSeconds }) => [each.code, inSeconds])).toEqual([
      ['level', -100],
      ['two', 200],
    ])
  })
  it('show spans to the second while that matters', () => {
    expect([showSpan(40), showSpan(-725), showSpan(3725), showSpan(11 * 3600 + 600)]).toEqual([
      '0:40',
      '12:05',
      '1:02:05',
      '11 h 10',
    ])
  })
})
