import type { Crumb, Stage } from './crumbStages'

const PLACES = [
  [122, 108],
  [232, 82],
  [304, 168],
  [206, 186],
  [104, 214],
  [248, 282],
  [148, 302],
  [324, 254],
] as const

const WHOLE = 'M-20-12-6-22 12-19 22-4 18 14 2 22-14 18-22 2Z'

/** The dish from above; every crumb shows what it has done. */
export function CrumbDish({
  crumbs,
  stage,
  onTap,
}: {
  crumbs: Crumb[]
  stage: Stage
  onTap: (index: number) => void
}) {
  return (
    <div className="relative mx-auto w-full max-w-[26rem]">
      <svg viewBox="0 0 400 380" className="w-full" aria-hidden>
        <ellipse
          cx="206"
          cy="190"
          rx="190"
          ry="182"
          fill="var(--paper)"
          stroke="var(--ink)"
          strokeWidth="2"
        />
        <ellipse
          cx="206"
          cy="190"
          rx="178"
          ry="170"
          fill={stage === 'set' ? 'var(--stone)' : 'color-mix(in oklab, var(--water) 34%, var(--paper))'}
        />
        {crumbs.map((crumb, i) => (
          <g key={i} transform={`translate(${PLACES[i]![0]} ${PLACES[i]![1]})`}>
            <CrumbPicture crumb={crumb} seed={i} />
            <text
              y="45"
              textAnchor="middle"
              fontSize="13.5"
              fill="var(--ink)"
              fontWeight={crumb.slake ? 600 : 400}
            >
              {label(crumb, stage, i)}
            </text>
          </g>
        ))}
      </svg>
      {crumbs.map((crumb, i) => (
        <button
          key={i}
          type="button"
          disabled={stage === 'set'}
          aria-label={`Crumb ${i + 1}: ${label(crumb, stage, i)}`}
          onClick={() => onTap(i)}
          className="absolute size-[21%] -translate-x-1/2 -translate-y-[42%] rounded-full disabled:cursor-default"
          style={{ left: `${PLACES[i]![0] / 4}%`, top: `${PLACES[i]![1] / 3.8}%` }}
        />
      ))}
    </div>
  )
}

function label(crumb: Crumb, stage: Stage, index: number) {
  if (crumb.stone) return 'stone'
  const cloud = crumb.cloud30 ?? crumb.cloud10
  if ((stage === 'cloud10' || stage === 'cloud30' || stage === 'press') && cloud && cloud !== 'none')
    return `${cloud} cloud`
  if (crumb.slake === 'under-60s')
    return crumb.collapseSeconds === undefined
      ? 'gave way'
      : `0:${String(crumb.collapseSeconds).padStart(2, '0')}`
  if (crumb.slake === 'gentle-swirl') return 'gentle swirl'
  if (crumb.slake === 'strong-swirl') return 'strong swirl'
  if (stage === 'cloud10' || stage === 'cloud30') return 'clear'
  return crumb.slake === 'holds' ? 'holds' : String(index + 1)
}

function CrumbPicture({ crumb, seed }: { crumb: Crumb; seed: number }) {
  const cloud = crumb.cloud30 ?? crumb.cloud10
  const soil = crumb.stone ? 'var(--strong-rule)' : 'var(--soil-2)'
  const pieces =
    crumb.slake === 'under-60s'
      ? 26
      : crumb.slake === 'gentle-swirl'
        ? 15
        : crumb.slake === 'strong-swirl'
          ? 8
          : 0
  const reach = crumb.slake === 'under-60s' ? 30 : 24
  return (
    <g transform={`rotate(${seed * 47})`}>
      {cloud && cloud !== 'none' && (
        <>
          <circle
            r={cloud === 'strong' ? 42 : 32}
            fill="var(--soil-pale)"
            opacity={cloud === 'strong' ? 0.95 : 0.6}
          />
          <circle
            r={cloud === 'strong' ? 34 : 25}
            fill="var(--soil-pale)"
            stroke="var(--soil-4)"
            strokeDasharray="2 4"
          />
        </>
      )}
      {pieces === 0 ? (
        <path d={WHOLE} fill={soil} stroke={crumb.stone ? 'var(--ink)' : 'none'} strokeWidth="2" />
      ) : (
        Array.from({ length: pieces }, (_, i) => {
          // evenly wound about the middle, so that pieces lie apart without being drawn by chance
          const angle = i * 2.4 + seed
          const away = reach * Math.sqrt((i + 0.5) / pieces)
          const size = pieces > 20 ? 2 + (i % 3) : pieces > 10 ? 3 + (i % 4) : 5 + (i % 4) * 1.5
          return (
            <circle key={i} cx={Math.cos(angle) * away} cy={Math.sin(angle) * away} r={size} fill={soil} />
          )
        })
      )}
    </g>
  )
}
