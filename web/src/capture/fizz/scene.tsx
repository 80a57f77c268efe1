import { Framed } from '../../drawings/Framed'
import { Fizzing } from '../../drawings/water'
import type { SceneProps } from '../frame/panel'

/** A crumb under acid. */
export default function Scene({ readings, seed }: SceneProps<'fizz'>) {
  return (
    <>
      <Framed label="A crumb under two drops of acid">
        <Fizzing seen={readings.seen ?? 'nothing'} seed={seed} />
      </Framed>
      <p>
        Ten percent acid.{' '}
        {readings.heard === 'no' ? 'Held to the ear: silence.' : 'Held to the ear it crackles clearly.'}
      </p>
    </>
  )
}
