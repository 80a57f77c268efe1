import type { Envelope } from '../api/schema'
import { words } from '../words/dates'
import { asLevel, levelFill, LevelMark } from '../ui/levels'
import { asSeverity, Notice } from '../ui/states'
import { FigureButton, Spread } from '../ui/Working'
import { useMoney } from '../units/money'
import { useUnits } from '../units/units'

/** Ratings with level, standing, spread and reason. */
export function Ratings({ envelope, labels }: { envelope: Envelope; labels: Record<string, string> }) {
  const units = useUnits()
  return (
    <>
      {envelope.ratings
        .filter((rating) => rating.school === 'standing')
        .map((rating) => {
          const level = asLevel(rating.level)!
          return (
            <div key={rating.indicator} className="grid gap-1">
              <div className="flex flex-wrap items-baseline justify-between gap-x-4">
                <span className="text-sm text-soft">
                  {labels[rating.indicator] ?? words(rating.indicator)}
                </span>
                <LevelMark level={level} />
              </div>
              <StandingLine
                standing={rating.standing!}
                low={rating.low}
                high={rating.high}
                colour={levelFill[level]}
              />
              <p className="leading-snug">{units.prose(rating.why)}</p>
            </div>
          )
        })}
    </>
  )
}

/** Standing from 0 to 1 with the interval it lies in. */
function StandingLine(props: { standing: number; low?: number; high?: number; colour: string }) {
  const { standing, low, high, colour } = props
  return (
    <svg
      viewBox="0 0 300 14"
      preserveAspectRatio="none"
      className="h-3.5 w-full"
      role="img"
      aria-label={`standing ${standing.toFixed(2)}${low === undefined ? '' : `, between ${low.toFixed(2)} and ${high!.toFixed(2)}`}`}
    >
      <line x1="0" x2="300" y1="10" y2="10" stroke="var(--rule)" />
      {[0, 75, 150, 225, 300].map((x) => (
        <line key={x} x1={x} x2={x} y1="7" y2="12" stroke="var(--strong-rule)" />
      ))}
      {low !== undefined && (
        <rect
          x={low * 300}
          width={Math.max(1, (high! - low) * 300)}
          y="2"
          height="6"
          fill={colour}
          opacity="0.3"
        />
      )}
      <rect x={Math.min(298, standing * 300 - 1)} width="3" y="0" height="11" fill={colour} />
    </svg>
  )
}

/** Every figure with its unit and spread; each opens its working. */
export function Figures({ envelope, labels }: { envelope: Envelope; labels: Record<string, string> }) {
  const money = useMoney()
  // what a calculator says something costs
  const paid = (name: string) => name === 'cost' && money.isSet
  return (
    <dl className="grid grid-cols-[1fr_auto] items-center gap-x-6 gap-y-1">
      {Object.entries(envelope.values).map(([name, figure]) => (
        <div key={name} className="contents">
          <dt className="text-soft">{paid(name) ? 'Cost' : (labels[name] ?? name)}</dt>
          <dd className="text-right font-semibold">
            <FigureButton
              figure={figure}
              envelope={envelope}
              text={paid(name) ? money.text(figure.value, 0) : undefined}
            />{' '}
            <Spread figure={figure} />
          </dd>
        </div>
      ))}
      {Object.entries(envelope.classes).map(([name, code]) => (
        <div key={name} className="contents">
          <dt className="text-soft">{labels[name] ?? name}</dt>
          <dd className="text-right font-semibold">
            {[code]
              .flat()
              .map((each) => words(String(each)))
              .join(', ') || 'none'}
          </dd>
        </div>
      ))}
    </dl>
  )
}

export function Notes({ envelope }: { envelope: Envelope }) {
  const units = useUnits()
  const rank = { danger: 0, caution: 1, info: 2 }
  return (
    <div className="grid gap-2">
      {[...envelope.notes]
        .sort((a, b) => rank[asSeverity(a.severity)] - rank[asSeverity(b.severity)])
        .map((note) => (
          <Notice key={note.code} severity={asSeverity(note.severity)}>
            {units.prose(note.text)}
          </Notice>
        ))}
    </div>
  )
}
