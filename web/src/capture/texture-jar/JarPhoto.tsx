import { useState } from 'react'
import type { Envelope, FromPhotoWrite } from '../../api/schema'
import { QuantityInput } from '../../ui/controls'
import { useUnits } from '../../units/units'
import { DragLine } from '../frame/parts'
import { Handle, Ring, type Spot } from '../photo/Handle'
import { PhotoProposal, type Size } from '../photo/PhotoProposal'
import type { Pixels } from '../photo/pixels'

const LINES = [
  { name: 'sandMm', label: 'sand' },
  { name: 'siltMm', label: 'silt' },
  { name: 'clayMm', label: 'clay' },
] as const
type Line = (typeof LINES)[number]['name']
export type Lines = Partial<Record<Line, number>>

/** The lines of a jar from a photo: its bottom and the water's top are marked, the lines found can be dragged. */
export function JarPhoto({
  waterMm,
  waterLabel,
  onTake,
  onLeave,
}: {
  waterMm: number | undefined
  waterLabel: string
  onTake: (readings: Lines & { waterColumnMm: number }, pictures: Pixels[], photo: FromPhotoWrite) => void
  onLeave: () => void
}) {
  const [bottom, setBottom] = useState<Spot>({ x: 0.5, y: 0.93 })
  const [waterTop, setWaterTop] = useState<Spot>({ x: 0.5, y: 0.12 })
  const [typed, setTyped] = useState<number>()
  const water = typed ?? waterMm
  const [moved, setMoved] = useState<Lines>({})
  return (
    <PhotoProposal
      kind="jar"
      card
      picture="The jar from the side at its own height, a dull wall behind it, no lamp in the glass"
      guide={<path d="M30 8V92Q30 96 34 96H66Q70 96 70 92V8M50 4V96" opacity="0.8" />}
      inputs={water === undefined ? undefined : { bottom, waterTop, waterColumnMm: water }}
      onTake={(answer, pictures) => {
        const found = Object.fromEntries(
          LINES.map(({ name }) => [name, moved[name] ?? Math.round(answer.values[name]!.value * 2) / 2]),
        )
        onTake({ ...found, waterColumnMm: water! }, pictures, { kind: 'jar', proposed: answer.proposal })
      }}
      onLeave={onLeave}
      overlay={(answer, size) => (
        <>
          <line
            x1={bottom.x * size.width}
            y1={bottom.y * size.height}
            x2={waterTop.x * size.width}
            y2={waterTop.y * size.height}
            stroke="#fff"
            strokeWidth="2"
            strokeDasharray="6 6"
          />
          {answer && water !== undefined && (
            <Found
              values={answer.values}
              moved={moved}
              size={size}
              bottom={bottom}
              waterTop={waterTop}
              water={water}
              onMove={(line) => setMoved({ ...moved, ...line })}
            />
          )}
          <Handle label="Inside of the bottom" at={bottom} {...size} onMove={setBottom}>
            <Ring radius={24} />
          </Handle>
          <Handle label="Top of the water" at={waterTop} {...size} onMove={setWaterTop}>
            <Ring radius={24} />
          </Handle>
        </>
      )}
    >
      {() => (
        <>
          <p className="text-sm text-soft">
            Put one ring on the inside of the bottom, the other where the water ends. Then look at each line,
            and drag it where it is wrong.
          </p>
          <QuantityInput label={waterLabel} unit="mm" value={water} onChange={setTyped} />
        </>
      )}
    </PhotoProposal>
  )
}

function Found({
  values,
  moved,
  size,
  bottom,
  waterTop,
  water,
  onMove,
}: {
  values: Envelope['values']
  moved: Lines
  size: Size
  bottom: Spot
  waterTop: Spot
  water: number
  onMove: (line: Lines) => void
}) {
  const units = useUnits()
  const foot = { x: bottom.x * size.width, y: bottom.y * size.height }
  const up = { x: waterTop.x * size.width - foot.x, y: waterTop.y * size.height - foot.y }
  const length = Math.hypot(up.x, up.y)
  const side = { x: -up.y / length, y: up.x / length }
  const place = (mm: number) => ({ x: foot.x + (up.x * mm) / water, y: foot.y + (up.y * mm) / water })
  const half = size.width * 0.16
  return (
    <>
      {LINES.map(({ name, label }) => {
        const figure = values[name]!
        const mm = moved[name] ?? figure.value
        const at = place(mm)
        const low = place(figure.low ?? mm)
        const high = place(figure.high ?? mm)
        return (
          <DragLine
            key={name}
            label={`Top of the ${label}`}
            value={Math.round(mm)}
            text={units.text(mm, 'mm')}
            min={1}
            max={Math.round(water)}
            step={0.5}
            toValue={(point) =>
              (water * ((point.x - foot.x) * up.x + (point.y - foot.y) * up.y)) / (length * length)
            }
            onChange={(to) => onMove({ [name]: to })}
          >
            {moved[name] === undefined && (
              <path
                d={`M${low.x + side.x * half} ${low.y + side.y * half}L${low.x - side.x * half} ${low.y - side.y * half}L${high.x - side.x * half} ${high.y - side.y * half}L${high.x + side.x * half} ${high.y + side.y * half}Z`}
                fill="#fff"
                fillOpacity="0.45"
              />
            )}
            {[
              { colour: '#fff', width: 7 },
              { colour: '#101813', width: 3 },
              { colour: 'transparent', width: 110 },
            ].map((line) => (
              <line
                key={line.width}
                x1={at.x - side.x * half}
                y1={at.y - side.y * half}
                x2={at.x + side.x * half}
                y2={at.y + side.y * half}
                stroke={line.colour}
                strokeWidth={line.width}
              />
            ))}
            <text
              x={at.x + Math.abs(side.x) * half + 14}
              y={at.y + 12}
              fontSize="42"
              fill="#101813"
              stroke="#fff"
              strokeWidth="8"
              paintOrder="stroke"
            >
              {label} {units.text(mm, 'mm')}
            </text>
          </DragLine>
        )
      })}
    </>
  )
}
