import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { api, must } from '../api/client'
import { queries } from '../queries/queries'
import { Button, buttonLook, Labelled, QuantityInput, Select } from '../ui/controls'
import { Loading } from '../ui/states'
import { showDay } from '../words/dates'
import { LEVELS, type Deal, type Level } from './ground'
import { freshSeed, isSeed, newRound, useRounds, type Round } from './rounds'
import { ScoreLine } from './ScoreLine'

/** A soil is suspected of what a real field is believed to have from this on. */
const SUSPECTED_FROM = 0.25

/** Where one practises: a round to begin or go on with, how the last ones went, and sessions with others. */
export function TrainingPage() {
  const navigate = useNavigate()
  const { person, rounds, current, put } = useRounds()
  const [level, setLevel] = useState<Level>('clear')
  const [seed, setSeed] = useState<number>()
  if (!person || !rounds) return <Loading what="your rounds" />
  const begin = (deal: Deal) => {
    // a round that is left is over; its places can be played again
    if (current) put({ ...current, endedAt: Date.now() })
    put(newRound(person, deal))
    void navigate('/training/round')
  }
  const ended = rounds.filter((round) => round.score !== undefined)
  return (
    <div className="mx-auto grid w-full max-w-5xl gap-8 px-5 py-6 sm:px-7">
      <div>
        <h1 className="text-3xl">Training ground</h1>
        <p className="max-w-2xl text-soft">
          A made-up soil whose truth is known. Test what you choose, pay in minutes, name what limits it first
          and what you would do; then see what was really there. Nothing of it enters your fields.
        </p>
      </div>
      {current && (
        <section className="flex flex-wrap items-center gap-4 border-l-3 border-accent pl-4">
          <p className="grow">
            A round is under way: {current.made.length} {current.made.length === 1 ? 'test' : 'tests'} made,
            soil {current.deal.seed}.
          </p>
          <Link to="/training/round" className={buttonLook('primary')}>
            Go on
          </Link>
        </section>
      )}
      <section className="grid gap-4">
        <h2 className="text-xl">A new round</h2>
        <div role="radiogroup" aria-label="How hard" className="grid gap-2 md:grid-cols-3">
          {LEVELS.map((each) => (
            <button
              key={each.code}
              type="button"
              role="radio"
              aria-checked={level === each.code}
              onClick={() => setLevel(each.code)}
              className="grid min-h-16 content-start gap-0.5 rounded-sm border border-strong-rule bg-paper px-4 py-3 text-left aria-checked:border-3 aria-checked:border-ink"
            >
              <span className="text-lg font-bold">{each.name}</span>
              <span className="text-soft">{each.words}</span>
            </button>
          ))}
        </div>
        <div className="flex flex-wrap items-end gap-4">
          <Button
            kind="primary"
            className="min-h-13"
            disabled={seed !== undefined && !isSeed(seed)}
            onClick={() => begin({ seed: seed ?? freshSeed(), level })}
          >
            Draw a soil
          </Button>
          <QuantityInput
            label="Soil number, to play one of somebody else’s"
            unit=""
            value={seed}
            onChange={setSeed}
            error={seed !== undefined && !isSeed(seed) ? 'A whole number up to 999999.' : undefined}
          />
          <LikeAField onDeal={(like) => begin({ seed: freshSeed(), level, like })} />
        </div>
      </section>
      <section className="grid gap-3">
        <h2 className="text-xl">Your rounds</h2>
        {ended.length === 0 ? (
          <p className="text-soft">
            None yet. After a round its score stands here, round by round, and the same soil can be played
            again.
          </p>
        ) : (
          <>
            <ScoreLine rounds={ended} />
            <RoundList rounds={ended.slice(0, 12)} onAgain={(round) => begin(round.deal)} />
          </>
        )}
      </section>
      <section className="grid justify-items-start gap-2 border-t border-rule pt-5">
        <h2 className="text-xl">With others</h2>
        <p className="max-w-2xl text-soft">
          Score the same places, each on an own phone, and see how far you agree and who is harsh by how much.
        </p>
        <Link to="/calibration" className={buttonLook('plain')}>
          Calibration sessions
        </Link>
      </section>
    </div>
  )
}

function RoundList({ rounds, onAgain }: { rounds: Round[]; onAgain: (round: Round) => void }) {
  return (
    <ul>
      {rounds.map((round) => (
        <li
          key={round.id}
          className="flex flex-wrap items-center gap-x-5 border-t border-rule py-1 last:border-b"
        >
          <strong className="w-10 text-right text-lg">{round.score}</strong>
          <span className="grow">
            {LEVELS.find((each) => each.code === round.deal.level)?.name}
            {round.deal.like && ', like a field'}, soil {round.deal.seed}, {round.minutes} min of work
          </span>
          <span className="text-sm text-soft">
            {showDay(new Date(round.begunAt).toISOString().slice(0, 10))}
          </span>
          <Button kind="quiet" onClick={() => onAgain(round)}>
            The same soil again
          </Button>
        </li>
      ))}
    </ul>
  )
}

/** A made-up soil like a real field: its use, its texture, and what is believed of it. */
function LikeAField({ onDeal }: { onDeal: (like: Deal['like']) => void }) {
  const fields = useQuery(queries.fields()).data
  const [chosen, setChosen] = useState('')
  const [failed, setFailed] = useState(false)
  if (!fields || fields.length === 0) return null
  const draw = async () => {
    setFailed(false)
    try {
      const path = { params: { path: { id: chosen } } }
      const [limits, field] = await Promise.all([
        must(api.GET('/api/fields/{id}/limits', path)),
        must(api.GET('/api/fields/{id}', path)),
      ])
      onDeal({
        landUse: field.field.landUse,
        textureClass: field.field.textureClass,
        suspected: limits.constraints
          .filter((each) => each.probability >= SUSPECTED_FROM)
          .map((each) => ({ constraint: each.constraint, probability: each.probability })),
      })
    } catch {
      setFailed(true)
    }
  }
  return (
    <div className="flex flex-wrap items-end gap-2">
      <Labelled label="or one like a field of yours">
        {(aria) => (
          <Select {...aria} value={chosen} onChange={(event) => setChosen(event.target.value)}>
            <option value="">choose a field …</option>
            {fields.map((field) => (
              <option key={field.id} value={field.id}>
                {field.name}
              </option>
            ))}
          </Select>
        )}
      </Labelled>
      <Button className="min-h-13" disabled={!chosen} onClick={() => void draw()}>
        Draw one like it
      </Button>
      {failed && (
        <p role="alert" className="basis-full text-failing">
          What is known of this field was never read on this device. Open its limits once with signal.
        </p>
      )}
    </div>
  )
}
