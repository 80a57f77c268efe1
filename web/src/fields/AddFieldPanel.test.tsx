import 'fake-indexeddb/auto'
import { screen, waitFor } from '@testing-library/react'
import { afterEach, expect, it } from 'vitest'
import { growers } from '../testing/demo'
import { open, putAway, Refusal, serve, writes, type Asked } from '../testing/page'
import { AddFieldPanel } from './AddFieldPanel'

afterEach(putAway)

const sent = (call: Asked) => ({ ...(call.body as object), id: call.path.split('/').at(-1), version: 1 })

function openPanel(answers: Record<string, unknown> = {}) {
  const asked = serve({
    'GET /api/growers': growers,
    'PUT /api/growers/*': sent,
    'PUT /api/fields/*': sent,
    'PUT /api/stops/*': sent,
    ...answers,
  })
  return { asked, ...open('/fields', <AddFieldPanel open onClose={() => {}} />, '/fields') }
}

it('adds a field of a grower with its stops, and goes there', async () => {
  const { user, asked, router } = openPanel()
  await user.type(await screen.findByLabelText('Name of the field'), 'Marsh Piece')
  await user.selectOptions(await screen.findByLabelText('Grower'), growers[0]!.id)
  await user.selectOptions(screen.getByLabelText('Land use'), 'pasture')
  await user.type(screen.getByLabelText('Area'), '3.4')
  await user.clear(screen.getByLabelText('Stops'))
  await user.type(screen.getByLabelText('Stops'), '3')
  await user.click(screen.getByRole('button', { name: 'Add the field' }))
  await waitFor(() => expect(router.state.location.pathname).toMatch(/^\/fields\/.+/))
  const [field, ...stops] = writes(asked)
  expect(field!.body).toMatchObject({
    growerId: growers[0]!.id,
    name: 'Marsh Piece',
    landUse: 'pasture',
    areaHa: 3.4,
    version: 0,
  })
  expect(stops.map((each) => (each.body as { label: string }).label)).toEqual(['Stop 1', 'Stop 2', 'Stop 3'])
})

it('adds the grower first where it is a new one', async () => {
  const { user, asked } = openPanel({ 'GET /api/growers': [] })
  await user.type(await screen.findByLabelText('Name of the field'), 'Marsh Piece')
  await user.type(screen.getByLabelText('Name of the grower'), 'Reed Holme')
  await user.click(screen.getByRole('button', { name: 'Add the field' }))
  await waitFor(() => expect(writes(asked).length).toBeGreaterThan(2))
  const [grower, field] = writes(asked)
  expect(grower!.body).toMatchObject({ name: 'Reed Holme' })
  expect((field!.body as { growerId: string }).growerId).toBe(grower!.path.split('/').at(-1))
})

it('says what is missing before anything is sent', async () => {
  const { user, asked } = openPanel()
  await screen.findByLabelText('Grower')
  await user.clear(screen.getByLabelText('Stops'))
  await user.type(screen.getByLabelText('Stops'), '30')
  await user.click(screen.getByRole('button', { name: 'Add the field' }))
  expect(await screen.findByText('Give the field a name.')).toBeTruthy()
  expect(screen.getByText('Choose a grower, or a new one.')).toBeTruthy()
  expect(screen.getByText('At most 20 stops.')).toBeTruthy()
  expect(writes(asked)).toHaveLength(0)
})

it('may be sent again after a failure: the same field, no second one', async () => {
  let fails = true
  const { user, asked, router } = openPanel({
    'PUT /api/stops/*': (call: Asked) => (fails ? new Refusal(500, { detail: 'Try again.' }) : sent(call)),
  })
  await user.type(await screen.findByLabelText('Name of the field'), 'Marsh Piece')
  await user.selectOptions(await screen.findByLabelText('Grower'), growers[0]!.id)
  await user.click(screen.getByRole('button', { name: 'Add the field' }))
  expect((await screen.findByRole('alert')).textContent).toBe('Try again.')
  fails = false
  await user.click(screen.getByRole('button', { name: 'Add the field' }))
  await waitFor(() => expect(router.state.location.pathname).toMatch(/^\/fields\/.+/))
  const fields = new Set(
    asked.filter((each) => each.path.startsWith('/api/fields/')).map((each) => each.path),
  )
  const puts = [...fields].filter((path) => asked.some((each) => each.method === 'PUT' && each.path === path))
  expect(puts).toHaveLength(1)
})
