import { useUnits } from '../../units/units'
import type { SceneProps } from '../frame/panel'

/** Which tip is on the probe; it is pushed in the picture. */
export default function Scene({ readings }: SceneProps<'penetration'>) {
  const units = useUnits()
  return (
    <p>
      A tip of {units.text(readings.tipDiameterMm ?? 0, 'mm')} is on the probe; its dial has a scale for each
      of the two tips.
    </p>
  )
}
