import { useState } from 'react'
import { shownColour, type Notation } from '../../drawings/colour'
import { Choice } from '../../ui/controls'
import type { SceneProps } from '../frame/panel'

const LIGHTS = [
  { code: 'shade', label: 'open shade', tint: 'transparent' },
  { code: 'noon', label: 'noon sun', tint: 'rgb(255 250 220 / 0.34)' },
  { code: 'evening', label: 'low sun', tint: 'rgb(214 120 40 / 0.34)' },
  { code: 'lamp', label: 'a head lamp', tint: 'rgb(255 214 130 / 0.42)' },
] as const

/** A crumb and its reference under a light of one's choice: only open shade shows them as they are. */
export default function Scene({ readings }: SceneProps<'colour'>) {
  const [light, setLight] = useState<(typeof LIGHTS)[number]['code']>('noon')
  const tint = LIGHTS.find((each) => each.code === light)!.tint
  const patch = (notation: Notation | undefined, label: string) => (
    <span className="grow text-center text-sm">
      <span
        role="img"
        aria-label={label}
        className="block h-28 rounded-sm border border-strong-rule"
        style={{ background: `linear-gradient(${tint}, ${tint}), ${shownColour(notation ?? {})}` }}
      />
      {label}
    </span>
  )
  return (
    <>
      <Choice label="Looked at in" options={[...LIGHTS]} value={light} onChange={setLight} />
      <div className="flex gap-3">
        {patch(readings.sample, 'the sample, moist')}
        {patch(readings.reference, 'from under the fence')}
      </div>
      <p className="text-sm text-soft">Both on hue page {readings.sample?.hue}.</p>
    </>
  )
}
