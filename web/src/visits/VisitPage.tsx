import { useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import type { Draft, MadeTest, MethodEntry, Stop, VisitView } from '../api/schema'
import { useMay } from '../queries/role'
import { useKeys } from '../ui/keys'
import { useVisit } from './useVisit'
import { showDay, words } from '../words/dates'
import { PhotoButton } from '../photos/PhotoButton'
import { Button } from '../ui/controls'
import { Failed, Loading } from '../ui/states'
import { useUnits } from '../units/units'
import { ChosenSet } from './ChosenSet'
import { DayLine } from './DayLine'
import { HelpersHere } from './HelpersHere'
import { ResultWords } from '../readings/ResultWords'
import { SeenHere } from './SeenHere'
import { StandHere } from './StandHere'
import { nextTest, PARTS, progress, testPath, testsOf, waits } from './walk'

/** The walk: one stop after the other, down the face, what is done and what is next. */
export function VisitPage() {
  const { id } = useParams()
  const { view, methods, error, refetch } = useVisit(id!)
  const navigate = useNavigate()
  const [shown, setShown] = useState<string>()
  const may = useMay()
  const next = view && methods ? nextTest(view, methods) : undefined
  const go = () => next && navigate(testPath(id!, next.stop.id, next.method.id))
  useKeys({ n: go })
  if (error) return <Failed error={error} retry={() => refetch()} />
  if (!view || !methods) return <Loading what="the visit" />
  const done = progress(view, methods)
  const stop =
    view.stops.find((each) => each.id === shown) ??
    view.stops.find((each) => each.id === next?.stop.id) ??
    view.stops[0]
  return (
    <div className="mx-auto grid w-full max-w-5xl gap-5 px-5 py-6">
      <div className="flex flex-wrap items-end gap-4">
        <div className="mr-auto">
          <Link to={`/fields/${view.field.id}`} className="text-accent hover:underline">
            {view.field.name}
          </Link>
          <h1 className="text-3xl">Visit of {showDay(view.visit.visitedOn)}</h1>
        </div>
        {next && (
          <Button kind="primary" onClick={go}>
            {view.measurements.length === 0 ? 'First test' : 'Next test'}: {next.method.title}
          </Button>
        )}
      </div>
      <DayLine view={view} />
      <ChosenSet view={view} methods={methods} />
      {may.work && <HelpersHere visit={view.visit.id} />}
      {view.stops.length === 0 && <p className="text-soft">This field has no stop yet.</p>}
      {view.stops.length > 0 && (
        <nav aria-label="Stops" className="flex flex-wrap gap-x-6 border-b border-strong-rule">
          {view.stops.map((each) => {
            const { made, of } = progress(view, methods, each)
            return (
              <button
                key={each.id}
                type="button"
                aria-current={each.id === stop?.id ? 'step' : undefined}
                onClick={() => setShown(each.id)}
                className="-mb-px min-h-11 border-b-3 border-transparent aria-[current]:border-ink aria-[current]:font-bold"
              >
                {each.label}{' '}
                {each.role !== 'routine' && (
                  <span className="text-sm font-normal text-soft">({words(each.role)}) </span>
                )}
                <span className="text-sm font-normal text-soft">{counted(view, made, of)}</span>
              </button>
            )
          })}
          <span className="ml-auto content-center text-sm text-soft">
            {view.visit.tests === undefined
              ? `${done.made} ${done.made === 1 ? 'test' : 'tests'} made`
              : `${done.made} of ${done.of} tests made`}
          </span>
        </nav>
      )}
      {stop && <StopWalk key={stop.id} stop={stop} view={view} methods={methods} />}
    </div>
  )
}

/** Of a set it is told how many are still to be made; of all that could be made, only how many were. */
function counted(view: VisitView, made: number, of: number) {
  if (view.visit.tests !== undefined) return `${made} of ${of}`
  return made > 0 ? `${made} made` : ''
}

/** A stop from the sky down: what is seen, then each part of the walk with its tests. */
function StopWalk({ stop, view, methods }: { stop: Stop; view: VisitView; methods: MethodEntry[] }) {
  const tests = testsOf(view, methods)
  const before = view.stops[view.stops.findIndex((each) => each.id === stop.id) - 1]
  const seen = (at: Stop | undefined) => view.observations.find((each) => each.stopId === at?.id)
  return (
    <section aria-label={stop.label} className="grid gap-4">
      <div className="flex flex-wrap items-center gap-x-5">
        {stop.note && <span>{stop.note}</span>}
        <StandHere visit={view.visit.id} stop={stop} fixes={view.fixes} />
        <SeenHere
          visit={view.visit.id}
          stop={stop}
          seen={seen(stop)}
          before={before && seen(before) ? { label: before.label, seen: seen(before)! } : undefined}
        />
        <PhotoButton place={{ visit: view.visit.id, stop: stop.id }} />
      </div>
      <ol className="grid gap-4">
        {PARTS.map((part) => {
          const own = tests.filter((method) => method.family === part.family)
          if (own.length === 0) return null
          return (
            <li key={part.family} className="grid gap-x-6 gap-y-1 sm:grid-cols-[8.5rem_minmax(0,1fr)]">
              <h2 className="pt-2.5 text-base">{part.label}</h2>
              <ul className="grid gap-1.5 lg:grid-cols-2">
                {own.map((method) => (
                  <TestCell
                    key={method.id}
                    method={method}
                    view={view}
                    stop={stop}
                    made={view.measurements.filter(
                      (each) => each.stopId === stop.id && each.method === method.id,
                    )}
                    drafts={view.drafts.filter(
                      (each) => each.stopId === stop.id && each.method === method.id,
                    )}
                  />
                ))}
              </ul>
            </li>
          )
        })}
      </ol>
    </section>
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
          <span className="text-soft">
            {method.handsOnMinutes} min
            {waits(method) && ', then waits'}
          </span>
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
