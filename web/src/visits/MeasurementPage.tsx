import { useQuery } from '@tanstack/react-query'
import { Link, useParams } from 'react-router'
import { FromPhotoWords } from '../photos/FromPhoto'
import { queries } from '../queries/queries'
import type { Measurement, MethodEntry } from '../api/schema'
import { useJobs, type Job } from '../device/device'
import { showClock, showDay } from '../words/dates'
import { buttonLook } from '../ui/controls'
import { Failed, Loading } from '../ui/states'
import { WorkingLines } from '../ui/Working'
import { useUnits } from '../units/units'
import { ReadingsTable } from '../readings/ReadingsTable'
import { Figures, Notes, Ratings } from '../readings/Results'

/** A test that so far is on this device only, as the page worked it out. */
function KeptTest({ job, methods }: { job: Job; methods: MethodEntry[] }) {
  const method = methods.find((each) => each.id === job.body?.method)
  const labels = Object.fromEntries((method?.indicators ?? []).map((each) => [each.id, each.label]))
  return (
    <div className="mx-auto grid w-full max-w-3xl gap-5 px-5 py-7">
      <header>
        <Link to={`/visits/${String(job.body?.visitId)}`} className="text-accent hover:underline">
          visit
        </Link>
        <h1 className="text-3xl">{job.label}</h1>
        <p className="text-soft">
          Kept on this device, not sent yet. The server works it out again when it is.
        </p>
      </header>
      <Ratings envelope={job.envelope!} labels={labels} />
      <Figures envelope={job.envelope!} labels={method?.labels ?? {}} />
      <Notes envelope={job.envelope!} />
    </div>
  )
}

/** One recorded test: what was read, what came of it and how, and who changed it. */
export function MeasurementPage() {
  const { id } = useParams()
  const history = useQuery(queries.measurement(id!))
  const methods = useQuery(queries.methods())
  const units = useUnits()
  const job = useJobs().find((each) => each.kind === 'measurement' && each.target === id)
  if (job?.envelope && !history.data && methods.data) return <KeptTest job={job} methods={methods.data} />
  if (history.isPending || methods.isPending) return <Loading what="the test" />
  if (history.isError) return <Failed error={history.error} retry={() => history.refetch()} />
  if (methods.isError) return <Failed error={methods.error} retry={() => methods.refetch()} />
  const { measurement, stop, field, versions, photo } = history.data
  const method = methods.data.find((each) => each.id === measurement.method)
  if (!method) return <Failed error={undefined} retry={() => methods.refetch()} />
  const { evaluation } = measurement
  const labels = Object.fromEntries(method.indicators.map((each) => [each.id, each.label]))
  return (
    <div className="mx-auto grid w-full max-w-5xl gap-x-12 gap-y-7 px-5 py-7 md:grid-cols-2">
      <header className="flex flex-wrap items-end gap-4 md:col-span-2">
        <div className="mr-auto">
          <p>
            <Link to={`/fields/${measurement.fieldId}`} className="text-accent hover:underline">
              {field}
            </Link>
            , {stop} ·{' '}
            <Link to={`/visits/${measurement.visitId}`} className="text-accent hover:underline">
              visit
            </Link>
          </p>
          <h1 className="text-3xl">{method.title}</h1>
          <p className="text-soft">
            {showDay(measurement.takenAt)}, {showClock(measurement.takenAt)} · {measurement.person}
            {measurement.depthTopMm !== undefined &&
              measurement.depthBottomMm !== undefined &&
              ` · ${units.number(measurement.depthTopMm, 'mm')}–${units.text(measurement.depthBottomMm, 'mm')}`}
          </p>
        </div>
        {measurement.supersededBy ? (
          <p className="border-l-3 border-strained pl-3">
            This was corrected.{' '}
            <Link to={`/measurements/${versions[0]!.id}`} className="text-accent underline">
              Go to what stands
            </Link>
          </p>
        ) : (
          <Link
            to={`/visits/${measurement.visitId}/stops/${measurement.stopId}/${measurement.method}?corrects=${measurement.id}`}
            className={buttonLook('plain')}
          >
            Correct it
          </Link>
        )}
      </header>
      <section aria-label="Result" className="grid content-start gap-5">
        <Ratings envelope={evaluation} labels={labels} />
        <Figures envelope={evaluation} labels={method.labels} />
        <Notes envelope={evaluation} />
      </section>
      <section aria-label="Readings" className="grid content-start gap-3">
        <h2 className="text-lg">Readings</h2>
        <ReadingsTable entries={method.readings} readings={measurement.readings} />
        {photo && <FromPhotoWords photo={photo} />}
        {measurement.note && <p className="border-l-3 border-rule pl-3">{measurement.note}</p>}
      </section>
      {evaluation.working.length > 0 && (
        <section className="md:col-span-2">
          <h2 className="mb-3 text-lg">How this was worked out</h2>
          <WorkingLines envelope={evaluation} />
          <p className="mt-4 text-sm text-soft">Rules of version {measurement.coreVersion}.</p>
        </section>
      )}
      {versions.length > 1 && <Corrections versions={versions} method={method} shown={measurement.id} />}
    </div>
  )
}

/** Who changed what, when, newest first. */
function Corrections({
  versions,
  method,
  shown,
}: {
  versions: Measurement[]
  method: MethodEntry
  shown: string
}) {
  return (
    <section className="md:col-span-2">
      <h2 className="mb-3 text-lg">Corrections</h2>
      <ol className="grid gap-4">
        {versions.map((version, i) => {
          const older = versions[i + 1]
          return (
            <li key={version.id} className="grid gap-1 border-t border-rule pt-3">
              <p>
                {version.id === shown ? (
                  <strong>This version</strong>
                ) : (
                  <Link to={`/measurements/${version.id}`} className="text-accent underline">
                    Version {versions.length - i}
                  </Link>
                )}
                , {version.person}, {showDay(version.recordedAt)}, {showClock(version.recordedAt)}
                {version.reason && <>: {version.reason}</>}
              </p>
              {older ? (
                <div className="grid gap-x-8 sm:grid-cols-2">
                  <ReadingsTable
                    entries={method.readings}
                    readings={older.readings}
                    against={version.readings}
                    caption="before"
                  />
                  <ReadingsTable
                    entries={method.readings}
                    readings={version.readings}
                    against={older.readings}
                    caption="after"
                  />
                </div>
              ) : (
                <p className="text-soft">as first recorded</p>
              )}
            </li>
          )
        })}
      </ol>
    </section>
  )
}
