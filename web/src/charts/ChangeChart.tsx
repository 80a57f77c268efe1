import { extent, groups } from 'd3-array'
import { scaleLinear, scaleTime } from 'd3-scale'
import { useRef } from 'react'
import type { ChangeView } from '../api/schema'
import { asLevel, levelFill } from '../ui/levels'
import { useWidth } from '../ui/useWidth'
import { plainNumber, useUnits } from '../units/units'
import { UprightAxis } from './UprightAxis'

/** Before the page knows how much room there is, and on paper. */
const USUAL_WIDTH = 760
const MARGIN = { top: 56, right: 20, bottom: 34, left: 52 }

/** What the crop wants, as a bracket inside the right edge: the better way lies towards it. */
function Wanted({
  wanted,
  y,
  width,
  height,
}: {
  wanted: { low: number; high: number }
  y: (figure: number) => number
  width: number
  height: number
}) {
  const inside = (at: number) => Math.min(height - MARGIN.bottom, Math.max(MARGIN.top, at))
  const top = inside(y(wanted.high))
  const bottom = inside(y(wanted.low))
  const x = width - MARGIN.right
  return (
    <g fontSize="13" fill="var(--accent)" stroke="var(--accent)">
      <path d={`M${x - 8} ${top}H${x}V${bottom}H${x - 8}`} fill="none" strokeWidth="2" />
      <text x={x} y={top - 6} textAnchor="end" stroke="none">
        wanted here
      </text>
    </g>
  )
}

/** What was done, from the figure without it to the figure with it; hollow where that can't be told yet. */
function EffectBar({ x, from, to, told }: { x: number; from: number; to: number; told: boolean }) {
  const up = to < from
  return (
    <g stroke="var(--accent)" fill={told ? 'var(--accent)' : 'var(--paper)'} strokeWidth="1.5">
      <rect x={x + 3} y={Math.min(from, to)} width="7" height={Math.max(1, Math.abs(to - from))} />
      <path d={`M${x + 0.5} ${to}h12l-6 ${up ? -7 : 7}z`} />
    </g>
  )
}

/** Every reading of every stop over the years, with what was done on the same axis. */
export function ChangeChart({ view }: { view: ChangeView }) {
  const units = useUnits()
  const place = useRef<HTMLDivElement>(null)
  // drawn as wide as there is room, so that its words stay as large as all others
  const width = useWidth(place) || USUAL_WIDTH
  const height = width < 500 ? 340 : 400
  const unit = view.unit ?? ''
  const shown = (value: number) => units.toShown(value, unit)
  const points = view.points.map((point) => ({
    ...point,
    at: new Date(point.on),
    y: shown(point.value),
    lowY: point.low === undefined ? undefined : shown(point.low),
    highY: point.high === undefined ? undefined : shown(point.high),
  }))
  if (points.length === 0) return <p className="py-10 text-soft">Nothing was read in this period.</p>
  const course = view.dates.map((date) => ({
    ...date,
    at: new Date(date.on),
    middle: shown(date.middle),
    low: shown(date.low),
    high: shown(date.high),
  }))
  const days = points.map((point) => point.at.getTime())
  const pad = 50 * 86_400_000
  const x = scaleTime()
    .domain([Math.min(...days) - pad, Math.max(...days) + pad])
    .range([MARGIN.left, width - MARGIN.right])
  const [least, most] = extent(
    points
      .flatMap((point) => [point.y, point.lowY ?? point.y, point.highY ?? point.y])
      .concat(
        course.flatMap((each) => [each.low, each.high]),
        view.events.flatMap((each) => [shown(each.with), shown(each.without)]),
      ),
  )
  const y = scaleLinear()
    .domain([least!, most!])
    .nice()
    .range([height - MARGIN.bottom, MARGIN.top])
  const untreated = new Set(
    view.stops.filter((stop) => stop.role === 'control' || stop.role === 'reference').map((stop) => stop.id),
  )
  const label = view.ofStanding
    ? 'standing'
    : unit
      ? units.symbol(unit)
      : (view.pattern ?? '').replace('{x} ', '')
  const events = view.allEvents.filter((event) => {
    const at = x(new Date(event.happenedOn))
    return at >= MARGIN.left && at <= width - MARGIN.right
  })
  return (
    <div ref={place}>
      <svg
        width={width}
        height={height}
        role="img"
        aria-label={`${view.chosen!.label}: ${view.dates
          .map((date) => `${date.on} ${plainNumber(shown(date.middle))} ${label}`)
          .join('; ')}`}
      >
        <g fontSize="13" fill="var(--soft)">
          <UprightAxis
            scale={y}
            ticks={6}
            left={MARGIN.left}
            right={width - MARGIN.right}
            label={label}
            labelY={MARGIN.top - 16}
          />
          {x.ticks(width < 500 ? 4 : 7).map((tick) => (
            <text key={tick.getTime()} x={x(tick)} y={height - 10} textAnchor="middle">
              {tick.getMonth() === 0 ? tick.getFullYear() : ''}
            </text>
          ))}
        </g>
        {view.better !== 0 && (
          <g fontSize="13" fill="var(--accent)">
            <text
              x={width - MARGIN.right}
              y={view.better > 0 ? MARGIN.top - 2 : height - MARGIN.bottom - 6}
              textAnchor="end"
            >
              {view.better > 0 ? '↑ better' : '↓ better'}
            </text>
          </g>
        )}
        {view.wanted && (
          <Wanted wanted={view.wanted} y={(figure) => y(shown(figure))} width={width} height={height} />
        )}
        {course.length > 1 && (
          <path
            d={`M${course.map((each) => `${x(each.at)} ${y(each.high)}`).join('L')}L${[...course]
              .reverse()
              .map((each) => `${x(each.at)} ${y(each.low)}`)
              .join('L')}Z`}
            fill="var(--ink)"
            opacity="0.09"
          />
        )}
        <path
          d={`M${course.map((each) => `${x(each.at)} ${y(each.middle)}`).join('L')}`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="2.5"
        />
        {events.map((event, i) => (
          <g key={event.id} fontSize="12.5" fill="var(--ink)">
            <line
              x1={x(new Date(event.happenedOn))}
              x2={x(new Date(event.happenedOn))}
              y1={MARGIN.top - 24 + (i % 2) * 14}
              y2={height - MARGIN.bottom}
              stroke="var(--ink)"
              strokeDasharray="2 4"
            />
            <text
              x={x(new Date(event.happenedOn)) + (x(new Date(event.happenedOn)) > width * 0.7 ? -4 : 4)}
              y={MARGIN.top - 20 + (i % 2) * 14}
              textAnchor={x(new Date(event.happenedOn)) > width * 0.7 ? 'end' : 'start'}
            >
              {event.kind}
            </text>
          </g>
        ))}
        {groups(points, (point) => point.stopId).map(([stop, own]) => (
          <path
            key={stop}
            d={`M${own.map((point) => `${x(point.at)} ${y(point.y)}`).join('L')}`}
            fill="none"
            stroke="var(--strong-rule)"
            strokeWidth="1.2"
            opacity="0.55"
            strokeDasharray={untreated.has(stop) ? '5 4' : undefined}
          />
        ))}
        {points.map((point) => (
          <g
            key={point.measurementId}
            stroke={levelFill[asLevel(point.level)!]}
            fill={levelFill[asLevel(point.level)!]}
          >
            {point.lowY !== undefined && (
              <line
                x1={x(point.at)}
                x2={x(point.at)}
                y1={y(point.lowY)}
                y2={y(point.highY!)}
                opacity="0.4"
                strokeWidth="2"
              />
            )}
            {untreated.has(point.stopId) ? (
              <rect
                x={x(point.at) - 3.5}
                y={y(point.y) - 3.5}
                width="7"
                height="7"
                fill="var(--paper)"
                strokeWidth="1.6"
              />
            ) : (
              <circle cx={x(point.at)} cy={y(point.y)} r="3.2" />
            )}
          </g>
        ))}
        {course.length === 1 && (
          <line
            x1={x(course[0]!.at)}
            x2={x(course[0]!.at)}
            y1={y(course[0]!.low)}
            y2={y(course[0]!.high)}
            stroke="var(--ink)"
            strokeWidth="2"
          />
        )}
        {view.events.map((each) => (
          <EffectBar
            key={each.event.id}
            x={x(new Date(each.event.happenedOn))}
            from={y(shown(each.without))}
            to={y(shown(each.with))}
            told={each.verdict === 'risen' || each.verdict === 'fallen'}
          />
        ))}
      </svg>
    </div>
  )
}
