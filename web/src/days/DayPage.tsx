import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { clsx } from 'clsx'
import { useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { SavableChart } from '../charts/SavePicture'
import { api, must } from '../api/client'
import type { DayView } from '../api/schema'
import { queries } from '../queries/queries'
import { Button, buttonLook } from '../ui/controls'
import { Failed, Loading, Notice } from '../ui/states'
import { useUnits } from '../units/units'
import { keepVisit } from '../visits/keepVisit'
import { showClock, showDay, today } from '../words/dates'
import { bring, startOf, type Course, type Turn } from './course'
import { LaneKey, Lanes } from '../charts/Lanes'
import { keepMark, useDay } from './useDay'

const MINUTE = 60_000
/** So many turns of each person are in sight. */
const SHOWN = 5

/** A day of work: lanes, who does what next, what to bring; it follows what happens and plans the rest anew. */
export function DayPage() {
  const { id } = useParams()
  const { query, view, course, changes, now } = useDay(id!)
  if (query.isError && !view) return <Failed error={query.error} retry={() => query.refetch()} />
  if (!view) return <Loading what="the day" />
  const start = startOf(view.day)
  const names = view.fields.map((field) => field.name).join(', ')
  return (
    <div className="mx-auto grid w-full max-w-6xl gap-6 px-5 py-6 sm:px-7 print:gap-2 print:p-0">
      <header className="flex flex-wrap items-end gap-4">
        <div className="mr-auto">
          <Link to="/today" className="no-print text-accent hover:underline">
            Today
          </Link>
          <h1 className="text-3xl print:text-xl">{showDay(view.day.plannedOn)}</h1>
          <p className="text-soft">
            {names} · {view.day.people.join(', ')} · from {view.day.startsAt}
          </p>
        </div>
        <Actions view={view} />
      </header>
      {course ? (
        <>
          <Summary course={course} view={view} />
          {changes.length > 0 && (
            <div role="status" className="grid gap-1 border-l-3 border-accent pl-3">
              <span className="font-semibold">Planned anew</span>
              {changes.map((line) => (
                <span key={line}>{line}</span>
              ))}
            </div>
          )}
          <SavableChart title={`Day of ${showDay(view.day.plannedOn)}`} unit="hours">
            <div
              className="overflow-x-auto"
              // what scrolls must be reached by the keyboard
              // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
              tabIndex={0}
              role="group"
              aria-label="Lanes over time"
            >
              <Lanes
                course={course}
                people={view.day.people}
                start={start}
                now={view.day.plannedOn === today() ? now : undefined}
              />
            </div>
          </SavableChart>
          <LaneKey course={course} />
          <div className="grid gap-6 md:grid-cols-2 print:grid-cols-2 print:gap-3">
            {view.day.people.map((name, person) => (
              <PersonList key={person} name={name} person={person} course={course} view={view} now={now} />
            ))}
          </div>
        </>
      ) : (
        <p role="status" className="animate-pulse text-soft">
          Planning the day …
        </p>
      )}
      <div className="grid gap-6 md:grid-cols-2 print:grid-cols-1 print:gap-1">
        <Bring view={view} />
        <Reminders view={view} />
      </div>
    </div>
  )
}

function Actions({ view }: { view: DayView }) {
  const client = useQueryClient()
  const navigate = useNavigate()
  const remove = useMutation({
    mutationFn: () => must(api.DELETE('/api/day-plans/{id}', { params: { path: { id: view.day.id } } })),
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: ['day-plans'] })
      void navigate('/today', { state: { dropped: view } })
    },
  })
  return (
    <div className="no-print flex flex-wrap items-center gap-x-4">
      <Link to={`/days/${view.day.id}/change`} className={buttonLook('quiet')}>
        Change
      </Link>
      <Button kind="quiet" onClick={() => window.print()}>
        Print
      </Button>
      <Button kind="quiet" disabled={remove.isPending} onClick={() => remove.mutate()}>
        Drop this day
      </Button>
      {remove.isError && (
        <span role="alert" className="text-sm text-failing">
          {remove.error.message}
        </span>
      )}
    </div>
  )
}

const hours = (minutes: number) => {
  const whole = Math.round(minutes)
  return whole >= 60 ? `${Math.floor(whole / 60)} h ${whole % 60} min` : `${whole} min`
}

function Summary({ course, view }: { course: Course; view: DayView }) {
  const start = startOf(view.day)
  return (
    <p className="text-xl leading-snug print:text-sm">
      <b>{hours(course.finish)}</b>, until {showClock(start + course.finish * MINUTE)}
      <span className="text-soft">
        {' '}
        · one person, one test after another: {hours(course.oneAfterAnother)} · {hours(course.walking)} of
        walking
        {course.proven && ' · no plan is shorter'}
      </span>
    </p>
  )
}

function PersonList({
  name,
  person,
  course,
  view,
  now,
}: {
  name: string
  person: number
  course: Course
  view: DayView
  now: number
}) {
  const own = course.turns.filter((turn) => turn.person === person)
  const next = own.find((turn) => turn.going) ?? own.find((turn) => !turn.done)
  const done = own.filter((turn) => turn.done).length
  const [all, setAll] = useState(false)
  const after = own.filter((turn) => !turn.done && turn !== next)
  return (
    <section aria-label={name} className="grid content-start gap-2 print:gap-0.5">
      <h2 className="flex items-baseline gap-3 text-xl print:text-sm">
        {name}
        <span className="text-sm font-normal text-soft">
          {done} of {own.length} steps done
        </span>
      </h2>
      {next ? (
        <NextTurn turn={next} view={view} now={now} course={course} />
      ) : (
        <p className="text-soft">{own.length === 0 ? 'Nothing to do.' : 'All done.'}</p>
      )}
      <ol className="grid">
        {after.map((turn, i) => (
          <TurnLine
            key={`${turn.chain}${turn.step}`}
            turn={turn}
            view={view}
            course={course}
            // paper shows all of them
            paperOnly={!all && i >= SHOWN}
          />
        ))}
      </ol>
      {!all && after.length > SHOWN && (
        <Button kind="quiet" className="no-print justify-self-start" onClick={() => setAll(true)}>
          {after.length - SHOWN} more
        </Button>
      )}
    </section>
  )
}

const clockOf = (view: DayView, minute: number) => showClock(startOf(view.day) + minute * MINUTE)

function TurnLine({
  turn,
  view,
  course,
  paperOnly,
}: {
  turn: Turn
  view: DayView
  course: Course
  paperOnly: boolean
}) {
  const walk = course.walks.find(
    (each) =>
      each.person === turn.person &&
      each.end <= turn.start + 0.01 &&
      each.end > turn.start - 30 &&
      each.to === turn.stop,
  )
  return (
    <li
      className={clsx(
        'grid-cols-[3.5rem_1fr] gap-x-3 border-t border-rule py-1.5 leading-snug print:grid print:py-0 print:text-[9px] print:leading-tight',
        paperOnly ? 'hidden' : 'grid',
      )}
    >
      <span className="font-semibold">{clockOf(view, turn.start)}</span>
      <span>
        {turn.title}
        {turn.label !== turn.title && `: ${turn.label.toLowerCase()}`}
        <span className="text-soft">
          {' '}
          · {turn.stop}
          {walk && Math.abs(walk.end - turn.start) < 3 && ', walk there'}
        </span>
      </span>
    </li>
  )
}

/** What somebody does now: begin it, end it, or go to its test. */
function NextTurn({ turn, view, now, course }: { turn: Turn; view: DayView; now: number; course: Course }) {
  const start = startOf(view.day) + turn.start * MINUTE
  const late = Math.round((now - start) / MINUTE)
  const index = view.day.fields.findIndex((work) => work.fieldId === turn.fieldId)
  const work = view.day.fields[index]!
  const client = useQueryClient()
  const navigate = useNavigate()
  const isToday = view.day.plannedOn === today()
  const overdue = course.late.find((each) => each.chain === turn.chain && each.step === turn.step)
  // all that a mark goes by comes with the call: the step shown may be another by the time it is sent
  const mark = ({ turn, ended }: { turn: Turn; ended: boolean }) => {
    // the server's time is known to some milliseconds only: nothing ends before it began
    const at = new Date(Math.max(now, turn.mark ? Date.parse(turn.mark.begunAt) : now)).toISOString()
    const { planId, stopId, method } = { planId: view.day.id, stopId: turn.stopId, method: turn.method }
    const begunAt = turn.mark?.begunAt ?? at
    return keepMark(
      turn.mark?.id,
      {
        planId,
        stopId,
        method,
        step: turn.step,
        person: turn.person,
        begunAt,
        endedAt: ended ? at : undefined,
        version: turn.mark?.version ?? 0,
      },
      `${turn.title} at ${turn.stop} ${ended ? 'ended' : 'begun'}`,
    ).then((kept) => {
      if (!kept.sent) return
      client.setQueryData(
        queries.dayPlan(planId).queryKey,
        (known) =>
          known && {
            ...known,
            marks: [...known.marks.filter((each) => each.id !== kept.data.id), kept.data],
          },
      )
    })
  }
  const tell = useMutation({ mutationFn: mark })
  const go = useMutation({
    mutationFn: async () => {
      // the visit is begun with the first test that is opened
      const known = client.getQueryData(queries.visit(work.visitId!).queryKey)
      if (!known) {
        const there = await must(
          api.GET('/api/visits/{id}', { params: { path: { id: work.visitId! } } }),
        ).catch(() => undefined)
        if (!there)
          await keepVisit(work.visitId!, {
            fieldId: work.fieldId,
            visitedOn: view.day.plannedOn,
            tests: work.methods.join(','),
            version: 0,
          }).catch(() => undefined)
      }
      if (!turn.mark && turn.step === 0) await mark({ turn, ended: false })
      void navigate(`/visits/${work.visitId}/stops/${turn.stopId}/${turn.method}`)
    },
  })
  return (
    <div className="grid gap-2 border-l-3 border-ink bg-paper p-3 print:gap-0 print:p-0 print:pl-2 print:text-[10px]">
      <p className="text-lg leading-snug font-bold print:text-xs">
        {turn.title}
        {turn.label !== turn.title && `: ${turn.label.toLowerCase()}`}
      </p>
      <p>
        {turn.stop}
        {view.fields.length > 1 && `, ${turn.field}`} · {clockOf(view, turn.start)} to{' '}
        {clockOf(view, turn.end)}
        {isToday && !turn.going && late > 1 && <b className="text-failing"> · {late} min behind</b>}
        {overdue && <b className="text-failing"> · {Math.ceil(overdue.byMin)} min too late for its wait</b>}
      </p>
      {isToday && (
        <div className="no-print flex flex-wrap gap-x-4 gap-y-2">
          {turn.going ? (
            <Button
              kind="primary"
              disabled={tell.isPending}
              onClick={() => tell.mutate({ turn, ended: true })}
            >
              Done
            </Button>
          ) : (
            <Button
              kind="primary"
              disabled={tell.isPending}
              onClick={() => tell.mutate({ turn, ended: false })}
            >
              Begin
            </Button>
          )}
          {work.visitId && (
            <Button kind="quiet" disabled={go.isPending} onClick={() => go.mutate()}>
              Open the test
            </Button>
          )}
        </div>
      )}
      {tell.isError && (
        <p role="alert" className="text-sm text-failing">
          {tell.error.message}
        </p>
      )}
    </div>
  )
}

function Bring({ view }: { view: DayView }) {
  const methods = useQuery(queries.methods()).data ?? []
  const { things, litres } = bring(view, methods)
  return (
    <section aria-label="What to bring" className="grid content-start gap-2 print:gap-0">
      <h2 className="text-xl print:text-sm">What to bring</h2>
      <ul className="grid gap-1 text-[15px] leading-snug print:block print:columns-3 print:text-[9px] print:leading-tight">
        {litres > 0 && <li className="font-semibold">{litres} L of rain water or distilled water</li>}
        {things.map((thing) => (
          <li key={thing}>{thing}</li>
        ))}
      </ul>
    </section>
  )
}

function Reminders({ view }: { view: DayView }) {
  const units = useUnits()
  const first = view.fields[0]!
  const days = useQuery(queries.days(first.id)).data
  const face = useQuery(queries.field(first.id)).data
  const weather = days?.days.find((each) => each.date === view.day.plannedOn)
  const lines: string[] = []
  if (view.day.people.length === 1)
    lines.push('You work alone: say where you are and when you will be back; no pit deeper than the knee.')
  if (weather && weather.tMaxC >= 24)
    lines.push(`Up to ${units.text(weather.tMaxC, '°C')}: sun cover and water to drink.`)
  if (weather && weather.tMinC <= 3)
    lines.push(
      `Down to ${units.text(weather.tMinC, '°C')}: warm gloves; meters and kits read slowly in the cold.`,
    )
  if (weather && weather.rainChance >= 0.5) lines.push('Rain is likely: keep dishes and paper covered.')
  if (face?.field.landUse === 'pasture') lines.push('Livestock: ask where they are, shut gates, fence a pit.')
  return (
    <section aria-label="To mind" className="grid content-start gap-2 print:gap-0 print:[&_p]:text-[9px]">
      <h2 className="text-xl print:text-sm">To mind</h2>
      {lines.length === 0 && <p className="text-soft">Nothing out of the ordinary.</p>}
      {lines.map((line) => (
        <Notice key={line} severity="caution">
          {line}
        </Notice>
      ))}
    </section>
  )
}
