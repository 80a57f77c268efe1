import type { Envelope, Figure } from '../../api/schema'
import { asNumber, asReadings, asText, asRows, type ReadingsOf } from '../../api/readings'
import { showClock } from '../../words/dates'
import { useUnits } from '../../units/units'
import type { Point } from './HoleLevels'

const HOLE = { x: 44, top: 24, width: 112, height: 210 }
/** Drawn while nothing is told. */
const UNKNOWN_DEPTH_MM = 300
const BARS = { x: 238, base: 210, height: 150, width: 150 }

/** The cut hole with its levels, and the rate of each interval as a bar as wide as it lasted. */
export function HolePicture({
  points,
  readings,
  startedAt,
  envelope,
  levelMm,
}: {
  points: Point[]
  readings: ReadingsOf<'hole-drainage'>
  startedAt: string | undefined
  envelope: Envelope | undefined
  /** on the training ground: how deep the water stands now, against a ruler */
  levelMm?: number
}) {
  const units = useUnits()
  const depth = readings.holeDepthMm ?? UNKNOWN_DEPTH_MM
  const waterDepth = (point: Point) =>
    Math.min(depth, Math.max(0, readings.measure === 'down-from-edge' ? depth - point.mm : point.mm))
  const y = (water: number) => HOLE.top + HOLE.height * (1 - water / depth)
  const last = points.at(-1)
  const clock = (point: Point) =>
    startedAt ? showClock(Date.parse(startedAt) + point.minute * 60_000) : `${point.minute}′`
  // labels that would lie on each other are left to the list
  const labelled = points.filter((point, i) => {
    const next = points[i + 1]
    return !next || Math.abs(y(waterDepth(point)) - y(waterDepth(next))) > 14
  })
  return (
    <svg viewBox="0 0 400 262" className="w-full" role="img" aria-label={describe(points, units.text, depth)}>
      <rect
        x="0"
        y={HOLE.top}
        width={HOLE.width + 2 * HOLE.x}
        height={HOLE.height + 26}
        fill="var(--soil-2)"
      />
      <rect x="0" y={HOLE.top} width={HOLE.width + 2 * HOLE.x} height="34" fill="var(--soil-1)" />
      <rect x={HOLE.x} y={HOLE.top - 1} width={HOLE.width} height={HOLE.height + 1} fill="var(--paper)" />
      {Array.from({ length: 19 }, (_, i) => (
        <path
          key={i}
          d={`M${3 + i * 11} ${HOLE.top} q1 -7 ${((i * 5) % 7) - 3} -${8 + ((i * 7) % 9)}`}
          stroke="#4a7a3c"
          strokeWidth="1.5"
          fill="none"
          opacity={3 + i * 11 > HOLE.x - 3 && 3 + i * 11 < HOLE.x + HOLE.width + 3 ? 0 : 1}
        />
      ))}
      {(last ?? levelMm) !== undefined && (
        <rect
          x={HOLE.x}
          width={HOLE.width}
          y={y(levelMm ?? waterDepth(last!))}
          height={HOLE.top + HOLE.height - y(levelMm ?? waterDepth(last!))}
          fill="var(--water)"
          className="transition-all duration-500"
        />
      )}
      {levelMm !== undefined && <Ruler depth={depth} y={y} />}
      {points.map((point, i) => (
        <line
          key={i}
          x1={HOLE.x}
          x2={HOLE.x + HOLE.width}
          y1={y(waterDepth(point))}
          y2={y(waterDepth(point))}
          stroke="var(--ink)"
          strokeWidth={point === last ? 2 : 1}
          strokeDasharray={point === last ? undefined : '3 3'}
        />
      ))}
      {labelled.map((point, i) => (
        <text key={i} x={HOLE.x + 6} y={y(waterDepth(point)) - 4} fontSize="14" fill="var(--ink)">
          {clock(point)}
        </text>
      ))}
      {last && (
        <text
          x={HOLE.x + HOLE.width / 2}
          y={HOLE.top + HOLE.height - 8}
          fontSize="14"
          textAnchor="middle"
          fill="var(--ink)"
        >
          {units.text(waterDepth(last), 'mm')} left
        </text>
      )}
      {envelope?.series.intervals && <Bars envelope={envelope} />}
      {points.length < 2 && (
        <text x={BARS.x} y="120" fontSize="14" fill="var(--soft)">
          {points.length === 0 ? 'Rates draw themselves' : 'One more reading'}
          <tspan x={BARS.x} dy="17">
            {points.length === 0 ? 'as you read the level' : 'gives the first rate'}
          </tspan>
        </text>
      )}
    </svg>
  )
}

/** A ruler that stands in the hole. */
function Ruler({ depth, y }: { depth: number; y: (water: number) => number }) {
  return (
    <g fontSize="14" fill="var(--ink)">
      <rect
        x={HOLE.x + 66}
        y={y(depth)}
        width="20"
        height={y(0) - y(depth)}
        fill="#ece3c4"
        stroke="var(--ink)"
      />
      {Array.from({ length: Math.floor(depth / 10) + 1 }, (_, i) => i * 10).map((mm) => (
        <g key={mm}>
          <line
            x1={HOLE.x + 66}
            x2={HOLE.x + (mm % 50 ? 72 : 78)}
            y1={y(mm)}
            y2={y(mm)}
            stroke="var(--ink)"
            strokeWidth={mm % 50 ? 0.7 : 1.4}
          />
          {mm % 50 === 0 && mm > 0 && (
            <text x={HOLE.x + 90} y={y(mm) + 4}>
              {mm}
            </text>
          )}
        </g>
      ))}
    </g>
  )
}

function Bars({ envelope }: { envelope: Envelope }) {
  const units = useUnits()
  const rows = asRows(envelope.series.intervals).map((row) => ({
    fromMinute: asNumber(row.fromMinute) ?? 0,
    toMinute: asNumber(row.toMinute) ?? 0,
    rate: figureOf(row.rate),
    rose: row.rose === true,
  }))
  const total = rows.reduce((sum, row) => sum + row.toMinute - row.fromMinute, 0)
  const highest = Math.max(...rows.map((row) => row.rate.value), 1)
  const steady = envelope.values.steadyIntervals?.value ?? 0
  const falls = rows.filter((row) => !row.rose).length
  const gap = 4
  const room = BARS.width - gap * (rows.length - 1)
  const widths = rows.map((row) => (room * (row.toMinute - row.fromMinute)) / total)
  const bars = rows.map((row, i) => ({
    row,
    width: widths[i]!,
    x: BARS.x + widths.slice(0, i).reduce((sum, each) => sum + each + gap, 0),
    settled: rows.slice(0, i + 1).filter((each) => !each.rose).length > falls - steady,
    height: row.rose ? 4 : Math.max(1.5, (BARS.height * row.rate.value) / highest),
  }))
  const rate = envelope.values.rate
  const firstSettled = bars.find((bar) => bar.settled)
  const lastBar = bars.at(-1)!
  return (
    <g fontSize="14" fill="var(--soft)">
      <text x={BARS.x} y="34">
        {units.symbol('mm/h')} by interval
      </text>
      {bars.map(({ row, x, width, height, settled }, i) => (
        <g key={i}>
          <rect
            x={x}
            y={BARS.base - height}
            width={Math.max(1, width)}
            height={height}
            fill={settled && !row.rose ? 'var(--water-deep)' : 'var(--hatch)'}
            className="transition-all duration-500"
          />
          {width > 15 && (
            <text
              x={x + width / 2}
              y={BARS.base - height - 5}
              textAnchor="middle"
              fontWeight="700"
              fill="var(--ink)"
            >
              {row.rose ? 'rose' : units.number(Math.round(row.rate.value * 10) / 10, 'mm/h')}
            </text>
          )}
        </g>
      ))}
      <line x1={BARS.x} x2={BARS.x + BARS.width} y1={BARS.base} y2={BARS.base} stroke="var(--ink)" />
      {firstSettled && rate && steady > 0 && (
        <line
          x1={firstSettled.x}
          x2={lastBar.x + lastBar.width + 4}
          y1={BARS.base - (BARS.height * rate.value) / highest}
          y2={BARS.base - (BARS.height * rate.value) / highest}
          stroke="var(--ink)"
          strokeWidth="2"
        />
      )}
      <text x={BARS.x} y={BARS.base + 17}>
        first
      </text>
      <text x={BARS.x + BARS.width} y={BARS.base + 17} textAnchor="end">
        {steady > 0 ? 'settled' : 'last'}
      </text>
    </g>
  )
}

function describe(points: Point[], text: (value: number, unit: string) => string, depth: number) {
  return points.length === 0
    ? `A hole ${text(depth, 'mm')} deep, not read yet`
    : `A hole ${text(depth, 'mm')} deep; read ${points.length} times, last ${text(points.at(-1)!.mm, 'mm')}`
}

function figureOf(cell: unknown): Figure {
  const { value, unit } = asReadings(cell)
  return { value: asNumber(value) ?? 0, unit: asText(unit) ?? '' }
}
