import type { Envelope, Figure } from '../api/schema'
import { plainNumber } from '../units/units'

const SIDE = 200
const HEIGHT = (SIDE * Math.sqrt(3)) / 2

const CLOUD = 8

/** Compositions that the readings leave possible, evenly over the ranges of the three shares. */
function cloud(sand: Figure, silt: Figure, clay: Figure): [number, number][] {
  if (sand.low === undefined || clay.low === undefined || silt.low === undefined) return []
  const points: [number, number][] = []
  for (let i = 0; i <= CLOUD; i++)
    for (let k = 0; k <= CLOUD; k++) {
      const s = sand.low + ((sand.high! - sand.low) * i) / CLOUD
      const c = clay.low + ((clay.high! - clay.low) * k) / CLOUD
      const rest = 100 - s - c
      if (rest >= silt.low && rest <= silt.high!) points.push([rest, c])
    }
  return points
}

/** A composition in the triangle of sand (left), silt (right) and clay (top). */
export function Triangle({ envelope }: { envelope: Envelope }) {
  const { sandPct, siltPct, clayPct } = envelope.values
  if (!sandPct || !siltPct || !clayPct) return null
  const point = (silt: number, clay: number) => ({
    x: 20 + (SIDE * (silt + clay / 2)) / 100,
    y: 18 + HEIGHT * (1 - clay / 100),
  })
  const at = point(siltPct.value, clayPct.value)
  const shares = [
    ['sand', sandPct.value],
    ['silt', siltPct.value],
    ['clay', clayPct.value],
  ] as const
  return (
    <div className="flex flex-wrap items-end gap-5">
      <svg
        viewBox={`0 0 ${SIDE + 40} ${HEIGHT + 40}`}
        className="w-44"
        role="img"
        aria-label={shares.map(([name, share]) => `${name} ${plainNumber(share)} %`).join(', ')}
      >
        {[20, 40, 60, 80].map((share) => (
          <g key={share} stroke="var(--rule)">
            <line
              x1={point(0, share).x}
              y1={point(0, share).y}
              x2={point(100 - share, share).x}
              y2={point(100 - share, share).y}
            />
            <line
              x1={point(share, 0).x}
              y1={point(share, 0).y}
              x2={point(share, 100 - share).x}
              y2={point(share, 100 - share).y}
            />
            <line
              x1={point(share, 0).x}
              y1={point(share, 0).y}
              x2={point(0, share).x}
              y2={point(0, share).y}
            />
          </g>
        ))}
        <path
          d={`M${point(0, 0).x} ${point(0, 0).y}L${point(100, 0).x} ${point(100, 0).y}L${point(0, 100).x} ${point(0, 100).y}Z`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="1.5"
        />
        {cloud(sandPct, siltPct, clayPct).map(([silt, clay], i) => (
          <circle
            key={i}
            cx={point(silt, clay).x}
            cy={point(silt, clay).y}
            r="3"
            fill="var(--soil-4)"
            opacity="0.4"
          />
        ))}
        <circle cx={at.x} cy={at.y} r="6" fill="var(--soil-2)" stroke="var(--paper)" strokeWidth="2" />
        <g fontSize="14" fill="var(--soft)">
          <text x="2" y={HEIGHT + 36}>
            sand
          </text>
          <text x={SIDE + 38} y={HEIGHT + 36} textAnchor="end">
            silt
          </text>
          <text x={20 + SIDE / 2 + 10} y="16">
            clay
          </text>
        </g>
      </svg>
      <dl className="grid grid-cols-[auto_auto] gap-x-4">
        {shares.map(([name, share]) => (
          <div key={name} className="contents">
            <dt className="text-soft">{name}</dt>
            <dd className="text-right font-semibold">{plainNumber(share)} %</dd>
          </div>
        ))}
      </dl>
    </div>
  )
}
