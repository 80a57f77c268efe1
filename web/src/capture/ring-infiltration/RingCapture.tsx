import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { SavableChart } from '../../charts/SavePicture'
import { whole } from '../../api/readings'
import { useKeys } from '../../ui/keys'
import { useUnits } from '../../units/units'
import { Button, Choice, QuantityInput } from '../../ui/controls'
import { showSpan, stepAfter, useNow, useTimers } from '../../timers/clocks'
import { useScene, type CaptureProps } from '../frame/panel'
import { known, useEntry, type Entry } from '../frame/entry'
import { useTestClocks } from '../frame/useTestClocks'
import { PictureCapture, remember, remembered } from '../frame/parts'
import { RingCurve } from './RingCurve'

/** When to be called back to a ring that nobody watches. */
type Run = { volumeMl: number; seconds: number }
type Soaked = { minute: number; cumulativeMm: number }

/** A ring with its water: two runs against the clock, or the depth soaked in as time goes on. */
export function RingCapture(capture: CaptureProps<'ring-infiltration'>) {
  const units = useUnits()
  const { draft } = capture
  const { drawn } = known<'ring-infiltration'>(capture.method)
  const ring = remembered('ring')
  const deep = (draft.place.depthTopMm ?? 0) >= drawn.deepRingFromMm
  const entry = useEntry(capture, {
    usual: { ...(ring !== undefined && { ringDiameterMm: ring }), ...(deep && { depthLevel: 'at-200' }) },
  })
  const { readings, set, live } = entry
  const runs = whole(readings.runs, 'volumeMl', 'seconds')
  const series = whole(readings.series, 'minute', 'cumulativeMm')
  const [way, setWay] = useState<'runs' | 'series'>(series.length > 0 ? 'series' : 'runs')
  const leftShare = useWaterLeft(capture, runs.length)
  return (
    <PictureCapture
      capture={capture}
      entry={entry}
      begun={runs.length + series.length > 0}
      instruction={
        way === 'series'
          ? entry.say('series', { fewest: drawn.fewestPoints })
          : runs.length === 0
            ? entry.say('run-1')
            : runs.length === 1
              ? entry.say('run-2')
              : entry.say('done')
      }
      picture={
        way === 'series' ? (
          <SavableChart title="Water taken in by the ring" unit={units.symbol('mm')}>
            <RingCurve series={series} envelope={live?.envelope} />
          </SavableChart>
        ) : (
          <Ring runs={runs} running={draft.content.startedAt !== undefined} leftShare={leftShare} />
        )
      }
    >
      <Choice
        label="Read"
        options={[
          { code: 'runs', label: 'two runs' },
          { code: 'series', label: 'depth by time' },
        ]}
        value={way}
        onChange={(code) => {
          setWay(code)
          set(code === 'runs' ? { series: undefined } : { runs: undefined })
        }}
      />
      {way === 'runs' ? (
        <Runs capture={capture} runs={runs} set={(next) => set({ runs: next })} entry={entry} />
      ) : (
        <Series series={series} set={(next) => set({ series: next })} entry={entry} />
      )}
      <div className="grid grid-cols-2 gap-3">
        <QuantityInput
          {...entry.quantity('ringDiameterMm')}
          onChange={(ringDiameterMm) => {
            remember('ring', ringDiameterMm)
            set({ ringDiameterMm })
          }}
        />
        <QuantityInput {...entry.quantity('insertedMm')} />
        <QuantityInput {...entry.quantity('pondedMm')} />
        <QuantityInput
          {...entry.quantity('stormMmPerHour')}
          label={`${entry.label('stormMmPerHour')} (if any)`}
        />
      </div>
      <Choice
        {...entry.choice('depthLevel')}
        onChange={(depthLevel) => {
          set({ depthLevel })
          const top = depthLevel === 'at-200' ? drawn.dugToMm : capture.method.usualTopMm!
          draft.move({
            depthTopMm: top,
            depthBottomMm: top + capture.method.usualBottomMm! - capture.method.usualTopMm!,
          })
        }}
      />
    </PictureCapture>
  )
}

/** On the training ground: how much of the water still stands in the ring, 0..1. */
function useWaterLeft({ draft }: CaptureProps<'ring-infiltration'>, run: number) {
  const truth = useScene<'ring-infiltration'>()?.readings.runs
  const now = useNow(200)
  if (!truth) return undefined
  const running = draft.content.startedAt !== undefined && draft.content.stage === 1
  if (!running) return 0
  const seconds = truth[Math.min(run, truth.length - 1)]!.seconds ?? 1
  return Math.max(0, 1 - (now - Date.parse(draft.content.startedAt!)) / 1000 / seconds)
}

type RingEntry = Entry<'ring-infiltration'>

/** A stopwatch for each run, or seconds typed; the stopwatch goes by the clock, not by the page. */
function Runs({
  capture,
  runs,
  set,
  entry,
}: {
  capture: CaptureProps<'ring-infiltration'>
  runs: Run[]
  set: (runs: Run[] | undefined) => void
  entry: RingEntry
}) {
  const clocks = useTestClocks()
  const { drawn } = entry.method
  const { draft } = capture
  const units = useUnits()
  const now = useNow(200)
  const [volume, setVolume] = useState<number | undefined>(
    runs.at(-1)?.volumeMl ?? remembered('water') ?? drawn.waterMl,
  )
  const [seconds, setSeconds] = useState<number>()
  const startedAt = draft.content.startedAt
  const running = startedAt !== undefined && draft.content.stage === 1
  const elapsed = running ? Math.max(0, (now - Date.parse(startedAt)) / 1000) : 0
  const add = (taken: number) => {
    if (volume === undefined) return
    remember('water', volume)
    draft.change({
      ...draft.content,
      stage: 0,
      readings: {
        ...draft.content.readings,
        runs: [...runs, { volumeMl: volume, seconds: Math.round(taken) }],
      },
    })
    setSeconds(undefined)
  }
  const timer = useTimers().find((each) => each.measurementId === draft.place.id)
  const read = () => {
    timer?.steps
      .filter((step) => step.doneAt === undefined)
      .forEach((step) => void clocks.done(timer.id, step, new Date(now).toISOString()))
    add(elapsed)
  }
  const call = () =>
    void clocks.put(
      timer?.id ?? uuid(),
      {
        visitId: draft.place.visitId,
        stopId: draft.place.stopId,
        measurementId: draft.place.id,
        method: capture.method.id,
        startedAt: new Date(now).toISOString(),
        steps: [stepAfter(now, runs.length === 0 ? 'run-1' : 'run-2', drawn.lookAgainSeconds, 60)],
      },
      capture.place,
    )
  const start = () => {
    call()
    draft.change({ ...draft.content, startedAt: new Date(now).toISOString(), stage: 1 })
  }
  useKeys({ t: () => (running ? read() : start()) })
  return (
    <div className="grid gap-3">
      <div className="grid grid-cols-2 gap-3">
        <Button
          kind="primary"
          className="min-h-16 text-xl"
          disabled={volume === undefined}
          onClick={() => (running ? read() : start())}
        >
          {running ? `Soaked in, ${showSpan(elapsed)}` : `Start run ${runs.length + 1}`}
        </Button>
        <form
          noValidate
          className="grid"
          onSubmit={(event) => {
            event.preventDefault()
            if (seconds) add(seconds)
          }}
        >
          <QuantityInput
            label={`Run ${runs.length + 1}, or typed`}
            unit="s"
            autoFocus
            value={seconds}
            onChange={setSeconds}
          />
        </form>
      </div>
      <QuantityInput
        label={entry.item('runs', 'volumeMl').label}
        unit="mL"
        value={volume}
        onChange={setVolume}
      />
      {runs.length > 0 && (
        <ol aria-label="Runs">
          {runs.map((run, i) => (
            <li key={i} className="flex items-center gap-3 border-t border-rule">
              <span className="font-semibold">Run {i + 1}</span>
              <span className="grow">
                {units.text(run.volumeMl, 'mL')} in {showSpan(run.seconds)}
              </span>
              <Button
                kind="quiet"
                aria-label={`Remove run ${i + 1}`}
                onClick={() => set(runs.length > 1 ? runs.filter((_, k) => k !== i) : undefined)}
              >
                remove
              </Button>
            </li>
          ))}
        </ol>
      )}
    </div>
  )
}

function Series({
  series,
  set,
  entry,
}: {
  series: Soaked[]
  set: (series: Soaked[] | undefined) => void
  entry: RingEntry
}) {
  const units = useUnits()
  const [minute, setMinute] = useState<number>()
  const [depth, setDepth] = useState<number>()
  return (
    <form
      noValidate
      className="grid grid-cols-2 gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        if (minute === undefined || depth === undefined) return
        set([...series, { minute, cumulativeMm: depth }])
        setMinute(undefined)
        setDepth(undefined)
      }}
    >
      <QuantityInput
        big
        label={entry.item('series', 'minute').label}
        unit="min"
        value={minute}
        onChange={setMinute}
      />
      <QuantityInput
        big
        label={entry.item('series', 'cumulativeMm').label}
        unit="mm"
        value={depth}
        onChange={setDepth}
      />
      <Button
        kind="primary"
        type="submit"
        className="col-span-2 min-h-13"
        disabled={minute === undefined || depth === undefined}
      >
        Read depth
      </Button>
      {series.length > 0 && (
        <ol className="col-span-2" aria-label="Readings">
          {series.map((each, i) => (
            <li key={i} className="flex items-center gap-3 border-t border-rule">
              <span className="w-20">{units.text(each.minute, 'min')}</span>
              <span className="grow font-semibold">{units.text(each.cumulativeMm, 'mm')}</span>
              <Button
                kind="quiet"
                aria-label={`Remove the reading after ${each.minute} min`}
                onClick={() => set(series.length > 1 ? series.filter((_, k) => k !== i) : undefined)}
              >
                remove
              </Button>
            </li>
          ))}
        </ol>
      )}
    </form>
  )
}

/** The ring cut open, its runs as pulses of water on their way down. */
function Ring({ runs, running, leftShare }: { runs: Run[]; running: boolean; leftShare?: number }) {
  const high = 38 * (leftShare ?? 1)
  const slowest = Math.max(60, ...runs.map((run) => run.seconds))
  return (
    <svg
      viewBox="0 0 400 230"
      className="w-full max-w-[30rem]"
      role="img"
      aria-label={
        runs.length === 0
          ? 'The ring, no run yet'
          : runs.map((run, i) => `run ${i + 1}: ${run.seconds} s`).join(', ')
      }
    >
      <rect x="0" y="96" width="400" height="134" fill="var(--soil-2)" />
      <rect x="0" y="96" width="400" height="26" fill="var(--soil-1)" />
      {runs.map((run, i) => {
        // the quicker it soaks in, the deeper it is drawn
        const deep = 20 + 92 * (1 - Math.min(1, run.seconds / slowest) * 0.7)
        return (
          <path
            key={i}
            d={`M118 98Q118 ${98 + deep} 200 ${98 + deep}T282 98Z`}
            fill="var(--water)"
            opacity={i === runs.length - 1 ? 0.75 : 0.35}
          />
        )
      })}
      {running && <rect x="118" y={98 - high} width="164" height={high} fill="var(--water)" opacity="0.85" />}
      {running && leftShare === 0 && (
        <text x="200" y="88" textAnchor="middle" fontSize="14" fill="var(--ink)">
          the last shine is gone
        </text>
      )}
      <path d="M112 40V150M288 40V150" stroke="var(--ink)" strokeWidth="6" />
      {Array.from({ length: 14 }, (_, i) => (
        <path
          key={i}
          d={`M${6 + i * 30} 96q2-9 ${(i % 3) - 1}-${14 + ((i * 7) % 9)}`}
          stroke="#4a7a3c"
          strokeWidth="2"
          fill="none"
          opacity={i > 3 && i < 10 ? 0.25 : 1}
        />
      ))}
      {runs.map((run, i) => (
        <text
          key={i}
          x="302"
          y={24 + i * 20}
          fontSize="16"
          fill="var(--ink)"
          fontWeight={i === runs.length - 1 ? 700 : 400}
        >
          run {i + 1}: {showSpan(run.seconds)}
        </text>
      ))}
    </svg>
  )
}
