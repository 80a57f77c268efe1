import { Framed } from '../../drawings/Framed'
import { Mottles } from '../../drawings/soil'
import type { SceneProps } from '../frame/panel'

/** The scraped face. */
export default function Scene({ readings, seed }: SceneProps<'mottling'>) {
  const { rustPct = 0, blackPct = 0, greyPct = 0 } = readings
  return (
    <Framed label="The scraped face, to be judged">
      <Mottles rust={rustPct} black={blackPct} grey={greyPct} seed={seed} />
    </Framed>
  )
}
