import type { ReadingsOf } from '../../api/readings'
import { useUnits } from '../../units/units'
import { Button, Choice, QuantityInput } from '../../ui/controls'
import { HALVES } from '../../units/halves'
import type { CaptureProps } from '../frame/panel'
import { useEntry, type Entry } from '../frame/entry'
import { PictureCapture } from '../frame/parts'
import { ShatterTray } from './ShatterTray'

type Layer = NonNullable<ReadingsOf<'structure'>['layers']>[number]
type StructureEntry = Entry<'structure'>

const SCORES = [1, 2, 3, 4, 5] as const

/** The spade block scored by what comes apart, layer by layer; or one of the other keys. */
export function StructureCapture(capture: CaptureProps<'structure'>) {
  const entry = useEntry(capture)
  const { readings, set } = entry
  const { key, layers } = readings
  return (
    <PictureCapture
      capture={capture}
      entry={entry}
      begun={readings.score !== undefined || layers !== undefined}
      instruction={key === 'drop-sort' ? entry.say('drop') : entry.say('open')}
      picture={
        key === 'spade-block' ? (
          <Blocks
            score={layers ? undefined : readings.score}
            words={(each) => entry.say(`score.${each}`)}
            onScore={(score) => set({ score, layers: undefined })}
          />
        ) : key === 'drop-sort' ? (
          <ShatterTray entry={entry} />
        ) : key === 'hand-break' ? (
          <Halves entry={entry} />
        ) : (
          <Choice {...entry.choice('squeeze')} />
        )
      }
    >
      <Choice
        {...entry.choice('key')}
        onChange={(code) =>
          set({ key: code, score: undefined, layers: undefined, fractions: undefined, squeeze: undefined })
        }
      />
      {key === 'spade-block' && <Layers entry={entry} />}
    </PictureCapture>
  )
}

function Halves({ entry }: { entry: StructureEntry }) {
  const { readings, set } = entry
  return (
    <Choice
      label={entry.say('break')}
      options={HALVES}
      value={readings.score === undefined ? undefined : String(readings.score)}
      onChange={(code) => set({ score: Number(code) })}
    />
  )
}

/** Five ways in which a block comes apart. */
function Blocks({
  score,
  words,
  onScore,
}: {
  score: number | undefined
  words: (score: (typeof SCORES)[number]) => string
  onScore: (score: number) => void
}) {
  return (
    <div role="radiogroup" aria-label="Score of the block" className="grid gap-1.5">
      {SCORES.map((each) => (
        <button
          key={each}
          type="button"
          role="radio"
          aria-checked={score !== undefined && Math.round(score) === each}
          onClick={() => onScore(each)}
          className="grid min-h-16 grid-cols-[6.5rem_2rem_1fr] items-center gap-3 rounded-sm border border-rule bg-paper px-2 text-left aria-checked:border-3 aria-checked:border-ink"
        >
          <svg viewBox="0 0 104 56" className="h-14" aria-hidden>
            <Pieces score={each} />
          </svg>
          <span className="text-2xl font-bold">{each}</span>
          <span className="leading-tight">{words(each)}</span>
        </button>
      ))}
    </div>
  )
}

/** From many small round crumbs to one angular slab. */
function Pieces({ score }: { score: number }) {
  const across = [1, 2, 3, 4, 5].indexOf(score)
  const columns = [10, 7, 4, 3, 1][across]!
  const rows = [5, 4, 3, 2, 1][across]!
  const width = 100 / columns
  const height = 52 / rows
  return (
    <g fill="var(--soil-2)" stroke="var(--soil-pale)" strokeWidth={1}>
      {Array.from({ length: columns * rows }, (_, i) => {
        const gap = score < 3 ? 0.75 : score < 5 ? 0.9 : 1
        const x = 2 + (i % columns) * width + (score < 3 ? ((i * 7) % 5) - 2 : 0)
        const y = 2 + Math.floor(i / columns) * height + (score < 3 ? ((i * 11) % 5) - 2 : 0)
        return (
          <rect
            key={i}
            x={x}
            y={y}
            width={width * gap}
            height={height * gap}
            rx={score < 3 ? Math.min(width, height) / 2 : score === 3 ? 4 : 0}
            transform={
              score === 4 ? `rotate(${((i * 13) % 9) - 4} ${x + width / 2} ${y + height / 2})` : undefined
            }
          />
        )
      })}
    </g>
  )
}

/** Layers that differ: each with its thickness and score, weighed together. */
function Layers({ entry }: { entry: StructureEntry }) {
  const { set } = entry
  const { layers } = entry.readings
  const units = useUnits()
  if (!layers)
    return (
      <Button
        kind="quiet"
        className="justify-self-start"
        onClick={() => set({ score: undefined, layers: [{}, {}] })}
      >
        The layers differ
      </Button>
    )
  const put = (i: number, part: Layer) =>
    set({ layers: layers.map((each, k) => (k === i ? { ...each, ...part } : each)) })
  const total = layers.reduce((sum, each) => sum + (each.thicknessMm ?? 0), 0)
  return (
    <div className="grid grid-cols-[auto_1fr] gap-4">
      <svg
        viewBox="0 0 60 200"
        className="w-16"
        role="img"
        aria-label={`${layers.length} layers, ${total} mm in all`}
      >
        {layers.map((each, i) => {
          const above = layers.slice(0, i).reduce((sum, one) => sum + (one.thicknessMm ?? 0), 0)
          const scale = total > 0 ? 200 / total : 0
          return (
            <g key={i}>
              <rect
                x="2"
                width="56"
                y={above * scale}
                height={(each.thicknessMm ?? 0) * scale}
                fill={`var(--soil-${Math.min(5, i + 1)})`}
                stroke="var(--paper)"
              />
              <text
                x="30"
                y={(above + (each.thicknessMm ?? 0) / 2) * scale + 6}
                textAnchor="middle"
                fontSize="18"
                fontWeight="700"
                fill="var(--paper)"
              >
                {each.thicknessMm ? each.score : ''}
              </text>
            </g>
          )
        })}
      </svg>
      <div className="grid content-start gap-3">
        {layers.map((each, i) => (
          <div key={i} className="grid grid-cols-[1fr_1fr_auto] items-end gap-2">
            <QuantityInput
              label={`Layer ${i + 1}, thick`}
              unit="mm"
              value={each.thicknessMm}
              onChange={(thicknessMm) => put(i, { thicknessMm })}
            />
            <QuantityInput
              label={entry.item('layers', 'score').label}
              unit=""
              value={each.score}
              onChange={(score) => put(i, { score })}
            />
            <Button
              kind="quiet"
              aria-label={`Remove layer ${i + 1}`}
              onClick={() =>
                set({ layers: layers.length > 1 ? layers.filter((_, k) => k !== i) : undefined })
              }
            >
              remove
            </Button>
          </div>
        ))}
        <Button className="justify-self-start" onClick={() => set({ layers: [...layers, {}] })}>
          One more layer
        </Button>
        {total > 0 && <p className="text-sm text-soft">{units.text(total, 'mm')} in all</p>}
      </div>
    </div>
  )
}
