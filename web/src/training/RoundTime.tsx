import { useContext } from 'react'
import { OwnTime, showSpan, useNow } from '../timers/clocks'
import { Button } from '../ui/controls'
import type { Round } from './rounds'
import type { RoundClock } from './time'

const SPEEDS = [1, 10, 60]

/** The round's clock: how long it has run, how fast, and a way to let a wait go by. */
export function RoundTime({ round, time }: { round: Round; time: RoundClock }) {
  const own = useContext(OwnTime)
  const now = useNow()
  const passed = own ? (now - round.begunAt) / 1000 : 0
  const wait = time.waits()[0]
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1 text-[15px]">
      <span>
        <span className="text-soft">the clock here</span>{' '}
        <span role="timer" className="text-lg font-bold">
          {showSpan(passed)}
        </span>
      </span>
      <span role="group" aria-label="How fast time runs" className="flex gap-1">
        {SPEEDS.map((speed) => (
          <button
            key={speed}
            type="button"
            aria-pressed={round.speed === speed}
            onClick={() => time.setSpeed(speed)}
            className="min-h-11 min-w-11 rounded-sm border border-strong-rule px-2 aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-paper"
          >
            {speed} ×
          </button>
        ))}
      </span>
      {wait && (
        <Button kind="quiet" onClick={time.skip}>
          Wait for: {wait.step.label?.toLowerCase() ?? wait.step.code}
        </Button>
      )}
    </div>
  )
}
