import { describe, expect, it } from 'vitest'
import type { Envelope } from '../api/schema'
import { makeUnits } from '../units/units'
import { amountOf } from './amounts'

function lime(tHa: number, t: number): Envelope {
  return {
    method: 'lime',
    values: { productTHa: { value: tHa, unit: 't/ha' }, productT: { value: t, unit: 't' } },
    classes: {},
    ratings: [],
    notes: [],
    series: {},
    working: [],
  }
}

describe('amounts of a plan', () => {
  const metric = makeUnits('metric', [])
  it('are in t/ha on a field and in kg on 10 m² in a garden', () => {
    expect(amountOf('lime', lime(4.2, 33), metric, false)).toBe('4.2 t/ha of lime, 33 t in all')
    expect(amountOf('lime', lime(4.2, 0.042), metric, true)).toBe('4.2 kg per 10 m², 42 kg of lime in all')
  })
  it('follow the units setting', () => {
    const us = makeUnits('us', [
      { symbol: 't/ha', usSymbol: 'ton/ac', usFactor: 0.446, usOffset: 0, usDecimals: 2 },
    ])
    expect(amountOf('lime', lime(4, 33), us, true)).toContain('1.78 ton/ac')
  })
  it('are left out where nothing is calculated', () => {
    expect(amountOf('keep-covered', lime(1, 1), metric, false)).toBeUndefined()
  })
})
