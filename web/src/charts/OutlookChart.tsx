import { extent } from 'd3-array'
import { scaleLinear, scaleTime } from 'd3-scale'
import { area, line } from 'd3-shape'
import { useRef } from 'react'
import type { Outlook } from '../api/schema'
import { useWidth } from '../ui/useWidth'
import { plainNumber } from '../units/units'
import { UprightAxis } from './UprightAxis'

/** Before the page knows how much room there is. */
const USUAL_WIDTH = 460
const HEIGHT = 280
const MARGIN = { top: 26, right: 14, bottom: 28, left: 46 }

/** What is expected, with its band; what was read on top. */
export function OutlookChart({ outlook }: { outlook: Outlook }) {
  const place = useRef<HTMLElement>(null)
  // drawn as wide as there is room, so that its words stay as large as all others
  const width = useWidth(place) || USUAL_WIDTH
  const parse = (points: Outlook['expected']) => points.map((point) => ({ ...point, at: new Date(point.on) }))
  const expected = parse(outlook.expected)
  const observed = parse(outlook.observed)
  const all = [...expected, ...observed]
  const [first, last] = extent(all, (point) => point.at)
  const [least, most] = extent(
    all.flatMap((point) => [
      point.low ?? point.value,
      point.high ?? point.value,
      outlook.target ?? point.value,
    ]),
  )
  const x = scaleTime()
    .domain([first!, last!])
    .range([MARGIN.left, width - MARGIN.right])
  const y = scaleLinear()
    .domain([least!, most!])
    .nice()
    .range([HEIGHT - MARGIN.bottom, MARGIN.top])
  type Point = (typeof expected)[number]
  const band = area<Point>()
    .x((point) => x(point.at))
    .y0((point) => y(point.low ?? point.value))
    .y1((point) => y(point.high ?? point.value))
  const middle = line<Point>()
    .x((point) => x(point.at))
    .y((point) => y(point.value))
  return (
    <figure ref={place}>
      <figcaption className="text-lg font-bold">{outlook.label}: expected and read</figcaption>
      <svg
        width={width}
        height={HEIGHT}
        role="img"
        aria-label={`${outlook.label}, expected ${expected.map((point) => `${point.on} ${plainNumber(point.value)}`).join('; ')}`}
      >
        <g fontSize="12" fill="var(--soft)">
          <UprightAxis
            scale={y}
            ticks={5}
            left={MARGIN.left}
            right={width - MARGIN.right}
            label={outlook.unit}
            labelY={12}
          />
          {x
            .ticks(width < 400 ? 4 : 6)
            .filter((tick) => tick.getMonth() === 0)
            .map((tick) => (
              <text key={tick.getTime()} x={x(tick)} y={HEIGHT - 8} textAnchor="middle">
                {tick.getFullYear()}
              </text>
            ))}
        </g>
        <path d={band(expected) ?? ''} fill="var(--water)" opacity="0.4" />
        <path
          d={middle(expected) ?? ''}
          fill="none"
          stroke="var(--water-deep)"
          strokeWidth="2"
          strokeDasharray="6 4"
        />
        {outlook.target !== undefined && (
          <g>
            <line
              x1={MARGIN.left}
              x2={width - MARGIN.right}
              y1={y(outlook.target)}
              y2={y(outlook.target)}
              stroke="var(--accent)"
            />
            <text
              x={width - MARGIN.right}
              y={y(outlook.target) - 5}
              textAnchor="end"
              fontSize="12"
              fill="var(--accent)"
            >
              wanted
            </text>
          </g>
        )}
        {observed.map((point) => (
          <g key={point.on} stroke="var(--ink)">
            <line
              x1={x(point.at)}
              x2={x(point.at)}
              y1={y(point.low ?? point.value)}
              y2={y(point.high ?? point.value)}
            />
            <circle cx={x(point.at)} cy={y(point.value)} r="3.6" fill="var(--ink)" />
          </g>
        ))}
      </svg>
      <p className="text-sm text-soft">{outlook.basis}</p>
    </figure>
  )
}
