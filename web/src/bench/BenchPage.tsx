import { useQuery } from '@tanstack/react-query'
import { clsx } from 'clsx'
import { useState } from 'react'
import { Link, NavLink, useParams } from 'react-router'
import { queries } from '../queries/queries'
import { words } from '../words/dates'
import { Input } from '../ui/controls'
import { Failed, Loading } from '../ui/states'
import { useUnits } from '../units/units'
import { Calculation } from './Calculation'
import { Trial } from './Trial'

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
      {(method ?? calculator) && (
        <Link to="/bench" className="flex min-h-12 items-center bg-paper px-5 text-accent lg:hidden">
          All tests and calculators
        </Link>
      )}
      <nav
        aria-label="Methods"
        className={clsx(
          'content-start gap-4 border-r border-rule bg-paper px-5 py-6 sm:px-7 lg:grid',
          // on a narrow screen the chosen one has it to itself
          (method ?? calculator) ? 'hidden' : 'grid',
        )}
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
