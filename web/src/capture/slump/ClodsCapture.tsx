import type { ReadingsOf } from '../../api/readings'
import { useNow } from '../../timers/clocks'
import { Button, Check, Input, Choice } from '../../ui/controls'
import type { CaptureProps } from '../frame/panel'
import { useEntry } from '../frame/entry'
import { PictureCapture } from '../frame/parts'

type Clod = NonNullable<ReadingsOf<'slump'>['clods']>[number]

/** Clods in strainers side by side: tap each until it shows what is left. */
export function ClodsCapture(capture: CaptureProps<'slump'>) {
  const { draft } = capture
  const entry = useEntry(capture, {
    meant: ({ clods }) => ({ clods: clods?.filter((each) => each.outcome) }),
  })
  const { places } = entry.method.groups
  const clods = entry.readings.clods ?? []
  const put = (next: Clod[]) => draft.change({ ...draft.content, readings: { clods: next } })
  const change = (i: number, part: Clod) =>
    put(clods.map((each, k) => (k === i ? { ...each, ...part } : each)))
  const outcomes = entry.item('clods', 'outcome').options
  const now = useNow()
  const { startedAt } = draft.content
  const elapsed = startedAt ? Math.round((now - Date.parse(startedAt)) / 6000) / 10 : undefined
  return (
    <PictureCapture
      capture={capture}
      entry={entry}
      begun={clods.some((each) => each.outcome)}
      instruction={entry.say('look')}
      picture={
        <ul className="grid grid-cols-2 gap-3">
          {clods.map((clod, i) => (
            <li key={i} className="grid gap-1.5">
              <button
                type="button"
                aria-label={`Clod ${i + 1}, ${clod.label ?? ''}: ${outcomes.find((each) => each.code === clod.outcome)?.label ?? 'not looked at'}`}
                onClick={() => {
                  const at = outcomes.findIndex((each) => each.code === clod.outcome)
                  change(i, {
                    outcome: outcomes[(at + 1) % outcomes.length]?.code,
                    minutes: clod.minutes ?? elapsed,
                  })
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
                label={entry.item('clods', 'dryAtStart').label}
                checked={clod.dryAtStart === true}
                onChange={(dryAtStart) => change(i, { dryAtStart })}
              />
              {clod.outcome !== undefined && (
                <Choice
                  label={entry.item('clods', 'inHand').label}
                  options={entry.item('clods', 'inHand').options}
                  value={clod.inHand}
                  onChange={(inHand) => change(i, { inHand })}
                />
              )}
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
        disabled={clods.length >= entry.method.drawn.mostClods}
        onClick={() => put([...clods, { label: places[clods.length], dryAtStart: true }])}
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
