import { useMemo } from 'react'
import { useCore } from '../../core/core'
import { words } from '../../words/dates'
import { showSpan } from '../../timers/clocks'
import { useUnits } from '../../units/units'
import { Check, QuantityInput } from '../../ui/controls'
import { JarPicture } from './JarPicture'
import type { CaptureProps } from '../frame/panel'
import { PictureCapture, useEntry } from '../frame/parts'
import { TestClock, type Moment } from '../frame/TestClock'
import { Triangle } from '../../charts/Triangle'

const TWO_DAYS_S = 172_800

/** Soil in a jar: mark times worked out for this water, lines dragged to the ruler, the texture and its doubt. */
export function JarCapture(capture: CaptureProps) {
  const { method, draft } = capture
  const core = useCore()
  const units = useUnits()
  const entry = useEntry(capture, { waterTempC: 20, baseOffsetMm: 0 })
  const { readings, set, live } = entry
  const water = readings.waterColumnMm as number | undefined
  const temp = readings.waterTempC as number | undefined
  const marked = readings.sandMm !== undefined
  // before any line is marked the core still knows how fast grains fall in this water
  const advised = useMemo(() => {
    if (water === undefined || !core) return undefined
    const lines = { sandMm: water * 0.1, siltMm: water * 0.2, clayMm: water * 0.25 }
    return core.evaluate(method.id, { ...lines, waterColumnMm: water, waterTempC: temp }, {}).envelope?.values
  }, [core, method.id, water, temp])
  const sandAt = advised?.sandMarkAdvisedSeconds?.value
  const siltAt = advised?.siltMarkAdvisedSeconds?.value
  const label = (code: string) => method.timedSteps.find((each) => each.code === code)
  const moments: Moment[] = method.timedSteps.flatMap((step) => {
    const seconds = step.code === 'sand-line' ? sandAt : step.code === 'silt-line' ? siltAt : step.atSeconds
    return seconds === undefined
      ? []
      : [
          {
            code: step.code,
            label: step.label,
            seconds: Math.round(seconds),
            toleranceSeconds: step.toleranceSeconds,
          },
        ]
  })
  const READS: Record<string, string> = {
    'sand-line': 'sandMarkSeconds',
    'silt-line': 'siltMarkSeconds',
    'clay-line': 'clayMarkSeconds',
  }
  return (
    <PictureCapture
      capture={{ ...capture, method: { ...method, timedSteps: [] } }}
      entry={entry}
      begun={marked}
      instruction={
        water === undefined
          ? 'Shake, set it down, and read the water over the base and its temperature.'
          : !draft.content.startedAt
            ? `Start the clock as you set it down. The sand line is due after ${sandAt ? showSpan(sandAt) : '…'}.`
            : 'Drag each line to its ruler mark as it settles.'
      }
      picture={
        <JarPicture
          sand={readings.sandMm as number | undefined}
          silt={readings.siltMm as number | undefined}
          clay={readings.clayMm as number | undefined}
          water={water}
          cuts={live?.envelope?.values}
          onChange={set}
        />
      }
    >
      <div className="grid grid-cols-2 gap-3">
        <QuantityInput
          label={entryLabel(capture, 'waterColumnMm')}
          unit="mm"
          autoFocus={water === undefined}
          value={water}
          onChange={(waterColumnMm) => set({ waterColumnMm })}
        />
        <QuantityInput
          label={entryLabel(capture, 'waterTempC')}
          unit="°C"
          value={temp}
          onChange={(waterTempC) => set({ waterTempC })}
        />
      </div>
      {sandAt !== undefined && siltAt !== undefined && (
        <p className="leading-snug">
          In this water: {label('sand-line')?.label.toLowerCase()} after <strong>{showSpan(sandAt)}</strong>,{' '}
          {label('silt-line')?.label.toLowerCase()} after <strong>{showSpan(siltAt)}</strong>,{' '}
          {label('clay-line')?.label.toLowerCase()} when it is clear, from{' '}
          <strong>{showSpan(TWO_DAYS_S)}</strong> on.
        </p>
      )}
      {water !== undefined && (
        <TestClock
          capture={capture}
          moments={moments}
          onRead={(code, elapsed) => set({ [READS[code]!]: elapsed })}
        />
      )}
      <div className="grid grid-cols-3 gap-3">
        {(['sandMm', 'siltMm', 'clayMm'] as const).map((name) => (
          <QuantityInput
            key={name}
            label={entryLabel(capture, name)}
            unit="mm"
            value={readings[name] as number | undefined}
            onChange={(mm) => set({ [name]: mm })}
          />
        ))}
      </div>
      <details>
        <summary className="min-h-11 cursor-pointer content-center text-accent">
          Times and ruler as they were
        </summary>
        <div className="grid grid-cols-2 gap-3">
          {(['sandMarkSeconds', 'siltMarkSeconds', 'clayMarkSeconds'] as const).map((name) => (
            <QuantityInput
              key={name}
              label={entryLabel(capture, name)}
              unit="s"
              value={readings[name] as number | undefined}
              onChange={(seconds) => set({ [name]: seconds })}
            />
          ))}
          {(['baseOffsetMm', 'rulerErrorMm'] as const).map((name) => (
            <QuantityInput
              key={name}
              label={entryLabel(capture, name)}
              unit="mm"
              value={readings[name] as number | undefined}
              onChange={(mm) => set({ [name]: mm })}
            />
          ))}
        </div>
      </details>
      <Check
        label={entryLabel(capture, 'dispersant')}
        checked={readings.dispersant === true}
        onChange={(dispersant) => set({ dispersant })}
      />
      <Check
        label={entryLabel(capture, 'waterClearAtEnd')}
        checked={readings.waterClearAtEnd === true}
        onChange={(waterClearAtEnd) => set({ waterClearAtEnd })}
      />
      {live?.envelope && <Triangle envelope={live.envelope} />}
      {live?.envelope && <Chances rows={live.envelope.series['classProbabilities']} />}
      {live?.envelope?.values.sandCutUm && (
        <p className="text-sm text-soft">
          Marked at those times, the sand line stands for{' '}
          {units.text(live.envelope.values.sandCutUm.value, 'µm')}, the silt line for{' '}
          {units.text(live.envelope.values.siltCutUm!.value, 'µm')}.
        </p>
      )}
    </PictureCapture>
  )
}

const SHOWN = 3

/** How likely each texture class is, given what a ruler can tell. */
function Chances({ rows }: { rows: unknown }) {
  const chances = (Array.isArray(rows) ? rows : []) as { textureClass: string; probability: number }[]
  return (
    <p className="text-[15px]">
      {chances
        .filter((each) => each.probability >= 0.005)
        .slice(0, SHOWN)
        .map((each) => `${words(each.textureClass)} ${Math.round(100 * each.probability)} %`)
        .join(', ')}
    </p>
  )
}

function entryLabel(capture: CaptureProps, name: string) {
  return capture.method.readings.find((each) => each.name === name)?.label ?? name
}
