import { useQuery } from '@tanstack/react-query'
import { useMemo, useState } from 'react'
import { v7 as uuid } from 'uuid'
import type { Fault } from '../api/client'
import { queries } from '../api/queries'
import type { Envelope } from '../api/schema'
import { useKeys } from '../app/keys'
import { useCore, useLive, type Readings } from '../core/core'
import { showClock, words } from '../fields/dates'
import { useClockActions, useNow } from '../timers/clocks'
import { Button, Check, Choice, Input, QuantityInput } from '../ui/controls'
import { asLevel, LevelMark } from '../ui/levels'
import { FigureButton, Spread } from '../ui/Working'
import { useUnits } from '../units/units'
import { Notes } from '../visits/Results'
import { HolePicture } from './HolePicture'
import { faultAt, PanelLayout, RecordButton, useRecord, type CaptureProps } from './panel'

export type Point = { minute: number; mm: number; refill?: boolean }
type Mode = 'stepped' | 'drain-out' | 'quick'

const START: Readings = {
  mode: 'stepped',
  holeDiameterMm: 200,
  holeDepthMm: 300,
  presoaked: true,
  measure: 'water-depth',
}
const PURPOSES = ['field', 'planting-bed', 'rain-garden']

/** A hole whose level falls as readings come in, at whatever clock times. */
export function HoleCapture(props: CaptureProps) {
  const { draft, context, method } = props
  const readings: Readings = { ...START, ...draft.content.readings }
  const mode = readings.mode as Mode
  const points = useMemo(() => (readings.points as Point[] | undefined) ?? [], [readings.points])
  const sent = mode === 'stepped' ? { ...readings, points } : readings
  const holeDepth = readings.holeDepthMm as number | undefined
  const live = useLive(method.id, sent, { ...context, depthTopMm: 0, depthBottomMm: holeDepth })
  const record = useRecord(props)
  const set = (changed: Readings) => draft.change({ ...draft.content, readings: { ...readings, ...changed } })
  const options = (name: string) => method.readings.find((each) => each.name === name)?.options ?? []
  const begun = points.length > 0
  const [setUp, setSetUp] = useState(!begun)
  const envelope = live?.envelope
  // while readings still come in, what is missing is not yet wrong
  const faults = begun || mode !== 'stepped' ? live?.faults : undefined

  const changeDepth = (mm: number | undefined) => {
    set({ holeDepthMm: mm })
    draft.move({ depthTopMm: 0, depthBottomMm: mm })
  }
  return (
    <PanelLayout
      instruction={
        <Instruction mode={mode} points={points} startedAt={draft.content.startedAt} envelope={envelope} />
      }
      picture={
        <>
          {mode === 'stepped' && (
            <HolePicture
              points={points}
              readings={readings}
              startedAt={draft.content.startedAt}
              envelope={envelope}
            />
          )}
          {setUp || mode !== 'stepped' ? (
            <div className="grid gap-4">
              <Choice
                label="How it is run"
                options={options('mode')}
                value={mode}
                onChange={(code) => set({ mode: code })}
              />
              <div className="grid grid-cols-2 gap-4">
                {mode === 'stepped' && (
                  <QuantityInput
                    label="Width of the hole"
                    unit="mm"
                    value={readings.holeDiameterMm as number | undefined}
                    onChange={(mm) => set({ holeDiameterMm: mm })}
                    error={faultAt(live?.faults, 'holeDiameterMm')}
                  />
                )}
                {mode !== 'quick' && (
                  <QuantityInput
                    label="Depth of the hole"
                    unit="mm"
                    value={holeDepth}
                    onChange={changeDepth}
                    error={faultAt(live?.faults, 'holeDepthMm')}
                  />
                )}
              </div>
              {mode === 'stepped' && (
                <>
                  <Choice
                    label="The ruler reads"
                    options={options('measure')}
                    value={readings.measure as string}
                    onChange={(code) => set({ measure: code })}
                  />
                  <Check
                    label="Filled and drained once before (presoaked)"
                    checked={readings.presoaked === true}
                    onChange={(presoaked) => set({ presoaked })}
                  />
                </>
              )}
            </div>
          ) : (
            <Button kind="quiet" className="justify-self-start" onClick={() => setSetUp(true)}>
              Change the hole
            </Button>
          )}
        </>
      }
      side={
        <>
          {mode === 'stepped' && (
            <LevelEntry
              {...props}
              readings={readings}
              points={points}
              faults={faults}
              onBegun={() => setSetUp(false)}
              set={set}
            />
          )}
          {mode === 'drain-out' && <DrainOutEntry readings={readings} set={set} faults={live?.faults} />}
          {mode === 'quick' && <QuickEntry readings={readings} set={set} faults={live?.faults} />}
          {envelope && <Result envelope={envelope} readings={sent} context={context} method={method.id} />}
        </>
      }
      foot={
        <>
          <Button className="min-h-13" disabled={!draft.undo} onClick={draft.undo}>
            Undo
          </Button>
          <RecordButton
            record={record}
            readings={sent}
            envelope={envelope}
            correcting={draft.place.supersedes !== undefined}
          />
        </>
      }
    />
  )
}

function Instruction({
  mode,
  points,
  startedAt,
  envelope,
}: {
  mode: Mode
  points: Point[]
  startedAt: string | undefined
  envelope: Envelope | undefined
}) {
  const units = useUnits()
  if (mode === 'drain-out') return <>Note how long it takes until the hole is empty.</>
  if (mode === 'quick') return <>Read the water, wait a quarter of an hour, read it again.</>
  if (points.length === 0) return <>Fill the hole and read the level.</>
  const minute = envelope?.values.nextReadingMinute?.value
  const at =
    minute !== undefined && startedAt ? showClock(Date.parse(startedAt) + minute * 60_000) : undefined
  if (points.length === 1) return <>{units.prose('Read again when the level has fallen by about 10 mm.')}</>
  if (envelope?.notes.some((note) => note.code === 'REFILL'))
    return <>Nearly empty. Top up, then read the level.</>
  if (envelope?.classes.steady === 'yes') {
    return <>It has settled.{at && ` One more reading at ${at} makes it certain.`}</>
  }
  return <>Still slowing down.{at && ` Read again at ${at}.`}</>
}

/** The next reading, at the time it is taken or at a time read off paper; and those taken. */
function LevelEntry({
  draft,
  method,
  readings,
  points,
  faults,
  onBegun,
  set,
}: CaptureProps & {
  readings: Readings
  points: Point[]
  faults: Fault[] | undefined
  onBegun: () => void
  set: (changed: Readings) => void
}) {
  const units = useUnits()
  const core = useCore()
  const now = useNow()
  const clocks = useClockActions()
  const timers = useQuery(queries.timers()).data?.timers
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
    const running = timers?.find((timer) => timer.measurementId === draft.place.id)
    running?.steps
      .filter((step) => step.doneAt === undefined)
      .forEach((step) =>
        clocks.done.mutate({ timer: running.id, step: step.id, doneAt: new Date(now).toISOString() }),
      )
    const outcome = core?.evaluate(method.id, { ...readings, points: next }, {})
    const minute = outcome?.envelope?.values.nextReadingMinute?.value
    if (minute === undefined) return
    clocks.put.mutate({
      id: running?.id ?? uuid(),
      body: {
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
    })
  }
  useKeys({ u: () => draft.undo?.() })
  return (
    <div className="grid gap-3">
      <form
        noValidate
        className="grid grid-cols-[1fr_7.5rem] gap-3"
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
        <label className="grid content-start gap-1 text-sm text-soft">
          at, if not now
          <Input
            type="time"
            className="min-h-14"
            value={time}
            onChange={(event) => setTime(event.target.value)}
          />
        </label>
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

function DrainOutEntry({ readings, set, faults }: EntryProps) {
  const still = readings.stillWaterAtMinutes !== undefined
  const [stillThere, setStillThere] = useState(still)
  return (
    <div className="grid gap-3">
      <Choice
        label="The hole"
        options={[
          { code: 'empty', label: 'is empty' },
          { code: 'still', label: 'still holds water' },
        ]}
        value={stillThere ? 'still' : 'empty'}
        onChange={(code) => {
          setStillThere(code === 'still')
          set({ minutesToEmpty: undefined, stillWaterAtMinutes: undefined })
        }}
      />
      {stillThere ? (
        <QuantityInput
          big
          label="After so many minutes"
          unit="min"
          value={readings.stillWaterAtMinutes as number | undefined}
          onChange={(minutes) => set({ stillWaterAtMinutes: minutes })}
          error={faultAt(faults, 'stillWaterAtMinutes')}
        />
      ) : (
        <QuantityInput
          big
          label="It took"
          unit="min"
          value={readings.minutesToEmpty as number | undefined}
          onChange={(minutes) => set({ minutesToEmpty: minutes })}
          error={readings.minutesToEmpty === undefined ? undefined : faultAt(faults, 'minutesToEmpty')}
        />
      )}
    </div>
  )
}

type EntryProps = {
  readings: Readings
  set: (changed: Readings) => void
  faults: Fault[] | undefined
}

function QuickEntry({ readings, set, faults }: EntryProps) {
  const entry = (name: string, label: string, unit: string) => (
    <QuantityInput
      label={label}
      unit={unit}
      value={readings[name] as number | undefined}
      onChange={(value) => set({ [name]: value })}
      error={readings[name] === undefined ? undefined : faultAt(faults, name)}
    />
  )
  return (
    <div className="grid grid-cols-3 gap-3">
      {entry('startMm', 'Water first', 'mm')}
      {entry('endMm', 'Water then', 'mm')}
      {entry('minutes', 'Between', 'min')}
    </div>
  )
}

/** Lasting rate beside the plain mean, straight-down permeability, and what it is good for. */
function Result({
  envelope,
  readings,
  context,
  method,
}: {
  envelope: Envelope
  readings: Readings
  context: Readings
  method: string
}) {
  const units = useUnits()
  const core = useCore()
  const { rate, plainMeanRate, overstatementPct, fieldPermeability } = envelope.values
  const rating = envelope.ratings[0]
  const level = asLevel(rating?.level)
  const settled = envelope.classes.steady !== 'no'
  const mode = readings.mode as Mode
  return (
    <div className="grid gap-3 border-t border-rule pt-3">
      {rate && (
        <div className="flex flex-wrap items-end justify-between gap-x-4">
          <span className="grid">
            <span className="text-sm text-soft">
              {mode === 'stepped' ? (settled ? 'lasting rate' : 'rate of the last interval') : 'rate'}
            </span>
            <span>
              <FigureButton figure={rate} envelope={envelope} className="text-3xl font-bold" />{' '}
              <Spread figure={rate} />
            </span>
          </span>
          {level && <LevelMark level={level} className="text-lg" />}
        </div>
      )}
      {envelope.classes.drainOut !== undefined && (
        <p className="text-xl font-bold">{words(String(envelope.classes.drainOut))}</p>
      )}
      {plainMeanRate && rate && (
        <p className="leading-snug">
          Plain mean of all readings{' '}
          <FigureButton figure={plainMeanRate} envelope={envelope} className="font-semibold" />
          {overstatementPct && overstatementPct.value > 1 && (
            <>
              : {Math.round(overstatementPct.value)} % too high, because the first wetting and the sides drank
            </>
          )}
          .{' '}
          {fieldPermeability && (
            <>
              Straight down{' '}
              <FigureButton figure={fieldPermeability} envelope={envelope} className="font-semibold" />,{' '}
              {words(String(envelope.classes.permeability))}.
            </>
          )}
        </p>
      )}
      {rating && (
        <table className="w-full text-left text-[15px]">
          <caption className="text-left text-sm text-soft">Suitability by purpose</caption>
          <tbody>
            {PURPOSES.map((purpose) => {
              const judged = core?.evaluate(method, readings, { ...context, purpose }).envelope
              const own = asLevel(judged?.ratings[0]?.level)
              return (
                <tr key={purpose} className={context.purpose === purpose ? 'font-bold' : ''}>
                  <th scope="row" className="py-1 pr-3 font-[inherit]">
                    {words(purpose)}
                  </th>
                  <td className="pr-3">{words(String(judged?.classes.suitability ?? ''))}</td>
                  <td>{own && <LevelMark level={own} />}</td>
                </tr>
              )
            })}
          </tbody>
        </table>
      )}
      {rating && <p className="leading-snug text-soft">{units.prose(rating.why)}</p>}
      <Notes envelope={envelope} />
    </div>
  )
}
