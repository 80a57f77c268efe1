import { describe, expect, it } from 'vitest'
import { following, settle, tapped, type Crumb } from './crumbStages'

const TIMES = { stillSeconds: 60, watchedSeconds: 600 }

describe('the staged watch of crumbs', () => {
  it('notes when a crumb gave way by itself, and takes a second tap back', () => {
    const gone = tapped({}, 'still', 38.4, TIMES)
    expect(gone).toEqual({ slake: 'under-60s', collapseSeconds: 38 })
    expect(tapped(gone, 'still', 50, TIMES).slake).toBeUndefined()
    expect(tapped({}, 'still', 64, TIMES).collapseSeconds).toBe(59)
  })
  it('watches for ten minutes what nobody swirls', () => {
    const gone = tapped({}, 'watch', 241, TIMES)
    expect(gone).toEqual({ slake: 'within-10min', collapseSeconds: 241 })
    expect(tapped({}, 'watch', 700, TIMES).collapseSeconds).toBe(600)
    expect(tapped({ ...gone, partly: true }, 'watch', 300, TIMES)).toEqual({})
    expect(settle([{}, gone], 'watch').map((crumb) => crumb.slake)).toEqual(['holds', 'within-10min'])
    expect(following('watch', [])).toBe('cloud10')
    expect(following('strong', [])).toBe('cloud10')
  })
  it('leaves a crumb that gave way before as it is', () => {
    const gone: Crumb = { slake: 'under-60s', collapseSeconds: 10 }
    expect(tapped(gone, 'gentle', 70, TIMES)).toBe(gone)
    expect(tapped({}, 'strong', 100, TIMES).slake).toBe('strong-swirl')
  })
  it('takes what nobody tapped as holding, and as clear', () => {
    expect(settle([{}, { slake: 'gentle-swirl' }], 'strong').map((crumb) => crumb.slake)).toEqual([
      'holds',
      'gentle-swirl',
    ])
    expect(settle([{ slake: 'holds' }], 'cloud10')[0]!.cloud10).toBe('none')
    expect(settle([{ slake: 'holds', cloud10: 'faint' }], 'cloud30')[0]!.cloud30).toBe('faint')
  })
  it('goes round the clouds and asks for a second look only where there was one', () => {
    expect(tapped({ cloud10: 'strong' }, 'cloud10', 600, TIMES).cloud10).toBe('none')
    expect(following('cloud10', [{ cloud10: 'none' }, {}])).toBe('press')
    expect(following('cloud10', [{ cloud10: 'faint' }])).toBe('cloud30')
    expect(following('press', [])).toBe('press')
  })
})
