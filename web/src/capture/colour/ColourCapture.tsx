import { useState } from 'react'
import { shownColour } from '../../drawings/colour'
import { Check, Choice } from '../../ui/controls'
import type { ReadingsOf } from '../../api/readings'
import type { CaptureProps } from '../frame/panel'
import { useEntry } from '../frame/entry'
import { PictureCapture } from '../frame/parts'
import { PhotoKey } from '../photo/PhotoKey'
import { usePhoto } from '../photo/usePhoto'
import { ColourPhoto, type Chip } from './ColourPhoto'

type Colour = NonNullable<ReadingsOf<'colour'>['sample']>
type Reference = NonNullable<ReadingsOf<'colour'>['reference']>

const VALUES = [8, 7, 6, 5, 4, 3, 2]
const CHROMAS = [1, 2, 3, 4, 6, 8]
/** A colour page to pick hue, value and chroma from, for the sample and for the reference beside it. */
export function ColourCapture(capture: CaptureProps<'colour'>) {
  const entry = useEntry(capture)
  const { readings, set } = entry
  const [side, setSide] = useState<'sample' | 'reference'>('sample')
  const sample: Colour = readings.sample ?? {}
  const reference: Reference = readings.reference ?? {}
  const colour = side === 'sample' ? sample : reference
  const photo = usePhoto(capture.draft)
  const hue = colour.hue ?? sample.hue ?? '10YR'
  const put = (part: Colour) => {
    const next = { hue, ...colour, ...part }
    set({ [side]: side === 'reference' ? { moist: true, sameSoil: true, ...next } : next })
  }
  const hues = entry.item('sample', 'hue').options
  const named = (one: Colour) =>
    one.value === undefined ? 'not picked yet' : `${one.hue} ${one.value}/${one.chroma}`
  return (
    <PictureCapture
      capture={capture}
      entry={entry}
      begun={sample.value !== undefined}
      instruction={side === 'sample' ? entry.say('sample') : entry.say('reference')}
      picture={
        photo.open ? (
          <ColourPhoto
            onTake={(chip, pictures, proposal) => {
              put(chip as Chip & Colour)
              // a reference is no reading of the soil
              photo.taken(pictures, side === 'sample' ? proposal : undefined)
            }}
            onLeave={photo.leave}
          />
        ) : (
          <div className="grid gap-2">
            <div className="flex flex-wrap gap-1.5" role="radiogroup" aria-label="Hue">
              {hues.map((option) => (
                <button
                  key={option.code}
                  type="button"
                  role="radio"
                  aria-checked={hue === option.code}
                  onClick={() => put({ hue: option.code })}
                  className="min-h-11 rounded-sm border border-strong-rule bg-paper px-3 font-medium aria-checked:bg-ink aria-checked:text-paper"
                >
                  {option.label}
                </button>
              ))}
            </div>
            <table className="w-full max-w-[30rem] table-fixed text-center">
              <caption className="text-left text-sm text-soft">
                Value down (dark at the foot), chroma across
              </caption>
              <tbody>
                {VALUES.map((value) => (
                  <tr key={value}>
                    <th scope="row" className="w-7 text-sm font-normal text-soft">
                      {value}
                    </th>
                    {CHROMAS.map((chroma) => (
                      <td key={chroma} className="p-0.5">
                        <button
                          type="button"
                          aria-label={`${hue} ${value}/${chroma}`}
                          aria-pressed={
                            colour.value === value && colour.chroma === chroma && hue === colour.hue
                          }
                          onClick={() => put({ value, chroma })}
                          className="h-11 w-full rounded-[46%_54%_50%_50%/52%_46%_54%_48%] border-3 border-transparent aria-pressed:border-ink"
                          style={{ background: shownColour({ hue, value, chroma }) }}
                        />
                      </td>
                    ))}
                  </tr>
                ))}
                <tr aria-hidden>
                  <td />
                  {CHROMAS.map((chroma) => (
                    <td key={chroma} className="text-sm text-soft">
                      {chroma}
                    </td>
                  ))}
                </tr>
              </tbody>
            </table>
          </div>
        )
      }
    >
      <PhotoKey photo={photo} />
      <div className="grid grid-cols-2 gap-2" role="group" aria-label="What is compared">
        {(
          [
            ['sample', entry.label('sample'), sample],
            ['reference', entry.label('reference'), reference],
          ] as const
        ).map(([code, label, one]) => (
          <button
            key={code}
            type="button"
            aria-pressed={side === code}
            onClick={() => setSide(code)}
            className="overflow-hidden rounded-sm border border-strong-rule bg-paper text-left aria-pressed:border-3 aria-pressed:border-ink"
          >
            <span
              className="block h-24"
              style={{
                background:
                  one.value === undefined
                    ? 'repeating-linear-gradient(45deg, var(--rule) 0 2px, var(--paper) 2px 8px)'
                    : shownColour(one),
              }}
            />
            <span className="block px-2 py-1.5">
              {label}
              <span className="block font-semibold">{named(one)}</span>
            </span>
          </button>
        ))}
      </div>
      <Check
        {...entry.flag('moist')}
        onChange={(moist) =>
          set({ moist, ...(readings.reference !== undefined && { reference: { ...reference, moist } }) })
        }
      />
      {reference.value !== undefined && (
        <Check
          label={entry.item('reference', 'sameSoil').label}
          checked={reference.sameSoil !== false}
          onChange={(sameSoil) => set({ reference: { ...reference, sameSoil } })}
        />
      )}
      <Choice {...entry.choice('rule')} value={readings.rule ?? 'as-dark'} />
    </PictureCapture>
  )
}
