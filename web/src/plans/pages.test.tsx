import { screen, waitFor, within } from '@testing-library/react'
import { afterEach, describe, expect, it } from 'vitest'
import { plan, planDone, products, session } from '../testing/demo'
import { open, putAway, Refusal, serve, writes, type Asked } from '../testing/page'
import { PlanPage } from './PlanPage'
import { ProductsPage } from './ProductsPage'

afterEach(putAway)

const PLAN = 'GET /api/fields/f/plan'
const sent = (call: Asked) => ({ ...(call.body as object), id: call.path.split('/').at(-1) })

function openPlan(view = plan, answers: Record<string, unknown> = {}) {
  const asked = serve({ [PLAN]: view, 'GET /api/products': products, ...answers })
  return { asked, ...open('/fields/:id/plan', <PlanPage />, '/fields/f/plan') }
}

describe('a plan', () => {
  const lime = plan.proposals[0]!

  it('proposes with the amount, for what, how sure, and what comes first', async () => {
    openPlan()
    const proposed = await screen.findByRole('region', { name: 'Proposed' })
    const [first] = within(proposed).getAllByRole('listitem')
    expect(first!.textContent).toContain(lime.title)
    expect(first!.textContent).toContain(lime.constraintLabel.toLowerCase())
    expect(first!.textContent).toContain('Confirmed by the laboratory')
    const figure = lime.calculation!.values.productTHa!.value
    expect(await within(proposed).findByText(new RegExp(`${figure.toFixed(1)}.* t/ha of lime`))).toBeTruthy()
  })

  it('says what must be confirmed first where no laboratory has spoken, and where one disagrees', async () => {
    const { laboratory, ...unspoken } = lime
    expect(laboratory!.agrees).toBe(true)
    openPlan({ ...plan, proposals: [unspoken] })
    const proposed = await screen.findByRole('region', { name: 'Proposed' })
    expect(proposed.textContent).toContain(`First: ${lime.confirmation}`)
    await putAway()
    openPlan({ ...plan, proposals: [{ ...lime, laboratory: { ...laboratory!, agrees: false } }] })
    expect(await screen.findByText(/does not agree with what was read in the field/)).toBeTruthy()
    expect(screen.getByRole('region', { name: 'Proposed' }).textContent).toContain(
      `First: ${lime.confirmation}`,
    )
  })

  it('names the patch, and offers nothing that is held back', async () => {
    openPlan({
      ...plan,
      proposals: [
        { ...lime, patch: 'in the poor patch' },
        {
          ...lime,
          kind: 'leach',
          title: 'Leaching',
          constraint: 'salinity',
          held: 'Salt may hide sodium.',
          waiting: true,
        },
        { ...lime, kind: 'sulfur', title: 'Sulfur', held: 'With free lime it is hopeless.', waiting: false },
      ],
    })
    const proposed = await screen.findByRole('region', { name: 'Proposed' })
    expect(within(proposed).getByText('Held back for now')).toBeTruthy()
    const refused = within(proposed).getByText('Not proposed, and why: 1').closest('details')!
    expect(refused.open).toBe(false)
    expect(within(refused).getByText('With free lime it is hopeless.')).toBeTruthy()
    expect(within(proposed).getByText('Salt may hide sodium.')).toBeTruthy()
    expect(within(proposed).getAllByRole('button', { name: 'Take it up' })).toHaveLength(1)
    expect(proposed.textContent).toContain('in the poor patch')
  })

  it('tells what an option spares, and folded when, what can go wrong and who decides', async () => {
    openPlan({
      ...plan,
      proposals: [
        { ...lime, spares: 'Spares about 9 % of the yield a year.', risk: 'It locks up zinc.', law: 'None.' },
        {
          ...lime,
          kind: 'live-with-it',
          title: 'Live with it',
          calculator: undefined,
          calculation: undefined,
          rules: ['Or oats.'],
        },
      ],
    })
    const proposed = await screen.findByRole('region', { name: 'Proposed' })
    expect(within(proposed).getByText('Spares about 9 % of the yield a year.')).toBeTruthy()
    const folded = within(proposed).getByText('It locks up zinc.').closest('details')!
    expect(folded.open).toBe(false)
    expect(within(folded).getByText('What can go wrong')).toBeTruthy()
    expect(within(proposed).getByRole('heading', { name: 'Or live with it' })).toBeTruthy()
    expect(within(proposed).getByText('Or oats.')).toBeTruthy()
    expect(within(proposed).queryByText('Live with it')).toBeNull()
  })

  it('tells a programme over years step by step, with what to test between and when it ends', async () => {
    openPlan({
      ...plan,
      roads: [
        {
          constraint: 'salinity',
          title: 'A salty spot, over years',
          steps: [
            { years: 'year 1', what: 'A way out for water.', only: 'It needs permits.' },
            { years: 'every spring', what: 'Read the salt.', test: 'salt by depth' },
          ],
          outlook: 'In about 8 to 16 years.',
          until: 'Under 8 dS/m in two springs.',
          warning: 'Salt that has risen comes from elsewhere.',
        },
      ],
    })
    const road = await screen.findByRole('region', { name: 'A salty spot, over years' })
    const steps = within(road).getAllByRole('listitem')
    expect(steps.map((each) => each.textContent)).toEqual([
      'year 1A way out for water.It needs permits.',
      'every springRead the salt.Test: salt by depth.',
    ])
    expect(road.textContent).toContain('In about 8 to 16 years.')
    expect(road.textContent).toContain('Under 8 dS/m in two springs.')
    expect(within(road).getByText('Salt that has risen comes from elsewhere.')).toBeTruthy()
  })

  it('asks what confirmed it as soon as a proposal is marked done, and says each thing that is refused', async () => {
    const refusal = new Refusal(422, {
      detail: 'Nothing was stored.',
      errors: [
        { field: 'confirmedBy', code: 'UNCONFIRMED', message: 'Say what confirmed it.' },
        { field: 'inputs.phWater', code: 'MISSING', message: 'Give the pH.' },
        { field: 'kind', code: 'UNKNOWN', message: 'There is no such work.' },
      ],
    })
    const { user } = openPlan(
      { ...plan, proposals: [{ ...lime, toConfirm: true }] },
      { 'PUT /api/actions/*': refusal },
    )
    await user.click(await screen.findByRole('button', { name: 'Take it up' }))
    const panel = await screen.findByRole('dialog')
    await user.click(within(panel).getByText('done'))
    expect(within(panel).getByLabelText('Confirmed by')).toBeTruthy()
    await user.click(within(panel).getByRole('button', { name: 'Keep' }))
    // each at its entry, and what has none at the end
    expect(await within(panel).findByText('Not kept. There is no such work.')).toBeTruthy()
    expect(within(panel).getByText('Say what confirmed it.')).toBeTruthy()
    expect(within(panel).getByText('Give the pH.')).toBeTruthy()
    expect(within(panel).getByText('How much').closest('details')!.open).toBe(true)
  })

  it('takes a proposal up with its inputs, amount and cost as worked out', async () => {
    const { user, asked } = openPlan()
    await user.click((await screen.findAllByRole('button', { name: 'Take it up' }))[0]!)
    const panel = await screen.findByRole('dialog')
    await within(panel).findByText('How this was worked out')
    await user.click(within(panel).getByRole('button', { name: 'Keep' }))
    await waitFor(() => expect(writes(asked)).toHaveLength(1))
    const body = writes(asked)[0]!.body as Record<string, unknown>
    expect(body).toMatchObject({
      kind: 'lime',
      constraint: 'acidity',
      state: 'agreed',
      version: 0,
      person: session.me!.name,
    })
    expect(body.amount).toMatch(/t\/ha of lime/)
    expect(body.inputs).toMatchObject({ phWater: lime.inputs.phWater })
  })

  it('fills a product’s strength and price in, and reckons anew', async () => {
    const product = products.find((each) => each.calculator === 'lime')!
    const { user, asked } = openPlan()
    await user.click((await screen.findAllByRole('button', { name: 'Take it up' }))[0]!)
    const panel = await screen.findByRole('dialog')
    await within(panel).findByText(product.name)
    await user.selectOptions(within(panel).getByLabelText('Product'), product.id)
    await user.click(within(panel).getByRole('button', { name: 'Keep' }))
    await waitFor(() => expect(writes(asked)).toHaveLength(1))
    expect((writes(asked)[0]!.body as { inputs: object }).inputs).toMatchObject(product.inputs)
  })

  it('shows a refusal at its entry and keeps what was entered', async () => {
    const refusal = new Refusal(422, {
      detail: 'Nothing was stored.',
      errors: [{ field: 'dueTo', code: 'UPSIDE_DOWN', message: 'The window ends before it begins.' }],
    })
    const { user, router } = openPlan(plan, { 'PUT /api/actions/*': refusal })
    await user.click((await screen.findAllByRole('button', { name: 'Take it up' }))[0]!)
    const panel = await screen.findByRole('dialog')
    await user.type(within(panel).getByLabelText('Who'), 'The contractor')
    await user.click(within(panel).getByRole('button', { name: 'Keep' }))
    expect(await within(panel).findByText('The window ends before it begins.')).toBeTruthy()
    expect(within(panel).getByLabelText<HTMLInputElement>('Who').value).toBe('The contractor')
    expect(router.state.location.pathname).toBe('/fields/f/plan')
  })

  it('shows what was done with its outlook, and asks why something is dropped', async () => {
    const done = planDone.actions[0]!
    const { user, asked } = openPlan(planDone, { [`PUT /api/actions/${done.action.id}`]: sent })
    const list = await screen.findByRole('region', { name: 'In the plan' })
    expect(within(list).getByText(done.title)).toBeTruthy()
    expect(screen.getAllByText(planDone.outlooks[0]!.basis).length).toBeGreaterThan(0)
    await user.click(within(list).getByRole('button', { name: new RegExp(done.title) }))
    const panel = await screen.findByRole('dialog')
    await user.click(within(panel).getByText('dropped'))
    await user.type(within(panel).getByLabelText('Why'), 'no money')
    await user.click(within(panel).getByRole('button', { name: 'Keep' }))
    await waitFor(() => expect(writes(asked)).toHaveLength(1))
    expect(writes(asked)[0]!.body).toMatchObject({
      state: 'dropped',
      reason: 'no money',
      version: done.action.version,
    })
  })

  it('tells costs in the currency that the practice has set', async () => {
    const action = { ...planDone.actions[0]!.action, cost: 1200 }
    const view = { ...planDone, agreedCost: 1200, actions: [{ ...planDone.actions[0]!, action }] }
    openPlan(view)
    expect(await screen.findByText(/in the currency of your prices/)).toBeTruthy()
    await putAway()
    openPlan(view, {
      'GET /api/practice': { id: 'p', name: 'P', sheetSchool: 'flags', currency: '€', version: 1 },
    })
    const agreed = await screen.findByRole('region', { name: 'In the plan' })
    await waitFor(() => expect(agreed.textContent).toContain('€\u202f1,200'))
    expect(agreed.textContent).not.toContain('in the currency of your prices')
  })

  it('offers a grower nothing to decide', async () => {
    openPlan(plan, { 'GET /api/session': { me: { ...session.me!, role: 'GROWER' } } })
    const proposed = await screen.findByRole('region', { name: 'Proposed' })
    await waitFor(() => expect(within(proposed).queryByRole('button')).toBeNull())
    expect(screen.queryByRole('link', { name: 'Sheet' })).toBeNull()
    expect(screen.getByRole('link', { name: 'Limits' })).toBeTruthy()
  })

  it('takes an action out', async () => {
    const done = planDone.actions[0]!
    const { user, asked } = openPlan(planDone, { [`DELETE /api/actions/${done.action.id}`]: null })
    await user.click(await screen.findByRole('button', { name: new RegExp(done.title) }))
    await user.click(within(await screen.findByRole('dialog')).getByRole('button', { name: 'Take out' }))
    await waitFor(() => expect(writes(asked)[0]?.method).toBe('DELETE'))
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull())
  })

  it('says what to do where nothing is planned or proposed', async () => {
    openPlan({ ...plan, actions: [], proposals: [], outlooks: [] })
    expect(await screen.findByText(/Nothing limits this field enough to act on/)).toBeTruthy()
    expect(screen.getByText(/appears here once lime is in the plan/)).toBeTruthy()
  })
})

describe('products of the practice', () => {
  function openProducts(answers: Record<string, unknown> = {}) {
    const asked = serve({ 'GET /api/products': products, ...answers })
    return { asked, ...open('/products', <ProductsPage />, '/products') }
  }
  const product = products[0]!

  it('stand on their shelves with what is known of them', async () => {
    openProducts()
    for (const each of products) expect(await screen.findByText(each.name)).toBeTruthy()
    expect(screen.getAllByText(/None yet: plans reckon with the pure material/).length).toBeGreaterThan(0)
  })

  it('are changed, with the version that was seen', async () => {
    const { user, asked } = openProducts({ [`PUT /api/products/${product.id}`]: sent })
    await user.click(await screen.findByRole('button', { name: new RegExp(product.name) }))
    const name = await screen.findByLabelText('Name')
    await user.clear(name)
    await user.type(name, '  Shell from the harbour ')
    await user.click(screen.getByRole('button', { name: 'Keep' }))
    await waitFor(() => expect(writes(asked)).toHaveLength(1))
    expect(writes(asked)[0]!.body).toMatchObject({
      name: 'Shell from the harbour',
      version: product.version,
      inputs: product.inputs,
    })
  })

  it('show a refusal at the figure', async () => {
    const { user } = openProducts({
      [`PUT /api/products/${product.id}`]: new Refusal(422, {
        errors: [{ field: 'name', code: 'INVALID', message: 'Needs a name.' }],
      }),
    })
    await user.click(await screen.findByRole('button', { name: new RegExp(product.name) }))
    await user.clear(await screen.findByLabelText('Name'))
    await user.click(screen.getByRole('button', { name: 'Keep' }))
    expect(await screen.findByText('Needs a name.')).toBeTruthy()
  })

  it('are removed and put back', async () => {
    const path = `/api/products/${product.id}`
    const { user, asked } = openProducts({ [`DELETE ${path}`]: null, [`PUT ${path}`]: sent })
    await user.click(await screen.findByRole('button', { name: new RegExp(product.name) }))
    await user.click(await screen.findByRole('button', { name: 'Remove' }))
    expect(await screen.findByText(`Removed “${product.name}”.`)).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Undo' }))
    await waitFor(() => expect(writes(asked)).toHaveLength(2))
    expect(writes(asked)[1]!.body).toMatchObject({ name: product.name, version: 0 })
  })
})
