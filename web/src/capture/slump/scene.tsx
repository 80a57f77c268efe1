import { Framed } from '../../drawings/Framed'
import { Clod } from '../../drawings/water'
import type { SceneProps } from '../frame/panel'

/** What is left of the clods. */
export default function Scene({ readings, seed }: SceneProps<'slump'>) {
  return (readings.clods ?? []).map((clod, i) => (
    <Framed key={i} label="A clod after five minutes in water">
      <Clod outcome={clod.outcome ?? 'softens'} seed={seed} />
    </Framed>
  ))
}
