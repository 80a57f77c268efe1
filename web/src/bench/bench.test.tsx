import { QueryClientProvider } from '@tanstack/react-query'
import { cleanup, render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { createMemoryRouter, RouterProvider } from 'react-router'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { keptJobs } from '../device/device'
import { queries } from '../queries/queries'
import { clientWithCatalogue, methods, noNetwork } from '../testing/realCore'
import { BenchPage } from './BenchPage'

function open(path: string) {
  const client = clientWithCatalogue()
  client.setQueryData(queries.plans().queryKey, [])
  const router = createMemoryRouter([{ path: '/bench/:method?', element: <BenchPage /> }], {
    initialEntries: [path],
  })
  render(
    <QueryClientProvider client={client}>
      <RouterProvider router={router} />
    </QueryClientProvider>,
  )
  return userEvent.setup()
}

beforeEach(() => vi.stubGlobal('fetch', noNetwork))
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

describe('the bench', () => {
  it('lists every method, and finds by a part of its name', async () => {
    const user = open('/bench')
    expect(screen.getAllByRole('link')).toHaveLength(methods.length)
    await user.type(screen.getByRole('searchbox'), 'crumb')
    expect(screen.getByRole('link', { name: /Crumbs in water/ })).toBeTruthy()
    expect(screen.getAllByRole('link').length).toBeLessThan(4)
    await user.clear(screen.getByRole('searchbox'))
    await user.type(screen.getByRole('searchbox'), 'no such test')
    expect(screen.getByText('Nothing matches “no such test”.')).toBeTruthy()
  })

  it('tries a method on its own picture, shows how it came about, and saves nothing', async () => {
    const user = open('/bench/ring-infiltration')
    await user.type(await screen.findByLabelText('Run 1, or typed'), '95{Enter}')
    await user.type(screen.getByLabelText('Run 2, or typed'), '160{Enter}')
    expect(await screen.findByText('How this was worked out')).toBeTruthy()
    expect(screen.getByText('Nothing is saved here.')).toBeTruthy()
    expect(screen.queryByRole('button', { name: 'Record' })).toBeNull()
    await user.click(screen.getByRole('button', { name: 'Undo' }))
    expect(screen.queryByText('Run 2')).toBeNull()
    expect(screen.getByText('Run 1')).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Begin anew' }))
    expect(screen.queryByText('Run 1')).toBeNull()
    expect(keptJobs()).toEqual([])
  })

  it('runs a staged test without keeping a clock', async () => {
    const user = open('/bench/crumb-stability')
    await user.click(await screen.findByRole('button', { name: 'Start clock' }))
    expect(screen.getByText('Do not touch. Tap each crumb as it gives way by itself.')).toBeTruthy()
    expect(keptJobs()).toEqual([])
  })
})
