import { useQuery } from '@tanstack/react-query'
import { Suspense, useMemo, useState } from 'react'
import { asNumber, pruned, type Readings } from '../api/readings'
import type { Envelope, MethodEntry, Stop } from '../api/schema'
import type { DraftState } from '../capture/frame/drafts'
import { OnBench, type Bench } from '../capture/frame/panel'
import { PANELS } from '../capture/panels'
import type { Content } from '../device/device'
import { Examples } from '../examples/Examples'
import { FormCapture } from '../forms/FormCapture'
import { ReadingForm } from '../forms/ReadingForm'
import { queries } from '../queries/queries'
import { Button } from '../ui/controls'
import { Loading } from '../ui/states'
import { WorkingLines } from '../ui/Working'
import { useUnits } from '../units/units'

const FRESH: Content = { readings: {} }
const STOP: Stop = { id: 'bench', fieldId: '', label: 'the bench', position: 0, role: 'routine', version: 0 }
const PLACE = { field: 'the bench', fieldId: '', stop: 'the bench' }

/** A method tried on its own picture: in this page's memory only, with how its figures came about. */
export function Trial({ method }: { method: MethodEntry }) {
  const units = useUnits()
  const contextEntries = useQuery(queries.coreData()).data?.context ?? []
  const [known, setKnown] = useState<Readings>({})
  const [round, setRound] = useState(0)
  const [envelope, setEnvelope] = useState<Envelope>()
  const bench = useMemo<Bench>(() => ({ told: setEnvelope }), [])
  const draft = useTrialDraft(method, round)
  const { depthTopMm, depthBottomMm } = draft.place
  const given = pruned(contextEntries, known)
  const layer = {
    depthTopMm: asNumber(given.depthTopMm) ?? depthTopMm,
    depthBottomMm: asNumber(given.depthBottomMm) ?? depthBottomMm,
  }
  const Panel = PANELS[method.id] ?? FormCapture
  return (
    <div className="grid content-start gap-6 py-6 sm:px-8">
      <div className="flex flex-wrap items-start gap-x-6 gap-y-2 px-5 sm:px-0">
        <div className="grow basis-80">
          <h2 className="text-2xl">{method.title}</h2>
          <p className="text-soft">{units.prose(method.purpose)}</p>
        </div>
        <Examples method={method} />
        <Button onClick={() => setRound(round + 1)}>Begin anew</Button>
      </div>
      <OnBench.Provider value={bench}>
        <div key={round} className="bg-paper sm:border sm:border-rule">
          <Suspense fallback={<Loading what="the picture" />}>
            <Panel
              draft={draft}
              context={{ ...given, ...layer }}
              method={method}
              stop={STOP}
              place={PLACE}
              goOn={() => {}}
            />
          </Suspense>
        </div>
      </OnBench.Provider>
      <div className="grid gap-6 px-5 sm:px-0 xl:grid-cols-2">
        <div className="grid content-start gap-5">
          {envelope && envelope.working.length > 0 && (
            <section>
              <h3 className="mb-2 text-lg">How this was worked out</h3>
              <WorkingLines envelope={envelope} />
            </section>
          )}
          <details>
            <summary className="min-h-11 cursor-pointer content-center font-semibold text-accent">
              What is known of the place
            </summary>
            <ReadingForm entries={contextEntries} readings={known} onChange={setKnown} faults={undefined} />
          </details>
        </div>
        <Guide method={method} />
      </div>
    </div>
  )
}

/** Readings in this page's memory, with undo; begun anew with each round. */
function useTrialDraft(method: MethodEntry, round: number): DraftState {
  const fresh = {
    round,
    past: [] as Content[],
    content: FRESH,
    moved: {} as { depthTopMm?: number; depthBottomMm?: number },
  }
  const [held, setHeld] = useState(fresh)
  const now = held.round === round ? held : fresh
  const { past } = now
  return {
    content: now.content,
    place: {
      id: 'bench',
      visitId: '',
      stopId: 'bench',
      method: method.id,
      depthTopMm: method.usualTopMm,
      depthBottomMm: method.usualBottomMm,
      ...now.moved,
    },
    change: (content) => setHeld((before) => ({ ...before, round, content, past: [...past, now.content] })),
    move: (moved) => setHeld((before) => ({ ...(before.round === round ? before : fresh), moved })),
    undo:
      past.length > 0
        ? () => setHeld({ ...now, content: past.at(-1) ?? FRESH, past: past.slice(0, -1) })
        : undefined,
    conflict: undefined,
    resolve: () => {},
    discard: () => Promise.resolve(),
    finished: () => {},
  }
}

/** How the test is made, and what it goes by. */
function Guide({ method }: { method: MethodEntry }) {
  const units = useUnits()
  const list = (title: string, lines: string[]) =>
    lines.length > 0 && (
      <section>
        <h3 className="font-semibold">{title}</h3>
        <ul className="list-disc pl-5">
          {lines.map((line) => (
            <li key={line}>{units.prose(line)}</li>
          ))}
        </ul>
      </section>
    )
  return (
    <div className="grid gap-4">
      {list('How', method.steps)}
      {list('What it takes', method.materials)}
      {list('When', method.conditions)}
      {list('Mind', method.cautions)}
      {list('Sources', method.sources)}
    </div>
  )
}
