import { useRef, useState } from 'react'
import { useUnits } from '../../units/units'
import { Button, Check, Choice, QuantityInput } from '../../ui/controls'
import { MeterButton } from '../frame/MeterButton'
import type { CaptureProps } from '../frame/panel'
import { useEntry } from '../frame/entry'
import { PictureCapture } from '../frame/parts'

/** Conductivity, reading by reading, until they agree. */
export function SaltCapture(capture: CaptureProps<'salinity'>) {
  const entry = useEntry(capture)
  const { wantedReadings, alikeWithinShare } = entry.method.drawn
  const { readings, set } = entry
  const units = useUnits()
  const taken = readings.readings ?? []
  const [typed, setTyped] = useState<number>()
  const input = useRef<HTMLFormElement>(null)
  const add = (value: number) => set({ readings: [...taken, Math.round(value * 1000) / 1000] })
  return (
    <PictureCapture
      capture={capture}
      entry={entry}
      begun={taken.length > 0}
      instruction={
        taken.length < wantedReadings
          ? entry.say('next', { n: taken.length + 1 })
          : entry.say('enough', { wanted: wantedReadings })
      }
      picture={<Levels taken={taken} alikeWithin={alikeWithinShare} />}
    >
      <form
        ref={input}
        noValidate
        className="grid grid-cols-[1fr_auto] items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          if (typed === undefined) return
          add(typed)
          setTyped(undefined)
        }}
      >
        <QuantityInput
          big
          autoFocus
          label={`Reading ${taken.length + 1}`}
          unit="dS/m"
          value={typed}
          onChange={setTyped}
        />
        <Button kind="primary" type="submit" className="min-h-14" disabled={typed === undefined}>
          Read
        </Button>
      </form>
      <MeterButton
        instrument="conductivity-probe"
        capture={capture}
        label="Read from the probe"
        onReading={add}
      />
      {taken.length > 0 && (
        <ol aria-label="Readings" className="flex flex-wrap gap-x-5">
          {taken.map((value, i) => (
            <li key={i} className="flex items-center gap-2">
              <strong>{units.text(value, 'dS/m')}</strong>
              <Button
                kind="quiet"
                aria-label={`Remove the reading of ${value} dS/m`}
                onClick={() =>
                  set({ readings: taken.length > 1 ? taken.filter((_, k) => k !== i) : undefined })
                }
              >
                remove
              </Button>
            </li>
          ))}
        </ol>
      )}
      <Choice {...entry.choice('mode')} />
      <div className="grid grid-cols-2 gap-3">
        <QuantityInput {...entry.quantity('waterBlank')} label={`${entry.label('waterBlank')} (if read)`} />
        {readings.compensated === false && <QuantityInput {...entry.quantity('tempC')} />}
      </div>
      <Check {...entry.flag('compensated')} />
      <Check {...entry.flag('zeroChecked')} />
    </PictureCapture>
  )
}

/** Each reading beside the last: whether they still drift is seen before it is worked out. */
function Levels({ taken, alikeWithin }: { taken: number[]; alikeWithin: number }) {
  const units = useUnits()
  const most = Math.max(0.5, ...taken) * 1.2
  const y = (value: number) => 190 - (value / most) * 150
  const step = Math.min(70, 330 / Math.max(4, taken.length))
  const last = taken.slice(-2)
  const still =
    last.length === 2 && Math.abs(last[1]! - last[0]!) <= alikeWithin * Math.max(last[0]!, last[1]!)
  return (
    <svg
      viewBox="0 0 400 230"
      className="w-full max-w-[30rem]"
      role="img"
      aria-label={
        taken.length === 0
          ? 'No reading yet'
          : `${taken.map((value) => `${value} dS/m`).join(', ')}: ${still ? 'they agree' : 'not yet alike'}`
      }
    >
      <path d="M40 24V190H390" stroke="var(--strong-rule)" fill="none" />
      {taken.map((value, i) => (
        <g key={i}>
          <line
            x1={62 + i * step}
            x2={62 + i * step}
            y1="190"
            y2={y(value)}
            stroke="var(--water-deep)"
            strokeWidth="3"
          />
          <circle cx={62 + i * step} cy={y(value)} r="7" fill="var(--water-deep)" />
          <text x={62 + i * step} y={y(value) - 14} textAnchor="middle" fontSize="14" fill="var(--ink)">
            {units.number(value, 'dS/m')}
          </text>
          <text x={62 + i * step} y="210" textAnchor="middle" fontSize="14" fill="var(--soft)">
            {i + 1}
          </text>
        </g>
      ))}
      <text x="44" y="18" fontSize="14" fill="var(--soft)">
        {units.symbol('dS/m')}
      </text>
      {taken.length > 1 && (
        <text x="388" y="20" textAnchor="end" fontSize="15" fontWeight="700" fill="var(--ink)">
          {still ? 'they agree' : 'not yet alike'}
        </text>
      )}
    </svg>
  )
}
