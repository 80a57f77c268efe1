import { QuantityInput } from '../../ui/controls'
import type { CaptureProps } from '../frame/panel'
import { useEntry } from '../frame/entry'
import { DragLine, PictureCapture } from '../frame/parts'
import { Shares } from '../frame/Shares'

const BAR = { x: 20, y: 46, width: 360, height: 92 }

/** A sward as a bar: green, dead and bare, with its clover; each edge is dragged. */
export function SwardCapture(capture: CaptureProps<'sward'>) {
  const entry = useEntry(capture)
  const { readings, set } = entry
  const green = readings.greenPct ?? 0
  const dead = readings.deadPct ?? 0
  const clover = readings.cloverPct ?? 0
  const x = (pct: number) => BAR.x + (pct / 100) * BAR.width
  const toPct = ({ x: at }: { x: number }) => ((at - BAR.x) / BAR.width) * 100
  const { label } = entry
  return (
    <PictureCapture
      capture={capture}
      entry={entry}
      begun={readings.greenPct !== undefined}
      instruction={entry.say('look')}
      picture={
        <svg viewBox="0 0 400 190" className="w-full max-w-[30rem] select-none">
          <rect x={BAR.x} y={BAR.y} width={BAR.width} height={BAR.height} fill="var(--soil-3)" />
          <rect x={BAR.x} y={BAR.y} width={x(green) - BAR.x} height={BAR.height} fill="#4a7a3c" />
          <rect
            x={x(green)}
            y={BAR.y}
            width={Math.max(0, x(green + dead) - x(green))}
            height={BAR.height}
            fill="#c2a562"
          />
          <g fill="#e9f0e2">
            {Array.from({ length: Math.round(Math.min(100, clover) / 2) }, (_, i) => {
              const at = BAR.x + 10 + ((i * 53) % Math.max(20, x(green) - BAR.x - 20))
              const up = BAR.y + 14 + ((i * 31) % (BAR.height - 28))
              return (
                <path
                  key={i}
                  d={`M${at} ${up}m-5-2a4 4 0 1 1 5-2 4 4 0 1 1 5 2 4 4 0 1 1-5 4 4 4 0 1 1-5-4Z`}
                />
              )
            })}
          </g>
          {(
            [
              ['greenPct', 'Green', green, (pct: number) => ({ greenPct: pct })],
              [
                'deadPct',
                'Green and dead together',
                green + dead,
                (pct: number) => ({ deadPct: Math.max(0, pct - green) }),
              ],
            ] as const
          ).map(([name, words, value, changed]) => (
            <DragLine
              key={name}
              label={words}
              value={Math.round(value)}
              text={`${Math.round(value)} %`}
              min={0}
              max={100}
              step={5}
              toValue={toPct}
              onChange={(pct) => set(changed(pct))}
            >
              <rect x={x(value) - 22} y={BAR.y - 34} width="44" height={BAR.height + 56} fill="transparent" />
              <path
                d={`M${x(value)} ${BAR.y - 8}V${BAR.y + BAR.height + 8}`}
                stroke="var(--ink)"
                strokeWidth="3"
              />
              <text
                // at the ends of the bar the words stay in the picture
                x={Math.min(Math.max(x(value), BAR.x + 32), BAR.x + BAR.width - 32)}
                y={name === 'greenPct' ? BAR.y - 16 : BAR.y + BAR.height + 26}
                textAnchor="middle"
                fontSize="15"
                fontWeight="700"
                fill="var(--ink)"
              >
                {name === 'greenPct' ? `green ${Math.round(green)} %` : `dead ${Math.round(dead)} %`}
              </text>
            </DragLine>
          ))}
        </svg>
      }
    >
      <Shares
        parts={(['greenPct', 'deadPct', 'cloverPct'] as const).map((name) => ({ name, label: label(name) }))}
        readings={readings}
        onChange={set}
      />
      <div className="grid grid-cols-2 gap-3">
        <QuantityInput {...entry.quantity('speciesCount')} />
        <QuantityInput {...entry.quantity('brixPct')} label={`${label('brixPct')} (if pressed)`} />
      </div>
    </PictureCapture>
  )
}
