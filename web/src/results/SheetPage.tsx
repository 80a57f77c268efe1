import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useParams, useSearchParams } from 'react-router'
import { ApiError } from '../api/client'
import { queries } from '../queries/queries'
import type { Mark, PointsView, SheetRow, SheetView } from '../api/schema'
import { showDay, words } from '../words/dates'
import { FieldNav } from '../fields/FieldNav'
import { figureText } from '../fields/finding'
import { Functions } from '../fields/Functions'
import { Button, Choice, Select } from '../ui/controls'
import { asLevel, Crumb, LevelMark } from '../ui/levels'
import { useNarrow } from '../ui/narrow'
import { Failed, Loading, Notice } from '../ui/states'
import { useUnits } from '../units/units'

type School = 'flags' | 'points' | 'average'

const SCHOOLS: { code: School; label: string }[] = [
  { code: 'flags', label: 'Benchmark flags' },
  { code: 'points', label: 'Points sheet' },
  { code: 'average', label: 'Stop average' },
]

/** One visit of a field, stops across and indicators down by depth, as one of the schools marks it. */
export function SheetPage() {
  const { id } = useParams()
  const [search, setSearch] = useSearchParams()
  const visit = search.get('visit') ?? undefined
  const usual = useQuery(queries.practice()).data?.sheetSchool as School | undefined
  const school = (search.get('school') as School | null) ?? usual ?? 'flags'
  const query = useQuery(queries.sheet(id!, visit))
  if (query.isPending) return <Loading what="the sheet" />
  if (query.isError)
    return (
      <div className="px-5 py-7 sm:px-7">
        <FieldNav id={id!} />
        {!visit && query.error instanceof ApiError && query.error.status === 404 ? (
          <div className="grid max-w-xl gap-2 py-8">
            <h2 className="text-xl">No sheet yet</h2>
            <p className="text-soft">
              Nothing was tested here. Once a visit has its first test, its sheet stands here, stop beside
              stop.
            </p>
          </div>
        ) : (
          <Failed error={query.error} retry={() => query.refetch()} />
        )}
      </div>
    )
  const sheet = query.data
  const choose = (key: string, value: string) =>
    setSearch({ ...Object.fromEntries(search), [key]: value }, { replace: true })
  return (
    <div className="grid content-start gap-5 px-5 py-6 sm:px-7 print:gap-2 print:p-0 print:text-[9pt]">
      <header>
        <h1 className="text-3xl print:text-[15pt]">
          {sheet.field.name} <span className="text-xl print:text-[12pt] font-normal text-soft">sheet</span>
        </h1>
        <Day sheet={sheet} />
        <FieldNav id={id!} />
      </header>
      <div className="no-print flex flex-wrap items-end gap-4">
        <Choice label="School" options={SCHOOLS} value={school} onChange={(code) => choose('school', code)} />
        <label className="grid gap-1 text-sm text-soft">
          Visit
          <Select value={sheet.visitId} onChange={(event) => choose('visit', event.target.value)}>
            {sheet.visits.map((each) => (
              <option key={each.id} value={each.id}>
                {showDay(each.visitedOn)} ({each.measurements} tests)
              </option>
            ))}
          </Select>
        </label>
        <Button onClick={() => window.print()} className="ml-auto">
          Print
        </Button>
      </div>
      <Heads sheet={sheet} school={school} />
      {sheet.question && (
        <Notice severity="caution">
          Soil {Math.round(sheet.soil.percent!)} %, plants {Math.round(sheet.plant.percent!)} %.{' '}
          {sheet.question}
        </Notice>
      )}
      <Marks sheet={sheet} school={school} />
      <NotMeasured sheet={sheet} />
      {school === 'flags' && (
        <div className="no-print max-w-3xl">
          <Functions overall={sheet.overall} chosen={undefined} onChoose={() => {}} />
        </div>
      )}
    </div>
  )
}

function Day({ sheet }: { sheet: SheetView }) {
  const units = useUnits()
  const facts = [
    sheet.grower.name,
    showDay(sheet.visitedOn),
    sheet.person,
    sheet.soilMoisture && `soil ${sheet.soilMoisture}`,
    sheet.daysSinceRain !== undefined && `${sheet.daysSinceRain} d since rain`,
    sheet.soilTempC !== undefined && units.text(sheet.soilTempC, '°C'),
  ].filter(Boolean)
  return <p className="text-soft">{facts.join(' · ')}</p>
}

/** What the school says of the whole. */
function Heads({ sheet, school }: { sheet: SheetView; school: School }) {
  if (school === 'points')
    return (
      <div className="flex flex-wrap gap-x-12 gap-y-2">
        <Points label="Soil sheet" points={sheet.soil} />
        <Points label="Plant sheet" points={sheet.plant} />
      </div>
    )
  if (school === 'average') {
    const mean = sheet.rows.reduce((sum, row) => sum + row.stopAverage, 0) / (sheet.rows.length || 1)
    return (
      <p>
        <strong className="text-2xl print:text-[13pt]">{mean.toFixed(1)}</strong> of 3{' '}
        <span className="text-soft">over all that was measured; good 3, fair 2, poor 1 at each stop</span>
      </p>
    )
  }
  const count = (flag: string) => sheet.rows.filter((row) => row.field.flag === flag).length
  const level = asLevel(sheet.overall.level)
  return (
    <p className="flex flex-wrap items-baseline gap-x-6">
      <strong className="text-2xl print:text-[13pt]">{count('look-into')} to look into</strong>
      <span>{count('watch')} to watch</span>
      <span>{count('hold')} hold</span>
      {level && (
        <span>
          lowest function <LevelMark level={level} />
        </span>
      )}
    </p>
  )
}

function Points({ label, points }: { label: string; points: PointsView }) {
  return (
    <p>
      <span className="block text-sm text-soft">{label}</span>
      <strong className="text-2xl print:text-[13pt]">
        {points.percent === undefined ? '–' : `${Math.round(points.percent)} %`}
      </strong>{' '}
      {points.grade ?? 'nothing measured'}
    </p>
  )
}

type MarksProps = { sheet: SheetView; school: School }

function rowsOf({ sheet, school }: MarksProps) {
  return school === 'points'
    ? sheet.rows.filter((row) => row.soilWeight !== undefined || row.plantWeight !== undefined)
    : sheet.rows
}

function Marks(props: MarksProps) {
  return useNarrow() ? <OneStop {...props} /> : <AllStops {...props} />
}

const FIELD = 'field'

/** On a phone: the field, or one stop at a time, down by depth. */
function OneStop({ sheet, school }: MarksProps) {
  const units = useUnits()
  const [stop, setStop] = useState(FIELD)
  const rows = rowsOf({ sheet, school })
  return (
    <div className="grid gap-3">
      <Choice
        label="Whose marks"
        options={[
          { code: FIELD, label: 'Field' },
          ...sheet.stops.map((each) => ({ code: each.id, label: each.label })),
        ]}
        value={stop}
        onChange={setStop}
      />
      <ul>
        {rows.map((row, i) => {
          const mark = stop === FIELD ? row.field : row.stops[stop]
          const figure =
            stop === FIELD
              ? figureOf(row, units)
              : mark?.figure === undefined
                ? ''
                : figureText({ figure: mark.figure, unit: mark.unit, pattern: row.pattern }, units)
          const weight = row.soilWeight ?? row.plantWeight
          return (
            <li key={`${row.indicator}@${row.band}`}>
              {row.band !== rows[i - 1]?.band && (
                <h2 className="pt-3 pb-1 text-sm font-semibold text-soft">{units.prose(row.depth)}</h2>
              )}
              <div className="grid min-h-11 grid-cols-[minmax(0,1fr)_auto_6.5rem] items-center gap-x-3 border-t border-rule">
                <span>
                  {row.label}
                  {school === 'points' && <span className="text-soft"> ×{weight}</span>}
                  {mark?.odd && <span className="text-sm text-strained"> odd</span>}
                </span>
                <span className="text-right text-soft">{figure}</span>
                {!mark ? (
                  <span className="text-sm text-soft">not measured</span>
                ) : stop === FIELD ? (
                  <span className="inline-flex items-center gap-1.5 font-semibold">
                    {school === 'average' ? (
                      row.stopAverage.toFixed(1)
                    ) : (
                      <MarkText mark={mark} school={school} />
                    )}
                  </span>
                ) : (
                  <Link
                    to={`/measurements/${mark.measurementId}`}
                    className="inline-flex min-h-11 items-center gap-1.5 underline-offset-4 hover:underline"
                  >
                    <MarkText mark={mark} school={school} />
                  </Link>
                )}
              </div>
            </li>
          )
        })}
      </ul>
    </div>
  )
}

function AllStops({ sheet, school }: MarksProps) {
  const units = useUnits()
  const rows = rowsOf({ sheet, school })
  const odd = (row: SheetRow) => sheet.stops.filter((stop) => row.stops[stop.id]?.odd)
  return (
    <div className="overflow-x-auto">
      <table className="w-full max-w-5xl border-collapse text-[15px] print:text-[8pt] print:leading-tight">
        <thead>
          <tr className="border-b border-strong-rule text-left align-bottom">
            <th scope="col" className="py-2 pr-3 font-semibold">
              {school === 'points' ? 'Indicator, weight' : 'Indicator'}
            </th>
            {sheet.stops.map((stop) => (
              <th key={stop.id} scope="col" className="px-2 py-2 text-center font-semibold">
                {stop.label}
              </th>
            ))}
            <th scope="col" className="px-2 py-2 text-left font-semibold">
              Field
            </th>
            <th scope="col" className="py-2 pl-2 text-left font-semibold">
              Middle figure
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) => {
            const heads = row.band !== rows[i - 1]?.band
            const weight = row.soilWeight ?? row.plantWeight
            return [
              heads && (
                <tr key={row.band}>
                  <th
                    colSpan={sheet.stops.length + 3}
                    scope="rowgroup"
                    className="pt-3 pb-1 text-left text-sm font-semibold text-soft print:pt-1 print:pb-0 print:text-[8pt]"
                  >
                    {units.prose(row.depth)}
                  </th>
                </tr>
              ),
              <tr key={`${row.indicator}@${row.band}`} className="border-t border-rule">
                <th scope="row" className="py-1.5 pr-3 text-left font-normal print:py-[1pt]">
                  {row.label}
                  {school === 'points' && <span className="text-soft"> ×{weight}</span>}
                  {odd(row).length > 0 && (
                    <span className="text-sm text-strained print:text-[8pt]">
                      {' '}
                      {odd(row)
                        .map((stop) => stop.label)
                        .join(', ')}{' '}
                      odd
                    </span>
                  )}
                </th>
                {sheet.stops.map((stop) => {
                  const mark = row.stops[stop.id]
                  return (
                    <td key={stop.id} className="px-2 py-1.5 text-center print:py-[1pt]">
                      {mark ? (
                        <Link
                          to={`/measurements/${mark.measurementId}`}
                          title="Readings and working"
                          className="inline-flex min-h-7 items-center gap-1.5 hover:underline max-lg:min-h-11 print:min-h-0 print:no-underline"
                        >
                          <MarkText mark={mark} school={school} />
                        </Link>
                      ) : (
                        <span className="text-soft" title="not measured">
                          ·<span className="sr-only">not measured</span>
                        </span>
                      )}
                    </td>
                  )
                })}
                <td className="px-2 py-1.5 print:py-[1pt]">
                  <span className="inline-flex items-center gap-1.5 font-semibold">
                    {school === 'average' ? (
                      row.stopAverage.toFixed(1)
                    ) : (
                      <MarkText mark={row.field} school={school} />
                    )}
                  </span>
                </td>
                <td className="py-1.5 pl-2 text-soft print:py-[1pt]">{figureOf(row, units)}</td>
              </tr>,
            ]
          })}
        </tbody>
      </table>
    </div>
  )
}

function figureOf(row: SheetRow, units: ReturnType<typeof useUnits>) {
  const marks = Object.values(row.stops).filter((mark) => mark.figure !== undefined)
  if (marks.length === 0) return ''
  const sorted = marks.map((mark) => mark.figure!).sort((a, b) => a - b)
  const half = sorted.length / 2
  const figure = sorted.length % 2 ? sorted[Math.floor(half)]! : (sorted[half - 1]! + sorted[half]!) / 2
  return figureText({ figure, unit: marks[0]!.unit, pattern: row.pattern }, units)
}

const FLAGS: Record<string, string> = { 'look-into': 'font-bold', watch: '', hold: 'text-soft' }

function MarkText({ mark, school }: { mark: Mark; school: School }) {
  const level = asLevel(mark.level)!
  const text =
    school === 'points'
      ? String(Number(mark.points.toFixed(2)))
      : school === 'average'
        ? mark.grade
        : words(mark.flag)
  return (
    <>
      <Crumb level={level} size={13} />
      {/* the crumb has the colour of its level; a flag is one word in one colour */}
      <span className={school === 'flags' ? FLAGS[mark.flag] : ''}>{text}</span>
      <span className="sr-only">, {level}</span>
    </>
  )
}

function NotMeasured({ sheet }: { sheet: SheetView }) {
  const missing = [...sheet.soil.notMeasured, ...sheet.plant.notMeasured]
  if (missing.length === 0) return null
  return <p className="text-sm text-soft">Not measured on this visit: {missing.join(', ')}.</p>
}
