import { useQuery } from '@tanstack/react-query'
import { useMemo } from 'react'
import { queries } from '../queries/queries'
import type { UnitEntry } from '../api/schema'

export type System = 'metric' | 'us'

/** Figures in the units of whoever looks at them. Everything stored and sent stays metric. */
export type Units = {
  system: System
  /** the symbol to show for a metric one */
  symbol: (unit: string) => string
  /** a metric figure as shown, without its unit */
  number: (value: number, unit: string) => string
  /** a metric figure as shown, with its unit */
  text: (value: number, unit: string) => string
  toShown: (metric: number, unit: string) => number
  toMetric: (shown: number, unit: string) => number
  /** a sentence with the figures in it converted */
  prose: (sentence: string) => string
}

export function plainNumber(x: number, decimals?: number) {
  const size = Math.abs(x)
  const digits = decimals ?? (size >= 100 ? 0 : size >= 10 ? 1 : 2)
  return new Intl.NumberFormat('en', { maximumFractionDigits: digits, signDisplay: 'negative' })
    .format(x)
    .replace('-', '−')
}

const FIGURE = String.raw`(−?\d[\d,]*(?:\.\d+)?)`

export function makeUnits(system: System, table: UnitEntry[]): Units {
  const converted = new Map(system === 'us' ? table.map((entry) => [entry.symbol, entry]) : [])
  const toShown = (metric: number, unit: string) => {
    const entry = converted.get(unit)
    return entry ? metric * entry.usFactor + entry.usOffset : metric
  }
  const toMetric = (shown: number, unit: string) => {
    const entry = converted.get(unit)
    return entry ? (shown - entry.usOffset) / entry.usFactor : shown
  }
  const symbol = (unit: string) => converted.get(unit)?.usSymbol ?? unit
  const number = (value: number, unit: string) => {
    const shown = toShown(value, unit)
    const decimals = converted.get(unit)?.usDecimals
    // a converted figure keeps at least two digits: 0.006 in must not become 0.01
    return decimals === undefined
      ? plainNumber(shown)
      : plainNumber(shown, Math.max(decimals, shown !== 0 && Math.abs(shown) < 0.1 ? 3 : 0))
  }
  // longest symbols first, so that mm/h is not read as mm
  const symbols = [...converted.keys()].sort((a, b) => b.length - a.length)
  const escaped = symbols.map((each) => each.replace(/[.*+?^${}()|[\]\\/]/g, '\\$&')).join('|')
  const pattern = escaped
    ? new RegExp(`${FIGURE}(?:( ?(?:to|–|-) ?)${FIGURE})? (${escaped})(?![\\w/²√])`, 'gu')
    : null
  const parse = (text: string) => Number(text.replaceAll(',', '').replace('−', '-'))
  return {
    system,
    symbol,
    number,
    toShown,
    toMetric,
    text: (value, unit) =>
      `${number(value, unit)}${unit ? `${unit === '%' ? ' ' : ' '}${symbol(unit)}` : ''}`,
    prose: (sentence) =>
      pattern
        ? sentence.replace(pattern, (_, first: string, between: string, second: string, unit: string) => {
            const start = number(parse(first), unit)
            const end = second === undefined ? '' : between + number(parse(second), unit)
            return `${start}${end} ${symbol(unit)}`
          })
        : sentence,
  }
}

/** The units of the signed-in person. */
export function useUnits(): Units {
  const system = (useQuery(queries.session()).data?.me?.units ?? 'metric') as System
  const table = useQuery(queries.coreData()).data?.units
  return useMemo(() => makeUnits(system, table ?? []), [system, table])
}
