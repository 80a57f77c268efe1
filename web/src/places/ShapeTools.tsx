import { useRef, useState } from 'react'
import type { Field, FieldWrite } from '../api/schema'
import { collectionText, polygonText, shapesOf, type Point, type Shape } from '../geo/geo'
import { Button, Input, Labelled } from '../ui/controls'
import { useUnits } from '../units/units'

export type Drawn = 'outline' | 'zone' | 'avoid'

const WORDS: Record<Drawn, { one: string; title: string; fewest: number }> = {
  outline: { one: 'the outline', title: 'Outline', fewest: 3 },
  zone: { one: 'a zone', title: 'Zones', fewest: 3 },
  avoid: { one: 'what to keep off', title: 'Kept off', fewest: 1 },
}

const KEEP_M = 15

/** A field's shapes with one more that was drawn: one corner is a point, two are a line. */
export function withDrawn(field: Field, kind: Drawn, corners: Point[], name: string): Partial<FieldWrite> {
  if (kind === 'outline') return { boundary: polygonText(corners) }
  if (kind === 'zone') {
    const zones = shapesOf(field.zones)
    const id = name || `Zone ${zones.length + 1}`
    return { zones: collectionText([...zones, { kind: 'area', parts: [corners], properties: { id } }]) }
  }
  const drawn: Shape = {
    kind: corners.length === 1 ? 'point' : corners.length === 2 ? 'line' : 'area',
    parts: [corners],
    properties: { name: name || undefined, metres: KEEP_M },
  }
  return { avoid: collectionText([...shapesOf(field.avoid), drawn]) }
}

/** A field's shapes with those of a file: its areas as outline or zones, anything as what is kept off. */
export function withImported(field: Field, kind: Drawn, text: string): Partial<FieldWrite> {
  const shapes = shapesOf(text)
  if (kind === 'outline') {
    const areas = shapes.filter((shape) => shape.kind === 'area')
    // what can't be read goes to the server as it is, which says what is wrong with it
    if (areas.length === 0) return { boundary: text }
    return {
      boundary:
        areas.length === 1
          ? JSON.stringify({ type: 'Polygon', coordinates: areas[0]!.parts })
          : JSON.stringify({ type: 'MultiPolygon', coordinates: areas.map((area) => area.parts) }),
    }
  }
  if (shapes.length === 0) return kind === 'zone' ? { zones: text } : { avoid: text }
  if (kind === 'avoid') return { avoid: collectionText([...shapesOf(field.avoid), ...shapes]) }
  const before = shapesOf(field.zones)
  const named = shapes.map((shape, i) => ({
    ...shape,
    properties: {
      ...shape.properties,
      id: shape.properties['id'] ?? shape.properties['name'] ?? `Zone ${before.length + i + 1}`,
    },
  }))
  return { zones: collectionText([...before, ...named]) }
}

/** A field's shapes without one of them. */
export function withoutShape(field: Field, kind: Drawn, index: number): Partial<FieldWrite> {
  if (kind === 'outline') return { boundary: undefined }
  const left = shapesOf(kind === 'zone' ? field.zones : field.avoid).filter((_, i) => i !== index)
  const text = left.length === 0 ? undefined : collectionText(left)
  return kind === 'zone' ? { zones: text } : { avoid: text }
}

/** Draws, walks, imports and takes away the shapes of a field. */
export function ShapeTools({
  field,
  drawing,
  onDraw,
  onBack,
  onStand,
  onKeep,
  onLeave,
  onImport,
  onRemove,
}: {
  field: Field
  drawing: { kind: Drawn; corners: Point[] } | undefined
  onDraw: (kind: Drawn) => void
  onBack: () => void
  onStand: () => void
  onKeep: (name: string) => void
  onLeave: () => void
  onImport: (kind: Drawn, text: string) => void
  onRemove: (kind: Drawn, index: number) => void
}) {
  const [name, setName] = useState('')
  if (drawing) {
    const { one, fewest } = WORDS[drawing.kind]
    const count = drawing.corners.length
    return (
      <section aria-label="Drawing" className="grid gap-3">
        <h2 className="text-xl">Drawing {one}</h2>
        <p role="status">
          {count === 0
            ? 'Tap the first corner on the map, or walk there.'
            : `${count} ${count === 1 ? 'corner' : 'corners'}.`}
          {drawing.kind === 'avoid' && ' One corner is a point, two a line, more an area.'}
        </p>
        {drawing.kind !== 'outline' && (
          <Labelled label="Name">
            {(aria) => <Input {...aria} value={name} onChange={(event) => setName(event.target.value)} />}
          </Labelled>
        )}
        <div className="flex flex-wrap gap-3">
          <Button onClick={onStand}>Corner where I stand</Button>
          <Button disabled={count === 0} onClick={onBack}>
            Take one back
          </Button>
          <Button
            kind="primary"
            disabled={count < fewest}
            onClick={() => {
              onKeep(name.trim())
              setName('')
            }}
          >
            {count >= 3 ? 'Close it and keep' : 'Keep'}
          </Button>
          <Button kind="quiet" onClick={onLeave}>
            Leave it
          </Button>
        </div>
      </section>
    )
  }
  return (
    <section aria-label="Shapes" className="grid gap-5">
      {(['outline', 'zone', 'avoid'] as const).map((kind) => (
        <ShapeList
          key={kind}
          kind={kind}
          shapes={shapesOf(kind === 'outline' ? field.boundary : kind === 'zone' ? field.zones : field.avoid)}
          onDraw={() => onDraw(kind)}
          onImport={(text) => onImport(kind, text)}
          onRemove={(index) => onRemove(kind, index)}
        />
      ))}
    </section>
  )
}

function ShapeList({
  kind,
  shapes,
  onDraw,
  onImport,
  onRemove,
}: {
  kind: Drawn
  shapes: Shape[]
  onDraw: () => void
  onImport: (text: string) => void
  onRemove: (index: number) => void
}) {
  const units = useUnits()
  const file = useRef<HTMLInputElement>(null)
  const { title } = WORDS[kind]
  const draw = kind === 'outline' && shapes.length > 0 ? 'Draw anew' : 'Draw'
  const label = (shape: Shape, index: number) => {
    const said = shape.properties['id'] ?? shape.properties['name']
    const metres = shape.properties['metres']
    const what = shape.kind === 'point' ? 'a point' : shape.kind === 'line' ? 'a line' : 'an area'
    return [
      said === undefined ? (kind === 'outline' ? 'Drawn' : `${what} ${index + 1}`) : String(said),
      kind === 'avoid' && `${units.text(typeof metres === 'number' ? metres : KEEP_M, 'm')} kept`,
    ]
      .filter(Boolean)
      .join(', ')
  }
  return (
    <div className="grid gap-1">
      <h2 className="text-xl">{title}</h2>
      <ul>
        {shapes.map((shape, i) => (
          <li key={i} className="flex min-h-11 items-center justify-between border-t border-rule">
            <span>{label(shape, i)}</span>
            <Button kind="quiet" aria-label={`Take away ${label(shape, i)}`} onClick={() => onRemove(i)}>
              Take away
            </Button>
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap gap-3">
        <Button aria-label={`${draw} ${title.toLowerCase()}`} onClick={onDraw}>
          {draw}
        </Button>
        <Button aria-label={`Import ${title.toLowerCase()}`} onClick={() => file.current?.click()}>
          Import
        </Button>
        <input
          ref={file}
          type="file"
          accept=".json,.geojson,application/geo+json,application/json"
          aria-label={`File with ${title.toLowerCase()}, GeoJSON`}
          className="sr-only"
          tabIndex={-1}
          onChange={async (event) => {
            const chosen = event.target.files?.[0]
            event.target.value = ''
            if (chosen) onImport(await chosen.text())
          }}
        />
      </div>
    </div>
  )
}
