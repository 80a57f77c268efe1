import { useEffect, useState } from 'react'
import type { Bag } from '../api/schema'

/** As it is written on the label: two groups of three. */
export const shownCode = (code: string) => `${code.slice(0, 3)} ${code.slice(3)}`

/** How much of its time a bag has left, in words. */
export function timeLeft(bag: Bag, now: number) {
  const days = (Date.parse(bag.until) - now) / 86_400_000
  if (days < 0) return `should have been there ${Math.ceil(-days)} ${days > -1 ? 'day' : 'days'} ago`
  if (days < 1) return `should be there today`
  return `should be there in ${Math.floor(days)} ${days < 2 ? 'day' : 'days'}`
}

/** The time, to the minute. */
export function useMinute() {
  const [now, setNow] = useState(() => Date.now())
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 20_000)
    return () => clearInterval(timer)
  }, [])
  return now
}
