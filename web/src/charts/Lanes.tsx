import { showClock } from '../words/dates'

/** One step of work in a lane; times in minutes since the day's start. */
export type LaneTurn = {
  chain: string
  step: number
  stopId: string
  stop: string
  fieldId: string
  field: string
  title: string
  label: string
  person: number
  start: number
  end: number
  done: boolean
  going: boolean
}

export type LaneCourse = {
  turns: LaneTurn[]
  walks: { person: number; start: number; end: number }[]
  drives: { to: string; start: number; end: number }[]
  finish: number
}

const WIDTH = 1000
const LEFT = 8
const LANE = 62
const TOP = 26

const GROUNDS = [
  'var(--soil-2)',
  'var(--soil-4)',
  'var(--water-deep)',
  'var(--soil-5)',
  'var(--soil-3)',
  'var(--accent)',
]

/**
 * The day as lanes of people over time: blocks of work by place, the walks between as slants, the waits of a test as
 * thin threads from step to step.
 */
export function Lanes({
  course,
  people,
  start,
  now,
}: {
  course: LaneCourse
  people: string[]
  /** ms since 1970; minutes are counted where it is not given */
  start?: number
  now?: number
}) {
  const span = Math.max(course.finish, 30)
  const x = (minute: number) => LEFT + (minute / span) * (WIDTH - 2 * LEFT)
  const y = (person: number) => TOP + person * LANE
  const height = TOP + people.length * LANE + 4
  const stops = [...new Set(course.turns.map((turn) => turn.stopId))]
  const ground = (stopId: string) => GROUNDS[stops.indexOf(stopId) % GROUNDS.length]
  const moment = (minute: number) =>
    start === undefined ? `${Math.round(minute)} min` : showClock(start + minute * 60_000)
  const every = span > 300 ? 60 : span > 120 ? 30 : 15
  const marks = Array.from({ length: Math.floor(span / every) + 1 }, (_, i) => i * every)
  const chains = [...new Set(course.turns.map((turn) => turn.chain))]
  const nowMin = now === undefined || start === undefined ? undefined : (now - start) / 60_000
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      className="w-full min-w-[52rem] md:min-w-0"
      role="img"
      aria-label={`Lanes of ${people.join(', ')}: ${course.turns.length} steps at ${stops.length} stops until ${moment(course.finish)}`}
    >
      {marks.map((minute) => (
        <g key={minute}>
          <path d={`M${x(minute)} ${TOP - 6}V${height}`} stroke="var(--rule)" />
          {x(minute) < WIDTH - 60 && (
            <text x={x(minute) + 3} y={14} fontSize="15" fill="var(--soft)">
              {moment(minute)}
            </text>
          )}
        </g>
      ))}
      {people.map((name, p) => (
        <g key={p}>
          <path d={`M${LEFT} ${y(p) + 46}H${WIDTH - LEFT}`} stroke="var(--strong-rule)" />
          <text x={LEFT + 2} y={y(p) + 60} fontSize="13" fill="var(--soft)">
            {name}
          </text>
        </g>
      ))}
      {course.drives.map((drive) => (
        <rect
          key={drive.to}
          x={x(drive.start)}
          y={TOP}
          width={Math.max(1, x(drive.end) - x(drive.start))}
          height={people.length * LANE - 16}
          fill="var(--hatch)"
          opacity="0.5"
        />
      ))}
      {course.walks.map((walk, i) => (
        <path
          key={i}
          d={`M${x(walk.start)} ${y(walk.person) + 46}L${x(walk.end)} ${y(walk.person) + 14}`}
          stroke="var(--ink)"
          strokeWidth="1.6"
          strokeDasharray="2 3"
          fill="none"
        />
      ))}
      {chains.map((chain) => {
        const own = course.turns.filter((turn) => turn.chain === chain).sort((a, b) => a.step - b.step)
        return own.slice(1).map((turn, i) => {
          const from = own[i]!
          const [x1, y1] = [x(from.end), y(from.person) + 14]
          const [x2, y2] = [x(turn.start), y(turn.person) + 14]
          return (
            <path
              key={`${chain}${i}`}
              d={`M${x1} ${y1}C${x1 + 6} ${y1 - 13} ${x2 - 6} ${y2 - 13} ${x2} ${y2}`}
              stroke={ground(turn.stopId)}
              strokeWidth="1"
              fill="none"
            />
          )
        })
      })}
      {course.turns.map((turn) => (
        <g key={`${turn.chain}${turn.step}`}>
          <rect
            x={x(turn.start)}
            y={y(turn.person) + 14}
            width={Math.max(2.5, x(turn.end) - x(turn.start) - 0.8)}
            height="32"
            fill={turn.done ? 'var(--paper)' : ground(turn.stopId)}
            stroke={turn.done ? ground(turn.stopId) : turn.going ? 'var(--ink)' : 'none'}
            strokeWidth={turn.going ? 3 : 1.5}
          >
            <title>{`${turn.title}, ${turn.stop}: ${turn.label}`}</title>
          </rect>
        </g>
      ))}
      {nowMin !== undefined && nowMin > 0 && nowMin < span && (
        <path d={`M${x(nowMin)} ${TOP - 8}V${height}`} stroke="var(--level-failing)" strokeWidth="2.5" />
      )}
    </svg>
  )
}

/** Which ground tone stands for which stop. */
export function LaneKey({ course }: { course: LaneCourse }) {
  const stops = [...new Map(course.turns.map((turn) => [turn.stopId, turn])).values()]
  const several = new Set(stops.map((turn) => turn.fieldId)).size > 1
  return (
    <ul className="flex flex-wrap gap-x-4 gap-y-1 text-sm">
      {stops.map((turn, i) => (
        <li key={turn.stopId} className="flex items-center gap-1.5">
          <span
            className="inline-block size-3.5"
            style={{ background: GROUNDS[i % GROUNDS.length], printColorAdjust: 'exact' }}
          />
          {several ? `${turn.field}, ${turn.stop}` : turn.stop}
        </li>
      ))}
    </ul>
  )
}
