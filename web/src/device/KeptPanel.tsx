import { words } from '../fields/dates'
import { Button } from '../ui/controls'
import { differingEntries } from './differences'
import { dropJob, useJobs, type Job } from './device'
import { settle } from './outbox'

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
              {job.label} <span className="text-soft">waits to be sent</span>
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
  return (
    <div role="alert" className="grid justify-items-start gap-1 border-l-3 border-strained pl-3">
      <p>
        <strong>{job.label}</strong>{' '}
        {job.state === 'differs' ? 'was sent; the server works it out otherwise:' : 'was refused:'}{' '}
        {job.faults?.map((fault) => `${fault.field} ${fault.message}`).join(' ') || job.message}
      </p>
      <Button kind="quiet" onClick={() => void dropJob(job.seq)}>
        {job.state === 'differs' ? 'Seen' : 'Discard it'}
      </Button>
    </div>
  )
}

const shown = (value: unknown) => (typeof value === 'object' ? JSON.stringify(value) : String(value ?? '–'))
