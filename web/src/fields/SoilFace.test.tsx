import 'fake-indexeddb/auto'
import { cleanup, render, screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { QueryClientProvider } from '@tanstack/react-query'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { face } from '../testing/demo'
import { clientWithCatalogue } from '../testing/realCore'
import { keyOf } from './finding'
import { SoilFace } from './SoilFace'

afterEach(cleanup)

function show(more: Partial<Parameters<typeof SoilFace>[0]> = {}) {
  const onChoose = vi.fn()
  render(
    <QueryClientProvider client={clientWithCatalogue()}>
      <SoilFace
        findings={face.findings}
        layout={face.layout}
        ground={face.ground}
        texture={face.textureClass}
        chosen={undefined}
        onChoose={onChoose}
        {...more}
      />
    </QueryClientProvider>,
  )
  return { onChoose, user: userEvent.setup() }
}

const bands = () => screen.getAllByRole('list')[0]!
const bandAt = (i: number) => [...bands().children][i] as HTMLElement
const FULLEST = face.layout.bands.reduce(
  (a, b, i, all) => (b.folded.length > all[a]!.folded.length ? i : a),
  0,
)

describe('the soil face', () => {
  it('has a band for each depth, named by it, from the sky down', () => {
    show()
    const names = [...bands().children].map((each) => each.getAttribute('aria-label'))
    expect(names).toEqual([
      'above the ground',
      '0 to 100 mm',
      '100 to 200 mm',
      '200 to 300 mm',
      `300 to ${face.layout.deepestMm.toLocaleString('en-GB')} mm`,
    ])
  })

  it('tells the lowest of a band first, with its spread, and names what it folds away', async () => {
    const { user } = show()
    const band = face.layout.bands[FULLEST]!
    const shown = within(bandAt(FULLEST))
    const rows = shown.getAllByRole('button', { pressed: false })
    expect(rows).toHaveLength(band.shown.length)
    expect(rows[0]!.textContent).toContain(face.findings[band.shown[0]!]!.label)
    expect(within(rows[0]!).getByRole('img').getAttribute('aria-label')).toMatch(
      /^standing 0\.\d\d, by its readings /,
    )
    const fold = shown.getByRole('button', { expanded: false })
    expect(fold.textContent.toLowerCase()).toContain(face.findings[band.folded[0]!]!.label.toLowerCase())
    await user.click(fold)
    expect(shown.getAllByRole('button', { pressed: false })).toHaveLength(
      band.shown.length + band.folded.length,
    )
    await user.click(shown.getByRole('button', { expanded: true }))
    expect(shown.getAllByRole('button', { pressed: false })).toHaveLength(band.shown.length)
  })

  it('opens the fold for a finding that was chosen, or that belongs to a function asked for', () => {
    const folded = face.findings[face.layout.bands[FULLEST]!.folded[0]!]!
    show({ chosen: keyOf(folded) })
    expect(within(bandAt(FULLEST)).getByRole('button', { pressed: true }).textContent).toContain(folded.label)
    cleanup()
    show({ lit: new Set([folded.indicator]) })
    expect(within(bandAt(FULLEST)).getByRole('button', { expanded: true })).toBeTruthy()
  })

  it('says which finding was touched', async () => {
    const { user, onChoose } = show()
    const first = face.findings[face.layout.bands[FULLEST]!.shown[0]!]!
    await user.click(within(bandAt(FULLEST)).getAllByRole('button')[0]!)
    expect(onChoose).toHaveBeenCalledWith(keyOf(first))
  })

  it('plants the next test as a flag in its band', () => {
    const next = {
      method: 'salinity',
      title: 'Salinity',
      minutes: 9,
      gainBits: 0.4,
      reason: '',
      band: face.layout.bands[3]!.band,
    }
    show({ next })
    expect(within(bandAt(3)).getByText(/Test next: salinity, 9 min/)).toBeTruthy()
    expect(screen.getAllByText(/Test next/)).toHaveLength(1)
  })

  it('gives the word of its level to a finding that has no figure', () => {
    const index = face.layout.bands[FULLEST]!.shown[0]!
    const findings = face.findings.map((each, i) => (i === index ? { ...each, figure: undefined } : each))
    show({ findings })
    const row = within(bandAt(FULLEST)).getAllByRole('button')[0]!
    expect(row.lastElementChild!.previousElementSibling!.textContent).toBe(findings[index]!.level)
    expect(row.textContent).not.toContain('–,')
  })

  it('shows of some only what they are, folded nowhere', () => {
    const some = face.findings.filter((each) => each.band === face.layout.bands[FULLEST]!.band)
    show({ only: (finding) => some.includes(finding) })
    expect(screen.getAllByRole('button', { pressed: false })).toHaveLength(some.length)
    expect(screen.queryByRole('button', { expanded: false })).toBeNull()
  })
})
