import { useRef, type PointerEvent, type ReactNode } from 'react'
import type { Stop } from '../api/schema'
import { frameAt, toDegrees, toMetres, type Point, type Shape } from '../geo/geo'
import { labelPlaces } from './labelPlaces'

export type MapScale = {
  at: (point: Point) => [number, number]
  back: (x: number, y: number) => Point
  /** units of the drawing for one metre */
  metre: number
}

const EDGE = 26
/** A place that is known by one point only is shown with so much around it. */
const LEAST_METRES = 120

/** How points lie on a drawing of this size: north up, everything in sight. */
export function mapScale(points: Point[], width: number, height: number): MapScale {
  const frame = frameAt(points[0] ?? [0, 0])
  const flat = points.map((point) => toMetres(frame, point))
  const xs = flat.map(([x]) => x)
  const ys = flat.map(([, y]) => y)
  const [west, east] = [Math.min(...xs, 0), Math.max(...xs, 0)]
  const [south, north] = [Math.min(...ys, 0), Math.max(...ys, 0)]
  const wide = Math.max(east - west, LEAST_METRES)
  const high = Math.max(north - south, LEAST_METRES)
  const metre = Math.min((width - 2 * EDGE) / wide, (height - 2 * EDGE) / high)
  const middle = [(west + east) / 2, (south + north) / 2] as const
  return {
    metre,
    at: (point) => {
      const [x, y] = toMetres(frame, point)
      return [width / 2 + (x - middle[0]) * metre, height / 2 - (y - middle[1]) * metre]
    },
    back: (x, y) =>
      toDegrees(frame, [(x - width / 2) / metre + middle[0], middle[1] - (y - height / 2) / metre]),
  }
}

const ringPath = (ring: Point[], at: MapScale['at']) =>
  `M${ring
    .map((point) =>
      at(point)
        .map((x) => x.toFixed(1))
        .join(' '),
    )
    .join('L')}Z`

export const placed = (stop: Stop): stop is Stop & { longitude: number; latitude: number } =>
  stop.longitude !== undefined && stop.latitude !== undefined

export const isRetired = (stop: Stop) => stop.retiredOn !== undefined

/** Outline, zones, what is kept off, and stops; no map behind it: it works without a network. */
export function GroundMap({
  outline,
  zones = [],
  avoid = [],
  stops,
  odd,
  width,
  height,
  around = [],
  label,
  className,
  onPoint,
  onDrag,
  children,
}: {
  outline: Shape[]
  zones?: Shape[]
  avoid?: Shape[]
  stops: Stop[]
  odd?: Set<string>
  width: number
  height: number
  /** further points that must be in sight */
  around?: Point[]
  label: string
  className?: string
  /** called with the place that was tapped */
  onPoint?: (point: Point) => void
  /** called while a stop is dragged, and once it is let go */
  onDrag?: (stop: Stop, point: Point, done: boolean) => void
  children?: (scale: MapScale) => ReactNode
}) {
  const svg = useRef<SVGSVGElement>(null)
  const dragged = useRef<{ stop: Stop; moved: boolean }>(undefined)
  const shown = stops.filter(placed)
  const all = [...outline, ...zones, ...avoid].flatMap((shape) => shape.parts.flat())
  const points = [
    ...all,
    ...shown.map((stop): Point => [stop.longitude, stop.latitude]),
    ...shown
      .filter((stop) => stop.endLongitude !== undefined)
      .map((stop): Point => [stop.endLongitude!, stop.endLatitude!]),
    ...around,
  ]
  const scale = mapScale(points, width, height)
  const { at, metre } = scale
  const bar = [10, 20, 50, 100, 200, 500].findLast((metres) => metres * metre <= 110) ?? 10
  const name = (stop: Stop) => stop.label.replace(/^Stop /, '')
  const labels = labelPlaces(
    shown.map((stop) => {
      const [x, y] = at([stop.longitude, stop.latitude])
      return { x, y, text: name(stop) }
    }),
    width,
  )
  const pointOf = (event: PointerEvent) => {
    const box = svg.current!.getBoundingClientRect()
    const fit = Math.min(box.width / width, box.height / height) || 1
    return scale.back(
      (event.clientX - box.left - (box.width - width * fit) / 2) / fit,
      (event.clientY - box.top - (box.height - height * fit) / 2) / fit,
    )
  }
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${width} ${height}`}
      className={className}
      role="img"
      aria-label={label}
      style={onPoint || onDrag ? { touchAction: 'none' } : undefined}
      onPointerMove={(event) => {
        if (!dragged.current) return
        dragged.current.moved = true
        onDrag?.(dragged.current.stop, pointOf(event), false)
      }}
      onPointerUp={(event) => {
        const drag = dragged.current
        dragged.current = undefined
        if (drag?.moved) onDrag?.(drag.stop, pointOf(event), true)
        else if (!drag) onPoint?.(pointOf(event))
      }}
    >
      <defs>
        <pattern
          id="kept-off"
          width="7"
          height="7"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <path d="M0 0v7" stroke="var(--strong-rule)" strokeWidth="2" />
        </pattern>
      </defs>
      {outline.map((shape, i) => (
        <path
          key={i}
          d={shape.parts.map((ring) => ringPath(ring, at)).join('')}
          fill="var(--soil-pale)"
          fillOpacity="0.55"
          fillRule="evenodd"
          stroke="var(--strong-rule)"
          strokeWidth="1.5"
        />
      ))}
      {zones.map((shape, i) => {
        const ring = shape.parts[0] ?? []
        const spots = ring.map(at)
        const middle = spots.reduce(
          ([x, y], [a, b]) => [x + a / spots.length, y + b / spots.length] as [number, number],
          [0, 0] as [number, number],
        )
        return (
          <g key={i}>
            <path
              d={shape.parts.map((part) => ringPath(part, at)).join('')}
              fill={`var(--soil-${(i % 4) + 2})`}
              fillOpacity="0.22"
              stroke="var(--soil-2)"
              strokeDasharray="5 4"
            />
            <text x={middle[0]} y={middle[1]} fontSize="14" textAnchor="middle" fill="var(--soft)">
              {String(shape.properties['id'] ?? '')}
            </text>
          </g>
        )
      })}
      {avoid.map((shape, i) => {
        const metres = typeof shape.properties['metres'] === 'number' ? shape.properties['metres'] : 15
        const look = { stroke: 'var(--strong-rule)', strokeWidth: 1.5 }
        if (shape.kind === 'area')
          return (
            <path
              key={i}
              d={shape.parts.map((r) => ringPath(r, at)).join('')}
              fill="url(#kept-off)"
              {...look}
            />
          )
        if (shape.kind === 'line')
          return (
            <polyline
              key={i}
              points={(shape.parts[0] ?? []).map((point) => at(point).join(',')).join(' ')}
              fill="none"
              stroke="url(#kept-off)"
              strokeWidth={Math.max(3, 2 * metres * metre)}
            />
          )
        const [x, y] = at(shape.parts[0]![0]!)
        return (
          <circle key={i} cx={x} cy={y} r={Math.max(4, metres * metre)} fill="url(#kept-off)" {...look} />
        )
      })}
      {shown.map((stop, i) => {
        const spot = labels[i]!
        const [x, y] = at([stop.longitude, stop.latitude])
        const gone = isRetired(stop)
        return (
          <g
            key={stop.id}
            opacity={gone ? 0.45 : 1}
            className={onDrag && !gone ? 'cursor-grab' : undefined}
            onPointerDown={(event) => {
              if (!onDrag || gone) return
              dragged.current = { stop, moved: false }
              svg.current?.setPointerCapture?.(event.pointerId)
            }}
          >
            {stop.endLongitude !== undefined && (
              <path
                d={`M${x} ${y}L${at([stop.endLongitude, stop.endLatitude!]).join(' ')}`}
                stroke="var(--ink)"
                strokeWidth="2"
                strokeDasharray="2 3"
              />
            )}
            {onDrag && <circle cx={x} cy={y - 6} r="18" fill="transparent" />}
            <path
              d={`M${x} ${y} v-15 l9 3.5 -9 4`}
              fill={gone ? 'var(--paper)' : odd?.has(stop.id) ? 'var(--level-strained)' : 'var(--accent)'}
              stroke="var(--ink)"
              strokeWidth="1.2"
            />
            <circle cx={x} cy={y} r="2" fill="var(--ink)" />
            <text x={spot.x} y={spot.y} fontSize="14" fill="var(--ink)" textAnchor={spot.anchor}>
              {name(stop)}
            </text>
          </g>
        )
      })}
      {children?.(scale)}
      <g stroke="var(--soft)" fill="var(--soft)" fontSize="14">
        <path
          d={`M${width - EDGE - bar * metre} ${height - 8}h${bar * metre}m0 -3v6m${-bar * metre} -6v6`}
          fill="none"
        />
        <text x={width - EDGE - bar * metre - 6} y={height - 4} textAnchor="end" stroke="none">
          {bar} m
        </text>
        <path d="M12 30v-18m-4 6l4 -6 4 6" fill="none" />
        <text x="12" y="42" textAnchor="middle" stroke="none">
          N
        </text>
      </g>
    </svg>
  )
}
