import { useState, type KeyboardEvent } from 'react'
import type { FromPhotoWrite } from '../../api/schema'
import { Button } from '../../ui/controls'
import { Handle, Ring, type Spot } from '../photo/Handle'
import { PhotoProposal, WIDE, type Size } from '../photo/PhotoProposal'
import type { Pixels } from '../photo/pixels'
import { KINDS, LOOK, Mark, type Kind } from './marks'

type Seed = Spot & { class: Kind }
type Point = Spot & { class: Kind; sure: number }

const GRID = 10
/** What is less sure than this is marked, as the core counts it. */
const SURE = 0.75

/** Cover from a photo taken straight down: a grid of points, each to be turned; places to show what is what. */
export function CoverPhoto({
  labels,
  onTake,
  onLeave,
}: {
  labels: Record<Kind, string>
  onTake: (points: Kind[], pictures: Pixels[], photo: FromPhotoWrite) => void
  onLeave: () => void
}) {
  const [seeds, setSeeds] = useState<Seed[]>([])
  const [turned, setTurned] = useState<Record<number, Kind>>({})
  const shown = (points: Point[]) => points.map((point, i) => ({ ...point, class: turned[i] ?? point.class }))
  const pointsOf = (series: Record<string, unknown>[] | undefined) => (series ?? []) as unknown as Point[]
  return (
    <PhotoProposal
      kind="cover"
      picture="The ground from straight above, your shadow beside it"
      guide={<path d="M0 33H100M0 67H100M33 0V100M67 0V100" opacity="0.7" />}
      inputs={{ grid: GRID, seeds }}
      onTake={(answer, pictures) =>
        onTake(
          shown(pointsOf(answer.series['points'])).map((point) => point.class),
          pictures,
          { kind: 'cover', proposed: answer.proposal },
        )
      }
      onLeave={onLeave}
      overlay={(answer, size) => (
        <>
          <Points
            points={shown(pointsOf(answer?.series['points']))}
            size={size}
            labels={labels}
            turned={turned}
            onTurn={(i, to) => setTurned({ ...turned, [i]: to })}
          />
          {seeds.map((seed, i) => (
            <Handle
              key={i}
              label={`${labels[seed.class]} is shown here`}
              at={seed}
              {...size}
              onMove={(at) => setSeeds(seeds.map((each, k) => (k === i ? { ...each, ...at } : each)))}
              onRemove={() => setSeeds(seeds.filter((_, k) => k !== i))}
            >
              <Ring radius={26} />
              <g transform="translate(0 -50) scale(2)">
                <circle r="11" fill="#fff" />
                <Mark kind={seed.class} />
              </g>
            </Handle>
          ))}
        </>
      )}
    >
      {(answer) => {
        const points = shown(pointsOf(answer?.series['points']))
        const count = (kind: Kind) => points.filter((point) => point.class === kind).length
        const unsure = points.filter((point, i) => point.sure < SURE && !turned[i]).length
        return (
          <>
            <div className="flex flex-wrap items-center gap-2" role="group" aria-label="Show what is what">
              {KINDS.filter((kind) => kind !== 'living').map((kind) => (
                <Button
                  key={kind}
                  onClick={() =>
                    // beside the last one, not on it
                    setSeeds([...seeds, { class: kind, x: 0.25 + 0.125 * (seeds.length % 5), y: 0.5 }])
                  }
                >{`Show ${labels[kind].toLowerCase()}`}</Button>
              ))}
              {seeds.length > 0 && (
                <Button kind="quiet" onClick={() => setSeeds(seeds.slice(0, -1))}>
                  Take the last one away
                </Button>
              )}
            </div>
            <p className="text-sm text-soft">
              Put each ring on a place that is surely of its kind, two or three of each. Tap a point to turn
              it.
            </p>
            {points.length > 0 && (
              <dl className="grid grid-cols-5 gap-2 text-center">
                {KINDS.map((kind) => (
                  <div key={kind}>
                    <dt className="text-sm text-soft">{labels[kind]}</dt>
                    <dd className="text-xl font-bold">{Math.round((100 * count(kind)) / points.length)} %</dd>
                  </div>
                ))}
                <div>
                  <dt className="text-sm text-soft">in doubt</dt>
                  <dd className="text-xl font-bold">{unsure}</dd>
                </div>
              </dl>
            )}
          </>
        )
      }}
    </PhotoProposal>
  )
}

/** The points as they stand: one of them has the keyboard, the arrows go to the others. */
function Points({
  points,
  size,
  labels,
  turned,
  onTurn,
}: {
  points: Point[]
  size: Size
  labels: Record<Kind, string>
  turned: Record<number, Kind>
  onTurn: (i: number, to: Kind) => void
}) {
  const [at, setAt] = useState(0)
  const next = (kind: Kind) => KINDS[(KINDS.indexOf(kind) + 1) % KINDS.length]!
  const press = (event: KeyboardEvent<SVGGElement>, i: number) => {
    const by = { ArrowUp: -GRID, ArrowDown: GRID, ArrowLeft: -1, ArrowRight: 1 }[event.key]
    if (by !== undefined && points[i + by]) {
      event.preventDefault()
      setAt(i + by)
      event.currentTarget.parentElement?.querySelectorAll<SVGGElement>('[role=button]')[i + by]?.focus()
    } else if (event.key === ' ' || event.key === 'Enter') {
      event.preventDefault()
      onTurn(i, next(points[i]!.class))
    }
  }
  const reach = Math.min(WIDE, size.height) / GRID / 2
  return (
    <g role="group" aria-label="Points of the grid">
      {points.map((point, i) => {
        const doubt = point.sure < SURE && !turned[i]
        return (
          <g
            key={i}
            role="button"
            tabIndex={i === at ? 0 : -1}
            aria-label={`Row ${Math.floor(i / GRID) + 1}, point ${(i % GRID) + 1}: ${labels[point.class]}${doubt ? ', in doubt' : ''}`}
            transform={`translate(${point.x * size.width} ${point.y * size.height})`}
            className="cursor-pointer outline-offset-2 focus-visible:outline-3 focus-visible:outline-accent"
            onClick={() => onTurn(i, next(point.class))}
            onFocus={() => setAt(i)}
            onKeyDown={(event) => press(event, i)}
          >
            <rect x={-reach} y={-reach} width={2 * reach} height={2 * reach} fill="transparent" />
            <circle
              r="17"
              fill="#fff"
              fillOpacity="0.82"
              stroke={doubt ? '#101813' : LOOK[point.class]}
              strokeWidth={doubt ? 3 : 2}
              strokeDasharray={doubt ? '4 4' : undefined}
            />
            <g transform="scale(1.25)">
              <Mark kind={point.class} />
            </g>
          </g>
        )
      })}
    </g>
  )
}
