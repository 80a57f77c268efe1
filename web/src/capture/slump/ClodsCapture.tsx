import { useNow } from '../../timers/clocks'
import { Button, Check, Input } from '../../ui/controls'
import type { CaptureProps } from '../frame/panel'
import { PictureCapture, useEntry } from '../frame/parts'

type Clod = {
  label?: string
  dryAtStart?: boolean
  minutes?: number
  outcome?: string
  mouldableAfter?: boolean
}

const PLACES = ['here', 'under the hedge', 'wheel track', 'good patch']
const MOST = 4
const OUTCOMES = ['keeps-shape', 'softens', 'slumps', 'splatters']

/** Clods in strainers side by side: tap each until it shows what is left. */
export function ClodsCapture(capture: CaptureProps) {
  const { draft } = capture
  const clods = (draft.content.readings.clods as Clod[] | undefined) ?? [
    { label: PLACES[0], dryAtStart: true },
  ]
  const entry = useEntry({
    ...capture,
    draft: {
      ...draft,
      content: { ...draft.content, readings: { clods: clods.filter((each) => each.outcome) } },
    },
  })
  const put = (next: Clod[]) => draft.change({ ...draft.content, readings: { clods: next } })
  const change = (i: number, part: Clod) =>
    put(clods.map((each, k) => (k === i ? { ...each, ...part } : each)))
  const outcomes = capture.method.readings[0]!.items.find((each) => each.name === 'outcome')!.options
  const now = useNow()
  const { startedAt } = draft.content
  const elapsed = startedAt ? Math.round((now - Date.parse(startedAt)) / 6000) / 10 : undefined
  return (
    <PictureCapture
      capture={capture}
      entry={entry}
      begun={clods.some((each) => each.outcome)}
      instruction="Lower them in together. After five minutes tap each until it looks like what is left."
      picture={
        <ul className="grid grid-cols-2 gap-3">
          {clods.map((clod, i) => (
            <li key={i} className="grid gap-1.5">
              <button
                type="button"
                aria-label={`Clod ${i + 1}, ${clod.label ?? ''}: ${outcomes.find((each) => each.code === clod.outcome)?.label ?? 'not looked at'}`}
                onClick={() => {
                  const next = OUTCOMES[(OUTCOMES.indexOf(clod.outcome ?? '') + 1) % OUTCOMES.length]
                  change(i, { outcome: next, minutes: clod.minutes ?? elapsed })
                }}
                className="rounded-sm border border-rule bg-paper"
              >
                <Strainer outcome={clod.outcome} />
                <span className="block pb-2 font-semibold">
                  {outcomes.find((each) => each.code === clod.outcome)?.label ?? 'tap when looked at'}
                </span>
              </button>
              <Input
                aria-label={`Where clod ${i + 1} is from`}
                value={clod.label ?? ''}
                onChange={(event) => change(i, { label: event.target.value || undefined })}
              />
              <Check
                label="dry at the start"
                checked={clod.dryAtStart === true}
                onChange={(dryAtStart) => change(i, { dryAtStart })}
              />
              <Check
                label="can be moulded after"
                checked={clod.mouldableAfter === true}
                onChange={(mouldableAfter) => change(i, { mouldableAfter })}
              />
              {clods.length > 1 && (
                <Button
                  kind="quiet"
                  className="justify-self-start"
                  onClick={() => put(clods.filter((_, k) => k !== i))}
                >
                  Remove it
                </Button>
              )}
            </li>
          ))}
        </ul>
      }
    >
      <Button
        className="justify-self-start"
        disabled={clods.length >= MOST}
        onClick={() => put([...clods, { label: PLACES[clods.length], dryAtStart: true }])}
      >
        One more strainer
      </Button>
    </PictureCapture>
  )
}

/** A strainer hung in water with what is left of its clod. */
function Strainer({ outcome }: { outcome: string | undefined }) {
  return (
    <svg viewBox="0 0 160 130" className="w-full" aria-hidden>
      <rect x="6" y="34" width="148" height="92" fill="var(--water)" opacity="0.35" />
      {outcome === 'splatters' && <ellipse cx="80" cy="118" rx="60" ry="7" fill="var(--soil-3)" />}
      {outcome === 'slumps' && (
        <path d="M44 84Q80 52 116 84Q112 96 80 98 48 96 44 84Z" fill="var(--soil-2)" />
      )}
      {outcome === 'softens' && (
        <path d="M50 72Q54 46 82 46 112 48 110 72 108 92 80 94 52 92 50 72Z" fill="var(--soil-2)" />
      )}
      {(outcome === 'keeps-shape' || !outcome) && (
        <path
          d="M54 62 66 42 94 40 110 58 104 84 80 92 58 84Z"
          fill="var(--soil-2)"
          opacity={outcome ? 1 : 0.4}
        />
      )}
      <path
        d="M22 40Q26 104 80 106 134 104 138 40"
        fill="none"
        stroke="var(--ink)"
        strokeWidth="2.5"
        strokeDasharray="3 3"
      />
      <path d="M10 40H150" stroke="var(--ink)" strokeWidth="4" />
    </svg>
  )
}
