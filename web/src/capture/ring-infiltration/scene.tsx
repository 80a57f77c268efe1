import type { SceneProps } from '../frame/panel'

/** The ring and its bottle; the water sinks in the picture. */
export default function Scene({ readings }: SceneProps<'ring-infiltration'>) {
  return (
    <p>
      The ring is {readings.ringDiameterMm} mm wide; the bottle holds {readings.runs?.[0]?.volumeMl} mL for
      each run. Watch the water in the ring.
    </p>
  )
}
