import type { ReadingsOf } from '../../api/readings'
import { useUnits } from '../../units/units'
import { DragLine } from '../frame/parts'

type Horizon = NonNullable<ReadingsOf<'pit'>['horizons']>[number] & { topMm: number; bottomMm: number }

const FACE = { x: 62, y: 30, width: 210, height: 380 }
const STEP_MM = 10
const DRAWN_TO_MM = 3000
const ROOTS: Record<string, number> = { many: 14, common: 8, few: 3, none: 0 }

/** The face of the pit with its layers: edges to drag, water level, roots, mottles and stones as they were told. */
export function PitFace({
  horizons,
  depthMm,
  waterMm,
  chosen,
  onChoose,
  onEdge,
  onWater,
}: {
  horizons: Horizon[]
  depthMm: number
  waterMm: number | undefined
  chosen: number
  onChoose: (index: number) => void
  onEdge: (index: number, mm: number) => void
  onWater: (mm: number) => void
}) {
  const units = useUnits()
  // a slip of the finger must not draw a thousand marks
  const deepest = Math.min(DRAWN_TO_MM, Math.max(depthMm, horizons.at(-1)!.bottomMm, 600))
  const y = (mm: number) => FACE.y + (mm / deepest) * FACE.height
  const toMm = (point: { y: number }) => ((point.y - FACE.y) / FACE.height) * deepest
  const right = FACE.x + FACE.width
  return (
    <svg viewBox="0 0 400 424" className="w-full max-w-[30rem] select-none">
      <rect x={FACE.x} y={FACE.y} width={FACE.width} height={FACE.height} fill="var(--hatch)" opacity="0.4" />
      {horizons.map((each, i) => (
        <g key={i} onClick={() => onChoose(i)} className="cursor-pointer">
          <rect
            x={FACE.x}
            y={y(each.topMm)}
            width={FACE.width}
            height={Math.max(0, y(each.bottomMm) - y(each.topMm))}
            fill={`var(--soil-${Math.min(5, i + 1)})`}
            stroke={i === chosen ? 'var(--ink)' : 'none'}
            strokeWidth="4"
          />
          <Signs horizon={each} top={y(each.topMm)} bottom={y(each.bottomMm)} />
        </g>
      ))}
      <g fontSize="14" fill="var(--soft)">
        {Array.from({ length: Math.floor(deepest / 200) + 1 }, (_, i) => i * 200).map((mm) => (
          <text key={mm} x={FACE.x - 8} y={y(mm) + 4.5} textAnchor="end">
            {units.number(mm, 'mm')}
          </text>
        ))}
        <text x={FACE.x - 8} y="16" textAnchor="end">
          {units.symbol('mm')}
        </text>
      </g>
      {horizons.map((each, i) => (
        <DragLine
          key={i}
          label={`Bottom of layer ${i + 1}`}
          value={Math.round(each.bottomMm)}
          text={units.text(each.bottomMm, 'mm')}
          min={Math.round(each.topMm) + STEP_MM}
          max={i + 1 < horizons.length ? Math.round(horizons[i + 1]!.bottomMm) - STEP_MM : DRAWN_TO_MM}
          step={STEP_MM}
          toValue={toMm}
          onChange={(mm) => onEdge(i, mm)}
        >
          <rect
            x={FACE.x}
            y={y(each.bottomMm) - 16}
            width={FACE.width + 110}
            height="32"
            fill="transparent"
          />
          <line
            x1={FACE.x}
            x2={right + 12}
            y1={y(each.bottomMm)}
            y2={y(each.bottomMm)}
            stroke="var(--ink)"
            strokeWidth="2.5"
          />
          <text x={right + 16} y={y(each.bottomMm) + 5} fontSize="14" fontWeight="700" fill="var(--ink)">
            {units.text(each.bottomMm, 'mm')}
          </text>
        </DragLine>
      ))}
      {waterMm !== undefined && (
        <>
          <rect
            x={FACE.x}
            y={y(waterMm)}
            width={FACE.width}
            height={Math.max(0, y(deepest) - y(waterMm))}
            fill="var(--water)"
            opacity="0.55"
          />
          <DragLine
            label="Standing water at"
            value={Math.round(waterMm)}
            text={units.text(waterMm, 'mm')}
            min={0}
            max={Math.round(deepest)}
            step={STEP_MM}
            toValue={toMm}
            onChange={onWater}
          >
            <rect x={FACE.x} y={y(waterMm) - 14} width={FACE.width} height="28" fill="transparent" />
            <path
              d={`M${FACE.x} ${y(waterMm)}q13-5 26 0t26 0 26 0 26 0 26 0 26 0 26 0 26 0`}
              fill="none"
              stroke="var(--water-deep)"
              strokeWidth="3"
            />
          </DragLine>
        </>
      )}
    </svg>
  )
}

function Signs({ horizon, top, bottom }: { horizon: Horizon; top: number; bottom: number }) {
  const tall = Math.max(1, bottom - top)
  const spots = (share: number | undefined, colour: string, seed: number) =>
    Array.from({ length: Math.round(Math.min(100, share ?? 0) / 3) }, (_, i) => (
      <ellipse
        key={`${colour}${i}`}
        cx={FACE.x + 12 + ((i * 61 + seed * 17) % (FACE.width - 24))}
        cy={top + 6 + ((i * 37 + seed * 11) % Math.max(1, tall - 12))}
        rx="7"
        ry="4"
        fill={colour}
      />
    ))
  return (
    <>
      {spots(horizon.rustPct, '#b2602a', 1)}
      {spots(horizon.blackPct, '#2a2522', 2)}
      {spots(horizon.greyPct, '#8d9796', 3)}
      {spots(horizon.stonesPct, '#c9cfcb', 4)}
      <g stroke="var(--soil-pale)" fill="none" strokeWidth="1.6">
        {Array.from({ length: ROOTS[horizon.roots ?? 'none'] ?? 0 }, (_, i) => (
          <path key={i} d={`M${FACE.x + 14 + i * 14} ${top}q${(i % 3) * 4 - 4} ${tall / 2} 2 ${tall}`} />
        ))}
      </g>
      {horizon.textureClass && (
        <text x={FACE.x + 8} y={top + 18} fontSize="14" fontWeight="600" fill="var(--paper)">
          {horizon.textureClass.replaceAll('-', ' ')}
        </text>
      )}
    </>
  )
}
