import 'fake-indexeddb/auto'
import { cleanup, screen, waitFor, within } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import type { History } from '../api/schema'
import { keptJobs } from '../device/device'
import { startSending } from '../device/outbox'
import { face, testSets, visit } from '../testing/demo'
import measurementJson from '../testing/demo/measurement.json'
import { methods } from '../testing/realCore'
import { open, putAway, Refusal, serve, writes, type Asked } from '../testing/page'
import { MeasurementPage } from './MeasurementPage'
import { NewVisitPage } from './NewVisitPage'
import { VisitPage } from './VisitPage'
import { nextTest, progress } from './walk'

let stop = () => {}
beforeEach(() => {
  stop = startSending('me', () => {})
})
afterEach(async () => {
  stop()
  await putAway()
})

const ID = visit.visit.id
const sent = (call: Asked) => ({ ...(call.body as object), id: call.path.split('/').at(-1), version: 1 })

function openVisit(view: unknown = visit, answers: Record<string, unknown> = {}) {
  const asked = serve({
    [`GET /api/visits/${ID}`]: view,
    'GET /api/test-sets': testSets,
    'PUT /api/visits/*': sent,
    'PUT /api/observations/*': sent,
    ...answers,
  })
  return { asked, ...open('/visits/:id', <VisitPage />, `/visits/${ID}`) }
}

describe('a visit', () => {
  it('goes from stop to stop, each with its tests and what came of them', async () => {
    const { user } = openVisit()
    const stops = await screen.findByRole('navigation', { name: 'Stops' })
    const done = progress(visit, methods)
    // without a set nobody is told how many tests there could be
    expect(within(stops).getByText(`${done.made} tests made`)).toBeTruthy()
    for (const each of visit.stops) {
      await user.click(within(stops).getByRole('button', { name: new RegExp(`^${each.label}`) }))
      const walk = screen.getByRole('region', { name: each.label })
      const made = visit.measurements.filter((test) => test.stopId === each.id)
      for (const test of made) {
        const title = methods.find((method) => method.id === test.method)!.title
        const links = within(walk).getAllByRole('link', { name: new RegExp(`^${title}`) })
        expect(links.some((link) => link.getAttribute('href') === `/measurements/${test.id}`)).toBe(true)
      }
    }
  })

  it('leads on to the next test, by a key too', async () => {
    const fresh = { ...visit, measurements: [], drafts: [] }
    const { user, router } = openVisit(fresh)
    const next = nextTest(fresh, methods)!
    expect(await screen.findByRole('button', { name: `First test: ${next.method.title}` })).toBeTruthy()
    await user.keyboard('n')
    expect(router.state.location.pathname).toBe(`/visits/${ID}/stops/${next.stop.id}/${next.method.id}`)
  })

  it('asks which tests today before anything is made, and counts by the set from then on', async () => {
    const set = testSets[0]!
    const fresh = { ...visit, visit: { ...visit.visit, tests: undefined }, measurements: [], drafts: [] }
    const { user, asked } = openVisit(fresh)
    expect(await screen.findByRole('heading', { name: 'Which tests today?' })).toBeTruthy()
    expect(screen.queryByText(/of \d+ tests made/)).toBeNull()
    await user.click(
      screen.getByRole('button', { name: new RegExp(`^${set.name} ?${set.methods.length} tests`) }),
    )
    await waitFor(() => expect(writes(asked).length).toBeGreaterThan(0))
    expect(writes(asked).at(-1)!.body).toMatchObject({ tests: set.methods.join(',') })
    await putAway()
    openVisit({ ...fresh, visit: { ...fresh.visit, tests: set.methods.join(',') } })
    expect(await screen.findByText(`0 of ${set.methods.length * visit.stops.length} tests made`)).toBeTruthy()
  })

  it('shows a test that is under way', async () => {
    const at = visit.stops[0]!
    openVisit({
      ...visit,
      measurements: [],
      drafts: [
        {
          id: 'd',
          visitId: ID,
          stopId: at.id,
          method: 'slump',
          depthTopMm: 0,
          depthBottomMm: 100,
          content: {},
          version: 1,
        },
      ],
    })
    const link = await screen.findByRole('link', { name: /under way/ })
    expect(link.getAttribute('href')).toBe(`/visits/${ID}/stops/${at.id}/slump/d`)
  })

  it('walks a set of tests, kept with the version that was seen', async () => {
    const { user, asked } = openVisit()
    const set = testSets[0]!
    await user.click(await screen.findByRole('button', { name: set.name }))
    await waitFor(() => expect(writes(asked)).toHaveLength(1))
    expect(writes(asked)[0]!.body).toMatchObject({
      tests: set.methods.join(','),
      version: visit.visit.version,
      visitedOn: visit.visit.visitedOn,
    })
  })

  it('keeps what is seen at a stop on the device first, and without signal', async () => {
    const { user } = openVisit(
      { ...visit, observations: [] },
      { 'PUT /api/observations/*': new Refusal(503) },
    )
    await user.click(await screen.findByRole('button', { name: 'What is seen' }))
    const panel = await screen.findByRole('dialog')
    await user.type(within(panel).getByLabelText(/Slope/), '4')
    await user.click(within(panel).getByRole('button', { name: 'Keep' }))
    await waitFor(() => expect(keptJobs()).toHaveLength(1))
    expect(keptJobs()[0]).toMatchObject({ kind: 'observation', body: { slopePct: 4, visitId: ID } })
    // what is not sent yet is shown all the same
    expect(await screen.findByText(/slope 4 %/)).toBeTruthy()
  })

  it('says that a visit is not there', async () => {
    openVisit(new Refusal(404, { detail: 'There is no such visit.' }))
    expect(await screen.findByText(/no such visit/i)).toBeTruthy()
  })
})

describe('a new visit', () => {
  function openNew(answers: Record<string, unknown> = {}) {
    const asked = serve({
      [`GET /api/fields/${face.field.id}`]: face,
      'GET /api/test-sets': testSets,
      'PUT /api/visits/*': sent,
      ...answers,
    })
    return { asked, ...open('/fields/:id/visit', <NewVisitPage />, `/fields/${face.field.id}/visit`) }
  }

  it('begins with the day and the chosen tests', async () => {
    const { user, asked, router } = openNew()
    await user.click(await screen.findByText('moist'))
    await user.type(screen.getByLabelText('Days since real rain'), '2')
    await user.type(screen.getByLabelText('Soil temperature'), '11.5')
    await user.click(screen.getByText(testSets[0]!.name))
    await user.click(screen.getByRole('button', { name: 'Begin the walk' }))
    await waitFor(() => expect(router.state.location.pathname).toMatch(/^\/visits\//))
    expect(writes(asked)[0]!.body).toMatchObject({
      fieldId: face.field.id,
      soilMoisture: 'moist',
      daysSinceRain: 2,
      soilTempC: 11.5,
      tests: testSets[0]!.methods.join(','),
      version: 0,
    })
  })

  it('minds a dry soil and a long drought at once, by the core', async () => {
    const { user } = openNew()
    await user.click(await screen.findByText('dry'))
    await user.type(screen.getByLabelText('Days since real rain'), '14')
    const minded = await screen.findByRole('status')
    expect(within(minded).getAllByText(/Mind:/).length).toBeGreaterThanOrEqual(2)
    await user.clear(screen.getByLabelText('Days since real rain'))
    await waitFor(() => expect(minded.textContent).not.toContain('14'))
  })

  it('shows a refusal at its entry and loses nothing', async () => {
    const { user } = openNew({
      'PUT /api/visits/*': new Refusal(422, {
        errors: [{ field: 'soilTempC', code: 'INVALID', message: 'Must be between -20 and 70 °C.' }],
      }),
    })
    await user.type(await screen.findByLabelText('Soil temperature'), '90')
    await user.click(screen.getByRole('button', { name: 'Begin the walk' }))
    expect(await screen.findByText('Must be between -20 and 70 °C.')).toBeTruthy()
    expect(screen.getByLabelText<HTMLInputElement>('Soil temperature').value).toBe('90')
  })
})

describe('a recorded test', () => {
  const history = measurementJson as unknown as History
  const { measurement } = history
  function openTest(answer: unknown = history) {
    serve({ [`GET /api/measurements/${measurement.id}`]: answer })
    return open('/measurements/:id', <MeasurementPage />, `/measurements/${measurement.id}`)
  }

  it('shows what was read, what came of it and how', async () => {
    openTest()
    const method = methods.find((each) => each.id === measurement.method)!
    expect(await screen.findByRole('heading', { name: method.title })).toBeTruthy()
    const result = screen.getByRole('region', { name: 'Result' })
    for (const rating of measurement.evaluation.ratings.filter((each) => each.school === 'standing'))
      expect(within(result).getAllByText(rating.level!).length).toBeGreaterThan(0)
    for (const note of measurement.evaluation.notes) expect(result.textContent).toContain(note.text)
    const readings = screen.getByRole('region', { name: 'Readings' })
    expect(within(readings).getAllByRole('row').length).toBeGreaterThan(2)
    expect(screen.getByText('How this was worked out')).toBeTruthy()
    expect(screen.getByText(`Rules of version ${measurement.coreVersion}.`)).toBeTruthy()
    expect(screen.getByRole('link', { name: 'Correct it' }).getAttribute('href')).toBe(
      `/visits/${measurement.visitId}/stops/${measurement.stopId}/${measurement.method}?corrects=${measurement.id}`,
    )
  })

  it('says that it came from a photo, and what the hand changed of it', async () => {
    const photo = { kind: 'cover', proposed: {}, asProposed: 96, of: 100 }
    openTest({ ...history, photo })
    expect(await screen.findByText('From a photo: 4 of 100 points changed by hand.')).toBeTruthy()
    cleanup()
    openTest({ ...history, photo: { ...photo, kind: 'colour', asProposed: 0, of: 1 } })
    expect(await screen.findByText('From a photo, changed by hand.')).toBeTruthy()
    cleanup()
    openTest({ ...history, photo: { ...photo, asProposed: 100 } })
    expect(await screen.findByText('From a photo, as it proposed.')).toBeTruthy()
  })

  it('shows what a correction changed, by whom and why', async () => {
    const older = { ...measurement, id: 'older', supersededBy: measurement.id }
    const newer = {
      ...measurement,
      supersedes: 'older',
      reason: 'ruler slipped',
      readings: { ...measurement.readings, holeDepthMm: 310 },
    }
    openTest({ ...history, measurement: newer, versions: [newer, older] })
    expect(await screen.findByText('Corrections')).toBeTruthy()
    expect(screen.getByText(/ruler slipped/)).toBeTruthy()
    const before = screen.getByRole('table', { name: 'before' })
    const after = screen.getByRole('table', { name: 'after' })
    expect(within(before).getAllByRole('row')).toHaveLength(1)
    expect(before.textContent).toContain('300 mm')
    expect(after.textContent).toContain('310 mm')
  })

  it('leads from what was corrected to what stands', async () => {
    const old = { ...measurement, supersededBy: 'newer' }
    openTest({ ...history, measurement: old, versions: [{ ...measurement, id: 'newer' }, old] })
    const link = await screen.findByRole('link', { name: 'Go to what stands' })
    expect(link.getAttribute('href')).toBe('/measurements/newer')
    expect(screen.queryByRole('link', { name: 'Correct it' })).toBeNull()
  })
})
