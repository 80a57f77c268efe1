import { useState } from 'react'
import type { Fault } from '../api/client'
import type { ReadingEntry } from '../api/schema'
import type { Readings } from '../api/readings'
import { Button, Check, Choice, Input, Labelled, QuantityInput, Select } from '../ui/controls'
import { useMoney } from '../units/money'
import { asNumber, asNumbers, asReadings, asRows, asText, asTexts, counts, faultAt } from '../api/readings'

const MANY_OPTIONS = 6

type FormProps = {
  entries: ReadingEntry[]
  readings: Readings
  onChange: (readings: Readings) => void
  faults: Fault[] | undefined
  path?: string
}

/** A plain form for any method, made from the catalogue: names, units, limits and needs stand there once. */
export function ReadingForm({ entries, readings, onChange, faults, path = '' }: FormProps) {
  const optional = entries.filter((entry) => !entry.required && entry.type !== 'flag').length
  return (
    <div className="grid gap-4">
      {path === '' && optional > 1 && (
        <p className="text-sm text-soft">What you don’t know may stay empty.</p>
      )}
      {entries.map((entry, i) =>
        counts(entry, readings, entries) ? (
          <Reading
            key={`${entry.name}-${i}`}
            entry={entry}
            value={readings[entry.name]}
            onChange={(value) => onChange({ ...readings, [entry.name]: value })}
            faults={faults}
            path={path + entry.name}
          />
        ) : null,
      )}
    </div>
  )
}

function Reading({
  entry,
  value,
  onChange,
  faults,
  path,
}: {
  entry: ReadingEntry
  value: unknown
  onChange: (value: unknown) => void
  faults: Fault[] | undefined
  path: string
}) {
  const label = useMoney().label(entry.label, entry.unit)
  // an empty entry is not wrong yet
  const error = value === undefined ? undefined : faultAt(faults, path)
  switch (entry.type) {
    case 'number':
    case 'count':
      return (
        <QuantityInput
          label={label}
          unit={entry.unit ?? ''}
          value={asNumber(value)}
          onChange={onChange}
          error={error}
          help={entry.help ?? (entry.preset === undefined ? undefined : `usually ${String(entry.preset)}`)}
        />
      )
    case 'flag':
      return <Check label={entry.label} checked={value === true} onChange={onChange} />
    case 'word':
      return entry.options.length > MANY_OPTIONS ? (
        <Labelled label={label} error={error}>
          {(aria) => (
            <Select
              {...aria}
              value={asText(value) ?? ''}
              onChange={(event) => onChange(event.target.value || undefined)}
            >
              <option value="">choose …</option>
              {entry.options.map((option) => (
                <option key={option.code} value={option.code}>
                  {option.label}
                </option>
              ))}
            </Select>
          )}
        </Labelled>
      ) : (
        <Choice
          label={label}
          options={entry.options}
          value={asText(value)}
          onChange={onChange}
          error={error}
        />
      )
    case 'set':
      return (
        <SetOfWords entry={entry} label={label} value={asTexts(value)} onChange={onChange} error={error} />
      )
    case 'words':
      return <Tally entry={entry} label={label} value={asTexts(value)} onChange={onChange} error={error} />
    case 'numbers':
      return (
        <Numbers
          entry={entry}
          label={label}
          value={asNumbers(value)}
          onChange={onChange}
          faults={faults}
          path={path}
        />
      )
    case 'texts':
      return (
        <Labelled label={label} error={error} help="Names with commas between them">
          {(aria) => (
            <Input
              {...aria}
              value={asTexts(value)?.join(', ') ?? ''}
              onChange={(event) => {
                const names = event.target.value.split(',').map((name) => name.trimStart())
                onChange(event.target.value === '' ? undefined : names)
              }}
            />
          )}
        </Labelled>
      )
    case 'counts':
      return <Counts label={label} value={countsOf(value)} onChange={onChange} error={error} />
    case 'geojson':
      return <GeoJsonInput label={label} value={value} onChange={onChange} error={error} />
    case 'list':
      return <Rows entry={entry} value={asRows(value)} onChange={onChange} faults={faults} path={path} />
    case 'group':
      return (
        <fieldset className="border-l-3 border-rule pl-4">
          <legend className="mb-2 font-semibold">{label}</legend>
          <ReadingForm
            entries={entry.items.map((item) => ({ ...item, required: item.required && value !== undefined }))}
            readings={asReadings(value)}
            onChange={(group) =>
              onChange(Object.values(group).every((each) => each === undefined) ? undefined : group)
            }
            faults={value === undefined ? undefined : faults}
            path={`${path}.`}
          />
        </fieldset>
      )
    default:
      return (
        <Labelled label={label} error={error}>
          {(aria) => (
            <Input
              {...aria}
              value={asText(value) ?? ''}
              onChange={(event) => onChange(event.target.value || undefined)}
            />
          )}
        </Labelled>
      )
  }
}

/** A shape as the text of GeoJSON, pasted or from a file; handed on once it is JSON. */
function GeoJsonInput({
  label,
  value,
  onChange,
  error,
}: {
  label: string
  value: unknown
  onChange: (value: unknown) => void
  error: string | undefined
}) {
  const kept = value === undefined ? '' : JSON.stringify(value)
  const [text, setText] = useState(kept)
  const [told, setTold] = useState(kept)
  if (kept !== told) {
    // changed from outside
    setTold(kept)
    setText(kept)
  }
  const take = (next: string) => {
    setText(next)
    if (next.trim() === '') return onChange(undefined)
    try {
      const tree: unknown = JSON.parse(next)
      setTold(JSON.stringify(tree))
      onChange(tree)
    } catch {
      // half a paste: what is wrong is said below
    }
  }
  const unread = text !== '' && kept === '' ? 'This is not JSON yet.' : undefined
  return (
    <Labelled label={label} error={unread ?? error} help="GeoJSON, in longitude and latitude">
      {(aria) => (
        <textarea
          {...aria}
          rows={3}
          className="w-full rounded-sm border border-strong-rule bg-paper px-3 py-2 text-sm aria-invalid:border-2 aria-invalid:border-failing"
          value={text}
          onChange={(event) => take(event.target.value)}
        />
      )}
    </Labelled>
  )
}

/** Counts by name; what is no number is none. */
function countsOf(value: unknown): Record<string, number> {
  return Object.fromEntries(
    Object.entries(asReadings(value)).map(([name, count]) => [name, asNumber(count) ?? 0]),
  )
}

type WordsProps = {
  entry: ReadingEntry
  label: string
  value: string[]
  onChange: (value: unknown) => void
  error: string | undefined
}

function SetOfWords({ entry, label, value, onChange, error }: WordsProps) {
  const toggle = (code: string) => {
    const next = value.includes(code) ? value.filter((each) => each !== code) : [...value, code]
    onChange(next.length > 0 ? next : undefined)
  }
  return (
    <fieldset>
      <legend className="text-sm text-soft">{label}</legend>
      {entry.options.map((option) => (
        <Check
          key={option.code}
          label={option.label}
          checked={value.includes(option.code)}
          onChange={() => toggle(option.code)}
        />
      ))}
      {error && (
        <p role="alert" className="text-sm text-failing">
          {error}
        </p>
      )}
    </fieldset>
  )
}

/** The same few words over and over, such as what lies under each point: one tap each. */
function Tally({ entry, label, value, onChange, error }: WordsProps) {
  return (
    <fieldset className="grid gap-2">
      <legend className="text-sm text-soft">
        {label}: {value.length}
      </legend>
      <div className="flex flex-wrap gap-2">
        {entry.options.map((option) => (
          <Button key={option.code} onClick={() => onChange([...value, option.code])}>
            {option.label} {value.filter((each) => each === option.code).length}
          </Button>
        ))}
        <Button
          kind="quiet"
          disabled={value.length === 0}
          onClick={() => onChange(value.length > 1 ? value.slice(0, -1) : undefined)}
        >
          take one back
        </Button>
      </div>
      {error && (
        <p role="alert" className="text-sm text-failing">
          {error}
        </p>
      )}
    </fieldset>
  )
}

function Numbers({
  entry,
  label,
  value,
  onChange,
  faults,
  path,
}: {
  entry: ReadingEntry
  label: string
  value: number[]
  onChange: (value: unknown) => void
  faults: Fault[] | undefined
  path: string
}) {
  return (
    <fieldset className="grid gap-2">
      <legend className="text-sm text-soft">{label}</legend>
      <div className="grid grid-cols-2 gap-2 sm:grid-cols-3">
        {[...value, undefined].map((number, i) => (
          <QuantityInput
            key={i}
            label={`${i + 1}`}
            unit={entry.unit ?? ''}
            value={number}
            onChange={(next) => {
              const numbers = [...value]
              if (next === undefined) numbers.splice(i, 1)
              else numbers[i] = next
              onChange(numbers.length > 0 ? numbers : undefined)
            }}
            error={faultAt(faults, `${path}[${i}]`)}
          />
        ))}
      </div>
    </fieldset>
  )
}

function Counts({
  label,
  value,
  onChange,
  error,
}: {
  label: string
  value: Record<string, number>
  onChange: (value: unknown) => void
  error: string | undefined
}) {
  const rows = Object.entries(value)
  return (
    <fieldset className="grid gap-2">
      <legend className="text-sm text-soft">{label}</legend>
      {rows.map(([name, count], i) => (
        <div key={i} className="grid grid-cols-[1fr_8rem_auto] items-end gap-2">
          <Input
            aria-label={`Name of group ${i + 1}`}
            value={name}
            onChange={(event) =>
              onChange(
                Object.fromEntries(rows.map((row, k) => (k === i ? [event.target.value, row[1]] : row))),
              )
            }
          />
          <QuantityInput
            label="count"
            unit=""
            value={count}
            onChange={(next) => onChange({ ...value, [name]: next ?? 0 })}
          />
          <Button kind="quiet" onClick={() => onChange(Object.fromEntries(rows.filter((_, k) => k !== i)))}>
            remove
          </Button>
        </div>
      ))}
      <Button
        className="justify-self-start"
        onClick={() => onChange({ ...value, [`group ${rows.length + 1}`]: 1 })}
      >
        Add a group
      </Button>
      {error && (
        <p role="alert" className="text-sm text-failing">
          {error}
        </p>
      )}
    </fieldset>
  )
}

function Rows({
  entry,
  value,
  onChange,
  faults,
  path,
}: {
  entry: ReadingEntry
  value: Readings[]
  onChange: (value: unknown) => void
  faults: Fault[] | undefined
  path: string
}) {
  const whole = value.length > 0 ? faultAt(faults, path) : undefined
  return (
    <fieldset className="grid gap-3">
      <legend className="mb-1 font-semibold">{entry.label}</legend>
      {value.map((row, i) => (
        <div key={i} className="grid gap-2 border-l-3 border-rule pl-4">
          <div className="flex items-center justify-between">
            <span className="text-sm text-soft">{i + 1}</span>
            <Button kind="quiet" onClick={() => onChange(value.filter((_, k) => k !== i))}>
              remove
            </Button>
          </div>
          <ReadingForm
            entries={entry.items}
            readings={row}
            onChange={(next) => onChange(value.map((each, k) => (k === i ? next : each)))}
            faults={faults}
            path={`${path}[${i}].`}
          />
        </div>
      ))}
      {whole && (
        <p role="alert" className="text-sm text-failing">
          {whole}
        </p>
      )}
      <Button className="justify-self-start" onClick={() => onChange([...value, {}])}>
        Add
      </Button>
    </fieldset>
  )
}
