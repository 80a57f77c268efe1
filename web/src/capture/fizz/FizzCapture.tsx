import { Choice } from '../../ui/controls'
import type { CaptureProps } from '../frame/panel'
import { useEntry } from '../frame/entry'
import { PictureCapture } from '../frame/parts'

/** A drop of acid on a crumb: what it looks like, and what is heard. */
export function FizzCapture(capture: CaptureProps<'fizz'>) {
  const entry = useEntry(capture)
  const { readings, set } = entry
  return (
    <PictureCapture
      capture={capture}
      entry={entry}
      begun={readings.seen !== undefined}
      instruction={entry.say('look')}
      picture={
        <div
          role="radiogroup"
          aria-label={entry.label('seen')}
          className="grid grid-cols-2 gap-2 sm:grid-cols-3"
        >
          {entry.options('seen').map((option, i) => (
            <button
              key={option.code}
              type="button"
              role="radio"
              aria-checked={readings.seen === option.code}
              onClick={() => set({ seen: option.code })}
              className="rounded-sm border border-rule bg-paper aria-checked:border-3 aria-checked:border-ink"
            >
              <svg viewBox="0 0 130 96" className="w-full" aria-hidden>
                <path d="M24 70 40 44 78 38 106 56 102 82 62 90Z" fill="var(--soil-2)" />
                <Foam strength={i} />
              </svg>
              <span className="block pb-2 font-semibold">{option.label}</span>
            </button>
          ))}
        </div>
      }
    >
      <Choice {...entry.choice('heard')} value={readings.heard ?? 'no'} />
      <Choice {...entry.choice('acid')} />
    </PictureCapture>
  )
}

function Foam({ strength }: { strength: number }) {
  const count = [0, 4, 14, 26, 46][strength] ?? 0
  const rise = [0, 4, 8, 20, 38][strength] ?? 0
  return (
    <g fill="var(--paper)" stroke="var(--strong-rule)" strokeWidth="0.8">
      {Array.from({ length: count }, (_, i) => (
        <circle
          key={i}
          cx={38 + ((i * 31) % 58)}
          cy={52 - ((i * 17) % Math.max(6, rise + 6)) + (i % 4)}
          r={2 + ((i * 7) % 4)}
        />
      ))}
    </g>
  )
}
