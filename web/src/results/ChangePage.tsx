import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useParams, useSearchParams } from 'react-router'
import { SavableChart } from '../charts/SavePicture'
import { queries } from '../queries/queries'
import type { ChangeVerdict, ChangeView, EventChange } from '../api/schema'
import { ChangeChart } from '../charts/ChangeChart'
import { showDay } from '../words/dates'
import { FieldNav } from '../fields/FieldNav'
import { KnownBias } from './KnownBias'
import { useStopRole } from '../fields/useStopRole'
import { Button, Check, QuantityInput, Select } from '../ui/controls'
import { Failed, Loading, Notice } from '../ui/states'
import { useUnits } from '../units/units'

/** One indicator over the years: every reading with its spread, what was done, and whether anything changed. */
export function ChangePage() {
  const { id } = useParams()
  const units = useUnits()
  const [search, setSearch] = useSearchParams()
  const wanted = {
    indicator: search.get('indicator') ?? undefined,
    band: search.get('band') ?? undefined,
    method: search.get('method') ?? undefined,
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
        <div className="grid gap-8 lg:grid-cols-[minmax(0,2fr)_minmax(20rem,1fr)]">
          <section aria-label="Readings" className="grid content-start gap-4">
            <Pick view={view} field={id!} wanted={wanted} change={change} />
            <SavableChart title={`${view.field}: ${view.chosen.label}`} unit={units.symbol(view.unit ?? '')}>
              <ChangeChart view={view} />
            </SavableChart>
            <p className="text-sm text-soft">
              Each line is a stop, dashed where it was not treated; each whisker is a reading’s own spread,
              the bar the middle of the treated stops. Inside the hatched band nothing could be told apart
              from the first date. What was done stands on the same years.
            </p>
            <StopPick view={view} wanted={wanted.stops} change={change} />
          </section>
          <aside className="grid content-start gap-6">
            <Verdict change={view.change} />
            {view.change && view.change.controls === 0 && <MarkControl field={id!} view={view} />}
            {view.trend && <p className="border-t border-rule pt-3">{view.trend.sentence}</p>}
            <KnownBias method={view.chosen.method} />
            {view.events.length > 0 && <AfterEvents events={view.events} />}
            <StopsNeeded view={view} />
          </aside>
        </div>
      )}
    </div>
  )
}

type Change = (edit: (params: URLSearchParams) => void) => void

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
  const chosen = view.chosen!
  // the test is named only where two of them read the same thing
  const alone = (one: typeof chosen) =>
    view.series.filter((each) => each.indicator === one.indicator && each.band === one.band).length === 1
  const key = (each: typeof chosen) => `${each.indicator}|${each.band}|${each.method}`
  return (
    <div className="grid grid-cols-2 items-end gap-4 sm:flex">
      <label className="col-span-2 grid w-full min-w-0 gap-1 text-sm text-soft sm:w-auto sm:flex-1">
        Indicator
        <Select
          value={key(chosen)}
          onChange={(event) => {
            const [indicator, band, method] = event.target.value.split('|')
            change((params) => {
              params.set('indicator', indicator!)
              params.set('band', band!)
              params.set('method', method!)
            })
          }}
        >
          {view.series.map((each) => (
            <option key={key(each)} value={key(each)}>
              {each.label}, {units.prose(each.depth)}
              {alone(each) ? '' : `, by ${each.methodTitle}`}
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
  'no-change-shown': 'No change shown',
  'too-few': 'Too few to say',
  'not-comparable': 'Not comparable',
}

function Verdict({ change }: { change: ChangeVerdict | undefined }) {
  const units = useUnits()
  if (!change) return <p className="text-xl font-bold">Read on one date only: nothing to compare yet.</p>
  return (
    <section aria-label="Verdict" className="grid gap-2">
      <h2 className="text-sm font-semibold text-soft">
        {showDay(change.from)} to {showDay(change.to)}
      </h2>
      <p className="text-2xl font-bold">
        {VERDICTS[change.verdict]}
        {change.direction !== 'none' && `: ${change.direction}`}
      </p>
      <p className="leading-snug">{units.prose(change.sentence)}</p>
      {change.mismatches.length > 0 && (
        <ul className="grid gap-1">
          {change.mismatches.map((each) => (
            <li key={each.condition}>
              <Notice severity={each.matters ? 'caution' : 'info'}>
                {each.label}: {units.prose(each.earlier)} then, {units.prose(each.later)} now
                {each.matters ? '' : ' (does not matter to this test)'}
              </Notice>
            </li>
          ))}
        </ul>
      )}
    </section>
  )
}

function AfterEvents({ events }: { events: EventChange[] }) {
  const units = useUnits()
  return (
    <section aria-label="Before and after" className="grid gap-3 border-t border-rule pt-3">
      <h2 className="text-lg">Before and after what was done</h2>
      {events.map(({ event, change, caution }) => (
        <div key={event.id} className="grid gap-0.5">
          <p className="font-semibold">
            {event.what}, {showDay(event.happenedOn)}
          </p>
          <p className="text-[15px] leading-snug">{units.prose(change.sentence)}</p>
          <p className="text-sm text-soft">{caution}</p>
        </div>
      ))}
    </section>
  )
}

/** Controls take off what a whole visit reads high: one tap marks a stop that was not treated. */
function MarkControl({ field, view }: { field: string; view: ChangeView }) {
  const change = useStopRole(field)
  const shown = new Set(view.points.map((point) => point.stopId))
  const stops = view.stops.filter((stop) => shown.has(stop.id))
  if (stops.length < 2) return null
  return (
    <section aria-label="Control" className="grid gap-2 border-t border-rule pt-3">
      <p className="leading-snug">
        A whole visit may read high or low. Stops that were not treated take that off. Was one of these left
        alone?
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

/** How many stops a change of some size takes, from how much the paired differences scattered here. */
function StopsNeeded({ view }: { view: ChangeView }) {
  const units = useUnits()
  const deviation = view.change?.deviation
  const shared = view.change?.shared ?? 0
  // a factor is asked for in per cent
  const log = view.change?.logarithmic === true
  // emptied by hand it stays empty, instead of what is offered coming back under the fingers
  const [size, setSize] = useState<number | 'empty'>()
  const offered = view.stopsNeeded[1]?.change
  const usual = log && offered !== undefined ? Math.round(100 * (Math.exp(offered) - 1)) : offered
  const asked = size === 'empty' ? undefined : (size ?? usual)
  const onScale = asked === undefined ? undefined : log ? Math.log(1 + asked / 100) : asked
  const answer = useQuery({
    ...queries.stopsNeeded(deviation ?? 1, onScale ?? 1, shared),
    enabled: Boolean(deviation && onScale && onScale > 0),
  })
  if (!deviation) return null
  return (
    <section aria-label="How many stops" className="grid gap-2 border-t border-rule pt-3">
      <h2 className="text-lg">How many stops would I need?</h2>
      <QuantityInput
        label="To see a change of"
        unit={log ? '%' : (view.unit ?? '')}
        value={asked}
        onChange={(next) => setSize(next ?? 'empty')}
      />
      <p role="status">
        {answer.data?.stops
          ? `${answer.data.stops} stops, measured on both dates, show ${log ? `${asked} %` : units.text(answer.data.change, view.unit ?? '')} four times in five.`
          : answer.data
            ? shared > 0
              ? 'So small a change does not show without a control, however many stops: two visits may differ by as much by themselves.'
              : 'More than 200 stops: this test scatters too much here for so small a change.'
            : answer.isError
              ? answer.error.message
              : '…'}
      </p>
    </section>
  )
}
