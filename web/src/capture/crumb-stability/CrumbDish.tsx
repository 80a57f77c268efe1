import { CrumbPicture, type CrumbSeen } from '../../drawings/water'
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

/** The dish from above; every crumb shows what it was said to have done, or in practice what it does. */
export function CrumbDish({
  crumbs,
  seen,
  stage,
  onTap,
}: {
  crumbs: Crumb[]
  seen?: CrumbSeen[]
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
            <CrumbPicture crumb={seen?.[i] ?? seenOf(crumb)} seed={i} />
            <text
              y="45"
              textAnchor="middle"
              fontSize="14"
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

const PIECES: Partial<Record<NonNullable<Crumb['slake']>, { pieces: number; reach: number }>> = {
  'under-60s': { pieces: 26, reach: 30 },
  'gentle-swirl': { pieces: 15, reach: 24 },
  'strong-swirl': { pieces: 8, reach: 24 },
}

/** A crumb as it was told: in as many pieces as it gave way early. */
export function seenOf(crumb: Crumb): CrumbSeen {
  const broken = crumb.slake && PIECES[crumb.slake]
  return { pieces: 0, reach: 0, ...broken, cloud: crumb.cloud30 ?? crumb.cloud10, stone: crumb.stone }
}
