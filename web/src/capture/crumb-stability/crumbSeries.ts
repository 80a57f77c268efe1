import type { Readings } from '../../api/readings'
import { settle, type Crumb } from './crumbStages'

/** The pictures of a series: before the crumbs are wetted, and by the clock. */
export const MOMENTS = ['60s', '10min', '30min'] as const
export type Moment = (typeof MOMENTS)[number]

/** The step of the test's clock at which a picture is taken. */
export const MOMENT_STEP: Record<Moment, string> = {
  '60s': 'stand-60',
  '10min': 'cloud-10',
  '30min': 'cloud-30',
}

/** How many times its tolerance a moment may be late before it is missed. */
const LATE = 3

export type MomentState = 'taken' | 'ahead' | 'due' | 'missed'

/** How a moment stands so many seconds after the crumbs went in; before that all lie ahead. */
export function momentState(
  taken: boolean,
  elapsed: number | undefined,
  { atSeconds, toleranceSeconds }: { atSeconds: number; toleranceSeconds: number },
): MomentState {
  if (taken) return 'taken'
  if (elapsed === undefined || elapsed < atSeconds - toleranceSeconds) return 'ahead'
  return elapsed <= atSeconds + LATE * toleranceSeconds ? 'due' : 'missed'
}

/** What each picture proposed, put together: a crumb gave way at the first that shows it, clouds are those of their time. */
export function together(by: Partial<Record<Moment, Readings>>): Crumb[] {
  const rows = (moment: Moment) => by[moment]?.['crumbs'] as Crumb[] | undefined
  const [first, second, third] = MOMENTS.map(rows)
  // without a picture at ten minutes the one at thirty says at least that it fell by itself
  const watched = second ?? third
  const crumbs = (watched ?? first ?? []).map((later, i): Crumb => {
    const early = first?.[i]
    const fell = early && early.slake !== 'holds' ? early : later
    return {
      slake: fell.slake,
      partly: fell.partly,
      cloud10: watched && later.cloud10,
      cloud30: third?.[i]?.cloud10,
    }
  })
  return watched ? settle(crumbs, 'cloud10') : crumbs
}
