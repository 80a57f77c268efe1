import { QueryClientProvider } from '@tanstack/react-query'
import { cleanup, render, screen } from '@testing-library/react'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import type { Envelope } from '../api/schema'
import { queries } from '../queries/queries'
import { clientWithCatalogue, noNetwork } from '../testing/realCore'
import { useAmount } from './useAmount'

const lime: Envelope = {
  method: 'lime',
  values: { productTHa: { value: 4.2, unit: 't/ha' }, productT: { value: 0.042, unit: 't' } },
  classes: {},
  ratings: [],
  notes: [],
  series: {},
  working: [],
}

function Amount({ calculator, garden, answer }: { calculator: string; garden: boolean; answer: Envelope }) {
  return <p>amount: {useAmount(garden)(calculator, answer) ?? 'none'}</p>
}

function show(calculator: string, garden: boolean, units = 'metric', answer = lime) {
  const client = clientWithCatalogue()
  // all that a shown unit needs of a session is whose it is
  client.setQueryData(queries.session().queryKey, { me: { units } } as never)
  render(
    <QueryClientProvider client={client}>
      <Amount calculator={calculator} garden={garden} answer={answer} />
    </QueryClientProvider>,
  )
}

beforeEach(() => vi.stubGlobal('fetch', noNetwork))
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

it('an amount is told as the core tells it: on a field, in a garden, in US customary units', async () => {
  show('lime', false)
  expect(await screen.findByText('amount: 4.2 t/ha of lime, 0.04 t in all')).toBeTruthy()
  cleanup()
  show('lime', true)
  expect(await screen.findByText('amount: 4.2 kg per 10 m², 42 kg of lime in all')).toBeTruthy()
  cleanup()
  show('lime', true, 'us')
  expect(await screen.findByText('amount: 1.87 ton/ac of lime, 0.046 ton in all')).toBeTruthy()
  cleanup()
  show('rain-garden', true)
  expect(await screen.findByText('amount: none')).toBeTruthy()
})

it('says with an amount how far it may be off, in how many passes, and of which species a mixture is', async () => {
  const values = {
    productTHa: { value: 9, unit: 't/ha', low: 6.5, high: 11.5 },
    productT: { value: 18, unit: 't' },
    passes: { value: 2, unit: '' },
  }
  show('lime', false, 'metric', { ...lime, values })
  expect(
    await screen.findByText('amount: 9 (6.5 to 11.5) t/ha of lime, 18 t in all, in 2 passes'),
  ).toBeTruthy()
  cleanup()
  const mixture = [{ species: 'rye' }, { species: 'red-clover' }]
  show('cover-crop', false, 'metric', { ...lime, method: 'cover-crop', values: {}, series: { mixture } })
  expect(await screen.findByText('amount: rye, red clover')).toBeTruthy()
})
