import { v7 as uuid } from 'uuid'
import type { TimerStep } from '../../api/schema'
import { useKeys } from '../../ui/keys'
import type { Readings } from '../../api/readings'
import { useLive } from '../../core/core'
import { showClock } from '../../words/dates'
import { clocks, showSpan, stepAfter, useNow, useTimers } from '../../timers/clocks'
import { Button, Check, Choice } from '../../ui/controls'
import { Ratings, Notes } from '../../readings/Results'
import { CrumbDish } from './CrumbDish'
import { following, sent, settle, STAGE_STEP, STAGES, tapped, type Crumb, type Stage } from './crumbStages'
import { PanelLayout, RecordButton, useRecord, type CaptureProps } from '../frame/panel'

const START_CRUMBS = 6
const MOST_CRUMBS = 8

const INSTRUCTIONS: Record<Stage, string> = {
  set: 'Set the crumbs apart and run in water until they are covered. Start the clock as they go under.',
  still: 'Do not touch. Tap each crumb as it gives way by itself.',
  gentle: 'Now swirl gently. Tap each crumb that gives way.',
  strong: 'Now swirl strongly. Tap each crumb that gives way.',
  cloud10: 'Leave it still. Tap a crumb with a milky cloud: once faint, twice strong.',
  cloud30: 'Look again: tap where a cloud is now stronger, or new.',
  press: 'Press each crumb between two fingers. Tap those that are stones.',
}

const DONE: Partial<Record<Stage, string>> = {
  still: '60 s over, next',
  gentle: 'Swirled, next',
  strong: 'Swirled, next',
  cloud10: 'Clouds read, next',
  cloud30: 'Clouds read, next',
}

/** A dish of crumbs tapped as each gives way, with a clock from the moment they go in. */
export function CrumbsCapture(props: CaptureProps) {
  const { draft, method, context } = props
  const { content } = draft
  const stage = STAGES[Math.min(content.stage ?? 0, STAGES.length - 1)]!
  const readings: Readings = { water: 'rain', airDry: true, ...content.readings }
  const crumbs = (readings.crumbs as Crumb[] | undefined) ?? Array.from({ length: START_CRUMBS }, () => ({}))
  const now = useNow()
  const elapsed = content.startedAt ? Math.max(0, (now - Date.parse(content.startedAt)) / 1000) : 0
  const running = useTimers().find((timer) => timer.measurementId === draft.place.id)
  const complete = sent(readings, crumbs, stage)
  const live = useLive(method.id, complete, context)
  const record = useRecord(props)
  // no level before the last required reading
  const envelope = stage === 'press' || stage === 'cloud30' ? live?.envelope : undefined
  const options = (name: string) => method.readings.find((each) => each.name === name)?.options ?? []
  const put = (next: Crumb[], nextStage: Stage = stage, startedAt = content.startedAt) =>
    draft.change({ readings: { ...readings, crumbs: next }, startedAt, stage: STAGES.indexOf(nextStage) })

  const start = () => {
    const startedAt = now
    put(crumbs, 'still', new Date(startedAt).toISOString())
    void clocks.put(
      uuid(),
      {
        visitId: draft.place.visitId,
        stopId: draft.place.stopId,
        measurementId: draft.place.id,
        method: method.id,
        startedAt: new Date(startedAt).toISOString(),
        steps: method.timedSteps
          .filter((step) => step.atSeconds !== undefined)
          .map((step) => stepAfter(startedAt, step.code, step.atSeconds!, step.toleranceSeconds)),
      },
      props.place,
    )
  }
  const mark = (over: Stage) => {
    const step = running?.steps.find((each) => each.code === STAGE_STEP[over] && each.doneAt === undefined)
    if (running && step) {
      void clocks.done(running.id, step, new Date(now).toISOString())
    }
  }
  const advance = () => {
    const settled = settle(crumbs, stage)
    const next = following(stage, settled)
    mark(stage)
    // without clouds at 10 minutes nobody needs to be called at 30
    if (stage === 'cloud10' && next === 'press') mark('cloud30')
    put(settled, next)
  }
  const tap = (index: number) => {
    if (index < crumbs.length)
      put(crumbs.map((crumb, i) => (i === index ? tapped(crumb, stage, elapsed) : crumb)))
  }
  useKeys({
    t: () => stage === 'set' && start(),
    u: () => draft.undo?.(),
    Enter: () => stage !== 'set' && stage !== 'press' && advance(),
    ...Object.fromEntries(Array.from({ length: MOST_CRUMBS }, (_, i) => [String(i + 1), () => tap(i)])),
  })
  return (
    <PanelLayout
      instruction={INSTRUCTIONS[stage]}
      picture={
        <>
          <CrumbDish crumbs={crumbs} stage={stage} onTap={tap} />
          {stage === 'set' && (
            <div className="flex flex-wrap items-center gap-3">
              <span className="mr-auto">{crumbs.length} crumbs</span>
              <Button disabled={crumbs.length <= 3} onClick={() => put(crumbs.slice(0, -1))}>
                One less
              </Button>
              <Button disabled={crumbs.length >= MOST_CRUMBS} onClick={() => put([...crumbs, {}])}>
                One more
              </Button>
            </div>
          )}
        </>
      }
      side={
        <>
          {stage === 'set' ? (
            <>
              <Choice
                label="Water in the dish"
                options={options('water')}
                value={readings.water as string}
                onChange={(water) => draft.change({ ...content, readings: { ...readings, water } })}
              />
              <Check
                label="The crumbs are air-dry"
                checked={readings.airDry === true}
                onChange={(airDry) => draft.change({ ...content, readings: { ...readings, airDry } })}
              />
            </>
          ) : (
            <Clock stage={stage} elapsed={elapsed} steps={running?.steps} />
          )}
          {envelope ? (
            <>
              <Ratings
                envelope={envelope}
                labels={Object.fromEntries(method.indicators.map((each) => [each.id, each.label]))}
              />
              <Notes envelope={envelope} />
            </>
          ) : (
            stage !== 'set' && <SoFar crumbs={crumbs} />
          )}
        </>
      }
      foot={
        <>
          <Button className="min-h-13" disabled={!draft.undo} onClick={draft.undo}>
            Undo
          </Button>
          {stage === 'set' && (
            <Button kind="primary" className="min-h-13" onClick={start}>
              Start clock
            </Button>
          )}
          {stage === 'press' ? (
            <RecordButton
              record={record}
              readings={complete}
              envelope={live?.envelope}
              correcting={draft.place.supersedes !== undefined}
            />
          ) : (
            stage !== 'set' && (
              <Button kind="primary" className="min-h-13" onClick={advance}>
                {DONE[stage]}
              </Button>
            )
          )}
        </>
      }
    />
  )
}

/** How long the crumbs have been in, and when the next look is due. */
function Clock({ stage, elapsed, steps }: { stage: Stage; elapsed: number; steps: TimerStep[] | undefined }) {
  const now = useNow()
  const step = steps?.find((each) => each.code === STAGE_STEP[stage])
  const left = step ? (Date.parse(step.dueAt) - now) / 1000 : undefined
  return (
    <p className="flex flex-wrap items-baseline gap-x-4">
      <span className="text-sm text-soft">in the water</span>
      <span className="text-3xl font-bold" role="timer">
        {showSpan(elapsed)}
      </span>
      {step && left !== undefined && (
        <span className={left > 0 ? 'text-soft' : 'font-semibold text-strained'}>
          {left > 0
            ? `${step.label.toLowerCase()} in ${showSpan(left)}, at ${showClock(step.dueAt)}`
            : `${step.label.toLowerCase()}, ${showSpan(left)} late`}
        </span>
      )}
    </p>
  )
}

function SoFar({ crumbs }: { crumbs: Crumb[] }) {
  const gone = crumbs.filter((crumb) => crumb.slake && crumb.slake !== 'holds').length
  return (
    <div className="grid gap-1">
      <span className="text-sm text-soft">so far</span>
      <span className="text-2xl font-bold">
        {gone} of {crumbs.length} gave way
      </span>
      <p className="leading-snug text-soft">
        The cloud is read at 10:00 and, if there is one, at 30:00. Press each crumb at the end: a stone never
        slakes.
      </p>
    </div>
  )
}
