import { useQuery } from '@tanstack/react-query'
import { useParams, useSearchParams } from 'react-router'
import { SavableChart } from '../charts/SavePicture'
import { queries } from '../queries/queries'
import type { ComparedPlace, DifferenceView, FaceLayout } from '../api/schema'
import { showDay } from '../words/dates'
import { FieldNav } from '../fields/FieldNav'
import { figureText } from '../fields/finding'
import { laid, type LaidFace } from '../fields/faceLayout'
import { Ground } from '../fields/Ground'
import { Select } from '../ui/controls'
import { asLevel, CrumbShape, levelFill } from '../ui/levels'
import { Failed, Loading } from '../ui/states'
import { useUnits } from '../units/units'

/** Two places or dates side by side: two faces joined by what differs most. */
export function ComparePage() {
  const { id } = useParams()
  const [search, setSearch] = useSearchParams()
  const field = useQuery(queries.field(id!))
  const stops = field.data?.stops ?? []
  // a poor and a good patch is what a comparison is mostly for: the first two stops, until others are chosen
  const side = (prefix: string, fallbackStop: string | undefined) => ({
    field: search.get(`${prefix}field`) ?? id!,
    stop:
      search.has(`${prefix}field`) || search.has(`${prefix}stop`) || search.has(`${prefix}visit`)
        ? (search.get(`${prefix}stop`) ?? undefined)
        : fallbackStop,
    visit: search.get(`${prefix}visit`) ?? undefined,
  })
  const one = side('', stops[1]?.id ?? stops[0]?.id)
  const other = side('other-', stops[0]?.id)
  const comparison = useQuery({ ...queries.compare(one, other), enabled: field.isSuccess })
  if (field.isPending) return <Loading what="the field" />
  if (field.isError) return <Failed error={field.error} retry={() => field.refetch()} />
  const choose = (prefix: string, next: Side) =>
    setSearch(
      (old) => {
        for (const key of ['field', 'stop', 'visit'] as const) old.delete(prefix + key)
        old.set(`${prefix}field`, next.field)
        if (next.stop) old.set(`${prefix}stop`, next.stop)
        if (next.visit) old.set(`${prefix}visit`, next.visit)
        return old
      },
      { replace: true },
    )
  return (
    <div className="grid content-start gap-5 px-5 py-6 sm:px-7">
      <header>
        <h1 className="text-3xl">
          {field.data.field.name} <span className="text-xl font-normal text-soft">compared</span>
        </h1>
        <FieldNav id={id!} />
      </header>
      <div className="grid gap-4 sm:grid-cols-2">
        <Chooser label="Here" side={one} onChange={(next) => choose('', next)} />
        <Chooser label="There" side={other} onChange={(next) => choose('other-', next)} />
      </div>
      {comparison.isPending && <Loading what="the comparison" />}
      {comparison.isError && <Failed error={comparison.error} retry={() => comparison.refetch()} />}
      {comparison.data && (
        <div className="grid gap-8 lg:grid-cols-[minmax(0,3fr)_minmax(20rem,2fr)]">
          <TwoFaces
            one={comparison.data.one}
            other={comparison.data.other}
            differences={comparison.data.differences}
            layout={comparison.data.layout}
          />
          <Sentences differences={comparison.data.differences} nothing={comparison.data.nothing} />
        </div>
      )}
    </div>
  )
}

type Side = { field: string; stop?: string; visit?: string }

function Chooser({ label, side, onChange }: { label: string; side: Side; onChange: (side: Side) => void }) {
  const fields = useQuery(queries.fields({ order: 'name' })).data ?? []
  const chosen = useQuery(queries.field(side.field)).data
  return (
    <fieldset className="grid grid-cols-3 items-end gap-2 border-t border-strong-rule pt-2">
      <legend className="pr-3 font-bold">{label}</legend>
      <label className="grid gap-1 text-sm text-soft">
        Field
        <Select value={side.field} onChange={(event) => onChange({ field: event.target.value })}>
          {!fields.some((each) => each.id === side.field) && chosen && (
            <option value={side.field}>{chosen.field.name}</option>
          )}
          {fields.map((each) => (
            <option key={each.id} value={each.id}>
              {each.name}
            </option>
          ))}
        </Select>
      </label>
      <label className="grid gap-1 text-sm text-soft">
        Stop
        <Select
          value={side.stop ?? ''}
          onChange={(event) => onChange({ ...side, stop: event.target.value || undefined })}
        >
          <option value="">all stops</option>
          {chosen?.stops.map((stop) => (
            <option key={stop.id} value={stop.id}>
              {stop.label}
            </option>
          ))}
        </Select>
      </label>
      <label className="grid gap-1 text-sm text-soft">
        Date
        <Select
          value={side.visit ?? ''}
          onChange={(event) => onChange({ ...side, visit: event.target.value || undefined })}
        >
          <option value="">newest of each test</option>
          {chosen?.visits.map((visit) => (
            <option key={visit.id} value={visit.id}>
              {showDay(visit.visitedOn)}
            </option>
          ))}
        </Select>
      </label>
    </fieldset>
  )
}

const WIDTH = 720
const SOIL = 92
const LEFT = 8
const RIGHT = WIDTH - LEFT - SOIL

/** Both faces with the strongest differences strung between them, each at the depth where it was read. */
function TwoFaces({
  one,
  other,
  differences,
  layout,
}: {
  one: ComparedPlace
  other: ComparedPlace
  differences: DifferenceView[]
  layout: FaceLayout
}) {
  const units = useUnits()
  const layerOf = (place: ComparedPlace, difference: DifferenceView) => {
    const finding = place.findings.find(
      (each) => each.indicator === difference.indicator && each.band === difference.band,
    )
    return finding?.depthTopMm === undefined
      ? undefined
      : { top: finding.depthTopMm, bottom: finding.depthBottomMm! }
  }
  const face = laid(layout)
  const shown = differences.filter((each) => each.defensible).slice(0, layout.rowY.length)
  const order = shown.map((each, i) => ({ each, y: face.rowY[i]! }))
  return (
    <SavableChart title="Two places by depth" unit={units.symbol('mm')}>
      <div className="overflow-x-auto">
        <svg viewBox={`0 -26 ${WIDTH} ${face.height + 30}`} className="w-full min-w-[560px]" aria-hidden>
          <FaceHead x={LEFT} anchor="start" place={one} />
          <FaceHead x={RIGHT + SOIL} anchor="end" place={other} />
          <Ground face={face} texture={one.texture} x={LEFT} width={SOIL} rootsTo={rootsOf(one)} />
          <Ground face={face} texture={other.texture} x={RIGHT} width={SOIL} rootsTo={rootsOf(other)} />
          <line x1="0" x2={WIDTH} y1={face.surface} y2={face.surface} stroke="var(--ink)" strokeWidth="1.5" />
          {order.map(({ each, y }) => (
            <Strand
              key={`${each.indicator}@${each.band}`}
              difference={each}
              y={y}
              face={face}
              layer={layerOf(one, each)}
              units={units}
            />
          ))}
          {shown.length === 0 && (
            <text x={WIDTH / 2} y={face.surface + 60} textAnchor="middle" fill="var(--soft)" fontSize="16">
              No difference you could defend.
            </text>
          )}
        </svg>
      </div>
    </SavableChart>
  )
}

function rootsOf(place: ComparedPlace) {
  const roots = place.findings.find((each) => each.indicator === 'rooting')
  return roots && roots.depthBottomMm! * roots.standing
}

function FaceHead({ x, anchor, place }: { x: number; anchor: 'start' | 'end'; place: ComparedPlace }) {
  return (
    <text x={x} y="-8" fontSize="16" fontWeight="700" textAnchor={anchor} fill="var(--ink)">
      {place.field}
      {place.stop ? `, ${place.stop}` : ''}
      <tspan fontWeight="400" fill="var(--soft)">
        {place.visitedOn ? `  ${showDay(place.visitedOn)}` : ''}
      </tspan>
    </text>
  )
}

function Strand({
  difference,
  y,
  face,
  layer,
  units,
}: {
  difference: DifferenceView
  y: number
  face: LaidFace
  layer: { top: number; bottom: number } | undefined
  units: ReturnType<typeof useUnits>
}) {
  const at = layer ? (face.y(layer.top) + face.y(layer.bottom)) / 2 : y
  const oneLevel = asLevel(difference.one.level)!
  const otherLevel = asLevel(difference.other.level)!
  const weight = Math.min(5, 0.8 + difference.ratio * 0.6)
  const middle = WIDTH / 2
  const text = (side: { figure?: number }) =>
    side.figure === undefined
      ? ''
      : figureText({ figure: side.figure, unit: difference.unit, pattern: difference.pattern }, units)
  const inner = LEFT + SOIL
  return (
    <g fontSize="14">
      <path
        d={`M${inner} ${at} L${inner + 26} ${y} H${inner + 32}`}
        stroke={levelFill[oneLevel]}
        strokeWidth={weight}
        fill="none"
      />
      <path
        d={`M${RIGHT} ${at} L${RIGHT - 26} ${y} H${RIGHT - 32}`}
        stroke={levelFill[otherLevel]}
        strokeWidth={weight}
        fill="none"
      />
      <g transform={`translate(${inner + 37} ${y - 7.5}) scale(0.75)`} fill={levelFill[oneLevel]}>
        <CrumbShape level={oneLevel} />
      </g>
      <text x={inner + 58} y={y + 5} fill={levelFill[oneLevel]} fontWeight="700">
        {text(difference.one) || difference.one.level}
      </text>
      <text x={middle} y={y + 5} textAnchor="middle" fill="var(--ink)">
        {difference.label}
      </text>
      <g transform={`translate(${RIGHT - 52} ${y - 7.5}) scale(0.75)`} fill={levelFill[otherLevel]}>
        <CrumbShape level={otherLevel} />
      </g>
      <text x={RIGHT - 58} y={y + 5} textAnchor="end" fill={levelFill[otherLevel]} fontWeight="700">
        {text(difference.other) || difference.other.level}
      </text>
    </g>
  )
}

/** The same in words, strongest first; what can't be told apart at the end. */
function Sentences({ differences, nothing }: { differences: DifferenceView[]; nothing: string | undefined }) {
  const units = useUnits()
  const told = differences.filter((each) => each.defensible)
  const alike = differences.filter((each) => !each.defensible)
  return (
    <section aria-label="In words" className="grid content-start gap-4">
      <h2 className="text-xl">
        {told.length > 0 ? 'What differs, strongest first' : 'No difference you could defend'}
      </h2>
      {nothing && <p className="text-soft">{nothing}</p>}
      <ol className="grid gap-2">
        {told.map((each) => {
          return (
            <li key={`${each.indicator}@${each.band}`} className="border-t border-rule pt-2 leading-snug">
              {units.prose(each.sentence)}
            </li>
          )
        })}
      </ol>
      {alike.length > 0 && (
        <details>
          <summary className="min-h-11 cursor-pointer content-center text-accent">
            {alike.length} more that can’t be told apart
          </summary>
          <ul className="grid gap-1 text-[15px] text-soft">
            {alike.map((each) => (
              <li key={`${each.indicator}@${each.band}`}>{units.prose(each.sentence)}</li>
            ))}
          </ul>
        </details>
      )}
    </section>
  )
}
