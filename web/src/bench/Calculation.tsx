import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useMemo, useState } from 'react'
import { api, ApiError, must } from '../api/client'
import type { CalculatorEntry, Envelope } from '../api/schema'
import { pruned } from '../api/readings'
import { ReadingForm } from '../forms/ReadingForm'
import type { Readings } from '../api/readings'
import { useCore, type Outcome } from '../core/core'
import { Button } from '../ui/controls'
import { EXAMPLES } from './pictures/examples'
import { AnswerPicture } from './pictures/pictures'
import { words } from '../words/dates'
import { WorkingLines } from '../ui/Working'
import { plainNumber, useUnits } from '../units/units'
import { Figures, Notes } from '../readings/Results'

/** A calculator with its inputs, its figures at once, and how they came about. */
export function Calculation({ calculator }: { calculator: CalculatorEntry }) {
  const units = useUnits()
  const core = useCore()
  const [inputs, setInputs] = useState<Readings>({})
  const given = pruned(calculator.inputs, inputs)
  const key = JSON.stringify(given)
  const here = useMemo(
    () => (calculator.inPage ? core?.workOut(calculator.id, JSON.parse(key)) : undefined),
    [core, calculator, key],
  )
  const begun = Object.keys(given).length > 0
  const there = useQuery({
    queryKey: ['calculator', calculator.id, key],
    enabled: !calculator.inPage && begun,
    retry: false,
    placeholderData: keepPreviousData,
    queryFn: () => workedOut(calculator.id, JSON.parse(key)),
  })
  const outcome = calculator.inPage ? here : there.data
  const example = EXAMPLES[calculator.id]
  const missing = outcome?.faults?.filter((fault) => fault.code === 'MISSING').length ?? 0
  return (
    <div className="grid content-start gap-x-10 gap-y-6 px-5 py-6 sm:px-8 xl:grid-cols-2">
      <div className="grid content-start gap-4">
        <div>
          <h2 className="text-2xl">{calculator.title}</h2>
          <p className="text-soft">{units.prose(calculator.purpose)}</p>
        </div>
        {example && (
          <Button className="justify-self-start" onClick={() => setInputs(example)}>
            Fill in an example
          </Button>
        )}
        <ReadingForm
          entries={calculator.inputs}
          readings={inputs}
          onChange={setInputs}
          faults={begun ? outcome?.faults : undefined}
        />
      </div>
      <div className="grid content-start gap-5" aria-live="polite">
        {outcome?.envelope ? (
          <>
            <AnswerPicture envelope={outcome.envelope} inputs={given} />
            <Answer envelope={outcome.envelope} labels={calculator.labels} />
          </>
        ) : there.isError ? (
          <p role="alert" className="text-failing">
            {there.error.message} This one is worked out on the server.
          </p>
        ) : (
          <p className="text-soft" role="status">
            {missing > 0
              ? `${missing} ${missing === 1 ? 'input is' : 'inputs are'} still needed.`
              : 'Figures appear as you enter.'}
          </p>
        )}
      </div>
    </div>
  )
}

/** An answer of the server's, for what the page can't work out itself. */
async function workedOut(id: string, inputs: Readings): Promise<Outcome> {
  try {
    return {
      envelope: await must(api.POST('/api/calculators/{id}', { params: { path: { id } }, body: { inputs } })),
    }
  } catch (error) {
    if (error instanceof ApiError && error.faults.length > 0) return { faults: error.faults }
    throw error
  }
}

function Answer({ envelope, labels }: { envelope: Envelope; labels: Record<string, string> }) {
  const ranking = envelope.series['ranking']
  return (
    <>
      <Figures envelope={envelope} labels={labels} />
      <Notes envelope={envelope} />
      {ranking && (
        <ol className="grid gap-1">
          {ranking.slice(0, 8).map((row) => (
            <li
              key={String(row['species'])}
              className="grid grid-cols-[3rem_11rem_1fr] border-t border-rule py-1"
            >
              <span className="font-semibold">{plainNumber(Number(row['fit']))}</span>
              <span>{words(String(row['species']))}</span>
              <span className="text-soft">{String(row['why']).split(' ').map(words).join(', ')}</span>
            </li>
          ))}
        </ol>
      )}
      {envelope.working.length > 0 && (
        <section>
          <h3 className="mb-2 text-lg">How this was worked out</h3>
          <WorkingLines envelope={envelope} />
        </section>
      )}
    </>
  )
}
