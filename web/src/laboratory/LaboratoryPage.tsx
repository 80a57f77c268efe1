import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import type { Laboratory } from '../api/schema'
import { queries } from '../queries/queries'
import { Button } from '../ui/controls'
import { Panel } from '../ui/Panel'
import { Failed, Loading } from '../ui/states'
import { showDay } from '../words/dates'
import { BagForm } from './BagForm'
import { shownCode } from './bags'
import { BagsHere } from './BagsHere'
import { FindBag } from './FindBag'
import { LaboratoryForm } from './LaboratoryForm'
import { ResultsPanel } from './ResultsPanel'
import { Sent } from './Sent'

type Opened =
  | { kind: 'bag' }
  | { kind: 'laboratory'; known?: Laboratory }
  | { kind: 'results'; laboratory: string; dispatch?: string }

/** Composites on their way: bags that are here, what was sent, what came back. */
export function LaboratoryPage() {
  const [search, setSearch] = useSearchParams()
  const bags = useQuery(queries.bags())
  const laboratories = useQuery(queries.laboratories())
  const dispatches = useQuery(queries.dispatches())
  const [opened, setOpened] = useState<Opened | undefined>(search.get('field') ? { kind: 'bag' } : undefined)
  const close = () => {
    setOpened(undefined)
    setSearch({}, { replace: true })
  }
  if (bags.isPending || laboratories.isPending || dispatches.isPending) return <Loading what="the bags" />
  if (bags.isError) return <Failed error={bags.error} retry={() => bags.refetch()} />
  if (laboratories.isError) return <Failed error={laboratories.error} retry={() => laboratories.refetch()} />
  if (dispatches.isError) return <Failed error={dispatches.error} retry={() => dispatches.refetch()} />
  const answered = bags.data.filter((bag) => bag.state === 'answered')
  const titles = {
    bag: 'A composite',
    laboratory: opened?.kind === 'laboratory' && opened.known ? opened.known.name : 'A laboratory',
    results: 'Results',
  }
  return (
    <div className="grid max-w-6xl content-start gap-9 px-5 py-6 sm:px-7">
      <header className="flex flex-wrap items-end justify-between gap-4">
        <div>
          <h1 className="text-3xl">Laboratory</h1>
          <p className="text-soft">
            Where a real number is needed: cores into a bag, the bag to a laboratory, its figures back to the
            field.
          </p>
        </div>
        <Button kind="primary" onClick={() => setOpened({ kind: 'bag' })}>
          Bag a composite
        </Button>
      </header>
      <FindBag />
      <BagsHere bags={bags.data.filter((bag) => bag.state === 'here')} laboratories={laboratories.data} />
      <Sent
        dispatches={dispatches.data}
        bags={bags.data}
        onResults={(dispatch) =>
          setOpened({
            kind: 'results',
            laboratory: dispatch.laboratoryId,
            dispatch: dispatch.answer ? dispatch.id : undefined,
          })
        }
      />
      {answered.length > 0 && (
        <section aria-labelledby="answered" className="grid gap-2">
          <h2 id="answered" className="text-2xl">
            Answered
          </h2>
          <ul className="max-w-4xl">
            {answered.slice(0, 40).map((bag) => (
              <li key={bag.id} className="border-b border-rule">
                <Link
                  to={`/measurements/${bag.measurementId}`}
                  className="grid min-h-12 items-baseline gap-x-6 py-2 hover:bg-paper sm:grid-cols-[6rem_minmax(0,1fr)_8rem]"
                >
                  <span className="font-semibold tracking-wide">{shownCode(bag.code)}</span>
                  <span>
                    {bag.field} <span className="text-[15px] text-soft">{bag.stops}</span>
                  </span>
                  <span className="text-[15px] text-soft">{showDay(bag.takenAt)}</span>
                </Link>
              </li>
            ))}
          </ul>
        </section>
      )}
      <section aria-labelledby="laboratories" className="grid gap-2">
        <div className="flex max-w-4xl items-baseline justify-between gap-4 border-b border-strong-rule">
          <h2 id="laboratories" className="text-2xl">
            Laboratories
          </h2>
          <Button
            kind="quiet"
            aria-label="Add a laboratory"
            onClick={() => setOpened({ kind: 'laboratory' })}
          >
            Add
          </Button>
        </div>
        {laboratories.data.length === 0 && (
          <p className="text-soft">
            None yet. Add the one you send to, with its prices; or a simulated one, to try the way there and
            back.
          </p>
        )}
        <ul className="max-w-4xl">
          {laboratories.data.map((each) => (
            <li
              key={each.id}
              className="flex flex-wrap items-center justify-between gap-x-6 border-b border-rule"
            >
              <button
                type="button"
                className="min-h-12 grow text-left hover:bg-paper"
                onClick={() => setOpened({ kind: 'laboratory', known: each })}
              >
                <span className="font-semibold">{each.name}</span>{' '}
                <span className="text-[15px] text-soft">
                  {each.simulated ? 'simulated' : each.contact}
                  {each.reading ? ' · its files are known' : ''}
                </span>
              </button>
              <Button
                kind="quiet"
                aria-label={`Results of ${each.name}`}
                onClick={() => setOpened({ kind: 'results', laboratory: each.id })}
              >
                Results
              </Button>
            </li>
          ))}
        </ul>
      </section>
      <Panel title={opened ? titles[opened.kind] : ''} open={opened !== undefined} onClose={close}>
        {opened?.kind === 'bag' && (
          <BagForm
            field={search.get('field') ?? undefined}
            visit={search.get('visit') ?? undefined}
            onDone={close}
          />
        )}
        {opened?.kind === 'laboratory' && <LaboratoryForm known={opened.known} onDone={close} />}
        {opened?.kind === 'results' && (
          <ResultsPanel laboratory={opened.laboratory} dispatch={opened.dispatch} onDone={close} />
        )}
      </Panel>
    </div>
  )
}
