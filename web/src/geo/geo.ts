/** Longitude and latitude, degrees. */
export type Point = [number, number]

/** Metres about a point, by the lengths of a degree there (WGS 84): true to centimetres over a farm. */
export type Frame = { longitude: number; latitude: number; east: number; north: number }

const rad = Math.PI / 180

export function frameAt([longitude, latitude]: Point): Frame {
  const phi = latitude * rad
  return {
    longitude,
    latitude,
    east: Math.max(1e-3, 111_412.84 * Math.cos(phi) - 93.5 * Math.cos(3 * phi) + 0.118 * Math.cos(5 * phi)),
    north: 111_132.954 - 559.822 * Math.cos(2 * phi) + 1.175 * Math.cos(4 * phi),
  }
}

/** Metres east and north of the frame's point. */
export function toMetres(frame: Frame, [longitude, latitude]: Point): [number, number] {
  return [(longitude - frame.longitude) * frame.east, (latitude - frame.latitude) * frame.north]
}

/** The point so many metres east and north; to a centimetre. */
export function toDegrees(frame: Frame, [east, north]: [number, number]): Point {
  const round = (degrees: number) => Math.round(degrees * 1e7) / 1e7
  return [round(frame.longitude + east / frame.east), round(frame.latitude + north / frame.north)]
}

const COMPASS = ['north', 'north-east', 'east', 'south-east', 'south', 'south-west', 'west', 'north-west']

/** How far and which way from one point to another. */
export function wayTo(from: Point, to: Point) {
  const [east, north] = toMetres(frameAt(from), to)
  const bearing = (Math.atan2(east, north) / rad + 360) % 360
  return { metres: Math.hypot(east, north), bearing, word: COMPASS[Math.round(bearing / 45) % 8]! }
}

/** A shape with what is said of it. */
export type Shape = {
  kind: 'point' | 'line' | 'area'
  /** rings of one polygon, the first around the others, else one row of points for each part */
  parts: Point[][]
  properties: Record<string, unknown>
}

type Tree = {
  type?: unknown
  coordinates?: unknown
  geometry?: unknown
  features?: unknown
  properties?: unknown
}

const isPoint = (tree: unknown): tree is Point =>
  Array.isArray(tree) && typeof tree[0] === 'number' && typeof tree[1] === 'number'

function points(tree: unknown): Point[] {
  return Array.isArray(tree) ? tree.filter(isPoint).map(([x, y]): Point => [x, y]) : []
}

const each = (tree: unknown): unknown[] => (Array.isArray(tree) ? tree : [])

function shapeOf(tree: Tree, properties: Record<string, unknown>): Shape | undefined {
  switch (tree.type) {
    case 'Point':
      return isPoint(tree.coordinates)
        ? { kind: 'point', parts: [[tree.coordinates]], properties }
        : undefined
    case 'LineString':
      return { kind: 'line', parts: [points(tree.coordinates)], properties }
    case 'MultiLineString':
      return { kind: 'line', parts: each(tree.coordinates).map(points), properties }
    case 'Polygon':
      return { kind: 'area', parts: each(tree.coordinates).map(points), properties }
    default:
      return undefined
  }
}

/** Every shape in the text of a GeoJSON object; none where it can't be read. */
export function shapesOf(text: string | undefined): Shape[] {
  if (!text) return []
  try {
    return shapesIn(JSON.parse(text))
  } catch {
    return []
  }
}

/** Several polygons are several shapes, each with its own holes, and the same is said of each. */
function wholeOf(tree: Tree, properties: Record<string, unknown>): Shape[] {
  const trees =
    tree.type === 'MultiPolygon'
      ? each(tree.coordinates).map((coordinates) => ({ type: 'Polygon', coordinates }))
      : [tree]
  return trees.flatMap((one) => shapeOf(one, properties) ?? [])
}

function shapesIn(tree: unknown): Shape[] {
  if (typeof tree !== 'object' || tree === null) return []
  const { type, features, geometry, properties } = tree as Tree
  if (type === 'FeatureCollection') return each(features).flatMap(shapesIn)
  if (type === 'Feature') {
    const said = (properties ?? {}) as Record<string, unknown>
    return typeof geometry === 'object' && geometry !== null ? wholeOf(geometry, said) : []
  }
  return wholeOf(tree, {})
}

const closed = (ring: Point[]) => {
  const first = ring[0]
  const last = ring.at(-1)
  return first && last && (first[0] !== last[0] || first[1] !== last[1]) ? [...ring, first] : ring
}

/** A drawn ring as the text of a polygon. */
export function polygonText(ring: Point[]) {
  return JSON.stringify({ type: 'Polygon', coordinates: [closed(ring)] })
}

/** Shapes as the text of a collection; areas are taken as rings of one polygon each. */
export function collectionText(shapes: Shape[]) {
  return JSON.stringify({
    type: 'FeatureCollection',
    features: shapes.map(({ kind, parts, properties }) => ({
      type: 'Feature',
      properties,
      geometry:
        kind === 'point'
          ? { type: 'Point', coordinates: parts[0]![0] }
          : kind === 'line'
            ? { type: 'LineString', coordinates: parts[0] }
            : { type: 'Polygon', coordinates: parts.map(closed) },
    })),
  })
}

/** Area within rings on the ground, ha: what lies in a hole does not count. */
export function hectares(rings: Point[][]) {
  const middle = rings[0]?.[0]
  if (!middle) return 0
  const frame = frameAt(middle)
  const sizes = rings.map((ring) => {
    const flat = closed(ring).map((point) => toMetres(frame, point))
    return Math.abs(
      flat.slice(1).reduce((sum, [x, y], i) => sum + (flat[i]![0] * y - x * flat[i]![1]) / 2, 0),
    )
  })
  return (sizes[0]! - sizes.slice(1).reduce((sum, size) => sum + size, 0)) / 10_000
}
