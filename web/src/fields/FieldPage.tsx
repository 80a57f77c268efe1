import { useQuery } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { MayLink } from './MayLink'
import { Link, useNavigate, useParams, useSearchParams } from 'react-router'
import { SaveMenu } from '../charts/SavePicture'
import { text as fetchText } from '../api/client'
import { queries } from '../queries/queries'
import type { FieldFaceView, FindingView, ManagementEvent, VisitStrip } from '../api/schema'
import { useMay } from '../queries/role'
import { useKeys } from '../ui/keys'
import { buttonLook, Button } from '../ui/controls'
import { asLevel, Crumb, LevelMark, levelText } from '../ui/levels'
import { useNarrow } from '../ui/narrow'
import { Failed, Loading } from '../ui/states'
import { useUnits } from '../units/units'
import { CoreStrip } from './CoreStrip'
import { showDay, words } from '../words/dates'
import { Photos } from '../photos/PhotoButton'
import { Events } from './Events'
import { FieldNav } from './FieldNav'
import { FieldPlan } from './FieldPlan'
import { isRetired } from './GroundMap'
import { figureText, keyOf } from './finding'
import { Functions } from './Functions'
import { SoilFace } from './SoilFace'
import { GoodDays } from '../weather/GoodDays'
import { StopRoles } from './StopRoles'

/** A field by depth: what was found where, what limits it, and how it looked before. */
export function FieldPage() {
  const { id } = useParams()
  const query = useQuery(queries.field(id!))
  const navigate = useNavigate()
  const [search, setSearch] = useSearchParams()
  const [functionCode, setFunctionCode] = useState<string>()
  const may = useMay()
  useKeys({ v: () => may.work && navigate(`/fields/${id}/visit`) })
  if (query.isPending) return <Loading what="the field" />
  if (query.isError) return <Failed error={query.error} retry={() => query.refetch()} />
  const face = query.data
  const chosen = search.get('finding') ?? undefined
  const finding = face.findings.find((each) => keyOf(each) === chosen)
  const lit = face.overall.functions.find((each) => each.function === functionCode)
  const choose = (key: string | undefined) =>
    setSearch(key && key !== chosen ? { finding: key } : {}, { replace: true })
  return (
    <div className="flex grow flex-col lg:grid lg:grid-cols-[minmax(0,1.5fr)_minmax(22rem,1fr)]">
      {/* on a phone both columns are one: what limits stands before the ground */}
      <div className="contents lg:block">
        <div className="order-1 px-5 pt-6 sm:px-7">
          <Title face={face} />
        </div>
        <section aria-label="The ground" className="order-3 px-5 pb-6 sm:px-7">
          <SoilFace
            findings={face.findings}
            layout={face.layout}
            ground={face.ground}
            next={may.work ? face.next : undefined}
            texture={face.textureClass}
            chosen={chosen}
            lit={lit && new Set(lit.parts.map((part) => part.indicator))}
            onChoose={choose}
          />
          {face.findings.length > 0 && (
            <div className="flex justify-end">
              <SaveMenu
                name={face.field.name}
                drawing={() => fetchText(`/api/fields/${face.field.id}/face.svg`)}
              />
            </div>
          )}
        </section>
        <section aria-label="Years and photos" className="order-5 grid content-start gap-8 px-5 py-6 sm:px-7">
          <History visits={face.visits} count={face.visitCount} events={face.events} />
          <Photos field={id!} />
        </section>
      </div>
      <aside className="contents lg:block lg:border-l lg:border-rule lg:bg-paper">
        <div className="order-2 grid content-start gap-5 px-5 pb-5 sm:px-7 lg:px-8 lg:pt-6">
          {finding ? (
            <FindingDetails key={keyOf(finding)} finding={finding} onClose={() => choose(undefined)} />
          ) : (
            <>
              <Leading face={face} />
              {may.work && (
                <Link to={`/fields/${id}/visit`} className={buttonLook('primary')}>
                  New visit
                </Link>
              )}
            </>
          )}
        </div>
        <div className="order-4 grid content-start gap-8 bg-paper px-5 py-6 sm:px-8">
          {may.work && <GoodDays field={id!} />}
          <Functions overall={face.overall} chosen={functionCode} onChoose={setFunctionCode} />
          {may.work && <Events field={id!} events={face.events} stops={face.stops} />}
          <Stops face={face} />
        </div>
      </aside>
    </div>
  )
}

function Title({ face }: { face: FieldFaceView }) {
  const units = useUnits()
  const { field } = face
  const facts = [
    field.crop && field.crop !== field.landUse
      ? `${words(field.crop)}, ${words(field.landUse)}`
      : words(field.landUse),
    field.areaHa !== undefined && units.text(field.areaHa, 'ha'),
    face.textureClass && words(face.textureClass),
    face.grower.name,
  ].filter(Boolean)
  return (
    <div className="mb-4">
      <h1 className="text-3xl">{field.name}</h1>
      <p className="text-soft">{facts.join(' · ')}</p>
      {field.soilNote && <p className="text-soft">{field.soilNote}</p>}
      <FieldNav id={field.id} />
    </div>
  )
}

/** What limits, and how sure that is; on a phone in two lines, what it rests on one tap away. */
function Leading({ face }: { face: FieldFaceView }) {
  const may = useMay()
  const units = useUnits()
  const { limit } = face
  const level = asLevel(limit?.level)
  const at = face.findings.find(
    (finding) => finding.indicator === limit?.indicator && finding.depthTopMm === limit.depthTopMm,
  )
  return (
    <div className="grid gap-2">
      <h2 className="text-sm font-semibold text-soft">What limits this field, as far as it was measured</h2>
      {limit && level ? (
        <>
          <p className="text-2xl leading-tight font-bold text-balance">
            {units.prose(face.leading?.sentence ?? limit.why)}
          </p>
          {face.leading && (
            <p className="leading-snug text-soft">
              {Math.min(99, Math.round(face.leading.probability * 100))} % sure.{' '}
              <span className="lg:hidden">To confirm: {face.leading.confirmation}.</span>
              <span className="max-lg:hidden">{face.leading.because.join(' · ')}.</span>{' '}
              {may.readPlans && (
                <Link to={`/fields/${face.field.id}/limits`} className="text-accent underline">
                  All the evidence
                </Link>
              )}
            </p>
          )}
          {face.patches && <p className="leading-snug">{units.prose(face.patches)}</p>}
          <p className="max-lg:hidden">
            <LevelMark level={level} />
            {at && (
              <span className="text-soft">
                {' '}
                · lowest: {at.label}, {figureText(at, units)} by {at.stops.length}{' '}
                {at.stops.length === 1 ? 'stop' : 'stops'}
                {limit.depthTopMm !== undefined &&
                  `, ${units.number(limit.depthTopMm, 'mm')}–${units.text(limit.depthBottomMm!, 'mm')}`}
              </span>
            )}
          </p>
        </>
      ) : (
        <p className="text-2xl leading-tight font-bold">
          {face.findings.length > 0 ? 'Nothing that was measured holds it back' : 'Too little seen to say'}
        </p>
      )}
    </div>
  )
}

function FindingDetails({ finding, onClose }: { finding: FindingView; onClose: () => void }) {
  const may = useMay()
  const units = useUnits()
  const narrow = useNarrow()
  const place = useRef<HTMLDivElement>(null)
  // on a phone it opens above the ground, out of sight
  useEffect(() => {
    if (narrow) place.current?.scrollIntoView({ block: 'start' })
  }, [narrow])
  const level = asLevel(finding.level)!
  return (
    <div ref={place} className="grid scroll-mt-4 gap-3">
      <div className="flex items-start justify-between gap-3">
        <div>
          <h2 className="text-xl">{finding.label}</h2>
          <p>
            <LevelMark level={level} />{' '}
            <span className="text-soft">
              · the field {figureText(finding, units)}
              {finding.figureLow !== undefined &&
                ` (${units.number(finding.figureLow, finding.unit ?? '')} to ${units.number(finding.figureHigh!, finding.unit ?? '')})`}
              , read {showDay(finding.readOn)}
            </span>
          </p>
          {finding.since.length > 0 && (
            <p className="text-sm text-soft">
              Done since, and not read yet: {finding.since.join('; ')}. So it may be further off.
            </p>
          )}
          {finding.weights.length > 1 && (
            <details>
              <summary className="min-h-11 cursor-pointer content-center text-sm text-accent">
                What the field’s figure stands on
              </summary>
              <p className="text-sm text-soft">
                {finding.weights
                  .map(
                    (each) =>
                      `${each.label} at ${each.stops} ${each.stops === 1 ? 'stop' : 'stops'} ${Math.round(100 * each.share)} %`,
                  )
                  .join(', ')}
                , by all visits; older readings count less.
              </p>
            </details>
          )}
        </div>
        <Button kind="quiet" onClick={onClose}>
          Back
        </Button>
      </div>
      <ul className="grid">
        {finding.stops.map((stop) => {
          const own = asLevel(stop.level)!
          return (
            <li key={stop.measurementId} className="border-t border-rule">
              <MayLink
                to={may.work && `/measurements/${stop.measurementId}`}
                className="grid min-h-12 grid-cols-[1.5rem_1fr_auto_auto] items-center gap-x-3 hover:underline"
              >
                <Crumb level={own} />
                <span>
                  {stop.stop}
                  <span className="sr-only">, {own}</span>
                  {stop.odd && <span className="text-sm text-strained"> odd stop</span>}
                </span>
                <span className={`font-semibold ${levelText[own]}`}>
                  {figureText({ ...stop, unit: finding.unit, pattern: finding.pattern }, units)}{' '}
                  {stop.figureLow !== undefined && (
                    <span className="font-normal text-soft">
                      {units.number(stop.figureLow, finding.unit ?? '')}–
                      {units.number(stop.figureHigh!, finding.unit ?? '')}
                    </span>
                  )}
                </span>
                <span className="text-sm text-soft">{showDay(stop.takenOn)}</span>
              </MayLink>
            </li>
          )
        })}
      </ul>
    </div>
  )
}

/** Visits as strips along the years, newest on the right, with what was done between them. */
function History({
  visits,
  count,
  events,
}: {
  visits: VisitStrip[]
  count: number
  events: ManagementEvent[]
}) {
  const may = useMay()
  if (visits.length === 0) return null
  const shown = visits.slice(0, 8).reverse()
  const first = shown[0]!.visitedOn
  const line = [
    ...shown.map((visit) => ({ on: visit.visitedOn, visit, event: undefined })),
    ...events
      .filter((event) => event.happenedOn >= first)
      .map((event) => ({ on: event.happenedOn, visit: undefined, event })),
  ].sort((a, b) => a.on.localeCompare(b.on))
  return (
    <div className="grid gap-3">
      <h2 className="text-sm font-semibold text-soft">
        Visits{count > shown.length ? `, the last ${shown.length} of ${count}` : ''}, and what was done
        between them
      </h2>
      <ol
        className="flex items-end gap-2.5 overflow-x-auto pb-1"
        // what scrolls must be reached by the keyboard
        // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
        tabIndex={0}
        aria-label="Visits along the years"
      >
        {line.map(({ visit, event }) =>
          visit ? (
            <li key={visit.id}>
              <MayLink
                to={may.record && `/visits/${visit.id}`}
                className="grid justify-items-center gap-1 text-[13px] text-soft hover:text-ink"
              >
                <CoreStrip bands={visit.bands} width={34} scale={0.62} />
                <span className="text-center leading-tight">
                  {showDay(visit.visitedOn).replace(/ (\d{4})$/, '')}
                  <br />
                  {visit.visitedOn.slice(0, 4)}
                </span>
              </MayLink>
            </li>
          ) : (
            <li
              key={event.id}
              title={`${event.what}, ${showDay(event.happenedOn)}`}
              className="flex h-[8.6rem] flex-col items-center"
            >
              <span className="[writing-mode:vertical-rl] rotate-180 text-[13px] leading-none whitespace-nowrap">
                {event.kind}
              </span>
              <span className="mt-1 grow border-l-2 border-dashed border-ink" />
            </li>
          ),
        )}
      </ol>
    </div>
  )
}

function Stops({ face }: { face: FieldFaceView }) {
  const may = useMay()
  const odd = new Set(
    face.findings.flatMap((finding) => finding.stops.filter((stop) => stop.odd).map((stop) => stop.stopId)),
  )
  return (
    <section aria-label="Stops" className="grid gap-2">
      <h2 className="text-sm font-semibold text-soft">
        {face.stops.length} {face.stops.length === 1 ? 'stop' : 'stops'}
        {odd.size > 0 && ', those with an odd finding in ochre'}
      </h2>
      <FieldPlan field={face.field} stops={face.stops} odd={odd} />
      {may.work && (
        <>
          <Link
            to={`/fields/${face.field.id}/places`}
            className="flex min-h-11 items-center font-semibold text-accent hover:underline"
          >
            Places: outline, zones and stops
          </Link>
          <StopRoles field={face.field.id} stops={face.stops.filter((stop) => !isRetired(stop))} />
        </>
      )}
    </section>
  )
}
