import { useQuery } from '@tanstack/react-query'
import { ApiError } from '../api/client'
import { queries } from '../queries/queries'
import type { Stop } from '../api/schema'
import { useCore } from '../core/core'
import { Choice, Input, Labelled, QuantityInput } from '../ui/controls'
import { Notice } from '../ui/states'
import { useUnits } from '../units/units'

export type DayConditions = {
  soilMoisture?: string
  daysSinceRain?: number
  soilTempC?: number
  lastManagement?: string
  carbonAdded?: boolean
}

const YES_NO = [
  { code: 'yes', label: 'Yes' },
  { code: 'no', label: 'No' },
]

/** Faults of a refused visit by field. */
export function conditionsFaults(error: unknown): Record<string, string> {
  if (!(error instanceof ApiError)) return {}
  return Object.fromEntries(error.faults.map((fault) => [fault.field, fault.message]))
}

/** Moisture, rain, temperature and what was done last, with what to mind about them. */
export function ConditionsForm({
  day,
  visitedOn,
  stops,
  onChange,
  faults,
}: {
  day: DayConditions
  visitedOn: string
  stops: Stop[]
  onChange: (day: DayConditions) => void
  faults: Record<string, string>
}) {
  const units = useUnits()
  const core = useCore()
  const context = useQuery(queries.coreData()).data?.context ?? []
  const moisture = context.find((each) => each.name === 'soilMoisture')?.options ?? []
  const carbon = context.find((each) => each.name === 'carbonAddedLastAutumn')
  const south = stops.some((stop) => (stop.latitude ?? 0) < 0)
  const { soilMoisture, daysSinceRain, soilTempC } = day
  const warnings = core?.conditions({ soilMoisture, daysSinceRain, soilTempC }, visitedOn, south) ?? []
  return (
    <>
      <Choice
        label="Soil moisture, by hand"
        options={moisture}
        value={soilMoisture}
        onChange={(code) => onChange({ ...day, soilMoisture: code })}
        error={faults.soilMoisture}
      />
      <div className="grid grid-cols-2 gap-4">
        <QuantityInput
          label="Days since real rain"
          unit="d"
          value={daysSinceRain}
          onChange={(days) => onChange({ ...day, daysSinceRain: days })}
          error={faults.daysSinceRain}
        />
        <QuantityInput
          label="Soil temperature"
          unit="°C"
          value={soilTempC}
          onChange={(temp) => onChange({ ...day, soilTempC: temp })}
          error={faults.soilTempC}
        />
      </div>
      <Labelled label="Last thing done to the land" error={faults.lastManagement}>
        {(aria) => (
          <Input
            {...aria}
            value={day.lastManagement ?? ''}
            placeholder="ploughed, drilled, grazed …"
            onChange={(event) => onChange({ ...day, lastManagement: event.target.value || undefined })}
          />
        )}
      </Labelled>
      <Choice
        label={carbon?.label ?? 'Straw or wood dug in last autumn'}
        options={YES_NO}
        value={day.carbonAdded === undefined ? undefined : day.carbonAdded ? 'yes' : 'no'}
        onChange={(code) =>
          onChange({ ...day, carbonAdded: code === undefined ? undefined : code === 'yes' })
        }
        error={faults.carbonAdded}
      />
      {warnings.length > 0 && (
        <div className="grid gap-2" role="status">
          {warnings.map((note) => (
            <Notice key={note.code} severity="caution">
              {units.prose(note.text)}
            </Notice>
          ))}
        </div>
      )}
    </>
  )
}
