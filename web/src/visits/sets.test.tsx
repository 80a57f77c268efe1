import 'fake-indexeddb/auto'
import { screen, waitFor, within } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import type { TestSet } from '../api/schema'
import { startSending } from '../device/outbox'
import { testSets, visit } from '../testing/demo'
import { methods } from '../testing/realCore'
import { open, putAway, Refusal, serve, writes, type Asked } from '../testing/page'
import { ChosenSet } from './ChosenSet'
import { PaperSheet } from './PaperSheet'

let stop = () => {}
beforeEach(() => {
  stop = startSending('me', () => {})
})
afterEach(async () => {
  stop()
  await putAway()
})

const titleOf = (id: string) => methods.find((each) => each.id === id)!.title
const sent = (call: Asked) => ({ ...(call.body as object), id: call.path.split('/').at(-1) })
const own: TestSet = { id: 'own', name: 'After rain', methods: ['slump', 'ph'], version: 1 }

async function openChoice(answers: Record<string, unknown> = {}) {
  const asked = serve({
    'GET /api/test-sets': [...testSets, own],
    'PUT /api/visits/*': sent,
    'PUT /api/test-sets/*': sent,
    'DELETE /api/test-sets/own': null,
    ...answers,
  })
  const page = open('/', <ChosenSet view={visit} methods={methods} />, '/')
  await page.user.click(await screen.findByRole('button', { name: /^Choose|^My choice/ }))
  return { asked, panel: within(await screen.findByRole('dialog')), ...page }
}

describe('tests of a walk, chosen one by one', () => {
  it('are walked in the catalogue’s order, whatever order they were marked in', async () => {
    const { panel, user, asked } = await openChoice()
    const picked = [methods[5]!, methods[1]!]
    for (const each of picked) await user.click(panel.getByLabelText(each.title))
    await user.click(panel.getByRole('button', { name: 'Walk with 2 tests' }))
    await waitFor(() => expect(writes(asked)).toHaveLength(1))
    expect(writes(asked)[0]!.body).toMatchObject({ tests: `${methods[1]!.id},${methods[5]!.id}` })
  })

  it('are kept for other days under a name', async () => {
    const { panel, user, asked } = await openChoice()
    await user.click(panel.getByLabelText(titleOf('slump')))
    await user.type(panel.getByLabelText(/^Name/), ' Wet days ')
    await user.click(panel.getByRole('button', { name: 'Keep the set and walk it' }))
    await waitFor(() => expect(writes(asked)).toHaveLength(2))
    const [set, walk] = writes(asked)
    expect(set!.path).toMatch(/^\/api\/test-sets\//)
    const { methods: kept, ...rest } = set!.body as TestSet
    expect(rest).toEqual({ name: 'Wet days', version: 0 })
    expect(walk!.body).toMatchObject({ tests: kept.join(',') })
    expect(kept).toContain('slump')
  })

  it('say when the name is taken, and lose no mark', async () => {
    const taken = new Refusal(422, {
      detail: 'Nothing was stored.',
      errors: [{ field: 'name', code: 'TAKEN', message: 'There is a set of this name already.' }],
    })
    const { panel, user } = await openChoice({ 'PUT /api/test-sets/*': taken })
    await user.click(panel.getByLabelText(titleOf('slump')))
    await user.type(panel.getByLabelText(/^Name/), own.name)
    await user.click(panel.getByRole('button', { name: 'Keep the set and walk it' }))
    expect((await panel.findByRole('alert')).textContent).toBe('There is a set of this name already.')
    expect(panel.getByRole('checkbox', { name: titleOf('slump'), checked: true })).toBeTruthy()
  })

  it('can be removed where the practice made them; those that come with the program can’t', async () => {
    const { panel, user, asked } = await openChoice()
    const list = within(await panel.findByRole('list', { name: 'Sets of the practice' }))
    expect(list.getAllByRole('listitem')).toHaveLength(
      [...testSets, own].filter((each) => each.id !== undefined).length,
    )
    await user.click(list.getByRole('button', { name: `Remove ${own.name}` }))
    await waitFor(() =>
      expect(writes(asked)).toMatchObject([{ method: 'DELETE', path: '/api/test-sets/own' }]),
    )
  })
})

describe('a blank sheet', () => {
  it('has room for the tests that are marked, in the catalogue’s order', async () => {
    serve({ 'GET /api/test-sets': testSets })
    const { user } = open('/', <PaperSheet />, '/')
    await user.click(await screen.findByRole('button', { name: 'Blank sheet for paper' }))
    const panel = within(await screen.findByRole('dialog'))
    await panel.findByLabelText(titleOf('slump'))
    const tests = () =>
      new URL(panel.getByRole('link').getAttribute('href')!, location.origin).searchParams
        .get('tests')!
        .split(',')
    await waitFor(() => expect(tests()).toHaveLength(testSets[0]!.methods.length))
    expect(tests()).not.toContain('slump')
    await user.click(panel.getByLabelText(titleOf('slump')))
    await user.click(panel.getByLabelText(titleOf('ph')))
    expect(tests()).toContain('slump')
    expect(tests()).not.toContain('ph')
    const order = methods.map((each) => each.id)
    expect(tests()).toEqual([...tests()].sort((a, b) => order.indexOf(a) - order.indexOf(b)))
  })
})
