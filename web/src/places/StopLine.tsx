import { useState } from 'react'
import type { Stop, StopWrite } from '../api/schema'
import { isRetired, placed } from '../fields/GroundMap'
import { wayTo, type Point } from '../geo/geo'
import { Button, Input, Labelled } from '../ui/controls'
import { useUnits } from '../units/units'

/** One stop: its name, its words, and whether it is walked any more. */
export function StopLine({
  stop,
  from,
  pending,
  onChange,
}: {
  stop: Stop
  from: Point | undefined
  pending: boolean
  onChange: (part: Partial<StopWrite>) => void
}) {
  const units = useUnits()
  const [open, setOpen] = useState(false)
  const [label, setLabel] = useState(stop.label)
  const [note, setNote] = useState(stop.note ?? '')
  const gone = isRetired(stop)
  const way = from && placed(stop) ? wayTo(from, [stop.longitude, stop.latitude]) : undefined
  return (
    <li className="grid gap-2 border-t border-rule py-1">
      <div className="flex min-h-11 flex-wrap items-center gap-x-3">
        <span className={gone ? 'text-soft line-through' : 'font-semibold'}>{stop.label}</span>
        <span className="mr-auto text-sm text-soft">
          {stop.note ?? (placed(stop) ? (stop.endLongitude === undefined ? '' : 'a line') : 'no place yet')}
          {way && ` ${units.text(Math.round(way.metres), 'm')} ${way.word} of the mark`}
        </span>
        <Button
          kind="quiet"
          aria-label={`${open ? 'Close' : 'Change'} ${stop.label}`}
          aria-expanded={open}
          onClick={() => setOpen(!open)}
        >
          {open ? 'Close' : 'Change'}
        </Button>
      </div>
      {open && (
        <form
          className="grid gap-3 pb-3"
          onSubmit={(event) => {
            event.preventDefault()
            onChange({ label, note: note || undefined })
          }}
        >
          <Labelled label="Name">
            {(aria) => <Input {...aria} value={label} onChange={(event) => setLabel(event.target.value)} />}
          </Labelled>
          <Labelled label="In words">
            {(aria) => (
              <Input
                {...aria}
                value={note}
                placeholder="gate, 40 paces towards the oak"
                onChange={(event) => setNote(event.target.value)}
              />
            )}
          </Labelled>
          <div className="flex flex-wrap gap-3">
            <Button kind="primary" type="submit" disabled={pending || label.trim() === ''}>
              Keep
            </Button>
            {from && (
              <Button disabled={pending} onClick={() => onChange({ longitude: from[0], latitude: from[1] })}>
                To the mark
              </Button>
            )}
            {gone ? (
              <Button disabled={pending} onClick={() => onChange({ retiredOn: undefined })}>
                Walk it again
              </Button>
            ) : (
              <Button
                disabled={pending}
                onClick={() => onChange({ retiredOn: new Date().toISOString().slice(0, 10) })}
              >
                Retire
              </Button>
            )}
          </div>
          <p className="text-sm text-soft">What was read at a retired stop stays.</p>
        </form>
      )}
    </li>
  )
}
