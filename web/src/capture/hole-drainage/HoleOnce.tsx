import { useState } from 'react'
import { faultAt } from '../../api/readings'
import { Choice, QuantityInput } from '../../ui/controls'
import type { Entry } from '../frame/entry'

type HoleEntry = Entry<'hole-drainage'>

/** A hole left alone: when it was empty, or not yet. */
export function DrainOutEntry({ entry }: { entry: HoleEntry }) {
  const { readings, set, live } = entry
  const [stillThere, setStillThere] = useState(readings.stillWaterAtMinutes !== undefined)
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
          {...entry.quantity('stillWaterAtMinutes')}
          error={faultAt(live?.faults, 'stillWaterAtMinutes')}
        />
      ) : (
        <QuantityInput
          big
          {...entry.quantity('minutesToEmpty')}
          error={readings.minutesToEmpty === undefined ? undefined : faultAt(live?.faults, 'minutesToEmpty')}
        />
      )}
    </div>
  )
}

/** Two levels and the time between them. */
export function QuickEntry({ entry }: { entry: HoleEntry }) {
  return (
    <div className="grid grid-cols-3 gap-3">
      {(['startMm', 'endMm', 'minutes'] as const).map((name) => (
        <QuantityInput
          key={name}
          {...entry.quantity(name)}
          error={entry.readings[name] === undefined ? undefined : faultAt(entry.live?.faults, name)}
        />
      ))}
    </div>
  )
}
