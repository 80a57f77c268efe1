/** What a typed text says: a number for sure, one of several that it could mean, or none. */
export type ReadNumber = { value: number } | { unsure: number[] } | undefined

const PLAIN = /^[+-]?(\d+\.?\d*|\.\d+)$/
/** Thousands as the pages write them: 1,200 and 12,345.6, never 0,125. */
const GROUPED = /^[+-]?[1-9]\d{0,2}(,\d{3})+(\.\d+)?$/
const DECIMAL_COMMA = /^[+-]?(\d+,\d*|,\d+)$/
/** Points between thousands and a comma before decimals, or the other way round and malformed. */
const MIXED = /^[+-]?\d[\d.,]*$/
const POINT_GROUPS = /^[+-]?[1-9]\d{0,2}(\.\d{3})+$/

/**
 * Reads a number as the pages write it (thousands parted by commas, a point before decimals), and a comma before
 * decimals where it can mean nothing else. Blanks and the long minus are taken; what could mean two numbers names both.
 */
export function readNumber(typed: string): ReadNumber {
  const text = typed.replace(/\s/gu, '').replace('−', '-')
  if (PLAIN.test(text)) return { value: Number(text) }
  if (GROUPED.test(text)) return { value: Number(text.replaceAll(',', '')) }
  if (DECIMAL_COMMA.test(text)) return { value: Number(text.replace(',', '.')) }
  if (POINT_GROUPS.test(text)) return { unsure: [Number(text.replaceAll('.', ''))] }
  if (!MIXED.test(text) || !text.includes(',') || !text.includes('.')) return undefined
  const commaDecides = text.replaceAll('.', '').replace(',', '.')
  const pointDecides = text.replaceAll(',', '')
  const unsure = [commaDecides, pointDecides].filter((each) => PLAIN.test(each)).map(Number)
  return unsure.length > 0 ? { unsure: [...new Set(unsure)] } : undefined
}
