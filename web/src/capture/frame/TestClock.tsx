import { v7 as uuid } from 'uuid'
import { useKeys } from '../../ui/keys'
import { showClock } from '../../words/dates'
import { useContext } from 'react'
import { OwnTime, showSpan, stepAfter, useNow, useTimers } from '../../timers/clocks'
import { Button } from '../../ui/controls'
import { OnBench, type CaptureProps } from './panel'
import { useTestClocks } from './useTestClocks'

export type Moment = { code: string; label: string; seconds: number; toleranceSeconds: number }

/** The moments of a test that are known beforehand. */
function fixed(method: CaptureProps['method']): Moment[] {
  return method.timedSteps
    .filter((step) => step.atSeconds !== undefined)
    .map((step) => ({
      code: step.code,
      label: step.label,
      seconds: step.atSeconds!,
      toleranceSeconds: step.toleranceSeconds,
    }))
}

/** The clock of a test that waits: started here, kept by the server, read in one tap at each moment. */
export function TestClock({
  capture,
  moments = fixed(capture.method),
  onRead,
}: {
  capture: CaptureProps
  /** when to call, if it is not what the catalogue says */
  moments?: Moment[]
  /** what to do with the time really passed when a moment is read */
  onRead?: (code: string, elapsedSeconds: number) => void
}) {
  const { draft, method, place } = capture
  const now = useNow()
  const clocks = useTestClocks()
  const still = useContext(OnBench) !== undefined
  const own = useContext(OwnTime)
  const timer = useTimers().find((each) => each.measurementId === draft.place.id)
  const start = () => {
    draft.change({ ...draft.content, startedAt: new Date(now).toISOString() })
    void clocks.put(
      uuid(),
      {
        visitId: draft.place.visitId,
        stopId: draft.place.stopId,
        measurementId: draft.place.id,
        method: method.id,
        startedAt: new Date(now).toISOString(),
        steps: moments.map((each) => stepAfter(now, each.code, each.seconds, each.toleranceSeconds)),
      },
      place,
    )
  }
  useKeys({ t: () => !timer && moments.length > 0 && start() })
  if (moments.length === 0 || (still && !own)) return null
  if (!timer)
    return (
      <Button className="min-h-13 justify-self-start" onClick={start}>
        Start clock
      </Button>
    )
  const started = Date.parse(timer.startedAt)
  return (
    <section aria-label="Clock" className="grid gap-1">
      <p className="flex items-baseline gap-x-4">
        <span className="text-sm text-soft">running</span>
        <span role="timer" className="text-2xl font-bold">
          {showSpan((now - started) / 1000)}
        </span>
      </p>
      <ul>
        {timer.steps.map((step) => {
          const left = (Date.parse(step.dueAt) - now) / 1000
          return (
            <li
              key={step.id}
              className="flex min-h-11 flex-wrap items-center gap-x-4 border-t border-rule text-[15px]"
            >
              <span className={step.doneAt ? 'text-soft' : 'font-semibold'}>{step.label}</span>
              {step.doneAt ? (
                <span className="text-soft">
                  after {showSpan((Date.parse(step.doneAt) - started) / 1000)}
                </span>
              ) : (
                <>
                  <span className={left > 0 ? 'text-soft' : 'text-strained'}>
                    {left > 0
                      ? `in ${showSpan(left)}, at ${showClock(step.dueAt)}`
                      : `${showSpan(left)} late`}
                  </span>
                  <Button
                    kind="quiet"
                    className="ml-auto"
                    aria-label={`${step.label}: now`}
                    onClick={() => {
                      void clocks.done(timer.id, step, new Date(now).toISOString())
                      onRead?.(step.code, Math.round((now - started) / 1000))
                    }}
                  >
                    Now
                  </Button>
                </>
              )}
            </li>
          )
        })}
      </ul>
    </section>
  )
}
