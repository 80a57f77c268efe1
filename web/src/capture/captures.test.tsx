import { cleanup, fireEvent, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Readings } from '../api/readings'
import { openPanel } from '../testing/HeldPanel'
import { evaluated, methodOf, noNetwork } from '../testing/realCore'

let kept: Readings

/** The picture of a method, with what the catalogue says of it and the core as compiled for the page. */
function open(id: string) {
  openPanel(id, {
    onChange: (content) => {
      kept = content.readings
    },
  })
  return userEvent.setup()
}

/** What was kept, as the core makes of it; it must not be refused. */
function worth(id: string, readings: Readings = kept) {
  const answer = evaluated(id, { ...methodOf(id).usual, ...readings })
  expect(answer.errors).toBeUndefined()
  return answer
}

const tap = (name: string | RegExp) => screen.getByRole('button', { name })

beforeEach(() => {
  kept = {}
  localStorage.clear()
  // no server beyond the catalogue: what is entered must not need one
  vi.stubGlobal('fetch', noNetwork)
})

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

describe('what is still needed', () => {
  it('is said where something was entered and it can’t be recorded yet', async () => {
    const user = open('sward')
    expect(screen.queryByText(/^Still needed/)).toBeNull()
    const green = methodOf('sward').readings.find((each) => each.name === 'greenPct')!.label
    await user.type(screen.getByLabelText(green), '60')
    const missing = methodOf('sward')
      .readings.filter((each) => each.required && each.name !== 'greenPct')
      .map((each) => each.label.toLowerCase())
    expect(missing.length).toBeGreaterThan(0)
    const told = await screen.findByText(/^Still needed/)
    for (const each of missing) expect(told.textContent).toContain(each)
  })

  it('is nothing once a push is typed in full: it counts with the others, and is recorded', async () => {
    const user = open('penetration')
    expect((tap('Record') as HTMLButtonElement).disabled).toBe(true)
    await user.keyboard('0812162428')
    expect((tap('Record') as HTMLButtonElement).disabled).toBe(false)
    // on its way: kept with the others by “Next push” or by recording
    expect(kept.probes).toBeUndefined()
  })
})

describe('a slip of the finger', () => {
  it('never draws without end', async () => {
    const user = open('ground-cover')
    await user.keyboard('55555555555')
    expect(document.querySelectorAll('svg g').length).toBeLessThan(400)
    cleanup()
    const again = open('pit')
    await again.type(screen.getByLabelText('Depth of the pit'), '14000000')
    expect(document.querySelectorAll('svg text').length).toBeLessThan(60)
  })
})

describe('captures keep what was done on their picture', () => {
  it('cover by shares, Enter going to the next', async () => {
    const user = open('ground-cover')
    await user.keyboard('55{Enter}20{Enter}5{Enter}20')
    expect(kept).toEqual({ livingPct: 55, litterPct: 20, stonePct: 5, barePct: 20 })
    expect(screen.queryByText(/not told yet/)).toBeNull()
    expect(worth('ground-cover').values!.coverPct!.value).toBeCloseTo(80)
  })

  it('cover by points, never mixed with shares', async () => {
    const user = open('ground-cover')
    await user.keyboard('55')
    await user.click(screen.getByText('by points'))
    await user.click(tap(/^Living/))
    await user.click(tap(/^Bare/))
    expect(kept.points).toEqual(['living', 'bare'])
    // a point of the grid that was taken wrongly, and the next one
    const grid = document.querySelectorAll('svg[role=img] rect[fill=transparent]')
    fireEvent.click(grid[0]!)
    fireEvent.click(grid[2]!)
    expect(kept.points).toEqual(['litter', 'bare', 'living'])
    expect(kept.livingPct).toBeUndefined()
    expect(screen.getByText('3 points; at least 20, better 50.')).toBeTruthy()
  })

  it('probe pushes from a run of digits, and where it would go no further', async () => {
    const user = open('penetration')
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
    expect(worth('penetration').values!.limitedProbes!.value).toBe(1)
    await user.click(tap('Remove push 1'))
    expect(kept.probes).toHaveLength(1)
  })

  it('worms typed block by block, or tallied with the keys', async () => {
    const user = open('earthworms')
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
    // what is recorded are the blocks that were counted
    expect(worth('earthworms', { blocks: blocks.slice(0, 2) }).ratings!.length).toBeGreaterThan(0)
  })

  it('pH of each slice with a meter', async () => {
    const user = open('ph')
    await user.keyboard('5.4{Enter}5.8')
    const layers = kept.layers as Readings[]
    expect(layers.map((each) => each.value)).toEqual([5.4, 5.8, undefined])
    expect(worth('ph', { ...kept, layers: layers.slice(0, 2) }).ratings!.length).toBeGreaterThan(0)
  })

  it('pH by chips: one, two beside each other, then anew', async () => {
    const user = open('ph')
    await user.selectOptions(screen.getByLabelText('Read by'), 'vial-kit')
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
    const user = open('salinity')
    await user.keyboard('1.2{Enter}1.35{Enter}1.37{Enter}')
    expect(kept.readings).toEqual([1.2, 1.35, 1.37])
    expect(screen.getByText('they agree')).toBeTruthy()
    expect(worth('salinity').values!.ece!.value).toBeGreaterThan(0)
    await user.click(tap('Remove the reading of 1.35 dS/m'))
    expect(kept.readings).toEqual([1.2, 1.37])
    expect(screen.getByText('not yet alike')).toBeTruthy()
  })

  it('clods that pass through what can become of them', async () => {
    const user = open('slump')
    for (let i = 0; i < 3; i++) await user.click(tap(/^Clod 1/))
    await user.click(tap('One more strainer'))
    expect((kept.clods as Readings[]).map((each) => each.outcome)).toEqual(['slumps', undefined])
  })

  it('steps of a kit, halves between two', async () => {
    const user = open('nutrient-kit')
    await user.click(tap('Nitrogen, step 2, fair'))
    await user.click(tap('Nitrogen, step 3, ample'))
    await user.click(tap('Potassium, step 4, overfull'))
    expect(kept).toEqual({ n: 2.5, k: 4 })
    worth('nutrient-kit')
  })

  it('pushes of a rod by hand, and none of what a gauge read', async () => {
    const user = open('penetration')
    await user.click(screen.getByRole('radio', { name: 'A rod by hand' }))
    await user.type(screen.getByLabelText('Pushed to'), '450')
    await user.click(tap('Next push'))
    await user.type(screen.getByLabelText('Pushed to'), '240')
    await user.type(screen.getByLabelText(/^Went stiff at/), '210')
    await user.click(screen.getByLabelText(/^Hand force stopped at/))
    await user.click(tap('Next push'))
    expect(kept).toMatchObject({
      instrument: 'rod',
      probes: [{ pushedToMm: 450 }, { pushedToMm: 240, stopsAtMm: 240, stiffAtMm: 210 }],
    })
    expect(worth('penetration', { instrument: 'rod', probes: kept.probes }).values!.limitDepthMm!.value).toBe(
      240,
    )
    await user.click(screen.getByRole('radio', { name: 'A probe with a gauge' }))
    expect(kept.probes).toBeUndefined()
  })

  it('what a clod does in the hand, once it was looked at', async () => {
    const user = open('slump')
    expect(screen.queryByRole('radio', { name: 'runs through the fingers' })).toBeNull()
    await user.click(tap(/^Clod 1/))
    await user.click(screen.getByRole('radio', { name: 'runs through the fingers' }))
    expect(kept.clods).toMatchObject([{ outcome: 'keeps-shape', inHand: 'runs' }])
    expect(worth('slump').values!.score!.value).toBe(2)
  })

  it('a hole that emptied is not given a width that nobody said', async () => {
    const user = open('hole-drainage')
    await user.click(screen.getByRole('radio', { name: 'Time until empty' }))
    await user.type(screen.getByLabelText('Minutes until empty'), '240')
    expect(kept.holeDiameterMm).toBeUndefined()
    expect(screen.getByText(/width of the hole was not given/)).toBeTruthy()
  })

  it('a jar marked by eye, which says nothing of sizes', async () => {
    const user = open('texture-jar')
    await user.click(screen.getByRole('radio', { name: 'by eye' }))
    for (const [name, mm] of [
      ['Height of the water', '150'],
      ['Ruler at the top of the sand', '41'],
      ['Ruler at the top of the silt', '66'],
      ['Ruler at the top of the clay', '80'],
    ] as const)
      await user.type(screen.getByLabelText(name), mm)
    expect(await screen.findByText('As read')).toBeTruthy()
    expect(screen.queryByText('With small grains put back')).toBeNull()
    await user.click(screen.getByRole('radio', { name: 'at the worked-out times' }))
    expect(await screen.findByText('With small grains put back')).toBeTruthy()
    expect(document.body.textContent).not.toContain('100 %')
  })

  it('roots moved with the arrow keys, the deepest never above the line', async () => {
    const user = open('roots')
    await user.keyboard('320')
    await user.type(screen.getByLabelText('Deepest root (if found)'), '330')
    const line = screen.getByRole('slider')
    for (const key of ['ArrowUp', 'PageUp']) fireEvent.keyDown(line, { key })
    expect(kept.eightyPctDepthMm).toBe(430)
    expect(kept.deepestMm).toBe(430)
    worth('roots')
  })

  it('structure by score, or layer by layer, never both', async () => {
    const user = open('structure')
    await user.click(screen.getAllByRole('radio').find((each) => each.textContent.includes('3'))!)
    expect(kept.score).toBe(3)
    expect(worth('structure', { key: 'spade-block', score: 3, fractions: undefined }).ratings).toHaveLength(1)
    await user.click(tap('The layers differ'))
    expect(kept.score).toBeUndefined()
    await user.type(screen.getByLabelText('Layer 1, thick'), '120')
    expect((kept.layers as Readings[])[0]).toEqual({ thicknessMm: 120 })
  })

  it('a scale in halves by one tap, with its words', async () => {
    const user = open('smell')
    await user.click(screen.getAllByRole('radio')[1]!)
    expect(kept.score).toBe(1.5)
    expect(screen.getByText('earthy and fresh')).toBeTruthy()
    worth('smell')
  })

  it('colour of the sample and of the reference', async () => {
    const user = open('colour')
    await user.click(tap('10YR 4/3'))
    await user.click(tap(/^Reference/))
    await user.click(tap('10YR 3/2'))
    expect(kept.sample).toEqual({ hue: '10YR', value: 4, chroma: 3 })
    expect(kept.reference).toEqual({ moist: true, sameSoil: true, hue: '10YR', value: 3, chroma: 2 })
    worth('colour')
  })

  it('life on the surface, with a kind of one’s own', async () => {
    const user = open('surface-life')
    await user.click(tap('one more: beetles'))
    await user.click(tap('one more: beetles'))
    await user.type(screen.getByLabelText('Another kind'), 'centipedes')
    await user.click(tap('Add'))
    expect(kept.counts).toEqual({ beetles: 2, centipedes: 1 })
    worth('surface-life')
  })

  it('mottles by share, or by sight instead', async () => {
    const user = open('mottling')
    await user.keyboard('12')
    expect(kept.rustPct).toBe(12)
    await user.click(screen.getByText('1.5'))
    expect(kept).toMatchObject({ score: 1.5, rustPct: undefined })
    worth('mottling')
  })

  it('a sward whose edge is dragged by keys', () => {
    open('sward')
    const [green, dead] = screen.getAllByRole('slider')
    fireEvent.keyDown(green!, { key: 'PageUp' })
    fireEvent.keyDown(dead!, { key: 'PageUp' })
    expect(kept).toEqual({ greenPct: 50, deadPct: 50 })
  })

  it('a fizz seen and heard', async () => {
    const user = open('fizz')
    await user.click(screen.getAllByRole('radio')[3]!)
    expect(kept.seen).toBe('low-foam')
    worth('fizz')
  })

  it('a jar whose mark times follow the water in it', async () => {
    const user = open('texture-jar')
    await user.type(await screen.findByLabelText('Height of the water'), '150')
    expect(await screen.findByText(/^In this water/)).toBeTruthy()
    for (const [label, mm] of [
      ['Ruler at the top of the sand', '20'],
      ['Ruler at the top of the silt', '40'],
      ['Ruler at the top of the clay', '50'],
    ] as const)
      await user.type(screen.getByLabelText(label), mm)
    expect(kept).toMatchObject({ waterColumnMm: 150, sandMm: 20, siltMm: 40, clayMm: 50 })
    expect(worth('texture-jar').values!.sandPct!.value).toBeGreaterThan(0)
  })

  it('the feel key asks on until the class is known', async () => {
    const user = open('texture-feel')
    await user.click(screen.getByText('Yes'))
    await user.click(screen.getAllByText('Yes')[1]!)
    await user.type(screen.getByLabelText('Ribbon breaks at'), '30')
    await user.click(screen.getByText('neither'))
    expect(kept).toMatchObject({ formsBall: true, formsRibbon: true, ribbonMm: 30, feel: 'neither' })
    expect(worth('texture-feel').errors).toBeUndefined()
  })

  it('a ring of two typed runs', async () => {
    const user = open('ring-infiltration')
    await user.type(screen.getByLabelText('Run 1, or typed'), '95{Enter}')
    await user.type(screen.getByLabelText('Run 2, or typed'), '160{Enter}')
    expect(kept.runs).toEqual([
      { volumeMl: 450, seconds: 95 },
      { volumeMl: 450, seconds: 160 },
    ])
    expect(worth('ring-infiltration').ratings!.length).toBeGreaterThan(0)
  })

  it('crumbs that give way one after the other, with their clouds', async () => {
    const user = open('crumb-stability')
    await user.click(tap('Start clock'))
    await user.keyboard('1')
    await user.click(tap('60 s over, next'))
    await user.keyboard('2')
    await user.click(tap('Swirled, next'))
    await user.click(tap('Swirled, next'))
    await user.keyboard('3')
    await user.click(tap('Clouds read, next'))
    expect(screen.getByText(/Look again/)).toBeTruthy()
    const crumbs = kept.crumbs as Readings[]
    expect(crumbs.map((each) => each.slake)).toEqual([
      'under-60s',
      'gentle-swirl',
      'holds',
      'holds',
      'holds',
      'holds',
    ])
    expect(crumbs[2]!.cloud10).toBe('faint')
    worth('crumb-stability')
  })

  it('a pit whose layers stay joined, and which warns where nobody may stand, before it can be judged', async () => {
    const user = open('pit')
    fireEvent.keyDown(screen.getByLabelText('Bottom of layer 1'), { key: 'PageUp' })
    const layers = () => (kept.horizons as Readings[]).map(({ topMm, bottomMm }) => [topMm, bottomMm])
    expect(layers()).toEqual([
      [0, 350],
      [350, 600],
    ])
    await user.click(tap('One deeper'))
    await user.click(tap('Remove layer 3'))
    expect(layers()).toHaveLength(2)
    await user.type(screen.getByLabelText('Depth of the pit'), '1400')
    expect(await screen.findByText(/Do not enter: 1,?400 mm deep/)).toBeTruthy()
    await user.click(screen.getByLabelText('Benched or shored'))
    expect(screen.queryByText(/Do not enter/)).toBeNull()
    // benched or not, with water in it nobody goes down
    await user.type(screen.getByLabelText('Water standing in it (if any)'), '50')
    expect(screen.getByText(/Do not enter/)).toBeTruthy()
  })
})
