import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { v7 as uuid } from 'uuid'
import { api, must } from '../api/client'
import { queries } from '../api/queries'
import type { Visit } from '../api/schema'
import { Button, Input, Labelled } from '../ui/controls'
import { Failed, Loading } from '../ui/states'
import { today } from '../fields/dates'
import { PaperSheet } from './PaperSheet'
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
  const begin = useMutation({
    mutationFn: () =>
      must(
        api.PUT('/api/visits/{id}', {
          params: { path: { id: visitId } },
          body: { fieldId: id!, visitedOn, ...day, version: 0 },
        }),
      ),
    onSuccess: async (visit: Visit) => {
      await client.invalidateQueries({ queryKey: queries.field(id!).queryKey })
      navigate(`/visits/${visit.id}`, { replace: true })
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
