import { Framed } from '../../drawings/Framed'
import { Fragments } from '../../drawings/soil'
import { useUnits } from '../../units/units'
import type { SceneProps } from '../frame/panel'

/** The opened block, part by part. */
export default function Scene({ readings, seed }: SceneProps<'structure'>) {
  const units = useUnits()
  return (readings.layers ?? []).map((layer, i) => (
    <figure key={i}>
      <figcaption className="text-sm text-soft">
        {i === 0 ? 'upper part' : 'lower part'}, {units.text(layer.thicknessMm ?? 0, 'mm')}
      </figcaption>
      <Framed label="The opened block, to be scored">
        <Fragments score={layer.score ?? 1} seed={seed + i} />
      </Framed>
    </figure>
  ))
}
