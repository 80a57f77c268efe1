import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { api, ApiError, must } from '../api/client'
import { queries } from '../queries/queries'
import { useMay } from '../queries/role'
import type { MethodEntry, TestSet, VisitView } from '../api/schema'
import { Button, Check, Input, Labelled } from '../ui/controls'
import { Panel } from '../ui/Panel'
import { changed, keepVisit } from './keepVisit'
import { PARTS } from './walk'

/** Which tests this walk is made of: a set, a choice of one's own, or all. */
export function ChosenSet({ view, methods }: { view: VisitView; methods: MethodEntry[] }) {
  const client = useQueryClient()
  const sets = useQuery(queries.testSets()).data ?? []
  const [open, setOpen] = useState(false)
  const { visit } = view
  const choose = useMutation({
    mutationFn: (chosen: string[] | undefined) =>
      keepVisit(visit.id, changed(visit, { tests: chosen?.join(',') })),
    onSettled: () => client.invalidateQueries({ queryKey: queries.visit(visit.id).queryKey }),
  })
  const now = visit.tests
  const matches = (set: TestSet) => set.methods.join(',') === now
  const own = now !== undefined && !sets.some(matches)
  const look =
    'min-h-11 border-b-2 border-transparent text-accent hover:underline aria-pressed:border-ink aria-pressed:font-bold aria-pressed:text-ink'
  // nothing made yet and nothing chosen: the first thing to say is which tests this walk is made of
  const leads = now === undefined && view.measurements.length + view.drafts.length === 0 && sets.length > 0
  return (
    <div role="group" aria-label="Tests of this walk" className="flex flex-wrap items-center gap-x-6">
      {leads && (
        <div className="grid w-full gap-2 pb-2">
          <h2 className="text-lg">Which tests today?</h2>
          <ul className="grid gap-2 sm:grid-cols-2 lg:grid-cols-3">
            {sets.map((set) => (
              <li key={set.id ?? set.code}>
                <button
                  type="button"
                  onClick={() => choose.mutate(set.methods)}
                  className="grid min-h-16 w-full content-center border border-strong-rule bg-paper px-4 py-2 text-left hover:border-ink"
                >
                  <span className="font-bold">{set.name}</span>
                  <span className="text-sm text-soft">
                    {set.methods.length} tests, {minutesOf(set, methods)} min of work a stop
                  </span>
                </button>
              </li>
            ))}
          </ul>
        </div>
      )}
      <button
        type="button"
        className={look}
        aria-pressed={now === undefined}
        onClick={() => choose.mutate(undefined)}
      >
        All tests
      </button>
      {(leads ? [] : sets).map((set) => (
        <button
          key={set.id ?? set.code}
          type="button"
          className={look}
          aria-pressed={matches(set)}
          onClick={() => choose.mutate(set.methods)}
        >
          {set.name}
        </button>
      ))}
      <button type="button" className={look} aria-pressed={own} onClick={() => setOpen(true)}>
        {own ? `My choice of ${now.split(',').length}` : 'Choose …'}
      </button>
      {choose.isError && (
        <p role="alert" className="text-failing">
          {choose.error.message}
        </p>
      )}
      <Panel title="Tests of this walk" open={open} onClose={() => setOpen(false)}>
        <OwnChoice
          methods={methods}
          chosen={now?.split(',') ?? []}
          sets={sets.filter((each) => each.id !== undefined)}
          onChoose={(chosen) => {
            choose.mutate(chosen)
            setOpen(false)
          }}
        />
      </Panel>
    </div>
  )
}

function minutesOf(set: TestSet, methods: MethodEntry[]) {
  return methods
    .filter((method) => set.methods.includes(method.id))
    .reduce((sum, method) => sum + method.handsOnMinutes, 0)
}

/** A choice of one's own, kept as a set for other days where it has a name. */
function OwnChoice({
  methods,
  chosen,
  sets,
  onChoose,
}: {
  methods: MethodEntry[]
  chosen: string[]
  sets: TestSet[]
  onChoose: (chosen: string[]) => void
}) {
  const client = useQueryClient()
  const [marked, setMarked] = useState(chosen)
  const [name, setName] = useState('')
  const may = useMay()
  const refresh = () => client.invalidateQueries({ queryKey: queries.testSets().queryKey })
  const inOrder = methods.map((each) => each.id).filter((id) => marked.includes(id))
  const keepSet = useMutation({
    mutationFn: () =>
      must(
        api.PUT('/api/test-sets/{id}', {
          params: { path: { id: uuid() } },
          body: { name: name.trim(), methods: inOrder, version: 0 },
        }),
      ),
    onSuccess: async () => {
      await refresh()
      onChoose(inOrder)
    },
  })
  const remove = useMutation({
    mutationFn: (id: string) => must(api.DELETE('/api/test-sets/{id}', { params: { path: { id } } })),
    onSuccess: refresh,
  })
  return (
    <form
      noValidate
      className="grid gap-4"
      onSubmit={(event) => {
        event.preventDefault()
        if (name.trim()) keepSet.mutate()
        else onChoose(inOrder)
      }}
    >
      {PARTS.map((part) => (
        <fieldset key={part.family}>
          <legend className="font-semibold">{part.label}</legend>
          {methods
            .filter((each) => each.family === part.family)
            .map((each) => (
              <Check
                key={each.id}
                label={each.title}
                checked={marked.includes(each.id)}
                onChange={(on) =>
                  setMarked(on ? [...marked, each.id] : marked.filter((id) => id !== each.id))
                }
              />
            ))}
        </fieldset>
      ))}
      {may.work && (
        <Labelled label="Name, to keep it as a set of the practice">
          {(aria) => (
            <Input {...aria} maxLength={100} value={name} onChange={(event) => setName(event.target.value)} />
          )}
        </Labelled>
      )}
      {keepSet.isError && (
        <p role="alert" className="text-failing">
          {(keepSet.error instanceof ApiError && keepSet.error.faults[0]?.message) || keepSet.error.message}
        </p>
      )}
      <Button kind="primary" type="submit" disabled={marked.length === 0 || keepSet.isPending}>
        {name.trim() ? 'Keep the set and walk it' : `Walk with ${marked.length} tests`}
      </Button>
      {may.work && sets.length > 0 && (
        <ul aria-label="Sets of the practice">
          {sets.map((set) => (
            <li key={set.id} className="flex items-center justify-between border-t border-rule">
              {set.name}
              <Button kind="quiet" aria-label={`Remove ${set.name}`} onClick={() => remove.mutate(set.id!)}>
                remove
              </Button>
            </li>
          ))}
        </ul>
      )}
    </form>
  )
}
