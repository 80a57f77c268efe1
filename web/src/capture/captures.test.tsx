import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { useState, type ComponentType } from 'react'
import { MemoryRouter } from 'react-router'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { MethodEntry, ReadingEntry, Stop } from '../api/schema'
import type { Readings } from '../api/readings'
import type { Content } from '../device/device'
import { ClodsCapture } from './slump/ClodsCapture'
import { ColourCapture } from './colour/ColourCapture'
import { CoverCapture } from './ground-cover/CoverCapture'
import { KitCapture } from './nutrient-kit/KitCapture'
import { LifeCapture } from './surface-life/LifeCapture'
import { MottleCapture } from './mottling/MottleCapture'
import type { CaptureProps } from './frame/panel'
import { PhCapture } from './ph/PhCapture'
import { PitCapture } from './pit/PitCapture'
import { ProbeCapture } from './penetration/ProbeCapture'
import { RootsCapture } from './roots/RootsCapture'
import { SaltCapture } from './salinity/SaltCapture'
import { ScaleCapture } from './by-sight/ScaleCapture'
import { StructureCapture } from './structure/StructureCapture'
import { SwardCapture } from './sward/SwardCapture'
import { WormsCapture } from './earthworms/WormsCapture'

const reading = (name: string, options: string[] = [], items: ReadingEntry[] = []) =>
  ({
    name,
    label: name,
    type: 'number',
    required: false,
    options: options.map((code) => ({ code, label: code })),
    items,
    when: [],
  }) as unknown as ReadingEntry

function method(id: string, readings: ReadingEntry[]): MethodEntry {
  return {
    id,
    title: id,
    purpose: 'what it is for',
    steps: ['do it'],
    cautions: [],
    timedSteps: [],
    indicators: [],
    labels: {},
    readings,
  } as unknown as MethodEntry
}

let kept: Readings

/** A capture panel with its draft in memory. */
function Held({ Panel, of }: { Panel: ComponentType<CaptureProps>; of: MethodEntry }) {
  const [content, setContent] = useState<Content>({ readings: {} })
  const change = (next: Content) => {
    kept = next.readings
    setContent(next)
  }
  const draft = {
    content,
    place: { id: 'm', visitId: 'v', stopId: 's', method: of.id },
    change,
    move: () => {},
    undo: undefined,
    conflict: undefined,
    resolve: () => {},
    discard: async () => {},
    finished: () => {},
  }
  return (
    <Panel
      draft={draft}
      context={{}}
      method={of}
      stop={{ id: 's', label: 'Stop 1' } as Stop}
      place={{ field: 'Long Dyke', fieldId: 'f', stop: 'Stop 1' }}
      goOn={() => {}}
    />
  )
}

function open(Panel: ComponentType<CaptureProps>, of: MethodEntry) {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } })
  render(
    <QueryClientProvider client={client}>
      <MemoryRouter>
        <Held Panel={Panel} of={of} />
      </MemoryRouter>
    </QueryClientProvider>,
  )
  return userEvent.setup()
}

const tap = (name: string | RegExp) => screen.getByRole('button', { name })

beforeEach(() => {
  kept = {}
  localStorage.clear()
  // no server: what is entered must not need one
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')))
})

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

describe('a slip of the finger', () => {
  it('never draws without end', async () => {
    const shares = ['livingPct', 'litterPct', 'stonePct', 'barePct'].map((name) => reading(name))
    const user = open(CoverCapture, method('ground-cover', [reading('points'), ...shares]))
    await user.keyboard('55555555555')
    expect(document.querySelectorAll('svg g').length).toBeLessThan(400)
    cleanup()
    const pit = method('pit', [
      reading('depthMm'),
      reading('standingWaterMm'),
      reading('benched'),
      reading('horizons'),
    ])
    const again = open(PitCapture, pit)
    await again.type(screen.getByLabelText('depthMm'), '14000000')
    expect(document.querySelectorAll('svg text').length).toBeLessThan(60)
  })
})

describe('captures keep what was done on their picture', () => {
  const cover = method('ground-cover', [
    reading('points', ['living', 'litter', 'stone', 'bare']),
    ...['livingPct', 'litterPct', 'stonePct', 'barePct'].map((name) => reading(name)),
  ])

  it('cover by shares, Enter going to the next', async () => {
    const user = open(CoverCapture, cover)
    await user.keyboard('55{Enter}20{Enter}5{Enter}20')
    expect(kept).toEqual({ livingPct: 55, litterPct: 20, stonePct: 5, barePct: 20 })
    expect(screen.queryByText(/not told yet/)).toBeNull()
  })

  it('cover by points, never mixed with shares', async () => {
    const user = open(CoverCapture, cover)
    await user.keyboard('55')
    await user.click(screen.getByText('by points'))
    await user.click(tap(/^living/))
    await user.click(tap(/^bare/))
    expect(kept.points).toEqual(['living', 'bare'])
    // a point of the grid that was taken wrongly, and the next one
    const grid = document.querySelectorAll('svg[role=img] rect[fill=transparent]')
    fireEvent.click(grid[0]!)
    fireEvent.click(grid[2]!)
    expect(kept.points).toEqual(['litter', 'bare', 'living'])
    expect(kept.livingPct).toBeUndefined()
  })

  it('probe pushes from a run of digits, and where it would go no further', async () => {
    const user = open(ProbeCapture, method('penetration', [reading('tipDiameterMm')]))
    await user.keyboard('0812{Enter}09')
    await user.click(tap('No further'))
    expect(kept.probes).toEqual([
      {
        readings: [
          { depthMm: 75, kPa: 800 },
          { depthMm: 150, kPa: 1200 },
        ],
      },
      { readings: [{ depthMm: 75, kPa: 900 }], refusedAtMm: 150 },
    ])
    await user.click(tap('Remove push 1'))
    expect(kept.probes).toHaveLength(1)
  })

  it('worms typed block by block, or tallied with the keys', async () => {
    const items = ['lengthMm', 'widthMm', 'depthMm', 'adults', 'juveniles'].map((name) => reading(name))
    const user = open(WormsCapture, method('earthworms', [reading('blocks', [], items)]))
    await user.keyboard('4{Enter}7{Enter}3')
    await user.click(tap('one more: Young'))
    await user.click(tap('one more: Young'))
    await user.click(tap('one less: Young'))
    const blocks = kept.blocks as Readings[]
    expect(blocks.map(({ adults, juveniles }) => [adults, juveniles])).toEqual([
      [4, 7],
      [3, 1],
      [undefined, undefined],
    ])
    expect(screen.getByText(/Block 2 of 3/)).toBeTruthy()
  })

  const ph = method('ph', [reading('kind', ['meter-1to1', 'vial-kit']), reading('layers')])

  it('pH of each slice with a meter', async () => {
    const user = open(PhCapture, ph)
    await user.keyboard('5.4{Enter}5.8')
    expect((kept.layers as Readings[]).map((each) => each.value)).toEqual([5.4, 5.8, undefined])
  })

  it('pH by chips: one, two beside each other, then anew', async () => {
    const user = open(PhCapture, ph)
    await user.selectOptions(screen.getByLabelText('Read with'), 'vial-kit')
    const first = () => {
      const { chipLow, chipHigh } = (kept.layers as Readings[])[0]!
      return [chipLow, chipHigh]
    }
    await user.click(tap('chip 5.5 at 0–100 mm'))
    expect(first()).toEqual([5.5, 5.5])
    await user.click(tap('chip 6 at 0–100 mm'))
    expect(first()).toEqual([5.5, 6])
    await user.click(tap('chip 7.5 at 0–100 mm'))
    expect(first()).toEqual([7.5, 7.5])
    expect(localStorage.getItem('used:ph')).toBe('vial-kit')
  })

  it('salt reading by reading', async () => {
    const user = open(
      SaltCapture,
      method('salinity', [reading('mode', ['slurry-1to1']), reading('readings')]),
    )
    await user.keyboard('1.2{Enter}1.35{Enter}1.37{Enter}')
    expect(kept.readings).toEqual([1.2, 1.35, 1.37])
    expect(screen.getByText('they agree')).toBeTruthy()
    await user.click(tap('Remove the reading of 1.35 dS/m'))
    expect(kept.readings).toEqual([1.2, 1.37])
    expect(screen.getByText('not yet alike')).toBeTruthy()
  })

  it('clods that pass through what can become of them', async () => {
    const items = [reading('outcome', ['keeps-shape', 'softens', 'slumps', 'splatters'])]
    const user = open(ClodsCapture, method('slump', [reading('clods', [], items)]))
    for (let i = 0; i < 3; i++) await user.click(tap(/^Clod 1/))
    await user.click(tap('One more strainer'))
    expect((kept.clods as Readings[]).map((each) => each.outcome)).toEqual(['slumps', undefined])
  })

  it('kit colours, halves between two chips', async () => {
    const user = open(
      KitCapture,
      method(
        'nutrient-kit',
        ['n', 'p', 'k'].map((name) => reading(name)),
      ),
    )
    await user.click(tap('n, chip 2'))
    await user.click(tap('n, chip 3'))
    await user.click(tap('k, chip 4'))
    expect(kept).toEqual({ n: 2.5, k: 4 })
  })

  it('roots moved with the arrow keys, the deepest never above the line', async () => {
    const user = open(
      RootsCapture,
      method('roots', [reading('barrier', ['none', 'pan']), reading('eightyPctDepthMm')]),
    )
    await user.keyboard('320')
    await user.type(screen.getByLabelText('Deepest (if found)'), '330')
    const line = screen.getByRole('slider')
    for (const key of ['ArrowUp', 'PageUp']) fireEvent.keyDown(line, { key })
    expect(kept.eightyPctDepthMm).toBe(430)
    expect(kept.deepestMm).toBe(430)
  })

  it('structure by score, or layer by layer, never both', async () => {
    const user = open(StructureCapture, method('structure', [reading('key', ['spade-block', 'drop-sort'])]))
    await user.click(screen.getAllByRole('radio').find((each) => each.textContent.includes('3'))!)
    expect(kept.score).toBe(3)
    await user.click(tap('The layers differ'))
    expect(kept.score).toBeUndefined()
    await user.type(screen.getByLabelText('Layer 1, thick'), '120')
    expect((kept.layers as Readings[])[0]).toEqual({ thicknessMm: 120 })
  })

  it('a scale in halves by one tap', async () => {
    const user = open(ScaleCapture, method('smell', [reading('score')]))
    await user.click(screen.getAllByRole('radio')[1]!)
    expect(kept.score).toBe(1.5)
  })

  it('colour of the sample and of the reference', async () => {
    const hues = ['7.5YR', '10YR']
    const items = [reading('hue', hues)]
    const user = open(
      ColourCapture,
      method('colour', [reading('sample', [], items), reading('rule', ['as-dark'])]),
    )
    await user.click(tap('10YR 4/3'))
    await user.click(tap(/^Reference/))
    await user.click(tap('10YR 3/2'))
    expect(kept.sample).toEqual({ hue: '10YR', value: 4, chroma: 3 })
    expect(kept.reference).toEqual({ moist: true, sameSoil: true, hue: '10YR', value: 3, chroma: 2 })
  })

  it('life on the surface, with a kind of one’s own', async () => {
    const user = open(LifeCapture, method('surface-life', [reading('counts'), reading('quadratAreaM2')]))
    await user.click(tap('one more: beetles'))
    await user.click(tap('one more: beetles'))
    await user.type(screen.getByLabelText('Another kind'), 'centipedes')
    await user.click(tap('Add'))
    expect(kept.counts).toEqual({ beetles: 2, centipedes: 1 })
  })

  it('mottles by share, or by sight instead', async () => {
    const names = ['score', 'rustPct', 'blackPct', 'greyPct']
    const user = open(
      MottleCapture,
      method(
        'mottling',
        names.map((name) => reading(name)),
      ),
    )
    await user.keyboard('12')
    expect(kept.rustPct).toBe(12)
    await user.click(screen.getByText('1.5'))
    expect(kept).toMatchObject({ score: 1.5, rustPct: undefined })
  })

  it('a sward whose edge is dragged by keys', () => {
    const names = ['greenPct', 'deadPct', 'cloverPct', 'speciesCount', 'brixPct']
    open(
      SwardCapture,
      method(
        'sward',
        names.map((name) => reading(name)),
      ),
    )
    const [green, dead] = screen.getAllByRole('slider')
    fireEvent.keyDown(green!, { key: 'PageUp' })
    fireEvent.keyDown(dead!, { key: 'PageUp' })
    expect(kept).toEqual({ greenPct: 50, deadPct: 50 })
  })

  it('a pit whose layers stay joined, and which warns where nobody may stand', async () => {
    const items = ['topMm', 'bottomMm', 'textureClass'].map((name) => reading(name))
    const pit = method('pit', [
      reading('depthMm'),
      reading('standingWaterMm'),
      reading('benched'),
      reading('horizons', [], items),
    ])
    const user = open(PitCapture, pit)
    fireEvent.keyDown(screen.getByLabelText('Bottom of layer 1'), { key: 'PageUp' })
    const layers = () => (kept.horizons as Readings[]).map(({ topMm, bottomMm }) => [topMm, bottomMm])
    expect(layers()).toEqual([
      [0, 350],
      [350, 600],
    ])
    await user.click(tap('One deeper'))
    await user.click(tap('Remove layer 3'))
    expect(layers()).toHaveLength(2)
    await user.type(screen.getByLabelText('depthMm'), '1400')
    expect(screen.getByText(/never stand in it/)).toBeTruthy()
    await user.click(screen.getByLabelText('benched'))
    expect(screen.queryByText(/never stand in it/)).toBeNull()
  })
})
