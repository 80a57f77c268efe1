import type { SceneProps } from '../frame/panel'

/** What the ruler and the thermometer read; the jar settles in the picture. */
export default function Scene({ readings }: SceneProps<'texture-jar'>) {
  return (
    <p>
      Shaken and set down: {readings.waterColumnMm} mm of water over the base, {readings.waterTempC} °C, a
      dispersant in it.
    </p>
  )
}
