import { Framed } from '../../drawings/Framed'
import { Finger } from '../../drawings/soil'
import type { SceneProps } from '../frame/panel'

/** The finger that rubbed the moist soil. */
export default function Scene({ readings }: SceneProps<'finger-stain'>) {
  return (
    <Framed label="The finger that rubbed it">
      <Finger score={readings.score ?? 0} />
    </Framed>
  )
}
