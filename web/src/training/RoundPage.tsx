import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useMemo, useState } from 'react'
import { Link, Navigate, useNavigate } from 'react-router'
import type { MethodEntry } from '../api/schema'
import { queries } from '../queries/queries'
import { OwnTime } from '../timers/clocks'
import { Button, buttonLook, Labelled, Select } from '../ui/controls'
import { Loading } from '../ui/states'
import { useUnits } from '../units/units'
import { words } from '../words/dates'
import { LEVELS, useGround, type Ground, type Place, type TestLayer } from './ground'
import { newRound, useRounds, type ChangeRound, type Round } from './rounds'
import { RoundTime } from './RoundTime'
import { keyOf } from './TestPage'
import { useRoundTime } from './time'
import { VerdictView, verdictKey } from './VerdictView'

/** What is chosen where nothing limits, or nothing needs doing. */
const NOTHING = 'none'

/** A round: the place as it is found, the tests that can be made, and what the learner says of it. */
export function RoundPage() {
  const { rounds, current, put, change } = useRounds()
  const ground = useGround()
  const methods = useQuery(queries.methods()).data
  const [shown, setShown] = useState<string>()
  if (!rounds || !ground || !methods) return <Loading what="the ground" />
  const round = rounds.find((each) => each.id === shown) ?? current
  if (!round) return <Navigate to="/training" replace />
  return round.endedAt === undefined ? (
    <Playing
      key={round.id}
      round={round}
      ground={ground}
      methods={methods}
      change={change}
      onEnd={(ended) => {
        setShown(ended.id)
        put(ended)
      }}
    />
  ) : (
    <VerdictView
      round={round}
      ground={ground}
      methods={methods}
      onAgain={() => {
        put(newRound(round.person, round.deal))
        setShown(undefined)
      }}
    />
  )
}

function Playing({
  round,
  ground,
  methods,
  change,
  onEnd,
}: {
  round: Round
  ground: Ground
  methods: MethodEntry[]
  change: ChangeRound
  onEnd: (ended: Round) => void
}) {
  const navigate = useNavigate()
  const client = useQueryClient()
  const [looking, setLooking] = useState(false)
  const place = useMemo(() => ground.deal(round.deal), [ground, round.deal])
  const time = useRoundTime(round, methods, change)
  const minutes = round.made.reduce((sum, test) => sum + test.minutes, 0)
  const end = (named: string, action: string) => {
    const said = named === NOTHING ? undefined : named
    const done = action === NOTHING ? undefined : action
    setLooking(true)
    // the rule that it is held against plays the whole round too: let the page say so first
    setTimeout(() => {
      const verdict = ground.verdict(round.deal, round.made, said, done)
      client.setQueryData(verdictKey(round.id), verdict)
      onEnd({
        ...round,
        named: said,
        action: done,
        endedAt: Date.now(),
        score: verdict.score.total,
        minutes: verdict.minutes,
      })
    }, 30)
  }
  return (
    <OwnTime.Provider value={time.clockwork}>
      <div className="mx-auto grid w-full max-w-5xl gap-6 px-5 py-5 sm:px-7">
        <header className="grid gap-1">
          <div className="flex flex-wrap items-baseline gap-x-4">
            <h1 className="text-3xl">A soil nobody knows</h1>
            <span className="text-soft">
              {LEVELS.find((each) => each.code === round.deal.level)?.name}, soil {round.deal.seed}
            </span>
          </div>
          <PlaceWords place={place} />
          <div className="mt-2 flex flex-wrap items-center gap-x-6 gap-y-1 border-y border-rule py-1">
            <p aria-live="polite">
              <strong className="text-lg">{minutes} min</strong>{' '}
              <span className="text-soft">of work so far</span>
            </p>
            <RoundTime round={round} time={time} />
          </div>
        </header>
        <div className="grid gap-8 lg:grid-cols-[minmax(0,1.5fr)_minmax(0,1fr)]">
          <TestsDown round={round} place={place} methods={methods} />
          <Saying
            place={place}
            made={round.made.length}
            looking={looking}
            onSay={end}
            onLeave={() => {
              onEnd({ ...round, endedAt: Date.now() })
              void navigate('/training')
            }}
          />
        </div>
      </div>
    </OwnTime.Provider>
  )
}

/** What the day is like, and what is seen in walking in. */
function PlaceWords({ place }: { place: Place }) {
  const units = useUnits()
  const { soilMoisture, season, daysSinceRain, soilTempC } = place.context
  const days = Number(daysSinceRain)
  return (
    <>
      <p className="first-letter:uppercase">
        {words(place.landUse)}, {words(String(season))}, soil {words(String(soilMoisture))} and{' '}
        {units.text(Number(soilTempC), '°C')}, rain{' '}
        {days === 0 ? 'today' : `${days} ${days === 1 ? 'day' : 'days'} ago`}.
        {place.kitOnly && ' The meter stayed at home.'}
        {place.tapWater && ' Only tap water is left.'}
      </p>
      <p className="text-soft">
        Seen and told:{' '}
        {place.seen
          .map((each) => `${each.finding.toLowerCase()} ${each.state ?? units.text(each.figure ?? 0, '%')}`)
          .join(', ')}
        .
      </p>
    </>
  )
}

/** Sky, turf, and the soil as it goes down. */
const GROUND_TONES = [
  'color-mix(in oklab, var(--water) 45%, var(--paper))',
  'var(--soil-5)',
  'var(--soil-1)',
  'var(--soil-2)',
  'var(--soil-3)',
  'var(--soil-4)',
]

/** The tests as they lie in the ground, from what grows on it down; those made stand with what was read. */
function TestsDown({ round, place, methods }: { round: Round; place: Place; methods: MethodEntry[] }) {
  const families = [...new Set(methods.map((method) => method.family))]
  return (
    <section aria-label="Tests">
      {families.map((family, depth) => {
        const here = methods.filter(
          (method) => method.family === family && place.tests.some((test) => test.method === method.id),
        )
        if (here.length === 0) return null
        return (
          <div
            key={family}
            className="grid grid-cols-[1.25rem_5.5rem_minmax(0,1fr)] border-t border-strong-rule"
          >
            <span aria-hidden style={{ background: GROUND_TONES[depth % GROUND_TONES.length] }} />
            <h2 className="py-3 pl-3 text-sm font-normal text-soft">{words(family)}</h2>
            <ul className="py-1">
              {here.map((method) => (
                <TestRow
                  key={method.id}
                  method={method}
                  round={round}
                  minutes={place.tests.find((test) => test.method === method.id)!.minutes}
                  layers={place.tests.find((test) => test.method === method.id)!.layers}
                />
              ))}
            </ul>
          </div>
        )
      })}
    </section>
  )
}

function TestRow({
  method,
  round,
  minutes,
  layers,
}: {
  method: MethodEntry
  round: Round
  minutes: number
  layers: TestLayer[]
}) {
  const units = useUnits()
  const entries = layers.length > 0 ? layers : [undefined]
  return (
    <li className="flex flex-wrap items-center gap-x-3">
      {entries.map((layer, i) => {
        const key = keyOf(method.id, layer?.topMm)
        const made = round.made.find((each) => each.key === key)
        const begun = round.contents[key] !== undefined
        const path = `/training/round/${method.id}${layer ? `/${layer.topMm}` : ''}`
        return (
          <Link
            key={key}
            to={path}
            className={`inline-flex min-h-11 items-center gap-2 hover:underline ${i === 0 ? 'grow font-semibold' : 'text-accent'}`}
          >
            {made && <span aria-hidden>✓</span>}
            {i === 0 ? method.title : 'also'}{' '}
            {entries.length > 1 && layer && (
              <span className="text-[15px] font-normal whitespace-nowrap">
                {units.number(layer.topMm, 'mm')}–{units.text(layer.bottomMm, 'mm')}
              </span>
            )}{' '}
            <span className="text-[15px] font-normal whitespace-nowrap text-soft">
              {made ? 'read' : begun ? 'begun' : `${minutes} min`}
            </span>
          </Link>
        )
      })}
    </li>
  )
}

/** What the learner says: the first limit, and the first thing to do. */
function Saying({
  place,
  made,
  looking,
  onSay,
  onLeave,
}: {
  place: Place
  made: number
  looking: boolean
  onSay: (named: string, action: string) => void
  onLeave: () => void
}) {
  const [named, setNamed] = useState('')
  const [action, setAction] = useState('')
  return (
    <section
      aria-label="What you say"
      className="grid content-start gap-4 lg:border-l lg:border-rule lg:pl-6"
    >
      <h2 className="text-xl">What do you say?</h2>
      <Labelled label="What limits this soil first?">
        {(aria) => (
          <Select {...aria} value={named} onChange={(event) => setNamed(event.target.value)}>
            <option value="">…</option>
            <option value={NOTHING}>nothing: it is sound</option>
            {place.limits.map((each) => (
              <option key={each.code} value={each.code}>
                {each.name}
              </option>
            ))}
          </Select>
        )}
      </Labelled>
      <Labelled label="What would you do first?">
        {(aria) => (
          <Select {...aria} value={action} onChange={(event) => setAction(event.target.value)}>
            <option value="">…</option>
            <option value={NOTHING}>nothing</option>
            {place.actions.map((each) => (
              <option key={each.code} value={each.code}>
                {each.name}
              </option>
            ))}
          </Select>
        )}
      </Labelled>
      <Button
        kind="primary"
        className="min-h-13"
        disabled={!named || !action || looking}
        onClick={() => onSay(named, action)}
      >
        {looking ? 'Looking at what is there …' : 'Show the truth'}
      </Button>
      {made === 0 && (
        <p className="text-soft">
          No test made yet. You may guess; the minutes you save count only if you are right.
        </p>
      )}
      <div className="flex flex-wrap gap-x-4">
        <Link to="/training" className={buttonLook('quiet')}>
          Later
        </Link>
        <Button kind="quiet" onClick={onLeave}>
          Give this soil up
        </Button>
      </div>
    </section>
  )
}
