import type { FindingView } from '../api/schema'
import { asLevel, levelFill } from '../ui/levels'
import type { useUnits } from '../units/units'

const WHISKER = 112

export function keyOf(finding: { indicator: string; band: string }) {
  return `${finding.indicator}@${finding.band}`
}

/** A figure with its unit, or in the words that its indicator has for it. */
export function figureText(
  part: { figure?: number; unit?: string; pattern?: string },
  units: ReturnType<typeof useUnits>,
) {
  if (part.figure === undefined) return '–'
  if (part.unit) return units.text(part.figure, part.unit)
  const plain = units.number(part.figure, '')
  return part.pattern ? part.pattern.replace('{x}', plain) : plain
}

/** Standing from 0 to 1: the spread over the stops, each stop, and the median. */
export function Whisker({ finding }: { finding: FindingView }) {
  const x = (standing: number) => 3 + standing * (WHISKER - 6)
  const colour = levelFill[asLevel(finding.level)!]
  return (
    <svg
      width={WHISKER}
      height="18"
      className="hidden sm:block"
      role="img"
      aria-label={`standing ${finding.standing.toFixed(2)}, stops from ${finding.lowest.toFixed(2)} to ${finding.highest.toFixed(2)}`}
    >
      <line x1="3" x2={WHISKER - 3} y1="13.5" y2="13.5" stroke="var(--rule)" />
      {[0, 0.25, 0.5, 0.75, 1].map((mark) => (
        <line key={mark} x1={x(mark)} x2={x(mark)} y1="11" y2="14" stroke="var(--strong-rule)" />
      ))}
      <rect
        x={x(finding.lowest)}
        width={Math.max(2, x(finding.highest) - x(finding.lowest))}
        y="4"
        height="7"
        fill={colour}
        opacity="0.28"
      />
      {finding.stops.map((stop) => (
        <circle key={stop.measurementId} cx={x(stop.standing)} cy="7.5" r="1.8" fill={colour} />
      ))}
      <rect x={x(finding.standing) - 1.25} width="2.5" y="1" height="13" fill={colour} />
    </svg>
  )
}
