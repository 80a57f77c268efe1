import 'fake-indexeddb/auto'
import { cleanup, screen, waitFor } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import type { ReactNode } from 'react'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { emptyDevice, type Content } from '../../device/device'
import { openPanel } from '../../testing/HeldPanel'
import { noNetwork } from '../../testing/realCore'
import { OnBench, Scene } from '../frame/panel'
import type { Pixels } from './pixels'

const chosen = vi.hoisted((): { next?: unknown } => ({}))
vi.mock('./pixels', () => ({
  pixelsOf: async () => {
    if (!chosen.next) throw new Error('This file is no picture that this device can read.')
    return chosen.next
  },
  pixelsFrom: async (picture: { data: Uint8ClampedArray; width: number }) => ({
    ...picture,
    height: picture.data.length / 4 / picture.width,
    url: 'blob:drawn',
    blob: new Blob(['drawn']),
  }),
}))
const sent = vi.hoisted(() => [] as unknown[])
vi.mock('../../photos/photos', () => ({
  sendPhoto: async (_: Blob, place: unknown) => void sent.push(place),
}))

/** A picture of 120 by 90 whose points are coloured by where they lie, with a little unevenness. */
function drawn(colour: (x: number, y: number) => [number, number, number]): Pixels {
  const [width, height] = [120, 90]
  const data = new Uint8ClampedArray(4 * width * height)
  for (let i = 0; i < width * height; i++) {
    const uneven = ((i * 7919) % 5) - 2
    const point = colour((i % width) / width, Math.floor(i / width) / height)
    data.set([point[0] + uneven, point[1] + uneven, point[2] + uneven, 255], 4 * i)
  }
  return { data, width, height, url: 'blob:drawn', blob: new Blob(['picture']) }
}

/** What the draft holds, after each change. */
const draft = { content: {} as Content }

async function withPicture(
  id: string,
  picture: Pixels | undefined,
  around?: (panel: ReactNode) => ReactNode,
) {
  openPanel(id, { onChange: (content) => (draft.content = content) }, around)
  await userEvent.click(await screen.findByRole('button', { name: 'Read it from a photo' }))
  await choose(picture)
}

async function choose(picture: Pixels | undefined) {
  chosen.next = picture
  const input = await screen.findByLabelText<HTMLInputElement>(/: choose a picture$/)
  await userEvent.upload(input, new File(['picture'], 'taken.png', { type: 'image/png' }))
}

beforeEach(async () => {
  draft.content = { readings: {} }
  localStorage.clear()
  await emptyDevice()
  sent.length = 0
  vi.stubGlobal('fetch', noNetwork)
  URL.revokeObjectURL = () => {}
})

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

it('proposes a colour beside a grey patch, and takes the chip that is picked', async () => {
  // 18 % grey is 118 of 255; the soil is near 10YR 4/3
  await withPicture(
    'colour',
    drawn((x) => (x > 0.6 ? [118, 118, 118] : [121, 92, 64])),
  )
  const chips = await screen.findAllByRole('radio', { name: /YR \d|Y \d/ })
  expect(chips).toHaveLength(3)
  expect(chips[0]!.textContent).toMatch(/^(7\.5YR|10YR) 4\/(3|4)$/)
  await userEvent.click(chips[1]!)
  const [, hue, value, chroma] = /^(\S+) ([\d.]+)\/([\d.]+)$/.exec(chips[1]!.textContent)!
  await userEvent.click(screen.getByRole('button', { name: 'Take it' }))
  expect(draft.content.readings['sample']).toEqual({ hue, value: Number(value), chroma: Number(chroma) })
  await waitFor(() => expect(sent).toHaveLength(1))
  expect(sent[0]).toMatchObject({ visit: 'v', stop: 's', method: 'colour' })
})

it('says what to do where no camera can be opened', async () => {
  openPanel('colour')
  await userEvent.click(await screen.findByRole('button', { name: 'Read it from a photo' }))
  await userEvent.click(screen.getByRole('button', { name: 'Open the camera' }))
  expect((await screen.findByText(/camera can’t be opened/)).textContent).toMatch(/Choose a file/)
})

it('keeps no photo of a trial on the bench', async () => {
  const picture = drawn((x) => (x > 0.6 ? [118, 118, 118] : [121, 92, 64]))
  await withPicture('colour', picture, (panel) => (
    <OnBench.Provider value={{ told: () => {} }}>{panel}</OnBench.Provider>
  ))
  await userEvent.click(await screen.findByRole('button', { name: 'Take it' }))
  expect(draft.content.readings['sample']).toBeTruthy()
  expect(sent).toHaveLength(0)
})

it('takes a drawn picture of the soil on the training ground', async () => {
  const scene = { readings: { sample: { hue: '10YR', value: 4, chroma: 3 } }, passing: {} }
  openPanel('colour', { onChange: (content) => (draft.content = content) }, (panel) => (
    <OnBench.Provider value={{ told: () => {}, take: () => {} }}>
      <Scene.Provider value={scene}>{panel}</Scene.Provider>
    </OnBench.Provider>
  ))
  await userEvent.click(await screen.findByRole('button', { name: 'Read it from a photo' }))
  const shoot = await screen.findByRole('button', { name: 'Take the picture' })
  expect(screen.getByAltText('What the camera sees')).toBeTruthy()
  expect(screen.queryByRole('button', { name: 'Choose a file' })).toBeNull()
  await userEvent.click(shoot)
  const chips = await screen.findAllByRole('radio', { name: /YR \d|Y \d/ })
  expect(chips[0]!.textContent).toBe('10YR 4/3')
  await userEvent.click(screen.getByRole('button', { name: 'Take it' }))
  expect(draft.content.readings['sample']).toEqual({ hue: '10YR', value: 4, chroma: 3 })
  expect(sent).toHaveLength(0)
})

/** A light dish with three dark crumbs of so many hundredths of the width. */
const dish = (...radii: number[]) =>
  drawn((x, y) =>
    radii.some((radius, i) => Math.hypot(x - (0.38 + 0.12 * i), (y - 0.5) * 0.75) < radius / 100)
      ? [70, 50, 40]
      : [225, 224, 220],
  )

it('looks at crumbs by the clock: says what was missed, and takes what the later picture shows', async () => {
  const startedAt = new Date(Date.now() - 605_000).toISOString()
  openPanel('crumb-stability', {
    content: { readings: { water: 'rain' }, startedAt, stage: 0 },
    onChange: (content) => (draft.content = content),
  })
  await userEvent.click(await screen.findByRole('button', { name: 'Read it from a photo' }))
  await choose(dish(4, 4, 4))
  const moments = await screen.findByRole('list', { name: 'Pictures by the clock' })
  expect([...moments.children].map((each) => each.textContent)).toEqual([
    'drytaken',
    '60 smissed',
    '10 minnow',
    expect.stringMatching(/^30 minin 19:/),
  ])
  expect(screen.queryByRole('button', { name: 'Take it' })).toBeNull()
  await choose(dish(4, 7, 4))
  expect(await screen.findByText('no cloud, not needed')).toBeTruthy()
  expect(screen.getAllByText(/^× /).map((each) => Number(each.textContent.slice(2)) > 1.8)).toEqual([
    false,
    true,
    false,
  ])
  await userEvent.click(screen.getByRole('button', { name: 'Take it' }))
  const crumbs = draft.content.readings['crumbs'] as { slake: string; cloud10: string }[]
  expect(crumbs.map((each) => each.slake)).toEqual(['holds', 'within-10min', 'holds'])
  expect(crumbs.map((each) => each.cloud10)).toEqual(['none', 'none', 'none'])
  expect(draft.content.photo).toMatchObject({
    kind: 'crumbs',
    proposed: { crumbs: [{ slake: 'holds' }, {}, {}] },
  })
  await waitFor(() => expect(sent).toHaveLength(2))
})

it('moves a place by the arrow keys, and says when what it marks is no grey', async () => {
  await withPicture(
    'colour',
    drawn((x) => (x > 0.6 ? [118, 118, 118] : [150, 60, 40])),
  )
  const grey = await screen.findByRole('slider', { name: 'Grey patch' })
  expect(grey.getAttribute('aria-valuetext')).toBe('75 % across, 50 % down')
  grey.focus()
  for (let i = 0; i < 10; i++) await userEvent.keyboard('{Shift>}{ArrowLeft}{/Shift}')
  expect(grey.getAttribute('aria-valuetext')).toBe('25 % across, 50 % down')
  const alert = await screen.findByRole('alert')
  expect(alert.textContent).toMatch(/grey patch is coloured/)
  expect(screen.getByRole('button', { name: 'Take it' })).toHaveProperty('disabled', true)
})

it('refuses a black picture and one that is none, and leaves the readings alone', async () => {
  await withPicture('colour', undefined)
  expect((await screen.findByText(/no picture that this device can read/)).textContent).toBeTruthy()
  await choose(drawn(() => [3, 3, 3]))
  expect((await screen.findByRole('alert')).textContent).toMatch(/nearly black/)
  await userEvent.click(screen.getByRole('button', { name: 'Leave it' }))
  expect(screen.getByRole('button', { name: 'Read it from a photo' })).toBeTruthy()
  expect(draft.content.readings).toEqual({})
  expect(sent).toHaveLength(0)
})

it('counts cover at a hundred points, turned by hand where they are wrong', async () => {
  await withPicture(
    'ground-cover',
    drawn((x) => (x < 0.5 ? [80, 130, 50] : [115, 85, 60])),
  )
  const points = await screen.findAllByRole('button', { name: /^Row / })
  expect(points).toHaveLength(100)
  expect(points[0]!.getAttribute('aria-label')).toBe('Row 1, point 1: Living plant')
  expect(points[9]!.getAttribute('aria-label')).toMatch(/^Row 1, point 10: Bare/)
  points[0]!.focus()
  await userEvent.keyboard('{ArrowRight}')
  expect(document.activeElement).toBe(points[1])
  await userEvent.keyboard(' ')
  expect(points[1]!.getAttribute('aria-label')).toBe('Row 1, point 2: Litter')
  await userEvent.click(screen.getByRole('button', { name: 'Take it' }))
  const taken = draft.content.readings['points'] as string[]
  expect(taken.slice(0, 3)).toEqual(['living', 'litter', 'living'])
  expect(taken.filter((each) => each === 'bare')).toHaveLength(50)
})

it('finds the lines of a jar, and keeps one that was moved', async () => {
  const layers: [number, [number, number, number]][] = [
    [0.25, [170, 140, 95]],
    [0.4, [120, 92, 66]],
    [0.5, [150, 110, 80]],
    [2, [205, 200, 185]],
  ]
  await withPicture(
    'texture-jar',
    drawn((_, y) => layers.find(([to]) => (0.93 - y) / 0.81 < to)![1]),
  )
  await userEvent.type((await screen.findAllByLabelText(/^Height of the water/))[0]!, '160')
  const silt = await screen.findByRole('slider', { name: 'Top of the silt' })
  expect(Number(silt.getAttribute('aria-valuenow'))).toBeGreaterThan(61)
  expect(Number(silt.getAttribute('aria-valuenow'))).toBeLessThan(67)
  silt.focus()
  await userEvent.keyboard('{PageUp}')
  const moved = Number(silt.getAttribute('aria-valuenow'))
  await userEvent.click(screen.getByRole('button', { name: 'Take it' }))
  expect(draft.content.readings['siltMm']).toBeCloseTo(moved, 0)
  expect(draft.content.readings['sandMm']).toBeGreaterThan(37)
  expect(draft.content.readings['sandMm']).toBeLessThan(43)
  expect(draft.content.readings['waterColumnMm']).toBe(160)
  // beside what was recorded, what the picture said before the line was moved
  const { kind, proposed } = draft.content.photo!
  expect(kind).toBe('jar')
  expect(proposed['siltMm']).not.toBe(draft.content.readings['siltMm'])
  expect(Math.round((proposed['sandMm'] as number) * 2) / 2).toBe(draft.content.readings['sandMm'])
})
