import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, ApiError, must, text as fetchText, type Fault } from '../api/client'
import type { ResultForm, ResultsView } from '../api/schema'
import { queries } from '../queries/queries'
import { Button, buttonLook, Input, Labelled, Select } from '../ui/controls'
import { FaultList } from '../ui/FaultList'
import { plainNumber, useUnits } from '../units/units'

type Asked = { text: string; form?: ResultForm; store: boolean }

/** A laboratory's file is read: what its columns are, what it would change; then it is taken in. */
export function ResultsPanel({
  laboratory,
  dispatch,
  onDone,
}: {
  laboratory: string
  /** of a simulated laboratory, whose answer can be fetched */
  dispatch?: string
  onDone: () => void
}) {
  const client = useQueryClient()
  const [file, setFile] = useState<{ name: string; text: string }>()
  const ask = useMutation({
    mutationFn: (asked: Asked) =>
      must(api.POST('/api/laboratories/{id}/results', { params: { path: { id: laboratory } }, body: asked })),
    onSuccess: async (view) => {
      if (view.stored) await client.invalidateQueries()
    },
  })
  const look = (name: string, text: string) => {
    setFile({ name, text })
    ask.mutate({ text, store: false })
  }
  const fetchAnswer = useMutation({
    mutationFn: (faulty: boolean) => fetchText(`/api/dispatches/${dispatch}/answer.csv?faulty=${faulty}`),
    onSuccess: (text, faulty) => look(faulty ? 'faulty answer.csv' : 'answer.csv', text),
  })
  const view = ask.data
  const refused = ask.error ?? fetchAnswer.error
  return (
    <div className="grid gap-4">
      <div className="flex flex-wrap gap-3">
        <label className={buttonLook('plain') + ' cursor-pointer focus-within:outline-2'}>
          Choose its file (CSV)
          <input
            type="file"
            accept=".csv,.txt,text/csv"
            className="sr-only"
            aria-label="Choose a file of results"
            onChange={async (event) => {
              const chosen = event.target.files?.[0]
              event.target.value = ''
              if (chosen) look(chosen.name, await chosen.text())
            }}
          />
        </label>
        {dispatch && (
          <>
            <Button disabled={fetchAnswer.isPending} onClick={() => fetchAnswer.mutate(false)}>
              Fetch the answer
            </Button>
            <Button kind="quiet" disabled={fetchAnswer.isPending} onClick={() => fetchAnswer.mutate(true)}>
              One with faults, to try
            </Button>
          </>
        )}
      </div>
      {refused && (
        <p role="alert" className="text-failing">
          {refused instanceof ApiError
            ? (refused.faults[0]?.message ?? refused.message)
            : 'It could not be read.'}
        </p>
      )}
      {view && file && (
        <Looked
          key={JSON.stringify(view.form ?? null)}
          view={view}
          name={file.name}
          pending={ask.isPending}
          onRead={(form) => ask.mutate({ text: file.text, form, store: false })}
          onTake={(form) => ask.mutate({ text: file.text, form, store: true })}
          onMended={(text) => {
            setFile({ name: file.name, text })
            ask.mutate({ text, form: view.form, store: false })
          }}
          text={file.text}
          onDone={onDone}
        />
      )}
    </div>
  )
}

/** What was read, with everything that can be put right in place. */
function Looked({
  view,
  name,
  text,
  pending,
  onRead,
  onTake,
  onMended,
  onDone,
}: {
  view: ResultsView
  name: string
  text: string
  pending: boolean
  onRead: (form: ResultForm) => void
  onTake: (form: ResultForm) => void
  onMended: (text: string) => void
  onDone: () => void
}) {
  const units = useUnits()
  const faults = view.errors as Fault[]
  if (view.stored)
    return (
      <div className="grid gap-3" role="status">
        <p className="border-l-3 border-robust pl-3 font-semibold">
          Taken in: results of {view.bags.length} {view.bags.length === 1 ? 'bag' : 'bags'}.
        </p>
        <Changes view={view} />
        <Button kind="primary" className="justify-self-start" onClick={onDone}>
          Done
        </Button>
      </div>
    )
  return (
    <div className="grid gap-4">
      <FormOfFile view={view} onRead={onRead} />
      {faults.length > 0 && (
        <>
          <FaultList faults={faults} of={name} />
          <Mend text={text} onMended={onMended} />
        </>
      )}
      {view.bags.length > 0 && (
        <ul className="grid gap-2" aria-label="Bags">
          {view.bags.map((bag) => (
            <li key={bag.code} className="border-b border-rule pb-2">
              <p className="font-semibold">
                {bag.code} <span className="font-normal">{bag.field}</span>{' '}
                <span className="text-[15px] font-normal text-soft">
                  {bag.stops}
                  {bag.already ? ' · here already' : ''}
                </span>
              </p>
              <p className="text-[15px]">
                {bag.figures
                  .map(
                    (figure) =>
                      `${figure.label} ${figure.unit === 'pH' ? plainNumber(figure.value) : units.text(figure.value, figure.unit)}`,
                  )
                  .join(' · ')}
              </p>
            </li>
          ))}
        </ul>
      )}
      {faults.length === 0 && view.form && (
        <>
          <Changes view={view} />
          <Button
            kind="primary"
            className="justify-self-start"
            disabled={pending || view.bags.length === 0}
            onClick={() => onTake(view.form!)}
          >
            Take the results in
          </Button>
        </>
      )}
    </div>
  )
}

/** What leads in each field, before and after. */
function Changes({ view }: { view: ResultsView }) {
  return (
    <ul className="grid gap-2" aria-label="What changes">
      {view.changes.map((change) => (
        <li key={change.fieldId} className="border-l-3 border-accent pl-3">
          <p className="font-semibold">{change.field}</p>
          {(change.before ?? '') === (change.after ?? '') ? (
            <p className="text-[15px]">
              {change.after ? `Still: ${change.after}.` : 'Nothing leads, as before.'}
            </p>
          ) : (
            <>
              <p className="text-[15px] text-soft">Until now: {change.before ?? 'nothing led'}.</p>
              <p>With these results: {change.after ?? 'nothing leads'}.</p>
            </>
          )}
        </li>
      ))}
    </ul>
  )
}

/** The file itself, to mend a line in place. */
function Mend({ text, onMended }: { text: string; onMended: (text: string) => void }) {
  const [mended, setMended] = useState(text)
  return (
    <details>
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">Mend it here</summary>
      <textarea
        aria-label="The file"
        className="h-48 w-full border border-strong-rule bg-paper p-2 font-mono text-sm whitespace-pre"
        value={mended}
        onChange={(event) => setMended(event.target.value)}
        spellCheck={false}
      />
      <Button className="mt-2" onClick={() => onMended(mended)}>
        Read it again
      </Button>
    </details>
  )
}

/** Which column is what: told once, remembered for this laboratory. */
function FormOfFile({ view, onRead }: { view: ResultsView; onRead: (form: ResultForm) => void }) {
  const methods = useQuery(queries.methods()).data
  const analytes =
    methods
      ?.find((each) => each.id === 'lab-result')
      ?.readings.find((each) => each.name === 'analytes')
      ?.items.find((each) => each.name === 'code')?.options ?? []
  const [code, setCode] = useState(view.form?.code ?? '')
  const [columns, setColumns] = useState<Record<string, { analyte: string; unit: string }>>(() =>
    Object.fromEntries((view.form?.columns ?? []).map((each) => [each.name, each])),
  )
  const chosen = Object.entries(columns)
    .filter(([name, each]) => each.analyte !== '' && name !== code)
    .map(([name, each]) => ({ name, analyte: each.analyte, unit: each.unit }))
  return (
    <details open={view.form === undefined}>
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">
        What its columns are {view.form ? `(${view.form.columns.length} read)` : ''}
      </summary>
      <div className="grid gap-3">
        <Labelled label="The bag’s code stands in">
          {(aria) => (
            <Select {...aria} value={code} onChange={(event) => setCode(event.target.value)}>
              <option value="">Choose …</option>
              {view.columns.map((each) => (
                <option key={each.name} value={each.name}>
                  {each.name || '(no name)'}
                </option>
              ))}
            </Select>
          )}
        </Labelled>
        <ul className="grid gap-3">
          {view.columns
            .filter((each) => each.name !== code)
            .map((each) => (
              <li
                key={each.name}
                className="grid items-end gap-2 border-b border-rule pb-2 sm:grid-cols-[minmax(0,1fr)_11rem_6rem]"
              >
                <span className="min-w-0 break-words">
                  <span className="font-semibold">{each.name || '(no name)'}</span>
                  {each.example && <span className="block text-sm text-soft">such as {each.example}</span>}
                </span>
                <Select
                  aria-label={`What ${each.name} is`}
                  value={columns[each.name]?.analyte ?? ''}
                  onChange={(event) =>
                    setColumns({
                      ...columns,
                      [each.name]: { analyte: event.target.value, unit: columns[each.name]?.unit ?? '' },
                    })
                  }
                >
                  <option value="">left out</option>
                  {analytes.map((option) => (
                    <option key={option.code} value={option.code}>
                      {option.label}
                    </option>
                  ))}
                </Select>
                <Input
                  aria-label={`Unit of ${each.name}`}
                  placeholder="unit"
                  maxLength={20}
                  value={columns[each.name]?.unit ?? ''}
                  onChange={(event) =>
                    setColumns({
                      ...columns,
                      [each.name]: { analyte: columns[each.name]?.analyte ?? '', unit: event.target.value },
                    })
                  }
                />
              </li>
            ))}
        </ul>
        <Button
          className="justify-self-start"
          disabled={code === '' || chosen.length === 0}
          onClick={() => onRead({ code, columns: chosen })}
        >
          Read it like this
        </Button>
      </div>
    </details>
  )
}
