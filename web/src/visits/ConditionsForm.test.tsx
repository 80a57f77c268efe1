import { screen } from '@testing-library/react'
import { useState } from 'react'
import { afterEach, describe, expect, it } from 'vitest'
import { open, putAway, serve } from '../testing/page'
import { ConditionsForm, type DayConditions } from './ConditionsForm'

afterEach(putAway)

function Form({ told }: { told: (day: DayConditions) => void }) {
  const [day, setDay] = useState<DayConditions>({ soilMoisture: 'moist' })
  return (
    <ConditionsForm
      day={day}
      visitedOn="2027-04-06"
      stops={[]}
      faults={{}}
      onChange={(next) => {
        setDay(next)
        told(next)
      }}
    />
  )
}

describe('the conditions of a day', () => {
  it('ask whether carbon came in last autumn, and keep the rest', async () => {
    serve({})
    const told: DayConditions[] = []
    const { user } = open('/x', <Form told={(day) => told.push(day)} />, '/x')
    const carbon = await screen.findByRole('group', { name: /last autumn/ })
    await user.click(await screen.findByText('Yes'))
    expect(told.at(-1)).toEqual({ soilMoisture: 'moist', carbonAdded: true })
    await user.click(await screen.findByText('No'))
    expect(told.at(-1)).toEqual({ soilMoisture: 'moist', carbonAdded: false })
    expect(carbon.textContent).toContain('Yes')
  })
})
