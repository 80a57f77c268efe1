import type { SceneProps } from '../frame/panel'

/** How the hole was dug; its level falls in the picture. */
export default function Scene({ readings }: SceneProps<'hole-drainage'>) {
  return (
    <p>
      Dug {readings.holeDepthMm} mm deep and {readings.holeDiameterMm} mm wide, filled
      {readings.presoaked && ', and soaked the evening before'}. Read the ruler in the water.
    </p>
  )
}
