import { useMemo, useState } from 'react'
import type { Envelope } from '../../api/schema'
import type { Readings } from '../../api/readings'
import { useLive } from '../../core/core'
import { showClock } from '../../words/dates'
import { Button, Check, Choice, QuantityInput } from '../../ui/controls'
import { useUnits } from '../../units/units'
import { DrainOutEntry, QuickEntry } from './HoleOnce'
import { LevelEntry, type Point } from './HoleLevels'
import { HolePicture } from './HolePicture'
import { HoleResult } from './HoleResult'
import { faultAt } from '../../api/readings'
import { PanelLayout, RecordButton, useRecord, type CaptureProps } from '../frame/panel'

type Mode = 'stepped' | 'drain-out' | 'quick'

const START: Readings = {
  mode: 'stepped',
  holeDiameterMm: 200,
  holeDepthMm: 300,
  presoaked: true,
  measure: 'water-depth',
}

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
          {envelope && (
            <HoleResult envelope={envelope} readings={sent} context={context} method={method.id} />
          )}
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
