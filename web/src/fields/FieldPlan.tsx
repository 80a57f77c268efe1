import type { Field, Stop } from '../api/schema'
import { shapesOf } from '../geo/geo'
import { GroundMap, isRetired, placed } from './GroundMap'

/** The ground of a field with its stops, small, north up, with a scale. */
export function FieldPlan({ field, stops, odd }: { field: Field; stops: Stop[]; odd: Set<string> }) {
  const outline = shapesOf(field.boundary)
  const walked = stops.filter((stop) => !isRetired(stop))
  const there = walked.filter(placed)
  if (outline.length === 0 && there.length < 2) return null
  return (
    <GroundMap
      outline={outline}
      zones={shapesOf(field.zones)}
      avoid={shapesOf(field.avoid)}
      stops={walked}
      odd={odd}
      width={340}
      height={210}
      className="w-full max-w-md"
      label={`Plan with ${there.length} stops: ${there.map((stop) => stop.label).join(', ')}`}
    />
  )
}
