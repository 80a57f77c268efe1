import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect } from 'react'
import type { Job } from '../api/schema'
import { queries } from '../queries/queries'

/** Long work by its id, as far as it is; everything read before is asked for anew once it has changed the record. */
export function useJob(id: string | undefined): Job | undefined {
  const client = useQueryClient()
  const job = useQuery(queries.jobs()).data?.find((each) => each.id === id)
  const changed = job?.state === 'done' && job.kind.startsWith('import-')
  useEffect(() => {
    if (changed) void client.invalidateQueries({ predicate: (query) => query.queryKey[0] !== 'jobs' })
  }, [changed, client])
  return job
}

/** How far it is, in whole percent; nothing while that is not known. */
export function percentOf(job: Job) {
  return job.total > 0 ? Math.min(100, Math.round((100 * job.done) / job.total)) : undefined
}

const NAMES: Record<string, string> = {
  archive: 'Archive',
  restore: 'Restoring an archive',
  'check-readings': 'Looking at readings',
  'import-readings': 'Taking readings in',
  'check-fields': 'Looking at fields and stops',
  'import-fields': 'Taking fields and stops in',
}

export const nameOf = (job: Job) => NAMES[job.kind] ?? job.kind
