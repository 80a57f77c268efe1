/** Where a label begins, and to which side of it the text runs. */
export type LabelPlace = { x: number; y: number; anchor: 'start' | 'end' }

type Box = { left: number; right: number; top: number; bottom: number }

const LETTER = 6.4
const LINE = 13
/** Beside a flag: to the right below, to the left below, to the right above, to the left above. */
const TRIES: { dx: number; dy: number; anchor: 'start' | 'end' }[] = [
  { dx: 5, dy: 12, anchor: 'start' },
  { dx: -5, dy: 12, anchor: 'end' },
  { dx: 12, dy: -6, anchor: 'start' },
  { dx: -5, dy: -6, anchor: 'end' },
]

/** Puts a label beside each point so that labels keep off each other and inside the width, as far as four tries go. */
export function labelPlaces(points: { x: number; y: number; text: string }[], width: number): LabelPlace[] {
  const taken: Box[] = []
  return points.map(({ x, y, text }) => {
    const boxes = TRIES.map(({ dx, dy, anchor }) => {
      const from = x + dx
      const length = text.length * LETTER
      const left = anchor === 'start' ? from : from - length
      return { left, right: left + length, top: y + dy - LINE + 2, bottom: y + dy + 2 }
    })
    const found = boxes.findIndex(
      (box) => box.left >= 0 && box.right <= width && !taken.some((other) => overlap(box, other)),
    )
    const chosen = Math.max(0, found)
    taken.push(boxes[chosen]!)
    const { dx, dy, anchor } = TRIES[chosen]!
    return { x: x + dx, y: y + dy, anchor }
  })
}

function overlap(a: Box, b: Box) {
  return a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom
}
