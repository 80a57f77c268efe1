/** Angle of each hue page in CIE LCh, near enough for a screen; the eye compares soil with soil, not with this. */
const ANGLES: Record<string, number> = {
  '2.5YR': 46,
  '5YR': 56,
  '7.5YR': 66,
  '10YR': 76,
  '2.5Y': 86,
  '5Y': 98,
}

export type Notation = { hue?: string; value?: number; chroma?: number }

/** About what a notation looks like: lightness from value, strength from chroma. */
export function shownColour({ hue, value, chroma }: Notation) {
  return `lch(${(value ?? 5) * 10}% ${(chroma ?? 2) * 5.4} ${ANGLES[hue ?? '10YR'] ?? 76})`
}

/** From warm to cool with rising pH: a ramp of its own; the figure on each chip is what counts. */
export function chipColour(ph: number) {
  const share = Math.min(1, Math.max(0, (ph - 4) / 5))
  return `color-mix(in oklab, #b4772a ${Math.round((1 - share) * 100)}%, #1d5b74)`
}
