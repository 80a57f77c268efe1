import { screen, within } from '@testing-library/react'
import { afterEach, describe, expect, it } from 'vitest'
import type { PlanView } from '../api/schema'
import { plan, planDone, session } from '../testing/demo'
import { open, putAway, serve } from '../testing/page'
import { PaperPlan } from './PaperPlan'

afterEach(putAway)

async function print(view: PlanView) {
  serve({})
  open('/', <PaperPlan plan={view} />, '/')
  // what the core works out stands once it is loaded
  await screen.findByText(new RegExp(session.me!.practice))
}

const after = (heading: string) => screen.getByText(heading).nextElementSibling as HTMLElement

describe('a plan on paper', () => {
  it('lists what is agreed with amount, window, who and cost, and room for a tick', async () => {
    await print(planDone)
    const agreed = planDone.actions.filter((each) => each.action.state === 'agreed')
    const rows = within(screen.getByRole('table')).getAllByRole('row').slice(1)
    expect(rows).toHaveLength(agreed.length)
    const { action, title } = agreed[0]!
    const cells = within(rows[0]!).getAllByRole('cell')
    expect(cells.map((each) => each.textContent)).toEqual([
      '1',
      expect.stringMatching(new RegExp(`^${title}: ${action.amount} \\(for salt\\)`)),
      '23 Feb 2027 to 14 Apr 2027',
      action.person,
      String(action.cost),
      '\u00a0',
    ])
    expect(screen.getByText(/^In all/).textContent).toContain(String(planDone.agreedCost))
  })

  it('says what was done and when, and why something was left out', async () => {
    const left = structuredClone(planDone.actions[1]!)
    left.action = { ...left.action, id: 'x', state: 'dropped', reason: 'no money', doneOn: undefined }
    await print({ ...planDone, actions: [...planDone.actions, left] })
    const past = within(after('Done, or left out')).getAllByRole('listitem')
    expect(past.map((each) => each.textContent)).toEqual([
      'Drain: laterals at 20 m, done 8 Aug 2022',
      'Drain: laterals at 20 m, left out: no money',
    ])
    // a dropped action brings nobody back
    expect(within(after('Test again')).getAllByRole('listitem')).toHaveLength(2)
  })

  it('orders the returns by their day', async () => {
    const later = structuredClone(planDone)
    later.actions[0]!.action.followUpOn = '2028-03-01'
    await print(later)
    const returns = within(after('Test again')).getAllByRole('listitem')
    expect(returns.map((each) => each.textContent)).toEqual([
      'from 25 Oct 2027: salt by depth',
      'from 1 Mar 2028: salt',
    ])
  })

  it('proposes with the amount and what comes first', async () => {
    const { laboratory, ...lime } = plan.proposals[0]!
    expect(laboratory).toBeDefined()
    await print({ ...plan, proposals: [lime] })
    const figure = lime.calculation!.values.productTHa!.value.toFixed(1)
    const line = await screen.findByText(new RegExp(`${figure.replace('.', '\\.')}.* t/ha of lime`))
    expect(line.textContent).toContain(`First: ${lime.confirmation}`)
    expect(screen.getByText('Nothing agreed yet.')).toBeTruthy()
    expect(screen.queryByRole('table')).toBeNull()
  })
})
