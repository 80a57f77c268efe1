import type { FindingView } from '../api/schema'
import { asLevel, levelFill } from '../ui/levels'
import type { useUnits } from '../units/units'

export function keyOf(finding: { indicator: string; band: string }) {
  return `${finding.indicator}@${finding.band}`
}

/** A figure with its unit, in the words that its indicator has for it, or the word of its level where it has none. */
export function figureText(
  part: { figure?: number; unit?: string; pattern?: string; level?: string },
  units: ReturnType<typeof useUnits>,
) {
  if (part.figure === undefined) return part.level ?? '–'
  if (part.unit) return units.text(part.figure, part.unit)
  const plain = units.number(part.figure, '')
  return part.pattern ? part.pattern.replace('{x}', plain) : plain
}

/** Standing from 0 to 1, as wide as there is room: the spread over the stops, each stop, and the median. */
export function Whisker({ finding }: { finding: FindingView }) {
  const at = (standing: number) => `${1 + 98 * standing}%`
  const colour = levelFill[asLevel(finding.level)!]
  return (
    <svg
      width="100%"
      height="12"
      className="block overflow-visible"
      role="img"
      aria-label={`standing ${finding.standing.toFixed(2)}, by its readings ${finding.lowest.toFixed(2)} to ${finding.highest.toFixed(2)}`}
    >
      <rect x="0" y="4.5" width="100%" height="3" rx="1.5" fill="var(--rule)" />
      <rect
        x={at(finding.lowest)}
        width={`${Math.max(0.8, 98 * (finding.highest - finding.lowest))}%`}
        y="3"
        height="6"
        rx="2"
        fill={colour}
        opacity="0.45"
      />
      {finding.stops.map((stop) => (
        <circle key={stop.measurementId} cx={at(stop.standing)} cy="6" r="1.7" fill={colour} />
      ))}
      <line
        x1={at(finding.standing)}
        x2={at(finding.standing)}
        y1="0.5"
        y2="11.5"
        stroke={colour}
        strokeWidth="2.5"
      />
    </svg>
  )
}
