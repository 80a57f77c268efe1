import { useMemo } from 'react'
import { SavableChart } from '../../charts/SavePicture'
import { useCore } from '../../core/core'
import { showSpan, useNow } from '../../timers/clocks'
import { useUnits } from '../../units/units'
import { Check, Choice, QuantityInput } from '../../ui/controls'
import { PhotoKey } from '../photo/PhotoKey'
import { usePhoto } from '../photo/usePhoto'
import { JarPhoto } from './JarPhoto'
import { JarPicture } from './JarPicture'
import { JarShares } from './JarShares'
import { useScene, type CaptureProps } from '../frame/panel'
import { useEntry } from '../frame/entry'
import { PictureCapture } from '../frame/parts'
import { TestClock, type Moment } from '../frame/TestClock'
import { Triangle } from '../../charts/Triangle'

/** Soil in a jar: mark times worked out for this water, lines dragged to the ruler, the texture and its doubt. */
export function JarCapture(capture: CaptureProps<'texture-jar'>) {
  const { method, draft } = capture
  const core = useCore()
  const units = useUnits()
  const entry = useEntry(capture)
  const photo = usePhoto(draft)
  const { readings, set, live } = entry
  const { waterColumnMm: water, waterTempC: temp } = readings
  const { drawn } = entry.method
  const settledMm = useSettled(draft.content.startedAt)
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
  const read = (code: string, seconds: number) => {
    if (code === 'sand-line') set({ sandMarkSeconds: seconds })
    if (code === 'silt-line') set({ siltMarkSeconds: seconds })
    if (code === 'clay-line') set({ clayMarkSeconds: seconds })
  }
  return (
    <PictureCapture
      capture={{ ...capture, method: { ...method, timedSteps: [] } }}
      entry={entry}
      begun={marked}
      instruction={
        water === undefined
          ? entry.say('fill')
          : !draft.content.startedAt
            ? entry.say('start', { span: sandAt ? showSpan(sandAt) : '…' })
            : entry.say('drag')
      }
      picture={
        photo.open ? (
          <JarPhoto
            waterMm={water}
            waterLabel={entry.label('waterColumnMm')}
            onTake={(found, pictures, proposal) => {
              set(found)
              photo.taken(pictures, proposal)
            }}
            onLeave={photo.leave}
          />
        ) : (
          <JarPicture
            sand={readings.sandMm}
            silt={readings.siltMm}
            clay={readings.clayMm}
            water={water}
            usualWaterMm={drawn.usualWaterMm}
            cuts={live?.envelope?.values}
            settledMm={settledMm}
            onChange={set}
          />
        )
      }
    >
      <PhotoKey photo={photo} />
      <div className="grid grid-cols-2 gap-3">
        <QuantityInput {...entry.quantity('waterColumnMm')} autoFocus={water === undefined} />
        <QuantityInput {...entry.quantity('waterTempC')} />
      </div>
      {sandAt !== undefined && siltAt !== undefined && (
        <p className="leading-snug">
          In this water: {label('sand-line')?.label.toLowerCase()} after <strong>{showSpan(sandAt)}</strong>,{' '}
          {label('silt-line')?.label.toLowerCase()} after <strong>{showSpan(siltAt)}</strong>,{' '}
          {label('clay-line')?.label.toLowerCase()} when it is clear, from{' '}
          <strong>{showSpan(drawn.settledSeconds)}</strong> on.
        </p>
      )}
      <Choice {...entry.choice('marks')} />
      {water !== undefined && <TestClock capture={capture} moments={moments} onRead={read} />}
      <div className="grid grid-cols-3 gap-3">
        {(['sandMm', 'siltMm', 'clayMm'] as const).map((name) => (
          <QuantityInput key={name} {...entry.quantity(name)} />
        ))}
      </div>
      <details>
        <summary className="min-h-11 cursor-pointer content-center text-accent">
          Times and ruler as they were
        </summary>
        <div className="grid grid-cols-2 gap-3">
          {readings.marks !== 'by-eye' &&
            (['sandMarkSeconds', 'siltMarkSeconds', 'clayMarkSeconds'] as const).map((name) => (
              <QuantityInput key={name} {...entry.quantity(name)} />
            ))}
          {(['baseOffsetMm', 'rulerErrorMm', 'coarseSandMm', 'floatingMm'] as const).map((name) => (
            <QuantityInput key={name} {...entry.quantity(name)} />
          ))}
        </div>
      </details>
      <Check {...entry.flag('dispersant')} />
      <Check {...entry.flag('waterClearAtEnd')} />
      {live?.envelope?.values.sandPct && (
        <SavableChart title="Texture by the jar" unit="%">
          <Triangle envelope={live.envelope} />
        </SavableChart>
      )}
      {live?.envelope && (
        <SavableChart title="Shares of the jar" unit="%">
          <JarShares envelope={live.envelope} />
        </SavableChart>
      )}
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

/** On the training ground: how high the soil lies on the bottom by now, mm; it settles evenly on a logarithmic clock. */
function useSettled(startedAt: string | undefined) {
  const rows = useScene<'texture-jar'>()?.passing['settling']
  const now = useNow(200)
  if (!rows) return undefined
  const seconds = startedAt ? (now - Date.parse(startedAt)) / 1000 : 0
  const points = rows.map((row) => ({ at: Number(row['seconds']), mm: Number(row['mm']) }))
  const after = points.findIndex((point) => point.at > seconds)
  if (after === 0) return 0
  if (after < 0) return points.at(-1)?.mm ?? 0
  const low = points[after - 1]!
  const high = points[after]!
  const share = Math.log(seconds / low.at) / Math.log(high.at / low.at)
  return low.mm + share * (high.mm - low.mm)
}
