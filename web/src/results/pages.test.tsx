import { screen, waitFor, within } from '@testing-library/react'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { change, compare, face, fields, sheet } from '../testing/demo'
import { open, putAway, Refusal, serve } from '../testing/page'
import { ChangePage } from './ChangePage'
import { ComparePage } from './ComparePage'
import { SheetPage } from './SheetPage'

afterEach(putAway)

describe('change over the years', () => {
  const PATH = '/api/fields/f/change'
  function openChange(view: unknown = change, address = '/fields/f/change') {
    const asked = serve({ [`GET ${PATH}`]: view })
    return { asked, ...open('/fields/:id/change', <ChangePage />, address) }
  }
  const last = (asked: ReturnType<typeof serve>) => asked.filter((each) => each.path === PATH).at(-1)!.query

  it('says whether it changed, and whether what was done did it, before the picture', async () => {
    openChange()
    const verdict = await screen.findByRole('region', { name: 'Verdict' })
    expect(within(verdict).getByText(`Risen: ${change.change!.direction}`)).toBeTruthy()
    expect(within(verdict).getByText(change.change!.sentence)).toBeTruthy()
    const done = screen.getByRole('region', { name: 'What was done' })
    expect(change.events.length).toBeGreaterThan(0)
    for (const each of change.events) expect(done.textContent).toContain(each.sentence)
    const readings = screen.getByRole('region', { name: 'Readings' })
    for (const first of [verdict, done])
      expect(first.compareDocumentPosition(readings) & Node.DOCUMENT_POSITION_FOLLOWING).toBeTruthy()
  })

  it('tells all that is told of the field with the chance of being wrong, each a way to its course', async () => {
    const { user, asked } = openChange({
      ...change,
      told: [...change.told, { ...change.told[0]!, indicator: 'earthworms', band: 'top-0-100' }],
      chanceOfError: 0.03,
    })
    const told = await screen.findByRole('region', { name: 'Told of this field' })
    expect(told.textContent).toContain('3 %')
    await user.click(within(told).getAllByRole('button').at(-1)!)
    await waitFor(() => expect(last(asked).get('indicator')).toBe('earthworms'))
  })

  it('says that nothing is told where nothing is sure', async () => {
    openChange({ ...change, told: [], chanceOfError: undefined })
    expect(await screen.findByText(/Nothing is sure enough to be told/)).toBeTruthy()
  })

  it('follows another series, a period and some stops', async () => {
    const { user, asked } = openChange()
    const other = change.series.find((each) => each.indicator !== 'ph')!
    await user.selectOptions(
      await screen.findByLabelText('Indicator'),
      `${other.indicator}|${other.band}|${other.key ?? ''}`,
    )
    await waitFor(() => expect(last(asked).get('indicator')).toBe(other.indicator))
    expect(last(asked).get('band')).toBe(other.band)
    await user.click(screen.getByRole('checkbox', { name: change.stops[0]!.label }))
    await waitFor(() => expect(last(asked).getAll('stops').join()).toContain(change.stops[0]!.id))
    await user.click(screen.getByRole('checkbox', { name: change.stops[0]!.label }))
    await waitFor(() => expect(last(asked).get('stops')).toBeNull())
  })

  it.each([
    ['fallen', 'Fallen'],
    ['probably-risen', 'Probably risen'],
    ['probably-fallen', 'Probably fallen'],
    ['cannot-tell', 'Can’t tell yet'],
  ])('has words for %s', async (verdict, words) => {
    openChange({ ...change, events: [], change: { ...change.change!, verdict, direction: 'none' } })
    expect(await screen.findByText(words)).toBeTruthy()
  })

  it('says which way it went: a rise can be worse', async () => {
    openChange({ ...change, change: { ...change.change!, verdict: 'risen', direction: 'worse' } })
    expect(await screen.findByText('Risen: worse')).toBeTruthy()
  })

  it('asks for a control where there is none, and marks one with one tap', async () => {
    const stop: (typeof change.stops)[0] = { ...change.stops[0]!, role: 'routine' }
    const asked = serve({
      [`GET ${PATH}`]: { ...change, stops: change.stops.map((each) => ({ ...each, role: 'routine' })) },
      [`PUT /api/stops/${stop.id}`]: { ...stop, role: 'control', version: stop.version + 1 },
    })
    const { user } = open('/fields/:id/change', <ChangePage />, '/fields/f/change')
    const ask = await screen.findByRole('region', { name: 'Control' })
    await user.click(within(ask).getByRole('button', { name: stop.label }))
    await waitFor(() => expect(asked.some((each) => each.method === 'PUT')).toBe(true))
    const sent = asked.find((each) => each.method === 'PUT')!
    expect(sent.body).toMatchObject({ role: 'control', version: stop.version, label: stop.label })
    // what follows from it is asked anew
    await waitFor(() => expect(asked.filter((each) => each.path === PATH).length).toBeGreaterThan(1))
  })

  it('asks for no control where one is marked', async () => {
    openChange()
    await screen.findByRole('region', { name: 'Verdict' })
    expect(screen.queryByRole('region', { name: 'Control' })).toBeNull()
  })

  it('says from which change on more stops or visits would show it, in per cent where it is a factor', async () => {
    const design = { stops: 7, leftAlone: 2, visits: 1, change: 1.25, effect: 1.5 }
    openChange({ ...change, change: { ...change.change!, logarithmic: true }, designs: [design] })
    const table = await screen.findByRole('region', { name: 'What more would show' })
    const cells = within(table)
      .getAllByRole('cell')
      .map((each) => each.textContent)
    expect(cells).toEqual(['7', '2', '1', '25 %', '50 %'])
  })

  it('has nothing to compare of one date, nothing to follow of none', async () => {
    openChange({ ...change, change: undefined, dates: change.dates.slice(0, 1) })
    expect(await screen.findByText(/Read on one date only/)).toBeTruthy()
    await putAway()
    openChange({ ...change, chosen: undefined, series: [], points: [], dates: [] })
    expect(await screen.findByText(/nothing can have changed/)).toBeTruthy()
  })
})

describe('two places side by side', () => {
  const ID = compare.one.fieldId
  const sides = [compare.one, compare.other].map(
    (place, i) => `${i ? 'other-' : ''}field=${place.fieldId}&${i ? 'other-' : ''}patch=${place.patch}`,
  )
  function openCompare(view: unknown = compare, at = `/fields/${ID}/compare?${sides.join('&')}`) {
    const asked = serve({
      'GET /api/compare': view,
      'GET /api/fields': fields,
      [`GET /api/fields/${ID}`]: { ...face, field: { ...face.field, id: ID } },
    })
    return { asked, ...open('/fields/:id/compare', <ComparePage />, at) }
  }

  it('tells each difference that could be defended between both faces, the strongest of a band first', async () => {
    openCompare()
    const defended = compare.differences.filter((each) => each.defensible)
    expect(defended.length).toBeGreaterThan(0)
    for (const each of defended.slice(0, 3))
      expect((await screen.findAllByText(each.sentence)).length).toBeGreaterThan(0)
    const drawn = [...document.querySelectorAll('svg text')].map((each) => each.textContent)
    for (const each of defended) expect(drawn).toContain(each.label)
    for (const band of compare.layout.bands) {
      const told = band.shown.map((index) => compare.differences[index]!).filter((each) => each.defensible)
      const places = told.map((each) => drawn.indexOf(each.label))
      expect(places).toEqual([...places].sort((a, b) => a - b))
      expect(told.map((each) => each.ratio)).toEqual(told.map((each) => each.ratio).sort((a, b) => b - a))
    }
    // what is alike is counted, not told
    const alike = compare.differences.length - defended.length
    const counted = drawn.flatMap((text) => /^(\d+) alike$/.exec(text)?.[1] ?? [])
    expect(counted.reduce((sum, each) => sum + Number(each), 0)).toBe(alike)
  })

  it('asks the server for both sides', async () => {
    const { asked } = openCompare()
    await waitFor(() => expect(asked.some((each) => each.path === '/api/compare')).toBe(true))
    const { query } = asked.find((each) => each.path === '/api/compare')!
    expect(query.get('field')).toBe(compare.one.fieldId)
    expect(query.get('patch')).toBe(compare.one.patch)
    expect(query.get('otherField')).toBe(compare.other.fieldId)
    expect(query.get('otherPatch')).toBe(compare.other.patch)
  })

  it('begins with the poor patch against the good one, said in one line', async () => {
    const { asked } = (() => {
      const asked = serve({
        'GET /api/compare': compare,
        'GET /api/fields': fields,
        [`GET /api/fields/${ID}`]: {
          ...face,
          stops: [
            { ...face.stops[0]!, role: 'good' },
            { ...face.stops[1]!, role: 'poor' },
          ],
        },
      })
      return { asked, ...open('/fields/:id/compare', <ComparePage />, `/fields/${ID}/compare`) }
    })()
    expect(await screen.findByText('The poor patch against the good patch, newest')).toBeTruthy()
    const { query } = asked.find((each) => each.path === '/api/compare')!
    expect([query.get('patch'), query.get('otherPatch')]).toEqual(['poor', 'good'])
  })

  it('says where nothing differs that could be defended', async () => {
    openCompare({
      ...compare,
      differences: compare.differences.map((each) => ({ ...each, defensible: false })),
    })
    expect(await screen.findByText('No difference you could defend')).toBeTruthy()
  })
})

describe('the sheet of a visit', () => {
  const PATH = '/api/fields/f/sheet'
  function openSheet(view: unknown = sheet, address = '/fields/f/sheet') {
    const asked = serve({ [`GET ${PATH}`]: view })
    return { asked, ...open('/fields/:id/sheet', <SheetPage />, address) }
  }

  it('has a row for each indicator and a column for each stop', async () => {
    openSheet()
    const table = (await screen.findAllByRole('table'))[0]!
    for (const row of sheet.rows) expect(within(table).getAllByText(row.label).length).toBeGreaterThan(0)
    for (const stop of sheet.stops)
      expect(within(table).getAllByRole('columnheader', { name: stop.label })).toHaveLength(1)
  })

  it('on a phone tells the field, or one stop at a time', async () => {
    vi.stubGlobal('matchMedia', () => ({
      matches: true,
      addEventListener: () => {},
      removeEventListener: () => {},
    }))
    const { user } = openSheet()
    expect(await screen.findByRole('group', { name: 'Whose marks' })).toBeTruthy()
    expect(screen.queryByRole('table')).toBeNull()
    for (const row of sheet.rows) expect(screen.getAllByText(row.label).length).toBeGreaterThan(0)
    const stop = sheet.stops[1]!
    await user.click(screen.getByRole('radio', { name: stop.label }))
    const measured = sheet.rows.filter((row) => row.stops[stop.id])
    const links = screen.getAllByRole('link').map((each) => each.getAttribute('href'))
    for (const row of measured) expect(links).toContain(`/measurements/${row.stops[stop.id]!.measurementId}`)
    expect(screen.queryAllByText('not measured')).toHaveLength(sheet.rows.length - measured.length)
    vi.unstubAllGlobals()
  })

  it('marks the same readings by another school, kept in the address', async () => {
    const { user, router, asked } = openSheet()
    await user.click(await screen.findByText('Points sheet'))
    expect(router.state.location.search).toContain('school=points')
    // the same readings: nothing is asked anew
    expect(asked.filter((each) => each.path === PATH)).toHaveLength(1)
    expect(screen.getAllByText(new RegExp(`${Math.round(sheet.soil.percent!)} %`)).length).toBeGreaterThan(0)
  })

  it('turns to another visit', async () => {
    const { user, asked } = openSheet()
    const other = sheet.visits.find((each) => each.id !== sheet.visitId)!
    await user.selectOptions(await screen.findByLabelText('Visit'), other.id)
    await waitFor(() => expect(asked.at(-1)!.query.get('visit')).toBe(other.id))
  })

  it('names what was not measured', async () => {
    openSheet()
    await screen.findAllByRole('table')
    const missing = [...sheet.soil.notMeasured, ...sheet.plant.notMeasured]
    expect(missing.length).toBeGreaterThan(0)
    for (const each of missing) expect(document.body.textContent).toContain(each)
  })

  it('says that a field has no visit to show', async () => {
    openSheet(new Refusal(404, { detail: 'There is no such visit.' }))
    expect(await screen.findByRole('heading', { name: 'No sheet yet' })).toBeTruthy()
    await putAway()
    // one that was asked for is missing: that is another matter
    openSheet(new Refusal(404, { detail: 'There is no such visit.' }), '/fields/f/sheet?visit=gone')
    expect(await screen.findByText(/no such visit/i)).toBeTruthy()
  })
})
