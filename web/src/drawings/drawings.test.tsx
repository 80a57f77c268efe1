import { render } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { chance } from './chance'
import { Dial } from './Dial'
import { Fragments, Ground, Mottles, Pores } from './soil'

const drawn = (node: React.ReactNode) => {
  const { container, unmount } = render(<svg>{node}</svg>)
  const copy = container.cloneNode(true) as HTMLElement
  unmount()
  return copy
}

describe('drawings', () => {
  it('look like chance and are the same each time', () => {
    const one = Array.from({ length: 50 }, chance(7))
    expect(Array.from({ length: 50 }, chance(7))).toEqual(one)
    expect(Array.from({ length: 50 }, chance(8))).not.toEqual(one)
    expect(Math.min(...one)).toBeGreaterThanOrEqual(0)
    expect(Math.max(...one)).toBeLessThan(1)
    expect(one.reduce((sum, each) => sum + each) / 50).toBeGreaterThan(0.3)
  })

  it('show fewer and larger pieces the worse the block', () => {
    const pieces = [1, 2, 3, 4, 5].map(
      (score) => drawn(<Fragments score={score} seed={1} />).querySelectorAll('path').length,
    )
    expect([...pieces].sort((a, b) => b - a)).toEqual(pieces)
    expect(new Set(pieces).size).toBe(5)
  })

  it('show more pores the better the score', () => {
    const holes = [0, 1, 2].map(
      (score) => drawn(<Pores score={score} seed={1} />).querySelectorAll('circle').length,
    )
    expect(holes[0]).toBe(0)
    expect(holes[1]).toBeGreaterThan(10)
    expect(holes[2]).toBeGreaterThan(holes[1]!)
  })

  it('cover as much ground and as much of a face as they say', () => {
    const cells = drawn(<Ground living={50} litter={15} stone={5} bare={30} seed={2} />).querySelectorAll(
      'g > g',
    ).length
    expect(cells).toBe(280)
    const spots = [...drawn(<Mottles rust={10} black={0} grey={0} seed={3} />).querySelectorAll('ellipse')]
    const area = spots.reduce(
      (sum, each) => sum + Math.PI * Number(each.getAttribute('rx')) * Number(each.getAttribute('ry')),
      0,
    )
    expect(area / (388 * 200)).toBeGreaterThan(0.1)
    expect(area / (388 * 200)).toBeLessThan(0.115)
  })

  it('have two scales on a dial, the inner one smaller by the areas of the tips', () => {
    const texts = [...drawn(<Dial kPa={2000} label="" />).querySelectorAll('text')].map(
      (each) => each.textContent,
    )
    expect(texts).toContain('50')
    expect(texts).toContain('20') // 50 × (12.7 ÷ 20.3)²
  })
})
