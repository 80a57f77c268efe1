import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { v7 as uuid } from 'uuid'
import { queries } from '../queries/queries'
import type { TestSet } from '../api/schema'
import { Button, Choice, Labelled } from '../ui/controls'
import { DateInput } from '../ui/DateInput'
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
  const [byHand, setByHand] = useState<DayConditions>({})
  const ahead = useQuery(queries.days(id!)).data
  // what the weather says stands there until a hand overrules it; of another day than today nothing is known
  const fromWeather: DayConditions =
    ahead && visitedOn === today()
      ? {
          soilMoisture: ahead.now.soilMoisture,
          daysSinceRain: ahead.now.daysSinceRain === undefined ? undefined : ahead.now.daysSinceRain + 1,
          soilTempC: ahead.now.soilTempC,
        }
      : {}
  const day: DayConditions = { ...fromWeather, ...byHand }
  const taken = (['soilMoisture', 'daysSinceRain', 'soilTempC'] as const).some(
    (name) => fromWeather[name] !== undefined && !(name in byHand),
  )
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
          <DateInput
            {...aria}
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
        onChange={(next) =>
          setByHand((before) => ({
            ...before,
            ...Object.fromEntries(
              Object.entries(next).filter(([name, value]) => value !== day[name as keyof DayConditions]),
            ),
          }))
        }
        faults={faults}
      />
      {taken && (
        <p className="text-sm text-soft">
          Filled in from the weather ({ahead!.source}); what your hand and thermometer say wins.
        </p>
      )}
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
