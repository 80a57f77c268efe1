import { useState } from 'react'
import type { Envelope } from '../../api/schema'
import { showClock } from '../../words/dates'
import { Button, Check, Choice, QuantityInput } from '../../ui/controls'
import { useUnits } from '../../units/units'
import { DrainOutEntry, QuickEntry } from './HoleOnce'
import { LevelEntry, type Point } from './HoleLevels'
import { HolePicture } from './HolePicture'
import { HoleResult } from './HoleResult'
import { faultAt, whole, type ReadingsOf } from '../../api/readings'
import { known, useEntry, type Entry } from '../frame/entry'
import { PanelLayout, RecordButton, useRecord, useScene, type CaptureProps } from '../frame/panel'
import { useNow } from '../../timers/clocks'

type HoleReadings = ReadingsOf<'hole-drainage'>
type Mode = NonNullable<HoleReadings['mode']>

/** A hole whose level falls as readings come in, at whatever clock times. */
export function HoleCapture(props: CaptureProps<'hole-drainage'>) {
  const { draft } = props
  const usual = known<'hole-drainage'>(props.method).usual
  // what the hole goes through is its depth, not a sampled layer
  const depthBottomMm = { ...usual, ...draft.content.readings }.holeDepthMm
  const context = { ...props.context, depthTopMm: 0, depthBottomMm }
  const entry = useEntry<'hole-drainage'>(
    { ...props, context },
    {
      // only a hole that is dug for readings is usually of one width; of any other it has to be said
      usual: (draft.content.readings.mode ?? 'stepped') === 'stepped' ? {} : { holeDiameterMm: undefined },
      meant: (readings) =>
        readings.mode === 'stepped' ? { ...readings, points: readings.points ?? [] } : readings,
    },
  )
  const { readings, sent, live, set } = entry
  const mode: Mode = readings.mode ?? 'stepped'
  const points = whole(readings.points, 'minute', 'mm')
  const record = useRecord(props)
  const levelMm = useLevel(draft.content.startedAt)
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
        <Instruction
          entry={entry}
          mode={mode}
          points={points}
          startedAt={draft.content.startedAt}
          envelope={envelope}
        />
      }
      picture={
        <>
          {mode === 'stepped' && (
            <HolePicture
              points={points}
              readings={readings}
              startedAt={draft.content.startedAt}
              envelope={envelope}
              levelMm={levelMm}
            />
          )}
          {setUp || mode !== 'stepped' ? (
            <div className="grid gap-4">
              <Choice
                {...entry.choice('mode')}
                onChange={(next) =>
                  set({ mode: next, holeDiameterMm: next === 'stepped' ? usual.holeDiameterMm : undefined })
                }
              />
              <div className="grid grid-cols-2 gap-4">
                <QuantityInput
                  {...entry.quantity('holeDiameterMm')}
                  error={faultAt(live?.faults, 'holeDiameterMm')}
                />
                {mode !== 'quick' && (
                  <QuantityInput
                    {...entry.quantity('holeDepthMm')}
                    onChange={changeDepth}
                    error={faultAt(live?.faults, 'holeDepthMm')}
                  />
                )}
              </div>
              {mode === 'stepped' && (
                <>
                  <Choice {...entry.choice('measure')} />
                  <Check {...entry.flag('presoaked')} />
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
          {mode === 'drain-out' && <DrainOutEntry entry={entry} />}
          {mode === 'quick' && <QuickEntry entry={entry} />}
          {envelope && <HoleResult envelope={envelope} readings={sent} context={context} entry={entry} />}
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

/** On the training ground: how deep the water stands by now, mm; beyond what is known it goes on as it last fell. */
function useLevel(startedAt: string | undefined) {
  const truth = whole(useScene<'hole-drainage'>()?.readings.points, 'minute', 'mm')
  const now = useNow(200)
  if (truth.length < 2) return undefined
  const minute = startedAt ? (now - Date.parse(startedAt)) / 60_000 : 0
  const found = truth.findIndex((point) => point.minute > minute)
  const after = found < 0 ? truth.length - 1 : Math.max(1, found)
  const low = truth[after - 1]!
  const high = truth[after]!
  const share = (minute - low.minute) / (high.minute - low.minute)
  return Math.max(0, low.mm + share * (high.mm - low.mm))
}

function Instruction({
  entry,
  mode,
  points,
  startedAt,
  envelope,
}: {
  entry: Entry<'hole-drainage'>
  mode: Mode
  points: Point[]
  startedAt: string | undefined
  envelope: Envelope | undefined
}) {
  const units = useUnits()
  if (mode === 'drain-out') return entry.say('drain-out')
  if (mode === 'quick') return entry.say('quick')
  if (points.length === 0) return entry.say('fill')
  const minute = envelope?.values.nextReadingMinute?.value
  const at =
    minute !== undefined && startedAt ? showClock(Date.parse(startedAt) + minute * 60_000) : undefined
  if (points.length === 1) return units.prose(entry.say('second'))
  if (envelope?.notes.some((note) => note.code === 'REFILL')) return entry.say('refill')
  if (envelope?.classes.steady === 'yes') {
    return `${entry.say('steady')} ${at ? entry.say('certain', { at }) : ''}`
  }
  return `${entry.say('slowing')} ${at ? entry.say('again', { at }) : ''}`
}
