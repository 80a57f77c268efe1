import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { v7 as uuid } from 'uuid'
import { api, ApiError, must } from '../api/client'
import type { Bag, Dispatch, Laboratory } from '../api/schema'
import { queries } from '../queries/queries'
import { Button, buttonLook, Check, Input, Labelled, Select } from '../ui/controls'
import { Panel } from '../ui/Panel'
import { Failed, Loading } from '../ui/states'
import { plainNumber, useUnits } from '../units/units'
import { showClock, showDay } from '../words/dates'
import { BagForm } from './BagForm'
import { LaboratoryForm } from './LaboratoryForm'
import { ResultsPanel } from './ResultsPanel'
import { ScanCode } from './ScanCode'
import { labelled, useLabTests } from './tests'

type Opened =
  | { kind: 'bag' }
  | { kind: 'laboratory'; known?: Laboratory }
  | { kind: 'results'; laboratory: string; dispatch?: string }

/** Composites on their way: bags that are here, what was sent, what came back. */
export function LaboratoryPage() {
  const [search, setSearch] = useSearchParams()
  const bags = useQuery(queries.bags())
  const laboratories = useQuery(queries.laboratories())
  const dispatches = useQuery(queries.dispatches())
  const [opened, setOpened] = useState<Opened | undefined>(search.get('field') ? { kind: 'bag' } : undefined)
  const close = () => {
    setOpened(undefined)
    setSearch({}, { replace: true })
  }
  if (bags.isPending || laboratories.isPending || dispatches.isPending) return <Loading what="the bags" />
  if (bags.isError) return <Failed error={bags.error} retry={() => bags.refetch()} />
  if (laboratories.isError) return <Failed error={laboratories.error} retry={() => laboratories.refetch()} />
  if (dispatches.isError) return <Failed error={dispatches.error} retry={() => dispatches.refetch()} />
  const answered = bags.data.filter((bag) => bag.state === 'answered')
  const titles = {
    bag: 'A composite',
    laboratory: opened?.kind === 'laboratory' && opened.known ? opened.known.name : 'A laboratory',
    results: 'Results',
  }
  return (
    <div className="grid max-w-6xl content-start gap-9 px-5 py-6 sm:px-7">
      <header className="flex flex-wrap items-end justify-between gap-4">
        <div>
          <h1 className="text-3xl">Laboratory</h1>
          <p className="text-soft">
            Where a real number is needed: cores into a bag, the bag to a laboratory, its figures back to the
            field.
          </p>
        </div>
        <Button kind="primary" onClick={() => setOpened({ kind: 'bag' })}>
          Bag a composite
        </Button>
      </header>
      <FindBag />
      <Here bags={bags.data.filter((bag) => bag.state === 'here')} laboratories={laboratories.data} />
      <Sent
        dispatches={dispatches.data}
        bags={bags.data}
        onResults={(dispatch) =>
          setOpened({
            kind: 'results',
            laboratory: dispatch.laboratoryId,
            dispatch: dispatch.answer ? dispatch.id : undefined,
          })
        }
      />
      {answered.length > 0 && (
        <section aria-labelledby="answered" className="grid gap-2">
          <h2 id="answered" className="text-2xl">
            Answered
          </h2>
          <ul className="max-w-4xl">
            {answered.slice(0, 40).map((bag) => (
              <li key={bag.id} className="border-b border-rule">
                <Link
                  to={`/measurements/${bag.measurementId}`}
                  className="grid min-h-12 items-baseline gap-x-6 py-2 hover:bg-paper sm:grid-cols-[6rem_minmax(0,1fr)_8rem]"
                >
                  <span className="font-semibold tracking-wide">{shownCode(bag.code)}</span>
                  <span>
                    {bag.field} <span className="text-[15px] text-soft">{bag.stops}</span>
                  </span>
                  <span className="text-[15px] text-soft">{showDay(bag.takenAt)}</span>
                </Link>
              </li>
            ))}
          </ul>
        </section>
      )}
      <section aria-labelledby="laboratories" className="grid gap-2">
        <div className="flex max-w-4xl items-baseline justify-between gap-4 border-b border-strong-rule">
          <h2 id="laboratories" className="text-2xl">
            Laboratories
          </h2>
          <Button
            kind="quiet"
            aria-label="Add a laboratory"
            onClick={() => setOpened({ kind: 'laboratory' })}
          >
            Add
          </Button>
        </div>
        {laboratories.data.length === 0 && (
          <p className="text-soft">
            None yet. Add the one you send to, with its prices; or a simulated one, to try the way there and
            back.
          </p>
        )}
        <ul className="max-w-4xl">
          {laboratories.data.map((each) => (
            <li
              key={each.id}
              className="flex flex-wrap items-center justify-between gap-x-6 border-b border-rule"
            >
              <button
                type="button"
                className="min-h-12 grow text-left hover:bg-paper"
                onClick={() => setOpened({ kind: 'laboratory', known: each })}
              >
                <span className="font-semibold">{each.name}</span>{' '}
                <span className="text-[15px] text-soft">
                  {each.simulated ? 'simulated' : each.contact}
                  {each.reading ? ' · its files are known' : ''}
                </span>
              </button>
              <Button
                kind="quiet"
                aria-label={`Results of ${each.name}`}
                onClick={() => setOpened({ kind: 'results', laboratory: each.id })}
              >
                Results
              </Button>
            </li>
          ))}
        </ul>
      </section>
      <Panel title={opened ? titles[opened.kind] : ''} open={opened !== undefined} onClose={close}>
        {opened?.kind === 'bag' && (
          <BagForm
            field={search.get('field') ?? undefined}
            visit={search.get('visit') ?? undefined}
            onDone={close}
          />
        )}
        {opened?.kind === 'laboratory' && <LaboratoryForm known={opened.known} onDone={close} />}
        {opened?.kind === 'results' && (
          <ResultsPanel laboratory={opened.laboratory} dispatch={opened.dispatch} onDone={close} />
        )}
      </Panel>
    </div>
  )
}

/** As it is written on the label: two groups of three. */
const shownCode = (code: string) => `${code.slice(0, 3)} ${code.slice(3)}`

/** A bag by the code on its label, typed or seen by the camera. */
function FindBag() {
  const [typed, setTyped] = useState('')
  const [camera, setCamera] = useState(false)
  const find = useMutation({
    mutationFn: (code: string) => must(api.GET('/api/bags', { params: { query: { code } } })),
  })
  const found = find.data?.[0]
  return (
    <section aria-label="Find a bag" className="grid max-w-xl gap-3">
      <form
        className="flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          find.mutate(typed)
        }}
      >
        <div className="w-40">
          <Labelled label="Code on a label">
            {(aria) => (
              <Input
                {...aria}
                value={typed}
                maxLength={12}
                autoCapitalize="characters"
                autoComplete="off"
                placeholder="7K3 F9Q"
                onChange={(event) => setTyped(event.target.value)}
              />
            )}
          </Labelled>
        </div>
        <Button type="submit" disabled={typed.trim() === '' || find.isPending}>
          Find it
        </Button>
        <Button onClick={() => setCamera(!camera)} aria-expanded={camera}>
          Scan
        </Button>
      </form>
      {camera && (
        <ScanCode
          onClose={() => setCamera(false)}
          onFound={(code) => {
            setCamera(false)
            setTyped(code)
            find.mutate(code)
          }}
        />
      )}
      <div role="status">
        {found && <BagLine bag={found} />}
        {find.data?.length === 0 && <p>No bag of yours has this code.</p>}
        {find.isError && (
          <p className="text-failing">
            {find.error instanceof ApiError
              ? (find.error.faults[0]?.message ?? find.error.message)
              : 'It could not be looked for.'}
          </p>
        )}
      </div>
    </section>
  )
}

const STATES: Record<string, string> = {
  here: 'not sent yet',
  sent: 'at the laboratory',
  answered: 'answered',
}

function BagLine({ bag }: { bag: Bag }) {
  const units = useUnits()
  const options = useLabTests()
  return (
    <p>
      <span className="font-semibold tracking-wide">{shownCode(bag.code)}</span> {bag.field}
      <span className="block text-[15px] text-soft">
        {bag.stops} · {units.number(bag.depthTopMm, 'mm')} to {units.text(bag.depthBottomMm, 'mm')} ·{' '}
        {labelled(bag.tests, options)} · {showDay(bag.takenAt)}, {bag.sampler} · {STATES[bag.state]}
      </span>
    </p>
  )
}

/** How much of its time a bag has left, in words. */
function timeLeft(bag: Bag, now: number) {
  const days = (Date.parse(bag.until) - now) / 86_400_000
  if (days < 0) return `should have been there ${Math.ceil(-days)} ${days > -1 ? 'day' : 'days'} ago`
  if (days < 1) return `should be there today`
  return `should be there in ${Math.floor(days)} ${days < 2 ? 'day' : 'days'}`
}

/** The time, to the minute. */
function useMinute() {
  const [now, setNow] = useState(() => Date.now())
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 20_000)
    return () => clearInterval(timer)
  }, [])
  return now
}

/** Bags that are not sent: chosen for labels, or sent together. */
function Here({ bags, laboratories }: { bags: Bag[]; laboratories: Laboratory[] }) {
  const client = useQueryClient()
  const options = useLabTests()
  const units = useUnits()
  const now = useMinute()
  const [off, setOff] = useState<string[]>([])
  const [to, setTo] = useState('')
  const [removed, setRemoved] = useState<Bag>()
  const chosen = bags.filter((bag) => !off.includes(bag.id))
  const refresh = async () => {
    await client.invalidateQueries({ queryKey: queries.bags().queryKey })
    await client.invalidateQueries({ queryKey: queries.dispatches().queryKey })
  }
  const laboratory = laboratories.find((each) => each.id === to) ?? laboratories[0]
  const send = useMutation({
    mutationFn: ({ id, laboratoryId, bagIds }: { id: string; laboratoryId: string; bagIds: string[] }) =>
      must(
        api.PUT('/api/dispatches/{id}', {
          params: { path: { id } },
          body: { laboratoryId, sentAt: new Date().toISOString(), bagIds, version: 0 },
        }),
      ),
    onSuccess: refresh,
  })
  const remove = useMutation({
    mutationFn: (bag: Bag) => must(api.DELETE('/api/bags/{id}', { params: { path: { id: bag.id } } })),
    onSuccess: async (_, bag) => {
      setRemoved(bag)
      await refresh()
    },
  })
  const back = useMutation({
    mutationFn: (bag: Bag) =>
      must(
        api.PUT('/api/bags/{id}', {
          params: { path: { id: bag.id } },
          body: {
            visitId: bag.visitId,
            stopIds: bag.stopIds,
            depthTopMm: bag.depthTopMm,
            depthBottomMm: bag.depthBottomMm,
            takenAt: bag.takenAt,
            sampler: bag.sampler,
            tests: bag.tests,
            cores: bag.cores,
            note: bag.note,
            version: 0,
          },
        }),
      ),
    onSuccess: async () => {
      setRemoved(undefined)
      await refresh()
    },
  })
  const known = chosen.flatMap((bag) => bag.tests).map((test) => laboratory?.prices[test])
  const total = known.includes(undefined)
    ? undefined
    : known.reduce<number>((sum, price) => sum + (price ?? 0), 0)
  const error = send.error ?? remove.error ?? back.error
  return (
    <section aria-labelledby="here" className="grid gap-3">
      <h2 id="here" className="text-2xl">
        Bags here
      </h2>
      {removed && (
        <p role="status" className="flex items-center gap-3 border-l-3 border-strained pl-3">
          Removed {shownCode(removed.code)}.
          <Button kind="quiet" onClick={() => back.mutate(removed)}>
            Undo
          </Button>
        </p>
      )}
      {bags.length === 0 && (
        <p className="text-soft">None. Bag a composite, print its label, and send it from here.</p>
      )}
      <ul className="max-w-4xl">
        {bags.map((bag) => {
          const late = Date.parse(bag.until) < now
          return (
            <li
              key={bag.id}
              className="grid grid-cols-[auto_minmax(0,1fr)_auto] items-center gap-x-4 border-b border-rule py-1"
            >
              <Check
                label=""
                aria={`Bag ${bag.code}`}
                checked={!off.includes(bag.id)}
                onChange={(on) => setOff(on ? off.filter((id) => id !== bag.id) : [...off, bag.id])}
              />
              <div>
                <p>
                  <span className="font-semibold tracking-wide">{shownCode(bag.code)}</span> {bag.field}{' '}
                  <span className="text-[15px] text-soft">{bag.stops}</span>
                </p>
                <p className="text-[15px] text-soft">
                  {units.number(bag.depthTopMm, 'mm')} to {units.text(bag.depthBottomMm, 'mm')} ·{' '}
                  {labelled(bag.tests, options)} · {showDay(bag.takenAt)}
                </p>
                <p className={late ? 'text-[15px] font-semibold text-failing' : 'text-[15px]'}>
                  {late ? 'Late: it ' : 'It '}
                  {timeLeft(bag, now)}
                  {bag.cool ? '; keep it cool' : ''}.
                </p>
              </div>
              <Button
                kind="quiet"
                aria-label={`Remove bag ${bag.code}`}
                disabled={remove.isPending}
                onClick={() => remove.mutate(bag)}
              >
                Remove
              </Button>
            </li>
          )
        })}
      </ul>
      {bags.length > 0 && (
        <div className="flex flex-wrap items-end gap-3">
          <a
            className={buttonLook('plain')}
            href={`/api/labels.pdf?bags=${chosen.map((bag) => bag.id).join(',')}&zone=${encodeURIComponent(Intl.DateTimeFormat().resolvedOptions().timeZone)}`}
            target="_blank"
            rel="noreferrer"
          >
            Labels ({chosen.length})
          </a>
          {laboratory && (
            <>
              <div className="w-56">
                <Labelled label="To">
                  {(aria) => (
                    <Select {...aria} value={laboratory.id} onChange={(event) => setTo(event.target.value)}>
                      {laboratories.map((each) => (
                        <option key={each.id} value={each.id}>
                          {each.name}
                        </option>
                      ))}
                    </Select>
                  )}
                </Labelled>
              </div>
              <Button
                kind="primary"
                disabled={chosen.length === 0 || send.isPending}
                onClick={() =>
                  send.mutate({
                    id: uuid(),
                    laboratoryId: laboratory.id,
                    bagIds: chosen.map((bag) => bag.id),
                  })
                }
              >
                Note as sent
              </Button>
              <span className="pb-2.5">
                {total === undefined ? 'A price is not known.' : `${plainNumber(total)} in all`}
              </span>
            </>
          )}
        </div>
      )}
      {error && (
        <p role="alert" className="text-failing">
          {error instanceof ApiError ? (error.faults[0]?.message ?? error.message) : 'It was not kept.'}
        </p>
      )}
    </section>
  )
}

/** What was sent and is awaited. */
function Sent({
  dispatches,
  bags,
  onResults,
}: {
  dispatches: Dispatch[]
  bags: Bag[]
  onResults: (dispatch: Dispatch) => void
}) {
  const client = useQueryClient()
  const now = useMinute()
  const back = useMutation({
    mutationFn: (id: string) => must(api.DELETE('/api/dispatches/{id}', { params: { path: { id } } })),
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: queries.bags().queryKey })
      await client.invalidateQueries({ queryKey: queries.dispatches().queryKey })
    },
  })
  const of = (dispatch: Dispatch) => bags.filter((bag) => dispatch.bagIds.includes(bag.id))
  const awaited = dispatches.filter((each) => of(each).some((bag) => bag.state === 'sent'))
  if (awaited.length === 0) return null
  return (
    <section aria-labelledby="sent" className="grid gap-3">
      <h2 id="sent" className="text-2xl">
        At a laboratory
      </h2>
      <ul className="max-w-4xl">
        {awaited.map((each) => {
          const late = of(each).filter(
            (bag) => bag.state === 'sent' && Date.parse(bag.until) < Date.parse(each.sentAt),
          )
          return (
            <li
              key={each.id}
              className="flex flex-wrap items-center justify-between gap-x-6 border-b border-rule py-2"
            >
              <div>
                <p>
                  <span className="font-semibold">{each.laboratory}</span>{' '}
                  <span className="text-[15px] text-soft">
                    {showDay(each.sentAt)}, {showClock(each.sentAt)}
                    {each.total !== undefined ? ` · ${plainNumber(each.total)} in all` : ''}
                  </span>
                </p>
                <p className="text-[15px]">
                  {of(each)
                    .map((bag) => `${shownCode(bag.code)} ${bag.field}`)
                    .join(' · ')}
                </p>
                {late.length > 0 && (
                  <p className="text-[15px] font-semibold text-strained">
                    Sent late: {late.map((bag) => shownCode(bag.code)).join(', ')} had kept too long.
                  </p>
                )}
                {each.answerAt && (
                  <p className="text-[15px] text-soft">
                    Its answer comes{' '}
                    {Date.parse(each.answerAt) > now ? `at ${showClock(each.answerAt)}` : 'now'}.
                  </p>
                )}
              </div>
              <div className="flex gap-4">
                <Button
                  kind="quiet"
                  aria-label={`${each.laboratory} was not sent after all`}
                  disabled={back.isPending}
                  onClick={() => back.mutate(each.id)}
                >
                  Not sent
                </Button>
                <Button kind={each.answer ? 'primary' : 'plain'} onClick={() => onResults(each)}>
                  {each.answer ? 'Its answer is here' : 'Take results in'}
                </Button>
              </div>
            </li>
          )
        })}
      </ul>
    </section>
  )
}
