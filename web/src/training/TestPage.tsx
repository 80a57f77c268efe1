import { useQuery } from '@tanstack/react-query'
import { Suspense, useMemo, useState } from 'react'
import { Link, Navigate, useNavigate, useParams } from 'react-router'
import type { MethodEntry, Stop } from '../api/schema'
import type { DraftState } from '../capture/frame/drafts'
import { OnBench, Scene, type Bench } from '../capture/frame/panel'
import { PANELS } from '../capture/panels'
import type { Content } from '../device/device'
import { Examples } from '../examples/Examples'
import { FormCapture } from '../forms/FormCapture'
import { queries } from '../queries/queries'
import { OwnTime } from '../timers/clocks'
import { Loading } from '../ui/states'
import { useUnits } from '../units/units'
import { useGround, type Place, type ShownThere, type TestLayer } from './ground'
import { InFront } from './InFront'
import { useRounds, type ChangeRound, type Round } from './rounds'
import { RoundTime } from './RoundTime'
import { useRoundTime } from './time'

const STOP: Stop = {
  id: 'training',
  fieldId: '',
  label: 'the training ground',
  position: 0,
  role: 'routine',
  version: 0,
}
const PLACE = { field: 'the training ground', fieldId: '', stop: 'the training ground' }
const FRESH: Content = { readings: {} }
/** So many ways in which drawings differ from place to place. */
const SEEDS = 97

/** The key of a test in one layer. */
export const keyOf = (method: string, topMm: number | undefined) => `${method}@${topMm ?? ''}`

/** One test of a round, on its real picture, with a made-up soil behind it. */
export function TestPage() {
  const { method: id, top } = useParams()
  const { rounds, current, change } = useRounds()
  const ground = useGround()
  const methods = useQuery(queries.methods()).data
  const topMm = top === undefined ? undefined : Number(top)
  const deal = current?.deal
  const there = useMemo(
    () => deal && ground && id && { place: ground.deal(deal), scene: ground.scene(deal, id, topMm ?? 0) },
    [deal, ground, id, topMm],
  )
  if (!rounds || !ground || !methods) return <Loading what="the ground" />
  const method = methods.find((each) => each.id === id)
  if (!current || !method || !there) return <Navigate to="/training" replace />
  return (
    <Test
      key={`${id}@${top ?? ''}`}
      round={current}
      place={there.place}
      method={method}
      topMm={topMm}
      scene={there.scene}
      methods={methods}
      change={change}
    />
  )
}

function Test({
  round,
  place,
  method,
  topMm,
  scene,
  methods,
  change,
}: {
  round: Round
  place: Place
  method: MethodEntry
  topMm: number | undefined
  scene: ShownThere
  methods: MethodEntry[]
  change: ChangeRound
}) {
  const navigate = useNavigate()
  const units = useUnits()
  const time = useRoundTime(round, methods, change)
  const key = keyOf(method.id, topMm)
  const test = place.tests.find((each) => each.method === method.id)
  const layer = test?.layers.find((each) => each.topMm === topMm)
  const minutes = test?.minutes ?? 0
  const draft = useRoundDraft(round, key, method, layer, change)
  const { id } = round
  const { depthTopMm, depthBottomMm } = draft.place
  const bench = useMemo<Bench>(
    () => ({
      told: () => {},
      take: (readings) =>
        change(id, (now) => ({
          ...now,
          contents: without(now.contents, key),
          timers: now.timers.filter((each) => each.measurementId !== key),
          made: [
            ...now.made.filter((each) => each.key !== key),
            { key, method: method.id, topMm: depthTopMm, bottomMm: depthBottomMm, readings, minutes },
          ],
        })),
    }),
    [id, key, method.id, depthTopMm, depthBottomMm, minutes, change],
  )
  const front = useMemo(
    () => ({
      ...scene,
      view: <InFront method={method} readings={scene.readings} seed={round.deal.seed % SEEDS} />,
    }),
    [scene, method, round.deal.seed],
  )
  const Panel = PANELS[method.id] ?? FormCapture
  const layerKnown = { depthTopMm, depthBottomMm }
  return (
    <OwnTime.Provider value={time.clockwork}>
      <div className="mx-auto grid w-full max-w-5xl grow content-start bg-paper sm:my-6 sm:border sm:border-rule">
        <header className="flex flex-wrap items-center justify-between gap-x-4 border-b border-rule px-5 py-2">
          <h1 className="text-xl">{method.title}</h1>
          <div className="flex flex-wrap items-center gap-x-4 text-[15px] text-soft">
            <Examples method={method} />
            <Link
              to="/training/round"
              className="inline-flex min-h-11 items-center text-accent hover:underline"
            >
              Training ground
              {layer && `, ${units.number(layer.topMm, 'mm')}–${units.text(layer.bottomMm, 'mm')}`}
            </Link>
          </div>
        </header>
        <div className="border-b border-rule px-5 py-1.5">
          <RoundTime round={round} time={time} />
        </div>
        <OnBench.Provider value={bench}>
          <Scene.Provider value={front}>
            <Suspense fallback={<Loading what="the picture" />}>
              <Panel
                draft={draft}
                context={{ ...place.context, landUse: place.landUse, ...layerKnown }}
                method={method}
                stop={STOP}
                place={PLACE}
                goOn={() => void navigate('/training/round', { replace: true })}
              />
            </Suspense>
          </Scene.Provider>
        </OnBench.Provider>
      </div>
    </OwnTime.Provider>
  )
}

/** Readings of a round on their way: in the round itself, so that a reload loses none. */
function useRoundDraft(
  { id, contents }: Round,
  key: string,
  method: MethodEntry,
  layer: TestLayer | undefined,
  change: ChangeRound,
): DraftState {
  const [past, setPast] = useState<Content[]>([])
  const content = contents[key] ?? FRESH
  const put = (next: Content) => change(id, (now) => ({ ...now, contents: { ...now.contents, [key]: next } }))
  return {
    content,
    place: {
      id: key,
      visitId: '',
      stopId: STOP.id,
      method: method.id,
      depthTopMm: layer?.topMm ?? method.usualTopMm,
      depthBottomMm: layer?.bottomMm ?? method.usualBottomMm,
    },
    change: (next) => {
      setPast([...past, content])
      put(next)
    },
    move: () => {},
    undo:
      past.length > 0
        ? () => {
            setPast(past.slice(0, -1))
            put(past.at(-1)!)
          }
        : undefined,
    conflict: undefined,
    resolve: () => {},
    discard: () => Promise.resolve(),
    finished: () => {},
  }
}

const without = <T,>(all: Record<string, T>, key: string) =>
  Object.fromEntries(Object.entries(all).filter(([each]) => each !== key))
