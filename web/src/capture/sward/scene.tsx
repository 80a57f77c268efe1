import { Framed } from '../../drawings/Framed'
import { Sward } from '../../drawings/plants'
import type { SceneProps } from '../frame/panel'

/** The sward in the quadrat. */
export default function Scene({ readings, seed }: SceneProps<'sward'>) {
  const { greenPct = 0, deadPct = 0, cloverPct = 0, speciesCount = 0 } = readings
  return (
    <>
      <Framed label="The sward in the quadrat, to be judged">
        <Sward green={greenPct} dead={deadPct} clover={cloverPct} seed={seed} />
      </Framed>
      <p>{speciesCount} kinds of plants, counted with care.</p>
    </>
  )
}
