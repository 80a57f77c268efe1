import type { OverallView } from '../api/schema'
import { asLevel, levelFill, LevelMark } from '../ui/levels'

const WIDE = 200

/** The five functions: mean, spread over the stops, share measured. Choosing one lights it up on the face. */
export function Functions({
  overall,
  chosen,
  onChoose,
}: {
  overall: OverallView
  chosen: string | undefined
  onChoose: (code: string | undefined) => void
}) {
  return (
    <section aria-label="Functions" className="grid gap-1">
      <h2 className="text-sm font-semibold text-soft">
        Functions — standing, its spread over the stops, how much of it was seen
      </h2>
      <ul>
        {overall.functions.map((each) => {
          const level = asLevel(each.level)
          const open = chosen === each.function
          return (
            <li key={each.function}>
              <button
                type="button"
                aria-pressed={open}
                onClick={() => onChoose(open ? undefined : each.function)}
                className="grid min-h-11 w-full grid-cols-[5.5rem_minmax(0,1fr)_7rem_3.25rem] items-center gap-x-3 rounded-sm text-left hover:bg-stone aria-pressed:bg-stone"
              >
                <span className={open ? 'font-bold' : ''}>{each.label}</span>
                {level && each.mean !== undefined ? (
                  <Line mean={each.mean} low={each.low!} high={each.high!} colour={levelFill[level]} />
                ) : (
                  <span className="text-sm text-soft">not enough seen</span>
                )}
                {level ? <LevelMark level={level} className="text-[15px]" /> : <span />}
                <span className="text-right text-sm text-soft">{Math.round(each.measuredShare * 100)} %</span>
              </button>
              {open && (
                <p className="pb-2 pl-[6.25rem] text-sm text-soft">
                  {each.parts
                    .map(
                      (part) =>
                        `${part.label} ×${part.weight}: ${part.standing === undefined ? 'not measured' : part.standing.toFixed(2)}`,
                    )
                    .join(' · ')}
                  {each.capped && '. Held down by its lowest part: a mean must not hide it.'}
                </p>
              )}
            </li>
          )
        })}
      </ul>
      {overall.mean !== undefined && (
        <p className="text-sm text-soft">
          Mean of the functions {overall.mean.toFixed(2)}; the lowest one leads, not the mean.
        </p>
      )}
    </section>
  )
}

function Line({ mean, low, high, colour }: { mean: number; low: number; high: number; colour: string }) {
  const x = (standing: number) => 2 + standing * (WIDE - 4)
  return (
    <svg
      viewBox={`0 0 ${WIDE} 18`}
      className="w-full"
      role="img"
      aria-label={`standing ${mean.toFixed(2)}, stops from ${low.toFixed(2)} to ${high.toFixed(2)}`}
    >
      <line x1="2" x2={WIDE - 2} y1="14" y2="14" stroke="var(--rule)" />
      {[0, 0.25, 0.5, 0.75, 1].map((mark) => (
        <line key={mark} x1={x(mark)} x2={x(mark)} y1="11" y2="15" stroke="var(--strong-rule)" />
      ))}
      <rect x={x(low)} width={Math.max(2, x(high) - x(low))} y="4" height="8" fill={colour} opacity="0.28" />
      <rect x={x(mean) - 1.5} width="3" y="1" height="13" fill={colour} />
    </svg>
  )
}
