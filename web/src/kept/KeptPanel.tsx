import { fileName, saveFile } from '../ui/saveFile'
import { useQuery } from '@tanstack/react-query'
import { Fragment, useState } from 'react'
import { useNavigate } from 'react-router'
import { queries } from '../queries/queries'
import { words } from '../words/dates'
import { Button } from '../ui/controls'
import { differingEntries } from '../device/differences'
import { bodyOf, dropJob, useJobs, type Job } from '../device/device'
import { ReadingsTable } from '../readings/ReadingsTable'
import { LATER, sendAgain, settle, takeBack } from '../device/outbox'

/** What this device has kept: on its way, refused, changed elsewhere, or worked out otherwise by the server. */
export function KeptJobs() {
  const jobs = useJobs()
  if (jobs.length === 0) return null
  const waiting = jobs.filter((each) => each.state === 'waiting')
  return (
    <section aria-label="Kept on this device" className="grid gap-3">
      <h3 className="text-lg">Kept on this device</h3>
      {jobs
        .filter((each) => each.state !== 'waiting')
        .map((job) => (
          <Trouble key={job.seq} job={job} />
        ))}
      {waiting.length > 0 && (
        <ul className="text-[15px]">
          {waiting.map((job) => (
            <li key={job.seq} className="border-t border-rule py-1.5">
              {job.label}{' '}
              <span className={job.unkept ? 'text-failing' : 'text-soft'}>
                {job.unkept
                  ? 'is on this page only: the device could not keep it'
                  : LATER[job.answered ?? 0]
                    ? `waits: ${LATER[job.answered!]}`
                    : job.tries
                      ? `waits: the server failed on it (${job.answered}), tried again soon`
                      : 'waits to be sent'}
              </span>
            </li>
          ))}
        </ul>
      )}
    </section>
  )
}

function Trouble({ job }: { job: Job }) {
  if (job.state === 'conflict')
    return (
      <div role="alert" className="grid gap-2 border-l-3 border-strained pl-3">
        <p>
          <strong>{job.label}</strong> was also changed somewhere else. Which one stands?
        </p>
        <table className="text-left text-[15px]">
          <thead>
            <tr>
              <th scope="col" />
              <th scope="col">here</th>
              <th scope="col">there</th>
            </tr>
          </thead>
          <tbody>
            {differingEntries(job.body, job.current).map((each) => (
              <tr key={each.name} className="border-t border-rule align-top">
                <th scope="row" className="pr-3 font-normal text-soft">
                  {words(each.name)}
                </th>
                <td className="pr-3 break-all">{shown(each.mine)}</td>
                <td className="break-all">{shown(each.other)}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <div className="flex gap-3">
          <Button onClick={() => void settle(job, true)}>The one here</Button>
          <Button onClick={() => void settle(job, false)}>The one there</Button>
        </div>
      </div>
    )
  if (job.state === 'differs')
    return (
      <div role="alert" className="grid justify-items-start gap-1 border-l-3 border-strained pl-3">
        <p>
          <strong>{job.label}</strong> was sent; the server works it out otherwise: {job.message}
        </p>
        <Button kind="quiet" onClick={() => void dropJob(job.seq)}>
          Seen
        </Button>
      </div>
    )
  return <SetAside job={job} />
}

/** A write that the server does not take: what it holds, and every way on. */
function SetAside({ job }: { job: Job }) {
  const navigate = useNavigate()
  const methods = useQuery(queries.methods()).data ?? []
  const [sure, setSure] = useState(false)
  const reason =
    job.faults?.map((fault) => `${fault.field} ${fault.message}`.trim()).join(' ') || job.message || ''
  const test = bodyOf(job, 'measurement')
  const edit = async () => {
    await takeBack(job)
    void navigate(`/visits/${test!.visitId}/stops/${test!.stopId}/${test!.method}/${job.target}`)
  }
  return (
    <div role="alert" className="grid gap-2 border-l-3 border-strained pl-3">
      <p>
        <strong>{job.label}</strong>{' '}
        {job.state === 'aside'
          ? `was set aside: the server failed on it ${job.tries ?? 0} times (${job.answered}). What comes after it goes on.`
          : 'was refused:'}{' '}
        {reason}
      </p>
      <details>
        <summary className="min-h-11 cursor-pointer content-center text-accent">What it holds</summary>
        {test ? (
          <ReadingsTable
            entries={methods.find((each) => each.id === test.method)?.readings ?? []}
            readings={test.readings}
          />
        ) : (
          <dl className="grid grid-cols-[auto_1fr] gap-x-4 text-[15px]">
            {Object.entries(job.body ?? {})
              .filter(([name]) => !/(^id|Id|version)$/.test(name))
              .map(([name, value]) => (
                <Fragment key={name}>
                  <dt className="text-soft">{words(name)}</dt>
                  <dd className="break-all">{shown(value)}</dd>
                </Fragment>
              ))}
            {job.picture && (
              <>
                <dt className="text-soft">picture</dt>
                <dd>{Math.round(job.picture.size / 1024)} kB</dd>
              </>
            )}
          </dl>
        )}
      </details>
      <div className="flex flex-wrap gap-3">
        <Button onClick={() => void sendAgain(job)}>Send again</Button>
        {test && <Button onClick={() => void edit()}>Edit</Button>}
        <Button onClick={() => exportJob(job)}>Save as a file</Button>
        {sure ? (
          <Button onClick={() => void dropJob(job.seq)}>Yes, lose it</Button>
        ) : (
          <Button kind="quiet" onClick={() => setSure(true)}>
            Discard it
          </Button>
        )}
      </div>
    </div>
  )
}

/** Hands what a write holds to the person as a file: a picture as it is, all else as JSON. */
function exportJob(job: Job) {
  const { label, keptAt, path, body, picture } = job
  const content =
    picture ??
    new Blob([JSON.stringify({ label, keptAt, path, body }, undefined, 2)], { type: 'application/json' })
  saveFile(content, `${fileName(label)}.${picture ? (picture.type.split('/')[1] ?? 'jpeg') : 'json'}`)
}

const shown = (value: unknown) => (typeof value === 'object' ? JSON.stringify(value) : String(value ?? '–'))
