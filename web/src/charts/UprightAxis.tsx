import type { ScaleLinear } from 'd3-scale'
import { plainNumber } from '../units/units'

/** Figures from below up at the left, a thin line across for each, and the unit over them. */
export function UprightAxis({
  scale,
  ticks,
  left,
  right,
  label,
  labelY,
}: {
  scale: ScaleLinear<number, number>
  /** about how many figures */
  ticks: number
  /** where the lines begin and end, px of the drawing */
  left: number
  right: number
  label: string
  labelY: number
}) {
  return (
    <>
      {scale.ticks(ticks).map((tick) => (
        <g key={tick}>
          <line x1={left} x2={right} y1={scale(tick)} y2={scale(tick)} stroke="var(--rule)" />
          <text x={left - 7} y={scale(tick) + 4} textAnchor="end">
            {plainNumber(tick)}
          </text>
        </g>
      ))}
      <text x={left - 7} y={labelY} textAnchor="end">
        {label}
      </text>
    </>
  )
}
