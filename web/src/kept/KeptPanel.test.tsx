import 'fake-indexeddb/auto'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { createMemoryRouter, RouterProvider } from 'react-router'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { emptyDevice, keepJob, keptDraft, keptJobs, type Job } from '../device/device'
import { startSending } from '../device/outbox'
import { queries } from '../queries/queries'
import { KeptJobs } from './KeptPanel'

let stop: () => void
let sent: string[]

const slump = {
  id: 'slump',
  title: 'Clods in a strainer',
  readings: [
    {
      name: 'minutes',
      label: 'Looked at after',
      type: 'number',
      unit: 'min',
      when: [],
      options: [],
      items: [],
    },
  ],
}

function page() {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false, staleTime: Infinity } } })
  client.setQueryData(queries.methods().queryKey, [slump] as never)
  client.setQueryData(queries.session().queryKey, { me: { units: 'metric' } } as never)
  client.setQueryData(queries.coreData().queryKey, { units: [] } as never)
  const router = createMemoryRouter([
    { path: '/', element: <KeptJobs /> },
    { path: '*', element: <p>another page</p> },
  ])
  render(
    <QueryClientProvider client={client}>
      <RouterProvider router={router} />
    </QueryClientProvider>,
  )
  return router
}

const aside = (part: Partial<Job> = {}) =>
  keepJob({
    kind: 'measurement',
    target: 'm1',
    person: 'me',
    path: '/api/measurements/m1',
    label: 'Clods in a strainer, Stop 2',
    body: { visitId: 'v', stopId: 's', method: 'slump', readings: { minutes: 5 } },
    keptAt: '2026-05-04T10:00:00Z',
    state: 'aside',
    tries: 4,
    answered: 500,
    message: 'Something went wrong.',
    ...part,
  })

beforeEach(async () => {
  sent = []
  vi.stubGlobal('fetch', (path: string) => {
    sent.push(path)
    return Promise.resolve(
      new Response('{"evaluation":{"ratings":[],"values":{},"notes":[]}}', { status: 200 }),
    )
  })
  await emptyDevice()
  stop = startSending('me', () => {})
})

afterEach(() => {
  stop()
  cleanup()
  vi.unstubAllGlobals()
})

describe('a write that was set aside', () => {
  it('says what happened and what it holds', async () => {
    await aside()
    page()
    expect(screen.getByRole('alert').textContent).toContain(
      'set aside: the server failed on it 4 times (500)',
    )
    await userEvent.click(screen.getByText('What it holds'))
    expect(screen.getByText('Looked at after')).toBeDefined()
    expect(screen.getByText('5 min')).toBeDefined()
  })

  it('is sent again', async () => {
    await aside()
    page()
    await userEvent.click(screen.getByRole('button', { name: 'Send again' }))
    await vi.waitFor(() => expect(keptJobs()).toEqual([]))
    expect(sent).toEqual(['/api/measurements/m1'])
  })

  it('is edited at its test, with its readings', async () => {
    await aside()
    const router = page()
    await userEvent.click(screen.getByRole('button', { name: 'Edit' }))
    await vi.waitFor(() => expect(router.state.location.pathname).toBe('/visits/v/stops/s/slump/m1'))
    expect(keptDraft('m1')?.content.readings).toEqual({ minutes: 5 })
    expect(keptJobs()).toEqual([])
  })

  it('is saved as a file', async () => {
    await aside()
    page()
    let blob: Blob | undefined
    vi.stubGlobal('URL', { createObjectURL: (b: Blob) => ((blob = b), 'blob:x'), revokeObjectURL: () => {} })
    const names: string[] = []
    const click = vi.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (
      this: HTMLAnchorElement,
    ) {
      names.push(this.download)
    })
    await userEvent.click(screen.getByRole('button', { name: 'Save as a file' }))
    expect(names).toEqual(['clods-in-a-strainer-stop-2.json'])
    expect(blob!.type).toBe('application/json')
    expect(keptJobs()).toHaveLength(1)
    click.mockRestore()
  })

  it('is lost only after being asked for twice', async () => {
    await aside()
    page()
    await userEvent.click(screen.getByRole('button', { name: 'Discard it' }))
    expect(keptJobs()).toHaveLength(1)
    await userEvent.click(screen.getByRole('button', { name: 'Yes, lose it' }))
    await vi.waitFor(() => expect(keptJobs()).toEqual([]))
  })

  it('shows what other writes hold, without ids', async () => {
    await aside({
      kind: 'visit',
      label: 'Visit',
      body: { fieldId: 'f', visitedOn: '2026-05-04', soilMoisture: 'moist', version: 0 },
    })
    page()
    expect(screen.queryByRole('button', { name: 'Edit' })).toBeNull()
    expect(screen.getByText('moist')).toBeDefined()
    expect(screen.queryByText('f')).toBeNull()
  })

  it('marks what the device could not keep', async () => {
    await aside({ state: 'waiting', tries: undefined, unkept: true, notBefore: Date.now() + 1e6 })
    page()
    expect(screen.getByText(/on this page only: the device could not keep it/)).toBeDefined()
  })
})
