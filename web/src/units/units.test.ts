import { describe, expect, it } from 'vitest'
import shown from '../../../core/src/test/resources/shown-units.json'
import parts from '../testing/demo/coreParts.json'
import { makeUnits, plainNumber } from './units'

const cases: { value?: number; unit?: string; metric?: string; prose?: string; us: string }[] = shown

const table = parts.units
const us = makeUnits('us', table)
const metric = makeUnits('metric', table)

describe('units', () => {
  it('leaves metric figures as they are', () => {
    expect(metric.text(38, 'mm/h')).toBe('38 mm/h')
    expect(metric.prose('Falls at 38 mm/h')).toBe('Falls at 38 mm/h')
    expect(metric.toMetric(12, 'mm')).toBe(12)
  })
  it('converts figures and entries, there and back', () => {
    expect(us.text(38.1, 'mm/h')).toBe('1.5 in/h')
    expect(us.text(21, '°C')).toBe('70 °F')
    expect(us.toMetric(us.toShown(47.3, '°C'), '°C')).toBeCloseTo(47.3, 10)
  })
  it('keeps a small converted figure apart from nothing', () => {
    expect(us.number(0.5, 'mm')).toBe('0.02')
    expect(us.number(0.15, 'mm')).toBe('0.006')
  })
  it('converts the figures in a sentence, ranges too, and no others', () => {
    expect(us.prose('With 25 mm left, 13 to 50 mm/h is ideal for 3 crumbs')).toBe(
      'With 0.98 in left, 0.51 to 1.97 in/h is ideal for 3 crumbs',
    )
    expect(us.prose('5–10 mm crumbs at −1.5 °C')).toBe('0.2–0.39 in crumbs at 29 °F')
  })
  it('writes numbers plainly', () => {
    expect([plainNumber(2070), plainNumber(11.4729), plainNumber(0.784), plainNumber(-4)]).toEqual([
      '2,070',
      '11.5',
      '0.78',
      '−4',
    ])
  })

  it.each(cases.filter((each) => each.unit !== undefined))('shows $value $unit as the core does', (each) => {
    expect(metric.text(each.value!, each.unit!)).toBe(each.metric)
    expect(us.text(each.value!, each.unit!)).toBe(each.us)
  })
  it.each(cases.filter((each) => each.prose !== undefined))('reads “$prose” as the core does', (each) => {
    expect(metric.prose(each.prose!)).toBe(each.prose)
    expect(us.prose(each.prose!)).toBe(each.us)
  })
})
