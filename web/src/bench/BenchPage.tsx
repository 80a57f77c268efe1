import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { NavLink, useParams } from 'react-router'
import { queries } from '../queries/queries'
import type { MethodEntry } from '../api/schema'
import { pruned } from '../api/readings'
import { ReadingForm } from '../forms/ReadingForm'
import type { Readings } from '../api/readings'
import { useLive } from '../core/core'
import { words } from '../words/dates'
import { Input } from '../ui/controls'
import { Failed, Loading } from '../ui/states'
import { WorkingLines } from '../ui/Working'
import { useUnits } from '../units/units'
import { Calculation } from './Calculation'
import { Figures, Notes, Ratings } from '../readings/Results'

/** Any method, tried without saving. */
export function BenchPage() {
  const { method: chosen, plan } = useParams()
  const units = useUnits()
  const plans = useQuery(queries.plans()).data ?? []
  const methods = useQuery(queries.methods())
  const [wanted, setWanted] = useState('')
  if (methods.isPending) return <Loading what="the methods" />
  if (methods.isError) return <Failed error={methods.error} retry={() => methods.refetch()} />
  const shown = methods.data.filter((each) =>
    `${each.title} ${each.id} ${each.purpose}`.toLowerCase().includes(wanted.toLowerCase()),
  )
  const plansShown = plans.filter((each) =>
    `${each.title} ${each.id} ${each.purpose}`.toLowerCase().includes(wanted.toLowerCase()),
  )
  const calculator = plans.find((each) => each.id === plan)
  const families = [...new Set(shown.map((each) => each.family))]
  const method = methods.data.find((each) => each.id === chosen)
  return (
    <div className="grid grow lg:grid-cols-[18rem_1fr]">
      <nav
        aria-label="Methods"
        className="grid content-start gap-4 border-r border-rule bg-paper px-5 py-6 sm:px-7"
      >
        <h1 className="text-3xl">Bench</h1>
        <p className="text-soft">Try any test or calculator; nothing is saved.</p>
        <Input
          type="search"
          aria-label="Find a method"
          placeholder="Find a method …"
          value={wanted}
          onChange={(event) => setWanted(event.target.value)}
        />
        {shown.length + plansShown.length === 0 && <p className="text-soft">Nothing matches “{wanted}”.</p>}
        {plansShown.length > 0 && (
          <div>
            <h2 className="text-sm font-semibold text-soft">calculators</h2>
            <ul>
              {plansShown.map((each) => (
                <li key={each.id}>
                  <NavLink
                    to={`/bench/plan/${each.id}`}
                    className={({ isActive }) =>
                      `flex min-h-11 items-center hover:underline ${isActive ? 'font-bold' : ''}`
                    }
                  >
                    {each.title}
                  </NavLink>
                </li>
              ))}
            </ul>
          </div>
        )}
        {families.map((family) => (
          <div key={family}>
            <h2 className="text-sm font-semibold text-soft">{words(family)}</h2>
            <ul>
              {shown
                .filter((each) => each.family === family)
                .map((each) => (
                  <li key={each.id}>
                    <NavLink
                      to={`/bench/${each.id}`}
                      className={({ isActive }) =>
                        `flex min-h-11 items-center hover:underline ${isActive ? 'font-bold' : ''}`
                      }
                    >
                      <span className="grow">{each.title}</span>
                      {each.usualTopMm !== undefined && (
                        <span className="text-[13px] font-normal text-soft">
                          {units.number(each.usualTopMm, 'mm')}–{units.text(each.usualBottomMm!, 'mm')}
                        </span>
                      )}
                    </NavLink>
                  </li>
                ))}
            </ul>
          </div>
        ))}
      </nav>
      {calculator ? (
        <Calculation key={calculator.id} calculator={calculator} />
      ) : method ? (
        <Trial key={method.id} method={method} />
      ) : (
        <p className="p-7 text-soft">Choose a test or a calculator. Figures appear as you enter readings.</p>
      )}
    </div>
  )
}

function Trial({ method }: { method: MethodEntry }) {
  const units = useUnits()
  const contextEntries = useQuery(queries.coreData()).data?.context ?? []
  const [readings, setReadings] = useState<Readings>({})
  const [context, setContext] = useState<Readings>({})
  const given = pruned(method.readings, readings)
  const live = useLive(method.id, given, pruned(contextEntries, context))
  const begun = Object.keys(given).length > 0
  return (
    <div className="grid content-start gap-x-10 gap-y-6 px-5 py-6 sm:px-8 xl:grid-cols-2">
      <div className="grid content-start gap-4">
        <div>
          <h2 className="text-2xl">{method.title}</h2>
          <p className="text-soft">{units.prose(method.purpose)}</p>
        </div>
        <ReadingForm
          entries={method.readings}
          readings={readings}
          onChange={setReadings}
          faults={begun ? live?.faults : undefined}
        />
        <details>
          <summary className="min-h-11 cursor-pointer content-center font-semibold text-accent">
            What is known of the place
          </summary>
          <ReadingForm
            entries={contextEntries}
            readings={context}
            onChange={setContext}
            faults={live?.faults?.map((fault) => ({
              ...fault,
              field: fault.field.replace(/^context\./, ''),
            }))}
          />
        </details>
      </div>
      <div className="grid content-start gap-5" aria-live="polite">
        {live?.envelope ? (
          <>
            <Ratings
              envelope={live.envelope}
              labels={Object.fromEntries(method.indicators.map((each) => [each.id, each.label]))}
            />
            <Figures envelope={live.envelope} labels={method.labels} />
            <Notes envelope={live.envelope} />
            {live.envelope.working.length > 0 && (
              <section>
                <h3 className="mb-2 text-lg">How this was worked out</h3>
                <WorkingLines envelope={live.envelope} />
              </section>
            )}
          </>
        ) : (
          <Guide
            method={method}
            begun={begun}
            missing={live?.faults?.filter((fault) => fault.code === 'MISSING').length ?? 0}
          />
        )}
      </div>
    </div>
  )
}

/** How the test is made, while there is no figure yet. */
function Guide({ method, begun, missing }: { method: MethodEntry; begun: boolean; missing: number }) {
  const units = useUnits()
  const list = (title: string, lines: string[]) =>
    lines.length > 0 && (
      <section>
        <h3 className="font-semibold">{title}</h3>
        <ul className="list-disc pl-5">
          {lines.map((line) => (
            <li key={line}>{units.prose(line)}</li>
          ))}
        </ul>
      </section>
    )
  return (
    <div className="grid gap-4">
      {begun && missing > 0 && (
        <p className="font-semibold" role="status">
          {missing} {missing === 1 ? 'reading is' : 'readings are'} still needed.
        </p>
      )}
      {list('How', method.steps)}
      {list('What it takes', method.materials)}
      {list('When', method.conditions)}
      {list('Mind', method.cautions)}
      {list('Sources', method.sources)}
    </div>
  )
}
