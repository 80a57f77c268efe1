import 'fake-indexeddb/auto'
import { fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, describe, expect, it } from 'vitest'
import type { FieldFaceView, FieldWrite, StopWrite } from '../api/schema'
import { shapesOf, type Point } from '../geo/geo'
import { open, putAway, Refusal, serve, writes, type Asked } from '../testing/page'
import placesJson from '../testing/demo/places.json'
import { PlacesPage } from './PlacesPage'
import { withDrawn, withImported, withoutShape } from './ShapeTools'

afterEach(putAway)

const face = placesJson as unknown as FieldFaceView
const FIELD = `/api/fields/${face.field.id}`
const echo = (call: Asked) => ({ ...(call.body as object), id: call.path.split('/').at(-1) })

function openPlaces(answers = {}) {
  const asked = serve({
    [`GET ${FIELD}`]: face,
    [`PUT ${FIELD}`]: echo,
    'PUT /api/stops/*': echo,
    ...answers,
  })
  return { asked, ...open('/fields/:id/places', <PlacesPage />, `/fields/${face.field.id}/places`) }
}

const file = (text: string) => new File([text], 'shape.geojson', { type: 'application/geo+json' })

const CORNERS: Point[] = [
  [3.4, 53.8],
  [3.41, 53.8],
  [3.41, 53.81],
]

describe('the shapes of a field', () => {
  const field = face.field

  it('are drawn as outline, zones and what is kept off', () => {
    expect(shapesOf(withDrawn(field, 'outline', CORNERS, '').boundary)[0]!.kind).toBe('area')
    const zones = shapesOf(withDrawn(field, 'zone', CORNERS, 'wet').zones)
    expect(zones).toHaveLength(shapesOf(field.zones).length + 1)
    expect(zones.at(-1)!.properties['id']).toBe('wet')
    const kinds = [1, 2, 3].map(
      (count) => shapesOf(withDrawn(field, 'avoid', CORNERS.slice(0, count), '').avoid).at(-1)!.kind,
    )
    expect(kinds).toEqual(['point', 'line', 'area'])
  })

  it('come from files, several areas too; what can not be read goes to the server to be named', () => {
    const polygon = { type: 'Polygon', coordinates: [[...CORNERS, CORNERS[0]]] }
    const two = JSON.stringify({
      type: 'FeatureCollection',
      features: [1, 2].map(() => ({ type: 'Feature', properties: {}, geometry: polygon })),
    })
    expect(JSON.parse(withImported(field, 'outline', two).boundary!)).toMatchObject({ type: 'MultiPolygon' })
    // what was several comes in again as several
    const again = withImported(field, 'outline', two).boundary!
    expect(JSON.parse(withImported(field, 'outline', again).boundary!).coordinates).toHaveLength(2)
    const before = shapesOf(field.zones).length
    const names = shapesOf(withImported(field, 'zone', two).zones).map((zone) => zone.properties['id'])
    expect(names.slice(before)).toEqual([`Zone ${before + 1}`, `Zone ${before + 2}`])
    expect(withImported(field, 'outline', 'rubbish')).toEqual({ boundary: 'rubbish' })
  })

  it('are taken away one by one', () => {
    expect(withoutShape(field, 'zone', 0).zones).toBeUndefined()
    expect(withoutShape(field, 'outline', 0)).toEqual({ boundary: undefined })
  })
})

describe('the places of a field', () => {
  it('lists what there is', async () => {
    openPlaces()
    expect(await screen.findByText(/within the outline/)).toBeTruthy()
    for (const stop of face.stops) expect(screen.getAllByText(stop.label).length).toBeGreaterThan(0)
    expect(screen.getAllByText('Ditch, 10 m kept').length).toBeGreaterThan(0)
  })

  it('takes an outline from a file', async () => {
    const { asked, user } = openPlaces()
    const text = JSON.stringify({ type: 'Polygon', coordinates: [[...CORNERS, CORNERS[0]]] })
    await user.upload(await screen.findByLabelText('File with outline, GeoJSON'), file(text))
    await waitFor(() => expect(writes(asked)).toHaveLength(1))
    const body = writes(asked)[0]!.body as FieldWrite
    expect(JSON.parse(body.boundary!)).toEqual(JSON.parse(text))
    // all else of the field stays as it was
    expect(body).toMatchObject({
      name: face.field.name,
      zones: face.field.zones,
      version: face.field.version,
    })
  })

  it('says what is wrong with a file', async () => {
    const { user } = openPlaces({
      [`PUT ${FIELD}`]: new Refusal(422, {
        errors: [{ field: 'boundary', code: 'CROSSES_ITSELF', message: 'The outline crosses itself.' }],
      }),
    })
    await user.upload(await screen.findByLabelText('File with outline, GeoJSON'), file('{}'))
    expect((await screen.findByRole('alert')).textContent).toContain('The outline crosses itself.')
  })

  it('draws a zone by keys alone', async () => {
    const { asked, user } = openPlaces()
    await user.click(await screen.findByRole('button', { name: 'Draw zones' }))
    const map = screen.getByRole('application')
    for (const key of ['Enter', 'ArrowRight', 'Enter', 'ArrowUp', 'Enter']) fireEvent.keyDown(map, { key })
    expect(screen.getByText(/3 corners/)).toBeTruthy()
    await user.type(screen.getByLabelText('Name'), 'Sandy end')
    await user.click(screen.getByRole('button', { name: 'Close it and keep' }))
    await waitFor(() => expect(writes(asked)).toHaveLength(1))
    const zones = shapesOf((writes(asked)[0]!.body as FieldWrite).zones)
    expect(zones.at(-1)!.properties['id']).toBe('Sandy end')
    expect(zones.at(-1)!.parts[0]).toHaveLength(4)
  })

  it('spreads stops, shows them, and takes the new ones', async () => {
    const kept = face.stops[0]!
    const { asked, user } = openPlaces({
      'POST /api/calculators/stop-placement': {
        method: 'stop-placement',
        values: { walkM: { value: 412, unit: 'm' }, innerHa: { value: 11.2, unit: 'ha' } },
        classes: {},
        ratings: [],
        notes: [],
        working: [],
        series: {
          stops: [
            {
              order: 1,
              id: kept.id,
              longitude: kept.longitude,
              latitude: kept.latitude,
              kept: true,
              edgeM: 40,
            },
            { order: 2, longitude: 3.43, latitude: 53.82, kept: false, edgeM: 33 },
          ],
        },
      },
    })
    await user.click(await screen.findByRole('button', { name: 'Show them' }))
    await user.click(await screen.findByRole('button', { name: 'Take these 1' }))
    await waitFor(() => expect(writes(asked).filter((call) => call.method === 'PUT')).toHaveLength(1))
    const sent = writes(asked)
    const inputs = (sent[0]!.body as { inputs: { keep: unknown[]; count: number } }).inputs
    expect(inputs.keep).toHaveLength(face.stops.length)
    expect(sent[1]!.body as StopWrite).toMatchObject({ longitude: 3.43, latitude: 53.82, version: 0 })
  })

  it('retires a stop and keeps its history', async () => {
    const { asked, user } = openPlaces()
    await user.click(await screen.findByRole('button', { name: `Change ${face.stops[1]!.label}` }))
    await user.click(screen.getByRole('button', { name: 'Retire' }))
    await waitFor(() => expect(writes(asked)).toHaveLength(1))
    const body = writes(asked)[0]!.body as StopWrite
    expect(body.retiredOn).toMatch(/^\d{4}-\d\d-\d\d$/)
    expect(body).toMatchObject({ label: face.stops[1]!.label, role: face.stops[1]!.role })
  })

  it('takes a zone away and puts it back', async () => {
    const { asked, user } = openPlaces()
    await user.click(await screen.findByRole('button', { name: 'Take away Low corner' }))
    await waitFor(() => expect(writes(asked)).toHaveLength(1))
    expect((writes(asked)[0]!.body as FieldWrite).zones).toBeUndefined()
    await user.click(await screen.findByRole('button', { name: 'Put back what was taken away' }))
    await waitFor(() => expect(writes(asked)).toHaveLength(2))
    expect((writes(asked)[1]!.body as FieldWrite).zones).toBe(face.field.zones)
  })
})
