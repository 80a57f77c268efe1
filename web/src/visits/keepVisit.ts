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

/** A visit as it is written again, with some of it changed: what is not named stays. */
export function changed(visit: Visit, change: Partial<VisitWrite>): VisitWrite {
  const {
    fieldId,
    visitedOn,
    soilMoisture,
    daysSinceRain,
    soilTempC,
    lastManagement,
    carbonAdded,
    note,
    tests,
    version,
  } = visit
  return {
    fieldId,
    visitedOn,
    soilMoisture,
    daysSinceRain,
    soilTempC,
    lastManagement,
    carbonAdded,
    note,
    tests,
    version,
    ...change,
  }
}
