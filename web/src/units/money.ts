import { useQuery } from '@tanstack/react-query'
import { queries } from '../queries/queries'
import { plainNumber } from './units'

/** The one unit that is money, as the catalogue writes it. */
const PER_TONNE = 'per t'

/** Amounts of money as the practice counts them: its sign before the figure, where it has set one. */
export function useMoney() {
  const currency = useQuery(queries.practice()).data?.currency
  return {
    /** where none is set, words say which it is */
    isSet: currency !== undefined,
    /** a label of a sum of money that is entered */
    sum: (label: string) => (currency ? `${label}, ${currency}` : label),
    /** a label of something entered in a unit, with the currency where that is money */
    label: (label: string, unit: string | undefined) =>
      currency && unit === PER_TONNE ? `${label}, ${currency}` : label,
    /** a figure shown with its unit, with the currency before it where that is money */
    withUnit: (shown: string, unit: string | undefined) =>
      currency && unit === PER_TONNE ? `${currency}\u202f${shown}` : shown,
    text: (amount: number, decimals?: number) =>
      currency ? `${currency}\u202f${plainNumber(amount, decimals)}` : plainNumber(amount, decimals),
  }
}
