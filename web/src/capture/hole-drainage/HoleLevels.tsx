import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import type { Fault } from '../../api/client'
import { useKeys } from '../../ui/keys'
import { useCore } from '../../core/core'
import { showClock } from '../../words/dates'
import { useNow, useTimers } from '../../timers/clocks'
import { Button, Input, QuantityInput, Labelled } from '../../ui/controls'
import { useUnits } from '../../units/units'
import { faultAt, type ReadingsOf } from '../../api/readings'
import { useTestClocks } from '../frame/useTestClocks'
import { type CaptureProps } from '../frame/panel'

type HoleReadings = ReadingsOf<'hole-drainage'>
export type Point = { minute: number; mm: number; refill?: boolean }

/** The next reading, at the time it is taken or at a time read off paper; and those taken. */
export function LevelEntry({
  draft,
  method,
  place,
  readings,
  points,
  faults,
  onBegun,
  set,
}: CaptureProps<'hole-drainage'> & {
  readings: HoleReadings
  points: Point[]
  faults: Fault[] | undefined
  onBegun: () => void
  set: (changed: Partial<HoleReadings>) => void
}) {
  const clocks = useTestClocks()
  const units = useUnits()
  const core = useCore()
  const now = useNow()
  const timers = useTimers()
  const [level, setLevel] = useState<number>()
  const [time, setTime] = useState('')
  const [refill, setRefill] = useState(false)
  const startedAt = draft.content.startedAt

  const add = () => {
    if (level === undefined) return
    const at = time ? momentOf(time, startedAt ? Date.parse(startedAt) : now) : now
    const start = startedAt ? Date.parse(startedAt) : at
    const minute = Math.round(((at - start) / 60_000) * 10) / 10
    const point: Point = refill ? { minute, mm: level, refill: true } : { minute, mm: level }
    const next = [...points, point]
    draft.change({
      ...draft.content,
      startedAt: new Date(start).toISOString(),
      readings: { ...readings, points: next },
    })
    setLevel(undefined)
    setTime('')
    setRefill(false)
    onBegun()
    remind(next, start)
  }
  /** Marks the clock's step as read and asks it to call for the next one. */
  const remind = (next: Point[], start: number) => {
    const running = timers.find((timer) => timer.measurementId === draft.place.id)
    running?.steps
      .filter((step) => step.doneAt === undefined)
      .forEach((step) => void clocks.done(running.id, step, new Date(now).toISOString()))
    const outcome = core?.evaluate(method.id, { ...readings, points: next }, {})
    const minute = outcome?.envelope?.values.nextReadingMinute?.value
    if (minute === undefined) return
    void clocks.put(
      running?.id ?? uuid(),
      {
        visitId: draft.place.visitId,
        stopId: draft.place.stopId,
        measurementId: draft.place.id,
        method: method.id,
        startedAt: new Date(start).toISOString(),
        steps: [
          {
            id: uuid(),
            code: 'read-level',
            dueAt: new Date(start + minute * 60_000).toISOString(),
            toleranceSeconds: 300,
          },
        ],
      },
      place,
    )
  }
  useKeys({ u: () => draft.undo?.() })
  return (
    <div className="grid gap-3">
      <form
        noValidate
        className="grid grid-cols-[1fr_8.5rem] gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          add()
        }}
      >
        <QuantityInput
          big
          label={readings.measure === 'down-from-edge' ? 'Water below the edge' : 'Depth of the water'}
          unit="mm"
          value={level}
          onChange={setLevel}
        />
        <Labelled label="at, if not now">
          {(aria) => (
            <Input
              {...aria}
              type="time"
              className="min-h-14"
              value={time}
              onChange={(event) => setTime(event.target.value)}
            />
          )}
        </Labelled>
        <Button kind="primary" type="submit" className="min-h-13" disabled={level === undefined}>
          Read level
        </Button>
        {points.length > 0 && (
          <Button className="min-h-13 px-2!" aria-pressed={refill} onClick={() => setRefill(!refill)}>
            {refill ? '✓ Refilled' : 'Refilled'}
          </Button>
        )}
      </form>
      {faultAt(faults, 'points') && points.length > 1 && (
        <p role="alert" className="text-sm text-failing">
          {faultAt(faults, 'points')}
        </p>
      )}
      {points.length > 0 && (
        <ol className="grid" aria-label="Readings">
          {points.map((_, k) => {
            const i = points.length - 1 - k
            const point = points[i]!
            const wrong = faultAt(faults, `points[${i}].minute`) ?? faultAt(faults, `points[${i}].mm`)
            return (
              <li
                key={i}
                className="grid grid-cols-[4.5rem_1fr_auto] items-center gap-x-3 border-t border-rule"
              >
                <span>
                  {startedAt
                    ? showClock(Date.parse(startedAt) + point.minute * 60_000)
                    : `${point.minute} min`}
                </span>
                <span className="font-semibold">
                  {units.text(point.mm, 'mm')}
                  {point.refill && <span className="font-normal text-soft"> after topping up</span>}
                </span>
                <Button
                  kind="quiet"
                  aria-label={`Remove the reading of ${point.mm} mm`}
                  onClick={() => set({ points: points.filter((_, k) => k !== i) })}
                >
                  remove
                </Button>
                {wrong && (
                  <p role="alert" className="col-span-3 pb-2 text-sm text-failing">
                    {units.prose(wrong)}
                  </p>
                )}
              </li>
            )
          })}
        </ol>
      )}
    </div>
  )
}

/** The moment of a clock time, within half a day of a known moment. */
export function momentOf(time: string, near: number) {
  const [hours, minutes] = time.split(':').map(Number)
  const moment = new Date(near)
  moment.setHours(hours ?? 0, minutes ?? 0, 0, 0)
  const half = 12 * 3600_000
  let at = moment.getTime()
  if (at < near - half) at += 2 * half
  if (at > near + half) at -= 2 * half
  return at
}
