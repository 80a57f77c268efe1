import 'fake-indexeddb/auto'
import { screen, waitFor } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Photo } from '../api/schema'
import { keptJobs } from '../device/device'
import { startSending } from '../device/outbox'
import { open, putAway, Refusal, serve, writes } from '../testing/page'
import { PhotoBefore, PhotoButton, Photos } from './PhotoButton'
import { shrunk } from './photos'

/** A canvas stands in that keeps how large it was drawn; its picture is of that many bytes. */
const drawn: { width: number; height: number; type?: string }[] = []
let readable = true

beforeEach(() => {
  drawn.length = 0
  readable = true
  vi.stubGlobal('createImageBitmap', (file: Blob) =>
    file.type.startsWith('image/')
      ? Promise.resolve({ width: 4000, height: 3000 })
      : Promise.reject(new Error('no picture')),
  )
  HTMLCanvasElement.prototype.getContext = (() => ({
    drawImage: (_: unknown, __: number, ___: number, width: number, height: number) =>
      drawn.push({ width, height }),
  })) as never
  HTMLCanvasElement.prototype.toBlob = (done, type) => {
    drawn.at(-1)!.type = type
    done(readable ? new Blob(['picture'], { type }) : null)
  }
})

let stop = () => {}
afterEach(async () => {
  stop()
  await putAway()
  vi.unstubAllGlobals()
})

const picture = new File(['x'], 'place.png', { type: 'image/png' })

describe('a picture', () => {
  it('is made small, drawn anew as a JPEG', async () => {
    expect((await shrunk(picture)).type).toBe('image/jpeg')
    expect(drawn).toEqual([{ width: 1600, height: 1200, type: 'image/jpeg' }])
  })

  it('that is small already keeps its size', async () => {
    vi.stubGlobal('createImageBitmap', () => Promise.resolve({ width: 640, height: 480 }))
    await shrunk(picture)
    expect(drawn[0]).toMatchObject({ width: 640, height: 480 })
  })

  it('that can’t be drawn is refused', async () => {
    readable = false
    await expect(shrunk(picture)).rejects.toThrow('no picture')
  })
})

describe('taking a photo', () => {
  const place = { visit: 'v', stop: 's', method: 'slump', depthMm: 100 }

  function openButton(answer: unknown) {
    const asked = serve({ 'PUT /api/photos/*': answer })
    stop = startSending('me', () => {})
    return { asked, ...open('/', <PhotoButton place={place} />, '/') }
  }
  const input = () => screen.getByLabelText<HTMLInputElement>(/choose a picture/)

  it('sends it with its visit, stop, test and depth', async () => {
    const { user, asked } = openButton({ id: 'p' })
    await user.upload(input(), picture)
    expect(await screen.findByText('photo kept')).toBeTruthy()
    const [sent] = writes(asked)
    expect(Object.fromEntries(sent!.query)).toMatchObject({
      visit: 'v',
      stop: 's',
      method: 'slump',
      depthMm: '100',
    })
    expect(Math.abs(Date.parse(sent!.query.get('takenAt')!) - Date.now())).toBeLessThan(5000)
  })

  it('keeps it here where the server is away, and says so', async () => {
    const { user } = openButton(new Refusal(503))
    await user.upload(input(), picture)
    expect(await screen.findByText('photo kept here, not sent yet')).toBeTruthy()
    expect(keptJobs()).toMatchObject([{ kind: 'photo', state: 'waiting' }])
    expect(keptJobs()[0]!.picture).toBeDefined()
  })

  it('says when a file is no picture, and sends nothing', async () => {
    const { asked } = openButton({ id: 'p' })
    await userEvent
      .setup({ applyAccept: false })
      .upload(input(), new File(['x'], 'notes.txt', { type: 'text/plain' }))
    expect(await screen.findByText(/no picture that this device can read.*Try again/)).toBeTruthy()
    expect(writes(asked)).toEqual([])
    expect(keptJobs()).toEqual([])
  })
})

describe('photos of a field', () => {
  const photo: Photo = {
    id: 'p1',
    fieldId: 'f',
    visitId: 'v',
    stopId: 's',
    stop: 'Stop 2',
    method: 'earthworms',
    takenAt: '2026-04-05T10:00:00Z',
    person: 'me',
  } as Photo

  it('say where and what of, also to those who do not see them', async () => {
    serve({ 'GET /api/fields/f/photos': [photo, { ...photo, id: 'p2', method: undefined }] })
    open('/', <Photos field="f" />, '/')
    const pictures = await screen.findAllByRole<HTMLImageElement>('img')
    expect(pictures.map((each) => each.alt)).toEqual([
      'Stop 2, earthworms, 5 Apr 2026',
      'Stop 2, the place, 5 Apr 2026',
    ])
    expect(pictures[0]!.getAttribute('src')).toBe('/api/photos/p1?size=small')
  })

  it('invite to take one where there is none', async () => {
    serve({ 'GET /api/fields/f/photos': [] })
    open('/', <Photos field="f" />, '/')
    expect(await screen.findByText(/No photo yet/)).toBeTruthy()
  })

  it('show what the same test looked like here before', async () => {
    const asked = serve({ 'GET /api/stops/s/photo-before': photo })
    open('/', <PhotoBefore stop="s" method="earthworms" before="2026-11-01T10:00:00Z" />, '/')
    expect(await screen.findByText('Here on 5 Apr 2026')).toBeTruthy()
    await waitFor(() =>
      expect(Object.fromEntries(asked.find((each) => each.path.endsWith('photo-before'))!.query)).toEqual({
        method: 'earthworms',
        before: '2026-11-01T10:00:00Z',
      }),
    )
  })
})
