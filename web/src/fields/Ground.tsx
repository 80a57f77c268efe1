import type { GroundPicture } from '../api/schema'
import { Worm } from '../drawings/Worm'

/** Where no colour was recorded, the ground is drawn paler downward. */
const UNRECORDED = [0, 110, 230, 330, 450]

/** The ground as its tests saw it: colours, roots, a layer that resists, salt, mottles, stones, worms, water, cover. */
export function Ground({
  ground,
  y,
  deepestMm,
  texture,
  x = 0,
  width,
}: {
  ground: GroundPicture
  /** where a depth is drawn */
  y: (mm: number) => number
  deepestMm: number
  texture?: string
  x?: number
  width: number
}) {
  const surface = y(0)
  const bounds = [...UNRECORDED.filter((mm) => mm < deepestMm), deepestMm]
  const blades = Math.round((width / 6) * (ground.coverShare ?? 0))
  return (
    <g>
      {bounds.slice(0, -1).map((mm, i) => (
        <Layer
          key={mm}
          x={x}
          width={width}
          from={y(mm)}
          to={y(bounds[i + 1]!)}
          fill={`var(--soil-${Math.min(i + 1, 5)})`}
        />
      ))}
      {ground.tints.map((tint) => (
        <Layer
          key={tint.topMm}
          x={x}
          width={width}
          from={y(tint.topMm)}
          to={y(tint.bottomMm)}
          fill={tint.colour}
        />
      ))}
      <Grains texture={texture} x={x} width={width} from={surface} to={y(deepestMm)} />
      {ground.waterMm !== undefined && ground.waterMm < deepestMm && (
        <Layer
          x={x}
          width={width}
          from={y(ground.waterMm)}
          to={y(deepestMm)}
          fill="var(--water-deep)"
          opacity={0.45}
        />
      )}
      {ground.roots.map((root) => {
        const down = y(root.toMm) - surface
        return (
          <path
            key={root.x}
            d={`M${x + width * root.x} ${surface}q${width * 0.07 * root.bend} ${down / 2} ${width * -0.04 * root.bend} ${down}`}
            stroke="var(--soil-pale)"
            strokeWidth="1.4"
            fill="none"
            opacity="0.8"
          />
        )
      })}
      {ground.dots.map((dot, i) => (
        <g
          key={i}
          // a worm is drawn from its head to the right, and stays in the ground
          transform={`translate(${(x + width * (dot.kind === 'worms' ? 0.05 + 0.65 * dot.x : dot.x)).toFixed(1)} ${y(dot.mm).toFixed(1)})`}
        >
          <Dot kind={dot.kind} size={dot.size} />
        </g>
      ))}
      {ground.panMm !== undefined && (
        <path
          d={`M${x} ${y(ground.panMm)}h${width}`}
          stroke="#171310"
          strokeWidth="2.5"
          strokeDasharray="9 3"
        />
      )}
      {Array.from({ length: blades }, (_, i) => (
        <path
          key={i}
          d={`M${x + (width * (i + 0.5)) / blades} ${surface}q ${(i % 3) - 1} -10 ${((i * 5) % 9) - 4} -${11 + ((i * 7) % 12)}`}
          stroke="#4a7a3c"
          strokeWidth="1.6"
          fill="none"
        />
      ))}
    </g>
  )
}

function Layer({
  x,
  width,
  from,
  to,
  fill,
  opacity,
}: {
  x: number
  width: number
  from: number
  to: number
  fill: string
  opacity?: number
}) {
  return <rect x={x} width={width} y={from} height={Math.max(0, to - from)} fill={fill} opacity={opacity} />
}

function Dot({ kind, size }: { kind: string; size: number }) {
  switch (kind) {
    case 'worms':
      return (
        <g transform={`scale(${0.3 + 0.15 * size}) rotate(${Math.round(size * 720) % 50} 0 0)`}>
          <Worm adult={size > 0.65} />
        </g>
      )
    case 'stones':
      return <ellipse rx={6 * size} ry={4 * size} fill="#a9a79d" stroke="#6d6a60" strokeWidth="0.8" />
    case 'mottles':
      return <ellipse rx={3.6 * size} ry={2.8 * size} fill="#b5622f" />
    default:
      return <rect x={-1.4} y={-1.4} width={2.8} height={2.8} fill="#f3f1ea" transform="rotate(20)" />
  }
}

/** Sand shows coarse grains, clay a smooth face: the ground looks a little like what it is. */
function Grains({
  texture,
  x,
  width,
  from,
  to,
}: {
  texture?: string
  x: number
  width: number
  from: number
  to: number
}) {
  const sandy = texture?.includes('sand')
  const number = Math.round((width / 130) * (texture?.includes('clay') ? 40 : sandy ? 170 : 90))
  return Array.from({ length: to > from + 20 ? number : 0 }, (_, i) => (
    <circle
      key={i}
      cx={x + 4 + ((i * 73) % (width - 8))}
      cy={from + 8 + ((i * 131) % (to - from - 14))}
      r={sandy ? 1.1 + (i % 3) * 0.5 : 0.8 + (i % 2) * 0.4}
      fill="var(--soil-pale)"
      opacity="0.24"
    />
  ))
}
