import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { api, must } from '../api/client'
import { queries } from '../api/queries'
import type { Draft, MadeTest, MethodEntry, Stop, VisitView } from '../api/schema'
import { useKeys } from '../app/keys'
import { showDay, words } from '../fields/dates'
import { Button } from '../ui/controls'
import { asLevel, Crumb } from '../ui/levels'
import { Panel } from '../ui/Panel'
import { Failed, Loading, Notice } from '../ui/states'
import { useUnits } from '../units/units'
import { PhotoButton } from '../photos/PhotoButton'
import { SeenHere } from './SeenHere'
import { ConditionsForm, conditionsFaults, type DayConditions } from './ConditionsForm'

/** The walk: stops across, tests down, what is done and what is next. */
export function VisitPage() {
  const { id } = useParams()
  const visit = useQuery(queries.visit(id!))
  const methods = useQuery(queries.methods())
  const navigate = useNavigate()
  const next = visit.data && methods.data ? nextTest(visit.data, methods.data) : undefined
  useKeys({ n: () => next && navigate(next) })
  if (visit.isPending || methods.isPending) return <Loading what="the visit" />
  if (visit.isError) return <Failed error={visit.error} retry={() => visit.refetch()} />
  if (methods.isError) return <Failed error={methods.error} retry={() => methods.refetch()} />
  const view = visit.data
  const done = view.measurements.length
  return (
    <div className="mx-auto grid w-full max-w-5xl gap-6 px-5 py-7">
      <div className="flex flex-wrap items-end gap-4">
        <div className="mr-auto">
          <Link to={`/fields/${view.field.id}`} className="text-accent hover:underline">
            {view.field.name}
          </Link>
          <h1 className="text-3xl">Visit of {showDay(view.visit.visitedOn)}</h1>
        </div>
        {next && (
          <Button kind="primary" onClick={() => navigate(next)}>
            {done === 0 ? 'First test' : 'Next test'}
          </Button>
        )}
      </div>
      <DayLine view={view} />
      {view.stops.length === 0 && <p className="text-soft">This field has no stop yet.</p>}
      <ol className="grid gap-5">
        {view.stops.map((stop) => (
          <StopRow key={stop.id} stop={stop} view={view} methods={methods.data} />
        ))}
      </ol>
    </div>
  )
}

function testPath(visit: string, stop: string, method: string, measurement?: string) {
  return `/visits/${visit}/stops/${stop}/${method}${measurement ? `/${measurement}` : ''}`
}

function nextTest(view: VisitView, methods: MethodEntry[]) {
  for (const stop of view.stops) {
    for (const method of methods) {
      const made = view.measurements.some((each) => each.stopId === stop.id && each.method === method.id)
      const begun = view.drafts.some((each) => each.stopId === stop.id && each.method === method.id)
      if (!made && !begun) return testPath(view.visit.id, stop.id, method.id)
    }
  }
  return undefined
}

function DayLine({ view }: { view: VisitView }) {
  const units = useUnits()
  const client = useQueryClient()
  const { visit } = view
  const [open, setOpen] = useState(false)
  const [day, setDay] = useState<DayConditions>({})
  const save = useMutation({
    mutationFn: () => {
      const { fieldId, visitedOn, note, version } = visit
      return must(
        api.PUT('/api/visits/{id}', {
          params: { path: { id: visit.id } },
          body: { fieldId, visitedOn, note, version, ...day },
        }),
      )
    },
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: queries.visit(visit.id).queryKey })
      setOpen(false)
    },
  })
  const facts = [
    visit.person,
    visit.soilMoisture && `soil ${visit.soilMoisture}`,
    visit.daysSinceRain !== undefined && `${visit.daysSinceRain} d since rain`,
    visit.soilTempC !== undefined && `soil at ${units.text(visit.soilTempC, '°C')}`,
    visit.lastManagement,
  ].filter(Boolean)
  return (
    <div className="grid gap-2">
      <p>
        {facts.join(' · ')}{' '}
        <Button
          kind="quiet"
          onClick={() => {
            const { soilMoisture, daysSinceRain, soilTempC, lastManagement } = visit
            setDay({ soilMoisture, daysSinceRain, soilTempC, lastManagement })
            setOpen(true)
          }}
        >
          Change conditions
        </Button>
      </p>
      {view.warnings.map((note) => (
        <Notice key={note.code} severity="caution">
          {units.prose(note.text)}
        </Notice>
      ))}
      <Panel title="Conditions of the day" open={open} onClose={() => setOpen(false)}>
        <form
          noValidate
          className="grid gap-4"
          onSubmit={(event) => {
            event.preventDefault()
            save.mutate()
          }}
        >
          <ConditionsForm
            day={day}
            visitedOn={visit.visitedOn}
            stops={view.stops}
            onChange={setDay}
            faults={conditionsFaults(save.error)}
          />
          {save.isError && (
            <p role="alert" className="text-failing">
              {save.error.message}
            </p>
          )}
          <p className="text-sm text-soft">
            Tests already recorded keep the conditions they were evaluated with.
          </p>
          <Button kind="primary" type="submit" disabled={save.isPending}>
            Keep
          </Button>
        </form>
      </Panel>
    </div>
  )
}

function StopRow({ stop, view, methods }: { stop: Stop; view: VisitView; methods: MethodEntry[] }) {
  return (
    <li className="grid gap-2 border-t border-strong-rule pt-3">
      <h2 className="text-lg">
        {stop.label}
        {stop.note && <span className="ml-3 text-base font-normal text-soft">{stop.note}</span>}
      </h2>
      <div className="flex flex-wrap items-center gap-x-5">
        <SeenHere
          visit={view.visit.id}
          stop={stop}
          seen={view.observations.find((each) => each.stopId === stop.id)}
        />
        <PhotoButton place={{ visit: view.visit.id, stop: stop.id }} />
      </div>
      <ul className="grid gap-2 sm:grid-cols-2 lg:grid-cols-3">
        {methods.map((method) => (
          <TestCell
            key={method.id}
            method={method}
            view={view}
            stop={stop}
            made={view.measurements.filter((each) => each.stopId === stop.id && each.method === method.id)}
            drafts={view.drafts.filter((each) => each.stopId === stop.id && each.method === method.id)}
          />
        ))}
      </ul>
    </li>
  )
}

function TestCell({
  method,
  view,
  stop,
  made,
  drafts,
}: {
  method: MethodEntry
  view: VisitView
  stop: Stop
  made: MadeTest[]
  drafts: Draft[]
}) {
  const units = useUnits()
  const line = 'flex min-h-11 items-center gap-3 px-3 hover:underline'
  const nothing = made.length + drafts.length === 0
  const layer = (each: MadeTest | Draft) =>
    each.depthTopMm === undefined || each.depthBottomMm === undefined
      ? ''
      : `${units.number(each.depthTopMm, 'mm')}–${units.text(each.depthBottomMm, 'mm')}`
  return (
    <li className={`relative flex flex-col border border-rule bg-paper ${nothing ? '' : 'pr-10'}`}>
      {drafts.map((draft) => (
        <Link key={draft.id} to={testPath(view.visit.id, stop.id, method.id, draft.id)} className={line}>
          <span className="grow">{method.title}</span>
          <span className="font-semibold text-accent">under way</span>
          <span className="text-sm text-soft">{layer(draft)}</span>
        </Link>
      ))}
      {made.map((each) => (
        <Link key={each.id} to={`/measurements/${each.id}`} className={line}>
          <span className="grow">{method.title}</span>
          <ResultWords test={each} />
          <span className="text-sm text-soft">{layer(each)}</span>
        </Link>
      ))}
      {nothing ? (
        <Link to={testPath(view.visit.id, stop.id, method.id)} className={line}>
          <span className="grow">{method.title}</span>
          <span className="text-soft">{method.handsOnMinutes} min</span>
        </Link>
      ) : (
        <Link
          to={testPath(view.visit.id, stop.id, method.id)}
          aria-label={`${method.title} again, at another depth`}
          title="Again, at another depth"
          className="absolute inset-y-0 right-0 flex w-10 items-center justify-center border-l border-rule text-xl text-accent hover:bg-stone"
        >
          +
        </Link>
      )}
    </li>
  )
}

/** What came of a test in a few words: crumbs of its levels, or its class. */
export function ResultWords({ test }: { test: MadeTest }) {
  if (test.results.length === 0)
    return <span className="font-semibold">{test.contextClass ? words(test.contextClass) : 'recorded'}</span>
  return (
    <span className="flex gap-1.5">
      {test.results.map((result) => {
        const level = asLevel(result.level)!
        return (
          <span key={result.indicator} title={`${result.label}: ${level}`} className="flex">
            <Crumb level={level} />
            <span className="sr-only">
              {result.label} {level}
            </span>
          </span>
        )
      })}
    </span>
  )
}
