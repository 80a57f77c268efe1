import type { Envelope } from '../api/schema'
import { plainNumber, type Units } from '../units/units'

/** The figure of each calculator that a plan speaks of, and the total it comes to. */
const AMOUNTS: Record<string, { rate: string; total?: string; word: string }> = {
  lime: { rate: 'productTHa', total: 'productT', word: 'lime' },
  gypsum: { rate: 'gypsumTHa', total: 'gypsumT', word: 'gypsum' },
  sulfur: { rate: 'sulfurKgHa', total: 'sulfurT', word: 'sulfur' },
  leaching: { rate: 'waterMm', word: 'water' },
  'organic-matter': { rate: 'freshTHa', total: 'volumeM3', word: 'compost' },
  'drain-spacing': { rate: 'spacingM', word: 'between drains' },
  subsoiling: { rate: 'workingDepthMm', word: 'deep' },
}

/** An amount in words that suit the place: t/ha on fields, kg on 10 m² and litres on beds. */
export function amountOf(
  calculator: string,
  envelope: Envelope,
  units: Units,
  garden: boolean,
): string | undefined {
  const known = AMOUNTS[calculator]
  if (calculator === 'cover-crop')
    return String(envelope.classes['best'] ?? '').replaceAll('-', ' ') || undefined
  const rate = known && envelope.values[known.rate]
  if (!known || !rate) return undefined
  const total = known.total ? envelope.values[known.total] : undefined
  if (garden && rate.unit === 't/ha' && units.system === 'metric') {
    // 1 t/ha is 1 kg on 10 m²
    const spread = `${plainNumber(rate.value)} kg per 10 m²`
    if (!total) return `${spread} of ${known.word}`
    return total.unit === 'm³'
      ? `${spread}, ${plainNumber(total.value * 1000, 0)} L of ${known.word} in all`
      : `${spread}, ${plainNumber(total.value * 1000, 0)} kg of ${known.word} in all`
  }
  const spread = `${units.text(rate.value, rate.unit)} ${total ? `of ${known.word}` : known.word}`
  return total ? `${spread}, ${units.text(total.value, total.unit)} in all` : spread
}
