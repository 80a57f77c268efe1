import 'fake-indexeddb/auto'
import { screen, waitFor, within } from '@testing-library/react'
import { afterEach, describe, expect, it } from 'vitest'
import { session } from '../testing/demo'
import { open, putAway, Refusal, serve, writes } from '../testing/page'
import { workedOut } from '../testing/realCore'
import { KnownBias } from '../results/KnownBias'
import { CalibrationsPage } from './CalibrationsPage'
import { keepScores, keptScores, memberOf, rememberMember } from './member'
import { SessionPage } from './SessionPage'

afterEach(putAway)

const ME = session.me!.id

const SCALE = [1, 1.5, 2, 2.5, 3, 3.5, 4, 4.5, 5]
const TESTS = [
  { id: 'structure', title: 'Structure', scale: SCALE, lowIsGood: true },
  { id: 'porosity', title: 'Pores', scale: [0, 0.5, 1, 1.5, 2], lowIsGood: false },
]
const SESSION = {
  id: 's',
  code: 'HUMUS7',
  title: 'Spade day',
  tests: ['structure'],
  places: 3,
  people: 2,
  madeAt: '2026-05-02T08:00:00Z',
  version: 1,
}
const VIEW = {
  calibration: SESSION,
  tests: [TESTS[0]],
  members: [
    { name: 'Ash', given: 0, all: false },
    { name: 'Birch', given: 3, all: true },
  ],
  mine: [],
  photos: [],
}

const TITLES = [
  { id: 'texture-jar', title: 'Texture in a jar' },
  { id: 'colour', title: 'Colour' },
]

describe('photos', () => {
  it('are said to have been right or not, by kind', async () => {
    serve({
      'GET /api/methods': TITLES,
      'GET /api/calibrations': {
        sessions: [],
        tests: TESTS,
        photos: [
          { kind: 'jar', method: 'texture-jar', photos: 2, asProposed: 5, of: 6 },
          { kind: 'colour', method: 'colour', photos: 1, asProposed: 0, of: 1 },
        ],
      },
    })
    open('/calibration', <CalibrationsPage />, '/calibration')
    const line = await screen.findByText(/^Photos left as they proposed/)
    await waitFor(() =>
      expect(line.textContent).toBe(
        'Photos left as they proposed: texture in a jar 5 of 6 lines, 2 photos; colour 0 of 1 chips, 1 photo.',
      ),
    )
  })
})

describe('sessions', () => {
  it('say what would fill the list, and are joined by their code', async () => {
    const asked = serve({
      'GET /api/calibrations': { sessions: [], tests: TESTS, photos: [] },
      'POST /api/calibration-members': VIEW,
    })
    const { user, router } = open('/calibration', <CalibrationsPage />, '/calibration')
    expect(await screen.findByText(/None yet/)).toBeTruthy()
    const join = screen.getByRole('button', { name: 'Join' })
    expect(join).toHaveProperty('disabled', true)
    await user.type(screen.getByLabelText(/^Code/), 'humus7')
    await user.type(screen.getByLabelText('Who scores on this phone'), 'Ash')
    await user.click(join)
    await waitFor(() => expect(router.state.location.pathname).toBe('/calibration/s'))
    const [sent] = writes(asked)
    expect(sent!.body).toMatchObject({ code: 'humus7', name: 'Ash' })
    expect(memberOf(ME, 's')).toBe((sent!.body as { member: string }).member)
  })

  it('say at the field what was wrong with a code', async () => {
    serve({
      'GET /api/calibrations': { sessions: [], tests: TESTS, photos: [] },
      'POST /api/calibration-members': new Refusal(422, {
        detail: 'refused',
        errors: [{ field: 'code', code: 'NO_SUCH_CODE', message: 'There is no session of this code.' }],
      }),
    })
    const { user } = open('/calibration', <CalibrationsPage />, '/calibration')
    await user.type(await screen.findByLabelText(/^Code/), 'NOPE')
    await user.type(screen.getByLabelText('Who scores on this phone'), 'Ash')
    await user.click(screen.getByRole('button', { name: 'Join' }))
    expect(await screen.findByText('There is no session of this code.')).toBeTruthy()
    expect(screen.getByLabelText(/^Code/).getAttribute('aria-invalid')).toBe('true')
  })

  it('are made of tests that are scored by eye, with sensible numbers only', async () => {
    const asked = serve({
      'GET /api/calibrations': { sessions: [SESSION], tests: TESTS, photos: [] },
      'PUT /api/calibrations/*': SESSION,
    })
    const { user } = open('/calibration', <CalibrationsPage />, '/calibration')
    await user.type(await screen.findByLabelText('Title'), 'Spade day')
    await user.click(screen.getByLabelText('Pores'))
    await user.clear(screen.getByLabelText('People'))
    await user.type(screen.getByLabelText('People'), '1')
    expect(screen.getByRole('button', { name: 'Make the session' })).toHaveProperty('disabled', true)
    await user.clear(screen.getByLabelText('People'))
    await user.type(screen.getByLabelText('People'), '3')
    await user.click(screen.getByRole('button', { name: 'Make the session' }))
    await waitFor(() => expect(writes(asked)).toHaveLength(1))
    expect(writes(asked)[0]!.body).toEqual({
      title: 'Spade day',
      tests: ['structure', 'porosity'],
      places: 8,
      people: 3,
      version: 0,
    })
  })
})

describe('a session', () => {
  const openSession = (answers = {}) => {
    const asked = serve({ 'GET /api/calibrations/s': VIEW, ...answers })
    return { asked, ...open('/calibration/:id', <SessionPage />, '/calibration/s') }
  }

  it('shows who is how far, never what they gave; whoever only looks on gives nothing', async () => {
    openSession()
    expect(await screen.findByText('HUMUS7')).toBeTruthy()
    expect(screen.getByText('all in')).toBeTruthy()
    expect(screen.getByText(/You look on/)).toBeTruthy()
    expect(screen.queryByRole('radio')).toBeNull()
    expect(document.body.textContent).not.toContain('Agreement')
  })

  it('is scored by whoever joined it, not by whoever signs in on the same device later', async () => {
    rememberMember('somebody else', 's', 'm')
    openSession()
    expect(await screen.findByText(/You look on/)).toBeTruthy()
  })

  it('sends all of one’s scores at each tap, and keeps them on the device first', async () => {
    rememberMember(ME, 's', 'm')
    const { user, asked } = openSession({ 'PUT /api/calibrations/s/scores/m': VIEW })
    await user.click(await screen.findByRole('radio', { name: /^2:/ }))
    await user.click(screen.getByRole('button', { name: 'Place 2' }))
    await user.click(await screen.findByRole('radio', { name: '3.5' }))
    await waitFor(() => expect(writes(asked)).toHaveLength(2))
    expect(writes(asked)[1]!.body).toEqual({
      scores: [
        { place: 1, test: 'structure', score: 2 },
        { place: 2, test: 'structure', score: 3.5 },
      ],
    })
    expect(keptScores('m')).toEqual({ '1 structure': 2, '2 structure': 3.5 })
  })

  it('sends what was given without signal before, once it is opened again', async () => {
    rememberMember(ME, 's', 'm')
    keepScores('m', { '1 structure': 4 })
    const { asked } = openSession({ 'PUT /api/calibrations/s/scores/m': VIEW })
    await waitFor(() => expect(writes(asked)).toHaveLength(1))
    expect(writes(asked)[0]!.body).toEqual({ scores: [{ place: 1, test: 'structure', score: 4 }] })
  })

  it('shows examples of the scale in one tap', async () => {
    rememberMember(ME, 's', 'm')
    const { user } = openSession()
    await user.click(await screen.findByRole('button', { name: 'Examples of structure' }))
    const dialog = await screen.findByRole('dialog')
    expect(within(dialog).getAllByRole('img')).toHaveLength(5)
  })

  it('tells agreement, who is harsher, and the places worth a talk, as the calculator has them', async () => {
    const given = [
      ['Ash', 1, 2],
      ['Birch', 1, 4],
      ['Ash', 2, 2],
      ['Birch', 2, 3.5],
      ['Ash', 3, 4],
      ['Birch', 3, 4.5],
    ] as const
    const inputs = {
      scale: SCALE,
      scores: given.map(([person, place, score]) => ({ person, item: String(place), score })),
    }
    const { envelope } = workedOut('agreement', inputs)
    openSession({
      'GET /api/calibrations/s': {
        ...VIEW,
        calibration: { ...SESSION, closedAt: '2026-05-02T11:00:00Z' },
        photos: [{ id: 'p', place: 1, name: 'Ash' }],
        results: [
          {
            test: 'structure',
            envelope,
            given: given.map(([name, place, score]) => ({ name, place, score })),
          },
        ],
      },
    })
    const section = await screen.findByRole('region', { name: 'Structure' })
    expect(section.textContent).toContain(
      `Agreement ${Math.round(100 * envelope!.values.kappa!.value) / 100}`,
    )
    // high is bad on the spade's scale
    expect(section.textContent).toMatch(/Birch scores 1\.33 higher than the others: harsher/)
    expect(section.textContent).toMatch(/Ash scores 1\.33 lower than the others: milder/)
    const places = within(section).getAllByText(/^Place \d$/)
    expect(places.map((each) => each.textContent)).toEqual(['Place 1', 'Place 2'])
    expect(screen.getByAltText('Place 1, seen by Ash')).toBeTruthy()
  })
})

describe('a known bias', () => {
  it('stands beside the years of a score, and is silent where nobody knows any', async () => {
    serve({
      'GET /api/calibration-biases': [
        { name: 'Ash', bias: 0.4, low: 0.1, high: 0.7, places: 8, on: '2026-05-02T11:00:00Z' },
      ],
    })
    open('/x', <KnownBias method="structure" />, '/x')
    const told = await screen.findByRole('region', { name: 'Who scored' })
    expect(told.textContent).toContain('Ash scores 0.4 higher than the others (0.1 to 0.7)')
    expect(told.textContent).toContain('No reading is altered')
    await putAway()
    const asked = serve({ 'GET /api/calibration-biases': [] })
    open('/x', <KnownBias method="structure" />, '/x')
    await waitFor(() => expect(asked.some((each) => each.path === '/api/calibration-biases')).toBe(true))
    expect(screen.queryByRole('region', { name: 'Who scored' })).toBeNull()
  })
})
