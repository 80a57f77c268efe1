import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { afterEach, expect, it, vi } from 'vitest'
import { DateInput } from './DateInput'

afterEach(cleanup)

it('writes the day as the page does while nobody types in it', () => {
  render(<DateInput aria-label="Day" value="2021-11-10" onChange={() => {}} />)
  expect(screen.getByText('10 Nov 2021')).toBeTruthy()
  fireEvent.focus(screen.getByLabelText('Day'))
  expect(screen.queryByText('10 Nov 2021')).toBeNull()
  fireEvent.blur(screen.getByLabelText('Day'))
  expect(screen.getByText('10 Nov 2021')).toBeTruthy()
})

it('follows what is chosen where nobody holds its value', () => {
  const chosen = vi.fn()
  render(
    <DateInput aria-label="Day" defaultValue="2021-11-10" onChange={(event) => chosen(event.target.value)} />,
  )
  const input = screen.getByLabelText('Day')
  fireEvent.focus(input)
  fireEvent.change(input, { target: { value: '2026-03-01' } })
  fireEvent.blur(input)
  expect(chosen).toHaveBeenCalledWith('2026-03-01')
  expect(screen.getByText('1 Mar 2026')).toBeTruthy()
})

it('says of an empty one that it is, not in which order the browser would write it', () => {
  render(<DateInput aria-label="Day" value="" onChange={() => {}} />)
  expect(screen.getByText('no day')).toBeTruthy()
  fireEvent.focus(screen.getByLabelText('Day'))
  expect(screen.queryByText('no day')).toBeNull()
})
