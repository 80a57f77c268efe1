import { scaleLinear } from 'd3-scale'
import { asNumber, asText } from '../api/readings'
import { plainNumber } from '../units/units'

/** Each person's mean difference from the middle of the others, with its 95 % interval. */
export function BiasChart({ people }: { people: Record<string, unknown>[] }) {
  const ends = people.flatMap((row) =>
    [row.bias, row.low, row.high].map(asNumber).filter((each) => each !== undefined),
  )
  const most = Math.max(0.5, ...ends.map(Math.abs))
  const x = scaleLinear([-most, most], [150, 620])
  const height = 40 + people.length * 34
  return (
    <svg
      viewBox={`0 0 640 ${height}`}
      className="w-full"
      role="img"
      aria-label={people
        .map((row) => `${asText(row.person)} ${plainNumber(asNumber(row.bias) ?? 0, 2)}`)
        .join(', ')}
    >
      <line x1={x(0)} x2={x(0)} y1="8" y2={height - 26} stroke="var(--strong-rule)" />
      {x.ticks(5).map((tick) => (
        <text key={tick} x={x(tick)} y={height - 8} textAnchor="middle" fontSize="13" fill="var(--soft)">
          {tick > 0 ? `+${tick}` : tick < 0 ? `−${-tick}` : tick}
        </text>
      ))}
      {people.map((row, i) => {
        const y = 24 + i * 34
        const bias = asNumber(row.bias)
        const low = asNumber(row.low)
        const high = asNumber(row.high)
        return (
          <g key={asText(row.person)}>
            <text x="140" y={y + 5} textAnchor="end" fontSize="15" fill="var(--ink)">
              {asText(row.person)}
            </text>
            {low !== undefined && high !== undefined && (
              <line
                x1={x(Math.max(-most, low))}
                x2={x(Math.min(most, high))}
                y1={y}
                y2={y}
                stroke="var(--accent)"
                strokeWidth="8"
                opacity="0.3"
              />
            )}
            {bias !== undefined && <circle cx={x(bias)} cy={y} r="6" fill="var(--accent)" />}
          </g>
        )
      })}
    </svg>
  )
}
