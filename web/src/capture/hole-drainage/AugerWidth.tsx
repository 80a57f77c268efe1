import type { Envelope, Figure } from '../../api/schema'
import { FigureButton } from '../../ui/Working'
import { useUnits } from '../../units/units'

const DRAWN = { left: 8, top: 10, width: 96, deep: 88, floor: 118 }
const USUAL_WIDTH_MM = 300
const WIDEST_MM = 400

/** What the auger's width does to the fall: this hole, the same soil in a hole 300 mm wide, and the soil alone. */
export function AugerWidth({
  widthMm = USUAL_WIDTH_MM,
  rate,
  reference,
  soil,
  soilWords,
  envelope,
}: {
  widthMm?: number
  rate: Figure
  reference: Figure
  soil: Figure
  soilWords: string
  envelope: Envelope
}) {
  const units = useUnits()
  const most = Math.max(rate.value, reference.value, soil.value)
  const holes = [
    { key: 'this', words: `this hole, ${units.text(widthMm, 'mm')} wide`, figure: rate, mm: widthMm },
    {
      key: 'usual',
      words: `${units.text(USUAL_WIDTH_MM, 'mm')} wide`,
      figure: reference,
      mm: USUAL_WIDTH_MM,
    },
    { key: 'soil', words: `the soil itself: ${soilWords}`, figure: soil, mm: undefined },
  ]
  return (
    <ul aria-label="What the width of the hole does" className="grid grid-cols-3 gap-2">
      {holes.map(({ key, words, figure, mm }) => {
        const wide = mm === undefined ? DRAWN.width : (Math.min(mm, WIDEST_MM) / WIDEST_MM) * DRAWN.width
        const fall = most > 0 ? (figure.value / most) * DRAWN.deep : 0
        const x = DRAWN.left + (DRAWN.width - wide) / 2
        return (
          <li key={key} className="grid content-start">
            <svg viewBox="0 0 112 122" className="w-full max-w-28" aria-hidden>
              <rect x="0" y={DRAWN.top} width="112" height="112" fill="var(--soil-2)" />
              <rect x={x} y={DRAWN.top} width={wide} height={DRAWN.deep + 8} fill="var(--paper)" />
              <rect
                x={x}
                y={DRAWN.top + fall}
                width={wide}
                height={Math.max(0, DRAWN.deep + 8 - fall)}
                fill="var(--water)"
              />
              <line
                x1={x}
                x2={x + wide}
                y1={DRAWN.top + fall}
                y2={DRAWN.top + fall}
                stroke="var(--water-deep)"
                strokeWidth="3"
              />
            </svg>
            <FigureButton figure={figure} envelope={envelope} className="justify-self-start font-semibold" />
            <span className="text-sm leading-tight text-soft">{words}</span>
          </li>
        )
      })}
    </ul>
  )
}
