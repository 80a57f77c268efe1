import { useState } from 'react'
import { whole, type ReadingsOf } from '../../api/readings'
import { useUnits } from '../../units/units'
import { Button, Check, QuantityInput } from '../../ui/controls'
import type { CaptureProps } from '../frame/panel'
import { useEntry } from '../frame/entry'
import { PictureCapture } from '../frame/parts'
import { PitFace } from './PitFace'
import { ReadingForm } from '../../forms/ReadingForm'

/** The pit face: layers whose edges are dragged, water, roots and mottles, each layer told in its place. */
export function PitCapture(capture: CaptureProps<'pit'>) {
  const { draft } = capture
  const units = useUnits()
  const held = draft.content.readings
  const entry = useEntry(capture, {
    meant: (readings) => ({ ...readings, depthMm: readings.depthMm ?? readings.horizons?.at(-1)?.bottomMm }),
  })
  const { method, label } = entry
  const horizons = whole(entry.readings.horizons, 'topMm', 'bottomMm')
  const told = held.depthMm
  const depthMm = told ?? horizons.at(-1)?.bottomMm ?? 0
  // a pit that was said to be shallower than its layers grows with them
  const grown = (bottomMm: number) => (told === undefined ? {} : { depthMm: Math.max(told, bottomMm) })
  const [at, setAt] = useState(0)
  const put = (part: ReadingsOf<'pit'>) =>
    draft.change({ ...draft.content, readings: { ...held, horizons, ...part } })
  const items = method.readings
    .find((each) => each.name === 'horizons')!
    .items.filter((each) => each.name !== 'topMm' && each.name !== 'bottomMm')
  const chosen = Math.min(at, horizons.length - 1)
  const add = () => {
    const last = horizons.at(-1)!
    const bottomMm = last.bottomMm + 200
    put({ horizons: [...horizons, { topMm: last.bottomMm, bottomMm }], ...grown(bottomMm) })
    setAt(horizons.length)
  }
  const remove = () => {
    const rest = horizons.filter((_, i) => i !== chosen)
    // what is left joins up again
    put({ horizons: rest.map((each, i) => ({ ...each, topMm: i === 0 ? 0 : rest[i - 1]!.bottomMm })) })
  }
  return (
    <PictureCapture
      capture={capture}
      entry={entry}
      begun={held.horizons !== undefined}
      caution={method.cautions[0]}
      instruction={entry.say('layers', { n: chosen + 1, of: horizons.length })}
      picture={
        <PitFace
          horizons={horizons}
          depthMm={depthMm}
          waterMm={held.standingWaterMm}
          chosen={chosen}
          onChoose={setAt}
          onEdge={(i, mm) =>
            put({
              horizons: horizons.map((each, k) =>
                k === i ? { ...each, bottomMm: mm } : k === i + 1 ? { ...each, topMm: mm } : each,
              ),
              ...(i === horizons.length - 1 && grown(mm)),
            })
          }
          onWater={(standingWaterMm) => put({ standingWaterMm })}
        />
      }
    >
      <div className="flex flex-wrap gap-2" role="group" aria-label="Layers">
        {horizons.map((each, i) => (
          <button
            key={i}
            type="button"
            aria-pressed={i === chosen}
            onClick={() => setAt(i)}
            className="min-h-11 rounded-sm border border-strong-rule bg-paper px-3 aria-pressed:bg-ink aria-pressed:text-paper"
          >
            {units.number(each.topMm, 'mm')}–{units.text(each.bottomMm, 'mm')}
          </button>
        ))}
        <Button onClick={add}>One deeper</Button>
        {horizons.length > 1 && (
          <Button kind="quiet" onClick={remove}>
            Remove layer {chosen + 1}
          </Button>
        )}
      </div>
      <ReadingForm
        key={chosen}
        entries={items}
        readings={horizons[chosen] ?? {}}
        onChange={(next) =>
          put({ horizons: horizons.map((each, i) => (i === chosen ? { ...each, ...next } : each)) })
        }
        faults={undefined}
      />
      <div className="grid grid-cols-2 gap-3">
        <QuantityInput
          label={label('depthMm')}
          unit="mm"
          value={told}
          help={told === undefined ? `as deep as its layers: ${units.text(depthMm, 'mm')}` : undefined}
          onChange={(mm) => put({ depthMm: mm })}
        />
        <QuantityInput
          label={`${label('standingWaterMm')} (if any)`}
          unit="mm"
          value={held.standingWaterMm}
          onChange={(standingWaterMm) => put({ standingWaterMm })}
        />
      </div>
      <Check {...entry.flag('benched')} onChange={(benched) => put({ benched })} />
    </PictureCapture>
  )
}
