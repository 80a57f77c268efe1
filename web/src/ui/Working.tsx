import { useState } from 'react'
import type { Envelope, Figure } from '../api/schema'
import { useUnits } from '../units/units'
import { Panel } from './Panel'

/** A figure that opens how it was worked out. */
export function FigureButton({
  figure,
  envelope,
  text,
  className,
}: {
  figure: Figure
  envelope: Envelope
  /** how it is written, where that is not with its unit */
  text?: string
  className?: string
}) {
  const units = useUnits()
  const [open, setOpen] = useState(false)
  return (
    <>
      <button
        type="button"
        title="How this was worked out"
        onClick={() => setOpen(true)}
        className={`decoration-dotted underline-offset-4 max-lg:min-h-11 hover:underline ${className ?? ''}`}
      >
        {text ?? units.text(figure.value, figure.unit)}
      </button>
      <WorkingPanel envelope={envelope} open={open} onClose={() => setOpen(false)} />
    </>
  )
}

/** The spread of a figure, where it is known. */
export function Spread({ figure }: { figure: Figure }) {
  const units = useUnits()
  if (figure.low === undefined || figure.high === undefined) return null
  return (
    <span className="font-normal text-soft">
      {units.number(figure.low, figure.unit)}–{units.number(figure.high, figure.unit)}
    </span>
  )
}

export function WorkingPanel({
  envelope,
  open,
  onClose,
}: {
  envelope: Envelope
  open: boolean
  onClose: () => void
}) {
  return (
    <Panel title="How this was worked out" open={open} onClose={onClose}>
      <WorkingLines envelope={envelope} />
    </Panel>
  )
}

export function WorkingLines({ envelope }: { envelope: Envelope }) {
  const units = useUnits()
  return (
    <>
      <ol className="grid gap-5">
        {envelope.working.map((line, index) => (
          <li key={index} className="grid gap-1 border-t border-rule pt-3">
            <span className="text-sm text-soft">{line.label}</span>
            <span>{line.formula}</span>
            <span>{units.prose(line.numbers)}</span>
            <span className="text-lg font-bold">
              = {units.text(line.result.value, line.result.unit)} <Spread figure={line.result} />
            </span>
            <span className="text-sm text-soft">{line.source}</span>
          </li>
        ))}
      </ol>
      {units.system === 'us' && (
        <p className="mt-5 text-sm text-soft">Worked in metric units; figures are shown converted.</p>
      )}
    </>
  )
}
