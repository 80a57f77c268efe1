import { scaleLinear } from 'd3-scale'
import type { Envelope, Stop } from '../../api/schema'
import type { Readings } from '../../api/readings'
import { BiasChart } from '../../charts/BiasChart'
import { Lanes, type LaneCourse } from '../../charts/Lanes'
import { GroundMap } from '../../fields/GroundMap'
import { shapesOf } from '../../geo/geo'
import { plainNumber } from '../../units/units'
import { showDay } from '../../words/dates'

type Row = Record<string, unknown>

const rows = (envelope: Envelope, name: string): Row[] => envelope.series[name] ?? []
const text = (tree: unknown) => (tree === undefined ? undefined : JSON.stringify(tree))

function DayPicture({ envelope }: { envelope: Envelope }) {
  const course: LaneCourse = {
    finish: envelope.values['finishMin']!.value,
    drives: [],
    walks: rows(envelope, 'walks').map((row) => ({
      person: Number(row['person']),
      start: Number(row['start']),
      end: Number(row['end']),
    })),
    turns: rows(envelope, 'steps').map((row) => ({
      chain: String(row['chain']),
      step: Number(row['step']),
      stopId: String(row['place']),
      stop: String(row['place']),
      fieldId: '',
      field: '',
      title: String(row['chain']),
      label: String(row['code']),
      person: Number(row['person']),
      start: Number(row['start']),
      end: Number(row['end']),
      done: false,
      going: false,
    })),
  }
  const people = Math.max(...course.turns.map((turn) => turn.person), 0) + 1
  return (
    // what scrolls must be reached by the keyboard
    // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
    <div className="overflow-x-auto" tabIndex={0} role="group" aria-label="Lanes over time">
      <Lanes course={course} people={Array.from({ length: people }, (_, i) => `Person ${i + 1}`)} />
    </div>
  )
}

const WIDTH = 640
const HEIGHT = 190

/** Water in the soil day by day as depth of fill, with the days on which all asked kinds are good marked below. */
function WindowsPicture({ envelope }: { envelope: Envelope }) {
  const days = rows(envelope, 'days')
  const windows = rows(envelope, 'windows')
  const step = WIDTH / Math.max(1, days.length)
  const good = (date: string) =>
    windows.some((each) => String(each['from']) <= date && date <= String(each['to']))
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full"
      role="img"
      aria-label={`${days.length} days; good: ${windows.map((each) => `${showDay(String(each['from']))} to ${showDay(String(each['to']))}`).join(', ') || 'none'}`}
    >
      {[0, 40, 98].map((share) => (
        <g key={share}>
          <path d={`M0 ${150 - share * 1.4}H${WIDTH}`} stroke="var(--rule)" />
          <text x="2" y={147 - share * 1.4} fontSize="14" fill="var(--soft)">
            {share} %
          </text>
        </g>
      ))}
      {days.map((day, i) => {
        const share = Number(day['sharePct'])
        const date = String(day['date'])
        return (
          <g key={date}>
            <rect
              x={i * step + 0.5}
              y={150 - share * 1.4}
              width={Math.max(1, step - 1)}
              height={share * 1.4}
              fill="var(--water)"
            />
            {good(date) && (
              <rect
                x={i * step + 0.5}
                y="156"
                width={Math.max(1, step - 1)}
                height="10"
                fill="var(--soil-2)"
              />
            )}
            {(i === 0 || i === days.length - 1 || date.endsWith('-01')) && (
              <text x={Math.min(i * step, WIDTH - 70)} y={HEIGHT - 6} fontSize="14" fill="var(--soft)">
                {showDay(date).replace(/ \d{4}$/, '')}
              </text>
            )}
          </g>
        )
      })}
    </svg>
  )
}

function PlacesPicture({ envelope, inputs }: { envelope: Envelope; inputs: Readings }) {
  const stops = rows(envelope, 'stops').map((row): Stop => ({
    id: String(row['order']),
    fieldId: '',
    label: String(row['id'] ?? row['order']),
    longitude: Number(row['longitude']),
    latitude: Number(row['latitude']),
    position: Number(row['order']),
    role: 'routine',
    version: 0,
  }))
  return (
    <GroundMap
      outline={shapesOf(text(inputs['boundary']))}
      zones={shapesOf(text(inputs['zones']))}
      avoid={shapesOf(text(inputs['avoid']))}
      stops={stops}
      width={560}
      height={380}
      className="w-full bg-paper"
      label={`${stops.length} stops in their order`}
    />
  )
}

/** The treated field over the visits: its course with what the readings leave open. */
function CoursePicture({ envelope, inputs }: { envelope: Envelope; inputs: Readings }) {
  const visits = (inputs['visits'] ?? []) as { id: string; years: number }[]
  const course = rows(envelope, 'course').map((row) => ({
    visit: String(row['visit']),
    years: visits.find((each) => each.id === row['visit'])?.years ?? 0,
    value: Number(row['value']),
    low: Number(row['low']),
    high: Number(row['high']),
  }))
  const x = scaleLinear()
    .domain([course[0]!.years, course.at(-1)!.years])
    .range([60, WIDTH - 60])
  const y = scaleLinear()
    .domain([Math.min(...course.map((each) => each.low)), Math.max(...course.map((each) => each.high))])
    .range([HEIGHT - 34, 26])
  const line = (of: (each: (typeof course)[0]) => number, points = course) =>
    points.map((each) => `${x(each.years)} ${y(of(each))}`).join('L')
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full"
      role="img"
      aria-label={`Course of the field: ${course.map((each) => `${each.visit} ${plainNumber(each.value)}`).join(', ')}`}
    >
      <path
        d={`M${line((each) => each.high)}L${line((each) => each.low, [...course].reverse())}Z`}
        fill="var(--ink)"
        opacity="0.1"
      />
      <path d={`M${line((each) => each.value)}`} fill="none" stroke="var(--ink)" strokeWidth="2.5" />
      {course.map((each) => (
        <g key={each.visit} fontSize="14" textAnchor="middle">
          <circle cx={x(each.years)} cy={y(each.value)} r="4" fill="var(--ink)" />
          <text x={x(each.years)} y={y(each.value) - 10} fill="var(--ink)">
            {plainNumber(each.value)}
          </text>
          <text x={x(each.years)} y={HEIGHT - 8} fill="var(--soft)">
            {each.visit}
          </text>
        </g>
      ))}
    </svg>
  )
}

/** The picture of a calculator whose answer is one. */
export function AnswerPicture({ envelope, inputs }: { envelope: Envelope; inputs: Readings }) {
  switch (envelope.method) {
    case 'day-plan':
      return <DayPicture envelope={envelope} />
    case 'sampling-windows':
      return <WindowsPicture envelope={envelope} />
    case 'agreement':
      return <BiasChart people={rows(envelope, 'people')} />
    case 'field-model':
      return <CoursePicture envelope={envelope} inputs={inputs} />
    case 'stop-placement':
      return <PlacesPicture envelope={envelope} inputs={inputs} />
    default:
      return null
  }
}
