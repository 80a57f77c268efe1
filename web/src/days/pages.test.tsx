import 'fake-indexeddb/auto'
import { screen, waitFor, within } from '@testing-library/react'
import { afterEach, describe, expect, it } from 'vitest'
import type { DayMark, DayMarkWrite, DayView, YearEntry } from '../api/schema'
import dayPlansJson from '../testing/demo/dayPlans.json'
import goodDaysJson from '../testing/demo/goodDays.json'
import yearJson from '../testing/demo/year.json'
import { face, fields, session, testSets } from '../testing/demo'
import { open, putAway, Refusal, serve, writes, type Asked } from '../testing/page'
import { today } from '../words/dates'
import { DayPage } from './DayPage'
import { PlanDayPage } from './PlanDayPage'
import { TodayPage } from './TodayPage'
import { byMonth } from './year'
import { yearCalendar } from './yearCalendar'
import { YearPage } from './YearPage'

afterEach(putAway)

const plans: DayView[] = dayPlansJson
const year: YearEntry[] = yearJson
// the demo's day, as if it were today, from long before now
const planned: DayView = {
  ...plans[0]!,
  day: { ...plans[0]!.day, plannedOn: today(), startsAt: '00:00' },
}
const DAY = `/api/day-plans/${planned.day.id}`

describe('today', () => {
  it('leads with who goes where, what runs, and what is due', async () => {
    serve({ 'GET /api/day-plans': plans, 'GET /api/year': year })
    open('/today', <TodayPage />, '/today')
    const where = await screen.findByRole('region', { name: 'Days of work' })
    await waitFor(() => expect(within(where).getAllByRole('link')).toHaveLength(plans.length))
    expect(where.textContent).toContain(plans[0]!.fields[0]!.name)
    expect(where.textContent).toContain(plans[0]!.day.people.join(', '))
    const due = screen.getByRole('region', { name: 'Due' })
    await waitFor(() => expect(due.textContent).toContain(year[0]!.what))
    expect(screen.getByText(/Nothing is running/)).toBeTruthy()
  })

  it('says so when nothing is planned or known', async () => {
    serve({ 'GET /api/day-plans': [], 'GET /api/year': new Refusal(500, { detail: 'The year is lost.' }) })
    open('/today', <TodayPage />, '/today')
    expect(await screen.findByText(/No day is planned/)).toBeTruthy()
    expect((await screen.findByRole('alert')).textContent).toContain('The year is lost.')
  })

  it('marks what is overdue in words', async () => {
    serve({
      'GET /api/day-plans': [],
      'GET /api/year': [{ ...year[0]!, kind: 'visit', on: '2020-05-01', overdue: true }],
    })
    open('/today', <TodayPage />, '/today')
    expect(await screen.findByText('overdue')).toBeTruthy()
    expect(screen.getByRole('link', { name: /Plan a day for/ })).toBeTruthy()
  })
})

describe('the year', () => {
  it('lists everything by month, and only one field when asked', async () => {
    serve({ 'GET /api/year': year })
    const { user } = open('/year', <YearPage />, '/year')
    expect(await screen.findByRole('heading', { name: 'The year' })).toBeTruthy()
    expect(screen.getAllByRole('listitem')).toHaveLength(year.length)
    expect(screen.getAllByRole('region')).toHaveLength(byMonth(year).length)
    await user.click(screen.getAllByRole('button', { name: 'Only this field' })[0]!)
    const own = year.filter((entry) => entry.fieldId === byMonth(year)[0]![1][0]!.fieldId)
    expect(screen.getAllByRole('listitem')).toHaveLength(own.length)
  })

  it('shows months whose days open into words', async () => {
    serve({ 'GET /api/year': year })
    const { user } = open('/year', <YearPage />, '/year')
    await user.click(await screen.findByRole('radio', { name: 'months' }))
    const marked = screen.getAllByRole('button', { name: /due$/ })
    expect(marked.length).toBeGreaterThan(0)
    await user.click(marked[0]!)
    expect(screen.getAllByRole('listitem').length).toBeGreaterThan(0)
  })

  it('writes a calendar with a whole day for each entry', () => {
    const text = yearCalendar(year, new Date('2026-11-26T10:00:00Z'))
    expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(year.length)
    const [first] = year
    expect(text).toContain(`DTSTART;VALUE=DATE:${first!.on.replaceAll('-', '')}`)
    expect(text.replaceAll('\r\n ', '')).toContain(first!.field)
  })
})

describe('a day of work', () => {
  it('shows lanes, who does what next, what to bring and to mind', async () => {
    serve({ [`GET ${DAY}`]: planned })
    open('/days/:id', <DayPage />, `/days/${planned.day.id}`)
    for (const name of planned.day.people) {
      const own = await screen.findByRole('region', { name })
      expect(own.textContent).toMatch(/0 of \d+ steps done/)
      expect(within(own).getByRole('button', { name: 'Begin' })).toBeTruthy()
    }
    expect(screen.getByRole('img', { name: /^Lanes of/ })).toBeTruthy()
    expect(screen.getByRole('region', { name: 'What to bring' }).textContent).toMatch(/\d+ L of rain water/)
    expect(screen.getByText(/one person, one test after another/)).toBeTruthy()
  })

  it('keeps what is begun and done, and goes by it at once', async () => {
    const marks = new Map<string, DayMark>()
    const asked = serve({
      [`GET ${DAY}`]: () => ({ ...planned, marks: [...marks.values()] }),
      'PUT /api/day-marks/*': (call: Asked) => {
        const body = call.body as DayMarkWrite
        const id = call.path.split('/').at(-1)!
        marks.set(id, { ...body, id, version: body.version + 1 })
        return marks.get(id)
      },
    })
    const { user } = open('/days/:id', <DayPage />, `/days/${planned.day.id}`)
    const own = await screen.findByRole('region', { name: planned.day.people[0] })
    await user.click(within(own).getByRole('button', { name: 'Begin' }))
    await within(own).findByRole('button', { name: 'Done' }, { timeout: 8000 })
    // the plan may be laid out anew between finding the button and pressing it
    await waitFor(
      async () => {
        const done = within(own).queryByRole('button', { name: 'Done' })
        if (done) await user.click(done)
        expect(own.textContent).toMatch(/1 of \d+ steps done/)
      },
      { timeout: 12_000, interval: 500 },
    )
    const [begun] = writes(asked).filter((call) => call.path.startsWith('/api/day-marks/'))
    const body = begun!.body as DayMarkWrite
    expect(body).toMatchObject({ planId: planned.day.id, person: 0, step: 0, version: 0 })
    expect(body.endedAt).toBeUndefined()
  })

  it('is dropped, and put back with what was done', async () => {
    const mark: DayMark = {
      id: 'm',
      planId: planned.day.id,
      stopId: planned.day.fields[0]!.stopIds[0]!,
      method: 'ph',
      step: 0,
      person: 0,
      begunAt: '2026-05-04T08:30:00Z',
      version: 3,
    }
    const asked = serve({
      'GET /api/day-plans': [],
      'GET /api/year': [],
      'PUT /api/day-plans/*': planned.day,
      'PUT /api/day-marks/*': mark,
    })
    const { user, router } = open('/today', <TodayPage />, '/today')
    await router.navigate('/today', { state: { dropped: { ...planned, marks: [mark] } } })
    await user.click(await screen.findByRole('button', { name: 'Put it back' }))
    await waitFor(() => expect(router.state.location.pathname).toBe(`/days/${planned.day.id}`))
    const [day, done] = writes(asked)
    expect(day!.body).toMatchObject({ plannedOn: planned.day.plannedOn, version: 0 })
    expect(done!.body).toMatchObject({ planId: planned.day.id, step: 0, version: 0 })
  })

  it('warns who works alone', async () => {
    serve({ [`GET ${DAY}`]: { ...planned, day: { ...planned.day, people: ['Isla Fenn'] } } })
    open('/days/:id', <DayPage />, `/days/${planned.day.id}`)
    expect((await screen.findByRole('region', { name: 'To mind' })).textContent).toContain('You work alone')
  })

  it('says what failed', async () => {
    serve({ [`GET ${DAY}`]: new Refusal(404, { detail: 'There is no such day.' }) })
    open('/days/:id', <DayPage />, `/days/${planned.day.id}`)
    expect((await screen.findByRole('alert')).textContent).toContain('There is no such day.')
  })
})

describe('planning a day', () => {
  const FIELD = face.field.id
  const answers = {
    'GET /api/fields': fields,
    'GET /api/test-sets': testSets,
    'GET /api/good-days': goodDaysJson,
    [`GET /api/fields/${FIELD}`]: face,
  }

  it('takes fields, stops, tests, people and a day', async () => {
    const asked = serve({ ...answers, 'PUT /api/day-plans/*': (call: { body: unknown }) => call.body })
    const { user, router } = open('/days/new', <PlanDayPage />, `/days/new?fields=${FIELD}`)
    const last = face.stops.at(-1)!
    await user.click(await screen.findByLabelText(last.label))
    await user.click(screen.getByRole('button', { name: 'One more person' }))
    await user.clear(screen.getByLabelText('Person 2'))
    await user.type(screen.getByLabelText('Person 2'), 'Nils Amery')
    await user.click(screen.getByRole('button', { name: 'Plan it' }))
    await waitFor(() => expect(router.state.location.pathname).toMatch(/^\/days\/[0-9a-f-]{36}$/))
    const [put] = writes(asked)
    expect(put!.body).toMatchObject({
      people: [session.me!.name, 'Nils Amery'],
      fields: [
        {
          fieldId: FIELD,
          stopIds: face.stops.slice(0, -1).map((stop) => stop.id),
          methods: testSets[0]!.methods,
        },
      ],
    })
  })

  it('offers the best days, or says why there is none', async () => {
    serve(answers)
    const { user } = open('/days/new', <PlanDayPage />, `/days/new?fields=${FIELD}`)
    const best = goodDaysJson.best as string[]
    if (best.length === 0) {
      expect(await screen.findByText(/No good day in the coming fortnight/)).toBeTruthy()
    } else {
      await user.click((await screen.findAllByRole('button', { name: / %$/ }))[0]!)
      expect(screen.getByLabelText('Day')).toHaveProperty('value', best[0])
    }
  })

  it('names what the server refuses, and loses nothing', async () => {
    serve({
      ...answers,
      'PUT /api/day-plans/*': new Refusal(422, {
        errors: [{ field: 'people', code: 'Size', message: 'needs one to four people' }],
      }),
    })
    const { user } = open('/days/new', <PlanDayPage />, `/days/new?fields=${FIELD}`)
    await screen.findByLabelText(face.stops[0]!.label)
    await user.click(screen.getByRole('button', { name: 'Plan it' }))
    expect((await screen.findByRole('alert')).textContent).toContain('needs one to four people')
    expect(screen.getByLabelText(face.stops[0]!.label)).toBeTruthy()
  })
})
