/** Where things lie on a drawn face, in pixels of the picture. */
export const FACE = { rulerX: 46, soilX: 62, soilWidth: 132, gutterX: 204, rowsX: 292, row: 28, pad: 10 }

export type Interval = { top: number; bottom: number }

/** Rows that were read at the same layer, under one bracket; above ground there is no layer. */
export type Group = { layer?: Interval; rows: number[]; lane: number }

/** The upper ground is drawn larger: most is read there. Below this depth the scale is squeezed. */
export const SQUEEZE_BELOW = 400
const UPPER_SHARE = 0.72

export type FaceLayout = {
  height: number
  surface: number
  bottom: number
  maxDepth: number
  squeezed: boolean
  y: (mm: number) => number
  groups: Group[]
  /** middle of each row, by the index of its finding */
  rowY: number[]
}

/** How deep the picture must go for these layers. */
export function deepest(layers: (Interval | undefined)[]) {
  const most = Math.max(0, ...layers.map((layer) => layer?.bottom ?? 0))
  return Math.max(400, Math.ceil((most + 40) / 100) * 100)
}

/** Lays the ground, its ruler and one row for each layer out: rows in order of depth, none over another. */
export function layFace(layers: (Interval | undefined)[], leastHeight = 500): FaceLayout {
  const above = layers.map((layer, i) => ({ layer, i })).filter((each) => !each.layer)
  const below = layers
    .map((layer, i) => ({ layer, i }))
    .filter((each) => each.layer)
    .sort(
      (a, b) =>
        a.layer!.top + a.layer!.bottom - b.layer!.top - b.layer!.bottom ||
        a.layer!.top - b.layer!.top ||
        a.i - b.i,
    )
  const surface = Math.max(52, above.length * FACE.row + FACE.pad)
  const soil = Math.max(leastHeight, below.length * FACE.row + 2 * FACE.pad)
  const bottom = surface + soil
  const maxDepth = deepest(layers)
  const squeezed = maxDepth > SQUEEZE_BELOW + 200
  const y = (mm: number) => {
    if (!squeezed) return surface + (soil * mm) / maxDepth
    const upper = soil * UPPER_SHARE
    return mm <= SQUEEZE_BELOW
      ? surface + (upper * mm) / SQUEEZE_BELOW
      : surface + upper + ((soil - upper) * (mm - SQUEEZE_BELOW)) / (maxDepth - SQUEEZE_BELOW)
  }
  const rowY: number[] = []
  above.forEach(({ i }, n) => (rowY[i] = surface - (above.length - n) * FACE.row + FACE.row / 2 - 4))
  const wanted = below.map(({ layer }) => y((layer!.top + layer!.bottom) / 2))
  const placed = spreadRows(wanted, FACE.row, bottom - FACE.pad, surface + FACE.pad + FACE.row / 2)
  below.forEach(({ i }, n) => (rowY[i] = placed[n]!))
  const groups: Group[] = above.length > 0 ? [{ rows: above.map(({ i }) => i), lane: 0 }] : []
  for (const { layer, i } of below) {
    const group = groups.at(-1)
    if (group?.layer && group.layer.top === layer!.top && group.layer.bottom === layer!.bottom)
      group.rows.push(i)
    else groups.push({ layer, rows: [i], lane: 0 })
  }
  const lane = lanes(groups.map((group) => group.layer ?? { top: -1, bottom: 0 }))
  groups.forEach((group, n) => (group.lane = lane[n]!))
  return { height: bottom + 8, surface, bottom, maxDepth, squeezed, y, groups, rowY }
}

/**
 * Moves rows apart so that each is legible: in order, at least `gap` from each other, as near to where they were
 * wanted as that allows, none below `limit` and none above `start`.
 */
export function spreadRows(wanted: number[], gap: number, limit: number, start = -Infinity): number[] {
  const rows: number[] = []
  wanted.forEach((y, i) => rows.push(Math.max(i === 0 ? start : rows[i - 1]! + gap, y)))
  for (let i = rows.length - 1, lowest = limit; i >= 0; i--, lowest = rows[i + 1]! - gap) {
    rows[i] = Math.min(rows[i]!, lowest)
  }
  return rows
}

/** A lane for each interval, so that brackets that overlap stand beside each other. */
export function lanes(intervals: Interval[]): number[] {
  const ends: number[][] = []
  return intervals.map(({ top, bottom }) => {
    let lane = ends.findIndex((taken) => taken.every((end) => end <= top))
    if (lane < 0) lane = ends.length
    ends[lane] = [...(ends[lane] ?? []), bottom]
    return lane
  })
}
