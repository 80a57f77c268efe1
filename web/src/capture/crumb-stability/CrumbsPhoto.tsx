import { useState } from 'react'
import { Handle, Ring, type Spot } from '../photo/Handle'
import { PhotoProposal } from '../photo/PhotoProposal'
import type { Pixels } from '../photo/pixels'
import type { Crumb } from './crumbStages'

type Spread = Spot & { areaRatio?: number }

/** How far crumbs have spread between two photos of the dish, taken by a phone that stands still. */
export function CrumbsPhoto({
  onTake,
  onLeave,
}: {
  onTake: (crumbs: Crumb[], pictures: Pixels[]) => void
  onLeave: () => void
}) {
  const [dish, setDish] = useState({ x: 0.5, y: 0.5, radius: 0.4 })
  return (
    <PhotoProposal
      kind="crumbs"
      pictures={[
        'The dish from straight above just before the crumbs are wetted, the phone standing still',
        'The dish again after 10 minutes, the phone where it was',
      ]}
      guide={<circle cx="50" cy="50" r="40" />}
      inputs={{ dish }}
      onTake={(answer, pictures) => onTake((answer.proposal['crumbs'] ?? []) as Crumb[], pictures)}
      onLeave={onLeave}
      overlay={(answer, size) => (
        <>
          <circle
            cx={dish.x * size.width}
            cy={dish.y * size.height}
            r={dish.radius * size.width}
            fill="none"
            stroke="#fff"
            strokeWidth="6"
          />
          <circle
            cx={dish.x * size.width}
            cy={dish.y * size.height}
            r={dish.radius * size.width}
            fill="none"
            stroke="#101813"
            strokeWidth="2"
          />
          {((answer?.series['crumbs'] ?? []) as unknown as Spread[]).map((crumb, i) => (
            <g key={i} transform={`translate(${crumb.x * size.width} ${crumb.y * size.height})`}>
              <Ring radius={34} dashed={crumb.areaRatio === undefined} />
              <text
                y="-44"
                textAnchor="middle"
                fontSize="40"
                fill="#101813"
                stroke="#fff"
                strokeWidth="8"
                paintOrder="stroke"
              >
                {crumb.areaRatio === undefined ? 'gone' : `× ${crumb.areaRatio.toFixed(2)}`}
              </text>
            </g>
          ))}
          <Handle label="Middle of the dish" at={dish} {...size} onMove={(at) => setDish({ ...dish, ...at })}>
            <path d="M-30 0H30M0-30V30" stroke="#fff" strokeWidth="7" />
            <path d="M-30 0H30M0-30V30" stroke="#101813" strokeWidth="3" />
          </Handle>
          <Handle
            label="Edge of the dish"
            at={{ x: Math.min(1, dish.x + dish.radius), y: dish.y }}
            {...size}
            onMove={(at) => setDish({ ...dish, radius: Math.max(0.06, at.x - dish.x) })}
          >
            <Ring radius={26} />
          </Handle>
        </>
      )}
    >
      {() => (
        <p className="text-sm text-soft">
          Put the cross in the middle of the dish, and the ring just inside its rim. The figure at each crumb
          is its area after over before.
        </p>
      )}
    </PhotoProposal>
  )
}
