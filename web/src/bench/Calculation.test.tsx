import 'fake-indexeddb/auto'
import { screen } from '@testing-library/react'
import { afterEach, describe, expect, it } from 'vitest'
import { calculators } from '../testing/demo'
import { open, putAway, serve } from '../testing/page'
import { Calculation } from './Calculation'

afterEach(putAway)

function openCalculator(id: string, answers = {}) {
  serve(answers)
  const calculator = calculators.find((each) => each.id === id)!
  return { calculator, ...open('/bench', <Calculation calculator={calculator} />, '/bench') }
}

describe('a calculator on the bench', () => {
  it('has a field for every input of every calculator', async () => {
    for (const { id } of calculators) {
      const { calculator } = openCalculator(id)
      await screen.findByRole('heading', { name: calculator.title })
      for (const entry of calculator.inputs.filter((each) => each.when.length === 0))
        expect(document.body.textContent, `${id} ${entry.name}`).toContain(entry.label)
      await putAway()
    }
  })

  it('says how many inputs are missing, then the figures at once with how they came about', async () => {
    const { user, calculator } = openCalculator('drain-spacing')
    expect((await screen.findByRole('status')).textContent).toMatch(/still needed|Figures appear/)
    const entry = (name: string) => calculator.inputs.find((each) => each.name === name)!
    for (const each of calculator.inputs.filter((one) => one.required)) {
      const middle = each.min !== undefined && each.max !== undefined ? Math.min(each.max, each.min + 2) : 2
      await user.type(screen.getByLabelText(entry(each.name).label), String(middle))
    }
    expect(screen.queryByText(/still needed/)).toBeNull()
  })

  it('works irrigation out by hand-checked figures', async () => {
    const { user, calculator } = openCalculator('irrigation')
    const label = (name: string) =>
      new RegExp(`^${calculator.inputs.find((each) => each.name === name)!.label}`)
    for (const [name, value] of [
      ['rootableWaterMm', '80'],
      ['dailyUseMm', '4'],
      ['applicationMmH', '20'],
      ['steadyRateMmH', '10'],
      ['sorptivity', '20'],
    ] as const)
      await user.type(await screen.findByLabelText(label(name)), value)
    // half of 80 mm, 4 mm a day; 60 · 400 · 15 ÷ (2 · 20 · 100) min
    expect(await screen.findByText('40 mm')).toBeTruthy()
    expect(screen.getByText('10 d')).toBeTruthy()
    expect(screen.getAllByText('90 min').length).toBeGreaterThan(0)
  })

  it('names a fault at its input', async () => {
    const { user, calculator } = openCalculator('lime')
    const ph = calculator.inputs.find((each) => each.name === 'phWater')!
    await user.type(await screen.findByLabelText(new RegExp(`^${ph.label}`)), '15')
    const field = screen.getByLabelText(new RegExp(`^${ph.label}`))
    expect(field.getAttribute('aria-invalid')).toBe('true')
    expect(field.getAttribute('aria-describedby')).toBeTruthy()
    expect(document.body.textContent).toContain('14')
  })

  it.each([
    ['day-plan', /^Lanes of/],
    ['sampling-windows', /^21 days; good:/],
    ['agreement', /^Ash -?−?0\.\d+, Birch 0\.\d+$/],
    ['field-model', /^Course of the field: before \d/],
  ])('draws the answer of %s from its example', async (id, picture) => {
    const { user } = openCalculator(id)
    await user.click(await screen.findByRole('button', { name: 'Fill in an example' }))
    expect(await screen.findByRole('img', { name: picture })).toBeTruthy()
  })

  it('asks the server for what the page can not work out, and draws it', async () => {
    const { user } = openCalculator('stop-placement', {
      'POST /api/calculators/stop-placement': {
        method: 'stop-placement',
        values: { walkM: { value: 300, unit: 'm' } },
        classes: {},
        ratings: [],
        notes: [],
        working: [],
        series: { stops: [{ order: 1, longitude: 3.422, latitude: 53.811, edgeM: 40, kept: false }] },
      },
    })
    await user.click(await screen.findByRole('button', { name: 'Fill in an example' }))
    expect(await screen.findByRole('img', { name: '1 stops in their order' })).toBeTruthy()
    expect(screen.getAllByText('300 m').length).toBeGreaterThan(0)
  })
})
