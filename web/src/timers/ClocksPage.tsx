import { lazy, Suspense, useState } from 'react'
import { Link } from 'react-router'
import { useMethods } from '../queries/useMethods'
import { KeptJobs } from '../kept/KeptPanel'
import { showClock, showDay } from '../words/dates'
import { Button } from '../ui/controls'
import { Notice } from '../ui/states'
import { mayRing } from './alarm'
import { clocks, dueSteps, showSpan, testPath, useNow, useTimers, type Due } from './clocks'

const CalendarLink = lazy(() => import('./CalendarLink'))

/** Every clock that runs anywhere, of any stop and day; and what this device has kept. */
export function ClocksPage() {
  const timers = useTimers()
  const now = useNow()
  const due = dueSteps(timers, now)
  return (
    <div className="grid max-w-4xl content-start gap-6 px-5 py-6 sm:px-7">
      <header className="flex flex-wrap items-end gap-4">
        <div className="mr-auto">
          <h1 className="text-3xl">Clocks</h1>
          <p className="text-soft">
            They run on the server and by the clock; a page that sleeps changes nothing.
          </p>
        </div>
        {due.length > 0 && (
          <Suspense>
            <CalendarLink due={due} now={now} />
          </Suspense>
        )}
      </header>
      <Ringing />
      <AllClocks due={due} />
      <KeptJobs />
    </div>
  )
}

/** What this device can do when a moment comes, and how to let it do more. */
function Ringing() {
  const [ringing, setRinging] = useState(mayRing)
  if (ringing === 'yes') return null
  if (ringing === 'no')
    return (
      <Notice severity="caution">
        This browser can’t call you while its page sleeps. Put the moments into the phone’s calendar.
      </Notice>
    )
  return (
    <p className="flex flex-wrap items-center gap-x-4">
      This page rings while it is open. To be called while it is in the background:
      <Button
        kind="quiet"
        onClick={() => void Notification.requestPermission().then(() => setRinging(mayRing()))}
      >
        Allow notifications
      </Button>
    </p>
  )
}

/** Clocks one under the other, each with its moments and how late they are. */
export function AllClocks({ due }: { due: Due[] }) {
  const methods = useMethods()
  const now = useNow()
  const timers = [...new Map(due.map((each) => [each.timer.id, each.timer])).values()]
  if (timers.length === 0)
    return <p className="text-soft">Nothing is running. A test that waits starts its own clock.</p>
  return (
    <ul className="grid gap-5">
      {timers.map((timer) => (
        <li key={timer.id} className="grid gap-1.5 border-t border-rule pt-3">
          <span className="font-semibold">
            {timer.field}, {timer.stop}: {methods.title(timer.method)}
          </span>
          <span className="text-sm text-soft">
            started {showDay(timer.startedAt)}, {showClock(timer.startedAt)},{' '}
            {showSpan((now - Date.parse(timer.startedAt)) / 1000)} ago
          </span>
          {due
            .filter((each) => each.timer.id === timer.id)
            .map(({ step, inSeconds }) => (
              <span key={step.id} className="flex flex-wrap items-center gap-x-4">
                <span className={inSeconds <= 0 ? 'font-semibold text-failing' : ''}>
                  {step.label}, {showClock(step.dueAt)}{' '}
                  <span className="text-soft">
                    {inSeconds <= 0 ? `${showSpan(inSeconds)} late` : `in ${showSpan(inSeconds)}`}
                  </span>
                </span>
                {inSeconds <= 0 && (
                  <Button
                    kind="quiet"
                    aria-label={`${step.label} done at ${timer.stop}`}
                    onClick={() => void clocks.done(timer.id, step, new Date(now).toISOString())}
                  >
                    Done now
                  </Button>
                )}
              </span>
            ))}
          <span className="flex gap-5">
            <Link
              to={testPath(timer)}
              className="min-h-11 content-center font-semibold text-accent hover:underline"
            >
              Go to the test
            </Link>
            <Button kind="quiet" onClick={() => void clocks.stop(timer, new Date(now).toISOString())}>
              Stop this clock
            </Button>
          </span>
        </li>
      ))}
    </ul>
  )
}
