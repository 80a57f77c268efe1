import type { Envelope } from '../api/schema'
import { useCore } from '../core/core'
import { useUnits } from '../units/units'

/** Amounts in the words of the place, t/ha on fields and kg on 10 m² in gardens; undefined where there is none. */
export function useAmount(garden: boolean) {
  const core = useCore()
  const { system } = useUnits()
  return (calculator: string | undefined, answer: Envelope | undefined) =>
    (core && calculator && answer && core.amount(calculator, answer, garden, system === 'us')) || undefined
}
