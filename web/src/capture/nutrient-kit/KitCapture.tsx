import { range } from 'd3-array'
import type { CaptureProps } from '../frame/panel'
import { useEntry } from '../frame/entry'
import { PictureCapture } from '../frame/parts'

const NUTRIENTS = ['n', 'p', 'k'] as const
const INK: Record<(typeof NUTRIENTS)[number], string> = { n: '#8b2c5b', p: '#2f6288', k: '#7a5a1e' }

/** Vials beside their chips: the step of each nutrient, halves where a colour lies between two. */
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
              <fieldset key={name} className="grid grid-cols-[4rem_1fr] items-center gap-3">
                <legend className="mb-1">
                  {label(name)}
                  {step !== undefined && <strong> {`${step} of ${most}`}</strong>}
                </legend>
                <svg viewBox="0 0 60 96" className="w-14" aria-hidden>
                  <path
                    d="M16 8H44V80Q44 90 30 90T16 80Z"
                    fill="var(--paper)"
                    stroke="var(--ink)"
                    strokeWidth="2.5"
                  />
                  <path
                    d="M18 30H42V80Q42 88 30 88T18 80Z"
                    fill={INK[name]}
                    opacity={step === undefined ? 0.08 : 0.12 + 0.2 * step}
                  />
                </svg>
                <div className="grid grid-cols-5 gap-1.5">
                  {range(most + 1).map((chip) => (
                    <button
                      key={chip}
                      type="button"
                      aria-pressed={step !== undefined && Math.abs(step - chip) <= 0.5}
                      aria-label={`${label(name)}, chip ${chip}`}
                      onClick={() => tap(chip)}
                      className="relative min-h-14 overflow-hidden rounded-full border-3 border-rule bg-paper font-bold aria-pressed:border-ink"
                    >
                      <span
                        aria-hidden
                        className="absolute inset-0"
                        style={{ background: INK[name], opacity: 0.08 + 0.12 * chip }}
                      />
                      <span className="relative">{chip}</span>
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
