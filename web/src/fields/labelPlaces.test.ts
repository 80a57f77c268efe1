import { describe, expect, it } from 'vitest'
import { labelPlaces } from './labelPlaces'

describe('labels on the plan of a field', () => {
  it('stand to the right below where there is room', () => {
    expect(labelPlaces([{ x: 50, y: 50, text: '1' }], 340)).toEqual([{ x: 55, y: 62, anchor: 'start' }])
  })

  it('keep off a label that is there already', () => {
    const [first, second] = labelPlaces(
      [
        { x: 100, y: 100, text: 'Poor patch' },
        { x: 130, y: 100, text: 'Hedge' },
      ],
      340,
    )
    expect(first).toEqual({ x: 105, y: 112, anchor: 'start' })
    // the first label runs from 105 to 169: beside the second flag only above it is free
    expect(second).toEqual({ x: 142, y: 94, anchor: 'start' })
  })

  it('turn to the left at the right edge', () => {
    expect(labelPlaces([{ x: 320, y: 80, text: 'Good patch' }], 340)[0]!.anchor).toBe('end')
  })

  it('stand where they usually do when nothing is free', () => {
    const crowd = Array.from({ length: 9 }, () => ({ x: 100, y: 100, text: 'A long label of a stop' }))
    const places = labelPlaces(crowd, 340)
    expect(places).toHaveLength(9)
    expect(places.at(-1)).toEqual({ x: 105, y: 112, anchor: 'start' })
  })
})
