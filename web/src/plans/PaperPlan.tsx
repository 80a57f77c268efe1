import { useQuery } from '@tanstack/react-query'
import { queries } from '../queries/queries'
import type { ActionView, PlanView } from '../api/schema'
import { OutlookChart } from '../charts/OutlookChart'
import { showDay, today } from '../words/dates'
import { useUnits } from '../units/units'
import { useMoney } from '../units/money'
import { LIVE_WITH_IT } from './options'
import { useAmount } from './useAmount'

/** The plan on paper, for the grower: what to do, how much, when, who and what it costs. Seen in print only. */
export function PaperPlan({ plan }: { plan: PlanView }) {
  const money = useMoney()
  const practice = useQuery(queries.session()).data?.me?.practice
  const units = useUnits()
  const amountOf = useAmount(plan.garden)
  const proposals = plan.proposals.filter((each) => each.kind !== LIVE_WITH_IT)
  const agreed = plan.actions.filter((each) => each.action.state === 'agreed')
  const past = plan.actions.filter((each) => each.action.state !== 'agreed')
  const returns = plan.actions
    .map((each) => each.action)
    .filter((each) => each.followUpOn && each.state !== 'dropped')
    .sort((a, b) => a.followUpOn!.localeCompare(b.followUpOn!))
  return (
    <div className="hidden text-[9.5pt] leading-snug print:block">
      <div className="flex items-baseline justify-between border-b-2 border-ink pb-1">
        <h1 className="text-[17pt]">{plan.field}: what to do</h1>
        <span>
          {practice} · {showDay(today())} · {units.text(plan.areaHa, 'ha')}
        </span>
      </div>
      <h2 className="mt-4 text-[12pt]">Agreed, in the order of the work</h2>
      {agreed.length === 0 && <p>Nothing agreed yet.</p>}
      {agreed.length > 0 && (
        <table className="mt-1 w-full border-collapse text-left">
          <thead>
            <tr className="border-b border-strong-rule">
              {['', 'What', 'When', 'Who', 'Cost', 'Done'].map((head) => (
                <th key={head} scope="col" className="py-1 pr-3 font-semibold">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {agreed.map((view, i) => (
              <Line key={view.action.id} view={view} number={i + 1} />
            ))}
          </tbody>
        </table>
      )}
      {plan.agreedCost > 0 && (
        <p className="mt-1 text-right">
          In all <strong>{money.text(plan.agreedCost, 0)}</strong>
          {!money.isSet && ', in the currency of the prices'}
        </p>
      )}
      {proposals.length > 0 && (
        <>
          <h2 className="mt-4 text-[12pt]">Proposed, not agreed yet</h2>
          <ul className="list-disc pl-5">
            {proposals.map((each) => {
              const amount = amountOf(each.calculator, each.calculation)
              return (
                <li key={`${each.kind}-${each.constraint}-${each.patch}`}>
                  <strong>{each.title}</strong>
                  {each.patch && ` ${each.patch}`}
                  {each.held && ` (held back: ${each.held})`}
                  {amount && `: ${amount}`}, for {each.constraintLabel.toLowerCase()}
                  {each.confirmation && !each.laboratory?.agrees && `. First: ${each.confirmation}`}
                </li>
              )
            })}
          </ul>
        </>
      )}
      {plan.roads.map((road) => (
        <div key={road.constraint} className="break-inside-avoid">
          <h2 className="mt-4 text-[12pt]">{road.title}</h2>
          <ul className="list-disc pl-5">
            {road.steps.map((step) => (
              <li key={step.what}>
                {step.years}: {units.prose(step.what)} {step.only && units.prose(step.only)}{' '}
                {step.test && `Test: ${step.test}.`}
              </li>
            ))}
          </ul>
          <p>
            {units.prose(road.outlook)} {road.until && units.prose(road.until)}
          </p>
        </div>
      ))}
      {returns.length > 0 && (
        <>
          <h2 className="mt-4 text-[12pt]">Test again</h2>
          <ul className="list-disc pl-5">
            {returns.map((each) => (
              <li key={each.id}>
                from {showDay(each.followUpOn!)}
                {each.followUp && `: ${each.followUp}`}
              </li>
            ))}
          </ul>
        </>
      )}
      {past.length > 0 && (
        <>
          <h2 className="mt-4 text-[12pt]">Done, or left out</h2>
          <ul className="list-disc pl-5">
            {past.map(({ action, title }) => (
              <li key={action.id}>
                {title}
                {action.amount && `: ${units.prose(action.amount)}`},{' '}
                {action.state === 'done' && action.doneOn
                  ? `done ${showDay(action.doneOn)}`
                  : `left out: ${action.reason}`}
              </li>
            ))}
          </ul>
        </>
      )}
      <div className="mt-4 grid grid-cols-2 gap-6 break-inside-avoid">
        {plan.outlooks.map((outlook) => (
          <OutlookChart key={outlook.indicator} outlook={outlook} />
        ))}
      </div>
    </div>
  )
}

function Line({ view, number }: { view: ActionView; number: number }) {
  const money = useMoney()
  const units = useUnits()
  const { action } = view
  return (
    <tr className="break-inside-avoid border-b border-rule align-top">
      <td className="py-1 pr-3">{number}</td>
      <td className="py-1 pr-3">
        <strong>{view.title}</strong>
        {action.amount && `: ${units.prose(action.amount)}`}
        {view.constraintLabel && ` (for ${view.constraintLabel.toLowerCase()})`}
        {[...view.waits, action.reason].filter(Boolean).map((each) => (
          <span key={each} className="block">
            {each}
          </span>
        ))}
      </td>
      <td className="py-1 pr-3">
        {action.dueFrom && showDay(action.dueFrom)}
        {action.dueTo && ` to ${showDay(action.dueTo)}`}
      </td>
      <td className="py-1 pr-3">{action.person}</td>
      <td className="py-1 pr-3 text-right">{action.cost !== undefined && money.text(action.cost, 0)}</td>
      <td className="py-1">
        <span className="inline-block w-24 border-b border-strong-rule">&nbsp;</span>
      </td>
    </tr>
  )
}
