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
  return (
    <div role="group" aria-label="Tests of this walk" className="flex flex-wrap items-center gap-x-6">
      <button
        type="button"
        className={look}
        aria-pressed={now === undefined}
        onClick={() => choose.mutate(undefined)}
      >
        All tests
      </button>
      {sets.map((set) => (
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
