import { QueryClientProvider } from '@tanstack/react-query'
import { cleanup, render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { useState } from 'react'
import { afterEach, describe, expect, it } from 'vitest'
import { queries } from '../queries/queries'
import { clientWithCatalogue } from '../testing/realCore'
import { Check, Choice, QuantityInput } from './controls'

afterEach(cleanup)

const told: (number | undefined)[] = []
const metric = () => told.at(-1)

function Quantity({ unit, start }: { unit: string; start?: number }) {
  const [value, setValue] = useState(start)
  return (
    <>
      <QuantityInput
        label="Depth"
        unit={unit}
        value={value}
        onChange={(next) => {
          told.push(next)
          setValue(next)
        }}
      />
      <button type="button" onClick={() => setValue(250)}>
        from outside
      </button>
    </>
  )
}

function open(unit: string, start?: number, units = 'metric') {
  told.length = 0
  const client = clientWithCatalogue()
  // all that a field of a figure needs of a session is whose units they are
  client.setQueryData(queries.session().queryKey, { me: { units } } as never)
  render(
    <QueryClientProvider client={client}>
      <Quantity unit={unit} start={start} />
    </QueryClientProvider>,
  )
  return { user: userEvent.setup(), input: screen.getByLabelText<HTMLInputElement>('Depth') }
}

describe('a figure that is entered', () => {
  it('is handed on as it is typed, and undefined once it is emptied', async () => {
    const { user, input } = open('mm')
    await user.type(input, '12.5')
    expect(metric()).toBe(12.5)
    await user.clear(input)
    expect(metric()).toBeUndefined()
  })

  it('is read as the page writes it', async () => {
    const { user, input } = open('mm')
    await user.type(input, '1,200')
    expect(metric()).toBe(1200)
    expect(screen.queryByRole('alert')).toBeNull()
  })

  it('asks which of two readings is meant, and takes the one that is chosen', async () => {
    const { user, input } = open('mm')
    await user.type(input, '1.200,5')
    expect(metric()).toBeUndefined()
    expect(screen.getByText('“1.200,5” can be read in more than one way.')).toBeTruthy()
    await user.click(screen.getByRole('button', { name: '1200.5 mm' }))
    expect(metric()).toBe(1200.5)
    expect(input.value).toBe('1200.5')
    expect(screen.queryByText(/more than one way/)).toBeNull()
  })

  it('says what is no number, without wiping it', async () => {
    const { user, input } = open('mm', 40)
    await user.clear(input)
    await user.type(input, 'deep')
    expect(metric()).toBeUndefined()
    expect(input.value).toBe('deep')
    expect(screen.getByText('“deep” is no number that can be read.')).toBeTruthy()
  })

  it('is shown and taken in the person’s units, kept in metric', async () => {
    const { user, input } = open('mm', 254, 'us')
    expect(input.value).toBe('10')
    expect(screen.getByText('in')).toBeTruthy()
    await user.clear(input)
    await user.type(input, '4')
    expect(metric()).toBeCloseTo(101.6, 9)
  })

  it('follows a change from outside, such as an undo', async () => {
    const { user, input } = open('mm', 40)
    await user.clear(input)
    await user.type(input, '7')
    await user.click(screen.getByRole('button', { name: 'from outside' }))
    expect(input.value).toBe('250')
  })
})

describe('a choice among words', () => {
  it('is made and changed, never unmade by a second tap', async () => {
    const made: string[] = []
    render(
      <Choice
        label="Soil"
        options={[
          { code: 'dry', label: 'dry' },
          { code: 'wet', label: 'wet' },
        ]}
        value="dry"
        onChange={(code) => made.push(code)}
        error="Choose one."
      />,
    )
    const user = userEvent.setup()
    await user.click(screen.getByText('wet'))
    await user.click(screen.getByText('dry'))
    expect(made).toEqual(['wet'])
    expect(screen.getByRole('alert').textContent).toBe('Choose one.')
  })

  it('a mark is set by its words', async () => {
    let on = false
    render(<Check label="air-dry" checked={on} onChange={(next) => (on = next)} />)
    await userEvent.setup().click(screen.getByText('air-dry'))
    expect(on).toBe(true)
  })
})
