import type { ReadingEntry } from '../api/schema'
import { asReadings, asRows, type Readings } from '../api/readings'
import { useUnits, type Units } from '../units/units'

/** Readings as entered, in the viewer's units; compared with others, only what differs. */
export function ReadingsTable({
  entries,
  readings,
  against,
  caption,
}: {
  entries: ReadingEntry[]
  readings: Readings
  against?: Readings
  caption?: string
}) {
  const units = useUnits()
  const lines = flatten(entries, readings, units)
  const others = against && new Map(flatten(entries, against, units).map((line) => [line.path, line.text]))
  const shown = others ? lines.filter((line) => others.get(line.path) !== line.text) : lines
  if (others && shown.length === 0) return <p className="text-soft">{caption}: nothing else</p>
  return (
    <table className="w-full text-left">
      {caption && <caption className="text-left text-sm text-soft">{caption}</caption>}
      <tbody>
        {shown.map((line) => (
          <tr key={line.path} className="border-t border-rule">
            <th scope="row" className="py-1.5 pr-4 font-normal text-soft">
              {line.label}
            </th>
            <td className="py-1.5 text-right font-semibold">{line.text}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

type Line = { path: string; label: string; text: string }

function flatten(entries: ReadingEntry[], readings: Readings, units: Units, path = '', prefix = ''): Line[] {
  const lines: Line[] = []
  const seen = new Set<string>()
  for (const entry of entries) {
    const value = readings[entry.name]
    if (value === undefined || value === null || seen.has(entry.name)) continue
    seen.add(entry.name)
    const at = path + entry.name
    const label = prefix + entry.label
    if (entry.type === 'list') {
      asRows(value).forEach((row, i) => lines.push(row2line(entry, row, i, units, at, label)))
    } else if (entry.type === 'group') {
      lines.push(...flatten(entry.items, asReadings(value), units, `${at}.`, `${label}, `))
    } else {
      lines.push({ path: at, label, text: show(entry, value, units, entries) })
    }
  }
  return lines
}

function row2line(
  entry: ReadingEntry,
  row: Readings,
  i: number,
  units: Units,
  at: string,
  label: string,
): Line {
  const parts = entry.items
    .filter((item) => row[item.name] !== undefined && row[item.name] !== false)
    .map((item) =>
      item.type === 'list'
        ? asRows(row[item.name])
            .map((inner, k) => row2line(item, inner, k, units, '', '').text)
            .join('; ')
        : item.type === 'flag'
          ? item.label.toLowerCase()
          : show(item, row[item.name], units, entry.items),
    )
  return { path: `${at}[${i}]`, label: `${label} ${i + 1}`, text: parts.join(', ') }
}

function show(entry: ReadingEntry, value: unknown, units: Units, siblings: ReadingEntry[]): string {
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (typeof value === 'number') return units.text(value, entry.unit ?? '')
  if (Array.isArray(value)) return value.map((each) => show(entry, each, units, siblings)).join(', ')
  if (typeof value === 'object' && value !== null) {
    return Object.entries(value)
      .map(([name, count]) => `${name} ${count}`)
      .join(', ')
  }
  // a reading declared twice has its options in either declaration
  const options = siblings.filter((each) => each.name === entry.name).flatMap((each) => each.options)
  return options.find((option) => option.code === value)?.label ?? String(value)
}
