import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import { v7 as uuid } from 'uuid'
import { api, ApiError, must } from '../api/client'
import { queries } from '../queries/queries'
import type { CalculatorEntry, Product } from '../api/schema'
import { pruned } from '../api/readings'
import { ReadingForm } from '../forms/ReadingForm'
import { Button, Input, Labelled } from '../ui/controls'
import { Panel } from '../ui/Panel'
import { Failed, Loading } from '../ui/states'
import { useMoney } from '../units/money'
import { plainNumber, useUnits } from '../units/units'

/** What a practice buys: each product's strength and price, for the amounts and costs of its plans. */
export function ProductsPage() {
  const client = useQueryClient()
  const products = useQuery(queries.products())
  const plans = useQuery(queries.plans())
  const [open, setOpen] = useState<{ calculator: CalculatorEntry; product?: Product }>()
  const [removed, setRemoved] = useState<Product>()
  const money = useMoney()
  const refresh = () => client.invalidateQueries({ queryKey: queries.products().queryKey })
  const back = useMutation({
    mutationFn: (product: Product) => putProduct({ ...product, version: 0 }),
    onSuccess: async () => {
      setRemoved(undefined)
      await refresh()
    },
  })
  if (products.isPending || plans.isPending) return <Loading what="the products" />
  if (products.isError) return <Failed error={products.error} retry={() => products.refetch()} />
  if (plans.isError) return <Failed error={plans.error} retry={() => plans.refetch()} />
  const bought = plans.data.filter((each) => each.ofProduct.length > 0)
  return (
    <div className="grid max-w-5xl content-start gap-6 px-5 py-6 sm:px-7">
      <header>
        <h1 className="text-3xl">Products</h1>
        <p className="text-soft">
          What the practice buys. Plans take strength and price from here; change one and the next plan uses
          it.
          {!money.isSet && (
            <>
              {' '}
              Prices are told without a currency until one is set in{' '}
              <Link to="/settings/practice" className="text-accent underline">
                the practice’s settings
              </Link>
              .
            </>
          )}
        </p>
      </header>
      {removed && (
        <p role="status" className="flex items-center gap-3 border-l-3 border-strained pl-3">
          Removed “{removed.name}”.
          <Button kind="quiet" onClick={() => back.mutate(removed)}>
            Undo
          </Button>
        </p>
      )}
      {bought.map((calculator) => (
        <Shelf
          key={calculator.id}
          calculator={calculator}
          products={products.data.filter((each) => each.calculator === calculator.id)}
          onOpen={(product) => setOpen({ calculator, product })}
        />
      ))}
      <Panel
        title={
          open?.product ? open.product.name : `New product: ${open?.calculator.title.toLowerCase() ?? ''}`
        }
        open={open !== undefined}
        onClose={() => setOpen(undefined)}
      >
        {open && (
          <ProductForm
            {...open}
            onDone={async (gone) => {
              setOpen(undefined)
              setRemoved(gone)
              await refresh()
            }}
          />
        )}
      </Panel>
    </div>
  )
}

/** The products of one calculator, with what is known of each. */
function Shelf({
  calculator,
  products,
  onOpen,
}: {
  calculator: CalculatorEntry
  products: Product[]
  onOpen: (product?: Product) => void
}) {
  const units = useUnits()
  const money = useMoney()
  const known = calculator.inputs.filter((each) => calculator.ofProduct.includes(each.name))
  const text = (product: Product) =>
    known
      .filter((entry) => product.inputs[entry.name] !== undefined)
      .map((entry) => {
        const figure = Number(product.inputs[entry.name])
        const shown = entry.unit
          ? money.withUnit(units.text(figure, entry.unit), entry.unit)
          : plainNumber(figure)
        return `${entry.label.toLowerCase()} ${shown}`
      })
      .join(' · ')
  return (
    <section aria-label={calculator.title} className="grid gap-1">
      <div className="flex items-baseline justify-between gap-4 border-b border-strong-rule">
        <h2 className="text-lg">{calculator.title}</h2>
        <Button kind="quiet" aria-label={`Add to ${calculator.title}`} onClick={() => onOpen()}>
          Add
        </Button>
      </div>
      {products.length === 0 && (
        <p className="text-[15px] text-soft">None yet: plans reckon with the pure material.</p>
      )}
      <ul>
        {products.map((product) => (
          <li key={product.id} className="border-b border-rule">
            <button
              type="button"
              onClick={() => onOpen(product)}
              className="grid min-h-12 w-full items-baseline gap-x-6 py-2 text-left hover:bg-paper sm:grid-cols-[15rem_minmax(0,1fr)]"
            >
              <span className="font-semibold">{product.name}</span>
              <span className="text-[15px] text-soft">{text(product)}</span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  )
}

function putProduct({ id, ...body }: Product) {
  return must(api.PUT('/api/products/{id}', { params: { path: { id } }, body }))
}

function ProductForm({
  calculator,
  product,
  onDone,
}: {
  calculator: CalculatorEntry
  product?: Product
  onDone: (removed?: Product) => void
}) {
  const [id] = useState(() => product?.id ?? uuid())
  const [name, setName] = useState(product?.name ?? '')
  const [inputs, setInputs] = useState(product?.inputs ?? {})
  const entries = calculator.inputs.filter((each) => calculator.ofProduct.includes(each.name))
  const keep = useMutation({
    mutationFn: () =>
      putProduct({
        id,
        name: name.trim(),
        calculator: calculator.id,
        inputs: pruned(entries, inputs),
        version: product?.version ?? 0,
      }),
    onSuccess: () => onDone(),
  })
  const remove = useMutation({
    mutationFn: () => must(api.DELETE('/api/products/{id}', { params: { path: { id } } })),
    onSuccess: () => onDone(product),
  })
  const refusal = keep.error ?? remove.error
  const faults = keep.error instanceof ApiError ? keep.error.faults : []
  return (
    <form
      noValidate
      className="grid gap-4"
      onSubmit={(event) => {
        event.preventDefault()
        keep.mutate()
      }}
    >
      <Labelled label="Name" error={faults.find((each) => each.field === 'name')?.message}>
        {(aria) => <Input {...aria} value={name} onChange={(event) => setName(event.target.value)} />}
      </Labelled>
      <ReadingForm
        entries={entries}
        readings={inputs}
        onChange={setInputs}
        faults={faults.map((each) => ({ ...each, field: each.field.replace(/^inputs\./, '') }))}
      />
      {refusal && faults.length === 0 && (
        <p role="alert" className="text-failing">
          {refusal.message}
        </p>
      )}
      <div className="flex gap-3">
        <Button kind="primary" type="submit" className="grow" disabled={keep.isPending}>
          Keep
        </Button>
        {product && <Button onClick={() => remove.mutate()}>Remove</Button>}
      </div>
    </form>
  )
}
