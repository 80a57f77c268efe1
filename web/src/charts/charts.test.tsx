import { cleanup, render, screen } from '@testing-library/react'
import { QueryClientProvider } from '@tanstack/react-query'
import { afterEach, describe, expect, it } from 'vitest'
import type { Envelope } from '../api/schema'
import { change, planDone } from '../testing/demo'
import { clientWithCatalogue, evaluated } from '../testing/realCore'
import { ChangeChart } from './ChangeChart'
import { OutlookChart } from './OutlookChart'
import { Triangle } from './Triangle'

afterEach(cleanup)

const circles = () => [...document.querySelectorAll('circle')]

describe('the charts', () => {
  it('an outlook says its figures in words, and holds what was read', () => {
    const outlook = planDone.outlooks[0]!
    render(<OutlookChart outlook={outlook} />)
    const picture = screen.getByRole('img')
    for (const point of outlook.expected) expect(picture.getAttribute('aria-label')).toContain(point.on)
    expect(circles().length).toBeGreaterThanOrEqual(outlook.observed.length)
    // later is further right
    const xs = circles().map((each) => Number(each.getAttribute('cx')))
    expect(xs).toEqual([...xs].sort((a, b) => a - b))
  })

  it('a change draws every reading of every stop', () => {
    render(
      <QueryClientProvider client={clientWithCatalogue()}>
        <ChangeChart view={change} />
      </QueryClientProvider>,
    )
    expect(screen.getByRole('img').getAttribute('aria-label')).toBeTruthy()
    const heights = new Set(change.points.map((each) => each.value)).size
    expect(heights).toBeGreaterThan(3)
    // treated stops are dots, the stop that was left alone squares on a dashed line
    const alone = new Set(change.stops.filter((each) => each.role === 'reference').map((each) => each.id))
    const left = change.points.filter((each) => alone.has(each.stopId))
    expect(left.length).toBeGreaterThan(0)
    expect(circles().length).toBe(change.points.length - left.length)
    const dashed = document.querySelectorAll('path[stroke-dasharray]')
    expect(dashed.length).toBe(alone.size)
  })

  it('a change shows which way is better, or what the crop wants', () => {
    const shown = (view: typeof change) => {
      render(
        <QueryClientProvider client={clientWithCatalogue()}>
          <ChangeChart view={view} />
        </QueryClientProvider>,
      )
      const text = document.body.textContent
      cleanup()
      return text
    }
    expect(shown(change)).toContain('wanted here')
    const plain = { ...change, wanted: undefined }
    expect(shown({ ...plain, better: 1 })).toContain('↑ better')
    expect(shown({ ...plain, better: -1 })).toContain('↓ better')
    expect(shown({ ...plain, better: 0 })).not.toContain('better')
  })

  it('a composition lies where its shares say', () => {
    const at = (readings: object) => {
      const envelope = evaluated('texture-feel', readings) as unknown as Envelope
      render(<Triangle envelope={envelope} />)
      const label = screen.getByRole('img').getAttribute('aria-label')!
      const dot = circles().at(-1)!
      const place = { x: Number(dot.getAttribute('cx')), y: Number(dot.getAttribute('cy')), label }
      cleanup()
      return place
    }
    const ribbon = { key: 'ribbon', formsBall: true, formsRibbon: true }
    const sand = at({ key: 'ribbon', formsBall: false })
    const clay = at({ ...ribbon, ribbonMm: 60, feel: 'neither' })
    const silty = at({ ...ribbon, ribbonMm: 20, feel: 'smooth' })
    // clay at the top, sand at the left foot, silt at the right
    expect(clay.y).toBeLessThan(sand.y)
    expect(silty.x).toBeGreaterThan(sand.x)
    expect(sand.label).toContain('sand 91.7 %')
  })

  it('nothing is drawn where the shares are not known', () => {
    const { container } = render(
      <Triangle envelope={evaluated('smell', { score: 1 }) as unknown as Envelope} />,
    )
    expect(container.innerHTML).toBe('')
  })
})
