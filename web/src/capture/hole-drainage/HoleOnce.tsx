import { useState } from 'react'
import type { Fault } from '../../api/client'
import type { Readings } from '../../api/readings'
import { Choice, QuantityInput } from '../../ui/controls'
import { faultAt } from '../../api/readings'

/** A hole left alone: when it was empty, or not yet. */
export function DrainOutEntry({ readings, set, faults }: EntryProps) {
  const still = readings.stillWaterAtMinutes !== undefined
  const [stillThere, setStillThere] = useState(still)
  return (
    <div className="grid gap-3">
      <Choice
        label="The hole"
        options={[
          { code: 'empty', label: 'is empty' },
          { code: 'still', label: 'still holds water' },
        ]}
        value={stillThere ? 'still' : 'empty'}
        onChange={(code) => {
          setStillThere(code === 'still')
          set({ minutesToEmpty: undefined, stillWaterAtMinutes: undefined })
        }}
      />
      {stillThere ? (
        <QuantityInput
          big
          label="After so many minutes"
          unit="min"
          value={readings.stillWaterAtMinutes as number | undefined}
          onChange={(minutes) => set({ stillWaterAtMinutes: minutes })}
          error={faultAt(faults, 'stillWaterAtMinutes')}
        />
      ) : (
        <QuantityInput
          big
          label="It took"
          unit="min"
          value={readings.minutesToEmpty as number | undefined}
          onChange={(minutes) => set({ minutesToEmpty: minutes })}
          error={readings.minutesToEmpty === undefined ? undefined : faultAt(faults, 'minutesToEmpty')}
        />
      )}
    </div>
  )
}

type EntryProps = {
  readings: Readings
  set: (changed: Readings) => void
  faults: Fault[] | undefined
}

/** Two levels and the time between them. */
export function QuickEntry({ readings, set, faults }: EntryProps) {
  const entry = (name: string, label: string, unit: string) => (
    <QuantityInput
      label={label}
      unit={unit}
      value={readings[name] as number | undefined}
      onChange={(value) => set({ [name]: value })}
      error={readings[name] === undefined ? undefined : faultAt(faults, name)}
    />
  )
  return (
    <div className="grid grid-cols-3 gap-3">
      {entry('startMm', 'Water first', 'mm')}
      {entry('endMm', 'Water then', 'mm')}
      {entry('minutes', 'Between', 'min')}
    </div>
  )
}
