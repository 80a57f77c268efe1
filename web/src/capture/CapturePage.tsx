import { useQuery } from '@tanstack/react-query'
import { Suspense, useMemo, useState } from 'react'
import { Link, Navigate, useLocation, useNavigate, useParams, useSearchParams } from 'react-router'
import { v7 as uuid } from 'uuid'
import { queries } from '../queries/queries'
import type { Draft, MethodEntry, Stop } from '../api/schema'
import { useContextOf } from '../core/core'
import type { ShownVisit } from '../device/overlay'
import { useKeys } from '../ui/keys'
import { useVisit } from '../visits/useVisit'
import { PhotoBefore, PhotoButton } from '../photos/PhotoButton'
import { Button, Input, QuantityInput, Labelled } from '../ui/controls'
import { Failed, Loading } from '../ui/states'
import { useUnits } from '../units/units'
import { ResultWords } from '../readings/ResultWords'
import { nextTest, testPath } from '../visits/walk'
import { useDraft, type DraftPlace, type DraftState } from './frame/drafts'
import { Examples } from '../examples/Examples'
import { FormCapture } from '../forms/FormCapture'
import { recordedHere } from './frame/panel'
import { PANELS } from './panels'

/** One test at one stop. */
export function CapturePage() {
  const { id, stop: stopId, method: methodId, measurement } = useParams()
  const [search] = useSearchParams()
  const state: unknown = useLocation().state
  const { view, methods, error, refetch } = useVisit(id!)
  const correcting = search.get('corrects')
  // one for each test: the walk goes from test to test without leaving this page
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const fresh = useMemo(() => uuid(), [stopId, methodId, correcting])
  const old = useQuery({ ...queries.measurement(correcting ?? ''), enabled: correcting !== null })
  if (error) return <Failed error={error} retry={() => refetch()} />
  if (!view || !methods || (correcting && old.isPending)) return <Loading what="the test" />
  const stop = view.stops.find((each) => each.id === stopId)
  const method = methods.find((each) => each.id === methodId)
  if (!stop || !method) return <Failed error={undefined} retry={() => refetch()} />
  if (!measurement) {
    // an address of its own from the first moment, so that a reload comes back to the same readings
    const path = `/visits/${id}/stops/${stopId}/${methodId}/${fresh}`
    return <Navigate to={correcting ? `${path}?corrects=${correcting}` : path} replace state={state} />
  }
  if (view.measurements.some((each) => each.id === measurement) && !recordedHere.has(measurement)) {
    return <Navigate to={`/measurements/${measurement}`} replace />
  }
  const corrected = old.data?.measurement
  const stored = view.drafts.find((draft) => draft.id === measurement)
  const start: DraftPlace = {
    id: measurement,
    visitId: view.visit.id,
    stopId: stop.id,
    method: method.id,
    depthTopMm: corrected ? corrected.depthTopMm : method.usualTopMm,
    depthBottomMm: corrected ? corrected.depthBottomMm : method.usualBottomMm,
    supersedes: corrected?.id,
  }
  return (
    <Capture
      key={measurement}
      start={start}
      readings={corrected?.readings}
      takenAt={corrected?.takenAt}
      stored={stored}
      view={view}
      stop={stop}
      method={method}
      methods={methods}
    />
  )
}

function Capture({
  start,
  readings,
  takenAt,
  stored,
  view,
  stop,
  method,
  methods,
}: {
  start: DraftPlace
  readings: Record<string, unknown> | undefined
  takenAt: string | undefined
  stored: Draft | undefined
  view: ShownVisit
  stop: Stop
  method: MethodEntry
  methods: MethodEntry[]
}) {
  const navigate = useNavigate()
  const draft = useDraft(
    start,
    { readings: readings ?? {}, startedAt: takenAt, stage: readings ? 99 : undefined },
    stored,
  )
  const { depthTopMm, depthBottomMm } = draft.place
  const context = { ...useContextOf(view, stop.id), depthTopMm, depthBottomMm }
  const next = nextTest(view, methods, { stop: stop.id, method: method.id })
  const nextPath = next && testPath(view.visit.id, next.stop.id, next.method.id)
  useKeys({ n: () => nextPath && navigate(nextPath) })
  /** A walk goes on with its next test; a single test shows what came of it, once the server has said so. */
  const goOn = (measurement: string, sent: boolean) => {
    const walking = view.visit.tests !== undefined && !draft.place.supersedes
    if (!walking && sent) void navigate(`/measurements/${measurement}`, { replace: true })
    else if (walking && nextPath) void navigate(nextPath, { replace: true, state: { made: measurement } })
    else void navigate(`/visits/${view.visit.id}`, { replace: true })
  }
  const place = { field: view.field.name, fieldId: view.field.id, stop: stop.label }
  const Panel = PANELS[method.id] ?? FormCapture
  return (
    <div className="mx-auto grid w-full max-w-5xl grow content-start bg-paper sm:my-6 sm:border sm:border-rule">
      <header className="flex flex-wrap items-center justify-between gap-x-4 border-b border-rule px-5 py-2">
        <h1 className="text-xl">{method.title}</h1>
        <div className="flex flex-wrap items-center gap-x-4 text-[15px] text-soft">
          <Examples method={method} />
          {next && (
            <Link
              to={nextPath!}
              className="order-last ml-1 hidden min-h-11 items-center hover:underline sm:inline-flex"
            >
              Next:{' '}
              {next.stop.id === stop.id ? next.method.title : `${next.stop.label}, ${next.method.title}`}
            </Link>
          )}
          <Link
            to={`/visits/${view.visit.id}`}
            className="inline-flex min-h-11 items-center text-accent hover:underline"
          >
            {view.field.name}, {stop.label}
          </Link>
          {method.usualBottomMm !== undefined && !method.groups.depth && (
            <LayerWords layer={draft.place} onChange={draft.move} />
          )}
        </div>
      </header>
      {draft.place.supersedes && (
        <p className="border-b border-rule bg-stone px-5 py-2 text-[15px]">
          You are correcting a recorded test. The old readings stay on record.
        </p>
      )}
      {draft.conflict && (
        <div role="alert" className="flex flex-wrap items-center gap-3 border-b border-strained px-5 py-3">
          <span className="mr-auto">These readings were also changed somewhere else. Which ones stand?</span>
          <Button onClick={() => draft.resolve(false)}>Those on this page</Button>
          <Button onClick={() => draft.resolve(true)}>The others</Button>
        </div>
      )}
      <LastMade view={view} methods={methods} />
      <Suspense fallback={<Loading what="the picture" />}>
        <Panel draft={draft} context={context} method={method} stop={stop} place={place} goOn={goOn} />
      </Suspense>
      <div className="flex flex-wrap items-start gap-5 border-t border-rule px-5 py-2">
        <PhotoButton
          place={{ visit: view.visit.id, stop: stop.id, method: method.id, depthMm: draft.place.depthTopMm }}
          label="Photo of this test"
        />
        <Remark draft={draft} />
        {next && (
          <Link
            to={nextPath!}
            className="ml-auto inline-flex min-h-11 items-center font-semibold text-accent hover:underline sm:hidden"
          >
            Next: {next.method.title}
          </Link>
        )}
        <PhotoBefore stop={stop.id} method={method.id} before={`${view.visit.visitedOn}T00:00:00Z`} />
      </div>
    </div>
  )
}

/** What came of the test before, in a line, while the walk goes on. */
function LastMade({ view, methods }: { view: ShownVisit; methods: MethodEntry[] }) {
  const made = (useLocation().state as { made?: string } | null)?.made
  const test = view.measurements.find((each) => each.id === made)
  if (!test) return null
  const stop = view.stops.find((each) => each.id === test.stopId)
  return (
    <p
      role="status"
      className="flex flex-wrap items-center gap-x-3 border-b border-rule bg-stone px-5 py-1.5"
    >
      <Link to={`/measurements/${test.id}`} className="font-semibold hover:underline">
        {methods.find((each) => each.id === test.method)?.title}
      </Link>
      <ResultWords test={test} />
      <span className="text-[15px] text-soft">recorded at {stop?.label}</span>
    </p>
  )
}

/** A remark about the test, kept with it. */
function Remark({ draft }: { draft: DraftState }) {
  const { content } = draft
  const [open, setOpen] = useState(content.note !== undefined)
  if (!open)
    return (
      <Button kind="quiet" onClick={() => setOpen(true)}>
        Note
      </Button>
    )
  return (
    <div className="grow">
      <Labelled label="Note">
        {(aria) => (
          <Input
            {...aria}
            maxLength={400}
            autoFocus={content.note === undefined}
            value={content.note ?? ''}
            onChange={(event) => draft.change({ ...content, note: event.target.value || undefined })}
          />
        )}
      </Labelled>
    </div>
  )
}

/** The sampled layer, changed in place. */
function LayerWords({
  layer,
  onChange,
}: {
  layer: DraftPlace
  onChange: (layer: { depthTopMm?: number; depthBottomMm?: number }) => void
}) {
  const units = useUnits()
  const [open, setOpen] = useState(false)
  const { depthTopMm, depthBottomMm } = layer
  if (!open) {
    return (
      <button type="button" className="ml-3 min-h-11 hover:underline" onClick={() => setOpen(true)}>
        {depthTopMm === undefined || depthBottomMm === undefined
          ? 'no depth'
          : `${units.number(depthTopMm, 'mm')}–${units.text(depthBottomMm, 'mm')}`}
      </button>
    )
  }
  return (
    <span className="grid grid-cols-[8rem_8rem_auto] items-end gap-2 py-2">
      <QuantityInput
        label="Layer from"
        unit="mm"
        value={depthTopMm}
        onChange={(mm) => onChange({ depthTopMm: mm })}
      />
      <QuantityInput
        label="to"
        unit="mm"
        value={depthBottomMm}
        onChange={(mm) => onChange({ depthBottomMm: mm })}
      />
      <Button onClick={() => setOpen(false)}>Done</Button>
    </span>
  )
}
