import { useRef, useState } from 'react'
import { asNumber, asReadings, asRows, type Readings, type ReadingsOf } from '../../api/readings'
import { range } from 'd3-array'
import { useUnits } from '../../units/units'
import { Button, Check, QuantityInput, Select, Labelled } from '../../ui/controls'
import { chipColour } from '../../drawings/colour'
import { MeterButton } from '../frame/MeterButton'
import type { CaptureProps } from '../frame/panel'
import { useEntry } from '../frame/entry'
import { PictureCapture } from '../frame/parts'

type Slice = NonNullable<ReadingsOf<'ph'>['layers']>[number]

const isRead = (slice: Slice) => slice.value !== undefined || slice.chipLow !== undefined

/** A core in slices: each takes a colour between two chips, or the figure of a meter. */
export function PhCapture(capture: CaptureProps<'ph'>) {
  const { draft } = capture
  const units = useUnits()
  const [used] = useState(() => localStorage.getItem('used:ph'))
  const entry = useEntry(capture, {
    meant: (readings) => ({ ...readings, layers: readings.layers?.filter(isRead) }),
  })
  const { drawn, groups } = entry.method
  const kinds = entry.options('kind')
  const kind =
    draft.content.readings.kind ?? kinds.find(({ code }) => code === used)?.code ?? entry.readings.kind!
  const slices = entry.readings.layers ?? []
  const read = slices.filter(isRead)
  const put = (next: Slice[], more = {}) => {
    draft.change({ ...draft.content, readings: { ...draft.content.readings, kind, layers: next, ...more } })
    // the test is of all its slices
    draft.move({ depthTopMm: next[0]?.topMm, depthBottomMm: next.at(-1)?.bottomMm })
  }
  const change = (i: number, part: Partial<Slice>) =>
    put(slices.map((each, k) => (k === i ? { ...each, ...part } : each)))
  const kit = groups.chips.includes(kind)
  const box = useRef<HTMLDivElement>(null)
  const open = slices.findIndex((each) => !isRead(each))
  const next = slices[open]
  const span = ({ topMm = 0, bottomMm = 0 }: Slice) =>
    `${units.number(topMm, 'mm')}–${units.text(bottomMm, 'mm')}`
  const waitsForColour = groups.settles.includes(kind)
  const chips = range(drawn.firstChip, drawn.lastChip + drawn.chipStep, drawn.chipStep)
  return (
    <PictureCapture
      capture={waitsForColour ? capture : { ...capture, method: { ...capture.method, timedSteps: [] } }}
      entry={entry}
      begun={read.length > 0}
      instruction={kit ? entry.say('chips') : entry.say('meter')}
      picture={<Core slices={slices} ph={entry.live?.envelope?.series['layers']} />}
    >
      <Labelled label={entry.label('kind')}>
        {(aria) => (
          <Select
            {...aria}
            value={kind}
            onChange={(event) => {
              localStorage.setItem('used:ph', event.target.value)
              const bare = slices.map(({ topMm, bottomMm }) => ({ topMm, bottomMm }))
              put(bare, { kind: kinds.find(({ code }) => code === event.target.value)?.code })
            }}
          >
            {kinds.map((option) => (
              <option key={option.code} value={option.code}>
                {option.label}
              </option>
            ))}
          </Select>
        )}
      </Labelled>
      <div ref={box} className="grid gap-3">
        {slices.map((slice, i) => {
          const name = span(slice)
          return (
            <div key={i} className="grid gap-1">
              {kit ? (
                <Chips name={name} chips={chips} slice={slice} onChange={(part) => change(i, part)} />
              ) : (
                <QuantityInput
                  label={name}
                  unit="pH"
                  autoFocus={i === 0 && read.length === 0}
                  value={slice.value}
                  onChange={(value) => change(i, { value })}
                  onEnter={() => box.current?.querySelectorAll('input')[i + 1]?.focus()}
                />
              )}
            </div>
          )
        })}
      </div>
      {!kit && next && (
        <MeterButton
          instrument="ph-meter"
          capture={capture}
          label={`Meter for ${span(next)}`}
          depthMm={((next.topMm ?? 0) + (next.bottomMm ?? 0)) / 2}
          onReading={(value) => change(open, { value: Math.round(value * 10) / 10 })}
        />
      )}
      <div className="flex gap-3">
        <Button
          onClick={() => {
            const topMm = slices.at(-1)?.bottomMm ?? 0
            put([...slices, { topMm, bottomMm: topMm + drawn.sliceMm }])
          }}
        >
          One slice deeper
        </Button>
        {slices.length > 1 && (
          <Button kind="quiet" onClick={() => put(slices.slice(0, -1))}>
            One less
          </Button>
        )}
      </div>
      {kit && <Check {...entry.flag('settled')} onChange={(settled) => put(slices, { settled })} />}
      <Check {...entry.flag('clayey')} onChange={(clayey) => put(slices, { clayey })} />
    </PictureCapture>
  )
}

function Chips({
  name,
  chips,
  slice,
  onChange,
}: {
  name: string
  chips: number[]
  slice: Slice
  onChange: (part: Partial<Slice>) => void
}) {
  const { chipLow, chipHigh } = slice
  const tap = (chip: number) => {
    // a first tap is one chip, a second one beside it makes a pair, another begins anew
    if (chipLow === undefined || chipLow !== chipHigh || Math.abs(chip - chipLow) > 0.5 || chip === chipLow)
      onChange({ chipLow: chip, chipHigh: chip, value: undefined })
    else onChange({ chipLow: Math.min(chip, chipLow), chipHigh: Math.max(chip, chipLow) })
  }
  return (
    <fieldset>
      <legend className="text-sm text-soft">
        {name}
        {chipLow !== undefined &&
          (chipLow === chipHigh ? `: ${chipLow}` : `: between ${chipLow} and ${chipHigh}`)}
      </legend>
      <div className="flex flex-wrap gap-1">
        {chips.map((chip) => {
          const on = chipLow !== undefined && chip >= chipLow && chip <= chipHigh!
          return (
            <button
              key={chip}
              type="button"
              aria-pressed={on}
              aria-label={`chip ${chip} at ${name}`}
              onClick={() => tap(chip)}
              className="min-h-11 min-w-11 rounded-full border-3 border-transparent text-[15px] font-semibold text-white aria-pressed:border-ink"
              style={{ background: chipColour(chip) }}
            >
              {chip}
            </button>
          )
        })}
      </div>
    </fieldset>
  )
}

/** The core lying in its tray, each slice in the colour of its reading, with the figures of both scales. */
function Core({ slices, ph }: { slices: Slice[]; ph: unknown }) {
  const units = useUnits()
  const rows = asRows(ph)
  const height = 330 / slices.length
  const figure = (row: Readings | undefined, name: string) =>
    asNumber(row?.[name]) ?? asNumber(asReadings(row?.[name]).value)
  let told = -1
  return (
    <svg
      viewBox="0 0 400 366"
      className="w-full max-w-[30rem]"
      role="img"
      aria-label={slices
        .map((each) => `${each.topMm} to ${each.bottomMm} mm: ${each.value ?? each.chipLow ?? 'not read'}`)
        .join(', ')}
    >
      {slices.map((slice, i) => {
        const read =
          slice.value ?? (slice.chipLow !== undefined ? (slice.chipLow + slice.chipHigh!) / 2 : undefined)
        if (read !== undefined) told++
        const row = read === undefined ? undefined : rows[told]
        const water = figure(row, 'phWater')
        const salt = figure(row, 'phCaCl2')
        const y = 20 + i * height
        return (
          <g key={i}>
            <path d={`M70 ${y}H190V${y + height - 3}H70Z`} fill={`var(--soil-${Math.min(5, i + 1)})`} />
            {read !== undefined && (
              <ellipse
                cx="130"
                cy={y + height / 2}
                rx="42"
                ry={Math.min(34, height / 2 - 8)}
                fill={chipColour(read)}
                stroke="var(--paper)"
                strokeWidth="3"
              />
            )}
            <text x="62" y={y + 5} textAnchor="end" fontSize="14" fill="var(--soft)">
              {units.number(slice.topMm ?? 0, 'mm')}
            </text>
            <text x="206" y={y + height / 2 + 2} fontSize="18" fontWeight="700" fill="var(--ink)">
              {read === undefined ? '·' : read.toFixed(1)}
            </text>
            {water !== undefined && (
              <text x="206" y={y + height / 2 + 20} fontSize="14" fill="var(--soft)">
                {water.toFixed(1)} in water{salt !== undefined && `, ${salt.toFixed(1)} in CaCl₂`}
              </text>
            )}
          </g>
        )
      })}
      <text x="62" y="355" textAnchor="end" fontSize="14" fill="var(--soft)">
        {units.text(slices.at(-1)?.bottomMm ?? 0, 'mm')}
      </text>
    </svg>
  )
}
