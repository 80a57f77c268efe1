import { useDeferredValue, useMemo, useState } from 'react'
import type { FromPhotoWrite, MethodEntry } from '../../api/schema'
import type { Readings } from '../../api/readings'
import { useCore } from '../../core/core'
import { showSpan } from '../../timers/clocks'
import { Loading } from '../../ui/states'
import { Camera } from '../photo/Camera'
import { Handle, Ring, type Spot } from '../photo/Handle'
import { LookAt, type Proposed, type Size } from '../photo/PhotoProposal'
import type { Pixels } from '../photo/pixels'
import { useLooks } from '../photo/useLooks'
import { useSeen } from '../photo/useSeen'
import { MOMENT_STEP, MOMENTS, momentState, together, type Moment, type MomentState } from './crumbSeries'
import type { Crumb } from './crumbStages'

const BEFORE = 'before'
const DISH = <circle cx="50" cy="50" r="40" />

type Timed = {
  moment: Moment
  label: string
  atSeconds: number
  toleranceSeconds: number
  state: MomentState
}

/**
 * How far crumbs have spread, by a phone that stands still: a picture before they are wetted, then one at each moment of
 * the clock. What was missed is said; what there is is looked at.
 */
export function CrumbsPhoto({
  draft,
  startedAt,
  elapsed,
  steps,
  onMoment,
  onTake,
  onLeave,
}: {
  /** id of the test */
  draft: string
  /** when the crumbs went in, ms since 1970; undefined before */
  startedAt: number | undefined
  /** seconds since then */
  elapsed: number | undefined
  /** of the test's clock */
  steps: MethodEntry['timedSteps']
  onMoment: (step: string) => void
  /** `last`: no picture is to come, also none of the clouds */
  onTake: (crumbs: Crumb[], last: boolean, pictures: Pixels[], photo: FromPhotoWrite) => void
  onLeave: () => void
}) {
  const series = useLooks(draft)
  const [dish, setDish] = useState({ x: 0.5, y: 0.5, radius: 0.4 })
  const moments: Timed[] = MOMENTS.flatMap((moment) => {
    const step = steps.find((each) => each.code === MOMENT_STEP[moment])
    if (step?.atSeconds === undefined) return []
    const timed = { atSeconds: step.atSeconds, toleranceSeconds: step.toleranceSeconds }
    const taken = series.looks?.[moment] !== undefined
    return [{ moment, label: spanOf(moment), ...timed, state: momentState(taken, elapsed, timed) }]
  })
  const next = moments.find((each) => each.state === 'due' || each.state === 'ahead')
  const { practising, seen } = useSeen(
    'crumbs',
    series.looks?.[BEFORE] ? 1 : 0,
    next?.moment === '60s' ? fallenAtOnce : undefined,
  )
  const core = useCore()
  const before = series.looks?.[BEFORE]
  // while the dish is dragged the ring follows the finger, and the figures when there is time
  const settled = useDeferredValue(dish)
  const by = useMemo(() => {
    const found: Partial<Record<Moment, Readings>> = {}
    for (const moment of MOMENTS) {
      const after = series.looks?.[moment]
      if (!core || !before || !after) continue
      const answer = core.look('crumbs', { dish: settled, moment }, [before, after]).envelope as
        Proposed | undefined
      if (answer) found[moment] = answer.proposal
    }
    return found
  }, [core, before, series.looks, settled])
  if (!series.looks || (practising && !seen)) return <Loading what="the pictures" />
  const leave = () => {
    series.clear()
    onLeave()
  }
  if (!before)
    return (
      <Camera
        label="The dish from straight above just before the crumbs are wetted, the phone standing still"
        guide={DISH}
        seen={seen}
        onPicture={(picture) => series.add(BEFORE, picture)}
        onLeave={leave}
      />
    )
  const latest = MOMENTS.findLast((moment) => series.looks![moment] !== undefined)
  const crumbs = together(by)
  const clouded = crumbs.some((crumb) => crumb.cloud10 !== 'none')
  // without a cloud at ten minutes nobody comes back for the last picture
  const cloudless = by['10min'] !== undefined && !clouded
  const waitsFor = cloudless ? undefined : next
  return (
    <div className="grid gap-3">
      {elapsed === undefined && (
        <p className="leading-snug font-semibold" role="status">
          The picture from before is kept. Wet the crumbs and start the clock; leave dish and phone as they
          are.
        </p>
      )}
      <Series moments={moments} elapsed={elapsed} cloudless={cloudless} />
      {startedAt !== undefined && waitsFor && (
        <Camera
          label={`The dish after ${waitsFor.label}, the phone where it was${waitsFor.state === 'due' ? ': now' : ''}`}
          guide={DISH}
          seen={seen}
          shootAt={startedAt + waitsFor.atSeconds * 1000}
          waiting={waitsFor.state === 'ahead'}
          onPicture={(picture) => {
            series.add(waitsFor.moment, picture)
            onMoment(MOMENT_STEP[waitsFor.moment])
          }}
          onLeave={leave}
        />
      )}
      {latest ? (
        <LookAt
          kind="crumbs"
          pictures={[before, series.looks[latest]!]}
          shown={series.looks[latest]!}
          inputs={{ dish, moment: latest }}
          enough={by['10min'] !== undefined || by['30min'] !== undefined}
          onTake={() => {
            const pictures = [BEFORE, ...MOMENTS].flatMap((each) => series.looks![each] ?? [])
            onTake(crumbs, cloudless || by['30min'] !== undefined, pictures, {
              kind: 'crumbs',
              proposed: { crumbs },
            })
            series.clear()
          }}
          onLeave={leave}
          overlay={(answer, size) => <Spreads dish={dish} onDish={setDish} answer={answer} size={size} />}
        >
          {() => (
            <p className="text-sm text-soft">
              Put the cross in the middle of the dish, and the ring just inside its rim. The figure at each
              crumb is its area after {spanOf(latest)} over before.
            </p>
          )}
        </LookAt>
      ) : (
        elapsed !== undefined &&
        !waitsFor && (
          <p role="alert" className="text-failing">
            All pictures were missed. Tap the crumbs as they gave way, or begin again with dry ones.
          </p>
        )
      )}
    </div>
  )
}

const spanOf = (moment: Moment) => ({ '60s': '60 s', '10min': '10 min', '30min': '30 min' })[moment]

/** On the training ground after the first minute: only what fell at once has fallen, and no cloud has come. */
function fallenAtOnce(readings: Readings): Readings {
  const crumbs = (readings['crumbs'] ?? []) as Crumb[]
  return {
    ...readings,
    crumbs: crumbs.map((crumb) => ({
      ...crumb,
      slake: crumb.slake === 'under-60s' ? crumb.slake : 'holds',
      cloud10: 'none',
    })),
  }
}

const STATE_WORD: Record<MomentState, string> = {
  taken: 'taken',
  ahead: 'to come',
  due: 'now',
  missed: 'missed',
}

function Series({
  moments,
  elapsed,
  cloudless,
}: {
  moments: Timed[]
  elapsed: number | undefined
  cloudless: boolean
}) {
  return (
    <ol aria-label="Pictures by the clock" className="grid grid-cols-4 gap-2">
      <li className="border-t-4 border-ink pt-1">
        <strong className="block">dry</strong>
        <span className="text-sm text-soft">taken</span>
      </li>
      {moments.map((each) => {
        const idle = cloudless && each.moment === '30min' && each.state !== 'taken'
        return (
          <li
            key={each.moment}
            className={`border-t-4 pt-1 ${each.state === 'taken' ? 'border-ink' : each.state === 'missed' ? 'border-failing' : each.state === 'due' ? 'border-accent' : 'border-rule'}`}
          >
            <strong className="block">{each.label}</strong>
            <span className={`text-sm ${each.state === 'missed' && !idle ? 'text-failing' : 'text-soft'}`}>
              {idle
                ? 'no cloud, not needed'
                : each.state === 'ahead' && elapsed !== undefined
                  ? `in ${showSpan(Math.max(0, each.atSeconds - elapsed))}`
                  : STATE_WORD[each.state]}
            </span>
          </li>
        )
      })}
    </ol>
  )
}

type Spread = Spot & { areaRatio?: number }

/** The dish and how far each crumb has spread, over the later picture. */
function Spreads({
  dish,
  onDish,
  answer,
  size,
}: {
  dish: { x: number; y: number; radius: number }
  onDish: (dish: { x: number; y: number; radius: number }) => void
  answer: Proposed | undefined
  size: Size
}) {
  return (
    <>
      {[
        { stroke: '#fff', width: 6 },
        { stroke: '#101813', width: 2 },
      ].map((line) => (
        <circle
          key={line.stroke}
          cx={dish.x * size.width}
          cy={dish.y * size.height}
          r={dish.radius * size.width}
          fill="none"
          stroke={line.stroke}
          strokeWidth={line.width}
        />
      ))}
      {((answer?.series['crumbs'] ?? []) as unknown as Spread[]).map((crumb, i) => (
        <g key={i} transform={`translate(${crumb.x * size.width} ${crumb.y * size.height})`}>
          <Ring radius={34} dashed={crumb.areaRatio === undefined} />
          <text
            y="-44"
            textAnchor="middle"
            fontSize="40"
            fill="#101813"
            stroke="#fff"
            strokeWidth="8"
            paintOrder="stroke"
          >
            {crumb.areaRatio === undefined ? 'gone' : `× ${crumb.areaRatio.toFixed(2)}`}
          </text>
        </g>
      ))}
      <Handle label="Middle of the dish" at={dish} {...size} onMove={(at) => onDish({ ...dish, ...at })}>
        <path d="M-30 0H30M0-30V30" stroke="#fff" strokeWidth="7" />
        <path d="M-30 0H30M0-30V30" stroke="#101813" strokeWidth="3" />
      </Handle>
      <Handle
        label="Edge of the dish"
        at={{ x: Math.min(1, dish.x + dish.radius), y: dish.y }}
        {...size}
        onMove={(at) => onDish({ ...dish, radius: Math.max(0.06, at.x - dish.x) })}
      >
        <Ring radius={26} />
      </Handle>
    </>
  )
}
