import { Display } from '../../drawings/Display'
import type { SceneProps } from '../frame/panel'

/** The probe in the slurry. */
export default function Scene({ readings }: SceneProps<'salinity'>) {
  return (
    <ul className="grid gap-1.5">
      {(readings.readings ?? []).map((value, i) => (
        <li key={i} className="flex items-center gap-3">
          <span className="w-32 text-sm text-soft">stirred, look {i + 1}</span>
          <Display>{value.toFixed(2)} dS/m</Display>
        </li>
      ))}
      <li className="text-sm text-soft">One part of soil to one of water; the probe allows for warmth.</li>
    </ul>
  )
}
