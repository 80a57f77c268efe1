import 'fake-indexeddb/auto'
import { screen } from '@testing-library/react'
import { afterEach, describe, expect, it } from 'vitest'
import { calculators } from '../testing/demo'
import { open, putAway, serve } from '../testing/page'
import { Calculation } from './Calculation'

afterEach(putAway)

function openCalculator(id: string) {
  serve({})
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
})
