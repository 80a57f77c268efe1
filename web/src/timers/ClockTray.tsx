import clsx from 'clsx'
import { useState } from 'react'
import { Link } from 'react-router'
import { useJobs, useReached, useStoreFails, useUnsent } from '../device/device'
import { KeptJobs } from '../kept/KeptPanel'
import { Panel } from '../ui/Panel'
import { useAlarm, useAwake } from './alarm'
import { AllClocks } from './ClocksPage'
import { dueSteps, showSpan, testPath, useNow, useTimers, type Due } from './clocks'

const SHOWN = 2

/** All clocks, at the foot of every page: what is next, how late, and whether everything was sent. */
export function ClockTray() {
  const timers = useTimers()
  const now = useNow()
  const [open, setOpen] = useState(false)
  const due = dueSteps(timers, now)
  // of each clock only what comes next
  const next = due.filter((each, i) => due.findIndex((other) => other.timer.id === each.timer.id) === i)
  useAlarm(next)
  useAwake(next)
  const kept = useKeptWords()
  const count = timers.length
  return (
    <footer className="no-print sticky bottom-0 z-30 flex h-14 items-center gap-x-8 bg-bar px-5 text-[15px] text-on-bar sm:px-7">
      {next.slice(0, SHOWN).map((each, i) => (
        <Link
          key={each.step.id}
          to={testPath(each.timer)}
          className={clsx(
            'min-h-11 min-w-0 items-center gap-3 hover:underline',
            i > 0 ? 'hidden md:flex' : 'flex',
          )}
        >
          <ClockWords due={each} />
        </Link>
      ))}
      {count === 0 && <span className="text-on-bar-soft">No clock running</span>}
      <button
        type="button"
        className="ml-auto min-h-11 shrink-0 text-on-bar-soft hover:text-on-bar"
        onClick={() => setOpen(true)}
        aria-live="polite"
      >
        {count > 0 && (
          <span>
            {count} {count === 1 ? 'clock' : 'clocks'}
          </span>
        )}
        <span
          className={clsx(
            count > 0 && kept.text === 'all sent' && 'hidden sm:inline',
            kept.minds && 'text-alert',
          )}
        >
          {count > 0 && ' · '}
          {kept.text}
        </span>
      </button>
      <Panel title="Clocks" open={open} onClose={() => setOpen(false)}>
        <div className="grid gap-6">
          <AllClocks due={due} />
          <KeptJobs />
          <Link
            to="/clocks"
            className="min-h-11 content-center text-accent hover:underline"
            onClick={() => setOpen(false)}
          >
            The page of all clocks
          </Link>
        </div>
      </Panel>
    </footer>
  )
}

/** What is kept here and not sent, and whether somebody has to decide. */
function useKeptWords() {
  const unsent = useUnsent()
  const reached = useReached()
  const storeFails = useStoreFails()
  const troubles = useJobs().filter((each) => each.state !== 'waiting').length
  if (storeFails)
    return {
      text: unsent > 0 ? `${unsent} not kept on this device` : 'not kept on this device',
      minds: true,
    }
  if (troubles > 0) return { text: `${troubles} to decide`, minds: true }
  if (unsent > 0)
    return { text: reached ? `sending ${unsent}` : `${unsent} kept, not sent yet`, minds: !reached }
  return reached ? { text: 'all sent', minds: false } : { text: 'not reached, kept here', minds: true }
}

/** The time first and large: it is what one looks for; the words may be cut. */
function ClockWords({ due }: { due: Due }) {
  const late = due.inSeconds <= 0
  return (
    <>
      <span className={clsx('shrink-0 text-xl font-bold tabular-nums', late && 'text-alert')}>
        {showSpan(due.inSeconds)}
        <span className="ml-1 text-sm font-normal">{late ? 'late' : 'to go'}</span>
      </span>
      <span className="truncate">
        <span className="hidden sm:inline">{due.timer.field}, </span>
        {due.timer.stop}: {due.step.label}
      </span>
    </>
  )
}
