import { scaleLinear } from 'd3-scale'
import type { FaceLayout } from '../api/schema'

export type FaceBand = FaceLayout['bands'][number]

/** Where a depth is drawn in a face whose bands begin at these heights: stretched band by band, true within each. */
export function depthScale(layout: FaceLayout, tops: number[]): (mm: number) => number {
  const below = layout.bands.slice(1)
  const scale = scaleLinear()
    .domain([...below.map((band) => band.topMm), layout.deepestMm])
    .range([...below.map((_, i) => tops[i + 1] ?? 0), tops[layout.bands.length] ?? 0])
    .clamp(true)
  return (mm) => scale(mm)
}

const NAMED = 3

/** Names of what is folded away, as far as they are few: “structure, colour, pH and 6 more”. */
export function foldedNames(labels: string[]): string {
  const names = labels.map((label) =>
    /^pH\b/.test(label) ? label : label[0]!.toLowerCase() + label.slice(1),
  )
  if (names.length <= NAMED + 1) return names.join(', ')
  return `${names.slice(0, NAMED).join(', ')} and ${names.length - NAMED} more`
}
