import { useRef, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react'

/** A place on a picture, as shares of its width and height from the top left. */
export type Spot = { x: number; y: number }

const within = (share: number) => Math.min(1, Math.max(0, share))
const percent = (share: number) => Math.round(share * 100)

/** A place on a picture that is moved by finger, mouse or arrow keys. */
export function Handle({
  label,
  at,
  width,
  height,
  onMove,
  onRemove,
  children,
}: {
  label: string
  at: Spot
  /** size of the picture in the units of the drawing */
  width: number
  height: number
  onMove: (at: Spot) => void
  onRemove?: () => void
  /** how it looks, drawn about its own middle */
  children: ReactNode
}) {
  const group = useRef<SVGGElement>(null)
  const held = useRef(false)
  const move = (event: PointerEvent<SVGGElement>) => {
    if (!held.current) return
    const matrix = group.current!.ownerSVGElement!.getScreenCTM()!.inverse()
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix)
    onMove({ x: within(point.x / width), y: within(point.y / height) })
  }
  const press = (event: KeyboardEvent) => {
    if (onRemove && (event.key === 'Delete' || event.key === 'Backspace')) {
      event.preventDefault()
      onRemove()
      return
    }
    const by = { ArrowUp: [0, -1], ArrowDown: [0, 1], ArrowLeft: [-1, 0], ArrowRight: [1, 0] }[event.key]
    if (!by) return
    event.preventDefault()
    const step = event.shiftKey ? 0.05 : 0.005
    onMove({ x: within(at.x + by[0]! * step), y: within(at.y + by[1]! * step) })
  }
  return (
    <g
      ref={group}
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuemin={0}
      aria-valuemax={100}
      aria-valuenow={percent(at.x)}
      aria-valuetext={`${percent(at.x)} % across, ${percent(at.y)} % down`}
      className="cursor-grab touch-none outline-offset-4 focus-visible:outline-3 focus-visible:outline-accent"
      transform={`translate(${at.x * width} ${at.y * height})`}
      onKeyDown={press}
      onPointerDown={(event) => {
        held.current = true
        event.currentTarget.setPointerCapture(event.pointerId)
      }}
      onPointerMove={move}
      onPointerUp={() => (held.current = false)}
      onPointerCancel={() => (held.current = false)}
    >
      {/* as large as a finger on a phone, whatever is drawn */}
      <circle r="64" fill="transparent" />
      {children}
    </g>
  )
}

/** A mark that shows on light and on dark ground: its own colour between two others. */
export function Ring({ radius, dashed = false }: { radius: number; dashed?: boolean }) {
  return (
    <g fill="none" strokeDasharray={dashed ? '5 4' : undefined}>
      <circle r={radius} stroke="#fff" strokeWidth="8" />
      <circle r={radius} stroke="#101813" strokeWidth="4" />
    </g>
  )
}
