import { plainNumber } from '../units/units'

const MOST_KPA = 5000
const TURN = 270
const TIPS = { small: 12.7, large: 20.3 }

const at = (share: number, away: number) => {
  const angle = ((share * TURN - 135 - 90) * Math.PI) / 180
  return { x: 200 + Math.cos(angle) * away, y: 116 + Math.sin(angle) * away }
}

/**
 * A probe's dial with a scale for each of its two tips, so that it can be read on the wrong one: the force is the same,
 * the pressure under a larger tip is smaller.
 */
export function Dial({ kPa, label }: { kPa: number; label: string }) {
  const needle = at(Math.min(1, kPa / MOST_KPA), 78)
  const larger = (TIPS.small / TIPS.large) ** 2
  return (
    <svg viewBox="0 0 400 232" className="w-full max-w-[30rem]" role="img" aria-label={label}>
      <circle cx="200" cy="116" r="110" fill="var(--paper)" stroke="var(--ink)" strokeWidth="3" />
      {Array.from({ length: 26 }, (_, i) => {
        const share = i / 25
        const long = i % 5 === 0
        const from = at(share, 106)
        const to = at(share, long ? 94 : 100)
        return (
          <line
            key={i}
            x1={from.x}
            y1={from.y}
            x2={to.x}
            y2={to.y}
            stroke="var(--ink)"
            strokeWidth={long ? 2 : 1}
          />
        )
      })}
      {Array.from({ length: 6 }, (_, i) => {
        const outer = at(i / 5, 84)
        const inner = at(i / 5, 50)
        return (
          <g key={i} textAnchor="middle" fontSize="14">
            <text x={outer.x} y={outer.y + 4} fontWeight="600" fill="var(--ink)">
              {i * 10}
            </text>
            <text x={inner.x} y={inner.y + 4} fontSize="14" fill="var(--soft)">
              {plainNumber(i * 10 * larger, 0)}
            </text>
          </g>
        )
      })}
      <line x1="200" y1="116" x2={needle.x} y2={needle.y} stroke="var(--level-failing)" strokeWidth="3.5" />
      <circle cx="200" cy="116" r="7" fill="var(--ink)" />
      <g fontSize="14" fill="var(--ink)">
        <text x="326" y="92" fontWeight="600">
          outside
        </text>
        <text x="326" y="108">
          {TIPS.small} mm tip
        </text>
        <g fill="var(--soft)">
          <text x="326" y="140">
            inside
          </text>
          <text x="326" y="156">
            {TIPS.large} mm tip
          </text>
        </g>
        <text x="200" y="186" textAnchor="middle" fontSize="14" fill="var(--soft)">
          × 100 kPa
        </text>
      </g>
    </svg>
  )
}
