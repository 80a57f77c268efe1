import { useState } from 'react'
import type { Entry } from '../frame/entry'
import { Button, Check, QuantityInput } from '../../ui/controls'
import { useUnits } from '../../units/units'

export type RodPush = { pushedToMm: number; stopsAtMm?: number; stiffAtMm?: number }

const FACE = { x: 62, y: 24, width: 320, height: 330 }
const ROD = 12

/** Pushes of a bare rod: how deep each went, and whether hand force stopped there. */
export function RodPushes({
  entry,
  pushes,
  onChange,
}: {
  entry: Entry<'penetration'>
  pushes: RodPush[]
  onChange: (pushes: RodPush[]) => void
}) {
  const units = useUnits()
  const [pushed, setPushed] = useState<number>()
  const [stiff, setStiff] = useState<number>()
  const [stopped, setStopped] = useState(false)
  const label = (name: 'pushedToMm' | 'stopsAtMm' | 'stiffAtMm') => entry.item('probes', name).label
  return (
    <>
      <form
        noValidate
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          if (pushed === undefined) return
          onChange([
            ...pushes,
            {
              pushedToMm: pushed,
              ...(stopped && { stopsAtMm: pushed }),
              ...(stiff !== undefined && { stiffAtMm: stiff }),
            },
          ])
          setPushed(undefined)
          setStiff(undefined)
          setStopped(false)
        }}
      >
        <div className="grid grid-cols-2 gap-3">
          <QuantityInput
            big
            autoFocus
            label={label('pushedToMm')}
            unit="mm"
            value={pushed}
            onChange={setPushed}
          />
          <QuantityInput
            big
            label={`${label('stiffAtMm')} (if it did)`}
            unit="mm"
            value={stiff}
            onChange={setStiff}
          />
        </div>
        <Check label={`${label('stopsAtMm')} that depth`} checked={stopped} onChange={setStopped} />
        <Button kind="primary" type="submit" className="min-h-13" disabled={pushed === undefined}>
          Next push
        </Button>
      </form>
      {pushes.length > 0 && (
        <ol aria-label="Pushes">
          {pushes.map((push, i) => (
            <li key={i} className="flex items-center gap-3 border-t border-rule text-[15px]">
              <span className="font-semibold">{i + 1}</span>
              <span className="grow">
                {push.stopsAtMm === undefined
                  ? `to ${units.text(push.pushedToMm, 'mm')}, not stopped`
                  : `stopped at ${units.text(push.stopsAtMm, 'mm')}`}
                {push.stiffAtMm !== undefined && `, stiff from ${units.text(push.stiffAtMm, 'mm')}`}
              </span>
              <Button
                kind="quiet"
                aria-label={`Remove push ${i + 1}`}
                onClick={() => onChange(pushes.filter((_, k) => k !== i))}
              >
                remove
              </Button>
            </li>
          ))}
        </ol>
      )}
    </>
  )
}

/** The rods side by side in the ground; a bar across where hand force stopped. */
export function Rods({
  pushes,
  deepestMm,
  stepMm,
}: {
  pushes: RodPush[]
  deepestMm: number
  stepMm: number
}) {
  const units = useUnits()
  const most = Math.min(2000, Math.max(deepestMm, ...pushes.map((push) => push.pushedToMm)))
  const y = (mm: number) => FACE.y + (Math.min(mm, most) / most) * FACE.height
  const gap = FACE.width / (pushes.length + 1)
  return (
    <svg
      viewBox="0 0 400 372"
      className="w-full max-w-[30rem]"
      role="img"
      aria-label={
        pushes.length === 0
          ? 'Nothing pushed yet'
          : pushes
              .map(
                (push, i) =>
                  `push ${i + 1}: ${push.stopsAtMm === undefined ? `${push.pushedToMm} mm, not stopped` : `stopped at ${push.stopsAtMm} mm`}`,
              )
              .join('; ')
      }
    >
      <rect x={FACE.x} y={FACE.y} width={FACE.width} height={FACE.height} fill="var(--soil-pale)" />
      {Array.from({ length: Math.floor(deepestMm / stepMm) + 1 }, (_, i) => i * stepMm).map((mm) => (
        <g key={mm}>
          <line x1={FACE.x} x2={FACE.x + FACE.width} y1={y(mm)} y2={y(mm)} stroke="var(--rule)" />
          <text x={FACE.x - 8} y={y(mm) + 4.5} textAnchor="end" fontSize="14" fill="var(--soft)">
            {units.number(mm, 'mm')}
          </text>
        </g>
      ))}
      <text x={FACE.x - 8} y={FACE.y - 10} textAnchor="end" fontSize="14" fill="var(--soft)">
        {units.symbol('mm')}
      </text>
      {pushes.map((push, i) => {
        const x = FACE.x + gap * (i + 1)
        const end = y(push.pushedToMm)
        return (
          <g key={i} stroke="var(--ink)" strokeWidth="3">
            <line x1={x} x2={x} y1={FACE.y - 18} y2={end} />
            {push.stiffAtMm !== undefined && (
              <line
                x1={x}
                x2={x}
                y1={y(push.stiffAtMm)}
                y2={end}
                stroke="var(--water-deep)"
                strokeWidth="6"
              />
            )}
            {push.stopsAtMm === undefined ? (
              <circle cx={x} cy={end} r="4" fill="var(--ink)" stroke="none" />
            ) : (
              <line x1={x - ROD} x2={x + ROD} y1={end} y2={end} strokeWidth="5" />
            )}
          </g>
        )
      })}
    </svg>
  )
}
