import 'fake-indexeddb/auto'
import { screen, waitFor, within } from '@testing-library/react'
import { afterEach, describe, expect, it } from 'vitest'
import type { Job } from '../api/schema'
import { fields } from '../testing/demo'
import { open, putAway, Refusal, serve } from '../testing/page'
import { ExchangePage } from './ExchangePage'

afterEach(putAway)

const SETTING = { nightly: false, folder: 'archives', keep: 14, path: '/srv/archives-1', version: 0 }

const job = (more: Partial<Job>): Job => ({
  id: 'j1',
  kind: 'check-readings',
  state: 'done',
  done: 1,
  total: 1,
  startedAt: '2026-05-01T09:00:00Z',
  file: false,
  ...more,
})

function openPage(answers: Record<string, unknown> = {}) {
  const asked = serve({
    'GET /api/fields': fields,
    'GET /api/jobs': [],
    'GET /api/archive-setting': SETTING,
    'GET /api/calendar-addresses': [],
    'POST /api/uploads': { id: 'u1' },
    ...answers,
  })
  return { asked, ...open('/exchange', <ExchangePage />, '/exchange') }
}

const file = () => new File(['field,stop\n'], 'readings.csv', { type: 'text/csv' })

describe('exchange', () => {
  it('gives out the files of the field that is chosen', async () => {
    const { user } = openPage()
    const list = await screen.findByRole('list', { name: 'Files' })
    expect(
      within(list)
        .getByRole('link', { name: /Workbook/ })
        .getAttribute('href'),
    ).toBe('/api/exports/records.xlsx')
    await user.selectOptions(await screen.findByLabelText('Of'), await screen.findByText(fields[0]!.name))
    for (const link of within(list).getAllByRole('link'))
      expect(link.getAttribute('href')).toContain(`?field=${fields[0]!.id}`)
  })

  it('says what a file would bring before it takes it in', async () => {
    let jobs: Job[] = []
    const { user, asked } = openPage({
      'GET /api/jobs': () => jobs,
      'POST /api/imports/readings': (call: { body: { store: boolean } }) => {
        const result = {
          stored: call.body.store,
          tests: 12,
          newStops: 1,
          alreadyHere: 3,
          fields: ['Low Croft'],
        }
        jobs = [job({ id: call.body.store ? 'j2' : 'j1', result })]
        return jobs[0]
      },
    })
    await user.upload(await screen.findByLabelText('Readings: choose a file'), file())
    expect(await screen.findByText(/Would come in from readings.csv: 12 tests, 1 new stop/)).toBeTruthy()
    expect(screen.getByText(/3 are here already/)).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Take it in' }))
    expect(await screen.findByText(/Taken in from readings.csv/)).toBeTruthy()
    const orders = asked.filter((call) => call.path === '/api/imports/readings').map((call) => call.body)
    expect(orders).toEqual([
      { upload: 'u1', store: false },
      { upload: 'u1', store: true },
    ])
  })

  it('names every faulty line, and offers nothing to take in', async () => {
    const errors = Array.from({ length: 20 }, (_, i) => ({
      field: `line ${i + 2}, unit`,
      code: 'LINE',
      message: 'This unit is not known here.',
    }))
    const refused = job({ state: 'refused', result: { errors } })
    const { user } = openPage({ 'GET /api/jobs': [refused], 'POST /api/imports/readings': refused })
    await user.upload(await screen.findByLabelText('Readings: choose a file'), file())
    expect((await screen.findByRole('alert')).textContent).toContain('20 things are wrong in readings.csv')
    expect(within(screen.getByLabelText('Faults')).getAllByRole('listitem')).toHaveLength(12)
    await user.click(screen.getByRole('button', { name: 'Show all 20' }))
    expect(within(screen.getByLabelText('Faults')).getAllByRole('listitem')).toHaveLength(20)
    expect(screen.queryByRole('button', { name: 'Take it in' })).toBeNull()
  })

  it('shows how far work is, also of what was begun before', async () => {
    openPage({ 'GET /api/jobs': [job({ kind: 'archive', state: 'running', done: 30, total: 120 })] })
    expect(await screen.findByText(/25 % You can leave this page/)).toBeTruthy()
    expect(screen.getByRole('button', { name: 'Make an archive now' }).hasAttribute('disabled')).toBe(true)
  })

  it('shows an address once, and takes it back', async () => {
    let kept: { id: string; name: string; madeAt: string }[] = []
    const made = { id: 'a1', name: 'My phone', madeAt: '2026-05-01T09:00:00Z' }
    const { user, asked } = openPage({
      'GET /api/calendar-addresses': () => kept,
      'POST /api/calendar-addresses': () => {
        kept = [made]
        return { ...made, path: '/api/calendars/secret.ics' }
      },
      'DELETE /api/calendar-addresses/a1': () => {
        kept = []
        return null
      },
    })
    await user.type(await screen.findByLabelText('For which program or person'), 'My phone')
    await user.click(screen.getByRole('button', { name: 'Make an address' }))
    expect(await screen.findByText(/\/api\/calendars\/secret.ics$/)).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Take back the address of My phone' }))
    await waitFor(() => expect(screen.queryByText(/secret.ics$/)).toBeNull())
    expect(asked.some((call) => call.method === 'DELETE')).toBe(true)
  })

  it('says at the entry what is wrong with a setting', async () => {
    const { user } = openPage({
      'PUT /api/archive-setting': new Refusal(422, {
        errors: [{ field: 'folder', code: 'INVALID', message: 'May hold letters, digits, - and _ only.' }],
      }),
    })
    const folder = await screen.findByLabelText('Folder')
    await user.clear(folder)
    await user.type(folder, 'a b')
    await user.click(screen.getByRole('button', { name: 'Keep this setting' }))
    expect(await screen.findByText('May hold letters, digits, - and _ only.')).toBeTruthy()
    expect(folder.getAttribute('aria-invalid')).toBe('true')
  })

  it('puts an archive back only once it was said what that means', async () => {
    const { user, asked } = openPage({
      'POST /api/restores': new Refusal(422, {
        errors: [{ field: 'upload', code: 'NOT_EMPTY', message: 'This one has data.' }],
      }),
    })
    await user.upload(
      await screen.findByLabelText('Choose an archive'),
      new File(['PK'], 'practice.zip', { type: 'application/zip' }),
    )
    const panel = await screen.findByRole('dialog')
    expect(panel.textContent).toContain('You are signed out')
    expect(asked.some((call) => call.path === '/api/restores')).toBe(false)
    await user.click(within(panel).getByRole('button', { name: 'Put it back' }))
    expect(await screen.findByText('This one has data.')).toBeTruthy()
  })
})
