import { screen, waitFor, within } from '@testing-library/react'
import { afterEach, expect, it, vi } from 'vitest'
import { session } from '../testing/demo'
import { open, putAway, Refusal, serve, writes } from '../testing/page'
import { LogPage } from './LogPage'
import { PeoplePage } from './PeoplePage'
import { PracticePage } from './PracticePage'
import { RulesPage } from './RulesPage'
import { faultIn } from './RuleForm'
import { InvitedPage } from './InvitedPage'
import { deviceWords } from './words'
import { YouPage } from './YouPage'

afterEach(putAway)

const ISLA = {
  id: session.me!.id,
  name: 'Isla Fenn',
  email: 'advisor@tidemark.example',
  role: 'OWNER' as const,
  authenticator: false,
  version: 3,
}
const HELPER = { ...ISLA, id: 'h', name: 'Wren', email: 'wren@tidemark.example', role: 'HELPER' as const }
const GONE = { ...ISLA, id: 'g', name: 'Reed', email: undefined, removedAt: '2026-03-02T10:00:00Z' }
const INVITED = {
  id: 'i',
  name: 'Moss',
  email: 'moss@tidemark.example',
  role: 'ADVISOR',
  newPassword: false,
  expiresAt: '2026-12-03T10:00:00Z',
}
const PEOPLE = { people: [ISLA, HELPER, GONE], invitations: [INVITED] }
const SESSIONS = [
  {
    id: 'one',
    own: true,
    device: 'Mozilla/5.0 (X11; Linux) Chrome/1',
    since: '2026-11-01T10:00:00Z',
    lastUsed: '2026-11-26T10:00:00Z',
  },
  {
    id: 'two',
    own: false,
    device: 'Mozilla/5.0 (Android 15) Firefox/1',
    since: '2026-11-02T10:00:00Z',
    lastUsed: '2026-11-25T10:00:00Z',
  },
]

it('invites a grower to the fields of theirs, and tells the address once', async () => {
  const asked = serve({
    'GET /api/people': PEOPLE,
    'GET /api/growers': [{ id: 'sallow', name: 'Sallow Bank', version: 1 }],
    'POST /api/invitations': { ...INVITED, address: '/invited/secret' },
  })
  const { user } = open('/settings/people', <PeoplePage />, '/settings/people')
  await user.click(await screen.findByRole('button', { name: 'Invite somebody' }))
  const panel = within(screen.getByRole('dialog'))
  await user.type(panel.getByLabelText('Name'), 'Moss')
  await user.type(panel.getByLabelText('E-mail they will sign in with'), 'moss@tidemark.example')
  await user.click(panel.getByRole('radio', { name: /^Grower/ }))
  await user.selectOptions(panel.getByLabelText('Whose fields'), 'Sallow Bank')
  await user.click(panel.getByRole('button', { name: 'Make the invitation' }))
  expect(await screen.findByText(`${location.origin}/invited/secret`)).toBeTruthy()
  expect(writes(asked).map((each) => each.body)).toEqual([
    { name: 'Moss', email: 'moss@tidemark.example', role: 'GROWER', growerId: 'sallow' },
  ])
})

it('says what is wrong with an invitation at its entry', async () => {
  serve({
    'GET /api/people': PEOPLE,
    'POST /api/invitations': new Refusal(422, {
      errors: [{ field: 'email', code: 'TAKEN', message: 'Somebody signs in with this already.' }],
    }),
  })
  const { user } = open('/settings/people', <PeoplePage />, '/settings/people')
  await user.click(await screen.findByRole('button', { name: 'Invite somebody' }))
  const panel = within(screen.getByRole('dialog'))
  await user.type(panel.getByLabelText('Name'), 'Moss')
  await user.type(panel.getByLabelText('E-mail they will sign in with'), 'wren@tidemark.example')
  await user.click(panel.getByRole('button', { name: 'Make the invitation' }))
  expect(await panel.findByText('Somebody signs in with this already.')).toBeTruthy()
  expect(panel.getByLabelText('E-mail they will sign in with').getAttribute('aria-invalid')).toBe('true')
})

it('changes a role by what was seen, and removes only after a second word', async () => {
  const asked = serve({
    'GET /api/people': PEOPLE,
    'PUT /api/people/h': { ...HELPER, role: 'ADVISOR' },
    'DELETE /api/people/h': null,
  })
  const { user } = open('/settings/people', <PeoplePage />, '/settings/people')
  await user.click(await screen.findByRole('button', { name: /Wren/ }))
  let panel = within(screen.getByRole('dialog'))
  await user.click(panel.getByRole('radio', { name: /^Advisor/ }))
  expect(panel.getByText(/They are signed out/)).toBeTruthy()
  await user.click(panel.getByRole('button', { name: 'Keep' }))
  await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull())
  await user.click(screen.getByRole('button', { name: /Wren/ }))
  panel = within(screen.getByRole('dialog'))
  await user.click(panel.getByRole('button', { name: 'Remove from the practice' }))
  expect(writes(asked)).toHaveLength(1)
  await user.click(panel.getByRole('button', { name: 'Remove' }))
  await waitFor(() => expect(writes(asked)).toHaveLength(2))
  expect(writes(asked)[0]!.body).toEqual({ name: 'Wren', role: 'ADVISOR', version: 3 })
  expect(screen.getByText('Reed')).toBeTruthy()
})

it('ends a session elsewhere, never the own one', async () => {
  const asked = serve({ 'GET /api/sessions': SESSIONS, 'DELETE /api/sessions/two': null })
  const { user } = open('/settings', <YouPage />, '/settings')
  const list = within(await screen.findByRole('list', { name: 'Sessions' }))
  expect(list.getAllByRole('button')).toHaveLength(1)
  await user.click(list.getByRole('button', { name: /End Firefox on Android/ }))
  expect(writes(asked)[0]).toMatchObject({ method: 'DELETE', path: '/api/sessions/two' })
})

it('changes the password, and says at which entry it does not', async () => {
  let answer: unknown = new Refusal(422, {
    errors: [{ field: 'next', code: 'COMMON', message: 'This is among the first that others would try.' }],
  })
  const asked = serve({ 'GET /api/sessions': SESSIONS, 'PUT /api/me/password': () => answer })
  const { user } = open('/settings', <YouPage />, '/settings')
  await user.type(await screen.findByLabelText('Password until now'), 'orrin-levels')
  await user.type(screen.getByLabelText('New password'), 'password12345')
  await user.click(screen.getByRole('button', { name: 'Change the password' }))
  expect(await screen.findByText('This is among the first that others would try.')).toBeTruthy()
  answer = null
  await user.clear(screen.getByLabelText('New password'))
  await user.type(screen.getByLabelText('New password'), 'sluice bramble quarto')
  await user.click(screen.getByRole('button', { name: 'Change the password' }))
  expect(await screen.findByText(/Changed\. Wherever else/)).toBeTruthy()
  expect(screen.getByLabelText('New password')).toHaveProperty('value', '')
  expect(writes(asked)[1]!.body).toEqual({ current: 'orrin-levels', next: 'sluice bramble quarto' })
})

it('sets an authenticator up only with a code of it, and shows the spare codes', async () => {
  const asked = serve({
    'GET /api/sessions': SESSIONS,
    'POST /api/me/authenticator': { secret: 'ABCD2345'.repeat(4), address: 'otpauth://x', drawing: '<svg/>' },
    'PUT /api/me/authenticator': { codes: ['aaaa-bbbb', 'cccc-dddd'] },
  })
  const { user } = open('/settings', <YouPage />, '/settings')
  await user.click(await screen.findByRole('button', { name: 'Set one up' }))
  expect(await screen.findByRole('img', { name: 'A code to scan' })).toBeTruthy()
  await user.type(screen.getByLabelText('Six figures that it shows now'), '123456')
  expect(screen.getByRole('button', { name: 'Use it from now on' })).toHaveProperty('disabled', true)
  await user.type(screen.getByLabelText('Your password'), 'orrin-levels')
  await user.click(screen.getByRole('button', { name: 'Use it from now on' }))
  expect(await screen.findByText('cccc-dddd')).toBeTruthy()
  expect(writes(asked).at(-1)!.body).toMatchObject({ code: '123456', password: 'orrin-levels' })
})

const CURVE = {
  kind: 'curve',
  id: 'infiltration',
  source: 'Working benchmark',
  points: [
    { figure: 0, standing: 0 },
    { figure: 50, standing: 1 },
  ],
}

it('says how readings scatter here, from how many readings, and learns anew when asked', async () => {
  const learned = {
    learnedAt: '2026-11-30T03:00:00Z',
    needed: 60,
    scatters: [
      { indicator: 'ph', label: 'pH', readings: 240, fields: 12, stop: 0.62, spot: 1.02, visit: 1.84 },
      {
        indicator: 'structure',
        label: 'Structure',
        readings: 96,
        fields: 1,
        stop: 1,
        spot: 1,
        visit: 1,
        person: 0.71,
      },
    ],
  }
  const job = { id: 'j', kind: 'learn-scatters', startedAt: '2026-12-01T10:00:00Z', file: false }
  const asked = serve({
    'GET /api/own-rules': { version: 0, shared: [], own: [] },
    'GET /api/scatters': learned,
    'POST /api/scatters': { ...job, state: 'running', done: 0, total: 0 },
    'GET /api/jobs': [{ ...job, state: 'done', done: 3, total: 3, result: { indicators: 2 } }],
  })
  const { user } = open('/settings/curves', <RulesPage />, '/settings/curves')
  const part = within(await screen.findByRole('region', { name: 'How readings scatter here' }))
  const cells = (name: string) =>
    within(part.getByRole('rowheader', { name: new RegExp(`^${name}`) }).closest('tr')!)
      .getAllByRole('cell')
      .map((cell) => cell.textContent)
  await part.findByText(/Learned on 30 Nov 2026/)
  expect(cells('pH')).toEqual(['24012 fields', '0.62', '1', '1.8', '–'])
  expect(cells('Structure')).toEqual(['961 field', '1', '1', '1', '0.71'])
  await user.click(part.getByRole('button', { name: 'Learn from all readings now' }))
  await part.findByText(/Learned of 2 indicators/)
  expect(
    asked.filter((each) => each.method === 'GET' && each.path === '/api/scatters').length,
  ).toBeGreaterThan(1)
})

it('says what is missing where nothing was learned yet', async () => {
  serve({
    'GET /api/own-rules': { version: 0, shared: [], own: [] },
    'GET /api/scatters': { needed: 60, scatters: [] },
  })
  open('/settings/curves', <RulesPage />, '/settings/curves')
  await screen.findByText(/needs 60 readings/)
  expect(screen.queryByRole('table')).toBeNull()
})

it('puts a curve in, shows what it would change, and keeps it', async () => {
  const rules = { version: 0, shared: [CURVE], own: [] }
  const asked = serve({
    'GET /api/scatters': { needed: 60, scatters: [] },
    'GET /api/own-rules': rules,
    'GET /api/jobs': [],
    'POST /api/own-rules/preview': {
      looked: 40,
      changed: 1,
      findings: [
        {
          measurementId: 'm',
          fieldId: 'f',
          field: 'Gull Polder',
          stop: 'Stop 1',
          method: 'ring-infiltration',
          title: 'Ring infiltration',
          takenAt: '2026-10-09T10:00:00Z',
          what: 'Infiltration',
          levels: true,
          before: 'serviceable',
          after: 'strained',
        },
      ],
    },
    'PUT /api/own-rules': {
      id: 'j',
      kind: 'judge-anew',
      state: 'running',
      done: 0,
      total: 0,
      startedAt: '2026-11-26T10:00:00Z',
    },
  })
  const { user } = open('/settings/curves', <RulesPage />, '/settings/curves')
  await user.click(await screen.findByRole('button', { name: /Infiltration/ }))
  const panel = within(screen.getByRole('dialog'))
  const figure = panel.getByLabelText('Figure of point 2')
  await user.clear(figure)
  await user.type(figure, '100')
  expect(panel.getByRole('button', { name: 'Take it in' })).toHaveProperty('disabled', true)
  await user.type(panel.getByLabelText('Who says so'), 'Our fields')
  await user.click(panel.getByRole('button', { name: 'Take it in' }))
  expect(writes(asked)).toHaveLength(0)
  await user.click(screen.getByRole('button', { name: 'See what changes' }))
  expect(await screen.findByText('1 of the newest 40 tests would be judged otherwise.')).toBeTruthy()
  expect(screen.getByRole('list', { name: 'Findings that change' }).textContent).toMatch(
    /serviceable.*→.*strained/,
  )
  await user.click(screen.getByRole('button', { name: 'Keep, and judge by them' }))
  await waitFor(() => expect(writes(asked)).toHaveLength(2))
  expect(writes(asked)[1]!.body).toEqual({
    version: 0,
    rules: [
      {
        kind: 'curve',
        id: 'infiltration',
        source: 'Our fields',
        points: [
          { figure: 0, standing: 0 },
          { figure: 100, standing: 1 },
        ],
      },
    ],
  })
})

it('finds what does not fit before it is sent', () => {
  expect(faultIn(CURVE)).toBeUndefined()
  expect(faultIn({ ...CURVE, points: [...CURVE.points, { figure: 50, standing: 1 }] })).toMatch(/must rise/)
  expect(faultIn({ ...CURVE, points: [{ figure: 0, standing: 2 }] })).toMatch(/between 0 and 1/)
  expect(faultIn({ ...CURVE, points: [{ figure: NaN, standing: 1 }] })).toMatch(/can’t be read/)
  const bands = {
    kind: 'bands',
    id: 'x',
    source: '',
    bands: [
      { code: 'a', limit: 3, included: false },
      { code: 'b', limit: 2, included: false },
      { code: 'c', included: false },
    ],
  }
  expect(faultIn(bands)).toMatch(/must rise/)
})

it('asks the log by person, kind and day', async () => {
  const entry = {
    number: 7,
    at: '2026-11-26T10:00:00Z',
    personId: 'h',
    person: 'Wren',
    action: 'record',
    entity: 'measurement',
    id: 'm',
  }
  const asked = serve({
    'GET /api/people': PEOPLE,
    'GET /api/log': {
      entries: [entry, { ...entry, number: 6, action: 'sign-in', entity: 'person' }],
      entities: ['measurement', 'person'],
      more: false,
    },
  })
  const { user } = open('/settings/log', <LogPage />, '/settings/log')
  const list = within(await screen.findByRole('list', { name: 'Entries' }))
  expect(list.getByText(/recorded: measurement/)).toBeTruthy()
  expect(list.getByText(/signed in/)).toBeTruthy()
  await user.selectOptions(await screen.findByLabelText('Who'), 'Wren')
  await user.selectOptions(screen.getByLabelText('What'), 'measurement')
  await waitFor(() =>
    expect(
      asked.some((each) => each.query.get('person') === 'h' && each.query.get('entity') === 'measurement'),
    ).toBe(true),
  )
})

it('closes a practice only by its whole name and with the password', async () => {
  const leave = vi.spyOn(console, 'error').mockImplementation(() => {})
  const asked = serve({
    'GET /api/practice': { id: 'p', name: 'Tidemark', sheetSchool: 'flags', version: 2 },
    'PUT /api/practice': { id: 'p', name: 'Tidemark', sheetSchool: 'points', currency: '€', version: 3 },
    'POST /api/practice/closed': new Refusal(422, {
      errors: [{ field: 'password', code: 'WRONG', message: 'This is not your password.' }],
    }),
  })
  const { user } = open('/settings/practice', <PracticePage />, '/settings/practice')
  const button = await screen.findByRole('button', { name: 'Close it for everybody' })
  await user.type(screen.getByLabelText('Type “Tidemark”'), 'Tide')
  await user.type(screen.getByLabelText('Your password'), 'not this one')
  expect(button).toHaveProperty('disabled', true)
  await user.type(screen.getByLabelText('Type “Tidemark”'), 'mark')
  await user.click(button)
  expect(await screen.findByText('This is not your password.')).toBeTruthy()
  await user.click(screen.getByRole('radio', { name: 'Points' }))
  await user.type(screen.getByLabelText('Currency'), '€')
  await user.click(screen.getByRole('button', { name: 'Keep' }))
  await waitFor(() => expect(writes(asked)).toHaveLength(2))
  expect(writes(asked)[1]!.body).toEqual({
    name: 'Tidemark',
    sheetSchool: 'points',
    currency: '€',
    version: 2,
  })
  leave.mockRestore()
})

it('says so of an invitation that opens nothing', async () => {
  serve({})
  open('/invited/:secret', <InvitedPage />, '/invited/old')
  expect(await screen.findByRole('heading', { name: 'This address opens nothing' })).toBeTruthy()
})

it('names a device by what its browser tells', () => {
  expect(deviceWords(undefined)).toBe('An unknown device')
  expect(deviceWords('Mozilla/5.0 (iPhone; CPU iPhone OS 18) Safari/1')).toBe('Safari on iOS')
  expect(deviceWords('curl/8')).toBe('A program')
})
