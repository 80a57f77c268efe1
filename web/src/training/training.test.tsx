import 'fake-indexeddb/auto'
import { act, cleanup, screen, waitFor, within } from '@testing-library/react'
import * as compiled from '@morphotera/core'
import { createMemoryRouter, RouterProvider } from 'react-router'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { render } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { store } from '../device/device'
import { coreData, evaluated, methods } from '../testing/realCore'
import { putAway, serve } from '../testing/page'
import type { Place, Verdict } from './ground'
import { InFront } from './InFront'
import { TrainingPage } from './TrainingPage'
import { RoundPage } from './RoundPage'
import { TestPage } from './TestPage'
import { showSpan } from '../timers/clocks'

beforeAll(() => {
  evaluated('texture-feel', {})
  compiled.openTraining(JSON.stringify(coreData.evidence))
})
beforeEach(() => store.rounds.clear())
afterEach(putAway)

const deal = (seed: number, level = 'clear') =>
  JSON.parse(compiled.deal(JSON.stringify({ seed, level }))) as Place
const truth = (seed: number) =>
  (JSON.parse(compiled.verdict(JSON.stringify({ deal: { seed, level: 'clear' }, made: [] }))) as Verdict)
    .truth

/** A clear soil whose worst limit is a sour topsoil. */
const SOUR = 6

function openGround(answers = {}) {
  const asked = serve({ 'GET /api/fields': [], ...answers })
  const router = createMemoryRouter(
    [
      { path: '/training', element: <TrainingPage /> },
      { path: '/training/round', element: <RoundPage /> },
      { path: '/training/round/:method/:top?', element: <TestPage /> },
    ],
    { initialEntries: ['/training'] },
  )
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <RouterProvider router={router} />
    </QueryClientProvider>,
  )
  return { user: userEvent.setup(), router, asked }
}

async function draw(seed: number, answers = {}) {
  const page = openGround(answers)
  await page.user.type(await screen.findByLabelText(/Soil number/), String(seed))
  await page.user.click(screen.getByRole('button', { name: 'Draw a soil' }))
  await screen.findByRole('heading', { name: 'A soil nobody knows' })
  return page
}

describe('a round', () => {
  it('is drawn, tested, judged, and listed with its score; nothing is sent', async () => {
    const seed = SOUR
    expect(truth(seed)[0]!.constraint).toBe('acidity')
    const { user, asked } = await draw(seed)
    await user.click(screen.getByRole('link', { name: /^pH/ }))
    const front = await screen.findByRole('region', { name: 'In front of you' })
    const rows = await within(front).findAllByRole('listitem')
    const shown = rows.map((row) => row.textContent.match(/(\d\.\d)$/)![1]!)
    expect(shown).toHaveLength(3)
    await user.selectOptions(screen.getByRole('combobox'), 'meter-1to1')
    for (let i = 0; i < shown.length; i++) await user.type(screen.getAllByRole('textbox')[i]!, shown[i]!)
    await user.click(screen.getByRole('button', { name: 'Record' }))
    expect(await screen.findByText('read')).toBeTruthy()
    expect(screen.getByText('6 min', { selector: 'strong' })).toBeTruthy()
    await user.selectOptions(screen.getByLabelText('What limits this soil first?'), 'Sour topsoil')
    await user.selectOptions(screen.getByLabelText('What would you do first?'), 'Lime')
    await user.click(screen.getByRole('button', { name: 'Show the truth' }))
    expect(await screen.findByText(/That is right/)).toBeTruthy()
    expect(screen.getByText(/What you read makes sour topsoil likeliest, \d+ %/)).toBeTruthy()
    const table = screen.getByRole('table')
    expect(within(table).getAllByText(/^\d\.\d pH|pH/).length).toBeGreaterThan(0)
    expect(asked.filter((each) => each.method !== 'GET')).toEqual([])
    await user.click(screen.getByRole('link', { name: 'Another soil' }))
    const again = await screen.findByRole('button', { name: 'The same soil again' })
    expect(again.closest('li')!.textContent).toContain(`soil ${seed}`)
    await user.click(again)
    await screen.findByText(new RegExp(`soil ${seed}`))
    expect(screen.queryByText('read')).toBeNull()
  })

  it('says so when what was read was not what it showed', async () => {
    const { user } = await draw(SOUR)
    await user.click(screen.getByRole('link', { name: /^pH/ }))
    await screen.findByRole('region', { name: 'In front of you' })
    await user.selectOptions(screen.getByRole('combobox'), 'meter-1to1')
    await user.type(screen.getAllByRole('textbox')[0]!, '7')
    await user.click(screen.getByRole('button', { name: 'Record' }))
    await user.selectOptions(
      await screen.findByLabelText('What limits this soil first?'),
      'nothing: it is sound',
    )
    await user.selectOptions(screen.getByLabelText('What would you do first?'), 'nothing')
    await user.click(screen.getByRole('button', { name: 'Show the truth' }))
    expect(await screen.findByText(/There was something to find/)).toBeTruthy()
    expect(screen.getAllByText(/was read otherwise/).length).toBeGreaterThan(0)
  })

  it('goes on where it was left, also after a reload', async () => {
    const { user } = await draw(12)
    await user.click(screen.getByRole('link', { name: /Smell/ }))
    await user.click(await screen.findByRole('radio', { name: /^2/ }))
    await waitFor(async () =>
      expect(JSON.stringify((await store.rounds.toArray())[0]?.contents)).toContain('"score":2'),
    )
    cleanup()
    const next = openGround()
    await next.user.click(await screen.findByRole('link', { name: 'Go on' }))
    await next.user.click(await screen.findByRole('link', { name: /^Smell.*begun/ }))
    expect((await screen.findByRole('radio', { name: /^2/ })).getAttribute('aria-checked')).toBe('true')
  })

  it('lets its own clock run faster and skip to the next call', async () => {
    const { user } = await draw(12)
    await user.click(screen.getAllByRole('link', { name: /Crumbs in water|Crumb/ })[0]!)
    await user.click(await screen.findByRole('button', { name: 'Start clock' }))
    await user.click(await screen.findByRole('button', { name: /^Wait for/ }))
    await waitFor(() => {
      const passed = screen.getAllByRole('timer')[0]!.textContent
      expect([showSpan(59), showSpan(60), showSpan(61)]).toContain(passed)
    })
    await user.click(screen.getByRole('button', { name: '60 ×' }))
    await act(() => new Promise((resolve) => setTimeout(resolve, 1100)))
    const [minutes] = screen.getAllByRole('timer')[0]!.textContent.split(':').map(Number)
    expect(minutes).toBeGreaterThanOrEqual(1)
    // and stands where it stood on the next page of the round
    await user.click(screen.getByRole('link', { name: /^Training ground/ }))
    await screen.findByRole('heading', { name: 'A soil nobody knows' })
    const [after] = screen.getAllByRole('timer')[0]!.textContent.split(':').map(Number)
    expect(after).toBeGreaterThanOrEqual(minutes!)
  })

  it('resembles a field by what is believed of it, without its name', async () => {
    const { user } = openGround({
      'GET /api/fields': [
        { id: 'f', name: 'Long Dyke', grower: 'g', landUse: 'arable', bands: [], stops: 0 },
      ],
      'GET /api/fields/f': { field: { id: 'f', landUse: 'pasture', textureClass: 'clay' } },
      'GET /api/fields/f/limits': {
        constraints: [
          { constraint: 'salinity', probability: 0.9 },
          { constraint: 'acidity', probability: 0.04 },
        ],
      },
    })
    await user.selectOptions(await screen.findByLabelText('or one like a field of yours'), 'Long Dyke')
    await user.click(screen.getByRole('button', { name: 'Draw one like it' }))
    expect(await screen.findByText(/pasture/i)).toBeTruthy()
    const kept = JSON.stringify(await store.rounds.toArray())
    expect(kept).toContain('salinity')
    expect(kept).not.toContain('acidity')
    expect(kept).not.toContain('Long Dyke')
  })
})

describe('what lies in front of the learner', () => {
  it('is something for every test that is offered, and gives no score away', async () => {
    for (const seed of [1, 2, 3])
      for (const { method: id, layers } of deal(seed, 'hard').tests) {
        const scene = JSON.parse(
          compiled.scene(JSON.stringify({ seed, level: 'hard' }), id, layers[0]?.topMm ?? 0),
        ) as { readings: Record<string, unknown> }
        const method = methods.find((each) => each.id === id)!
        const { container, unmount } = render(
          <QueryClientProvider client={new QueryClient()}>
            <InFront method={method} readings={scene.readings} seed={seed} />
          </QueryClientProvider>,
        )
        await waitFor(
          () => expect(container.querySelector('section :is(svg, p, li, span)'), id).toBeTruthy(),
          { timeout: 10_000 },
        )
        if ('score' in scene.readings) expect(container.textContent, id).not.toMatch(/\bscore\b/i)
        unmount()
      }
  })
})
