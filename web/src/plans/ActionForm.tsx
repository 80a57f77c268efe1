import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import { v7 as uuid } from 'uuid'
import { api, ApiError, must } from '../api/client'
import { queries } from '../queries/queries'
import type { Action, ActionView, ActionWrite, PlanView, ProposalView } from '../api/schema'
import { pruned } from '../api/readings'
import { ReadingForm } from '../forms/ReadingForm'
import { useCore } from '../core/core'
import { showDay, today } from '../words/dates'
import { useMoney } from '../units/money'
import { Button, Choice, Input, Labelled, Select, QuantityInput } from '../ui/controls'
import { DateInput } from '../ui/DateInput'
import { WorkingLines } from '../ui/Working'
import { Figures, Notes } from '../readings/Results'
import { useAmount } from './useAmount'

const STATES = [
  { code: 'agreed', label: 'agreed' },
  { code: 'done', label: 'done' },
  { code: 'dropped', label: 'dropped' },
]

const ENTRIES = [
  'state',
  'confirmedBy',
  'dueFrom',
  'dueTo',
  'cost',
  'amount',
  'person',
  'followUpOn',
  'followUp',
]

/** Whether a fault is shown at its entry; what has none is told at the end. */
function isAtItsEntry(field: string, state: string, calculated: boolean) {
  return (
    (ENTRIES.includes(field) && (field !== 'confirmedBy' || state !== 'dropped')) ||
    (state === 'dropped' && field === 'reason') ||
    (state === 'done' && (field === 'doneOn' || field === 'actualRate')) ||
    (calculated && field.startsWith('inputs.'))
  )
}

function isAction(subject: ProposalView | ActionView): subject is ActionView {
  return 'action' in subject
}

function begin(field: string, subject: ProposalView | ActionView): Omit<Action, 'id'> {
  if (isAction(subject)) {
    const { fieldId, kind, constraint, inputs, amount, cost, person, dueFrom, dueTo, state, reason } =
      subject.action
    const { confirmedBy, doneOn, actualRate, followUpOn, followUp, version } = subject.action
    return {
      fieldId,
      kind,
      constraint,
      inputs,
      amount,
      cost,
      person,
      dueFrom,
      dueTo,
      state,
      reason,
      confirmedBy,
      doneOn,
      actualRate,
      followUpOn,
      followUp,
      version,
    }
  }
  return {
    fieldId: field,
    kind: subject.kind,
    constraint: subject.constraint,
    inputs: subject.inputs,
    state: 'agreed',
    version: 0,
  }
}

/** An action taken up, changed, done or dropped; its calculator beside it. */
export function ActionForm({
  field,
  plan,
  subject,
  onDone,
}: {
  field: string
  plan: PlanView
  subject: ProposalView | ActionView
  onDone: () => void
}) {
  const core = useCore()
  const money = useMoney()
  const client = useQueryClient()
  const me = useQuery(queries.session()).data?.me
  const calculator = useQuery(queries.plans()).data?.find((each) => each.id === subject.calculator)
  const products = (useQuery(queries.products()).data ?? []).filter(
    (each) => each.calculator === subject.calculator,
  )
  const amountOf = useAmount(plan.garden)
  const [id] = useState(() => (isAction(subject) ? subject.action.id : uuid()))
  const [entry, setEntry] = useState(() => begin(field, subject))
  const put = (part: Partial<Action>) => setEntry((old) => ({ ...old, ...part }))
  const given = pruned(calculator?.inputs ?? [], entry.inputs)
  const outcome = calculator && core?.workOut(calculator.id, given)
  const worked = amountOf(calculator?.id, outcome?.envelope)
  const cost = outcome?.envelope?.values['cost']?.value
  const done = async () => {
    await client.invalidateQueries({ queryKey: ['field', field] })
    onDone()
  }
  const keep = useMutation({
    mutationFn: () => {
      const body: ActionWrite = {
        ...entry,
        inputs: given,
        amount: entry.amount ?? worked,
        cost: entry.cost ?? cost,
        person: entry.person ?? me?.name,
      }
      return must(api.PUT('/api/actions/{id}', { params: { path: { id } }, body }))
    },
    onSuccess: done,
  })
  const remove = useMutation({
    mutationFn: () => must(api.DELETE('/api/actions/{id}', { params: { path: { id } } })),
    onSuccess: done,
  })
  const refusal = keep.error ?? remove.error
  const faults = refusal instanceof ApiError ? refusal.faults : []
  const fault = (name: string) => faults.find((each) => each.field === name)?.message
  const unseen = faults.filter((each) => !isAtItsEntry(each.field, entry.state, calculator !== undefined))
  const origins = isAction(subject) ? [] : subject.origins
  const text = (
    name: 'amount' | 'person' | 'reason' | 'confirmedBy' | 'actualRate' | 'followUp',
    label: string,
    placeholder?: string,
  ) => (
    <Labelled label={label} error={fault(name)}>
      {(aria) => (
        <Input
          {...aria}
          value={entry[name] ?? ''}
          placeholder={placeholder}
          onChange={(event) => put({ [name]: event.target.value || undefined })}
        />
      )}
    </Labelled>
  )
  const day = (name: 'dueFrom' | 'dueTo' | 'doneOn' | 'followUpOn', label: string) => (
    <Labelled label={label} error={fault(name)}>
      {(aria) => (
        <DateInput
          {...aria}
          value={entry[name] ?? ''}
          onChange={(event) => put({ [name]: event.target.value || undefined })}
        />
      )}
    </Labelled>
  )
  return (
    <form
      noValidate
      className="grid gap-4"
      onSubmit={(event) => {
        event.preventDefault()
        keep.mutate()
      }}
    >
      <Choice
        label="State"
        options={STATES}
        value={entry.state}
        onChange={(state) => put({ state, doneOn: state === 'done' ? (entry.doneOn ?? today()) : undefined })}
      />
      {entry.state === 'dropped' && text('reason', 'Why')}
      {fault('state') && (
        <p role="alert" className="text-failing">
          {fault('state')}
        </p>
      )}
      {entry.state === 'done' && (
        <div className="grid grid-cols-2 gap-4">
          {day('doneOn', 'Done on')}
          {text('actualRate', 'What was really given', worked)}
        </div>
      )}
      {(subject.toConfirm || fault('confirmedBy')) && entry.state !== 'dropped' && (
        <div>
          {text(
            'confirmedBy',
            'Confirmed by',
            subject.laboratory?.agrees ? `laboratory, ${showDay(subject.laboratory.on)}` : undefined,
          )}
        </div>
      )}
      {calculator && (
        <details open={entry.state === 'agreed' || faults.some((each) => each.field.startsWith('inputs.'))}>
          <summary className="min-h-11 cursor-pointer content-center font-semibold text-accent">
            How much
          </summary>
          <div className="grid gap-4">
            {calculator.ofProduct.length > 0 && (
              <Labelled label="Product">
                {(aria) => (
                  <Select
                    {...aria}
                    defaultValue=""
                    onChange={(event) => {
                      const product = products.find((each) => each.id === event.target.value)
                      if (product)
                        put({
                          inputs: { ...entry.inputs, ...product.inputs },
                          amount: undefined,
                          cost: undefined,
                        })
                    }}
                  >
                    <option value="">pure, or as entered below</option>
                    {products.map((product) => (
                      <option key={product.id} value={product.id}>
                        {product.name}
                      </option>
                    ))}
                  </Select>
                )}
              </Labelled>
            )}
            {calculator.ofProduct.length > 0 && (
              <Link to="/products" className="-mt-3 text-sm text-accent hover:underline">
                {products.length > 0 ? 'What the practice buys' : 'Note what the practice buys'}
              </Link>
            )}
            {origins.length > 0 && (
              <p className="text-sm text-soft">
                {origins
                  .map(
                    (origin) =>
                      `${calculator.inputs.find((each) => each.name === origin.name)?.label ?? origin.name}: ${origin.text}`,
                  )
                  .join(' · ')}
              </p>
            )}
            <ReadingForm
              entries={calculator.inputs}
              readings={entry.inputs}
              onChange={(inputs) => put({ inputs, amount: undefined, cost: undefined })}
              faults={
                outcome?.faults ??
                faults.map((each) => ({ ...each, field: each.field.replace(/^inputs\./, '') }))
              }
            />
            {outcome?.envelope && (
              <>
                <Figures envelope={outcome.envelope} labels={calculator.labels} />
                <Notes envelope={outcome.envelope} />
                <details>
                  <summary className="min-h-11 cursor-pointer content-center text-accent">
                    How this was worked out
                  </summary>
                  <WorkingLines envelope={outcome.envelope} />
                </details>
              </>
            )}
          </div>
        </details>
      )}
      {text('amount', 'What is to be done', worked)}
      <div className="grid grid-cols-2 gap-4">
        {day('dueFrom', 'From')}
        {day('dueTo', 'To')}
        {text('person', 'Who', me?.name)}
        <QuantityInput
          label={money.sum('Cost')}
          unit=""
          value={entry.cost}
          placeholder={cost === undefined ? undefined : String(Math.round(cost))}
          onChange={(figure) => put({ cost: figure })}
          error={fault('cost')}
        />
        {day('followUpOn', 'Test again from')}
        {text('followUp', 'What to test')}
      </div>
      {refusal && (
        <p role="alert" className="text-failing">
          {unseen.length > 0
            ? `Not kept. ${unseen.map((each) => each.message).join(' ')}`
            : faults.length > 0
              ? 'Not kept: see above.'
              : refusal.message}
        </p>
      )}
      <div className="flex gap-3">
        <Button kind="primary" type="submit" className="grow" disabled={keep.isPending}>
          Keep
        </Button>
        {isAction(subject) && <Button onClick={() => remove.mutate()}>Take out</Button>}
      </div>
    </form>
  )
}
