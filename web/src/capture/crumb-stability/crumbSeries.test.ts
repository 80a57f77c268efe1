import { expect, it } from 'vitest'
import { momentState, together } from './crumbSeries'

const crumb = (slake: string, cloud10 = 'none', partly?: boolean) => ({ slake, cloud10, partly })

it('a moment lies ahead, is due, or was missed', () => {
  const minute = { atSeconds: 60, toleranceSeconds: 5 }
  const at = (elapsed: number | undefined, taken = false) => momentState(taken, elapsed, minute)
  expect([at(undefined), at(54), at(55), at(75), at(76), at(76, true)]).toEqual([
    'ahead',
    'ahead',
    'due',
    'due',
    'missed',
    'taken',
  ])
})

it('a crumb gave way at the first picture that shows it; clouds are those of their time', () => {
  const crumbs = together({
    '60s': { crumbs: [crumb('under-60s', 'none', true), crumb('holds'), crumb('holds')] },
    '10min': {
      crumbs: [
        crumb('within-10min', 'faint', false),
        crumb('within-10min', 'faint'),
        crumb('holds', 'faint'),
      ],
    },
    '30min': {
      crumbs: [
        crumb('within-10min', 'strong'),
        crumb('within-10min', 'strong'),
        crumb('within-10min', 'strong'),
      ],
    },
  })
  expect(crumbs.map((each) => each.slake)).toEqual(['under-60s', 'within-10min', 'holds'])
  expect(crumbs[0]).toMatchObject({ partly: true, cloud10: 'faint', cloud30: 'strong' })
})

it('without a picture at ten minutes the one at thirty speaks, and after the first minute no cloud is known', () => {
  expect(together({ '30min': { crumbs: [crumb('within-10min', 'strong')] } })[0]).toMatchObject({
    slake: 'within-10min',
    cloud30: 'strong',
  })
  expect(together({ '60s': { crumbs: [crumb('holds')] } })[0]!.cloud10).toBeUndefined()
  expect(together({})).toEqual([])
})
