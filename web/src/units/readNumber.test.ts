import { describe, expect, it } from 'vitest'
import { makeUnits } from './units'
import { readNumber } from './readNumber'

const table = [
  { symbol: 'mm', usSymbol: 'in', usFactor: 1 / 25.4, usOffset: 0, usDecimals: 2 },
  { symbol: 'kPa', usSymbol: 'psi', usFactor: 0.1450377, usOffset: 0, usDecimals: 0 },
  { symbol: '°C', usSymbol: '°F', usFactor: 1.8, usOffset: 32, usDecimals: 0 },
  { symbol: 't/ha', usSymbol: 'ton/ac', usFactor: 0.446, usOffset: 0, usDecimals: 2 },
]

/** A small seeded generator, so that a failure can be repeated. */
function draws(seed: number) {
  let state = seed
  return () => {
    state = (state * 1_103_515_245 + 12_345) % 2_147_483_648
    return state / 2_147_483_648
  }
}

describe('a typed number', () => {
  it('is read as the page writes it', () => {
    expect(readNumber('1,200')).toEqual({ value: 1200 })
    expect(readNumber('12,345.6')).toEqual({ value: 12_345.6 })
    expect(readNumber('1,234,567')).toEqual({ value: 1_234_567 })
    expect(readNumber('−4')).toEqual({ value: -4 })
    expect(readNumber('1.200')).toEqual({ value: 1.2 })
    expect(readNumber(' 7.5 ')).toEqual({ value: 7.5 })
    expect(readNumber('.5')).toEqual({ value: 0.5 })
  })
  it('takes a comma before decimals where it can mean nothing else', () => {
    expect(readNumber('0,5')).toEqual({ value: 0.5 })
    expect(readNumber('12,75')).toEqual({ value: 12.75 })
    expect(readNumber('0,125')).toEqual({ value: 0.125 })
    expect(readNumber('3,')).toEqual({ value: 3 })
  })
  it('names both readings of what can’t be read for sure', () => {
    expect(readNumber('1.200,5')).toEqual({ unsure: [1200.5, 1.2005] })
    expect(readNumber('1.200.300')).toEqual({ unsure: [1_200_300] })
    expect(readNumber('1,20.5')).toEqual({ unsure: [1.205, 120.5] })
  })
  it('refuses what is no number', () => {
    for (const text of ['', 'abc', '1.2.3', '12 mm', '--4', '1e5', 'NaN', '0x10'])
      expect(readNumber(text)).toBeUndefined()
  })
  it.each(['metric', 'us'] as const)('everything shown can be typed back, %s units', (system) => {
    const units = makeUnits(system, table)
    const next = draws(20)
    for (let i = 0; i < 3000; i++) {
      const unit = ['mm', 'kPa', '°C', 't/ha', '%', ''][Math.floor(next() * 6)]!
      const sign = next() < 0.2 ? -1 : 1
      const metric = sign * 10 ** (next() * 9 - 3)
      const shown = units.number(metric, unit)
      const read = readNumber(shown)
      expect(read, shown).toHaveProperty('value')
      const back = units.toMetric((read as { value: number }).value, unit)
      expect(units.number(back, unit)).toBe(shown)
      // and it is the figure itself, within what was shown of it
      const near = Math.abs(units.toShown(back, unit) - units.toShown(metric, unit))
      expect(near, shown).toBeLessThanOrEqual(Math.max(0.5, Math.abs(units.toShown(metric, unit)) * 0.005))
    }
  })
})
