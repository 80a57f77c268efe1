import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { Link, useParams } from 'react-router'
import { v7 as uuid } from 'uuid'
import { api, ApiError, must, write } from '../api/client'
import type { CalibrationTest, CalibrationView, MethodEntry } from '../api/schema'
import { examplesOf } from '../examples/steps'
import { ExampleList } from '../examples/Examples'
import { queries } from '../queries/queries'
import { Button, buttonLook } from '../ui/controls'
import { Panel } from '../ui/Panel'
import { Failed, Loading } from '../ui/states'
import { keepScores, keptScores, memberOf, type OwnScores } from './member'
import { Results } from './Results'

const LOOKED_AGAIN_MS = 4000

/** One session: its code while people join, one's own scores, and the results once all are in. */
export function SessionPage() {
  const { id } = useParams()
  const person = useQuery(queries.session()).data?.me?.id
  const member = person && memberOf(person, id!)
  const query = useQuery({
    ...queries.calibration(id!, member),
    // the others score at the same time
    refetchInterval: (state) => (state.state.data?.results ? false : LOOKED_AGAIN_MS),
  })
  const methods = useQuery(queries.methods()).data
  if (query.isPending || !methods) return <Loading what="the session" />
  if (!query.data) return <Failed error={query.error ?? undefined} retry={() => query.refetch()} />
  const view = query.data
  return (
    <div className="mx-auto grid w-full max-w-5xl gap-6 px-5 py-5 sm:px-7">
      <header className="flex flex-wrap items-baseline gap-x-5">
        <h1 className="text-3xl">{view.calibration.title}</h1>
        <Link to="/calibration" className={buttonLook('quiet')}>
          All sessions
        </Link>
      </header>
      {view.results ? (
        <Results view={view} />
      ) : (
        <>
          <Waiting view={view} />
          {member ? (
            <Scoring key={member} view={view} member={member} methods={methods} />
          ) : (
            <p>
              You look on. To score here,{' '}
              <Link to="/calibration" className="text-accent underline">
                join
              </Link>{' '}
              with the code.
            </p>
          )}
        </>
      )}
    </div>
  )
}

/** The code to read out, who has joined, and how far each of them is; never what they gave. */
function Waiting({ view }: { view: CalibrationView }) {
  const client = useQueryClient()
  const { id, code, people } = view.calibration
  const close = useMutation({
    mutationFn: () => must(api.PUT('/api/calibrations/{id}/closed', { params: { path: { id } } })),
    onSuccess: () => client.invalidateQueries({ queryKey: ['calibration', id] }),
  })
  const [sure, setSure] = useState(false)
  const wanted = view.calibration.places * view.tests.length
  return (
    <section aria-label="Who scores" className="grid gap-3 border-l-3 border-accent pl-4">
      <p className="flex flex-wrap items-baseline gap-x-4">
        <span className="text-soft">Code to join</span>
        <strong className="text-4xl tracking-widest">{code}</strong>
      </p>
      <ul className="flex flex-wrap gap-x-6" aria-live="polite">
        {view.members.map((each) => (
          <li key={each.name}>
            <strong>{each.name}</strong>{' '}
            <span className="text-soft">{each.all ? 'all in' : `${each.given} of ${wanted}`}</span>
          </li>
        ))}
        <li className="text-soft">
          {view.members.length} of {people} joined
        </li>
      </ul>
      <p className="text-soft">Scores are shown once all {people} have given all of theirs.</p>
      {view.members.filter((each) => each.given > 0).length > 1 &&
        (sure ? (
          <p className="flex flex-wrap items-center gap-3">
            Nobody can score after that.
            <Button onClick={() => close.mutate()} disabled={close.isPending}>
              Show them now
            </Button>
            <Button kind="quiet" onClick={() => setSure(false)}>
              Wait on
            </Button>
          </p>
        ) : (
          <Button kind="quiet" className="justify-self-start" onClick={() => setSure(true)}>
            Show what is in
          </Button>
        ))}
      {close.isError && (
        <p role="alert" className="text-failing">
          {close.error.message}
        </p>
      )}
    </section>
  )
}

const keyOf = (place: number, test: string) => `${place} ${test}`

/** One's own scores, place by place: kept on this device at once, sent as soon as it can be. */
function Scoring({
  view,
  member,
  methods,
}: {
  view: CalibrationView
  member: string
  methods: MethodEntry[]
}) {
  const client = useQueryClient()
  const { id, places } = view.calibration
  const [scores, setScores] = useState<OwnScores>(
    () =>
      keptScores(member) ??
      Object.fromEntries(view.mine.map((each) => [keyOf(each.place, each.test), each.score])),
  )
  const [place, setPlace] = useState(1)
  const send = useMutation({
    mutationFn: (own: OwnScores) =>
      must(
        api.PUT('/api/calibrations/{id}/scores/{member}', {
          params: { path: { id, member } },
          body: {
            scores: Object.entries(own).map(([key, score]) => {
              const [at, ...test] = key.split(' ')
              return { place: Number(at), test: test.join(' '), score }
            }),
          },
        }),
      ),
    retry: (count, error) => !(error instanceof ApiError) && count < 1000,
    retryDelay: 3000,
    onSuccess: (next) => client.setQueryData(queries.calibration(id, member).queryKey, next),
  })
  const given = view.mine.length
  const here = Object.keys(scores).length
  const { mutate } = send
  useEffect(() => {
    // what was given without signal before a reload
    if (here > 0 && here !== given) mutate(scores)
    // only when the page opens: every later score is sent as it is given
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [])
  const give = (test: string, score: number) => {
    const next = { ...scores, [keyOf(place, test)]: score }
    setScores(next)
    keepScores(member, next)
    send.mutate(next)
  }
  const done = (at: number) => view.tests.every((test) => scores[keyOf(at, test.id)] !== undefined)
  return (
    <section aria-label="Your scores" className="grid gap-4">
      <div className="flex flex-wrap gap-1.5" role="group" aria-label="Places">
        {Array.from({ length: places }, (_, i) => i + 1).map((at) => (
          <button
            key={at}
            type="button"
            aria-pressed={place === at}
            aria-label={`Place ${at}${done(at) ? ', scored' : ''}`}
            onClick={() => setPlace(at)}
            className="min-h-12 min-w-12 rounded-sm border border-strong-rule px-2 text-lg aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-paper"
          >
            {at}
            {done(at) && <span aria-hidden> ✓</span>}
          </button>
        ))}
      </div>
      <h2 className="text-xl">Place {place}</h2>
      {view.tests.map((test) => (
        <ScoreOf
          key={test.id}
          test={test}
          method={methods.find((each) => each.id === test.id)}
          score={scores[keyOf(place, test.id)]}
          onGive={(score) => give(test.id, score)}
        />
      ))}
      <div className="flex flex-wrap items-center gap-4">
        <PlacePhoto view={view} member={member} place={place} />
        {place < places && (
          <Button className="ml-auto min-h-13" onClick={() => setPlace(place + 1)}>
            On to place {place + 1}
          </Button>
        )}
      </div>
      <p role="status" className="text-soft">
        {send.isError
          ? send.error.message
          : send.isPending
            ? 'Kept here; sent as soon as there is signal.'
            : here === places * view.tests.length
              ? 'All of yours are in. You can change them until the others are done.'
              : `${here} of ${places * view.tests.length} given.`}
      </p>
    </section>
  )
}

/** The steps of a scale in its own words, one tap each, and what they look like. */
function ScoreOf({
  test,
  method,
  score,
  onGive,
}: {
  test: CalibrationTest
  method: MethodEntry | undefined
  score: number | undefined
  onGive: (score: number) => void
}) {
  const [open, setOpen] = useState(false)
  const examples = method ? examplesOf(method) : []
  const words = (step: number) => method?.prompts?.[`score.${step}`]
  return (
    <fieldset className="grid gap-2">
      <legend className="flex items-center gap-4 text-lg font-semibold">{test.title}</legend>
      <div role="radiogroup" aria-label={test.title} className="flex flex-wrap gap-1.5">
        {test.scale.map((step) => (
          <button
            key={step}
            type="button"
            role="radio"
            aria-checked={score === step}
            aria-label={words(step) ? `${step}: ${words(step)}` : String(step)}
            onClick={() => onGive(step)}
            className="min-h-13 min-w-13 rounded-sm border border-strong-rule bg-paper px-3 text-lg font-semibold aria-checked:border-ink aria-checked:bg-ink aria-checked:text-paper"
          >
            {step}
          </button>
        ))}
      </div>
      {score !== undefined && words(score) && <p className="text-soft">{words(score)}</p>}
      {examples.length > 0 && (
        <>
          <Button kind="quiet" className="justify-self-start" onClick={() => setOpen(true)}>
            Examples of {test.title.toLowerCase()}
          </Button>
          <Panel title={`${test.title}: what the steps look like`} open={open} onClose={() => setOpen(false)}>
            <ExampleList examples={examples} />
          </Panel>
        </>
      )}
    </fieldset>
  )
}

/** What the place looked like, for the talk afterwards. */
function PlacePhoto({ view, member, place }: { view: CalibrationView; member: string; place: number }) {
  const client = useQueryClient()
  const { id } = view.calibration
  const mine = view.photos.filter((photo) => photo.place === place)
  const send = useMutation({
    mutationFn: async ({ file, at }: { file: File; at: number }) =>
      (await write(
        'PUT',
        `/api/calibrations/${id}/photos/${uuid()}?place=${at}&member=${member}`,
        file,
      )) as CalibrationView,
    onSuccess: (next) => client.setQueryData(queries.calibration(id, member).queryKey, next),
  })
  return (
    <>
      <label className={buttonLook('plain')}>
        {send.isPending ? 'Sending …' : mine.length > 0 ? 'Another photo' : 'Photo of this place'}
        <input
          type="file"
          accept="image/jpeg,image/png,image/webp"
          capture="environment"
          className="sr-only"
          onChange={(event) => {
            const file = event.target.files?.[0]
            if (file) send.mutate({ file, at: place })
            event.target.value = ''
          }}
        />
      </label>
      {mine.map((photo) => (
        <img
          key={photo.id}
          src={`/api/calibrations/${id}/photos/${photo.id}`}
          alt={`Place ${place}`}
          className="h-16 rounded-sm"
        />
      ))}
      {send.isError && (
        <p role="alert" className="text-failing">
          {send.error.message}
        </p>
      )}
    </>
  )
}
