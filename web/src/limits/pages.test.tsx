import { screen, waitFor, within } from '@testing-library/react'
import { afterEach, describe, expect, it } from 'vitest'
import { face, limits } from '../testing/demo'
import { open, putAway, serve } from '../testing/page'
import { LimitsPage } from './LimitsPage'

afterEach(putAway)

const ID = face.field.id
const PATH = `/api/fields/${ID}/limits`

function openLimits(view: unknown = limits) {
  const asked = serve({ [`GET ${PATH}`]: view, [`GET /api/fields/${ID}`]: face })
  return { asked, ...open('/fields/:id/limits', <LimitsPage />, `/fields/${ID}/limits`) }
}

describe('what limits a field', () => {
  it('names constraints with how sure, and the evidence at its depth', async () => {
    openLimits()
    const first = limits.constraints[0]!
    expect((await screen.findAllByText(first.label)).length).toBeGreaterThan(0)
    for (const each of first.evidence.slice(0, 2))
      expect((await screen.findAllByText(new RegExp(each.label))).length).toBeGreaterThan(0)
    const seen = await screen.findByRole('region', { name: 'Where it was seen' })
    const methods = new Set(first.evidence.filter((each) => !each.supposed).map((each) => each.method))
    const shown = face.findings.filter((each) => methods.has(each.method))
    expect(shown.length).toBeGreaterThan(0)
    expect(within(seen).getAllByRole('button', { pressed: false })).toHaveLength(shown.length)
    for (const each of shown) expect(seen.textContent).toContain(each.label)
  })

  it('says how far it reaches, at which stops, and what it costs', async () => {
    const [first, ...others] = limits.constraints
    const part = {
      ...first!,
      named: false,
      namedInPart: true,
      probability: 0.02,
      inPart: 0.93,
      extent: 'In part: 2 of 3 stops, about 40 % of the field.',
      cost: 'Costs about 8 % of the yield.',
      stops: [
        { id: 'a', label: 'By the gate', probability: 0.97 },
        { id: 'b', label: 'Low end', probability: 0.95 },
        { id: 'c', label: 'Middle', probability: 0.03 },
      ],
    }
    openLimits({ ...limits, constraints: [part, ...others.map((each) => ({ ...each, named: false }))] })
    expect((await screen.findAllByText(/about 40 % of the field/)).length).toBeGreaterThan(0)
    expect(screen.getAllByText(/about 8 % of the yield/).length).toBeGreaterThan(0)
    expect(screen.getByText(/^93 % sure/)).toBeDefined()
    const stops = within(screen.getByRole('list', { name: 'Stops' }))
    expect(stops.getAllByRole('listitem').map((each) => each.textContent)).toEqual([
      'By the gate 97 %',
      'Low end 95 %',
      'Middle 3 %',
    ])
    expect(screen.getByText('in part')).toBeDefined()
  })

  it('offers what to test next, with what it costs', async () => {
    openLimits()
    for (const each of limits.next) {
      expect((await screen.findAllByText(new RegExp(each.title))).length).toBeGreaterThan(0)
      expect(document.body.textContent).toContain(`${each.minutes} min`)
    }
  })

  it('asks what if, and forgets it', async () => {
    const { user, asked } = openLimits()
    const open = limits.open[0]!
    await screen.findAllByText(limits.constraints[0]!.label)
    await user.click(screen.getByText(/What if/))
    const [finding, state] = screen.getAllByRole('combobox').slice(-2)
    await user.selectOptions(finding!, open.finding)
    await user.selectOptions(screen.getAllByRole('combobox').at(-1) ?? state!, open.states[0]!)
    await waitFor(() =>
      expect(
        asked
          .filter((each) => each.path === PATH)
          .at(-1)!
          .query.get('suppose'),
      ).toBe(`${open.finding}:${open.states[0]}`),
    )
    await user.click(await screen.findByRole('button', { name: 'Forget' }))
    await waitFor(() =>
      expect(
        asked
          .filter((each) => each.path === PATH)
          .at(-1)!
          .query.get('suppose'),
      ).toBeNull(),
    )
  })

  it('says which evidence counts less, and why', async () => {
    const first = limits.constraints[0]!
    const [one, two] = first.evidence
    const evidence = [
      { ...one!, share: 0.25, countsLess: 'a first run into dry ground' },
      { ...two!, weight: 0, share: 0, countsLess: 'salt holds clay together' },
    ]
    openLimits({ ...limits, constraints: [{ ...first, evidence }, ...limits.constraints.slice(1)] })
    expect(await screen.findByText('Counts less: a first run into dry ground.')).toBeTruthy()
    expect(screen.getByText('Does not count: salt holds clay together.')).toBeTruthy()
    expect(screen.getByRole('img', { name: 'says nothing' })).toBeTruthy()
  })

  it('says when too little was seen to name anything', async () => {
    openLimits({ ...limits, tooLittleSeen: true, findings: 1 })
    expect((await screen.findAllByText(/too little/i)).length).toBeGreaterThan(0)
  })
})
