import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { v7 as uuid } from 'uuid'
import { queries } from '../queries/queries'
import type { TestSet } from '../api/schema'
import { Button, Choice, Input, Labelled } from '../ui/controls'
import { Failed, Loading } from '../ui/states'
import { today } from '../words/dates'
import { PaperSheet } from './PaperSheet'
import { keepVisit } from './keepVisit'
import { ConditionsForm, conditionsFaults, type DayConditions } from './ConditionsForm'

/** The start of a walk: the day, and what its figures will depend on. */
export function NewVisitPage() {
  const { id } = useParams()
  const field = useQuery(queries.field(id!))
  const session = useQuery(queries.session())
  const client = useQueryClient()
  const navigate = useNavigate()
  const [visitId] = useState(() => uuid())
  const [visitedOn, setVisitedOn] = useState(today())
  const [day, setDay] = useState<DayConditions>({})
  const sets = useQuery(queries.testSets()).data ?? []
  const [set, setSet] = useState<TestSet>()
  const begin = useMutation({
    mutationFn: () =>
      keepVisit(visitId, { fieldId: id!, visitedOn, ...day, tests: set?.methods.join(','), version: 0 }),
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: queries.field(id!).queryKey })
      void navigate(`/visits/${visitId}`, { replace: true })
    },
  })
  if (field.isPending) return <Loading what="the field" />
  if (field.isError) return <Failed error={field.error} retry={() => field.refetch()} />
  const faults = conditionsFaults(begin.error)
  return (
    <form
      noValidate
      className="mx-auto grid w-full max-w-xl gap-5 px-5 py-7"
      onSubmit={(event) => {
        event.preventDefault()
        begin.mutate()
      }}
    >
      <div>
        <Link to={`/fields/${id}`} className="text-accent hover:underline">
          {field.data.field.name}
        </Link>
        <h1 className="text-3xl">New visit</h1>
        <p className="text-soft">
          {session.data?.me?.name}. These conditions decide what the figures can be compared with; leave out
          what you do not know.
        </p>
      </div>
      <Labelled label="Date" error={faults.visitedOn}>
        {(aria) => (
          <Input
            {...aria}
            type="date"
            required
            value={visitedOn}
            max={today()}
            onChange={(event) => setVisitedOn(event.target.value)}
          />
        )}
      </Labelled>
      <ConditionsForm
        day={day}
        visitedOn={visitedOn}
        stops={field.data.stops}
        onChange={setDay}
        faults={faults}
      />
      <Choice
        label="Tests"
        options={[
          { code: 'all', label: 'all' },
          ...sets.map((each) => ({ code: each.code ?? each.id!, label: each.name })),
        ]}
        value={set ? (set.code ?? set.id!) : 'all'}
        onChange={(code) => setSet(sets.find((each) => code === (each.code ?? each.id)))}
      />
      {begin.isError && Object.keys(faults).length === 0 && (
        <p role="alert" className="text-failing">
          {begin.error.message} Nothing was lost: try again.
        </p>
      )}
      <Button kind="primary" type="submit" disabled={begin.isPending || !visitedOn}>
        {begin.isPending ? 'Beginning …' : 'Begin the walk'}
      </Button>
      <PaperSheet />
    </form>
  )
}
