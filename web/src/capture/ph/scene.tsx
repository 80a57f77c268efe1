import { chipColour } from '../../drawings/colour'
import { Display } from '../../drawings/Display'
import { useUnits } from '../../units/units'
import type { SceneProps } from '../frame/panel'

/** The meter in each slice, or the vials of a kit. */
export default function Scene({ readings }: SceneProps<'ph'>) {
  const units = useUnits()
  const kit = readings.kind === 'vial-kit'
  return (
    <>
      <p>
        {kit
          ? 'In the bag: a kit with vials and chips. The meter stayed at home.'
          : 'In the bag: a pH meter for a slurry of equal parts.'}
      </p>
      <ul className="grid gap-1.5">
        {(readings.layers ?? []).map(({ topMm = 0, bottomMm = 0, value, chipLow = 7, chipHigh = 7 }, i) => (
          <li key={i} className="flex items-center gap-3">
            <span className="w-32 text-sm text-soft">
              {units.number(topMm, 'mm')}–{units.text(bottomMm, 'mm')}
            </span>
            {value === undefined ? (
              <span
                role="img"
                aria-label={`a vial whose colour lies between the chips ${chipLow} and ${chipHigh}`}
                className="h-11 w-24 rounded-b-2xl border-2 border-ink"
                style={{ background: chipColour((chipLow + chipHigh) / 2) }}
              />
            ) : (
              <Display>{value.toFixed(1)}</Display>
            )}
          </li>
        ))}
      </ul>
    </>
  )
}
