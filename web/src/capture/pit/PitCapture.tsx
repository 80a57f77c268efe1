import { useState } from 'react'
import type { Readings } from '../../api/readings'
import { useUnits } from '../../units/units'
import { Button, Check, QuantityInput } from '../../ui/controls'
import { Notice } from '../../ui/states'
import type { CaptureProps } from '../frame/panel'
import { PictureCapture, useEntry } from '../frame/parts'
import { PitFace, type Horizon } from './PitFace'
import { ReadingForm } from '../../forms/ReadingForm'

const START: Horizon[] = [
  { topMm: 0, bottomMm: 250 },
  { topMm: 250, bottomMm: 600 },
]
/** Many codes let nobody stand in an unsupported pit deeper than 1.0 to 1.5 m. */
const UNSAFE_MM = 1200

/** The pit face: layers whose edges are dragged, water, roots and mottles, each layer told in its place. */
export function PitCapture(capture: CaptureProps) {
  const { draft, method } = capture
  const units = useUnits()
  const held = draft.content.readings
  const horizons = (held.horizons as Horizon[] | undefined) ?? START
  const told = held.depthMm as number | undefined
  const depthMm = told ?? horizons.at(-1)!.bottomMm
  // a pit that was said to be shallower than its layers grows with them
  const grown = (bottomMm: number) => (told === undefined ? {} : { depthMm: Math.max(told, bottomMm) })
  const entry = useEntry({
    ...capture,
    draft: { ...draft, content: { ...draft.content, readings: { ...held, depthMm, horizons } } },
  })
  const [at, setAt] = useState(0)
  const put = (part: Readings) => draft.change({ ...draft.content, readings: { ...held, horizons, ...part } })
  const items = method.readings
    .find((each) => each.name === 'horizons')!
    .items.filter((each) => each.name !== 'topMm' && each.name !== 'bottomMm')
  const label = (name: string) => method.readings.find((each) => each.name === name)?.label ?? name
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
  const unsafe = depthMm > UNSAFE_MM && held.benched !== true
  return (
    <PictureCapture
      capture={capture}
      entry={entry}
      begun={held.horizons !== undefined}
      caution={method.cautions[0]}
      instruction={`Find the layers; drag their edges. Now layer ${chosen + 1} of ${horizons.length}.`}
      picture={
        <PitFace
          horizons={horizons}
          depthMm={depthMm}
          waterMm={held.standingWaterMm as number | undefined}
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
      {unsafe && (
        <Notice severity="danger">
          {units.prose('Deeper than 1,200 mm: never stand in it unless it is benched or shored.')}{' '}
          {method.cautions[1]}
        </Notice>
      )}
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
        readings={horizons[chosen] as unknown as Readings}
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
          value={held.standingWaterMm as number | undefined}
          onChange={(standingWaterMm) => put({ standingWaterMm })}
        />
      </div>
      <Check
        label={label('benched')}
        checked={held.benched === true}
        onChange={(benched) => put({ benched })}
      />
    </PictureCapture>
  )
}
