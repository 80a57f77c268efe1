import { cleanup, render, screen } from '@testing-library/react'
import { QueryClientProvider } from '@tanstack/react-query'
import userEvent from '@testing-library/user-event'
import { useState } from 'react'
import { afterEach, describe, expect, it } from 'vitest'
import type { Fault } from '../api/client'
import { pruned, type Readings } from '../api/readings'
import { clientWithCatalogue, evaluated, methodOf, methods } from '../testing/realCore'
import { ReadingForm } from './ReadingForm'

afterEach(cleanup)

let held: Readings = {}

function Form({ id, start, faults }: { id: string; start: Readings; faults?: Fault[] }) {
  const [readings, setReadings] = useState(start)
  return (
    <ReadingForm
      entries={methodOf(id).readings}
      readings={readings}
      onChange={(next) => {
        held = next
        setReadings(next)
      }}
      faults={faults}
    />
  )
}

function open(id: string, start: Readings = {}, faults?: Fault[]) {
  held = start
  render(
    <QueryClientProvider client={clientWithCatalogue()}>
      <Form id={id} start={start} faults={faults} />
    </QueryClientProvider>,
  )
  return userEvent.setup()
}

describe('the form from the catalogue', () => {
  it('has a field for every reading of every method, with its label', () => {
    for (const method of methods) {
      open(method.id)
      for (const entry of method.readings.filter((each) => each.when.length === 0))
        expect(document.body.textContent, `${method.id} ${entry.name}`).toContain(entry.label)
      cleanup()
    }
  })

  it('shows a reading only while it counts', async () => {
    const user = open('salinity', { mode: 'slurry-1to1', compensated: true })
    const temp = methodOf('salinity').readings.find((each) => each.name === 'tempC')!
    expect(screen.queryByLabelText(new RegExp(`^${temp.label}`))).toBeNull()
    await user.click(
      screen.getByLabelText(methodOf('salinity').readings.find((each) => each.name === 'compensated')!.label),
    )
    expect(screen.getByLabelText(new RegExp(`^${temp.label}`))).toBeTruthy()
  })

  it('takes numbers one after the other and drops an emptied one', async () => {
    const user = open('salinity', { mode: 'lab-ece' })
    await user.type(screen.getByLabelText('1'), '2.5')
    await user.type(screen.getByLabelText('2'), '3')
    expect(held.readings).toEqual([2.5, 3])
    await user.clear(screen.getByLabelText('1'))
    expect(held.readings).toEqual([3])
    await user.clear(screen.getByLabelText('1'))
    expect(held.readings).toBeUndefined()
  })

  it('marks several of a set, and takes them back', async () => {
    const user = open('leaf-colour')
    const [first, second] = methodOf('leaf-colour').readings[0]!.options
    await user.click(screen.getByLabelText(first!.label))
    await user.click(screen.getByLabelText(second!.label))
    expect(held.signs).toEqual([first!.code, second!.code])
    await user.click(screen.getByLabelText(first!.label))
    await user.click(screen.getByLabelText(second!.label))
    expect(held.signs).toBeUndefined()
  })

  it('tallies what lies under each point, one tap each', async () => {
    const user = open('ground-cover')
    const [living, litter] = methodOf('ground-cover').readings[0]!.options
    await user.click(screen.getByRole('button', { name: `${living!.label} 0` }))
    await user.click(screen.getByRole('button', { name: `${living!.label} 1` }))
    await user.click(screen.getByRole('button', { name: `${litter!.label} 0` }))
    expect(held.points).toEqual(['living', 'living', 'litter'])
    await user.click(screen.getByRole('button', { name: 'take one back' }))
    expect(held.points).toEqual(['living', 'living'])
  })

  it('adds rows with their own entries, and removes them', async () => {
    const user = open('soil-temperature')
    await user.click(screen.getByRole('button', { name: 'Add' }))
    const items = methodOf('soil-temperature').readings[0]!.items
    const bare = items.find((each) => each.name === 'cover')!.options.find((each) => each.code === 'bare')!
    await user.click(screen.getByText(bare.label))
    await user.type(screen.getByLabelText(items.find((each) => each.name === 'tempC')!.label), '18.5')
    await user.click(screen.getByRole('button', { name: 'Add' }))
    expect(held.areas).toHaveLength(2)
    await user.click(screen.getAllByRole('button', { name: 'remove' })[1]!)
    expect(held.areas).toEqual([{ cover: 'bare', tempC: 18.5 }])
    const answer = evaluated('soil-temperature', pruned(methodOf('soil-temperature').readings, held))
    expect(answer.values!.meanC!.value).toBe(18.5)
  })

  it('names and counts groups of one’s own', async () => {
    const user = open('surface-life')
    await user.click(screen.getByRole('button', { name: 'Add a group' }))
    expect(held.counts).toEqual({ 'group 1': 1 })
    await user.clear(screen.getByLabelText('count'))
    await user.type(screen.getByLabelText('count'), '7')
    expect(held.counts).toEqual({ 'group 1': 7 })
    await user.click(screen.getByRole('button', { name: 'remove' }))
    expect(held.counts).toEqual({})
  })

  it('leaves a group out while nothing of it is told', async () => {
    const user = open('colour')
    const values = screen.getAllByLabelText(/^Value/)
    await user.type(values.at(-1)!, '3')
    expect(held.reference).toMatchObject({ value: 3 })
    await user.clear(values.at(-1)!)
    expect(held.reference).toBeUndefined()
  })

  it('shows each fault at its entry, in a row too, and none at an empty one', () => {
    open('soil-temperature', { areas: [{ cover: 'bare', tempC: 99 }] }, [
      { field: 'areas[0].tempC', code: 'RANGE', message: 'Must be between -20 and 70 °C.' },
      { field: 'areas[0].label', code: 'MISSING', message: 'Is missing.' },
    ])
    expect(screen.getByText('Must be between -20 and 70 °C.')).toBeTruthy()
    expect(screen.queryByText('Is missing.')).toBeNull()
  })
})
