import type { Envelope } from '../../api/schema'
import { useUnits } from '../../units/units'
import { DragLine } from '../frame/parts'

const JAR = { x: 92, base: 350, width: 170, height: 310 }
const DRAWN_TO_MM = 1000

const LINES = [
  { name: 'sandMm', label: 'sand', colour: 'var(--soil-4)', cut: 'sandCutUm' },
  { name: 'siltMm', label: 'silt', colour: 'var(--soil-3)', cut: 'siltCutUm' },
  { name: 'clayMm', label: 'clay', colour: 'var(--soil-2)', cut: undefined },
] as const

/** A jar against a ruler; the top of each layer is a line to drag. */
export function JarPicture({
  sand,
  silt,
  clay,
  water,
  usualWaterMm,
  cuts,
  settledMm,
  onChange,
}: {
  sand: number | undefined
  silt: number | undefined
  clay: number | undefined
  water: number | undefined
  usualWaterMm: number
  cuts: Envelope['values'] | undefined
  /** in practice: how high it lies now, whatever was marked */
  settledMm?: number
  onChange: (changed: Record<string, number>) => void
}) {
  const units = useUnits()
  // a slip of the finger must not draw a thousand marks
  const top = Math.min(DRAWN_TO_MM, Math.max(20, water ?? usualWaterMm))
  const scale = (JAR.height - 40) / top
  const y = (mm: number) => JAR.base - mm * scale
  const toMm = (point: { y: number }) => (JAR.base - point.y) / scale
  const given = [sand, silt, clay]
  // lines that were not marked yet wait a little above the one below
  const shown = given.map(
    (mm, i) =>
      mm ?? Math.min(top, (given.slice(0, i).findLast((each) => each !== undefined) ?? 0) + 14 * (i + 1)),
  )
  const step = top > 250 ? 50 : 20
  return (
    <svg viewBox="0 0 400 372" className="w-full max-w-[30rem] select-none">
      <rect x={JAR.x} y={y(top)} width={JAR.width} height={top * scale} fill="var(--water)" opacity="0.4" />
      {LINES.map((line, i) => {
        const from = i === 0 ? 0 : shown[i - 1]!
        return given[i] === undefined || settledMm !== undefined ? null : (
          <rect
            key={line.name}
            x={JAR.x}
            width={JAR.width}
            y={y(given[i])}
            height={Math.max(0, (given[i] - from) * scale)}
            fill={line.colour}
          />
        )
      })}
      {settledMm !== undefined && (
        <>
          <rect
            x={JAR.x}
            y={y(top)}
            width={JAR.width}
            height={top * scale}
            fill="var(--soil-4)"
            opacity={0.75 * (1 - settledMm / (settledMm + 8))}
          />
          <rect
            x={JAR.x}
            y={y(settledMm)}
            width={JAR.width}
            height={settledMm * scale}
            fill="var(--soil-3)"
          />
        </>
      )}
      <path
        d={`M${JAR.x + 16} 16V34Q${JAR.x} 40 ${JAR.x} 58V${JAR.base - 12}Q${JAR.x} ${JAR.base} ${JAR.x + 12} ${JAR.base}H${JAR.x + JAR.width - 12}Q${JAR.x + JAR.width} ${JAR.base} ${JAR.x + JAR.width} ${JAR.base - 12}V58Q${JAR.x + JAR.width} 40 ${JAR.x + JAR.width - 16} 34V16Z`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="3"
      />
      <g fontSize="14" fill="var(--soft)" stroke="none">
        <line x1={JAR.x - 14} x2={JAR.x - 14} y1={y(0)} y2={y(top)} stroke="var(--strong-rule)" />
        {Array.from({ length: Math.floor(top / 10) + 1 }, (_, i) => i * 10).map((mm) => (
          <g key={mm}>
            <line
              x1={JAR.x - (mm % step ? 19 : 24)}
              x2={JAR.x - 14}
              y1={y(mm)}
              y2={y(mm)}
              stroke="var(--strong-rule)"
            />
            {mm % step === 0 && (
              <text x={JAR.x - 28} y={y(mm) + 4.5} textAnchor="end">
                {units.number(mm, 'mm')}
              </text>
            )}
          </g>
        ))}
        <text x={JAR.x - 28} y={y(top) - 12} textAnchor="end">
          {units.symbol('mm')}
        </text>
      </g>
      {LINES.map((line, i) => {
        const cut = line.cut ? cuts?.[line.cut] : undefined
        return (
          <DragLine
            key={line.name}
            label={`Top of the ${line.label}`}
            value={Math.round(shown[i]!)}
            text={given[i] === undefined ? 'not marked' : units.text(given[i], 'mm')}
            min={1}
            max={Math.round(top)}
            step={1}
            toValue={toMm}
            onChange={(mm) => onChange({ [line.name]: mm })}
          >
            <rect x={JAR.x} y={y(shown[i]!) - 16} width={JAR.width + 130} height="32" fill="transparent" />
            <line
              x1={JAR.x - 8}
              x2={JAR.x + JAR.width + 12}
              y1={y(shown[i]!)}
              y2={y(shown[i]!)}
              stroke="var(--ink)"
              strokeWidth="2.5"
              strokeDasharray={given[i] === undefined ? '3 5' : undefined}
            />
            <text x={JAR.x + JAR.width + 16} y={y(shown[i]!) + 5} fontSize="15" fill="var(--ink)">
              {line.label}
              {given[i] !== undefined && ` ${units.number(given[i], 'mm')}`}
              {cut && `, ${units.text(cut.value, cut.unit)}`}
            </text>
          </DragLine>
        )
      })}
    </svg>
  )
}
