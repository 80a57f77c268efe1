import { useQuery } from '@tanstack/react-query'
import { queries } from '../queries/queries'
import { plainNumber } from './units'

/** Amounts of money as the practice counts them: its sign before the figure, where it has set one. */
export function useMoney() {
  const currency = useQuery(queries.practice()).data?.currency
  return {
    /** where none is set, words say which it is */
    isSet: currency !== undefined,
    text: (amount: number, decimals?: number) =>
      currency ? `${currency}\u202f${plainNumber(amount, decimals)}` : plainNumber(amount, decimals),
  }
}
