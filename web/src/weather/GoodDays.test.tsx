import 'fake-indexeddb/auto'
import { screen, waitFor, within } from '@testing-library/react'
import { afterEach, describe, expect, it } from 'vitest'
import type { FieldDaysView } from '../api/schema'
import daysJson from '../testing/demo/days.json'
import { open, putAway, Refusal, serve, writes } from '../testing/page'
import { chanceWord, GoodDays } from './GoodDays'

afterEach(putAway)

const view = daysJson as unknown as FieldDaysView
const DAYS = `GET /api/fields/${view.fieldId}/days`
const good: FieldDaysView = {
  ...view,
  days: view.days.map((day, i) =>
    i === 3 ? { ...day, chance: 0.85, against: [] } : { ...day, chance: 0.1 },
  ),
}

const shown = (answers = {}) => {
  const asked = serve({ [DAYS]: good, ...answers })
  return { asked, ...open('/', <GoodDays field={view.fieldId} />, '/') }
}

describe('the good days of a field', () => {
  it('says the best day and in how many courses it is good', async () => {
    shown()
    expect((await screen.findByText(/^Best:/)).textContent).toContain('good in 17 of 20')
    expect(screen.getAllByRole('listitem')).toHaveLength(14)
    expect(screen.getByRole('button', { name: /: good, 85 %$/ })).toBeTruthy()
  })

  it('says what spoils a fortnight without a good day', async () => {
    shown({
      [DAYS]: {
        ...view,
        days: view.days.map((day) => ({
          ...day,
          chance: 0,
          against: [{ code: 'SOIL_WET', text: 'soil too wet', share: 1 }],
        })),
      },
    })
    expect((await screen.findByText(/No good day/)).textContent).toContain('soil too wet')
  })

  it('opens a day into words, and leads on to planning it', async () => {
    const { user } = shown()
    await user.click(await screen.findByRole('button', { name: /: good, 85 %$/ }))
    const link = screen.getByRole('link', { name: 'Plan this day' })
    expect(link.getAttribute('href')).toBe(`/days/new?fields=${view.fieldId}&on=${good.days[3]!.date}`)
  })

  it('asks for one kind of test', async () => {
    const { asked, user } = shown()
    await user.selectOptions(await screen.findByLabelText('Which tests'), 'sap')
    await waitFor(() => expect(asked.some((call) => call.query.getAll('groups').includes('sap'))).toBe(true))
  })

  it('takes rain of ones own, and takes it out again', async () => {
    const own = { id: 'r1', fieldId: view.fieldId, fellOn: '2026-11-20', rainMm: 12.5, version: 1 }
    const { asked, user } = shown({
      [DAYS]: { ...good, rain: [own] },
      'PUT /api/rain/*': own,
      'DELETE /api/rain/r1': null,
    })
    await user.click(await screen.findByRole('button', { name: 'Rain in your gauge' }))
    const panel = await screen.findByRole('dialog')
    await user.type(within(panel).getByLabelText('Rain'), '8.5')
    await user.click(within(panel).getByRole('button', { name: 'Keep' }))
    await waitFor(() => expect(writes(asked)).toHaveLength(1))
    expect(writes(asked)[0]!.body).toMatchObject({ fieldId: view.fieldId, rainMm: 8.5, version: 0 })
    await user.click(within(panel).getByRole('button', { name: 'Take out' }))
    await waitFor(() =>
      expect(writes(asked).at(-1)).toMatchObject({ method: 'DELETE', path: '/api/rain/r1' }),
    )
  })

  it('says so without signal, and looks again', async () => {
    let calls = 0
    const { user } = shown({ [DAYS]: () => (calls++ === 0 ? new Refusal(503) : good) })
    await user.click(await screen.findByRole('button', { name: 'Look again' }))
    expect(await screen.findByText(/^Best:/)).toBeTruthy()
  })

  it.each([
    [1, 'good'],
    [0.5, 'likely'],
    [0.3, 'doubtful'],
    [0.1, 'not'],
  ])('calls a chance of %f %s', (chance, word) => expect(chanceWord(chance)).toBe(word))
})
