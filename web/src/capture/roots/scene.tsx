import { Framed } from '../../drawings/Framed'
import { RootFace } from '../../drawings/soil'
import { words } from '../../words/dates'
import type { SceneProps } from '../frame/panel'

/** The shaved face with its roots. */
export default function Scene({ readings, seed }: SceneProps<'roots'>) {
  const { eightyPctDepthMm = 0, deepestMm = 0, bent = false, barrier = 'none', nodules } = readings
  return (
    <>
      <Framed label="Roots in the shaved face, with a ruler in mm">
        <RootFace mostMm={eightyPctDepthMm} deepestMm={deepestMm} bent={bent} barrier={barrier} seed={seed} />
      </Framed>
      {nodules && <p>Legumes stand in it; on their roots: {words(nodules)} nodules.</p>}
    </>
  )
}
