import { scaleLinear } from 'd3-scale'
import type { FaceLayout } from '../api/schema'

/** Where things lie across a drawn face, in pixels of the picture; brackets stand in lanes side by side. */
export const FACE = { rulerX: 46, soilX: 62, soilWidth: 132, gutterX: 204, lane: 7, rowsX: 292 }

/** The same where room is short: the ground gives way to the words. */
export const SLIM_FACE: typeof FACE = {
  rulerX: 42,
  soilX: 50,
  soilWidth: 34,
  gutterX: 92,
  lane: 5,
  rowsX: 142,
}

/** A face as the server has laid it out, with where a depth is drawn. */
export type LaidFace = FaceLayout & {
  y: (mm: number) => number
  /** depth below which the scale is squeezed; undefined on a shallow face */
  squeezedBelowMm: number | undefined
}

export function laid(layout: FaceLayout): LaidFace {
  const y = scaleLinear()
    .domain(layout.scale.map((point) => point.mm))
    .range(layout.scale.map((point) => point.y))
  const squeezedBelowMm = layout.scale.length > 2 ? layout.scale[1]!.mm : undefined
  return { ...layout, y: (mm) => y(mm), squeezedBelowMm }
}
