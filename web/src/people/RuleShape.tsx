import type { OwnRule } from '../api/schema'

const WIDTH = 112
const HEIGHT = 48
const EDGE = 3

/** A curve as a line from the lowest figure to the highest, or bands as steps; what it replaces is drawn dashed. */
export function RuleShape({ rule, beside }: { rule: OwnRule; beside?: OwnRule }) {
  return (
    <svg width={WIDTH} height={HEIGHT} viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden className="bg-paper">
      <path d={`M0 ${HEIGHT - 0.5}H${WIDTH}`} className="stroke-strong-rule" />
      {rule.kind === 'curve' ? <Curves rule={rule} beside={beside} /> : <Steps rule={rule} />}
    </svg>
  )
}

function Curves({ rule, beside }: { rule: OwnRule; beside?: OwnRule }) {
  const all = [...(rule.points ?? []), ...(beside?.points ?? [])].map((point) => point.figure)
  const low = Math.min(...all)
  const high = Math.max(...all)
  const line = (of: OwnRule) => {
    const points = of.points ?? []
    const x = (figure: number) => (high > low ? ((figure - low) / (high - low)) * WIDTH : 0)
    const y = (standing: number) => HEIGHT - EDGE - standing * (HEIGHT - 2 * EDGE)
    return [
      `M0 ${y(points[0]?.standing ?? 0)}`,
      ...points.map((point) => `L${x(point.figure)} ${y(point.standing)}`),
      `H${WIDTH}`,
    ].join(' ')
  }
  return (
    <>
      {beside && <path d={line(beside)} fill="none" strokeDasharray="3 3" className="stroke-soft" />}
      <path d={line(rule)} fill="none" strokeWidth={2} className="stroke-ink" />
    </>
  )
}

function Steps({ rule }: { rule: OwnRule }) {
  const count = rule.bands?.length ?? 1
  return (
    <>
      {rule.bands?.map((band, i) => (
        <rect
          key={band.code}
          x={(i * WIDTH) / count}
          y={HEIGHT - EDGE - ((i + 1) / count) * (HEIGHT - 2 * EDGE)}
          width={WIDTH / count - 2}
          height={((i + 1) / count) * (HEIGHT - 2 * EDGE)}
          className="fill-soft"
        />
      ))}
    </>
  )
}
