import type { Fault } from '../api/client'
import type { Job } from '../api/schema'
import { FaultList } from '../ui/FaultList'
import { percentOf } from './useJob'

/** How far work is, or why it ended badly; nothing once it is done. */
export function JobState({ job, of }: { job: Job; of: string }) {
  const percent = percentOf(job)
  if (job.state === 'running')
    return (
      <div className="grid max-w-md gap-1" role="status">
        <span className="text-[15px] text-soft">
          {percent === undefined ? 'Begun …' : `${percent} %`} You can leave this page; it goes on.
        </span>
        <progress
          className="h-2 w-full accent-(--accent)"
          value={percent}
          max={100}
          aria-label="How far it is"
        />
      </div>
    )
  if (job.state === 'refused') return <FaultList faults={(job.result?.errors ?? []) as Fault[]} of={of} />
  if (job.state === 'failed')
    return (
      <p role="alert" className="border-l-3 border-failing pl-3">
        {String(job.result?.detail ?? 'It failed. Try again.')}
      </p>
    )
  return null
}
