import 'fake-indexeddb/auto'
import { screen, waitFor, within } from '@testing-library/react'
import { afterEach, describe, expect, it } from 'vitest'
import { keep } from '../device/outbox'
import { session } from '../testing/demo'
import { open, putAway, Refusal, serve, writes } from '../testing/page'
import { Shell } from './Shell'
import { SignInPage } from './SignInPage'

afterEach(putAway)

describe('the frame of every page', () => {
  function openShell(answers: Record<string, unknown> = {}) {
    const asked = serve(answers)
    return { asked, ...open('/fields', <Shell />, '/fields') }
  }

  it('turns figures to other units and keeps the choice', async () => {
    const { user, asked } = openShell({
      'PUT /api/me/settings': { ...session.me, units: 'us' },
    })
    await user.click(await screen.findByRole('button', { name: 'Show US customary units' }))
    expect(await screen.findByRole('button', { name: 'Show metric units' })).toBeTruthy()
    expect(writes(asked)[0]!.body).toEqual({ units: 'us', theme: session.me!.theme })
  })

  it('says when a setting was not kept', async () => {
    const { user } = openShell({
      'PUT /api/me/settings': new Refusal(500, { detail: 'Something went wrong.' }),
    })
    await user.click(await screen.findByRole('button', { name: 'Show US customary units' }))
    expect((await screen.findByRole('alert')).textContent).toContain('Something went wrong.')
    expect(screen.getByRole('button', { name: 'Show US customary units' })).toBeTruthy()
  })

  it('shows its keys and goes by them', async () => {
    const { user, router } = openShell()
    await screen.findByRole('navigation', { name: 'Pages' })
    await user.keyboard('?')
    const keys = await screen.findByRole('dialog')
    expect(within(keys).getAllByRole('term').length).toBeGreaterThan(4)
    await user.keyboard('{Escape}')
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull())
    await user.keyboard('gb')
    await waitFor(() => expect(router.state.location.pathname).toBe('/bench'))
  })

  it('warns before signing out would lose what is not sent', async () => {
    const { user } = openShell({ 'PUT /api/visits/*': new Refusal(503) })
    await screen.findByRole('navigation', { name: 'Pages' })
    await keep({ kind: 'visit', target: 'v', path: '/api/visits/v', label: 'A visit', body: {} })
    await user.click(screen.getByRole('button', { name: 'Sign out' }))
    const warning = await screen.findByRole('dialog')
    expect(warning.textContent).toContain('1 change is kept on this device only')
    await user.click(within(warning).getByRole('button', { name: 'Stay' }))
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull())
  })

  it('sends nobody to the sign-in', async () => {
    const { router } = openShell({ 'GET /api/session': {} })
    await waitFor(() => expect(router.state.location.pathname).toBe('/sign-in'))
  })
})

describe('signing in', () => {
  function openSignIn(answers: Record<string, unknown> = {}) {
    const asked = serve(answers)
    return { asked, ...open('/sign-in', <SignInPage />, '/sign-in') }
  }

  it('asks for both entries before anything is sent', async () => {
    const { user, asked } = openSignIn()
    await user.click(screen.getByRole('button', { name: 'Sign in' }))
    expect(await screen.findByText('Give the address you sign in with.')).toBeTruthy()
    expect(screen.getByText('Give your password.')).toBeTruthy()
    expect(writes(asked)).toHaveLength(0)
  })

  it('says that they do not belong together', async () => {
    const { user } = openSignIn({
      'POST /api/session': new Refusal(401, { detail: 'This address and password don’t belong together.' }),
    })
    await user.type(screen.getByLabelText('E-mail'), 'advisor@tidemark.example')
    await user.type(screen.getByLabelText('Password'), 'guess{Enter}')
    expect((await screen.findByRole('alert')).textContent).toContain('belong together')
  })
})
