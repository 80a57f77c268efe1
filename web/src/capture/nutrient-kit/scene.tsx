import { Framed } from '../../drawings/Framed'
import { Vial } from '../../drawings/water'
import type { SceneProps } from '../frame/panel'

const NUTRIENTS = ['n', 'p', 'k'] as const

/** The three vials. */
export default function Scene({ readings }: SceneProps<'nutrient-kit'>) {
  return (
    <Framed label="Three vials to be held against the card">
      {NUTRIENTS.map((name, i) => (
        <Vial key={name} step={readings[name] ?? 0} label={name.toUpperCase()} x={46 + i * 112} />
      ))}
    </Framed>
  )
}
