import { describe, expect, it } from 'vitest'
import { following, settle, tapped, type Crumb } from './crumbStages'

describe('the staged watch of crumbs', () => {
  it('notes when a crumb gave way by itself, and takes a second tap back', () => {
    const gone = tapped({}, 'still', 38.4, { stillSeconds: 60 })
    expect(gone).toEqual({ slake: 'under-60s', collapseSeconds: 38 })
    expect(tapped(gone, 'still', 50, { stillSeconds: 60 }).slake).toBeUndefined()
    expect(tapped({}, 'still', 64, { stillSeconds: 60 }).collapseSeconds).toBe(59)
  })
  it('leaves a crumb that gave way before as it is', () => {
    const gone: Crumb = { slake: 'under-60s', collapseSeconds: 10 }
    expect(tapped(gone, 'gentle', 70, { stillSeconds: 60 })).toBe(gone)
    expect(tapped({}, 'strong', 100, { stillSeconds: 60 }).slake).toBe('strong-swirl')
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
    expect(tapped({ cloud10: 'strong' }, 'cloud10', 600, { stillSeconds: 60 }).cloud10).toBe('none')
    expect(following('cloud10', [{ cloud10: 'none' }, {}])).toBe('press')
    expect(following('cloud10', [{ cloud10: 'faint' }])).toBe('cloud30')
    expect(following('press', [])).toBe('press')
  })
})
