import { scaleLinear } from 'd3-scale'
import { line } from 'd3-shape'
import type { Round } from './rounds'

const SHOWN = 30

/** Scores round by round, the newest on the right. */
export function ScoreLine({ rounds }: { rounds: Round[] }) {
  const shown = rounds.slice(0, SHOWN).reverse()
  const x = scaleLinear([0, Math.max(1, shown.length - 1)], [44, 620])
  const y = scaleLinear([0, 100], [120, 12])
  const path = line<Round>(
    (_, i) => x(i),
    (round) => y(round.score ?? 0),
  )
  return (
    <svg
      viewBox="0 0 640 140"
      className="w-full"
      role="img"
      aria-label={`Scores of the last ${shown.length} rounds: ${shown.map((round) => round.score).join(', ')}`}
    >
      {[0, 50, 100].map((score) => (
        <g key={score} fontSize="13" fill="var(--soft)">
          <line x1="40" x2="630" y1={y(score)} y2={y(score)} stroke="var(--rule)" />
          <text x="34" y={y(score) + 4} textAnchor="end">
            {score}
          </text>
        </g>
      ))}
      <path d={path(shown) ?? ''} fill="none" stroke="var(--accent)" strokeWidth="2.5" />
      {shown.map((round, i) => (
        <circle
          key={round.id}
          cx={x(i)}
          cy={y(round.score ?? 0)}
          r="4.5"
          fill={round.deal.level === 'hard' ? 'var(--ink)' : 'var(--paper)'}
          stroke="var(--ink)"
          strokeWidth="2"
        />
      ))}
    </svg>
  )
}
