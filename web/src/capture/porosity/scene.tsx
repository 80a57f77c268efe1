import { Framed } from '../../drawings/Framed'
import { Pores } from '../../drawings/soil'
import type { SceneProps } from '../frame/panel'

/** A broken face. */
export default function Scene({ readings, seed }: SceneProps<'porosity'>) {
  return (
    <Framed label="A broken face, to be scored">
      <Pores score={readings.score ?? 0} seed={seed} />
    </Framed>
  )
}
