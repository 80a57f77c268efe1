import type { Stop } from '../api/schema'
import { labelPlaces } from './labelPlaces'

type Ring = [number, number][]

function ring(boundary: string | undefined): Ring {
  if (!boundary) return []
  try {
    const polygon = JSON.parse(boundary) as { coordinates?: Ring[] }
    return polygon.coordinates?.[0] ?? []
  } catch {
    return []
  }
}

const WIDTH = 340
const HEIGHT = 210
const EDGE = 26

/** The outline of a field with its stops, north up, with a scale. No map behind it: it works without a network. */
export function FieldPlan({
  boundary,
  stops,
  odd,
}: {
  boundary: string | undefined
  stops: Stop[]
  odd: Set<string>
}) {
  const outline = ring(boundary)
  const placed = stops.filter((stop) => stop.longitude !== undefined && stop.latitude !== undefined)
  const points: Ring = [
    ...outline,
    ...placed.map((stop): [number, number] => [stop.longitude!, stop.latitude!]),
  ]
  if (points.length < 2) return null
  const middle = (points[0]![1] * Math.PI) / 180
  const flat = points.map(([east, north]) => [east * Math.cos(middle), north] as const)
  const west = Math.min(...flat.map((p) => p[0]))
  const south = Math.min(...flat.map((p) => p[1]))
  const wide = Math.max(...flat.map((p) => p[0])) - west || 1e-6
  const high = Math.max(...flat.map((p) => p[1])) - south || 1e-6
  const scale = Math.min((WIDTH - 2 * EDGE) / wide, (HEIGHT - 2 * EDGE) / high)
  const at = ([east, north]: [number, number]) =>
    [EDGE + (east * Math.cos(middle) - west) * scale, HEIGHT - EDGE - (north - south) * scale] as const
  const metre = scale / 111_320
  const bar = [10, 20, 50, 100, 200, 500].findLast((metres) => metres * metre <= 110) ?? 10
  const shown = (stop: Stop) => stop.label.replace(/^Stop /, '')
  const labels = labelPlaces(
    placed.map((stop) => {
      const [x, y] = at([stop.longitude!, stop.latitude!])
      return { x, y, text: shown(stop) }
    }),
    WIDTH,
  )
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full max-w-md"
      role="img"
      aria-label={`Plan with ${placed.length} stops: ${placed.map((stop) => stop.label).join(', ')}`}
    >
      {outline.length > 2 && (
        <path
          d={`M${outline.map((point) => at(point).join(' ')).join('L')}Z`}
          fill="var(--soil-pale)"
          fillOpacity="0.45"
          stroke="var(--strong-rule)"
          strokeWidth="1.5"
        />
      )}
      {placed.map((stop, i) => {
        const label = labels[i]!
        const [x, y] = at([stop.longitude!, stop.latitude!])
        return (
          <g key={stop.id}>
            <path
              d={`M${x} ${y} v-15 l9 3.5 -9 4`}
              fill={odd.has(stop.id) ? 'var(--level-strained)' : 'var(--accent)'}
              stroke="var(--ink)"
              strokeWidth="1.2"
            />
            <circle cx={x} cy={y} r="2" fill="var(--ink)" />
            <text x={label.x} y={label.y} fontSize="12" fill="var(--ink)" textAnchor={label.anchor}>
              {shown(stop)}
            </text>
          </g>
        )
      })}
      <g stroke="var(--soft)" fill="var(--soft)" fontSize="11">
        <path
          d={`M${WIDTH - EDGE - bar * metre} ${HEIGHT - 8}h${bar * metre}m0 -3v6m${-bar * metre} -6v6`}
          fill="none"
        />
        <text x={WIDTH - EDGE - bar * metre - 6} y={HEIGHT - 4} textAnchor="end" stroke="none">
          {bar} m
        </text>
        <path d={`M12 30v-18m-4 6l4 -6 4 6`} fill="none" />
        <text x="12" y="42" textAnchor="middle" stroke="none">
          N
        </text>
      </g>
    </svg>
  )
}
