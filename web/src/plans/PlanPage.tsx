import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useParams } from 'react-router'
import { SavableChart } from '../charts/SavePicture'
import { queries } from '../queries/queries'
import type { ActionView, PlanView, ProposalView } from '../api/schema'
import { OutlookChart } from '../charts/OutlookChart'
import { showDay } from '../words/dates'
import { FieldNav } from '../fields/FieldNav'
import { Button } from '../ui/controls'
import { Panel } from '../ui/Panel'
import { Failed, Loading, Notice } from '../ui/states'
import { useUnits } from '../units/units'
import { useMoney } from '../units/money'
import { ActionForm } from './ActionForm'
import { useMay } from '../queries/role'
import { LIVE_WITH_IT } from './options'
import { useAmount } from './useAmount'
import { PaperPlan } from './PaperPlan'

/** What is proposed, agreed, done and dropped on a field, in the order of the work; and what to expect. */
export function PlanPage() {
  const units = useUnits()
  const { id } = useParams()
  const query = useQuery(queries.plan(id!))
  const [open, setOpen] = useState<ProposalView | ActionView>()
  if (query.isPending) return <Loading what="the plan" />
  if (query.isError) return <Failed error={query.error} retry={() => query.refetch()} />
  const plan = query.data
  return (
    <>
      <div className="grid grow content-start gap-x-10 gap-y-6 px-5 py-6 sm:px-7 print:hidden lg:grid-cols-[minmax(0,1.5fr)_minmax(22rem,1fr)]">
        <header className="lg:col-span-2">
          <div className="flex flex-wrap items-end gap-4">
            <h1 className="mr-auto text-3xl">
              {plan.field} <span className="text-xl font-normal text-soft">plan</span>
            </h1>
            <Button className="no-print" onClick={() => window.print()}>
              Print
            </Button>
          </div>
          <FieldNav id={id!} />
        </header>
        <div className="grid content-start gap-8">
          <Agreed plan={plan} onOpen={setOpen} />
          <Proposed plan={plan} onOpen={setOpen} />
          <Roads roads={plan.roads} />
        </div>
        <aside className="grid content-start gap-6">
          {plan.outlooks.length === 0 && (
            <p className="text-soft">
              What pH or salt should do over the years appears here once lime is in the plan, or a salty field
              is drained.
            </p>
          )}
          {plan.outlooks.map((outlook) => (
            <SavableChart
              key={outlook.indicator}
              title={`${plan.field}: ${outlook.label} to come`}
              unit={units.symbol(outlook.unit)}
            >
              <OutlookChart outlook={outlook} />
            </SavableChart>
          ))}
        </aside>
        <Panel title={open ? open.title : ''} open={open !== undefined} onClose={() => setOpen(undefined)}>
          {open && <ActionForm field={id!} plan={plan} subject={open} onDone={() => setOpen(undefined)} />}
        </Panel>
      </div>
      <PaperPlan plan={plan} />
    </>
  )
}

function Agreed({ plan, onOpen }: { plan: PlanView; onOpen: (view: ActionView) => void }) {
  const money = useMoney()
  if (plan.actions.length === 0)
    return (
      <section>
        <h2 className="text-lg">In the plan</h2>
        <p className="text-soft">
          {plan.proposals.length > 0
            ? 'Nothing agreed yet. Take up what is proposed below.'
            : 'Nothing limits this field enough to act on, as far as it was tested. What its tests ask for stands here, in the order of the work.'}
        </p>
      </section>
    )
  return (
    <section aria-label="In the plan">
      <h2 className="mb-1 text-lg">In the plan</h2>
      <ol>
        {plan.actions.map((view) => (
          <ActionLine key={view.action.id} view={view} onOpen={() => onOpen(view)} />
        ))}
      </ol>
      {plan.agreedCost > 0 && (
        <p className="border-t border-strong-rule pt-2 text-right">
          Agreed in all <strong>{money.text(plan.agreedCost, 0)}</strong>
          {!money.isSet && ', in the currency of your prices'}
        </p>
      )}
    </section>
  )
}

function ActionLine({ view, onOpen }: { view: ActionView; onOpen: () => void }) {
  const may = useMay()
  const money = useMoney()
  const units = useUnits()
  const { action } = view
  const when =
    action.state === 'done' && action.doneOn
      ? `done ${showDay(action.doneOn)}${action.actualRate ? `, ${units.prose(action.actualRate)}` : ''}`
      : action.dueFrom
        ? `${showDay(action.dueFrom)}${action.dueTo ? ` to ${showDay(action.dueTo)}` : ''}`
        : ''
  return (
    <li className="border-t border-rule">
      <button
        type="button"
        disabled={!may.work}
        onClick={onOpen}
        className="grid min-h-12 w-full grid-cols-[5.5rem_minmax(0,1fr)_auto] items-baseline gap-x-4 py-2 text-left hover:bg-paper"
      >
        <span className={action.state === 'agreed' ? 'font-bold' : 'text-soft'}>{action.state}</span>
        <span>
          <span className={action.state === 'dropped' ? 'line-through' : 'font-semibold'}>{view.title}</span>
          {action.amount && `: ${units.prose(action.amount)}`}
          <span className="block text-[15px] text-soft">
            {[view.constraintLabel && `for ${view.constraintLabel.toLowerCase()}`, when, action.person]
              .filter(Boolean)
              .join(' · ')}
          </span>
          {view.waits.map((wait) => (
            <span key={wait} className="block text-[15px] text-strained">
              {wait}
            </span>
          ))}
          {action.confirmedBy && (
            <span className="block text-[15px] text-soft">Confirmed by {action.confirmedBy}</span>
          )}
          {action.reason && <span className="block text-[15px]">{action.reason}</span>}
          {action.followUpOn && action.state !== 'dropped' && (
            <span className="block text-[15px] text-soft">
              Test again from {showDay(action.followUpOn)}
              {action.followUp && `: ${action.followUp}`}
            </span>
          )}
        </span>
        <span className="text-right">{action.cost !== undefined && money.text(action.cost, 0)}</span>
      </button>
    </li>
  )
}

function Proposed({ plan, onOpen }: { plan: PlanView; onOpen: (view: ProposalView) => void }) {
  const offered = plan.proposals.filter((each) => !each.held && each.kind !== LIVE_WITH_IT)
  const lived = plan.proposals.filter((each) => !each.held && each.kind === LIVE_WITH_IT)
  const waiting = plan.proposals.filter((each) => each.held && each.waiting)
  const refused = plan.proposals.filter((each) => each.held && !each.waiting)
  if (plan.proposals.length === 0) return null
  return (
    <section aria-label="Proposed">
      {offered.length > 0 && <h2 className="text-lg">Proposed, in the order of the work</h2>}
      <ol>
        {offered.map((each) => (
          <Option
            key={`${each.kind}-${each.constraint}-${each.patch}`}
            option={each}
            plan={plan}
            onOpen={() => onOpen(each)}
          />
        ))}
      </ol>
      {waiting.length > 0 && (
        <>
          <h2 className="mt-4 text-lg">Held back for now</h2>
          <Held proposals={waiting} />
        </>
      )}
      {lived.length > 0 && (
        <>
          <h2 className="mt-4 text-lg">Or live with it</h2>
          <ul>
            {lived.map((each) => (
              <Lived key={each.constraint} option={each} onOpen={() => onOpen(each)} />
            ))}
          </ul>
        </>
      )}
      {refused.length > 0 && (
        <details className="mt-4 border-t border-rule">
          <summary className="min-h-11 cursor-pointer py-2 text-lg">
            Not proposed, and why: {refused.length}
          </summary>
          <Held proposals={refused} />
        </details>
      )}
    </section>
  )
}

/** Programmes over years, step by step, with what to test between. */
function Roads({ roads }: { roads: PlanView['roads'] }) {
  const units = useUnits()
  return roads.map((road) => (
    <section key={road.constraint} aria-label={road.title}>
      <h2 className="text-lg">{road.title}</h2>
      <ol>
        {road.steps.map((step) => (
          <li
            key={step.what}
            className="grid gap-x-4 border-t border-rule py-2 text-[15px] sm:grid-cols-[9rem_minmax(0,1fr)]"
          >
            <span className="text-soft">{step.years}</span>
            <span>
              {units.prose(step.what)}
              {step.only && <span className="block text-soft">{units.prose(step.only)}</span>}
              {step.test && <span className="block text-soft">Test: {step.test}.</span>}
            </span>
          </li>
        ))}
      </ol>
      <p className="border-t border-rule pt-2 text-[15px]">{units.prose(road.outlook)}</p>
      {road.until && <p className="pt-1 text-[15px]">{units.prose(road.until)}</p>}
      {road.warning && (
        <div className="pt-1">
          <Notice severity="caution">{units.prose(road.warning)}</Notice>
        </div>
      )}
    </section>
  ))
}

function Held({ proposals }: { proposals: ProposalView[] }) {
  const units = useUnits()
  return (
    <ul>
      {proposals.map((each) => (
        <li key={`${each.kind}-${each.constraint}-${each.patch}`} className="border-t border-rule py-2">
          <strong>{each.title}</strong>
          <span className="text-[15px] text-soft">
            {each.patch && ` ${each.patch}`}, for {each.constraintLabel.toLowerCase()}
          </span>
          <span className="block text-[15px]">{units.prose(each.held!)}</span>
        </li>
      ))}
    </ul>
  )
}

function Option({ option, plan, onOpen }: { option: ProposalView; plan: PlanView; onOpen: () => void }) {
  const may = useMay()
  const units = useUnits()
  const amount = useAmount(plan.garden)(option.calculator, option.calculation)
  return (
    <li className="grid gap-1 border-t border-rule py-3">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <span className="mr-auto">
          <strong>{option.title}</strong>
          {option.patch && ` ${option.patch}`}
          {amount && `: ${amount}`}
        </span>
        {may.work && (
          <Button kind="quiet" className="no-print" onClick={onOpen}>
            Take it up
          </Button>
        )}
      </div>
      <p className="text-[15px] text-soft">
        for {option.constraintLabel.toLowerCase()}, {Math.min(99, Math.round(option.probability * 100))} %
        sure
        {option.laboratory?.agrees
          ? `. Confirmed by the laboratory, ${showDay(option.laboratory.on)}`
          : option.confirmation && `. First: ${option.confirmation}`}
      </p>
      {option.laboratory && !option.laboratory.agrees && (
        <Notice severity="caution">
          The laboratory of {showDay(option.laboratory.on)} does not agree with what was read in the field.
        </Notice>
      )}
      {option.spares && <p className="text-[15px]">{option.spares}</p>}
      {option.rules.map((rule) => (
        <Notice key={rule} severity="info">
          {units.prose(rule)}
        </Notice>
      ))}
      <Details option={option} />
    </li>
  )
}

/** When, what to expect, what can go wrong, who decides and when to look again. */
function Details({ option }: { option: ProposalView }) {
  const units = useUnits()
  const told = [
    ['When', option.when],
    ['What to expect', option.expect],
    ['What can go wrong', option.risk],
    ['Who decides', option.law],
    ['Afterwards', option.again],
  ].filter(([, text]) => text)
  if (told.length === 0) return null
  return (
    <details className="text-[15px]">
      <summary className="min-h-11 cursor-pointer content-center text-soft">
        When, what to expect, what can go wrong
      </summary>
      <dl className="grid gap-1 pb-1 sm:grid-cols-[9rem_minmax(0,1fr)]">
        {told.map(([what, text]) => (
          <div key={what} className="contents">
            <dt className="text-soft">{what}</dt>
            <dd>{units.prose(text!)}</dd>
          </div>
        ))}
      </dl>
    </details>
  )
}

function Lived({ option, onOpen }: { option: ProposalView; onOpen: () => void }) {
  const may = useMay()
  return (
    <li className="flex flex-wrap items-baseline gap-x-4 border-t border-rule py-2 text-[15px]">
      <span className="mr-auto min-w-0 flex-1 basis-64">
        <strong>{option.constraintLabel}</strong>
        {option.rules.map((rule) => (
          <span key={rule} className="block">
            {rule}
          </span>
        ))}
      </span>
      {may.work && (
        <Button kind="quiet" className="no-print" onClick={onOpen}>
          Take it up
        </Button>
      )}
    </li>
  )
}
