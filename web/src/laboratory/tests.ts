import { useQuery } from '@tanstack/react-query'
import { queries } from '../queries/queries'

export type LabTestOption = { code: string; label: string }

/** What a laboratory can be asked for, in the words of the catalogue. */
export function useLabTests(): LabTestOption[] {
  const calculators = useQuery(queries.plans()).data ?? []
  const tests = calculators
    .find((each) => each.id === 'composite')
    ?.inputs.find((input) => input.name === 'tests')
  return tests?.options ?? []
}

/** Codes as words. */
export const labelled = (codes: string[], options: LabTestOption[]) =>
  codes.map((code) => options.find((option) => option.code === code)?.label ?? code).join(', ')
