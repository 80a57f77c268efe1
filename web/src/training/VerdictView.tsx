import { useQuery } from '@tanstack/react-query'
import { useMemo } from 'react'
import { Link } from 'react-router'
import type { MethodEntry } from '../api/schema'
import { Button, buttonLook } from '../ui/controls'
import { asLevel, Crumb } from '../ui/levels'
import { Loading } from '../ui/states'
import { useUnits } from '../units/units'
import { words } from '../words/dates'
import type { Beside, Ground, Place, Verdict } from './ground'
import type { Round } from './rounds'

const MISLED_SHOWN = 6

export const verdictKey = (round: string) => ['verdict', round]

/** The truth beside what was read, what misled and why, and what would have told most. */
export function VerdictView({
  round,
  ground,
  methods,
  onAgain,
}: {
  round: Round
  ground: Ground
  methods: MethodEntry[]
  onAgain: () => void
}) {
  const place = useMemo(() => ground.deal(round.deal), [ground, round.deal])
  const { data: verdict } = useQuery({
    queryKey: verdictKey(round.id),
    staleTime: Infinity,
    queryFn: () => ground.verdict(round.deal, round.made, round.named, round.action),
  })
  if (!verdict) return <Loading what="what is there" />
  return (
    <div className="mx-auto grid w-full max-w-5xl grid-cols-[minmax(0,1fr)] gap-7 px-5 py-5 sm:px-7">
      <Headline verdict={verdict} place={place} />
      <Score verdict={verdict} place={place} action={round.action} />
      <Truth verdict={verdict} />
      <Misled verdict={verdict} place={place} />
      <NextBest verdict={verdict} place={place} methods={methods} />
      <ReadBeside readings={verdict.readings} methods={methods} />
      <div className="flex flex-wrap gap-3 border-t border-rule pt-5">
        <Button kind="primary" className="min-h-13" onClick={onAgain}>
          The same soil again
        </Button>
        <Link to="/training" className={buttonLook('plain')}>
          Another soil
        </Link>
      </div>
    </div>
  )
}

const nameOf = (place: Place, code: string | undefined) =>
  place.limits.find((each) => each.code === code)?.name

function Headline({ verdict, place }: { verdict: Verdict; place: Place }) {
  const worst = verdict.truth[0]
  const said = nameOf(place, verdict.named)
  const likeliest = verdict.believed[0]
  const right = worst ? verdict.truth.some((each) => each.constraint === verdict.named) : !said
  return (
    <header className="grid gap-1">
      <h1 className="text-3xl">{worst ? `${worst.sentence}.` : 'Nothing limits this soil.'}</h1>
      <p className="text-lg">
        You said: <strong>{said ?? 'it is sound'}</strong>.{' '}
        {right
          ? worst && worst.constraint !== verdict.named
            ? 'It is there too, but this one is the worse.'
            : 'That is right.'
          : said
            ? worst
              ? 'That is not what limits it.'
              : 'It is sound.'
            : 'There was something to find.'}
      </p>
      {likeliest && verdict.readings.length > 0 && (
        <p className="text-soft">
          What you read makes {nameOf(place, likeliest.constraint)?.toLowerCase()} likeliest,{' '}
          {Math.round(100 * likeliest.probability)} %.
        </p>
      )}
      {verdict.truth.length > 1 && (
        <p className="text-soft">
          Also there:{' '}
          {verdict.truth
            .slice(1)
            .map((each) => nameOf(place, each.constraint)?.toLowerCase())
            .join(', ')}
          .
        </p>
      )}
    </header>
  )
}

function Score({ verdict, place, action }: { verdict: Verdict; place: Place; action: string | undefined }) {
  const { score } = verdict
  const named = (code: string) => place.actions.find((each) => each.code === code)?.name.toLowerCase() ?? code
  const parts = [
    { name: 'The first limit', points: score.limit, of: 60 },
    { name: 'The first action', points: score.action, of: 20 },
    { name: 'The minutes', points: score.minutes, of: 20 },
  ]
  return (
    <section aria-label="Score" className="grid gap-2">
      <p className="flex items-baseline gap-3">
        <strong className="text-4xl">{score.total}</strong>
        <span className="text-soft">of 100</span>
      </p>
      <ul className="grid gap-1.5 sm:max-w-xl">
        {parts.map((part) => (
          <li key={part.name} className="grid grid-cols-[8.5rem_1fr_4.5rem] items-center gap-3">
            <span>{part.name}</span>
            <span className="h-3 border border-strong-rule" aria-hidden>
              <span className="block h-full bg-ink" style={{ width: `${(100 * part.points) / part.of}%` }} />
            </span>
            <span>
              {part.points} <span className="text-soft">of {part.of}</span>
            </span>
          </li>
        ))}
      </ul>
      <p>
        {verdict.actions.length === 0
          ? 'Nothing needed doing.'
          : `What helps here: ${verdict.actions.map(named).join(', ')}.`}{' '}
        {action && !verdict.actions.includes(action) && `You chose: ${named(action)}.`}
      </p>
      <p className="text-soft">
        You worked {verdict.minutes} min. Choosing each time what tells most for its minutes takes{' '}
        {verdict.parMinutes} min on this soil.
      </p>
    </section>
  )
}

const GROUND: [string, string, string][] = [
  ['ph', 'pH of the topsoil', 'pH'],
  ['deepPh', 'pH of the subsoil', 'pH'],
  ['eceDsM', 'Salt, ECe', 'dS/m'],
  ['espPct', 'Exchangeable sodium', '%'],
  ['layerMm', 'A hard layer from', 'mm'],
  ['infiltrationMmH', 'Water in at the surface', 'mm/h'],
  ['organicPct', 'Organic matter', '%'],
]

function Truth({ verdict }: { verdict: Verdict }) {
  const units = useUnits()
  const { ground } = verdict
  return (
    <section className="grid gap-2">
      <h2 className="text-xl">The soil as it is</h2>
      <dl className="grid gap-x-8 gap-y-1 sm:grid-cols-2">
        <div className="flex justify-between border-t border-rule py-1">
          <dt>Texture</dt>
          <dd className="font-semibold">{words(String(ground.textureClass))}</dd>
        </div>
        {GROUND.map(([name, label, unit]) => (
          <div key={name} className="flex justify-between border-t border-rule py-1">
            <dt>{label}</dt>
            <dd className="font-semibold">
              {name === 'layerMm' && ground[name] === 0
                ? 'none'
                : units.text(Number(Number(ground[name]).toPrecision(2)), unit)}
            </dd>
          </div>
        ))}
      </dl>
    </section>
  )
}

function Misled({ verdict, place }: { verdict: Verdict; place: Place }) {
  const rows = verdict.misled.slice(0, MISLED_SHOWN)
  return (
    <section className="grid gap-2">
      <h2 className="text-xl">What misled</h2>
      {rows.length === 0 ? (
        <p className="text-soft">Nothing you read spoke against the truth.</p>
      ) : (
        <ul>
          {rows.map((row, i) => (
            <li key={i} className="border-t border-rule py-2">
              <p>
                <strong>
                  {row.finding}: {row.state}
                </strong>{' '}
                spoke {row.there ? 'against' : 'for'} {nameOf(place, row.constraint)?.toLowerCase()}, which is{' '}
                {row.there ? 'there' : 'not there'}.
              </p>
              <p className="text-soft">{row.because}</p>
            </li>
          ))}
        </ul>
      )}
    </section>
  )
}

function NextBest({ verdict, place, methods }: { verdict: Verdict; place: Place; methods: MethodEntry[] }) {
  const { next } = verdict
  const title = (id: string) => methods.find((method) => method.id === id)?.title ?? id
  return (
    <section className="grid gap-1">
      <h2 className="text-xl">What one more test would have told</h2>
      {next ? (
        <p>
          <strong>
            {title(next.method)}, {next.minutes} min
          </strong>
          {next.state && `: it would have shown ${next.finding.toLowerCase()} ${next.state}`}. After it{' '}
          {next.first
            ? `${nameOf(place, next.first)?.toLowerCase()} would have stood first, ${Math.round(100 * next.probability)} % sure`
            : 'still nothing would have been named'}
          .
        </p>
      ) : (
        <p className="text-soft">Nothing worth its minutes was left.</p>
      )}
      {verdict.parTests.length > 0 && (
        <p className="text-soft">
          By what tells most for its minutes, from the start: {verdict.parTests.map(title).join(', ')}.
        </p>
      )}
    </section>
  )
}

/** What was read, what it showed, and what the best day would have shown. */
function ReadBeside({ readings, methods }: { readings: Beside[]; methods: MethodEntry[] }) {
  const units = useUnits()
  if (readings.length === 0) return null
  const cell = (part: { value?: number; unit?: string; level?: string } | undefined) => {
    const level = asLevel(part?.level)
    return (
      <span className="inline-flex items-center gap-1.5">
        {level && <Crumb level={level} />}
        {part?.value !== undefined
          ? units.text(Number(part.value.toPrecision(3)), part.unit ?? '')
          : (level ?? '–')}
        {part?.value !== undefined && level && <span className="sr-only">{level}</span>}
      </span>
    )
  }
  return (
    <section className="grid grid-cols-[minmax(0,1fr)] gap-2">
      <h2 className="text-xl">Truth beside reading</h2>
      <div className="overflow-x-auto">
        <table className="w-full text-left">
          <thead>
            <tr className="text-sm text-soft">
              <th className="font-normal">Test</th>
              <th className="font-normal">You read</th>
              <th className="font-normal">It showed</th>
              <th className="font-normal">On the best day</th>
            </tr>
          </thead>
          <tbody>
            {readings.flatMap((each, i) => {
              const title = methods.find((method) => method.id === each.method)?.title ?? each.method
              const depth =
                each.topMm !== undefined && each.bottomMm !== undefined
                  ? `${units.number(each.topMm, 'mm')}–${units.text(each.bottomMm, 'mm')}`
                  : ''
              const rows = each.rows.map((row) => (
                <tr key={`${i}${row.indicator}`} className="border-t border-rule">
                  <td className="py-1 pr-3">
                    {title}
                    {each.rows.length > 1 && `, ${row.label.toLowerCase()}`}{' '}
                    <span className="text-sm text-soft">{depth}</span>
                  </td>
                  <td className="pr-3 font-semibold">{cell(row.read)}</td>
                  <td className="pr-3">{cell(row.shown)}</td>
                  <td>{cell(row.best)}</td>
                </tr>
              ))
              return each.classThere
                ? [
                    ...rows,
                    <tr key={`${i}class`} className="border-t border-rule">
                      <td className="py-1 pr-3">{title}</td>
                      <td className="pr-3 font-semibold">{each.classRead ? words(each.classRead) : '–'}</td>
                      <td className="pr-3" />
                      <td>{words(each.classThere)}</td>
                    </tr>,
                  ]
                : rows
            })}
          </tbody>
        </table>
      </div>
    </section>
  )
}
