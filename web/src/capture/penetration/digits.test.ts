import { expect, it } from 'vitest'
import { digitsToReadings } from './digits'

it('reads two digits for each depth and leaves a half typed pair alone', () => {
  expect(digitsToReadings('0812', 100, 75)).toEqual([
    { depthMm: 75, kPa: 800 },
    { depthMm: 150, kPa: 1200 },
  ])
  expect(digitsToReadings('08123', 100, 75)).toHaveLength(2)
  expect(digitsToReadings('', 100, 75)).toEqual([])
})

it('takes a gauge in tens of psi', () => {
  expect(digitsToReadings('30', 68.94757, 75)).toEqual([{ depthMm: 75, kPa: 2068 }])
})
