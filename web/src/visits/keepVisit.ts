import type { Visit, VisitWrite } from '../api/schema'
import { keep } from '../device/outbox'

/** Writes a visit: on this device first, then to the server. */
export function keepVisit(id: string, body: VisitWrite) {
  return keep<Visit>({
    kind: 'visit',
    target: id,
    path: `/api/visits/${id}`,
    body: body,
    label: 'Visit',
  })
}
