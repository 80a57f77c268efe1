import { HALVES } from '../../units/halves'
import type { CaptureProps } from '../frame/panel'
import { useEntry } from '../frame/entry'
import { PictureCapture, pictureLook } from '../frame/parts'
import { Choice } from '../../ui/controls'
import { Shares } from '../frame/Shares'

const KINDS = [
  { name: 'rustPct', colour: '#b2602a' },
  { name: 'blackPct', colour: '#2a2522' },
  { name: 'greyPct', colour: '#8d9796' },
] as const
const CELLS = 200

/** A scraped face with its spots: drag nothing, type what share they cover, and see whether it looks like that. */
export function MottleCapture(capture: CaptureProps<'mottling'>) {
  const entry = useEntry(capture)
  const { readings, set } = entry
  const { label } = entry
  const shares = KINDS.map((kind) => readings[kind.name] ?? 0)
  const spots = KINDS.flatMap((kind, i) =>
    Array.from({ length: Math.round((Math.min(100, shares[i]!) / 100) * CELLS) }, (): string => kind.colour),
  ).slice(0, CELLS)
  return (
    <PictureCapture
      capture={capture}
      entry={entry}
      begun={Object.keys(readings).length > 0}
      instruction={entry.say('face')}
      picture={
        <svg
          viewBox="0 0 400 220"
          preserveAspectRatio={spots.length === 0 ? 'none' : undefined}
          className={pictureLook(spots.length === 0)}
          role="img"
          aria-label={KINDS.map((kind, i) => `${label(kind.name)} ${shares[i]} %`).join(', ')}
        >
          <rect width="400" height="220" fill="var(--soil-3)" />
          {spots.map((colour, i) => {
            // 73 and 200 share no factor: spots spread over the whole face
            const place = (i * 73) % CELLS
            return (
              <ellipse
                key={i}
                cx={10 + (place % 20) * 20 + ((i * 7) % 7) - 3}
                cy={11 + Math.floor(place / 20) * 22 + ((i * 11) % 7) - 3}
                rx="11"
                ry="9"
                fill={colour}
                transform={`rotate(${(i * 31) % 90} ${10 + (place % 20) * 20} ${11 + Math.floor(place / 20) * 22})`}
              />
            )
          })}
        </svg>
      }
    >
      <Shares
        parts={KINDS.map(({ name }) => ({ name, label: label(name) }))}
        readings={readings}
        onChange={(changed) => set({ ...changed, score: undefined })}
      />
      <Choice
        label={entry.say('score')}
        options={HALVES}
        value={readings.score === undefined ? undefined : String(readings.score)}
        onChange={(code) =>
          set({ score: Number(code), rustPct: undefined, blackPct: undefined, greyPct: undefined })
        }
      />
    </PictureCapture>
  )
}
