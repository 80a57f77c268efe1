import { HALVES } from '../../units/halves'
import type { CaptureProps } from '../frame/panel'
import { useEntry } from '../frame/entry'
import { PictureCapture } from '../frame/parts'

const STEPS = ['score.0', 'score.1', 'score.2'] as const

/** What is judged by eye, nose or finger in halves from 0 to 2: one tap, its words beside it. */
export function ScaleCapture(capture: CaptureProps<'porosity' | 'smell' | 'finger-stain'>) {
  const entry = useEntry(capture)
  const { score } = entry.readings
  return (
    <PictureCapture
      capture={capture}
      entry={entry}
      begun={score !== undefined}
      instruction={capture.method.steps.at(-1) ?? capture.method.purpose}
      picture={
        <div role="radiogroup" aria-label={capture.method.title} className="grid gap-1.5">
          {[...HALVES]
            .reverse()
            .map(({ code }) => Number(code))
            .map((each) => (
              <button
                key={each}
                type="button"
                role="radio"
                aria-checked={score === each}
                onClick={() => entry.set({ score: each })}
                className="flex min-h-14 items-center gap-4 rounded-sm border border-rule bg-paper px-4 text-left aria-checked:border-3 aria-checked:border-ink"
              >
                <span className="w-10 text-2xl font-bold">{each}</span>
                <span>
                  {Number.isInteger(each) ? (
                    entry.say(STEPS[each] ?? 'score.1')
                  ) : (
                    <span className="text-soft">between the two</span>
                  )}
                </span>
              </button>
            ))}
        </div>
      }
    />
  )
}
