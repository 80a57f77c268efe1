import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useParams } from 'react-router'
import { queries } from '../queries/queries'
import type { ConstraintView, EvidenceView, FieldFaceView, LimitsView } from '../api/schema'
import { FieldNav } from '../fields/FieldNav'
import { SoilFace } from '../fields/SoilFace'
import { Button, Select } from '../ui/controls'
import { Failed, Loading } from '../ui/states'
import { useUnits } from '../units/units'
import { words } from '../words/dates'

/** Constraints in order of probability; a chosen one lights its evidence up at its depth on the face. */
export function LimitsPage() {
  const { id } = useParams()
  const [supposed, setSupposed] = useState<Record<string, string>>({})
  const suppose = Object.entries(supposed)
    .map(([finding, state]) => `${finding}:${state}`)
    .join(',')
  const limits = useQuery(queries.limits(id!, suppose))
  const face = useQuery(queries.field(id!))
  const [chosen, setChosen] = useState<string>()
  if (limits.isPending || face.isPending) return <Loading what="the evidence" />
  if (limits.isError) return <Failed error={limits.error} retry={() => limits.refetch()} />
  if (face.isError) return <Failed error={face.error} retry={() => face.refetch()} />
  const view = limits.data
  const open = view.constraints.find((each) => each.constraint === chosen) ?? view.constraints[0]!
  return (
    <div className="grid grow content-start lg:grid-cols-[minmax(0,1.25fr)_minmax(24rem,1fr)] lg:content-stretch">
      <section aria-label="Constraints" className="grid content-start gap-6 bg-paper px-5 py-6 sm:px-7">
        <header>
          <h1 className="text-3xl">
            {view.field} <span className="text-xl font-normal text-soft">limits</span>
          </h1>
          <FieldNav id={id!} />
        </header>
        <Leading view={view} />
        <ul className="grid">
          {view.constraints.map((each) => (
            <Constraint
              key={each.constraint}
              view={each}
              open={each.constraint === open.constraint}
              onOpen={() => setChosen(each.constraint)}
            />
          ))}
        </ul>
      </section>
      <aside className="grid content-start gap-6 border-l border-rule px-5 py-6 sm:px-7">
        <NextTests view={view} />
        <WhatIf view={view} supposed={supposed} onSuppose={setSupposed} />
        <EvidenceOnFace face={face.data} constraint={open} />
      </aside>
    </div>
  )
}

function Leading({ view }: { view: LimitsView }) {
  const first = view.constraints[0]!
  const named = view.constraints.filter(isTold)
  if (view.tooLittleSeen)
    return (
      <p className="text-2xl font-bold text-balance">
        Too little seen to say: {view.findings} {view.findings === 1 ? 'finding' : 'findings'} so far.
      </p>
    )
  return (
    <div>
      <p className="text-2xl leading-tight font-bold text-balance">
        {isTold(first) ? first.sentence : 'Nothing is probable enough to be named'}
      </p>
      {first.extent && <p className="text-lg">{first.extent}</p>}
      <p className="text-soft">
        {isTold(first)
          ? `${percent(sure(first))} sure.${named.length > 1 ? ` ${named.length - 1} more named.` : ''} Before money is spent: ${first.confirmation}.`
          : `Most likely ${first.label.toLowerCase()}, at ${percent(first.probability)}; named from 50 % on.`}
      </p>
    </div>
  )
}

/** Whether it is named of the field or of a part of it. */
function isTold(of: ConstraintView) {
  return of.named || of.namedInPart
}

/** How sure it is of as much of the field as it is told of. */
function sure(of: ConstraintView) {
  return of.namedInPart ? of.inPart : of.probability
}

function percent(p: number) {
  const shown = Math.round(p * 100)
  return shown >= 100 ? 'over 99 %' : shown <= 0 ? 'under 1 %' : `${shown} %`
}

const WIDE = 260

/** One constraint: a line from 0 to 1 with the prior as a tick, and its evidence when it is open. */
function Constraint({ view, open, onOpen }: { view: ConstraintView; open: boolean; onOpen: () => void }) {
  const x = (p: number) => 2 + p * (WIDE - 4)
  return (
    <li className="border-t border-rule">
      <button
        type="button"
        aria-expanded={open}
        onClick={onOpen}
        className="grid min-h-11 w-full grid-cols-[minmax(0,1fr)_auto] items-center gap-x-3 py-1.5 text-left hover:bg-stone sm:grid-cols-[minmax(0,13rem)_minmax(0,1fr)_5.5rem] sm:gap-x-4 sm:py-0"
      >
        <span className={isTold(view) ? 'font-bold' : ''}>
          {view.label}
          {view.namedInPart && <span className="font-normal text-soft"> in part</span>}
        </span>
        <svg
          viewBox={`0 0 ${WIDE} 16`}
          preserveAspectRatio="none"
          className="order-last col-span-2 h-4 w-full sm:order-none sm:col-span-1"
          aria-hidden
        >
          <line x1="2" x2={WIDE - 2} y1="12" y2="12" stroke="var(--rule)" />
          <line x1={x(0.5)} x2={x(0.5)} y1="3" y2="15" stroke="var(--strong-rule)" strokeDasharray="2 2" />
          <rect
            x="2"
            y="5"
            width={Math.max(1, sure(view) * (WIDE - 4))}
            height="6"
            fill={isTold(view) ? 'var(--ink)' : 'var(--hatch)'}
          />
          <line x1={x(view.prior)} x2={x(view.prior)} y1="1" y2="15" stroke="var(--accent)" strokeWidth="2" />
        </svg>
        <span className="text-right">
          {percent(sure(view))}
          {isTold(view) && <span className="sr-only">, named</span>}
        </span>
      </button>
      {open && (
        <div className="grid gap-2 pb-4">
          {view.extent && (
            <p>
              {view.extent} {view.cost}
            </p>
          )}
          <StopChances view={view} />
          {view.evidence.length === 0 && (
            <p className="text-soft">Nothing seen speaks for or against it: only what is usual here.</p>
          )}
          <ul>
            {view.evidence.map((each) => (
              <EvidenceLine key={each.finding} evidence={each} />
            ))}
          </ul>
          <p className="text-[15px]">
            <span className="text-soft">To confirm:</span> {view.confirmation}.
          </p>
        </div>
      )}
    </li>
  )
}

/** How probable it is at each stop, where there are several. */
function StopChances({ view }: { view: ConstraintView }) {
  if (view.stops.length < 2 || !isTold(view)) return null
  return (
    <ul aria-label="Stops" className="flex flex-wrap gap-x-4 gap-y-1 text-[15px]">
      {view.stops.map((each) => (
        <li key={each.id} className={each.probability >= 0.5 ? 'font-bold' : 'text-soft'}>
          {each.label} {percent(each.probability)}
        </li>
      ))}
    </ul>
  )
}

function EvidenceLine({ evidence }: { evidence: EvidenceView }) {
  const most = 5
  const size = (Math.min(most, Math.abs(evidence.weight)) / most) * 60
  const speaksFor = evidence.weight > 0
  return (
    <li className="grid grid-cols-[4rem_minmax(0,1fr)] items-start gap-x-3 sm:grid-cols-[8.25rem_minmax(0,1fr)] sm:gap-x-4 py-1 text-[15px]">
      <svg
        viewBox="0 0 132 14"
        className="mt-1 w-full"
        role="img"
        aria-label={
          evidence.weight === 0 ? 'says nothing' : speaksFor ? 'speaks for it' : 'speaks against it'
        }
      >
        <line x1="66" x2="66" y1="0" y2="14" stroke="var(--strong-rule)" />
        <rect
          x={speaksFor ? 67 : 65 - size}
          y="3"
          width={evidence.weight === 0 ? 0 : Math.max(1, size)}
          height="8"
          fill={speaksFor ? 'var(--ink)' : 'var(--paper)'}
          stroke="var(--ink)"
        />
      </svg>
      <span>
        {evidence.label}: <strong>{evidence.state}</strong>
        {evidence.supposed && <em className="text-strained"> (supposed)</em>}{' '}
        <span className="text-soft">
          {evidence.weight === 0 ? 'says nothing' : speaksFor ? 'for' : 'against'}. {evidence.reason}{' '}
          {evidence.source}
        </span>
        {evidence.countsLess && (
          <span className="block text-strained">
            {evidence.share === 0 ? 'Does not count' : 'Counts less'}: {evidence.countsLess}.
          </span>
        )}
      </span>
    </li>
  )
}

function NextTests({ view }: { view: LimitsView }) {
  const units = useUnits()
  return (
    <section aria-label="Next best test" className="grid gap-2">
      <h2 className="text-lg">What to test next</h2>
      {view.next.length === 0 && (
        <p className="text-soft">No test that is left could change what is named here.</p>
      )}
      <ol className="grid gap-1.5">
        {view.next.map((each) => (
          <li key={each.method} className="border-l-3 border-accent pl-3 leading-snug">
            {units.prose(each.reason)}
          </li>
        ))}
      </ol>
    </section>
  )
}

/** A finding that was not made, supposed: what would follow? */
function WhatIf({
  view,
  supposed,
  onSuppose,
}: {
  view: LimitsView
  supposed: Record<string, string>
  onSuppose: (next: Record<string, string>) => void
}) {
  const [finding, setFinding] = useState('')
  const chosen = view.open.find((each) => each.finding === finding)
  return (
    <section aria-label="What if" className="grid gap-2">
      <h2 className="text-lg">What if …</h2>
      {view.open.length === 0 ? (
        <p className="text-soft">Every finding has been made.</p>
      ) : (
        <div className="grid grid-cols-2 gap-2">
          <label className="grid gap-1 text-sm text-soft">
            … a finding not made yet
            <Select value={finding} onChange={(event) => setFinding(event.target.value)}>
              <option value="">choose …</option>
              {view.open.map((each) => (
                <option key={each.finding} value={each.finding}>
                  {each.label}
                </option>
              ))}
            </Select>
          </label>
          <label className="grid gap-1 text-sm text-soft">
            … were
            <Select
              value={supposed[finding] ?? ''}
              disabled={!chosen}
              onChange={(event) => {
                const rest = Object.fromEntries(Object.entries(supposed).filter(([key]) => key !== finding))
                onSuppose(event.target.value ? { ...rest, [finding]: event.target.value } : rest)
              }}
            >
              <option value="">not known</option>
              {chosen?.states.map((state) => (
                <option key={state} value={state}>
                  {words(state)}
                </option>
              ))}
            </Select>
          </label>
        </div>
      )}
      {Object.keys(supposed).length > 0 && (
        <p className="flex flex-wrap items-center gap-3 text-[15px]" role="status">
          Supposed:{' '}
          {Object.entries(supposed)
            .map(
              ([key, state]) =>
                `${view.open.find((each) => each.finding === key)?.label ?? key} ${words(state)}`,
            )
            .join(', ')}
          <Button kind="quiet" onClick={() => onSuppose({})}>
            Forget
          </Button>
        </p>
      )}
    </section>
  )
}

/** The evidence of the open constraint at the depths where it was read. */
function EvidenceOnFace({ face, constraint }: { face: FieldFaceView; constraint: ConstraintView }) {
  const methods = new Set(constraint.evidence.filter((each) => !each.supposed).map((each) => each.method))
  return (
    <section aria-label="Where it was seen" className="grid gap-2">
      <h2 className="text-lg">Where the evidence for “{constraint.label.toLowerCase()}” lies</h2>
      <SoilFace
        findings={face.findings}
        layout={face.layout}
        ground={face.ground}
        only={(finding) => methods.has(finding.method)}
        texture={face.textureClass}
        chosen={undefined}
        onChoose={() => {}}
      />
    </section>
  )
}
