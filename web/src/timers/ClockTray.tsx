import { useQuery } from '@tanstack/react-query'
import clsx from 'clsx'
import { useEffect, useRef, useState } from 'react'
import { Link } from 'react-router'
import { queries } from '../api/queries'
import { useUnsent } from '../capture/drafts'
import { Button } from '../ui/controls'
import { Panel } from '../ui/Panel'
import { showClock, words } from '../fields/dates'
import { dueSteps, showSpan, testPath, useClockActions, useNow, type Due } from './clocks'
import { ring } from './ring'

const SHOWN = 2
const BASE_TITLE = 'Morphotera'

/** All clocks, at the foot of every page: what is next, how late, and whether everything was sent. */
export function ClockTray() {
  const query = useQuery(queries.timers())
  const now = useNow()
  const unsent = useUnsent()
  const [open, setOpen] = useState(false)
  const due = dueSteps(query.data?.timers ?? [], now)
  // of each clock only what comes next
  const next = due.filter((each, i) => due.findIndex((other) => other.timer.id === each.timer.id) === i)
  useAlarm(next)
  const clocks = query.data?.timers.length ?? 0
  const kept = query.isError
    ? 'not reached, kept here'
    : unsent > 0
      ? `${unsent} kept, not sent yet`
      : 'all sent'
  return (
    <footer className="no-print sticky bottom-0 z-30 flex h-14 items-center gap-x-8 bg-bar px-5 text-[15px] text-on-bar sm:px-7">
      {next.slice(0, SHOWN).map((each, i) => (
        <Link
          key={each.step.id}
          to={testPath(each.timer)}
          className={clsx(
            'min-w-0 truncate hover:underline',
            i > 0 && 'hidden md:block',
            each.inSeconds <= 0 && 'font-bold',
          )}
        >
          <ClockWords due={each} />
        </Link>
      ))}
      {clocks === 0 && <span className="text-on-bar-soft">No clock running</span>}
      <button
        type="button"
        className="ml-auto min-h-11 shrink-0 text-on-bar-soft hover:text-on-bar"
        onClick={() => setOpen(true)}
        aria-live="polite"
      >
        {clocks > 0 && (
          <span>
            {clocks} {clocks === 1 ? 'clock' : 'clocks'}
          </span>
        )}
        <span className={clocks > 0 && kept === 'all sent' ? 'hidden sm:inline' : ''}>
          {clocks > 0 && ' · '}
          {kept}
        </span>
      </button>
      <Panel title="Clocks" open={open} onClose={() => setOpen(false)}>
        <AllClocks due={due} />
      </Panel>
    </footer>
  )
}

function ClockWords({ due }: { due: Due }) {
  const late = due.inSeconds <= 0
  return (
    <>
      <span className="hidden sm:inline">{due.timer.field}, </span>
      {due.timer.stop}: {due.step.label}{' '}
      <span className={late ? 'text-alert' : 'text-on-bar-soft'}>
        {late ? `${showSpan(due.inSeconds)} late` : `in ${showSpan(due.inSeconds)}`}
      </span>
    </>
  )
}

function AllClocks({ due }: { due: Due[] }) {
  const { stop } = useClockActions()
  const now = useNow()
  const timers = [...new Map(due.map((each) => [each.timer.id, each.timer])).values()]
  if (timers.length === 0)
    return <p className="text-soft">Nothing is running. A test that waits starts its own clock.</p>
  return (
    <ul className="grid gap-5">
      {timers.map((timer) => (
        <li key={timer.id} className="grid gap-1.5 border-t border-rule pt-3">
          <span className="font-semibold">
            {timer.field}, {timer.stop}: {words(timer.method)}
          </span>
          <span className="text-sm text-soft">
            started {showClock(timer.startedAt)}, {showSpan((now - Date.parse(timer.startedAt)) / 1000)} ago
          </span>
          {due
            .filter((each) => each.timer.id === timer.id)
            .map(({ step, inSeconds }) => (
              <span key={step.id} className={inSeconds <= 0 ? 'font-semibold text-failing' : ''}>
                {step.label}, {showClock(step.dueAt)}{' '}
                <span className="text-soft">
                  {inSeconds <= 0 ? `${showSpan(inSeconds)} late` : `in ${showSpan(inSeconds)}`}
                </span>
              </span>
            ))}
          <span className="flex gap-3">
            <Link
              to={testPath(timer)}
              className="min-h-11 content-center font-semibold text-accent hover:underline"
            >
              Go to the test
            </Link>
            <Button
              kind="quiet"
              onClick={() => stop.mutate({ id: timer.id, stoppedAt: new Date(now).toISOString() })}
            >
              Stop this clock
            </Button>
          </span>
        </li>
      ))}
    </ul>
  )
}

/** Sound, vibration and the title, once for each moment that comes while the page is open. */
function useAlarm(next: Due[]) {
  const rung = useRef(new Set<string>())
  const first = useRef(true)
  const overdue = next.filter((each) => each.inSeconds <= 0)
  const key = overdue.map((each) => each.step.id).join()
  useEffect(() => {
    const fresh = key.split(',').filter((id) => id && !rung.current.has(id))
    fresh.forEach((id) => rung.current.add(id))
    // what was late before the page opened is shown, not rung
    if (fresh.length > 0 && !first.current) ring()
    first.current = false
  }, [key])
  const head = overdue[0]
  useEffect(() => {
    document.title = head ? `● ${head.step.label} – ${BASE_TITLE}` : BASE_TITLE
  }, [head])
}
