import { whole } from '../../api/readings'
import type { Entry } from '../frame/entry'
import { useUnits } from '../../units/units'
import { DragLine } from '../frame/parts'
import { QuantityInput } from '../../ui/controls'

const STEP_G = 50
const TRAY = { x: 16, base: 250, height: 200, width: 84, gap: 10 }

/** The tray after the drop: each size class dragged up to what it weighs, or by share by eye. */
export function ShatterTray({ entry }: { entry: Entry<'structure'> }) {
  const { readings, set, method } = entry
  const units = useUnits()
  const classes = whole(readings.fractions ?? method.usual.fractions, 'minMm', 'maxMm')
  const held = classes.some((each) => each.massG !== undefined)
  const fractions = classes.map((each) => ({ ...each, massG: each.massG ?? 0 }))
  const total = fractions.reduce((sum, each) => sum + each.massG, 0)
  const top = Math.max(1000, ...fractions.map((each) => each.massG))
  const put = (i: number, massG: number) =>
    set({ fractions: fractions.map((each, k) => (k === i ? { ...each, massG } : each)) })
  const y = (g: number) => TRAY.base - (g / top) * TRAY.height
  const name = (each: { minMm: number; maxMm: number }) =>
    `${units.number(each.minMm, 'mm')}–${units.text(each.maxMm, 'mm')}`
  return (
    <div className="grid gap-3">
      <svg viewBox="0 0 400 290" className="w-full max-w-[30rem] select-none">
        <path d="M8 30V254H392V30" fill="none" stroke="var(--ink)" strokeWidth="4" />
        {fractions.map((each, i) => {
          const x = TRAY.x + i * (TRAY.width + TRAY.gap)
          const size = [3, 7, 14, 26][i] ?? 26
          const pieces = Math.min(
            160,
            Math.round(((TRAY.base - y(each.massG)) * TRAY.width) / (size * size * 4)),
          )
          const columns = Math.max(1, Math.floor(TRAY.width / (size * 2)))
          return (
            <DragLine
              key={i}
              label={`Mass of the class ${name(each)}`}
              value={each.massG}
              text={units.text(each.massG, 'g')}
              min={0}
              max={method.drawn.mostG}
              step={STEP_G}
              toValue={(point) => ((TRAY.base - point.y) / TRAY.height) * top}
              onChange={(g) => put(i, g)}
            >
              <rect
                x={x}
                y={TRAY.base - TRAY.height - 16}
                width={TRAY.width}
                height={TRAY.height + 16}
                fill="var(--soil-pale)"
                opacity="0.5"
              />
              <g fill="var(--soil-2)" stroke="var(--soil-pale)">
                {Array.from({ length: pieces }, (_, k) => (
                  <circle
                    key={k}
                    cx={x + size + (k % columns) * size * 2}
                    cy={TRAY.base - size - Math.floor(k / columns) * size * 2}
                    r={size}
                  />
                ))}
              </g>
              <line
                x1={x}
                x2={x + TRAY.width}
                y1={y(each.massG)}
                y2={y(each.massG)}
                stroke="var(--ink)"
                strokeWidth="3"
              />
              <text x={x + TRAY.width / 2} y="274" textAnchor="middle" fontSize="14" fill="var(--soft)">
                {name(each)}
              </text>
              <text
                x={x + TRAY.width / 2}
                y="22"
                textAnchor="middle"
                fontSize="15"
                fontWeight="700"
                fill="var(--ink)"
              >
                {total > 0 ? `${Math.round((100 * each.massG) / total)} %` : '–'}
              </text>
            </DragLine>
          )
        })}
      </svg>
      <div className="grid grid-cols-2 gap-2 sm:grid-cols-4">
        {fractions.map((each, i) => (
          <QuantityInput
            key={i}
            label={name(each)}
            unit="g"
            value={held ? each.massG : undefined}
            onChange={(g) => put(i, g ?? 0)}
          />
        ))}
      </div>
    </div>
  )
}
