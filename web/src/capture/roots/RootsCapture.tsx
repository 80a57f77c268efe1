import { range } from 'd3-array'
import { useUnits } from '../../units/units'
import { Check, Choice, QuantityInput, Select, Labelled } from '../../ui/controls'
import type { CaptureProps } from '../frame/panel'
import { useEntry } from '../frame/entry'
import { DragLine, PictureCapture } from '../frame/parts'

const STEP_MM = 10
const FACE = { x: 56, y: 34, width: 250, height: 330 }
const UNKNOWN_MM = 300

/** The root face: the line above which four fifths of the roots lie, the deepest one, and what stops them. */
export function RootsCapture(capture: CaptureProps<'roots'>) {
  const entry = useEntry(capture)
  const mostMm = entry.method.drawn.deepestMm
  const { readings, set } = entry
  const units = useUnits()
  const { eightyPctDepthMm: eighty, deepestMm: deepest, barrier = 'none' } = readings
  const y = (mm: number) => FACE.y + (mm / mostMm) * FACE.height
  const toMm = ({ y: at }: { y: number }) => ((at - FACE.y) / FACE.height) * mostMm
  return (
    <PictureCapture
      capture={capture}
      entry={entry}
      begun={eighty !== undefined}
      instruction={entry.say('line')}
      picture={
        <svg viewBox="0 0 400 376" className="w-full max-w-[30rem] select-none">
          <rect x={FACE.x} y={FACE.y} width={FACE.width} height={FACE.height} fill="var(--soil-2)" />
          <rect x={FACE.x} y={FACE.y} width={FACE.width} height={70} fill="var(--soil-1)" />
          <g fontSize="14" fill="var(--soft)">
            {range(0, mostMm + 1, 200).map((mm) => (
              <text key={mm} x={FACE.x - 8} y={y(mm) + 4.5} textAnchor="end">
                {units.number(mm, 'mm')}
              </text>
            ))}
            <text x={FACE.x - 8} y={FACE.y - 14} textAnchor="end">
              {units.symbol('mm')}
            </text>
          </g>
          <Roots
            eighty={eighty ?? UNKNOWN_MM}
            deepest={deepest}
            barrier={barrier}
            bent={readings.bent === true}
            mostMm={mostMm}
            y={y}
            faint={eighty === undefined}
          />
          {barrier !== 'none' && (
            <text
              x={FACE.x + FACE.width - 8}
              y={y(eighty ?? UNKNOWN_MM) + 18}
              textAnchor="end"
              fontSize="14"
              fill="var(--paper)"
            >
              {entry.options('barrier').find((each) => each.code === barrier)?.label}
            </text>
          )}
          <DragLine
            label={entry.label('eightyPctDepthMm')}
            value={eighty ?? UNKNOWN_MM}
            text={units.text(eighty ?? UNKNOWN_MM, 'mm')}
            min={STEP_MM}
            max={mostMm}
            step={STEP_MM}
            toValue={toMm}
            onChange={(mm) =>
              set({ eightyPctDepthMm: mm, ...(deepest !== undefined && deepest < mm && { deepestMm: mm }) })
            }
          >
            <rect
              x={FACE.x - 20}
              y={y(eighty ?? UNKNOWN_MM) - 22}
              width={FACE.width + 110}
              height="44"
              fill="transparent"
            />
            <line
              x1={FACE.x}
              x2={FACE.x + FACE.width + 14}
              y1={y(eighty ?? UNKNOWN_MM)}
              y2={y(eighty ?? UNKNOWN_MM)}
              stroke="var(--paper)"
              strokeWidth="5"
            />
            <line
              x1={FACE.x}
              x2={FACE.x + FACE.width + 14}
              y1={y(eighty ?? UNKNOWN_MM)}
              y2={y(eighty ?? UNKNOWN_MM)}
              stroke="var(--ink)"
              strokeWidth="2.5"
            />
            <text
              x={FACE.x + FACE.width + 18}
              y={y(eighty ?? UNKNOWN_MM) + 5}
              fontSize="15"
              fontWeight="700"
              fill="var(--ink)"
            >
              {eighty === undefined ? '?' : units.text(eighty, 'mm')}
            </text>
          </DragLine>
        </svg>
      }
    >
      <div className="grid grid-cols-2 gap-3">
        <QuantityInput big autoFocus {...entry.quantity('eightyPctDepthMm')} />
        <QuantityInput
          big
          {...entry.quantity('deepestMm')}
          label={`${entry.label('deepestMm')} (if found)`}
        />
      </div>
      <Labelled label={entry.label('barrier')}>
        {(aria) => (
          <Select
            {...aria}
            value={barrier}
            onChange={(event) =>
              set({ barrier: entry.options('barrier').find(({ code }) => code === event.target.value)?.code })
            }
          >
            {entry.options('barrier').map((option) => (
              <option key={option.code} value={option.code}>
                {option.label}
              </option>
            ))}
          </Select>
        )}
      </Labelled>
      <Check {...entry.flag('bent')} />
      <Check
        {...entry.flag('legume')}
        onChange={(legume) => set({ legume, nodules: legume ? readings.nodules : undefined })}
      />
      {readings.legume === true && <Choice {...entry.choice('nodules')} />}
    </PictureCapture>
  )
}

function Roots({
  eighty,
  deepest,
  barrier,
  bent,
  mostMm,
  y,
  faint,
}: {
  eighty: number
  deepest: number | undefined
  barrier: string
  bent: boolean
  mostMm: number
  y: (mm: number) => number
  faint: boolean
}) {
  const stops = barrier !== 'none'
  return (
    <g stroke="var(--soil-pale)" fill="none" opacity={faint ? 0.35 : 0.9} strokeLinecap="round">
      {Array.from({ length: 22 }, (_, i) => {
        const x = FACE.x + 10 + i * 11
        const through = i % 5 === 2
        const to = through
          ? Math.min(mostMm, deepest ?? eighty * 1.35)
          : eighty * (0.45 + ((i * 37) % 55) / 100)
        const sway = ((i * 29) % 17) - 8
        const turn = (bent || stops) && !through ? `q1 6 ${sway > 0 ? 16 : -16} 5` : ''
        return (
          <path
            key={i}
            strokeWidth={through ? 2.2 : 1.3}
            d={`M${x} ${FACE.y}C${x + sway} ${y(to * 0.4)} ${x - sway} ${y(to * 0.7)} ${x + sway / 2} ${y(to)}${turn}`}
          />
        )
      })}
    </g>
  )
}
