import { describe, expect, it } from 'vitest'
import {
  collectionText,
  frameAt,
  hectares,
  polygonText,
  shapesOf,
  toDegrees,
  toMetres,
  wayTo,
  type Point,
} from './geo'

describe('the ground in metres', () => {
  it('goes to metres and back to the centimetre', () => {
    const frame = frameAt([3.42, 53.81])
    for (const point of [
      [3.4255, 53.8123],
      [3.4101, 53.8],
    ] as Point[]) {
      const [east, north] = toMetres(frame, point)
      const back = toDegrees(frame, [east, north])
      expect(back[0]).toBeCloseTo(point[0], 6)
      expect(back[1]).toBeCloseTo(point[1], 6)
    }
  })

  it('knows the length of a degree: 111.2 km north, half of that east at 60°', () => {
    expect(wayTo([0, 0], [0, 1]).metres).toBeCloseTo(110_574, -2)
    expect(wayTo([0, 60], [1, 60]).metres).toBeCloseTo(55_800, -2)
  })

  it.each([
    [0, 0.001, 0, 'north'],
    [0.001, 0, 90, 'east'],
    [0, -0.001, 180, 'south'],
    [-0.001, 0, 270, 'west'],
    [0.001, 0.001, 45, 'north-east'],
    [-0.0001, 0.01, 359, 'north'],
  ])('says which way %f, %f lies', (east, north, bearing, word) => {
    const way = wayTo([0, 0], [east, north])
    expect(way.word).toBe(word)
    expect(Math.abs(way.bearing - bearing)).toBeLessThan(1.5)
  })

  it('measures an area less its holes', () => {
    const frame = frameAt([3.4, 53.8])
    const box = (from: number, to: number) =>
      (
        [
          [from, from],
          [to, from],
          [to, to],
          [from, to],
        ] as [number, number][]
      ).map((corner) => toDegrees(frame, corner))
    expect(hectares([box(0, 200)])).toBeCloseTo(4, 2)
    expect(hectares([box(0, 200), box(50, 150)])).toBeCloseTo(3, 2)
    expect(hectares([])).toBe(0)
  })
})

describe('GeoJSON', () => {
  const ring: Point[] = [
    [3.4, 53.8],
    [3.41, 53.8],
    [3.41, 53.81],
  ]

  it('closes what was drawn, and reads it back', () => {
    const [shape] = shapesOf(polygonText(ring))
    expect(shape!.kind).toBe('area')
    expect(shape!.parts[0]).toEqual([...ring, ring[0]])
  })

  it('keeps points, lines and areas with what is said of them', () => {
    const text = collectionText([
      { kind: 'point', parts: [[[3.4, 53.8]]], properties: { name: 'tree', metres: 20 } },
      { kind: 'line', parts: [ring.slice(0, 2)], properties: {} },
      { kind: 'area', parts: [ring], properties: { id: 'heavy' } },
    ])
    const shapes = shapesOf(text)
    expect(shapes.map((shape) => shape.kind)).toEqual(['point', 'line', 'area'])
    expect(shapes[0]!.properties).toEqual({ name: 'tree', metres: 20 })
    expect(shapes[2]!.properties['id']).toBe('heavy')
  })

  it('takes several areas and what is wrapped', () => {
    const several = { type: 'MultiPolygon', coordinates: [[ring], [ring, ring.slice(0, 3)]] }
    const shapes = shapesOf(JSON.stringify(several))
    // each with its own holes, not one with the others as its holes
    expect(shapes.map((shape) => shape.parts.length)).toEqual([1, 2])
    const feature = { type: 'Feature', properties: { id: 'two' }, geometry: several }
    expect(shapesOf(JSON.stringify(feature)).map((shape) => shape.properties['id'])).toEqual(['two', 'two'])
  })

  it.each(['', 'not JSON', '[]', '{"type":"Circle"}', '{"type":"Feature","geometry":null}', 'null'])(
    'finds nothing in %s',
    (text) => expect(shapesOf(text)).toEqual([]),
  )
})
