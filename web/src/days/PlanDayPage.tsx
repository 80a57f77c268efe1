import { useMutation, useQueries, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useNavigate, useParams, useSearchParams } from 'react-router'
import { v7 as uuid } from 'uuid'
import { api, ApiError, must } from '../api/client'
import type { DayView, FieldFaceView } from '../api/schema'
import { isRetired } from '../fields/GroundMap'
import { queries } from '../queries/queries'
import { Button, Check, Choice, Input, Labelled, QuantityInput, Select } from '../ui/controls'
import { DateInput } from '../ui/DateInput'
import { Failed, Loading } from '../ui/states'
import { chanceWord, showWeekday } from '../weather/GoodDays'
import { showDay, today } from '../words/dates'

type Work = { fieldId: string; visitId: string; driveMin?: number; stopIds?: string[] }

const MOST_PEOPLE = 4

/** A day is planned: which fields, which stops and tests, who goes, and on which day it is good. */
export function PlanDayPage() {
  const { id } = useParams()
  const known = useQuery({ ...queries.dayPlan(id ?? ''), enabled: id !== undefined })
  const session = useQuery(queries.session()).data
  if (id && known.isPending) return <Loading what="the day" />
  if (id && known.isError) return <Failed error={known.error} retry={() => known.refetch()} />
  if (!session?.me) return <Loading what="who you are" />
  return <PlanDay key={id ?? 'new'} known={known.data} me={session.me.name} />
}

function PlanDay({ known, me }: { known: DayView | undefined; me: string }) {
  const [search] = useSearchParams()
  const navigate = useNavigate()
  const client = useQueryClient()
  const [id] = useState(() => known?.day.id ?? uuid())
  const [on, setOn] = useState(known?.day.plannedOn ?? search.get('on') ?? today())
  const [startsAt, setStartsAt] = useState(known?.day.startsAt ?? '08:30')
  const [people, setPeople] = useState<string[]>(known?.day.people ?? [me])
  const [works, setWorks] = useState<Work[]>(
    () =>
      known?.day.fields.map(({ fieldId, visitId, driveMin, stopIds }) => ({
        fieldId,
        visitId: visitId ?? uuid(),
        driveMin,
        stopIds,
      })) ??
      (search.get('fields') ?? '')
        .split(',')
        .filter(Boolean)
        .map((fieldId) => ({ fieldId, visitId: uuid() })),
  )
  const sets = useQuery(queries.testSets()).data ?? []
  const [set, setSet] = useState<string>()
  const kept = known?.day.fields[0]?.methods
  const chosen =
    sets.find((each) => (each.code ?? each.id) === set) ??
    (kept ? { name: 'as planned', methods: kept } : sets[0])
  const all = useQuery(queries.fields({ order: 'name' }))
  const faces = useQueries({ queries: works.map((work) => queries.field(work.fieldId)) })
  const save = useMutation({
    mutationFn: () =>
      must(
        api.PUT('/api/day-plans/{id}', {
          params: { path: { id } },
          body: {
            plannedOn: on,
            startsAt,
            people: people.map((name) => name.trim()).filter(Boolean),
            walkMetresPerMinute: known?.day.walkMetresPerMinute,
            fields: works.map((work, i) => ({
              fieldId: work.fieldId,
              visitId: work.visitId,
              driveMin: i === 0 ? undefined : (work.driveMin ?? 20),
              stopIds: stopsOf(work, faces[i]?.data).map((stop) => stop.id),
              methods: chosen?.methods ?? [],
            })),
            version: known?.day.version ?? 0,
          },
        }),
      ),
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: ['day-plans'] })
      await client.invalidateQueries({ queryKey: ['day-plan', id] })
      void navigate(`/days/${id}`, { replace: true })
    },
  })
  if (all.isError) return <Failed error={all.error} retry={() => all.refetch()} />
  const faults = save.error instanceof ApiError ? save.error.faults : []
  const ready = works.length > 0 && works.every((work, i) => stopsOf(work, faces[i]?.data).length > 0)
  const others = (all.data ?? []).filter((field) => !works.some((work) => work.fieldId === field.id))
  return (
    <form
      noValidate
      className="mx-auto grid w-full max-w-2xl gap-6 px-5 py-7"
      onSubmit={(event) => {
        event.preventDefault()
        save.mutate()
      }}
    >
      <div>
        <Link to="/today" className="text-accent hover:underline">
          Today
        </Link>
        <h1 className="text-3xl">{known ? 'Change the day' : 'Plan a day'}</h1>
      </div>
      <section aria-label="Fields" className="grid gap-3">
        <h2 className="text-xl">Where</h2>
        {works.map((work, i) => (
          <FieldWork
            key={work.fieldId}
            work={work}
            first={i === 0}
            face={faces[i]?.data}
            onChange={(next) => setWorks(works.map((each, k) => (k === i ? next : each)))}
            onRemove={() => setWorks(works.filter((_, k) => k !== i))}
          />
        ))}
        <Labelled label={works.length === 0 ? 'Field' : 'One more field'}>
          {(aria) => (
            <Select
              {...aria}
              value=""
              onChange={(event) =>
                event.target.value && setWorks([...works, { fieldId: event.target.value, visitId: uuid() }])
              }
            >
              <option value="">choose …</option>
              {others.map((field) => (
                <option key={field.id} value={field.id}>
                  {field.name}, {field.grower}
                </option>
              ))}
            </Select>
          )}
        </Labelled>
      </section>
      {sets.length > 0 && (
        <Choice
          label="Tests at each stop"
          options={[
            ...(kept ? [{ code: 'kept', label: 'as planned' }] : []),
            ...sets.map((each) => ({ code: each.code ?? each.id!, label: each.name })),
          ]}
          value={set ?? (kept ? 'kept' : (sets[0]!.code ?? sets[0]!.id!))}
          onChange={(code) => setSet(code === 'kept' ? undefined : code)}
        />
      )}
      <section aria-label="When" className="grid gap-3">
        <h2 className="text-xl">When</h2>
        {works.length > 0 && (
          <RoundDays fields={works.map((work) => work.fieldId)} on={on} onChoose={setOn} />
        )}
        <div className="grid grid-cols-2 gap-4">
          <Labelled label="Day" error={faultOf(faults, 'plannedOn')}>
            {(aria) => (
              <DateInput {...aria} required value={on} onChange={(event) => setOn(event.target.value)} />
            )}
          </Labelled>
          <Labelled label="First step at" error={faultOf(faults, 'startsAt')}>
            {(aria) => (
              <Input
                {...aria}
                type="time"
                required
                value={startsAt}
                onChange={(event) => setStartsAt(event.target.value)}
              />
            )}
          </Labelled>
        </div>
      </section>
      <section aria-label="Who" className="grid gap-3">
        <h2 className="text-xl">Who goes</h2>
        {people.map((name, i) => (
          <div key={i} className="flex gap-3">
            <Input
              aria-label={`Person ${i + 1}`}
              value={name}
              onChange={(event) => setPeople(people.map((each, k) => (k === i ? event.target.value : each)))}
            />
            {people.length > 1 && (
              <Button kind="quiet" onClick={() => setPeople(people.filter((_, k) => k !== i))}>
                Not {name.trim() || 'this one'}
              </Button>
            )}
          </div>
        ))}
        {people.length < MOST_PEOPLE && (
          <Button
            className="justify-self-start"
            onClick={() => setPeople([...people, `Helper ${people.length}`])}
          >
            One more person
          </Button>
        )}
      </section>
      {save.isError && (
        <p role="alert" className="text-failing">
          {faults.length > 0 ? faults.map((fault) => fault.message).join(' ') : save.error.message} Nothing
          was lost: try again.
        </p>
      )}
      <Button kind="primary" type="submit" disabled={!ready || save.isPending || !on}>
        {save.isPending ? 'Keeping …' : 'Plan it'}
      </Button>
    </form>
  )
}

const faultOf = (faults: { field: string; message: string }[], field: string) =>
  faults.find((fault) => fault.field === field)?.message

function stopsOf(work: Work, face: FieldFaceView | undefined) {
  const walked = (face?.stops ?? []).filter((stop) => !isRetired(stop))
  return work.stopIds ? walked.filter((stop) => work.stopIds!.includes(stop.id)) : walked
}

function FieldWork({
  work,
  first,
  face,
  onChange,
  onRemove,
}: {
  work: Work
  first: boolean
  face: FieldFaceView | undefined
  onChange: (work: Work) => void
  onRemove: () => void
}) {
  const chosen = stopsOf(work, face).map((stop) => stop.id)
  const walked = (face?.stops ?? []).filter((stop) => !isRetired(stop))
  return (
    <fieldset className="grid gap-1 border-l-3 border-rule pl-4">
      <legend className="flex w-full items-center justify-between font-semibold">
        {face?.field.name ?? '…'}
        <Button kind="quiet" onClick={onRemove}>
          Not this field
        </Button>
      </legend>
      {!first && (
        <QuantityInput
          label="Drive there"
          unit="min"
          value={work.driveMin ?? 20}
          onChange={(driveMin) => onChange({ ...work, driveMin })}
        />
      )}
      <div className="flex flex-wrap gap-x-6">
        {walked.map((stop) => (
          <Check
            key={stop.id}
            label={stop.label}
            checked={chosen.includes(stop.id)}
            onChange={(checked) =>
              onChange({
                ...work,
                stopIds: checked ? [...chosen, stop.id] : chosen.filter((each) => each !== stop.id),
              })
            }
          />
        ))}
      </div>
      {face && walked.length === 0 && <p className="text-soft">This field has no stop yet.</p>}
    </fieldset>
  )
}

/** The days on which all chosen fields are good at once, the best three first; and what spoils the others. */
function RoundDays({
  fields,
  on,
  onChoose,
}: {
  fields: string[]
  on: string
  onChoose: (day: string) => void
}) {
  const round = useQuery(queries.goodDays(fields))
  if (round.isPending)
    return (
      <p role="status" className="animate-pulse text-soft">
        Looking at the weather …
      </p>
    )
  if (round.isError) return <p className="text-soft">The coming days are not known without signal.</p>
  const { best, days } = round.data
  const chosen = days.find((day) => day.date === on)
  return (
    <div className="grid gap-2">
      {best.length === 0 ? (
        <p>
          No good day in the coming fortnight
          {days[0] &&
            days[0].against.length > 0 &&
            `: ${days[0].against.map((each) => each.text).join(', ')}`}
          . You can go all the same; figures will carry the caution.
        </p>
      ) : (
        <div role="group" aria-label="Best days" className="flex flex-wrap gap-2">
          {best.map((day) => {
            const { chance } = days.find((each) => each.date === day)!
            return (
              <Button
                key={day}
                aria-pressed={day === on}
                kind={day === on ? 'primary' : 'plain'}
                onClick={() => onChoose(day)}
              >
                {showWeekday(day)} {showDay(day).replace(/ \d{4}$/, '')}: {Math.round(chance * 100)} %
              </Button>
            )
          })}
        </div>
      )}
      {chosen && (
        <p className="text-sm text-soft">
          {showDay(chosen.date)}: {chanceWord(chosen.chance)}
          {chosen.against.length > 0 &&
            `; against it ${chosen.against.map((each) => `${each.text} ${Math.round(each.share * 100)} %`).join(', ')}`}
        </p>
      )}
    </div>
  )
}
