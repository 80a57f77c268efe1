import { useUnits } from '../../units/units'
import { words } from '../../words/dates'
import type { SceneProps } from '../frame/panel'

/** What moved in the quadrat. */
export default function Scene({ readings }: SceneProps<'surface-life'>) {
  const units = useUnits()
  return (
    <p>
      In two minutes, within {units.text(readings.quadratAreaM2 ?? 0, 'm²')}:{' '}
      {Object.entries(readings.counts ?? {})
        .map(([name, count]) => `${count} × ${words(name)}`)
        .join(', ')}
      .
    </p>
  )
}
