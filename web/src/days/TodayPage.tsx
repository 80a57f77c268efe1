import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { Link, useLocation, useNavigate } from 'react-router'
import { api, must } from '../api/client'
import type { DayView, YearEntry } from '../api/schema'
import { queries } from '../queries/queries'
import { AllClocks } from '../timers/ClocksPage'
import { dueSteps, useNow, useTimers } from '../timers/clocks'
import { Button, buttonLook } from '../ui/controls'
import { Failed, Loading } from '../ui/states'
import { showDay, today } from '../words/dates'
import { showWeekday } from '../weather/GoodDays'
import { FirstSteps } from './FirstSteps'
import { EntryLine } from './YearPage'

const SOON_DAYS = 45
const SHOWN = 6
const NEXT = 3

/** What leads: who goes where, what runs and is late, what is due. */
export function TodayPage() {
  const now = useNow(5000)
  const timers = useTimers()
  const due = dueSteps(timers, now)
  const plans = useQuery(queries.dayPlans(today()))
  const year = useQuery(queries.year())
  const soon = new Date(now + SOON_DAYS * 86_400_000).toISOString().slice(0, 10)
  const entries = (year.data ?? []).filter((entry) => entry.on <= soon)
  return (
    <div className="grid grow content-start gap-x-10 gap-y-8 px-5 py-6 sm:px-7 lg:grid-cols-[1fr_24rem]">
      <header className="flex flex-wrap items-end gap-4 lg:col-span-2">
        <div className="mr-auto">
          <h1 className="text-3xl">Today</h1>
          <p className="text-soft">
            {showWeekday(today())} {showDay(today())}
          </p>
        </div>
        <Link to="/days/new" className={buttonLook('primary')}>
          Plan a day
        </Link>
      </header>
      <FirstSteps />
      <div className="grid content-start gap-8">
        <Dropped />
        <section aria-label="Days of work" className="grid gap-2">
          <h2 className="text-xl">Who goes where</h2>
          {plans.isPending && <Loading what="the days" />}
          {plans.isError && <Failed error={plans.error} retry={() => plans.refetch()} />}
          {plans.data?.length === 0 && (
            <p className="text-soft">
              No day is planned. Choose fields and people, and the good days of the coming fortnight are
              shown.
            </p>
          )}
          <ul>
            {plans.data?.map((view) => (
              <PlannedLine key={view.day.id} view={view} />
            ))}
          </ul>
        </section>
        <section aria-label="Clocks" className="grid gap-2">
          <h2 className="text-xl">
            Running
            {due.some((each) => each.inSeconds <= 0) && <span className="text-failing"> and late</span>}
          </h2>
          <AllClocks due={due} />
        </section>
      </div>
      <section aria-label="Due" className="grid content-start gap-2">
        <div className="flex items-baseline justify-between">
          <h2 className="text-xl">Due</h2>
          <Link to="/year" className="flex min-h-11 items-center font-semibold text-accent hover:underline">
            The year
          </Link>
        </div>
        {year.isPending && <Loading what="what is due" />}
        {year.isError && <Failed error={year.error} retry={() => year.refetch()} />}
        {year.data && entries.length === 0 && (
          <p className="text-soft">
            Nothing in the coming {SOON_DAYS} days{year.data.length > 0 && '; next in the year:'}
            {year.data.length === 0 && '.'}
          </p>
        )}
        <ul>
          {(entries.length > 0 ? entries.slice(0, SHOWN) : (year.data ?? []).slice(0, NEXT)).map((entry) => (
            <EntryLine key={`${entry.kind}${entry.id}`} entry={entry} />
          ))}
        </ul>
        {entries.length > SHOWN && <p className="text-soft">{entries.length - SHOWN} more in the year.</p>}
        <RoundLink entries={entries} />
      </section>
    </div>
  )
}

/** Fields that are due can go into one day. */
function RoundLink({ entries }: { entries: YearEntry[] }) {
  const fields = [...new Set(entries.filter((each) => each.kind !== 'action').map((each) => each.fieldId))]
  if (fields.length === 0) return null
  return (
    <Link
      to={`/days/new?fields=${fields.slice(0, 3).join(',')}`}
      className="flex min-h-11 items-center font-semibold text-accent hover:underline"
    >
      Plan a day for the first {fields.length === 1 ? 'of them' : Math.min(3, fields.length)}
    </Link>
  )
}

/** A day that was just dropped can be put back, with what was done of it. */
function Dropped() {
  const location = useLocation()
  const navigate = useNavigate()
  const client = useQueryClient()
  const dropped = (location.state as { dropped?: DayView } | null)?.dropped
  const back = useMutation({
    mutationFn: async ({ day, marks }: DayView) => {
      const { id, ...body } = day
      await must(api.PUT('/api/day-plans/{id}', { params: { path: { id } }, body: { ...body, version: 0 } }))
      for (const { id: mark, ...done } of marks)
        await must(
          api.PUT('/api/day-marks/{id}', { params: { path: { id: mark } }, body: { ...done, version: 0 } }),
        )
      return id
    },
    onSuccess: async (id) => {
      await client.invalidateQueries({ queryKey: ['day-plans'] })
      void navigate(`/days/${id}`)
    },
  })
  if (!dropped) return null
  return (
    <p role="status" className="flex flex-wrap items-center gap-x-4">
      The day of {showDay(dropped.day.plannedOn)} is dropped.
      <Button kind="quiet" disabled={back.isPending} onClick={() => back.mutate(dropped)}>
        Put it back
      </Button>
      {back.isError && <span className="text-sm text-failing">{back.error.message}</span>}
    </p>
  )
}

function PlannedLine({ view }: { view: DayView }) {
  const { day } = view
  const steps = view.marks.filter((mark) => mark.endedAt).length
  const isToday = day.plannedOn === today()
  return (
    <li className="border-t border-rule">
      <Link
        to={`/days/${day.id}`}
        className="grid min-h-14 grid-cols-[5.5rem_1fr] items-center gap-x-3 py-2 leading-snug hover:underline"
      >
        <span className={isToday ? 'font-bold' : 'text-soft'}>
          {isToday ? day.startsAt : showDay(day.plannedOn).replace(/ \d{4}$/, '')}
        </span>
        <span>
          <span className="font-semibold">{view.fields.map((field) => field.name).join(', ')}</span>
          <span className="block text-soft">
            {day.people.join(', ')}
            {steps > 0 && ` · ${steps} ${steps === 1 ? 'step' : 'steps'} done`}
          </span>
        </span>
      </Link>
    </li>
  )
}
