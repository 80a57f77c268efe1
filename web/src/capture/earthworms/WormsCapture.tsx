import { useState } from 'react'
import type { ReadingsOf } from '../../api/readings'
import { useUnits } from '../../units/units'
import { Worm } from '../../drawings/Worm'
import { Button, QuantityInput } from '../../ui/controls'
import { useScene, type CaptureProps } from '../frame/panel'
import { useEntry } from '../frame/entry'
import { Count, PictureCapture, pictureLook } from '../frame/parts'
import { BrokenBlock } from './BrokenBlock'

type Block = NonNullable<ReadingsOf<'earthworms'>['blocks']>[number]

const SHOWN = 24

/** Worms, block by block: big keys while the hands are muddy, or typed counts. */
export function WormsCapture(capture: CaptureProps<'earthworms'>) {
  const { draft } = capture
  const units = useUnits()
  const entry = useEntry(capture, {
    meant: (readings) => {
      // a block of which only one kind was counted has none of the other
      const counted = (readings.blocks ?? [])
        .filter(isCounted)
        .map((each) => ({ ...each, adults: each.adults ?? 0, juveniles: each.juveniles ?? 0 }))
      return counted.length > 0 ? { blocks: counted } : {}
    },
  })
  const wanted = entry.method.drawn.blocks
  const held = draft.content.readings.blocks ?? []
  const [at, setAt] = useState(Math.min(held.length, wanted - 1))
  const [field, setField] = useState<'adults' | 'juveniles'>('adults')
  const spade = entry.readings.blocks?.[0] ?? {}
  const fresh: Block = { lengthMm: spade.lengthMm, widthMm: spade.widthMm, depthMm: spade.depthMm }
  const blocks = Array.from({ length: Math.max(wanted, held.length) }, (_, i) => held[i] ?? fresh)
  const block = blocks[at]!
  const counted = blocks.filter(isCounted)
  const found = useScene<'earthworms'>()?.readings.blocks
  const truth = found?.[at % found.length]
  const put = (part: Partial<Block>) => {
    const next = blocks.map((each, i) => (i === at ? { ...each, ...part } : each))
    draft.change({ ...draft.content, readings: { blocks: next } })
  }
  const go = (index: number) => {
    setAt(index)
    setField('adults')
  }
  return (
    <PictureCapture
      capture={capture}
      entry={entry}
      begun={counted.length > 0}
      instruction={entry.say('block', { n: at + 1, of: blocks.length })}
      picture={
        <>
          {truth ? (
            <BrokenBlock key={at} adults={truth.adults ?? 0} juveniles={truth.juveniles ?? 0} seed={at + 1} />
          ) : (
            <Sheet block={block} />
          )}
          <div className="flex flex-wrap gap-2" role="group" aria-label="Blocks">
            {blocks.map((each, i) => (
              <button
                key={i}
                type="button"
                aria-pressed={i === at}
                onClick={() => go(i)}
                className="min-h-12 grow rounded-sm border border-strong-rule bg-paper px-3 aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-paper"
              >
                Block {i + 1}:{' '}
                <strong>
                  {each.adults === undefined && each.juveniles === undefined
                    ? '–'
                    : (each.adults ?? 0) + (each.juveniles ?? 0)}
                </strong>
              </button>
            ))}
            <Button
              className="min-h-12"
              onClick={() => go(blocks.length)}
              disabled={counted.length < blocks.length}
            >
              One more block
            </Button>
          </div>
        </>
      }
    >
      <Count
        key={`a${at}`}
        label={entry.item('blocks', 'adults').label}
        autoFocus={field === 'adults'}
        value={block.adults}
        onChange={(adults) => put({ adults })}
        onEnter={() => setField('juveniles')}
      />
      <Count
        key={`j${at}`}
        label={entry.item('blocks', 'juveniles').label}
        autoFocus={field === 'juveniles'}
        value={block.juveniles}
        onChange={(juveniles) => put({ juveniles })}
        onEnter={() => at + 1 < blocks.length && go(at + 1)}
      />
      <details>
        <summary className="min-h-11 cursor-pointer content-center text-accent">
          Size {units.number(block.lengthMm ?? 0, 'mm')} × {units.number(block.widthMm ?? 0, 'mm')} ×{' '}
          {units.text(block.depthMm ?? 0, 'mm')}, and kinds
        </summary>
        <div className="grid grid-cols-2 gap-3">
          {(['lengthMm', 'widthMm', 'depthMm'] as const).map((name) => (
            <QuantityInput
              key={name}
              label={entry.item('blocks', name).label}
              unit="mm"
              value={block[name]}
              onChange={(mm) => mm !== undefined && put({ [name]: mm })}
            />
          ))}
          {(['surfaceDwellers', 'deepBurrowers'] as const).map((name) => (
            <QuantityInput
              key={name}
              label={`${entry.item('blocks', name).label} (if told apart)`}
              unit=""
              value={block[name]}
              onChange={(count) => put({ [name]: count })}
            />
          ))}
        </div>
      </details>
    </PictureCapture>
  )
}

function isCounted(block: Block) {
  return block.adults !== undefined || block.juveniles !== undefined
}

/** The sheet with the worms counted so far: long ones with a saddle, short pale ones. */
function Sheet({ block }: { block: Block }) {
  const adults = Math.min(block.adults ?? 0, SHOWN)
  const young = Math.min(block.juveniles ?? 0, SHOWN)
  const more = (block.adults ?? 0) + (block.juveniles ?? 0) - adults - young
  return (
    <svg
      viewBox="0 0 400 210"
      preserveAspectRatio={adults + young === 0 ? 'none' : undefined}
      className={pictureLook(adults + young === 0)}
      role="img"
      aria-label={`${block.adults ?? 0} adults and ${block.juveniles ?? 0} young on the sheet`}
    >
      <path d="M6 12 394 6 390 204 10 200Z" fill="var(--paper)" stroke="var(--strong-rule)" strokeWidth="2" />
      {Array.from({ length: adults }, (_, i) => (
        <g
          key={`a${i}`}
          transform={`translate(${26 + (i % 8) * 46} ${34 + Math.floor(i / 8) * 34}) rotate(${(i * 67) % 50} 16 0)`}
        >
          <Worm adult />
        </g>
      ))}
      {Array.from({ length: young }, (_, i) => (
        <g key={`y${i}`} transform={`translate(${30 + (i % 12) * 30} ${146 + Math.floor(i / 12) * 28})`}>
          <Worm adult={false} />
        </g>
      ))}
      {more > 0 && (
        <text x="384" y="196" textAnchor="end" fontSize="15" fill="var(--soft)">
          and {more} more
        </text>
      )}
    </svg>
  )
}
