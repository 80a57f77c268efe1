import { range } from 'd3-array'
import type { CaptureProps } from '../frame/panel'
import { useEntry } from '../frame/entry'
import { PictureCapture } from '../frame/parts'

const NUTRIENTS = ['n', 'p', 'k'] as const
const STEPS = ['step-0', 'step-1', 'step-2', 'step-3', 'step-4'] as const
/** How full each nutrient stands, in five steps that rise; halves where a colour lies between two. */
export function KitCapture(capture: CaptureProps<'nutrient-kit'>) {
  const entry = useEntry(capture)
  const { readings, set } = entry
  const { label } = entry
  const most = entry.method.readings.find((each) => each.name === 'n')?.max ?? 4
  return (
    <PictureCapture
      capture={capture}
      entry={entry}
      begun={NUTRIENTS.some((name) => readings[name] !== undefined)}
      instruction={entry.say('chips')}
      picture={
        <div className="grid gap-4">
          {NUTRIENTS.map((name) => {
            const step = readings[name]
            const tap = (chip: number) =>
              // a neighbour of the chip that is on means: between the two
              set({ [name]: step !== undefined && Math.abs(step - chip) === 1 ? (step + chip) / 2 : chip })
            return (
              <fieldset key={name} className="grid gap-1.5">
                <legend className="mb-1">
                  <strong>{label(name)}</strong>
                  {step !== undefined && (
                    <span>
                      {' '}
                      {step} of {most}, {entry.say(STEPS[Math.floor(step)]!)}
                      {step % 1 !== 0 && ` to ${entry.say(STEPS[Math.ceil(step)]!)}`}
                    </span>
                  )}
                </legend>
                <div className="grid grid-cols-5 gap-1.5">
                  {range(most + 1).map((chip) => (
                    <button
                      key={chip}
                      type="button"
                      aria-pressed={step !== undefined && Math.abs(step - chip) <= 0.5}
                      aria-label={`${label(name)}, step ${chip}, ${entry.say(STEPS[chip]!)}`}
                      onClick={() => tap(chip)}
                      className="grid min-h-14 justify-items-center gap-0.5 rounded-sm border border-rule bg-paper p-1 text-sm aria-pressed:border-3 aria-pressed:border-ink aria-pressed:font-bold"
                    >
                      <svg viewBox="0 0 40 36" className="h-9" aria-hidden>
                        <rect
                          x="10"
                          y={34 - (30 * chip) / most}
                          width="20"
                          height={(30 * chip) / most}
                          fill="var(--ink)"
                          opacity="0.7"
                        />
                        <path d="M10 2V34H30V2" fill="none" stroke="var(--ink)" strokeWidth="2" />
                      </svg>
                      {entry.say(STEPS[chip]!)}
                    </button>
                  ))}
                </div>
              </fieldset>
            )
          })}
        </div>
      }
    />
  )
}
