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

function Amount({ calculator, garden }: { calculator: string; garden: boolean }) {
  return <p>amount: {useAmount(garden)(calculator, lime) ?? 'none'}</p>
}

function show(calculator: string, garden: boolean, units = 'metric') {
  const client = clientWithCatalogue()
  // all that a shown unit needs of a session is whose it is
  client.setQueryData(queries.session().queryKey, { me: { units } } as never)
  render(
    <QueryClientProvider client={client}>
      <Amount calculator={calculator} garden={garden} />
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
