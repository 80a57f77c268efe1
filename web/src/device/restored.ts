import { ApiError, write } from '../api/client'
import { heardTimers, rememberedVisit, type Job } from './device'

/**
 * A server that was put back to an earlier day does not know what was made since. What this device still holds of it is
 * made there again, so that the work that names it arrives.
 */

/** The write that makes again what the server does not know, or undefined where this device does not hold it. */
async function lost(missing: string | undefined, job: Job) {
  if (missing === 'visit' && job.kind !== 'visit') {
    const id =
      (job.body?.visitId as string | undefined) ?? new URLSearchParams(job.path.split('?')[1]).get('visit')
    const body = id ? await rememberedVisit(id) : undefined
    return body && { path: `/api/visits/${id}`, body: { ...body, version: 0 } }
  }
  if (missing === 'clock' || missing === 'step') {
    const timer = heardTimers()?.timers.find((each) => job.path.includes(each.id))
    if (!timer) return undefined
    const { id, visitId, stopId, measurementId, method, startedAt, steps } = timer
    return {
      path: `/api/timers/${id}`,
      body: {
        visitId,
        stopId,
        measurementId,
        method,
        startedAt,
        steps: steps.map(({ id: step, code, dueAt, toleranceSeconds }) => ({
          id: step,
          code,
          dueAt,
          toleranceSeconds,
        })),
      },
    }
  }
  return undefined
}

/**
 * Makes again what a refused write needs.
 *
 * @returns whether the write can be sent once more
 */
export async function madeAgain(job: Job, error: ApiError): Promise<boolean> {
  const needed = await lost(error.missing, job)
  if (!needed) return false
  try {
    await write('PUT', needed.path, needed.body)
    return true
  } catch (failure) {
    if (
      failure instanceof ApiError &&
      failure.missing === 'visit' &&
      needed.path.startsWith('/api/timers/')
    ) {
      // the clock's visit is gone too
      const visit = await rememberedVisit(needed.body.visitId as string)
      if (!visit) return false
      return (
        (await sent(`/api/visits/${needed.body.visitId as string}`, { ...visit, version: 0 })) &&
        (await sent(needed.path, needed.body))
      )
    }
    // known after all, in another version: enough to go on with
    return failure instanceof ApiError && failure.status === 409
  }
}

async function sent(path: string, body: Record<string, unknown>) {
  return write('PUT', path, body).then(
    () => true,
    () => false,
  )
}
