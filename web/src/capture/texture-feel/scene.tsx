import { Framed } from '../../drawings/Framed'
import { Ribbon } from '../../drawings/soil'
import type { SceneProps } from '../frame/panel'

const FELT: Record<string, string> = {
  gritty: 'grains scratch and crunch.',
  smooth: 'it slides like flour paste.',
  neither: 'some grains, some slip: nothing stands out.',
}

/** The ball, the ribbon, and how it feels. */
export default function Scene({ readings }: SceneProps<'texture-feel'>) {
  const { formsBall, formsRibbon, ribbonMm = 0, feel } = readings
  return (
    <>
      {formsBall === false ? (
        <p>It runs through the fingers; no ball holds.</p>
      ) : formsRibbon === false ? (
        <p>It holds as a ball, and falls apart when it is pressed out.</p>
      ) : (
        <Framed label="The ribbon beside a ruler in mm">
          <Ribbon mm={ribbonMm} rough={feel === 'gritty'} />
        </Framed>
      )}
      {feel && <p>Rubbed wet in the palm, {FELT[feel] ?? ''}</p>}
    </>
  )
}
