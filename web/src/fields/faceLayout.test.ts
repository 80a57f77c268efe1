import { describe, expect, it } from 'vitest'
import type { FaceLayout } from '../api/schema'
import { depthScale, foldedNames } from './faceLayout'

const band = (name: string, topMm: number, bottomMm: number) => ({
  band: name,
  topMm,
  bottomMm,
  shown: [],
  folded: [],
})

const layout: FaceLayout = {
  deepestMm: 1100,
  bands: [
    band('above-ground', 0, 0),
    band('top-0-100', 0, 100),
    band('mid-100-200', 100, 200),
    band('low-200-300', 200, 300),
    band('below-300', 300, 1100),
  ],
}

describe('the scale of a face', () => {
  const y = depthScale(layout, [0, 60, 260, 300, 340, 440])
  it('stretches each band to its own height and stays true within it', () => {
    expect([0, 50, 100, 150, 200, 300, 700, 1100].map(y)).toEqual([60, 160, 260, 280, 300, 340, 390, 440])
  })
  it('draws what lies deeper than the face at its foot', () => {
    expect(y(4000)).toBe(440)
  })
})

describe('what is folded away', () => {
  it('is named as far as it is few', () => {
    expect(foldedNames(['Structure', 'Colour', 'pH', 'Worms'])).toBe('structure, colour, pH, worms')
  })
  it('is counted beyond three', () => {
    expect(foldedNames(['Structure', 'Colour', 'pH', 'Worms', 'Smell'])).toBe(
      'structure, colour, pH and 2 more',
    )
  })
})
