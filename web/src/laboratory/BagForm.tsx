import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import { v7 as uuid } from 'uuid'
import { api, ApiError, must } from '../api/client'
import type { Bag, Envelope } from '../api/schema'
import { isRetired } from '../fields/GroundMap'
import { queries } from '../queries/queries'
import { Button, Check, Input, Labelled, QuantityInput, Select } from '../ui/controls'
import { Failed, Loading, Notice, asSeverity } from '../ui/states'
import { useUnits } from '../units/units'
import { showDay } from '../words/dates'
import { labelled, useLabTests } from './tests'

type Row = { topMm: number; bottomMm: number; tests: string; cores: number; grams: number; days: number }

/** A composite is made up: where it is from, what it is for, and how many cores that asks. */
export function BagForm({
  field: given,
  visit: onVisit,
  onDone,
}: {
  field?: string
  visit?: string
  onDone: (made: Bag[]) => void
}) {
  const fields = useQuery(queries.fields({ order: 'name' }))
  const [field, setField] = useState(given ?? '')
  return (
    <div className="grid gap-4">
      <Labelled label="Field">
        {(aria) => (
          <Select {...aria} value={field} onChange={(event) => setField(event.target.value)}>
            <option value="">Choose …</option>
            {(fields.data ?? []).map((each) => (
              <option key={each.id} value={each.id}>
                {each.name}
              </option>
            ))}
          </Select>
        )}
      </Labelled>
      {field && <OfField key={field} field={field} visit={onVisit} onDone={onDone} />}
    </div>
  )
}

function OfField({
  field,
  visit: onVisit,
  onDone,
}: {
  field: string
  visit?: string
  onDone: (made: Bag[]) => void
}) {
  const face = useQuery(queries.field(field))
  const session = useQuery(queries.session()).data
  if (face.isPending) return <Loading what="the field" />
  if (face.isError) return <Failed error={face.error} retry={() => face.refetch()} />
  const { visits, stops } = face.data
  if (visits.length === 0 || stops.length === 0)
    return (
      <p>
        A bag belongs to a visit and its stops.{' '}
        <Link className="text-accent underline" to={`/fields/${field}/visit`}>
          Begin a visit
        </Link>{' '}
        first.
      </p>
    )
  return (
    <Make
      area={face.data.field.areaHa}
      visits={visits}
      visit={visits.find((each) => each.id === onVisit)?.id ?? visits[0]!.id}
      stops={stops.filter((stop) => !isRetired(stop))}
      me={session?.me?.name ?? ''}
      onDone={onDone}
    />
  )
}

function Make({
  area,
  visits,
  visit: first,
  stops,
  me,
  onDone,
}: {
  area: number | undefined
  visits: { id: string; visitedOn: string }[]
  visit: string
  stops: { id: string; label: string; role: string }[]
  me: string
  onDone: (made: Bag[]) => void
}) {
  const client = useQueryClient()
  const units = useUnits()
  const options = useLabTests()
  const [ids] = useState(() => Array.from({ length: 9 }, () => uuid()))
  const [visit, setVisit] = useState(first)
  const [chosen, setChosen] = useState(() => {
    const routine = stops.filter((stop) => stop.role === 'routine')
    // where a field is told apart into patches, one of them: a mean of two soils is neither
    const first = stops.find((stop) => stop.role !== 'control') ?? stops[0]
    return (routine.length > 0 ? routine : stops.filter((stop) => stop.role === first?.role)).map(
      (stop) => stop.id,
    )
  })
  const [tests, setTests] = useState<string[]>(['ph', 'organic-matter'])
  const [areaHa, setAreaHa] = useState(area ?? 1)
  const [sampler, setSampler] = useState(me)
  const [note, setNote] = useState('')
  const advice = useQuery({
    queryKey: ['composite', areaHa, tests],
    queryFn: async () => {
      const answer: Envelope = await must(
        api.POST('/api/calculators/{id}', {
          params: { path: { id: 'composite' } },
          body: { inputs: { areaHa, tests } },
        }),
      )
      return answer
    },
    enabled: tests.length > 0 && areaHa > 0,
  })
  const rows = (advice.data?.series.bags ?? []) as unknown as Row[]
  const save = useMutation({
    mutationFn: async (of: Row[]) => {
      const takenAt = new Date().toISOString()
      const made: Bag[] = []
      // a layer is a bag of its own; a second try sends the same bags again
      for (const [i, row] of of.entries())
        made.push(
          await must(
            api.PUT('/api/bags/{id}', {
              params: { path: { id: ids[i]! } },
              body: {
                visitId: visit,
                stopIds: chosen,
                depthTopMm: row.topMm,
                depthBottomMm: row.bottomMm,
                takenAt,
                sampler: sampler.trim(),
                tests: row.tests.split(' '),
                cores: row.cores,
                note: note.trim() || undefined,
                version: 0,
              },
            }),
          ),
        )
      return made
    },
    onSuccess: async (made) => {
      await client.invalidateQueries({ queryKey: queries.bags().queryKey })
      onDone(made)
    },
  })
  const toggle = (list: string[], code: string) =>
    list.includes(code) ? list.filter((each) => each !== code) : [...list, code]
  const unfinished = chosen.length === 0 || sampler.trim() === '' || rows.length === 0
  return (
    <form
      className="grid gap-4"
      onSubmit={(event) => {
        event.preventDefault()
        save.mutate(rows)
      }}
    >
      <Labelled label="Taken on the visit of">
        {(aria) => (
          <Select {...aria} value={visit} onChange={(event) => setVisit(event.target.value)}>
            {visits.map((each) => (
              <option key={each.id} value={each.id}>
                {showDay(each.visitedOn)}
              </option>
            ))}
          </Select>
        )}
      </Labelled>
      <fieldset>
        <legend className="text-sm text-soft">Cores from</legend>
        <div className="grid grid-cols-2 gap-x-4">
          {stops.map((stop) => (
            <Check
              key={stop.id}
              label={stop.label}
              checked={chosen.includes(stop.id)}
              onChange={() => setChosen(toggle(chosen, stop.id))}
            />
          ))}
        </div>
      </fieldset>
      <fieldset>
        <legend className="text-sm text-soft">Asked of the laboratory</legend>
        <div className="grid grid-cols-2 gap-x-4">
          {options.map((option) => (
            <Check
              key={option.code}
              label={option.label}
              checked={tests.includes(option.code)}
              onChange={() => {
                setTests(toggle(tests, option.code))
              }}
            />
          ))}
        </div>
      </fieldset>
      <QuantityInput
        label="Ground it shall speak for"
        unit="ha"
        value={areaHa}
        onChange={(value) => setAreaHa(value ?? 0)}
      />
      {rows.length > 0 && (
        <div className="grid gap-2 border-l-3 border-accent pl-3" role="status">
          {rows.map((row) => (
            <div key={row.topMm + '-' + row.bottomMm}>
              <p className="text-xl font-bold">
                {row.cores} cores, {units.number(row.topMm, 'mm')} to {units.text(row.bottomMm, 'mm')}
              </p>
              <p className="text-[15px]">
                {rows.length > 1 && `${labelled(row.tests.split(' '), options)}. `}
                Send {units.text(row.grams, 'g')}; there within {row.days} days.
              </p>
            </div>
          ))}
          {(advice.data?.values.composites?.value ?? 1) > 1 && (
            <p className="text-[15px]">
              {advice.data!.values.composites!.value} such composites for this ground; this is one of them.
            </p>
          )}
          {advice.data?.notes.map((each) => (
            <Notice key={each.code} severity={asSeverity(each.severity)}>
              {each.text}
            </Notice>
          ))}
        </div>
      )}
      <Labelled label="Taken by">
        {(aria) => (
          <Input
            {...aria}
            value={sampler}
            maxLength={200}
            onChange={(event) => setSampler(event.target.value)}
          />
        )}
      </Labelled>
      <Labelled label="Note (if any)">
        {(aria) => (
          <Input {...aria} value={note} maxLength={400} onChange={(event) => setNote(event.target.value)} />
        )}
      </Labelled>
      {save.isError && (
        <p role="alert" className="text-failing">
          {save.error instanceof ApiError
            ? (save.error.faults[0]?.message ?? save.error.message)
            : 'It was not kept.'}
        </p>
      )}
      {chosen.length === 0 && <p className="text-[15px]">Choose where its cores are from.</p>}
      <Button type="submit" kind="primary" disabled={unfinished || save.isPending}>
        {rows.length > 1 ? `Make ${rows.length} bags` : 'Bag it'}
      </Button>
    </form>
  )
}
