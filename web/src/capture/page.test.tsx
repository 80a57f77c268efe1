import 'fake-indexeddb/auto'
import { screen, waitFor } from '@testing-library/react'
import { Route, Routes } from 'react-router'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { keptDraft, keptDrafts } from '../device/device'
import { startSending } from '../device/outbox'
import { visit } from '../testing/demo'
import measurementJson from '../testing/demo/measurement.json'
import { open, putAway, Refusal, serve, writes, type Asked } from '../testing/page'
import { CapturePage } from './CapturePage'

let stop = () => {}
beforeEach(() => {
  stop = startSending('me', () => {})
})
afterEach(async () => {
  stop()
  await putAway()
})

const VISIT = visit.visit.id
const STOP = visit.stops[0]!
const fresh = { ...visit, measurements: [], drafts: [], visit: { ...visit.visit, tests: undefined } }

function openTest(method: string, answers: Record<string, unknown> = {}, search = '') {
  const asked = serve({
    [`GET /api/visits/${VISIT}`]: fresh,
    [`GET /api/stops/${STOP.id}/photo-before`]: null,
    'PUT /api/drafts/*': (call: Asked) => ({
      ...(call.body as object),
      version: (call.body as { version: number }).version + 1,
    }),
    'PUT /api/measurements/*': (call: Asked) => ({
      ...(measurementJson.measurement as object),
      id: call.path.split('/').at(-1),
    }),
    ...answers,
  })
  const page = open(
    '/visits/*',
    <Routes>
      <Route path=":id" element={<p>the visit</p>} />
      <Route path=":id/stops/:stop/:method/:measurement?" element={<CapturePage />} />
    </Routes>,
    `/visits/${VISIT}/stops/${STOP.id}/${method}${search}`,
  )
  return { asked, ...page }
}

const idOf = (path: string) => path.split('/').at(-1)!

describe('a test at a stop', () => {
  it('has an address of its own from the first moment', async () => {
    const { router } = openTest('smell')
    await screen.findByRole('heading', { name: 'Smell' })
    expect(router.state.location.pathname.split('/')).toHaveLength(7)
    expect(screen.getByRole('link', { name: new RegExp(STOP.label) }).getAttribute('href')).toBe(
      `/visits/${VISIT}`,
    )
  })

  it('keeps every change on the device at once and on the server soon after', async () => {
    const { user, asked, router } = openTest('smell')
    await user.click((await screen.findAllByRole('radio'))[0]!)
    const id = idOf(router.state.location.pathname)
    expect(keptDraft(id)!.content.readings).toEqual({ score: 2 })
    await waitFor(() => expect(writes(asked).map((each) => each.path)).toContain(`/api/drafts/${id}`), {
      timeout: 4000,
    })
    await waitFor(() => expect(keptDraft(id)!.sent).toBe(true))
  })

  it('of a ring dug to the subsoil is taken from there', async () => {
    const { user, router } = openTest('ring-infiltration')
    await user.click(await screen.findByRole('radio', { name: /200/ }))
    const id = idOf(router.state.location.pathname)
    expect(keptDraft(id)!.place).toMatchObject({ depthTopMm: 200, depthBottomMm: 250 })
    await user.click(screen.getByRole('radio', { name: /surface/i }))
    expect(keptDraft(id)!.place).toMatchObject({ depthTopMm: 0, depthBottomMm: 50 })
  })

  it('tells its layer, but a hole’s depth is its own reading', async () => {
    openTest('smell')
    expect(await screen.findByRole('button', { name: /0–200 mm/ })).toBeTruthy()
    await putAway()
    openTest('hole-drainage')
    await screen.findByRole('heading', { name: 'Water leaving a hole' })
    expect(screen.queryByRole('button', { name: /0–300 mm/ })).toBeNull()
  })

  it('records what was entered, with the layer it was taken from, and puts the draft away', async () => {
    const { user, asked } = openTest('smell')
    await user.click((await screen.findAllByRole('radio'))[1]!)
    const record = screen.getByRole('button', { name: 'Record' })
    await waitFor(() => expect(record).toHaveProperty('disabled', false))
    await user.click(record)
    await waitFor(() => expect(asked.some((each) => each.path.startsWith('/api/measurements/'))).toBe(true))
    const sent = writes(asked).find((each) => each.path.startsWith('/api/measurements/'))!
    expect(sent.body).toMatchObject({
      visitId: VISIT,
      stopId: STOP.id,
      method: 'smell',
      readings: { score: 1.5 },
      depthTopMm: 0,
    })
    await waitFor(() => expect(keptDrafts()).toHaveLength(0))
  })

  it('goes on where it was left, on another device too', async () => {
    const stored = {
      id: 'd',
      visitId: VISIT,
      stopId: STOP.id,
      method: 'smell',
      depthTopMm: 0,
      depthBottomMm: 200,
      content: { readings: { score: 0.5 }, note: 'by the gate' },
      version: 3,
    }
    openTest('smell/d', { [`GET /api/visits/${VISIT}`]: { ...fresh, drafts: [stored] } })
    const marks = await screen.findAllByRole('radio')
    expect(marks.map((each) => each.getAttribute('aria-checked'))).toEqual([
      'false',
      'false',
      'false',
      'true',
      'false',
    ])
    expect(screen.getByLabelText<HTMLInputElement>('Note').value).toBe('by the gate')
  })

  it('asks which of two changes stands', async () => {
    const theirs = { id: 'x', content: { readings: { score: 0 } }, version: 7 }
    const { user, router } = openTest('smell', {
      'PUT /api/drafts/*': new Refusal(409, { detail: 'Changed.', current: theirs }),
    })
    await user.click((await screen.findAllByRole('radio'))[0]!)
    await user.click(await screen.findByRole('button', { name: 'The others' }, { timeout: 4000 }))
    const kept = keptDraft(idOf(router.state.location.pathname))!
    expect(kept.content).toEqual(theirs.content)
    expect(kept.version).toBe(7)
  })

  it('corrects a recorded test: the old readings stand in it, and the reason goes along', async () => {
    const old = {
      ...measurementJson.measurement,
      id: 'old',
      method: 'smell',
      readings: { score: 1 },
      depthTopMm: 0,
      depthBottomMm: 200,
    }
    const { user, asked } = openTest(
      'smell',
      { 'GET /api/measurements/old': { ...measurementJson, measurement: old, versions: [old] } },
      '?corrects=old',
    )
    expect(await screen.findByText(/You are correcting a recorded test/)).toBeTruthy()
    await user.click(screen.getAllByRole('radio')[0]!)
    await user.type(screen.getByLabelText('Why it is corrected'), 'wrong nose')
    const record = screen.getByRole('button', { name: 'Record' })
    await waitFor(() => expect(record).toHaveProperty('disabled', false))
    await user.click(record)
    await waitFor(() => expect(asked.some((each) => each.path.startsWith('/api/measurements/0'))).toBe(true))
    const sent = writes(asked).find((each) => each.path.startsWith('/api/measurements/0'))!
    expect(sent.body).toMatchObject({ supersedes: 'old', reason: 'wrong nose', readings: { score: 2 } })
  })

  it('changes the layer in place', async () => {
    const { user, router } = openTest('smell')
    await screen.findByRole('heading', { name: 'Smell' })
    await user.click(screen.getByRole('button', { name: /0–\d+ mm/ }))
    const from = screen.getByLabelText('Layer from')
    await user.clear(from)
    await user.type(from, '200')
    await user.click(screen.getByRole('button', { name: 'Done' }))
    expect(keptDraft(idOf(router.state.location.pathname))!.place.depthTopMm).toBe(200)
  })

  it('takes changes back one by one', async () => {
    const { user, router } = openTest('smell')
    const [best, good] = await screen.findAllByRole('radio')
    await user.click(best!)
    await user.click(good!)
    await user.click(screen.getByRole('button', { name: 'Undo' }))
    const id = idOf(router.state.location.pathname)
    expect(keptDraft(id)!.content.readings).toEqual({ score: 2 })
    await user.keyboard('u')
    expect(keptDraft(id)!.content.readings).toEqual({})
  })

  it('says that there is no such test', async () => {
    openTest('no-such-test')
    expect(await screen.findByRole('button', { name: /again/i })).toBeTruthy()
  })
})
