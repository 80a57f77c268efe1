import { sum } from 'd3-array'
import { asNumber, asRows, asText } from '../../api/readings'
import type { Envelope, Figure } from '../../api/schema'
import { plainNumber } from '../../units/units'
import { words } from '../../words/dates'

const SHOWN = 3
const PARTS = [
  { name: 'sand', colour: 'var(--soil-4)' },
  { name: 'silt', colour: 'var(--soil-3)' },
  { name: 'clay', colour: 'var(--soil-2)' },
] as const

/** What was read off the jar, and what it means once the small grains that arrived early are put back. */
export function JarShares({ envelope }: { envelope: Envelope }) {
  const { sandPct, siltPct, clayPct, adjustedSandPct, adjustedSiltPct, adjustedClayPct } = envelope.values
  if (!sandPct || !siltPct || !clayPct) return null
  return (
    <div className="grid gap-3">
      <Band
        title="As read"
        shares={[sandPct, siltPct, clayPct]}
        textureClass={envelope.classes.textureClass}
        chances={envelope.series['classProbabilities']}
      />
      {adjustedSandPct && adjustedSiltPct && adjustedClayPct && (
        <Band
          title="With small grains put back"
          shares={[adjustedSandPct, adjustedSiltPct, adjustedClayPct]}
          textureClass={envelope.classes.adjustedTextureClass}
          chances={envelope.series['adjustedClassProbabilities']}
          counts
        />
      )}
    </div>
  )
}

function Band({
  title,
  shares,
  textureClass,
  chances,
  counts = false,
}: {
  title: string
  shares: Figure[]
  textureClass: unknown
  chances: unknown
  /** whether this class goes on to the field */
  counts?: boolean
}) {
  return (
    <figure className="grid gap-1">
      <figcaption className="flex flex-wrap justify-between gap-x-3 text-[15px]">
        <span className={counts ? 'font-semibold' : 'text-soft'}>{title}</span>
        <strong>{words(asText(textureClass) ?? '')}</strong>
      </figcaption>
      <svg
        viewBox="0 0 300 26"
        className="w-full"
        role="img"
        aria-label={PARTS.map(({ name }, i) => `${name} ${plainNumber(shares[i]!.value)} %`).join(', ')}
      >
        {PARTS.map(({ name, colour }, i) => {
          const wide = shares[i]!.value * 3
          const x = 3 * sum(shares.slice(0, i), (share) => share.value)
          return (
            <g key={name}>
              <rect x={x} width={wide} height="26" fill={colour} stroke="var(--paper)" strokeWidth="1.5" />
              {wide > 62 && (
                <text
                  x={x + wide / 2}
                  y="17.5"
                  textAnchor="middle"
                  fontSize="14"
                  fill={name === 'sand' ? 'var(--ink)' : 'var(--paper)'}
                >
                  {name} {plainNumber(shares[i]!.value, 0)} %
                </text>
              )}
            </g>
          )
        })}
      </svg>
      <span className="text-sm text-soft">{likely(chances)}</span>
    </figure>
  )
}

/** How likely each class is, given what a ruler can tell; the ruler alone never makes sure. */
function likely(rows: unknown) {
  const chances = asRows(rows)
    .map((row) => ({
      textureClass: asText(row.textureClass) ?? '',
      probability: asNumber(row.probability) ?? 0,
    }))
    .filter((each) => each.probability >= 0.005)
    .slice(0, SHOWN)
  const share = (probability: number) =>
    probability > 0.99 ? 'over 99 %' : `${Math.round(100 * probability)} %`
  return chances.length === 0
    ? ''
    : `by the ruler alone: ${chances.map((each) => `${words(each.textureClass)} ${share(each.probability)}`).join(', ')}`
}
