import { useQuery } from '@tanstack/react-query'
import { useMemo } from 'react'
import { queries } from '../queries/queries'
import { bodyOf, useJobs } from '../device/device'
import { visitFrom, withKept, type ShownVisit } from '../device/overlay'

/** A visit with what is kept on this device and not sent yet; also one that is on this device only. */
export function useVisit(id: string) {
  const jobs = useJobs()
  const begun = jobs.find((job) => job.kind === 'visit' && job.target === id)
  const fieldId = begun && bodyOf(begun, 'visit')?.fieldId
  const visit = useQuery(queries.visit(id))
  const methods = useQuery(queries.methods()).data
  const field = useQuery({ ...queries.field(fieldId ?? ''), enabled: fieldId !== undefined })
  const person = useQuery(queries.session()).data?.me?.name ?? ''
  const view = useMemo((): ShownVisit | undefined => {
    const base = visit.data ?? (begun && field.data ? visitFrom(begun, field.data, person) : undefined)
    return base && withKept(base, jobs, methods ?? [])
  }, [visit.data, begun, field.data, person, jobs, methods])
  return { view, methods, error: view ? undefined : visit.error, refetch: visit.refetch }
}
