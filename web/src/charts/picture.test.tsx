import { render } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { standalone } from './picture'

describe('a drawing as a file of its own', () => {
  function drawn() {
    const { container } = render(
      <svg viewBox="0 -26 200 100" className="w-full">
        <rect className="bar" x="1" y="2" width="3" height="4" style={{ fill: 'rgb(10, 20, 30)' }} />
        <text x="5" y="6">
          6 &lt; 7
        </text>
      </svg>,
    )
    return new DOMParser().parseFromString(
      standalone(container.querySelector('svg')!, 'pH of “Low & wet”', 'Figures in mm · 3 May 2026'),
      'image/svg+xml',
    )
  }

  it('is sound, with what it is above and its units and day below', () => {
    const file = drawn()
    expect(file.querySelector('parsererror')).toBeNull()
    const texts = [...file.querySelectorAll('text')].map((each) => each.textContent)
    expect(texts).toEqual(['pH of “Low & wet”', '6 < 7', 'Figures in mm · 3 May 2026'])
    expect(file.documentElement.getAttribute('viewBox')).toBe('0 0 200 160')
  })

  it('carries the colours that the page gave it, and needs no page', () => {
    const file = drawn()
    const bar = [...file.querySelectorAll('rect')].find((each) => each.getAttribute('x') === '1')!
    expect(bar.getAttribute('fill')).toBe('rgb(10, 20, 30)')
    expect(file.querySelector('[class]')).toBeNull()
    expect(file.querySelector('[style]')).toBeNull()
  })
})
