import type { MethodTypes } from '../../api/methodTypes'
import type { ReadingsOf } from '../../api/readings'

type Readings = ReadingsOf<'crumb-stability'>
export type Crumb = NonNullable<Readings['crumbs']>[number]

/** The staged watch, in its order; crumbs are swirled after the first minute, or watched untouched for ten. */
export const STAGES = ['set', 'still', 'gentle', 'strong', 'watch', 'cloud10', 'cloud30', 'press'] as const
export type Stage = (typeof STAGES)[number]

export const STAGE_STEP: Partial<Record<Stage, string>> = {
  still: 'stand-60',
  gentle: 'gentle-swirl',
  strong: 'strong-swirl',
  cloud10: 'cloud-10',
  cloud30: 'cloud-30',
}

const CLOUDS = ['none', 'faint', 'strong'] as const

function nextCloud(cloud: Crumb['cloud10']) {
  return CLOUDS[(CLOUDS.indexOf(cloud ?? 'none') + 1) % CLOUDS.length]
}

/** What a tap on a crumb means at a stage; a second tap takes it back. */
export function tapped(
  crumb: Crumb,
  stage: Stage,
  elapsedSeconds: number,
  {
    stillSeconds,
    watchedSeconds,
  }: Pick<MethodTypes['crumb-stability']['drawn'], 'stillSeconds' | 'watchedSeconds'>,
): Crumb {
  const given = {
    still: 'under-60s',
    gentle: 'gentle-swirl',
    strong: 'strong-swirl',
    watch: 'within-10min',
  } as const
  switch (stage) {
    case 'still':
    case 'gentle':
    case 'strong':
    case 'watch':
      if (crumb.slake === given[stage])
        return { ...crumb, slake: undefined, collapseSeconds: undefined, partly: undefined }
      if (crumb.slake) return crumb
      // a crumb tapped late in a stage still gave way by itself within it
      if (stage === 'still')
        return {
          ...crumb,
          slake: given.still,
          collapseSeconds: Math.min(stillSeconds - 1, Math.round(elapsedSeconds)),
        }
      if (stage === 'watch')
        return {
          ...crumb,
          slake: given.watch,
          collapseSeconds: Math.min(watchedSeconds, Math.max(stillSeconds, Math.round(elapsedSeconds))),
        }
      return { ...crumb, slake: given[stage] }
    case 'cloud10':
      return { ...crumb, cloud10: nextCloud(crumb.cloud10) }
    case 'cloud30':
      return { ...crumb, cloud30: nextCloud(crumb.cloud30 ?? crumb.cloud10) }
    case 'press':
      return { ...crumb, stone: !crumb.stone }
    case 'set':
      return crumb
  }
}

/** What a stage that is over has decided of the crumbs nobody tapped. */
export function settle(crumbs: Crumb[], over: Stage): Crumb[] {
  return crumbs.map((crumb) => {
    switch (over) {
      case 'strong':
      case 'watch':
        return { ...crumb, slake: crumb.slake ?? 'holds' }
      case 'cloud10':
        return { ...crumb, cloud10: crumb.cloud10 ?? 'none' }
      case 'cloud30':
        return { ...crumb, cloud30: crumb.cloud30 ?? crumb.cloud10 }
      case 'press':
        return { ...crumb, stone: crumb.stone ?? false }
      case 'set':
      case 'still':
      case 'gentle':
        return crumb
    }
  })
}

/** The stage after one; a second look at clouds only where there was one. */
export function following(stage: Stage, crumbs: Crumb[]): Stage {
  if (stage === 'cloud10' && crumbs.every((crumb) => (crumb.cloud10 ?? 'none') === 'none')) return 'press'
  if (stage === 'strong') return 'cloud10'
  return STAGES[Math.min(STAGES.indexOf(stage) + 1, STAGES.length - 1)]!
}

/** The readings as they are sent: without what is still open. */
export function sent(readings: Readings, crumbs: Crumb[], stage: Stage): Readings {
  return { ...readings, crumbs: stage === 'press' ? settle(crumbs, 'press') : crumbs }
}
