import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import type { Fix, Stop } from '../api/schema'
import { keep } from '../device/outbox'
import { wayTo } from '../geo/geo'
import { whereAmI } from '../geo/where'
import { Button } from '../ui/controls'
import { useUnits } from '../units/units'

/** So near, a stop counts as found again. */
const AT_IT_M = 5

/** At a stop: how far and which way it is from where this device is; the place stood on is kept with its accuracy. */
export function StandHere({ visit, stop, fixes }: { visit: string; stop: Stop; fixes: Fix[] }) {
  const units = useUnits()
  const [state, setState] = useState<{ looking?: boolean; error?: string }>({})
  const last = fixes.filter((fix) => fix.stopId === stop.id).at(-1)
  const look = async () => {
    setState({ looking: true })
    try {
      const { point, accuracyM, at } = await whereAmI()
      const id = uuid()
      await keep({
        kind: 'fix',
        target: id,
        path: `/api/fixes/${id}`,
        body: {
          visitId: visit,
          stopId: stop.id,
          longitude: point[0],
          latitude: point[1],
          accuracyM,
          takenAt: at,
        },
        label: `Place at ${stop.label}`,
      })
      setState({})
    } catch (error) {
      setState({ error: (error as Error).message })
    }
  }
  const way =
    last && stop.longitude !== undefined && stop.latitude !== undefined
      ? wayTo([last.longitude, last.latitude], [stop.longitude, stop.latitude])
      : undefined
  return (
    <span className="flex flex-wrap items-center gap-x-3">
      {last && (
        <span role="status">
          {way === undefined ? (
            'Place kept'
          ) : way.metres <= AT_IT_M ? (
            <b>Within {units.text(AT_IT_M, 'm')} of it</b>
          ) : (
            <b>
              {units.text(Math.round(way.metres), 'm')} to the {way.word} ({Math.round(way.bearing)}°)
            </b>
          )}
          <span className="text-soft"> ± {units.text(last.accuracyM, 'm')}</span>
        </span>
      )}
      <Button kind="quiet" disabled={state.looking} onClick={() => void look()}>
        {state.looking
          ? 'Looking …'
          : last
            ? 'Look again'
            : way || stop.longitude !== undefined
              ? 'How far is it?'
              : 'Keep where I stand'}
      </Button>
      {state.error && (
        <span role="alert" className="text-sm text-failing">
          {state.error}
        </span>
      )}
    </span>
  )
}
