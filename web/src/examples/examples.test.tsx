import { render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { describe, expect, it } from 'vitest'
import { methods } from '../testing/realCore'
import { Examples } from './Examples'
import { examplesOf } from './steps'

/** Tests whose figure is an eye's judgement; a nose and an instrument have no picture. */
const BY_EYE = [
  'structure',
  'porosity',
  'finger-stain',
  'mottling',
  'ground-cover',
  'crumb-stability',
  'slump',
  'fizz',
  'nutrient-kit',
  'leaf-colour',
  'sward',
  'roots',
  'texture-feel',
]

describe('examples', () => {
  it.each(BY_EYE)('of %s are there for each step, each with a drawing of its own', (id) => {
    const method = methods.find((each) => each.id === id)!
    const examples = examplesOf(method)
    expect(examples.length).toBeGreaterThanOrEqual(3)
    const drawings = examples.map((example) => {
      const { container, unmount } = render(<svg>{example.drawing}</svg>)
      const drawn = container.innerHTML
      unmount()
      return drawn
    })
    expect(new Set(drawings).size).toBe(drawings.length)
    expect(new Set(examples.map((each) => each.name)).size).toBe(examples.length)
    // a score is named in the words of its test
    for (const each of examples) if (/^\d$/.test(each.name)) expect(each.words, each.name).not.toBe('')
  })

  it('are one key away, and closed by Escape', async () => {
    const user = userEvent.setup()
    render(<Examples method={methods.find((each) => each.id === 'porosity')!} />)
    await user.keyboard('x')
    expect(await screen.findByRole('dialog', { name: /what the steps look like/ })).toBeTruthy()
    expect(screen.getAllByRole('img')).toHaveLength(3)
    await user.keyboard('{Escape}')
    expect(screen.queryByRole('dialog')).toBeNull()
  })

  it('are not offered for what is read off an instrument', () => {
    const { container } = render(<Examples method={methods.find((each) => each.id === 'salinity')!} />)
    expect(container.textContent).toBe('')
  })
})
