import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { v7 as uuid } from 'uuid'
import { api, ApiError, must } from '../api/client'
import type { Field, FieldFaceView, FieldWrite, Stop, StopWrite } from '../api/schema'
import { FieldNav } from '../fields/FieldNav'
import { GroundMap, placed } from '../fields/GroundMap'
import { frameAt, hectares, shapesOf, toDegrees, toMetres, type Point } from '../geo/geo'
import { whereAmI } from '../geo/where'
import { queries } from '../queries/queries'
import { Button } from '../ui/controls'
import { useNarrow } from '../ui/narrow'
import { Failed, Loading } from '../ui/states'
import { useUnits } from '../units/units'
import { PlaceStops, type Proposal } from './PlaceStops'
import { StopLine } from './StopLine'
import { ShapeTools, withDrawn, withImported, withoutShape, type Drawn } from './ShapeTools'

type Mode = { kind: Drawn | 'stop' | 'line'; corners: Point[] } | undefined

const STEP_M = 10
const BIG_STEP_M = 50

/** Where in the field: its outline, zones and what is kept off; and the stops, placed, moved, named and retired. */
export function PlacesPage() {
  const { id } = useParams()
  const query = useQuery(queries.field(id!))
  if (query.isPending) return <Loading what="the field" />
  if (query.isError) return <Failed error={query.error} retry={() => query.refetch()} />
  return <Places face={query.data} />
}

/** A field as it is sent again, with some of it changed. */
function written(field: Field, change: Partial<FieldWrite>): FieldWrite {
  const { growerId, name, landUse, crop, areaHa, textureClass, purpose, soilNote } = field
  const { boundary, zones, avoid, version } = field
  return {
    growerId,
    name,
    landUse,
    crop,
    areaHa,
    textureClass,
    purpose,
    soilNote,
    boundary,
    zones,
    avoid,
    version,
    ...change,
  }
}

function usePlaces(face: FieldFaceView) {
  const client = useQueryClient()
  const again = () => client.invalidateQueries({ queryKey: ['field', face.field.id] })
  const shapes = useMutation({
    mutationFn: (change: Partial<FieldWrite>) =>
      must(
        api.PUT('/api/fields/{id}', {
          params: { path: { id: face.field.id } },
          body: written(face.field, change),
        }),
      ),
    onSettled: again,
  })
  const stops = useMutation({
    mutationFn: async (changed: { id: string; body: StopWrite }[]) => {
      for (const { id, body } of changed)
        await must(api.PUT('/api/stops/{id}', { params: { path: { id } }, body }))
    },
    onSettled: again,
  })
  return { shapes, stops }
}

const change = (stop: Stop, part: Partial<StopWrite>) => {
  const { id, ...body } = stop
  return { id, body: { ...body, ...part } }
}

function Places({ face }: { face: FieldFaceView }) {
  const { field } = face
  const units = useUnits()
  const narrow = useNarrow()
  const { shapes, stops } = usePlaces(face)
  const [mode, setMode] = useState<Mode>()
  const [hand, setHand] = useState<Point>()
  const [drag, setDrag] = useState<{ id: string; point: Point }>()
  const [undo, setUndo] = useState<{ id: string; from: Point; label: string }>()
  const [proposal, setProposal] = useState<Proposal>()
  const [error, setError] = useState<string>()
  const [taken, setTaken] = useState<Pick<FieldWrite, 'boundary' | 'zones' | 'avoid'>>()
  const outline = shapesOf(field.boundary)
  const zones = shapesOf(field.zones)
  const avoid = shapesOf(field.avoid)
  const there = face.stops.filter(placed)
  const middle: Point | undefined =
    outline[0]?.parts[0]?.[0] ?? (there[0] && [there[0].longitude, there[0].latitude])
  const shown = face.stops.map((stop) =>
    drag?.id === stop.id ? { ...stop, longitude: drag.point[0], latitude: drag.point[1] } : stop,
  )
  const next = face.stops.reduce((most, stop) => Math.max(most, stop.position), 0) + 1
  const addStop = (point: Point, end?: Point) =>
    stops.mutate([
      {
        id: uuid(),
        body: {
          fieldId: field.id,
          label: end ? `Line ${next}` : `Stop ${next}`,
          longitude: point[0],
          latitude: point[1],
          endLongitude: end?.[0],
          endLatitude: end?.[1],
          position: next,
          version: 0,
        },
      },
    ])
  const point = (at: Point) => {
    setHand(at)
    if (!mode) return
    if (mode.kind === 'stop') {
      addStop(at)
      setMode(undefined)
    } else if (mode.kind === 'line' && mode.corners.length === 1) {
      addStop(mode.corners[0]!, at)
      setMode(undefined)
    } else setMode({ ...mode, corners: [...mode.corners, at] })
  }
  const move = (stop: Stop, to: Point) => {
    setUndo({ id: stop.id, from: [stop.longitude!, stop.latitude!], label: stop.label })
    stops.mutate([change(stop, { longitude: to[0], latitude: to[1] })])
  }
  const stand = async () => {
    setError(undefined)
    try {
      point((await whereAmI()).point)
    } catch (failure) {
      setError((failure as Error).message)
    }
  }
  const keepShape = (name: string) => {
    if (!mode || mode.kind === 'stop' || mode.kind === 'line') return
    setTaken(undefined)
    shapes.mutate(withDrawn(field, mode.kind, mode.corners, name))
    setMode(undefined)
  }
  const onKey = (key: string, big: boolean) => {
    const at = hand ?? middle
    if (!at) return false
    const by = big ? BIG_STEP_M : STEP_M
    const ways: Record<string, [number, number]> = {
      ArrowUp: [0, by],
      ArrowDown: [0, -by],
      ArrowRight: [by, 0],
      ArrowLeft: [-by, 0],
    }
    const way = ways[key]
    if (way) {
      const frame = frameAt(at)
      const [x, y] = toMetres(frame, at)
      setHand(toDegrees(frame, [x + way[0], y + way[1]]))
      return true
    }
    if (key === 'Enter') {
      point(at)
      return true
    }
    return false
  }
  const failure = shapes.error ?? stops.error
  const faults = failure instanceof ApiError ? failure.faults : []
  return (
    <div className="grid grow content-start lg:grid-cols-[minmax(0,1.5fr)_minmax(22rem,1fr)]">
      <section aria-label="The ground" className="px-5 py-6 sm:px-7">
        <h1 className="text-3xl">{field.name}</h1>
        <FieldNav id={field.id} />
        {/* the mark is moved by keys, so the map takes them */}
        {/* eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions */}
        <div
          className="mt-3 bg-paper"
          role="application"
          aria-label="Map: arrows move the mark by 10 m, with Shift by 50 m, Enter sets a corner or a stop"
          // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
          tabIndex={0}
          onKeyDown={(event) => {
            if (onKey(event.key, event.shiftKey)) event.preventDefault()
          }}
        >
          <GroundMap
            outline={outline}
            zones={zones}
            avoid={avoid}
            stops={shown}
            width={narrow ? 380 : 720}
            height={narrow ? 380 : 520}
            className="w-full"
            around={[...(mode?.corners ?? []), ...(hand ? [hand] : [])]}
            label={`${field.name} with ${there.length} placed stops, ${zones.length} zones and ${avoid.length} things kept off`}
            onPoint={point}
            onDrag={(stop, to, done) => {
              if (!done) return setDrag({ id: stop.id, point: to })
              setDrag(undefined)
              move(stop, to)
            }}
          >
            {({ at, metre }) => (
              <>
                {proposal?.stops.map((stop) => {
                  const [x, y] = at([stop.longitude, stop.latitude])
                  return (
                    <g key={stop.order}>
                      <path
                        d={`M${x} ${y} v-15 l9 3.5 -9 4`}
                        fill="var(--paper)"
                        stroke="var(--ink)"
                        strokeWidth="1.5"
                        strokeDasharray={stop.kept ? undefined : '3 2'}
                      />
                      <text x={x + 5} y={y + 12} fontSize="14" fill="var(--ink)">
                        {stop.order}
                      </text>
                    </g>
                  )
                })}
                {proposal && (
                  <polyline
                    points={proposal.stops
                      .map((stop) => at([stop.longitude, stop.latitude]).join(','))
                      .join(' ')}
                    fill="none"
                    stroke="var(--ink)"
                    strokeWidth="1"
                    strokeDasharray="1 4"
                  />
                )}
                {mode && mode.corners.length > 0 && (
                  <g>
                    <polyline
                      points={mode.corners.map((corner) => at(corner).join(',')).join(' ')}
                      fill="none"
                      stroke="var(--accent)"
                      strokeWidth="2.5"
                    />
                    {mode.corners.map((corner, i) => {
                      const [x, y] = at(corner)
                      return (
                        <circle
                          key={i}
                          cx={x}
                          cy={y}
                          r="4.5"
                          fill="var(--paper)"
                          stroke="var(--accent)"
                          strokeWidth="2"
                        />
                      )
                    })}
                  </g>
                )}
                {hand && (
                  <path
                    d={`M${at(hand)[0] - 9} ${at(hand)[1]}h18m-9 -9v18`}
                    stroke="var(--ink)"
                    strokeWidth="1.4"
                    opacity={metre > 0 ? 0.8 : 0}
                  />
                )}
              </>
            )}
          </GroundMap>
        </div>
        {!middle && !hand && (
          <p className="mt-2 text-soft">
            This field has no place yet. Import an outline, stand in it and mark corners, or leave it: stops
            go by their words too.
          </p>
        )}
        <p className="mt-2 flex flex-wrap items-center gap-x-4 text-sm text-soft">
          {outline.length > 0 && (
            <span>
              {units.text(
                Math.round(outline.reduce((sum, shape) => sum + hectares(shape.parts), 0) * 10) / 10,
                'ha',
              )}{' '}
              within the outline
            </span>
          )}
          {undo && (
            <Button
              kind="quiet"
              onClick={() => {
                const stop = face.stops.find((each) => each.id === undo.id)
                if (stop) stops.mutate([change(stop, { longitude: undo.from[0], latitude: undo.from[1] })])
                setUndo(undefined)
              }}
            >
              Put {undo.label} back
            </Button>
          )}
          {taken && (
            <Button
              kind="quiet"
              onClick={() => {
                shapes.mutate(taken)
                setTaken(undefined)
              }}
            >
              Put back what was taken away
            </Button>
          )}
          {(shapes.isPending || stops.isPending) && <span role="status">Keeping …</span>}
        </p>
        {failure && (
          <p role="alert" className="text-failing">
            {faults.length > 0 ? faults.map((fault) => fault.message).join(' ') : failure.message}
          </p>
        )}
        {error && (
          <p role="alert" className="text-failing">
            {error}
          </p>
        )}
      </section>
      <aside className="grid content-start gap-8 border-l border-rule bg-paper px-5 py-6 sm:px-8">
        <ShapeTools
          field={field}
          drawing={
            mode && mode.kind !== 'stop' && mode.kind !== 'line'
              ? { kind: mode.kind, corners: mode.corners }
              : undefined
          }
          onDraw={(kind) => setMode({ kind, corners: [] })}
          onBack={() => mode && setMode({ ...mode, corners: mode.corners.slice(0, -1) })}
          onStand={() => void stand()}
          onKeep={keepShape}
          onLeave={() => setMode(undefined)}
          onImport={(kind, text) => {
            setTaken(undefined)
            shapes.mutate(withImported(field, kind, text))
          }}
          onRemove={(kind, index) => {
            const { boundary, zones: before, avoid: off } = field
            setTaken({ boundary, zones: before, avoid: off })
            shapes.mutate(withoutShape(field, kind, index))
          }}
        />
        <section aria-label="Stops" className="grid gap-3">
          <h2 className="text-xl">Stops</h2>
          {mode?.kind === 'stop' || mode?.kind === 'line' ? (
            <div className="grid gap-2">
              <p role="status">
                {mode.kind === 'stop'
                  ? 'Tap where the stop is to be.'
                  : mode.corners.length === 0
                    ? 'Tap where the line begins.'
                    : 'Tap where the line ends.'}
              </p>
              <div className="flex flex-wrap gap-3">
                <Button onClick={() => void stand()}>Where I stand</Button>
                <Button kind="quiet" onClick={() => setMode(undefined)}>
                  Leave it
                </Button>
              </div>
            </div>
          ) : (
            <div className="flex flex-wrap gap-3">
              <Button onClick={() => setMode({ kind: 'stop', corners: [] })}>Add a stop</Button>
              <Button onClick={() => setMode({ kind: 'line', corners: [] })}>Add a line</Button>
            </div>
          )}
          {field.boundary && (
            <PlaceStops
              face={face}
              proposal={proposal}
              onProposal={setProposal}
              onTake={(added) => {
                stops.mutate(
                  added.map((stop, i) => ({
                    id: uuid(),
                    body: {
                      fieldId: field.id,
                      label: `Stop ${next + i}`,
                      longitude: stop.longitude,
                      latitude: stop.latitude,
                      position: next + i,
                      version: 0,
                    },
                  })),
                )
                setProposal(undefined)
              }}
            />
          )}
          <ul>
            {face.stops.map((stop) => (
              <StopLine
                key={`${stop.id}${stop.version}`}
                stop={stop}
                from={hand}
                pending={stops.isPending}
                onChange={(part) => stops.mutate([change(stop, part)])}
              />
            ))}
          </ul>
        </section>
        <Link
          to={`/fields/${field.id}/visit`}
          className="flex min-h-11 items-center font-semibold text-accent hover:underline"
        >
          New visit
        </Link>
      </aside>
    </div>
  )
}
