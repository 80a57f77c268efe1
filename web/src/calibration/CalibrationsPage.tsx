import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { v7 as uuid } from 'uuid'
import { api, ApiError, must } from '../api/client'
import type { Calibration, CalibrationTest } from '../api/schema'
import { PhotosRight } from '../photos/FromPhoto'
import { queries } from '../queries/queries'
import { Button, Check, Input, Labelled, QuantityInput } from '../ui/controls'
import { Failed, Loading } from '../ui/states'
import { showDay } from '../words/dates'
import { memberOf, rememberMember } from './member'

const MOST_PLACES = 40
const MOST_PEOPLE = 12

/** Sessions in which several people score the same places: join one, make one, or look at an old one. */
export function CalibrationsPage() {
  const list = useQuery(queries.calibrations())
  if (list.isPending) return <Loading what="the sessions" />
  if (list.isError) return <Failed error={list.error} retry={() => list.refetch()} />
  const { sessions, tests, photos } = list.data
  return (
    <div className="mx-auto grid w-full max-w-5xl gap-8 px-5 py-6 sm:px-7">
      <div>
        <h1 className="text-3xl">Do we score alike?</h1>
        <p className="max-w-2xl text-soft">
          Walk to the same places, score each for yourself, and look at the scores together when all are in.
          What you learn is shown beside later scores; it changes none of them.
        </p>
      </div>
      <div className="grid gap-8 md:grid-cols-2">
        <Join />
        <NewSession tests={tests} />
      </div>
      <PhotosRight photos={photos} />
      <section className="grid gap-2">
        <h2 className="text-xl">Sessions so far</h2>
        {sessions.length === 0 ? (
          <p className="text-soft">
            None yet. Make one, read its code out, and let everybody join on an own phone.
          </p>
        ) : (
          <ul>
            {sessions.map((session) => (
              <SessionRow key={session.id} session={session} tests={tests} />
            ))}
          </ul>
        )}
      </section>
    </div>
  )
}

function SessionRow({ session, tests }: { session: Calibration; tests: CalibrationTest[] }) {
  const person = useQuery(queries.session()).data?.me?.id
  const scoring = person !== undefined && memberOf(person, session.id) !== undefined
  const titles = session.tests.map((id) => tests.find((test) => test.id === id)?.title ?? id)
  return (
    <li className="border-t border-rule last:border-b">
      <Link
        to={`/calibration/${session.id}`}
        className="flex min-h-13 flex-wrap items-center gap-x-5 py-1.5 hover:underline"
      >
        <strong className="grow">{session.title}</strong>
        <span className="text-soft">
          {titles.join(', ').toLowerCase()}, {session.places} {session.places === 1 ? 'place' : 'places'}
        </span>
        <span className="text-soft">{showDay(session.madeAt.slice(0, 10))}</span>
        <span className={session.closedAt ? 'text-soft' : 'font-semibold'}>
          {session.closedAt ? 'shown' : scoring ? 'go on scoring' : `open, code ${session.code}`}
        </span>
      </Link>
    </li>
  )
}

/** The fault of a field, in words, as the server told it. */
function faultOf(error: Error | null, field: string) {
  return error instanceof ApiError
    ? error.faults.find((fault) => fault.field.startsWith(field))?.message
    : undefined
}

function Join() {
  const navigate = useNavigate()
  const client = useQueryClient()
  const [code, setCode] = useState('')
  const [name, setName] = useState('')
  const [member] = useState(() => uuid())
  const person = useQuery(queries.session()).data?.me?.id
  const join = useMutation({
    mutationFn: (who: { code: string; name: string }) =>
      must(api.POST('/api/calibration-members', { body: { ...who, member } })),
    onSuccess: async (view) => {
      if (person) rememberMember(person, view.calibration.id, member)
      await client.invalidateQueries({ queryKey: queries.calibrations().queryKey })
      void navigate(`/calibration/${view.calibration.id}`)
    },
  })
  return (
    <form
      noValidate
      aria-label="Join a session"
      className="grid content-start gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        join.mutate({ code, name })
      }}
    >
      <h2 className="text-xl">Join a session</h2>
      <Labelled label="Code, as it was read out" error={faultOf(join.error, 'code')}>
        {(aria) => (
          <Input
            {...aria}
            autoComplete="off"
            autoCapitalize="characters"
            maxLength={12}
            className="min-h-14 text-2xl font-bold tracking-widest uppercase"
            value={code}
            onChange={(event) => setCode(event.target.value)}
          />
        )}
      </Labelled>
      <Labelled label="Who scores on this phone" error={faultOf(join.error, 'name')}>
        {(aria) => (
          <Input {...aria} maxLength={100} value={name} onChange={(event) => setName(event.target.value)} />
        )}
      </Labelled>
      <Button
        kind="primary"
        type="submit"
        className="min-h-13"
        disabled={code.trim() === '' || name.trim() === '' || join.isPending}
      >
        {join.isPending ? 'Joining …' : 'Join'}
      </Button>
      {join.isError && !faultOf(join.error, 'code') && !faultOf(join.error, 'name') && (
        <p role="alert" className="text-failing">
          {join.error instanceof ApiError
            ? (join.error.faults[0]?.message ?? join.error.message)
            : 'Joining needs signal. Scores can be given without it after that.'}
        </p>
      )}
    </form>
  )
}

function NewSession({ tests }: { tests: CalibrationTest[] }) {
  const navigate = useNavigate()
  const client = useQueryClient()
  const [title, setTitle] = useState('')
  const [chosen, setChosen] = useState<string[]>(() => tests.slice(0, 1).map((test) => test.id))
  const [places, setPlaces] = useState<number | undefined>(8)
  const [people, setPeople] = useState<number | undefined>(2)
  const [id] = useState(() => uuid())
  const make = useMutation({
    mutationFn: (body: { title: string; tests: string[]; places: number; people: number }) =>
      must(api.PUT('/api/calibrations/{id}', { params: { path: { id } }, body: { ...body, version: 0 } })),
    onSuccess: async (session) => {
      await client.invalidateQueries({ queryKey: queries.calibrations().queryKey })
      void navigate(`/calibration/${session.id}`)
    },
  })
  const whole = (count: number | undefined, least: number, most: number) =>
    count !== undefined && Number.isInteger(count) && count >= least && count <= most
  const ready =
    title.trim() !== '' && chosen.length > 0 && whole(places, 1, MOST_PLACES) && whole(people, 2, MOST_PEOPLE)
  return (
    <form
      noValidate
      aria-label="Make a session"
      className="grid content-start gap-3 md:border-l md:border-rule md:pl-8"
      onSubmit={(event) => {
        event.preventDefault()
        if (ready) make.mutate({ title: title.trim(), tests: chosen, places: places!, people: people! })
      }}
    >
      <h2 className="text-xl">Make one</h2>
      <Labelled label="Title" error={faultOf(make.error, 'title')}>
        {(aria) => (
          <Input
            {...aria}
            maxLength={200}
            placeholder="Spade day on the upland ley"
            value={title}
            onChange={(event) => setTitle(event.target.value)}
          />
        )}
      </Labelled>
      <fieldset>
        <legend className="text-sm text-soft">Scored at each place</legend>
        <div className="grid sm:grid-cols-2">
          {tests.map((test) => (
            <Check
              key={test.id}
              label={test.title}
              checked={chosen.includes(test.id)}
              onChange={(on) =>
                setChosen(on ? [...chosen, test.id] : chosen.filter((each) => each !== test.id))
              }
            />
          ))}
        </div>
      </fieldset>
      <div className="grid grid-cols-2 gap-3">
        <QuantityInput
          label="Places"
          unit=""
          value={places}
          onChange={setPlaces}
          error={places !== undefined && !whole(places, 1, MOST_PLACES) ? `1 to ${MOST_PLACES}.` : undefined}
          help="eight or more tell something"
        />
        <QuantityInput
          label="People"
          unit=""
          value={people}
          onChange={setPeople}
          error={people !== undefined && !whole(people, 2, MOST_PEOPLE) ? `2 to ${MOST_PEOPLE}.` : undefined}
        />
      </div>
      <Button type="submit" className="min-h-13" disabled={!ready || make.isPending}>
        {make.isPending ? 'Making …' : 'Make the session'}
      </Button>
      {make.isError && (
        <p role="alert" className="text-failing">
          {make.error instanceof ApiError ? make.error.message : 'Making a session needs signal.'}
        </p>
      )}
    </form>
  )
}
