import { useState } from 'react'
import type { OwnRule } from '../api/schema'
import { readNumber } from '../units/readNumber'
import { Button, Input, Labelled } from '../ui/controls'
import { words } from '../words/dates'
import { RuleShape } from './RuleShape'

type Row = { name: string; figure: string; standing: string; included: boolean }

/** A number as it was typed; undefined where it can't be read. */
function numberOf(text: string): number | undefined {
  const read = readNumber(text)
  return read && 'value' in read ? read.value : undefined
}

const rowsOf = (rule: OwnRule): Row[] =>
  rule.kind === 'curve'
    ? (rule.points ?? []).map((point) => ({
        name: '',
        figure: String(point.figure),
        standing: String(point.standing),
        included: false,
      }))
    : (rule.bands ?? []).map((band) => ({
        name: band.code,
        figure: band.limit === undefined ? '' : String(band.limit),
        standing: '',
        included: band.included,
      }))

/** One curve or set of bands, point by point. */
export function RuleForm({
  rule,
  shipped,
  isOwn,
  onTake,
  onReset,
}: {
  rule: OwnRule
  /** what it takes the place of */
  shipped: OwnRule
  isOwn: boolean
  onTake: (rule: OwnRule) => void
  onReset: () => void
}) {
  const [rows, setRows] = useState(() => rowsOf(rule))
  const [source, setSource] = useState(isOwn ? rule.source : '')
  const curve = rule.kind === 'curve'
  const made: OwnRule = curve
    ? {
        ...rule,
        source,
        points: rows.map((row) => ({
          figure: numberOf(row.figure) ?? NaN,
          standing: numberOf(row.standing) ?? NaN,
        })),
      }
    : {
        ...rule,
        source,
        bands: rows.map((row, i) => ({
          code: row.name,
          limit: i === rows.length - 1 ? undefined : (numberOf(row.figure) ?? NaN),
          included: row.included,
        })),
      }
  const fault = faultIn(made)
  const set = (at: number, change: Partial<Row>) =>
    setRows(rows.map((row, i) => (i === at ? { ...row, ...change } : row)))
  return (
    <form
      className="grid gap-4"
      onSubmit={(event) => {
        event.preventDefault()
        if (!fault && source.trim() !== '') onTake({ ...made, source: source.trim() })
      }}
    >
      <p className="text-[15px] text-soft">
        {curve
          ? 'Between two points the standing runs straight, outside them it stays; 1 is as good as it gets. Figures are in the unit of the test, metric.'
          : 'Each band ends at its limit; the last has none. Figures are in the unit of the test, metric.'}
      </p>
      {!fault && <RuleShape rule={made} beside={shipped} />}
      <p className="text-[15px]">As it ships: {shipped.source}.</p>
      <table className="w-full">
        <thead>
          <tr className="text-left text-sm text-soft">
            <th className="font-normal">{curve ? 'Figure' : 'Band'}</th>
            <th className="font-normal">{curve ? 'Standing, 0 to 1' : 'Ends at'}</th>
            <th className="w-11">
              <span className="sr-only">Remove</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) => (
            <tr key={i}>
              <td className="py-1 pr-3">
                {curve ? (
                  <Input
                    aria-label={`Figure of point ${i + 1}`}
                    inputMode="decimal"
                    value={row.figure}
                    onChange={(event) => set(i, { figure: event.target.value })}
                  />
                ) : (
                  words(row.name)
                )}
              </td>
              <td className="py-1">
                {curve ? (
                  <Input
                    aria-label={`Standing of point ${i + 1}`}
                    inputMode="decimal"
                    value={row.standing}
                    onChange={(event) => set(i, { standing: event.target.value })}
                  />
                ) : i < rows.length - 1 ? (
                  <Input
                    aria-label={`Where ${words(row.name)} ends`}
                    inputMode="decimal"
                    value={row.figure}
                    onChange={(event) => set(i, { figure: event.target.value })}
                  />
                ) : (
                  <span className="text-soft">and all above</span>
                )}
              </td>
              <td>
                {curve && rows.length > 2 && (
                  <button
                    type="button"
                    aria-label={`Remove point ${i + 1}`}
                    className="flex size-11 items-center justify-center text-xl text-accent"
                    onClick={() => setRows(rows.filter((_, other) => other !== i))}
                  >
                    −
                  </button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {curve && (
        <Button
          className="justify-self-start"
          onClick={() => setRows([...rows, { name: '', figure: '', standing: '', included: false }])}
        >
          Another point
        </Button>
      )}
      <Labelled
        label="Who says so"
        help="As it stands under every result: a study, a laboratory, or your own years of records."
      >
        {(aria) => (
          <Input
            {...aria}
            maxLength={300}
            value={source}
            onChange={(event) => setSource(event.target.value)}
          />
        )}
      </Labelled>
      {fault && (
        <p role="alert" className="text-failing">
          {fault}
        </p>
      )}
      <div className="flex flex-wrap gap-3">
        <Button type="submit" kind="primary" disabled={fault !== undefined || source.trim() === ''}>
          Take it in
        </Button>
        {isOwn && <Button onClick={onReset}>As it ships again</Button>}
      </div>
    </form>
  )
}

/** The first thing that does not fit; the server looks at all of it. */
export function faultIn(rule: OwnRule): string | undefined {
  const figures =
    rule.kind === 'curve'
      ? (rule.points ?? []).map((point) => point.figure)
      : (rule.bands ?? []).slice(0, -1).map((band) => band.limit ?? NaN)
  if (figures.some((figure) => Number.isNaN(figure))) return 'A figure can’t be read. Type it as a number.'
  for (let i = 1; i < figures.length; i++)
    if (figures[i]! <= figures[i - 1]!) return 'Figures must rise from one line to the next.'
  const standings = (rule.points ?? []).map((point) => point.standing)
  return rule.kind === 'curve' && standings.some((standing) => !(standing >= 0 && standing <= 1))
    ? 'A standing lies between 0 and 1.'
    : undefined
}
