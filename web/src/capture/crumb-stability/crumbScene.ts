import type { CrumbSeen } from '../../drawings/water'
import { seenOf } from './CrumbDish'
import { STAGES, type Crumb, type Stage } from './crumbStages'

export type Swirled = 'gentle' | 'strong' | undefined

/** Untouched, what a gentle swirl would break gives way between three and nine minutes. */
const UNTOUCHED_FROM_S = 180
const UNTOUCHED_APART_S = 45
const CLOUDS_FROM_S = 480

/** What a crumb of the training ground shows at a moment: nobody is told what it will do. */
export function shownAt(
  truth: Crumb,
  index: number,
  stage: Stage,
  elapsedSeconds: number,
  swirled: Swirled,
): CrumbSeen {
  const whole: CrumbSeen = { pieces: 0, reach: 0 }
  if (stage === 'set') return whole
  const after = (from: Stage) => STAGES.indexOf(stage) >= STAGES.indexOf(from)
  // a stone gives way to nothing, and shows what it is only when it is pressed
  if (truth.stone) return { ...whole, stone: after('press') }
  const broken = seenOf({ slake: truth.slake })
  const clouds = elapsedSeconds >= CLOUDS_FROM_S || after('cloud10')
  const cloud = clouds ? (after('cloud30') ? (truth.cloud30 ?? truth.cloud10) : truth.cloud10) : undefined
  const gave =
    truth.slake === 'under-60s'
      ? elapsedSeconds >= (truth.collapseSeconds ?? 0)
      : truth.slake === 'gentle-swirl'
        ? swirled !== undefined || elapsedSeconds >= UNTOUCHED_FROM_S + UNTOUCHED_APART_S * index
        : truth.slake === 'strong-swirl' && swirled === 'strong'
  return { ...(gave ? broken : whole), cloud }
}
