import { useState } from 'react'
import type { FromPhotoWrite } from '../../api/schema'
import { shownColour } from '../../drawings/colour'
import { QuantityInput } from '../../ui/controls'
import { Handle, Ring, type Spot } from '../photo/Handle'
import { PhotoProposal, type Proposed } from '../photo/PhotoProposal'
import type { Pixels } from '../photo/pixels'

export type Chip = { hue: string; value: number; chroma: number }

const USUAL_GREY = 18
const GREY = { x: 0.75, y: 0.5 }
const SOIL = { x: 0.3, y: 0.5 }

/** A colour from a photo of the soil beside a grey patch: the nearest chips, one of them to be taken. */
export function ColourPhoto({
  onTake,
  onLeave,
}: {
  onTake: (chip: Chip, pictures: Pixels[], photo: FromPhotoWrite) => void
  onLeave: () => void
}) {
  const [grey, setGrey] = useState<Spot>(GREY)
  const [soil, setSoil] = useState<Spot>(SOIL)
  const [reflectance, setReflectance] = useState<number | undefined>(USUAL_GREY)
  const [picked, setPicked] = useState(0)
  const chips = (answer: Proposed | undefined) => (answer?.series['chips'] ?? []) as unknown as Chip[]
  return (
    <PhotoProposal
      kind="colour"
      card
      picture="Moist soil and a grey patch side by side, both in the same shade"
      guide={
        <>
          <circle cx="30" cy="50" r="12" />
          <rect x="63" y="38" width="24" height="24" />
        </>
      }
      inputs={{ grey, soil, greyReflectancePct: reflectance }}
      onTake={(answer, pictures) => {
        const { hue, value, chroma } = chips(answer)[picked] ?? chips(answer)[0]!
        onTake({ hue, value, chroma }, pictures, { kind: 'colour', proposed: answer.proposal })
      }}
      onLeave={onLeave}
      onCard={(places) => {
        setGrey(places?.grey ?? GREY)
        setSoil(places?.soil ?? SOIL)
      }}
      overlay={(_, size) => (
        <>
          <Handle label="Grey patch" at={grey} {...size} onMove={setGrey}>
            <Ring radius={28} />
            <Name text="grey" />
          </Handle>
          <Handle label="Soil" at={soil} {...size} onMove={setSoil}>
            <Ring radius={28} />
            <Name text="soil" />
          </Handle>
        </>
      )}
    >
      {(answer) => (
        <>
          <QuantityInput
            label="The grey patch gives back"
            unit="%"
            value={reflectance}
            onChange={setReflectance}
          />
          {answer && (
            <div role="radiogroup" aria-label="Nearest chips" className="grid grid-cols-3 gap-2">
              {chips(answer).map((chip, i) => (
                <button
                  key={`${chip.hue} ${chip.value}/${chip.chroma}`}
                  type="button"
                  role="radio"
                  aria-checked={picked === i}
                  onClick={() => setPicked(i)}
                  className="overflow-hidden rounded-sm border border-strong-rule bg-paper aria-checked:border-3 aria-checked:border-ink"
                >
                  <span className="block h-16" style={{ background: shownColour(chip) }} />
                  <span className="block px-1 py-1.5 font-semibold">
                    {chip.hue} {chip.value}/{chip.chroma}
                  </span>
                </button>
              ))}
            </div>
          )}
        </>
      )}
    </PhotoProposal>
  )
}

function Name({ text }: { text: string }) {
  return (
    <text
      y="-44"
      textAnchor="middle"
      fontSize="42"
      fill="#101813"
      stroke="#fff"
      strokeWidth="8"
      paintOrder="stroke"
    >
      {text}
    </text>
  )
}
