import { useState } from 'react'
import { Dial } from '../../drawings/Dial'
import { Button } from '../../ui/controls'
import { useUnits } from '../../units/units'
import type { Reading } from './digits'

/** The probe of the training ground: pushed on from depth to depth, its dial to be read. */
export function PushedProbe({ readings }: { readings: Reading[] }) {
  const units = useUnits()
  const [step, setStep] = useState(-1)
  const here = readings[step]
  return (
    <div className="grid gap-2">
      <Dial
        kPa={here?.kPa ?? 0}
        label={here ? `The needle at ${Math.round(here.kPa / 20) / 5} outside` : 'The needle at rest'}
      />
      <p className="text-center" aria-live="polite">
        {here ? `at ${units.text(here.depthMm, 'mm')}` : 'on the surface'}; the tip on it is 12.7 mm
      </p>
      <Button className="min-h-13" disabled={step >= readings.length - 1} onClick={() => setStep(step + 1)}>
        {step >= readings.length - 1
          ? 'It goes no deeper'
          : `Push on to ${units.text(readings[step + 1]!.depthMm, 'mm')}`}
      </Button>
    </div>
  )
}
