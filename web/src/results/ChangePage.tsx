import { useQuery } from '@tanstack/react-query'
import { useParams, useSearchParams } from 'react-router'
import { SavableChart } from '../charts/SavePicture'
import { queries } from '../queries/queries'
import type { ChangeView, Design, EventChange } from '../api/schema'
import { ChangeChart } from '../charts/ChangeChart'
import { showDay } from '../words/dates'
import { FieldNav } from '../fields/FieldNav'
import { KnownBias } from './KnownBias'
import { useStopRole } from '../fields/useStopRole'
import { Button, Check, Select } from '../ui/controls'
import { Failed, Loading } from '../ui/states'
import { plainNumber, useUnits } from '../units/units'

/** One indicator over the years: whether it changed, whether what was done did it, and what that stands on. */
export function ChangePage() {
  const { id } = useParams()
  const units = useUnits()
  const [search, setSearch] = useSearchParams()
  const wanted = {
    indicator: search.get('indicator') ?? undefined,
    band: search.get('band') ?? undefined,
    key: search.get('key') ?? undefined,
    stops: search.getAll('stop'),
    from: search.get('from') ?? undefined,
    to: search.get('to') ?? undefined,
  }
  const query = useQuery(queries.change(id!, wanted))
  if (query.isPending) return <Loading what="the years" />
  if (query.isError) return <Failed error={query.error} retry={() => query.refetch()} />
  const view = query.data
  const change = (edit: (params: URLSearchParams) => void) =>
    setSearch(
      (old) => {
        edit(old)
        return old
      },
      { replace: true },
    )
  return (
    <div className="grid content-start gap-5 px-5 py-6 sm:px-7">
      <header>
        <h1 className="text-3xl">
          {view.field} <span className="text-xl font-normal text-soft">over the years</span>
        </h1>
        <FieldNav id={id!} />
      </header>
      {view.chosen === undefined ? (
        <p className="text-soft">
          Nothing was measured here yet, so nothing can have changed. The same test at the same stops, a year
          later, shows here whether it did.
        </p>
      ) : (
        <>
          <Pick view={view} field={id!} wanted={wanted} change={change} />
          <div className="grid gap-x-10 gap-y-6 lg:grid-cols-2">
            <Verdict view={view} />
            <Effects events={view.events} />
          </div>
          <div className="grid gap-8 lg:grid-cols-[minmax(0,2fr)_minmax(20rem,1fr)]">
            <section aria-label="Readings" className="grid content-start gap-4">
              <SavableChart
                title={`${view.field}: ${view.chosen.label}`}
                unit={units.symbol(view.unit ?? '')}
              >
                <ChangeChart view={view} />
              </SavableChart>
              <p className="text-sm text-soft">
                The shaded course is the treated field, with what its readings leave open. Each thin line is a
                stop, dashed where it was left alone. Beside what was done stands what it did: from the figure
                without it to the figure with it.
              </p>
              <StopPick view={view} wanted={wanted.stops} change={change} />
            </section>
            <aside className="grid content-start gap-6">
              <ToldOfField view={view} change={change} />
              {view.trend && (
                <p className="border-t border-rule pt-3 leading-snug">{units.prose(view.trend.sentence)}</p>
              )}
              <MarkControl field={id!} view={view} />
              <Designs view={view} />
              <KnownBias method={view.chosen.method} />
            </aside>
          </div>
        </>
      )}
    </div>
  )
}

type Change = (edit: (params: URLSearchParams) => void) => void

type Series = { indicator: string; band: string; key?: string }

const keyOf = (each: Series) => [each.indicator, each.band, each.key ?? ''].join('|')

function follow(params: URLSearchParams, series: Series) {
  params.set('indicator', series.indicator)
  params.set('band', series.band)
  if (series.key) params.set('key', series.key)
  else params.delete('key')
}

function Pick({
  view,
  field,
  wanted,
  change,
}: {
  view: ChangeView
  field: string
  wanted: { from?: string; to?: string }
  change: Change
}) {
  const visits = useQuery(queries.field(field)).data?.visits ?? []
  const dates = [...new Set(visits.map((visit) => visit.visitedOn))].sort()
  const units = useUnits()
  return (
    <div className="grid grid-cols-2 items-end gap-4 sm:flex">
      <label className="col-span-2 grid w-full min-w-0 gap-1 text-sm text-soft sm:w-auto sm:flex-1">
        Indicator
        <Select
          value={keyOf(view.chosen!)}
          onChange={(event) => {
            const series = view.series.find((each) => keyOf(each) === event.target.value)!
            change((params) => follow(params, series))
          }}
        >
          {view.series.map((each) => (
            <option key={keyOf(each)} value={keyOf(each)}>
              {each.label}
              {each.keyLabel && `, ${each.keyLabel}`}, {units.prose(each.depth)}
            </option>
          ))}
        </Select>
      </label>
      {dates.length > 2 &&
        (['from', 'to'] as const).map((end) => (
          <label key={end} className="grid gap-1 text-sm text-soft">
            {end === 'from' ? 'From' : 'To'}
            <Select
              value={wanted[end] ?? ''}
              onChange={(event) =>
                change((params) =>
                  event.target.value ? params.set(end, event.target.value) : params.delete(end),
                )
              }
            >
              <option value="">{end === 'from' ? 'the first visit' : 'the last visit'}</option>
              {dates.map((on) => (
                <option key={on} value={on}>
                  {showDay(on)}
                </option>
              ))}
            </Select>
          </label>
        ))}
    </div>
  )
}

function StopPick({ view, wanted, change }: { view: ChangeView; wanted: string[]; change: Change }) {
  return (
    <fieldset className="flex flex-wrap gap-x-6">
      <legend className="text-sm text-soft">Stops (none marked: all)</legend>
      {view.stops.map((stop) => (
        <Check
          key={stop.id}
          label={stop.label}
          checked={wanted.includes(stop.id)}
          onChange={(on) =>
            change((params) => {
              params.delete('stop')
              const next = on ? [...wanted, stop.id] : wanted.filter((each) => each !== stop.id)
              next.forEach((each) => params.append('stop', each))
            })
          }
        />
      ))}
    </fieldset>
  )
}

const VERDICTS: Record<string, string> = {
  risen: 'Risen',
  fallen: 'Fallen',
  'probably-risen': 'Probably risen',
  'probably-fallen': 'Probably fallen',
  'cannot-tell': 'Can’t tell yet',
}

const EFFECTS: Record<string, string> = {
  risen: 'It raised it',
  fallen: 'It lowered it',
  'probably-risen': 'It probably raised it',
  'probably-fallen': 'It probably lowered it',
  'cannot-tell': 'Can’t tell yet',
}

const percent = (chance: number) => `${Math.min(99, Math.round(100 * chance))} %`

function Verdict({ view }: { view: ChangeView }) {
  const units = useUnits()
  const { change } = view
  return (
    <section aria-label="Verdict" className="grid content-start gap-1.5">
      <h2 className="text-sm font-semibold text-soft">
        Has it changed{change ? `, ${showDay(change.from)} to ${showDay(change.to)}` : ''}?
      </h2>
      {change ? (
        <>
          <p className="text-2xl font-bold">
            {VERDICTS[change.verdict]}
            {change.verdict !== 'cannot-tell' && change.direction !== 'none' && `: ${change.direction}`}
          </p>
          <p className="leading-snug">{units.prose(change.sentence)}</p>
          {change.verdict !== 'cannot-tell' && (
            <p className="text-sm text-soft">{percent(change.probability)} sure</p>
          )}
        </>
      ) : (
        <p className="text-2xl font-bold">Read on one date only: nothing to compare yet.</p>
      )}
    </section>
  )
}

function Effects({ events }: { events: EventChange[] }) {
  const units = useUnits()
  if (events.length === 0) return null
  return (
    <section aria-label="What was done" className="grid content-start gap-3">
      <h2 className="text-sm font-semibold text-soft">Did what was done do it?</h2>
      {events.map((each) => (
        <div key={each.event.id} className="grid gap-0.5">
          <p className="text-xl font-bold">
            {EFFECTS[each.verdict]}
            {each.verdict !== 'cannot-tell' && each.direction !== 'none' && `: ${each.direction}`}
          </p>
          <p className="leading-snug">{units.prose(each.sentence)}</p>
          <p className="text-sm text-soft">
            {each.verdict !== 'cannot-tell' && `${percent(each.probability)} sure. `}
            {each.stops} {each.stops === 1 ? 'stop' : 'stops'} where it was done
            {each.leftAlone > 0
              ? `, ${each.leftAlone} left alone.`
              : ', none left alone: what the years did by themselves can’t be told from it well.'}
          </p>
        </div>
      ))}
    </section>
  )
}

/** Everything that is told of the field, the surest first. */
function ToldOfField({ view, change }: { view: ChangeView; change: Change }) {
  const units = useUnits()
  return (
    <section aria-label="Told of this field" className="grid gap-2">
      <h2 className="text-lg">What is told of this field</h2>
      {view.told.length === 0 ? (
        <p className="text-soft">
          Nothing is sure enough to be told. What is probable, and what can’t be told yet, stands with each
          indicator.
        </p>
      ) : (
        <>
          <ul className="grid">
            {view.told.map((each) => (
              <li key={keyOf(each)} className="border-t border-rule">
                <button
                  type="button"
                  className="min-h-11 py-1.5 text-left leading-snug hover:underline"
                  aria-pressed={keyOf(each) === keyOf(view.chosen!)}
                  onClick={() => change((params) => follow(params, each))}
                >
                  {units.prose(each.change.sentence)}
                </button>
              </li>
            ))}
          </ul>
          <p className="text-sm text-soft">
            Chance that {view.told.length === 1 ? 'it is' : 'one of them, taken at random, is'} wrong:{' '}
            {view.chanceOfError! < 0.01 ? 'under 1 %' : `${Math.round(100 * view.chanceOfError!)} %`}.
          </p>
        </>
      )}
    </section>
  )
}

/** Stops left alone take off what the years did by themselves: one tap marks a stop that was not treated. */
function MarkControl({ field, view }: { field: string; view: ChangeView }) {
  const change = useStopRole(field)
  const shown = new Set(view.points.map((point) => point.stopId))
  const stops = view.stops.filter((stop) => shown.has(stop.id))
  const marked = stops.some((stop) => stop.role === 'control' || stop.role === 'reference')
  if (stops.length < 2 || marked || view.events.length === 0) return null
  return (
    <section aria-label="Control" className="grid gap-2 border-t border-rule pt-3">
      <p className="leading-snug">
        A stop that was left alone shows what the years did by themselves. Was one of these?
      </p>
      <div className="flex flex-wrap gap-2">
        {stops.map((stop) => (
          <Button
            key={stop.id}
            disabled={change.isPending}
            onClick={() => change.mutate({ stop, role: 'control' })}
          >
            {stop.label}
          </Button>
        ))}
      </div>
      {change.isError && (
        <p role="alert" className="text-failing">
          {change.error.message}
        </p>
      )}
    </section>
  )
}

/** From which change on it would show, by how often and where is read again. */
function Designs({ view }: { view: ChangeView }) {
  const units = useUnits()
  const ratio = view.change?.logarithmic === true
  const size = (change: number) =>
    ratio
      ? `${plainNumber(100 * (change - 1), 0)} %`
      : view.unit === '%'
        ? `${plainNumber(change, change < 10 ? 1 : 0)} points`
        : view.unit && view.unit !== 'pH'
          ? units.text(change, view.unit)
          : plainNumber(change, 2)
  const row = (each: Design) => [each.stops, each.leftAlone, each.visits].join('-')
  if (view.designs.length === 0) return null
  return (
    <section aria-label="What more would show" className="grid gap-2 border-t border-rule pt-3">
      <h2 className="text-lg">What would more stops or visits show?</h2>
      <table className="w-full text-left text-[15px]">
        <thead className="text-sm text-soft">
          <tr>
            <th scope="col" className="py-1 pr-3 font-normal">
              Stops
            </th>
            <th scope="col" className="py-1 pr-3 font-normal">
              Left alone
            </th>
            <th scope="col" className="py-1 pr-3 font-normal">
              More visits
            </th>
            <th scope="col" className="py-1 pr-3 font-normal">
              A change shows from
            </th>
            <th scope="col" className="py-1 font-normal">
              An effect from
            </th>
          </tr>
        </thead>
        <tbody>
          {view.designs.map((each) => (
            <tr key={row(each)} className="border-t border-rule">
              <td className="py-1 pr-3">{each.stops}</td>
              <td className="py-1 pr-3">{each.leftAlone}</td>
              <td className="py-1 pr-3">{each.visits}</td>
              <td className="py-1 pr-3 font-semibold">{size(each.change)}</td>
              <td className="py-1 font-semibold">{size(each.effect)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="text-sm text-soft">
        From the last visit on, each a year after the one before; the first line is what is walked now.
      </p>
    </section>
  )
}
