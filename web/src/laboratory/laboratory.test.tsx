import 'fake-indexeddb/auto'
import { screen, waitFor, within } from '@testing-library/react'
import { afterEach, describe, expect, it } from 'vitest'
import type { Bag, ResultsView } from '../api/schema'
import { face, fields } from '../testing/demo'
import { open, putAway, serve, writes } from '../testing/page'
import { LaboratoryPage } from './LaboratoryPage'

afterEach(putAway)

const day = (ago: number) => new Date(Date.now() - ago * 86_400_000).toISOString()

const bag = (more: Partial<Bag> = {}): Bag => ({
  id: 'b1',
  code: '7K3F9Q',
  fieldId: 'f1',
  field: 'Low Croft',
  visitId: 'v1',
  stopIds: ['s1'],
  stops: 'Stop 1',
  depthTopMm: 0,
  depthBottomMm: 200,
  takenAt: day(1),
  sampler: 'Somebody',
  tests: ['ph', 'p'],
  until: day(-12.5),
  cool: false,
  state: 'here',
  version: 1,
  ...more,
})

const LAB = { id: 'l1', name: 'Loamworks', simulated: false, prices: { ph: 9.5 }, version: 1 }

function openPage(answers: Record<string, unknown> = {}, address = '/laboratory') {
  const asked = serve({
    'GET /api/bags': [],
    'GET /api/laboratories': [LAB],
    'GET /api/dispatches': [],
    ...answers,
  })
  return { asked, ...open('/laboratory', <LaboratoryPage />, address) }
}

describe('bags', () => {
  it('say how long they keep, in words and not by colour alone', async () => {
    openPage({
      'GET /api/bags': [
        bag(),
        bag({ id: 'b2', code: 'AAAAAA', tests: ['nitrate-n'], until: day(1.2), cool: true }),
      ],
    })
    expect(await screen.findByText('It should be there in 12 days.')).toBeTruthy()
    expect(screen.getByText(/^Late: it should have been there 2 days ago; keep it cool/)).toBeTruthy()
    expect(screen.getAllByText('7K3 F9Q').length).toBeGreaterThan(0)
  })

  it('are sent together at the prices that are known', async () => {
    const { user, asked } = openPage({
      'GET /api/bags': [bag({ tests: ['ph'] }), bag({ id: 'b2', code: 'AAAAAA', tests: ['ph', 'p'] })],
      'PUT /api/dispatches/*': {},
    })
    expect(await screen.findByText('A price is not known.')).toBeTruthy()
    await user.click(screen.getByLabelText('Bag AAAAAA'))
    expect(screen.getByText('9.5 in all')).toBeTruthy()
    expect(screen.getByRole('link', { name: 'Labels (1)' }).getAttribute('href')).toContain('bags=b1&zone=')
    await user.click(screen.getByRole('button', { name: 'Note as sent' }))
    await waitFor(() => expect(writes(asked)).toHaveLength(1))
    expect(writes(asked)[0]!.body).toMatchObject({ laboratoryId: 'l1', bagIds: ['b1'] })
  })

  it('are taken away and put back', async () => {
    let here = [bag()]
    const { user, asked } = openPage({
      'GET /api/bags': () => here,
      'DELETE /api/bags/b1': () => {
        here = []
        return null
      },
      'PUT /api/bags/b1': bag(),
    })
    await user.click(await screen.findByRole('button', { name: 'Remove bag 7K3F9Q' }))
    await user.click(await screen.findByRole('button', { name: 'Undo' }))
    await waitFor(() =>
      expect(asked.find((call) => call.method === 'PUT')?.body).toMatchObject({ visitId: 'v1', version: 0 }),
    )
  })

  it('are made one for each layer, with the cores that the wanted figures ask', async () => {
    const { user, asked } = openPage(
      {
        'GET /api/fields': fields,
        'GET /api/fields/*': face,
        'POST /api/calculators/composite': {
          method: 'composite',
          values: { composites: { value: 1, unit: '' } },
          classes: {},
          ratings: [],
          notes: [{ code: 'MIX', severity: 'info', text: 'Crumble all cores.' }],
          series: {
            bags: [
              { topMm: 0, bottomMm: 200, tests: 'ph organic-matter', cores: 10, grams: 300, days: 14 },
              { topMm: 0, bottomMm: 600, tests: 'nitrate-n', cores: 37, grams: 300, days: 2 },
            ],
          },
          working: [],
        },
        'PUT /api/bags/*': bag(),
      },
      `/laboratory?field=${face.field.id}`,
    )
    expect(await screen.findByText('37 cores, 0 to 600 mm')).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Make 2 bags' }))
    await waitFor(() => expect(writes(asked).filter((call) => call.method === 'PUT')).toHaveLength(2))
    const made = writes(asked)
      .filter((call) => call.method === 'PUT')
      .map((call) => call.body as { tests: string[]; cores: number; depthBottomMm: number })
    expect(made.map((each) => [each.tests, each.cores, each.depthBottomMm])).toEqual([
      [['ph', 'organic-matter'], 10, 200],
      [['nitrate-n'], 37, 600],
    ])
  })
})

describe('results', () => {
  const COLUMNS = [
    { name: 'Mark', example: '7K3F9Q' },
    { name: 'Salz', example: '2500' },
  ]
  const empty: ResultsView = { stored: false, columns: COLUMNS, bags: [], changes: [], errors: [] }

  it('are read by a form that is chosen once, mended in place, and then taken in', async () => {
    const { user, asked } = openPage({
      'POST /api/laboratories/l1/results': (call: {
        body: { text: string; form?: { code: string }; store: boolean }
      }): ResultsView => {
        const { text, form, store } = call.body
        if (!form) return empty
        const view = { ...empty, form: form as ResultsView['form'], stored: store }
        if (text.includes('n.d.'))
          return { ...view, errors: [{ field: 'line 2, Salz', code: 'LINE', message: 'This is no number.' }] }
        return {
          ...view,
          bags: [
            { code: '7K3F9Q', bagId: 'b1', field: 'Low Croft', stops: 'Stop 1', figures: [], already: false },
          ],
          changes: [{ fieldId: 'f1', field: 'Low Croft', after: 'Salt keeps crops from their water' }],
        }
      },
    })
    await user.click(await screen.findByRole('button', { name: 'Results of Loamworks' }))
    await user.upload(
      await screen.findByLabelText('Choose a file of results'),
      new File(['Mark;Salz\n7K3F9Q;n.d.\n'], 'results.csv', { type: 'text/csv' }),
    )
    await user.selectOptions(await screen.findByLabelText('The bag’s code stands in'), 'Mark')
    await user.selectOptions(screen.getByLabelText('What Salz is'), 'ece')
    await user.type(screen.getByLabelText('Unit of Salz'), 'µS/cm')
    await user.click(screen.getByRole('button', { name: 'Read it like this' }))
    expect((await screen.findByRole('alert')).textContent).toContain('line 2, Salz')
    expect(screen.queryByRole('button', { name: 'Take the results in' })).toBeNull()

    await user.click(screen.getByText('Mend it here'))
    const text = screen.getByLabelText('The file')
    await user.clear(text)
    await user.type(text, 'Mark;Salz{Enter}7K3F9Q;2500{Enter}')
    await user.click(screen.getByRole('button', { name: 'Read it again' }))
    const changes = await screen.findByRole('list', { name: 'What changes' })
    expect(within(changes).getByText(/nothing led/)).toBeTruthy()
    expect(within(changes).getByText(/Salt keeps crops from their water/)).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Take the results in' }))
    expect(await screen.findByText(/Taken in: results of 1 bag/)).toBeTruthy()
    expect(asked.at(-1)).toBeTruthy()
    const last = asked.filter((call) => call.path.endsWith('/results')).at(-1)!.body
    expect(last).toMatchObject({
      store: true,
      form: { code: 'Mark', columns: [{ name: 'Salz', analyte: 'ece', unit: 'µS/cm' }] },
    })
  })
})
