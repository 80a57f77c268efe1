import { useQuery } from '@tanstack/react-query'
import { useState, type ComponentType } from 'react'
import { Link, Navigate, useParams, useSearchParams } from 'react-router'
import { v7 as uuid } from 'uuid'
import { queries } from '../api/queries'
import type { Draft, MethodEntry, Stop, VisitView } from '../api/schema'
import { PhotoBefore, PhotoButton } from '../photos/PhotoButton'
import { Button, QuantityInput } from '../ui/controls'
import { Failed, Loading } from '../ui/states'
import { useUnits } from '../units/units'
import { CrumbsCapture } from './CrumbsCapture'
import { useDraft, type DraftPlace } from './drafts'
import { FeelCapture } from './FeelCapture'
import { FormCapture } from './FormCapture'
import { HoleCapture } from './HoleCapture'
import type { CaptureProps } from './panel'

/** Methods with a picture of their own to work on; every other one gets the form from the catalogue. */
const PANELS: Record<string, ComponentType<CaptureProps>> = {
  'hole-drainage': HoleCapture,
  'crumb-stability': CrumbsCapture,
  'texture-feel': FeelCapture,
}

/** One test at one stop. */
export function CapturePage() {
  const { id, stop: stopId, method: methodId, measurement } = useParams()
  const [search] = useSearchParams()
  const visit = useQuery(queries.visit(id!))
  const methods = useQuery(queries.methods())
  const [fresh] = useState(() => uuid())
  const correcting = search.get('corrects')
  const old = useQuery({ ...queries.measurement(correcting ?? ''), enabled: correcting !== null })
  if (visit.isPending || methods.isPending || (correcting && old.isPending))
    return <Loading what="the test" />
  if (visit.isError) return <Failed error={visit.error} retry={() => visit.refetch()} />
  if (methods.isError) return <Failed error={methods.error} retry={() => methods.refetch()} />
  const view = visit.data
  const stop = view.stops.find((each) => each.id === stopId)
  const method = methods.data.find((each) => each.id === methodId)
  if (!stop || !method) return <Failed error={undefined} retry={() => visit.refetch()} />
  if (!measurement) {
    // an address of its own from the first moment, so that a reload comes back to the same readings
    const path = `/visits/${id}/stops/${stopId}/${methodId}/${fresh}`
    return <Navigate to={correcting ? `${path}?corrects=${correcting}` : path} replace />
  }
  if (view.measurements.some((each) => each.id === measurement)) {
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
}: {
  start: DraftPlace
  readings: Record<string, unknown> | undefined
  takenAt: string | undefined
  stored: Draft | undefined
  view: VisitView
  stop: Stop
  method: MethodEntry
}) {
  const draft = useDraft(
    start,
    { readings: readings ?? {}, startedAt: takenAt, stage: readings ? 99 : undefined },
    stored,
  )
  const { depthTopMm, depthBottomMm } = draft.place
  const context = { ...view.contexts[stop.id], depthTopMm, depthBottomMm }
  const Panel = PANELS[method.id] ?? FormCapture
  return (
    <div className="mx-auto grid w-full max-w-5xl grow content-start bg-paper sm:my-6 sm:border sm:border-rule">
      <header className="flex flex-wrap items-center justify-between gap-x-4 border-b border-rule px-5 py-2">
        <h1 className="text-xl">{method.title}</h1>
        <p className="text-[15px] text-soft">
          <Link
            to={`/visits/${view.visit.id}`}
            className="inline-flex min-h-11 items-center text-accent hover:underline"
          >
            {view.field.name}, {stop.label}
          </Link>
          {method.id !== 'hole-drainage' && <LayerWords layer={draft.place} onChange={draft.move} />}
        </p>
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
      <Panel draft={draft} context={context} method={method} stop={stop} />
      <div className="flex flex-wrap items-start gap-5 border-t border-rule px-5 py-2">
        <PhotoButton
          place={{ visit: view.visit.id, stop: stop.id, method: method.id, depthMm: draft.place.depthTopMm }}
          label="Photo of this test"
        />
        <PhotoBefore stop={stop.id} method={method.id} before={`${view.visit.visitedOn}T00:00:00Z`} />
      </div>
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
