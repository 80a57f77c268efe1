import { Framed } from '../../drawings/Framed'
import { Leaves } from '../../drawings/plants'
import type { SceneProps } from '../frame/panel'

/** Plants with their signs. */
export default function Scene({ readings }: SceneProps<'leaf-colour'>) {
  return (
    <div className="grid grid-cols-2 gap-2">
      {(readings.signs ?? []).map((sign) => (
        <Framed key={sign} label="A plant of this crop">
          <Leaves sign={sign} />
        </Framed>
      ))}
    </div>
  )
}
