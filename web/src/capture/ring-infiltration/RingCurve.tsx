import { max } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import type { Envelope } from '../../api/schema'
import { useUnits } from '../../units/units'

const AREA = { left: 46, top: 14, width: 340, height: 196 }
const STEPS = 60

/** Water soaked in by time, with the fitted line of sorptivity and lasting rate through it. */
export function RingCurve({
  series,
  envelope,
}: {
  series: { minute: number; cumulativeMm: number }[]
  envelope: Envelope | undefined
}) {
  const units = useUnits()
  const x = scaleLinear()
    .domain([0, Math.max(10, max(series, (each) => each.minute) ?? 0)])
    .nice()
    .range([AREA.left, AREA.left + AREA.width])
  const y = scaleLinear()
    .domain([0, Math.max(10, max(series, (each) => each.cumulativeMm) ?? 0)])
    .nice()
    .range([AREA.top + AREA.height, AREA.top])
  const { sorptivity, steadyRate } = envelope?.values ?? {}
  // cumulative infiltration I = S·√t + A·t (Philip, 1957), t in hours
  const fitted =
    sorptivity && steadyRate
      ? Array.from({ length: STEPS + 1 }, (_, i) => {
          const minute = (x.domain()[1]! * i) / STEPS
          const hours = minute / 60
          return `${x(minute)} ${y(sorptivity.value * Math.sqrt(hours) + steadyRate.value * hours)}`
        })
      : undefined
  return (
    <svg
      viewBox="0 0 400 244"
      className="w-full max-w-[30rem]"
      role="img"
      aria-label={`Soaked in: ${series.map((each) => `${each.cumulativeMm} mm after ${each.minute} min`).join(', ') || 'nothing read yet'}`}
    >
      <g fontSize="14" fill="var(--soft)">
        {y.ticks(4).map((tick) => (
          <g key={tick}>
            <line x1={AREA.left} x2={AREA.left + AREA.width} y1={y(tick)} y2={y(tick)} stroke="var(--rule)" />
            <text x={AREA.left - 8} y={y(tick) + 4.5} textAnchor="end">
              {units.number(tick, 'mm')}
            </text>
          </g>
        ))}
        {x.ticks(5).map((tick) => (
          <text key={tick} x={x(tick)} y={AREA.top + AREA.height + 20} textAnchor="middle">
            {tick}
          </text>
        ))}
        <text x={AREA.left + AREA.width} y={AREA.top + AREA.height - 6} textAnchor="end">
          min
        </text>
        <text x={AREA.left + 6} y={AREA.top + 12}>
          {units.symbol('mm')}
        </text>
      </g>
      {fitted && (
        <path
          d={`M${fitted.join('L')}`}
          fill="none"
          stroke="var(--accent)"
          strokeWidth="2"
          strokeDasharray="6 4"
        />
      )}
      {series.map((each, i) => (
        <circle key={i} cx={x(each.minute)} cy={y(each.cumulativeMm)} r="5.5" fill="var(--water-deep)" />
      ))}
    </svg>
  )
}
