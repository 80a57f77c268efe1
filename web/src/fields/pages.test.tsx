import 'fake-indexeddb/auto'
import { screen, waitFor, within } from '@testing-library/react'
import { afterEach, describe, expect, it } from 'vitest'
import { face, fields, growers } from '../testing/demo'
import { open, putAway, Refusal, serve, writes, type Asked } from '../testing/page'
import { FieldPage } from './FieldPage'
import { FieldsPage } from './FieldsPage'
import { keyOf } from './finding'

afterEach(putAway)

const ID = face.field.id
const FIELD = `/api/fields/${ID}`

function openField(answers = {}, address = `/fields/${ID}`) {
  const asked = serve({ [`GET ${FIELD}`]: face, [`GET ${FIELD}/photos`]: [], ...answers })
  return { asked, ...open('/fields/:id', <FieldPage />, address) }
}

describe('a field by depth', () => {
  it('shows every finding with its level, and what limits it', async () => {
    const { user } = openField()
    expect(await screen.findByRole('heading', { name: face.field.name })).toBeTruthy()
    const ground = screen.getByRole('region', { name: 'The ground' })
    // in each band the lowest, then what stands low; the rest waits in a line that opens
    const bands = within(ground).getAllByRole('list')[0]!
    for (const fold of within(bands).queryAllByRole('button', { expanded: false })) await user.click(fold)
    const rows = within(bands).getAllByRole('button', { pressed: false })
    expect(rows).toHaveLength(face.findings.length)
    for (const finding of face.findings) {
      const own = rows.filter((row) => row.textContent.startsWith(finding.label))
      // a level is never shown by colour alone
      expect(own.some((row) => row.textContent.includes(finding.level))).toBe(true)
    }
    expect(screen.getAllByText(face.leading!.sentence).length).toBeGreaterThan(0)
  })

  it('opens a finding stop by stop, kept in the address', async () => {
    const { user, router } = openField()
    const told = face.layout.bands.flatMap((band) => band.shown).map((index) => face.findings[index]!)
    const finding = told.find((each) => each.stops.length > 2)!
    const row = await screen.findByRole('button', { name: new RegExp(`^${finding.label}`) })
    await user.click(row)
    expect(new URLSearchParams(router.state.location.search).get('finding')).toBe(keyOf(finding))
    for (const stop of finding.stops) expect(screen.getAllByText(stop.stop).length).toBeGreaterThan(0)
    await user.click(row)
    expect(router.state.location.search).toBe('')
  })

  it('says when too little was seen', async () => {
    openField({
      [`GET ${FIELD}`]: {
        ...face,
        findings: [],
        limit: undefined,
        leading: undefined,
        layout: {
          ...face.layout,
          bands: face.layout.bands.map((band) => ({ ...band, shown: [], folded: [] })),
        },
      },
    })
    expect((await screen.findAllByText('Too little seen to say')).length).toBeGreaterThan(0)
    expect(screen.getByText(/Nothing measured here yet/)).toBeTruthy()
  })

  it('says what failed and tries again', async () => {
    let calls = 0
    const { user } = openField({
      [`GET ${FIELD}`]: () => (calls++ === 0 ? new Refusal(500, { detail: 'Something went wrong.' }) : face),
    })
    await user.click(await screen.findByRole('button', { name: /again/i }))
    expect(await screen.findByRole('heading', { name: face.field.name })).toBeTruthy()
  })

  it('begins a visit by a key', async () => {
    const { user, router } = openField()
    await screen.findByRole('heading', { name: face.field.name })
    await user.keyboard('v')
    expect(router.state.location.pathname).toBe(`/fields/${ID}/visit`)
  })
})

describe('what was done to a field', () => {
  const put = (call: Asked) => ({ ...(call.body as object), id: call.path.split('/').at(-1) })
  const fill = async ({ user }: ReturnType<typeof openField>) => {
    await user.click(await screen.findByRole('button', { name: 'Add' }))
    await user.type(screen.getByLabelText('Kind'), 'lime')
    await user.type(screen.getByLabelText('What'), 'Two tonnes of lime')
  }

  it('is added at some of the stops, with its cost as it was typed', async () => {
    const page = openField({ 'PUT /api/events/*': put })
    await fill(page)
    await page.user.type(screen.getByLabelText('Cost'), '1,250')
    await page.user.click(screen.getByRole('checkbox', { name: face.stops[1]!.label }))
    await page.user.click(screen.getByRole('button', { name: 'Keep' }))
    await waitFor(() => expect(writes(page.asked)).toHaveLength(1))
    expect(writes(page.asked)[0]!.body).toMatchObject({
      fieldId: ID,
      kind: 'lime',
      what: 'Two tonnes of lime',
      cost: 1250,
      stopIds: [face.stops[1]!.id],
      version: 0,
    })
  })

  it('is not sent while it is incomplete or a cost can’t be read', async () => {
    const page = openField()
    const { user } = page
    await user.click(await screen.findByRole('button', { name: 'Add' }))
    await user.click(screen.getByRole('button', { name: 'Keep' }))
    expect(await screen.findByText('Say what was done.')).toBeTruthy()
    await user.type(screen.getByLabelText('What'), 'Lime')
    await user.type(screen.getByLabelText('Kind'), 'lime')
    await user.type(screen.getByLabelText('Cost'), '1.200,5')
    await user.click(screen.getByRole('button', { name: 'Keep' }))
    expect(await screen.findByText('Write it like 1,200 or 1200.50.')).toBeTruthy()
    expect(writes(page.asked)).toHaveLength(0)
  })

  it('is removed and put back', async () => {
    const event = face.events[0]!
    const path = `/api/events/${event.id}`
    const { user, asked } = openField({ [`DELETE ${path}`]: null, [`PUT ${path}`]: put })
    await user.click(await screen.findByRole('button', { name: new RegExp(event.what.slice(0, 20)) }))
    await user.click(screen.getByRole('button', { name: 'Remove' }))
    expect(await screen.findByText(`Removed “${event.what}”.`)).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Undo' }))
    await waitFor(() => expect(screen.queryByText(/^Removed/)).toBeNull())
    const [gone, back] = writes(asked)
    expect(gone!.method).toBe('DELETE')
    expect(back!.body).toMatchObject({ what: event.what, happenedOn: event.happenedOn, version: 0 })
  })
})

describe('the fields of a practice', () => {
  function openFields(answers = {}, address = '/fields') {
    const asked = serve({ 'GET /api/fields': fields, 'GET /api/growers': growers, ...answers })
    return { asked, ...open('/fields', <FieldsPage />, address) }
  }

  it('hang from one line, each with its limit in words', async () => {
    openFields()
    for (const field of fields) {
      const link = await screen.findByRole('link', { name: new RegExp(field.name) })
      expect(link.getAttribute('href')).toBe(`/fields/${field.id}`)
      if (field.limit) expect(link.textContent).toContain(field.limit.level)
    }
  })

  it('are found, filtered and ordered by the server, the choice kept in the address', async () => {
    const { user, asked, router } = openFields()
    await screen.findByText(fields[0]!.name)
    await user.type(screen.getByRole('searchbox'), 'ley')
    await user.selectOptions(screen.getByLabelText('Level'), 'failing')
    await user.selectOptions(screen.getByLabelText('Grower'), growers[0]!.name)
    await waitFor(() => {
      const last = asked.filter((each) => each.path === '/api/fields').at(-1)!
      expect(Object.fromEntries(last.query)).toMatchObject({
        find: 'ley',
        level: 'failing',
        grower: growers[0]!.name,
      })
    })
    expect(router.state.location.search).toContain('find=ley')
  })

  it('say that nothing matches, and what was looked for', async () => {
    openFields({ 'GET /api/fields': [] }, '/fields?find=nothing')
    expect(await screen.findByText('No field matches “nothing”.')).toBeTruthy()
  })

  it('invite to add the first one where there is none', async () => {
    const { user } = openFields({ 'GET /api/fields': [] })
    expect(await screen.findByText('No field yet')).toBeTruthy()
    await user.click(screen.getAllByRole('button', { name: 'Add a field' })[0]!)
    expect(await screen.findByRole('dialog')).toBeTruthy()
  })

  it('take the cursor to the search by a key', async () => {
    const { user } = openFields()
    await screen.findByText(fields[0]!.name)
    await user.keyboard('/')
    expect(document.activeElement).toBe(screen.getByRole('searchbox'))
  })
})
