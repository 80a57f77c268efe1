import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import type { TimerStep } from '../../api/schema'
import { useKeys } from '../../ui/keys'
import { showClock } from '../../words/dates'
import { showSpan, stepAfter, useNow, useTimers } from '../../timers/clocks'
import { Button, Check, Choice } from '../../ui/controls'
import { Ratings, Notes } from '../../readings/Results'
import { useEntry } from '../frame/entry'
import { useTestClocks } from '../frame/useTestClocks'
import { PhotoKey } from '../photo/PhotoKey'
import { usePhoto } from '../photo/usePhoto'
import { CrumbDish } from './CrumbDish'
import { CrumbsPhoto } from './CrumbsPhoto'
import { shownAt, type Swirled } from './crumbScene'
import { following, sent, settle, STAGE_STEP, STAGES, tapped, type Crumb, type Stage } from './crumbStages'
import { PanelLayout, RecordButton, useRecord, useScene, type CaptureProps } from '../frame/panel'

/** A dish of crumbs tapped as each gives way, with a clock from the moment they go in. */
export function CrumbsCapture(props: CaptureProps<'crumb-stability'>) {
  const { draft, method } = props
  const { content } = draft
  const clocks = useTestClocks()
  const stage = STAGES[Math.min(content.stage ?? 0, STAGES.length - 1)]!
  // one that is corrected was pressed or not when it was recorded
  const corrected = (content.stage ?? 0) >= STAGES.length
  const entry = useEntry(props, {
    meant: (readings) => (corrected ? readings : sent(readings, readings.crumbs ?? [], stage)),
  })
  const { readings, live } = entry
  const { drawn } = entry.method
  const truth = useScene<'crumb-stability'>()?.readings.crumbs
  const [swirled, setSwirled] = useState<Swirled>()
  const count = truth?.length ?? drawn.crumbs
  const crumbs: Crumb[] = readings.crumbs ?? Array.from({ length: count }, () => ({}))
  const now = useNow()
  const elapsed = content.startedAt ? Math.max(0, (now - Date.parse(content.startedAt)) / 1000) : 0
  const running = useTimers().find((timer) => timer.measurementId === draft.place.id)
  const record = useRecord(props)
  const photo = usePhoto(draft)
  // no level before the last required reading
  const envelope = stage === 'press' || stage === 'cloud30' ? live?.envelope : undefined
  const put = (next: Crumb[], nextStage: Stage = stage, startedAt = content.startedAt) =>
    draft.change({
      ...content,
      readings: { ...readings, crumbs: next },
      startedAt,
      stage: corrected ? content.stage : STAGES.indexOf(nextStage),
    })

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
  const mark = (over: Stage) => done(STAGE_STEP[over])
  const done = (code: string | undefined) => {
    const step = running?.steps.find((each) => each.code === code && each.doneAt === undefined)
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
  // untouched: nobody needs to be called for the swirls
  const watch = () => {
    mark('gentle')
    mark('strong')
    put(crumbs, 'watch')
  }
  const tap = (index: number) => {
    if (index < crumbs.length)
      put(crumbs.map((crumb, i) => (i === index ? tapped(crumb, stage, elapsed, drawn) : crumb)))
  }
  useKeys({
    t: () => stage === 'set' && start(),
    u: () => draft.undo?.(),
    Enter: () => stage !== 'set' && stage !== 'press' && advance(),
    ...Object.fromEntries(Array.from({ length: drawn.mostCrumbs }, (_, i) => [String(i + 1), () => tap(i)])),
  })
  return (
    <PanelLayout
      instruction={
        photo.open && stage !== 'set'
          ? 'Leave dish and phone alone until the last picture.'
          : entry.say(stage)
      }
      picture={
        <>
          {photo.open ? (
            <CrumbsPhoto
              draft={draft.place.id}
              startedAt={content.startedAt ? Date.parse(content.startedAt) : undefined}
              elapsed={content.startedAt ? elapsed : undefined}
              steps={method.timedSteps}
              onMoment={(code) => {
                done(code)
                // untouched: nobody needs to be called for the swirls
                if (code === STAGE_STEP.still) {
                  mark('gentle')
                  mark('strong')
                  put(crumbs, 'watch')
                }
              }}
              onTake={(found, last, pictures, proposal) => {
                if (last) mark('cloud30')
                put(found, last ? 'press' : following('cloud10', found))
                photo.taken(pictures, proposal)
              }}
              onLeave={photo.leave}
            />
          ) : (
            <CrumbDish
              crumbs={crumbs}
              seen={truth?.map((each, i) => shownAt(each, i, stage, elapsed, swirled))}
              stage={stage}
              onTap={tap}
            />
          )}
          {truth && (stage === 'gentle' || stage === 'strong') && (
            <Button
              className="min-h-13 justify-self-center"
              disabled={swirled === stage || swirled === 'strong'}
              onClick={() => setSwirled(stage)}
            >
              {stage === 'gentle' ? 'Swirl gently' : 'Swirl strongly'}
            </Button>
          )}
          {stage === 'set' && !truth && !photo.open && (
            <div className="flex flex-wrap items-center gap-3">
              <span className="mr-auto">{crumbs.length} crumbs</span>
              <Button disabled={crumbs.length <= drawn.fewestCrumbs} onClick={() => put(crumbs.slice(0, -1))}>
                One less
              </Button>
              <Button disabled={crumbs.length >= drawn.mostCrumbs} onClick={() => put([...crumbs, {}])}>
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
              <PhotoKey photo={photo} />
              <Choice {...entry.choice('water')} />
              <Check {...entry.flag('airDry')} />
            </>
          ) : (
            <Clock stage={stage} elapsed={elapsed} steps={running?.steps} />
          )}
          {stage !== 'set' && crumbs.some(gaveWay) && (
            <div role="group" aria-label={entry.item('crumbs', 'partly').label} className="grid gap-1">
              <span className="text-sm text-soft">{entry.item('crumbs', 'partly').label}</span>
              <div className="flex flex-wrap gap-1.5">
                {crumbs.map(
                  (crumb, i) =>
                    gaveWay(crumb) && (
                      <button
                        key={i}
                        type="button"
                        aria-pressed={crumb.partly === true}
                        onClick={() =>
                          put(
                            crumbs.map((each, k) =>
                              k === i ? { ...each, partly: !each.partly || undefined } : each,
                            ),
                          )
                        }
                        className="min-h-11 min-w-11 rounded-sm border border-strong-rule px-3 aria-pressed:border-2 aria-pressed:border-ink aria-pressed:font-bold"
                      >
                        {i + 1}
                      </button>
                    ),
                )}
              </div>
            </div>
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
            stage !== 'set' && !photo.open && <SoFar crumbs={crumbs} ahead={entry.say('ahead')} />
          )}
        </>
      }
      foot={
        <>
          <Button className="min-h-13" disabled={!draft.undo} onClick={draft.undo}>
            Undo
          </Button>
          {stage === 'gentle' && !photo.open && crumbs.every((crumb) => crumb.slake !== 'gentle-swirl') && (
            <Button className="min-h-13" onClick={watch}>
              {entry.say('untouched')}
            </Button>
          )}
          {stage === 'set' && (
            <Button kind="primary" className="min-h-13" onClick={start}>
              Start clock
            </Button>
          )}
          {stage === 'press' ? (
            <RecordButton
              record={record}
              readings={entry.sent}
              envelope={live?.envelope}
              correcting={draft.place.supersedes !== undefined}
            />
          ) : (
            stage !== 'set' &&
            !photo.open && (
              <Button kind="primary" className="min-h-13" onClick={advance}>
                {entry.say(`done.${stage}`)}
              </Button>
            )
          )}
        </>
      }
    />
  )
}

const gaveWay = (crumb: Crumb) => crumb.slake !== undefined && crumb.slake !== 'holds'

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

function SoFar({ crumbs, ahead }: { crumbs: Crumb[]; ahead: string }) {
  const gone = crumbs.filter((crumb) => crumb.slake && crumb.slake !== 'holds').length
  return (
    <div className="grid gap-1">
      <span className="text-sm text-soft">so far</span>
      <span className="text-2xl font-bold">
        {gone} of {crumbs.length} gave way
      </span>
      <p className="leading-snug text-soft">{ahead}</p>
    </div>
  )
}
