import 'fake-indexeddb/auto'
import { screen, waitFor, within } from '@testing-library/react'
import { afterEach, describe, expect, it } from 'vitest'
import { face, fields } from '../testing/demo'
import { open, putAway, serve } from '../testing/page'
import { FirstSteps } from './FirstSteps'

afterEach(putAway)

const bare = {
  ...fields[0]!,
  lastVisit: undefined,
  limit: undefined,
  bands: fields[0]!.bands.map(({ band }) => ({ band })),
}

function show(list: unknown[]) {
  serve({
    'GET /api/fields': list,
    'GET /api/growers': [],
    [`GET /api/fields/${bare.id}`]: { ...face, field: { ...face.field, id: bare.id } },
  })
  return open('/today', <FirstSteps />, '/today')
}

const current = async () => {
  const steps = within(await screen.findByRole('region', { name: 'First steps' }))
  return steps.getAllByRole('listitem').find((each) => each.getAttribute('aria-current') === 'step')!
}

describe('the first steps of a practice', () => {
  it('begin with a field', async () => {
    const { user } = show([])
    expect((await current()).textContent).toContain('Add a field')
    await user.click(screen.getByRole('button', { name: 'Add a field' }))
    expect(await screen.findByRole('dialog', { name: 'Add a field' })).toBeTruthy()
  })

  it('go on to a visit of it, then to its walk', async () => {
    show([bare])
    expect(
      within(await current())
        .getByRole('link')
        .getAttribute('href'),
    ).toBe(`/fields/${bare.id}/visit`)
    await putAway()
    show([{ ...bare, lastVisit: '2026-11-01' }])
    await waitFor(async () =>
      expect(
        within(await current())
          .getByRole('link')
          .getAttribute('href'),
      ).toBe(`/visits/${face.visits[0]!.id}`),
    )
  })

  it('are gone once something was measured, and where there are more fields', async () => {
    show([fields[0]!])
    await waitFor(() => expect(screen.queryByRole('region', { name: 'First steps' })).toBeNull())
    await putAway()
    show([bare, bare])
    await waitFor(() => expect(screen.queryByRole('region', { name: 'First steps' })).toBeNull())
  })
})
