import { Framed } from '../../drawings/Framed'
import { Ground } from '../../drawings/soil'
import type { SceneProps } from '../frame/panel'

/** The ground in the quadrat. */
export default function Scene({ readings, seed }: SceneProps<'ground-cover'>) {
  const { livingPct = 0, litterPct = 0, stonePct = 0, barePct = 0 } = readings
  return (
    <Framed label="The ground in the quadrat, to be judged">
      <Ground living={livingPct} litter={litterPct} stone={stonePct} bare={barePct} seed={seed} />
    </Framed>
  )
}
