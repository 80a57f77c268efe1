import { useUnits } from '../../units/units'
import type { SceneProps } from '../frame/panel'

/** How the blocks were dug; they are broken in the picture. */
export default function Scene({ readings }: SceneProps<'earthworms'>) {
  const units = useUnits()
  const { lengthMm = 0, widthMm = 0, depthMm = 0 } = readings.blocks?.[0] ?? {}
  return (
    <p>
      Blocks of {units.number(lengthMm, 'mm')} by {units.text(widthMm, 'mm')}, {units.text(depthMm, 'mm')}{' '}
      deep, dug and laid on a sheet.
    </p>
  )
}
