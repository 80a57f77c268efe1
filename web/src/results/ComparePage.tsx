import { useQuery } from '@tanstack/react-query'
import { useRef } from 'react'
import { useParams, useSearchParams } from 'react-router'
import { SavableChart } from '../charts/SavePicture'
import { queries } from '../queries/queries'
import type { ComparedPlace, ComparisonView, DifferenceView, Stop } from '../api/schema'
import { showDay } from '../words/dates'
import { FieldNav } from '../fields/FieldNav'
import { figureText } from '../fields/finding'
import { depthScale } from '../fields/faceLayout'
import { Ground } from '../fields/Ground'
import { Select } from '../ui/controls'
import { asLevel, CrumbShape, levelFill } from '../ui/levels'
import { Failed, Loading } from '../ui/states'
import { useWidth } from '../ui/useWidth'
import { useUnits } from '../units/units'

/** Two places or dates side by side: two faces joined by what differs most. */
export function ComparePage() {
  const { id } = useParams()
  const [search, setSearch] = useSearchParams()
  const field = useQuery(queries.field(id!))
  const stops = field.data?.stops ?? []
  const [first, second] = usual(stops)
  const side = (prefix: string, fallback: Place): Side => {
    const chosen = ['field', 'stop', 'patch', 'visit'].some((key) => search.has(prefix + key))
    return {
      field: search.get(`${prefix}field`) ?? id!,
      stop: chosen ? (search.get(`${prefix}stop`) ?? undefined) : fallback.stop,
      patch: chosen ? (search.get(`${prefix}patch`) ?? undefined) : fallback.patch,
      visit: search.get(`${prefix}visit`) ?? undefined,
    }
  }
  const one = side('', first)
  const other = side('other-', second)
  const comparison = useQuery({ ...queries.compare(one, other), enabled: field.isSuccess })
  if (field.isPending) return <Loading what="the field" />
  if (field.isError) return <Failed error={field.error} retry={() => field.refetch()} />
  const choose = (prefix: string, next: Side) =>
    setSearch(
      (old) => {
        for (const key of ['field', 'stop', 'patch', 'visit'] as const) old.delete(prefix + key)
        old.set(`${prefix}field`, next.field)
        if (next.stop) old.set(`${prefix}stop`, next.stop)
        if (next.patch) old.set(`${prefix}patch`, next.patch)
        if (next.visit) old.set(`${prefix}visit`, next.visit)
        return old
      },
      { replace: true },
    )
  return (
    <div className="grid content-start gap-5 px-5 py-6 sm:px-7">
      <header>
        <h1 className="text-3xl">
          {field.data.field.name} <span className="text-xl font-normal text-soft">compared</span>
        </h1>
        <FieldNav id={id!} />
      </header>
      <details className="border-y border-rule">
        <summary className="min-h-12 cursor-pointer content-center">
          <strong>{comparison.data ? sentenceOf(comparison.data) : '…'}</strong>{' '}
          <span className="text-accent">· change</span>
        </summary>
        <div className="grid gap-4 pb-4 sm:grid-cols-2">
          <Chooser label="One" side={one} onChange={(next) => choose('', next)} />
          <Chooser label="The other" side={other} onChange={(next) => choose('other-', next)} />
        </div>
      </details>
      {comparison.isPending && <Loading what="the comparison" />}
      {comparison.isError && <Failed error={comparison.error} retry={() => comparison.refetch()} />}
      {comparison.data && (
        <div className="grid gap-8 lg:grid-cols-[minmax(0,3fr)_minmax(20rem,2fr)]">
          <div className="grid content-start gap-2">
            <Heads one={comparison.data.one} other={comparison.data.other} />
            <TwoFaces comparison={comparison.data} />
          </div>
          <Sentences differences={comparison.data.differences} nothing={comparison.data.nothing} />
        </div>
      )}
    </div>
  )
}

type Place = { stop?: string; patch?: string }
type Side = Place & { field: string; visit?: string }

/** What a comparison is mostly for: the poor patch against the good one; else the routine stops against the reference. */
function usual(stops: Stop[]): [Place, Place] {
  const has = (role: string) => stops.some((stop) => stop.role === role)
  if (has('poor') && has('good')) return [{ patch: 'poor' }, { patch: 'good' }]
  for (const role of ['good', 'reference', 'poor', 'wheel-track'])
    if (has('routine') && has(role)) return [{ patch: 'routine' }, { patch: role }]
  return [{ stop: stops[1]?.id ?? stops[0]?.id }, { stop: stops[0]?.id }]
}

const PATCHES: Record<string, string> = {
  routine: 'The routine stops',
  poor: 'The poor patch',
  good: 'The good patch',
  reference: 'The reference',
  'wheel-track': 'The wheel track',
  control: 'What was left alone',
}

/** The whole choice in one line. */
function sentenceOf({ one, other }: ComparisonView) {
  const name = (place: ComparedPlace, alone: boolean) =>
    `${alone || place.field === place.name ? place.name : `${place.name} of ${place.field}`}`
  const same = one.fieldId === other.fieldId
  const on = (place: ComparedPlace) => (place.visitedOn ? showDay(place.visitedOn) : 'newest')
  const text = `${name(one, same)} against ${name(other, same)}, ${
    on(one) === on(other) ? on(one) : `${on(one)} against ${on(other)}`
  }`
  return text.charAt(0).toUpperCase() + text.slice(1)
}

function Chooser({ label, side, onChange }: { label: string; side: Side; onChange: (side: Side) => void }) {
  const fields = useQuery(queries.fields({ order: 'name' })).data ?? []
  const chosen = useQuery(queries.field(side.field)).data
  return (
    <fieldset className="grid grid-cols-2 items-end xl:grid-cols-3 gap-2 border-t border-strong-rule pt-2">
      <legend className="pr-3 font-bold">{label}</legend>
      <label className="col-span-2 grid gap-1 text-sm text-soft xl:col-span-1">
        Field
        <Select value={side.field} onChange={(event) => onChange({ field: event.target.value })}>
          {!fields.some((each) => each.id === side.field) && chosen && (
            <option value={side.field}>{chosen.field.name}</option>
          )}
          {fields.map((each) => (
            <option key={each.id} value={each.id}>
              {each.name}
            </option>
          ))}
        </Select>
      </label>
      <label className="grid gap-1 text-sm text-soft">
        Place
        <Select
          value={side.stop ? `stop ${side.stop}` : side.patch ? `patch ${side.patch}` : ''}
          onChange={(event) => {
            const [kind, name] = event.target.value.split(' ')
            onChange({ field: side.field, visit: side.visit, ...(kind && { [kind]: name }) })
          }}
        >
          <option value="">all that speaks for the field</option>
          {[...new Set(chosen?.stops.map((stop) => stop.role) ?? [])].map((role) => (
            <option key={role} value={`patch ${role === 'control' ? 'left-alone' : role}`}>
              {PATCHES[role]}
            </option>
          ))}
          {chosen?.stops.map((stop) => (
            <option key={stop.id} value={`stop ${stop.id}`}>
              {stop.label}
            </option>
          ))}
        </Select>
      </label>
      <label className="grid gap-1 text-sm text-soft">
        Date
        <Select
          value={side.visit ?? ''}
          onChange={(event) => onChange({ ...side, visit: event.target.value || undefined })}
        >
          <option value="">newest</option>
          {chosen?.visits.map((visit) => (
            <option key={visit.id} value={visit.id}>
              {showDay(visit.visitedOn)}
            </option>
          ))}
        </Select>
      </label>
    </fieldset>
  )
}

/** Before the page knows how much room there is. */
const USUAL_WIDTH = 720

/** Both faces on one scale, with what differs between them at its depth, the strongest of a band first. */
function TwoFaces({ comparison }: { comparison: ComparisonView }) {
  const units = useUnits()
  const place = useRef<HTMLDivElement>(null)
  const width = useWidth(place) || USUAL_WIDTH
  const { one, other, layout, differences } = comparison
  const slim = width < 560
  const soil = slim ? 48 : 104
  const rowHeight = slim ? 44 : 30
  const bands = layout.bands.map((band) => {
    const shown = band.shown.filter((index) => differences[index]!.defensible)
    const alike = band.shown.length - shown.length + band.folded.length
    return { ...band, shown, alike, height: Math.max(48, shown.length * rowHeight + (alike ? 26 : 0) + 14) }
  })
  const tops = bands.reduce((sum, band) => [...sum, sum.at(-1)! + band.height], [0])
  const height = tops.at(-1)!
  const y = depthScale(layout, tops)
  const right = width - soil
  return (
    <SavableChart title={`${nameOf(one)} and ${nameOf(other)}, by depth`} unit={units.symbol('mm')}>
      <div ref={place}>
        <svg width={width} height={height + 14} className="overflow-visible" aria-hidden fontSize="14">
          <Ground ground={one.ground} y={y} deepestMm={layout.deepestMm} texture={one.texture} width={soil} />
          <Ground
            ground={other.ground}
            y={y}
            deepestMm={layout.deepestMm}
            texture={other.texture}
            x={right}
            width={soil}
          />
          <line x1="0" x2={width} y1={tops[1]} y2={tops[1]} stroke="var(--ink)" strokeWidth="2" />
          {bands.map((band, i) => (
            <g key={band.band}>
              {i > 1 && <line x1={soil} x2={right} y1={tops[i]} y2={tops[i]} stroke="var(--rule)" />}
              {band.shown.map((index, n) => (
                <Strand
                  key={index}
                  difference={differences[index]!}
                  y={tops[i]! + 7 + (n + 0.5) * rowHeight}
                  from={soil}
                  to={right}
                  slim={slim}
                  units={units}
                />
              ))}
              {band.alike > 0 && (
                <text
                  x={width / 2}
                  y={tops[i + 1]! - 14}
                  textAnchor="middle"
                  fill="var(--soft)"
                  fontSize="13"
                >
                  {band.alike} alike
                </text>
              )}
              {band.shown.length === 0 && band.alike === 0 && (
                <text
                  x={width / 2}
                  y={(tops[i]! + tops[i + 1]!) / 2 + 5}
                  textAnchor="middle"
                  fill="var(--soft)"
                  fontSize="13"
                >
                  not read in both
                </text>
              )}
              {i > 0 && (
                <text x={soil + 5} y={tops[i]! + 13} fill="var(--soft)" fontSize="12">
                  {units.number(band.topMm, 'mm')}
                </text>
              )}
            </g>
          ))}
          <text x={soil + 5} y={height} fill="var(--soft)" fontSize="12">
            {units.text(layout.deepestMm, 'mm')}
          </text>
        </svg>
      </div>
    </SavableChart>
  )
}

function nameOf(place: ComparedPlace) {
  return place.name === place.field ? place.field : `${place.field}, ${place.name}`
}

/** Whose the two faces are, each over its own. */
function Heads({ one, other }: { one: ComparedPlace; other: ComparedPlace }) {
  return (
    <div className="flex justify-between gap-4">
      {[one, other].map((place, i) => (
        <p key={i} className={i === 1 ? 'text-right' : ''}>
          <strong>{nameOf(place)}</strong>
          {place.visitedOn && <span className="block text-sm text-soft">{showDay(place.visitedOn)}</span>}
        </p>
      ))}
    </div>
  )
}

function Strand({
  difference,
  y,
  from,
  to,
  slim,
  units,
}: {
  difference: DifferenceView
  y: number
  /** between both faces, px */
  from: number
  to: number
  /** with the name over its figures, where there is no room for it between them */
  slim: boolean
  units: ReturnType<typeof useUnits>
}) {
  const oneLevel = asLevel(difference.one.level)!
  const otherLevel = asLevel(difference.other.level)!
  const weight = Math.min(7, 2 + difference.ratio * 0.6)
  const text = (side: { figure?: number; level: string }) =>
    figureText(
      { figure: side.figure, level: side.level, unit: difference.unit, pattern: difference.pattern },
      units,
    )
  const figures = slim ? y + 14 : y + 5
  return (
    <g>
      <line
        x1={from + 2}
        x2={from + 2 + weight * 2}
        y1={figures - 5}
        y2={figures - 5}
        stroke={levelFill[oneLevel]}
        strokeWidth={weight}
      />
      <line
        x1={to - 2}
        x2={to - 2 - weight * 2}
        y1={figures - 5}
        y2={figures - 5}
        stroke={levelFill[otherLevel]}
        strokeWidth={weight}
      />
      <g transform={`translate(${from + 22} ${figures - 13}) scale(0.75)`} fill={levelFill[oneLevel]}>
        <CrumbShape level={oneLevel} />
      </g>
      <text x={from + 42} y={figures} fill={levelFill[oneLevel]} fontWeight="700">
        {text(difference.one)}
      </text>
      <text x={(from + to) / 2} y={slim ? y - 5 : y + 5} textAnchor="middle" fill="var(--ink)">
        {difference.label}
      </text>
      <g transform={`translate(${to - 37} ${figures - 13}) scale(0.75)`} fill={levelFill[otherLevel]}>
        <CrumbShape level={otherLevel} />
      </g>
      <text x={to - 42} y={figures} textAnchor="end" fill={levelFill[otherLevel]} fontWeight="700">
        {text(difference.other)}
      </text>
    </g>
  )
}

/** The same in words, strongest first; what can't be told apart at the end. */
function Sentences({ differences, nothing }: { differences: DifferenceView[]; nothing: string | undefined }) {
  const units = useUnits()
  const told = differences.filter((each) => each.defensible)
  const alike = differences.filter((each) => !each.defensible)
  return (
    <section aria-label="In words" className="grid content-start gap-4">
      <h2 className="text-xl">
        {told.length > 0 ? 'What differs, strongest first' : 'No difference you could defend'}
      </h2>
      {nothing && <p className="text-soft">{nothing}</p>}
      <ol className="grid gap-2">
        {told.map((each) => {
          return (
            <li key={`${each.indicator}@${each.band}`} className="border-t border-rule pt-2 leading-snug">
              {units.prose(each.sentence)}
            </li>
          )
        })}
      </ol>
      {alike.length > 0 && (
        <details>
          <summary className="min-h-11 cursor-pointer content-center text-accent">
            {alike.length} more that can’t be told apart
          </summary>
          <ul className="grid gap-1 text-[15px] text-soft">
            {alike.map((each) => (
              <li key={`${each.indicator}@${each.band}`}>{units.prose(each.sentence)}</li>
            ))}
          </ul>
        </details>
      )}
    </section>
  )
}
