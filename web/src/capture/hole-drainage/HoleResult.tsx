import type { Envelope } from '../../api/schema'
import { asNumber, type Readings } from '../../api/readings'
import type { Entry } from '../frame/entry'
import { useCore } from '../../core/core'
import { words } from '../../words/dates'
import { asLevel, LevelMark } from '../../ui/levels'
import { FigureButton, Spread } from '../../ui/Working'
import { useUnits } from '../../units/units'
import { Notes } from '../../readings/Results'
import { AugerWidth } from './AugerWidth'

/** The rate as it fell, what the width of the auger did to it, and what the soil is good for. */
export function HoleResult({
  envelope,
  readings,
  context,
  entry,
}: {
  envelope: Envelope
  readings: Readings
  context: Readings
  entry: Entry<'hole-drainage'>
}) {
  const units = useUnits()
  const core = useCore()
  const { rate, rateAtMost, plainMeanRate, overstatementPct, fieldPermeability, referenceRate } =
    envelope.values
  const shownRate = rate ?? rateAtMost
  const rating = envelope.ratings[0]
  const level = asLevel(rating?.level)
  const settled = envelope.classes.steady !== 'no'
  const stepped = readings.mode === 'stepped'
  return (
    <div className="grid gap-3 border-t border-rule pt-3">
      {shownRate && (
        <div className="flex flex-wrap items-end justify-between gap-x-4">
          <span className="grid">
            <span className="text-sm text-soft">
              {!rate
                ? 'at most'
                : stepped
                  ? settled
                    ? 'lasting rate'
                    : 'rate of the last interval'
                  : 'rate'}
            </span>
            <span>
              <FigureButton figure={shownRate} envelope={envelope} className="text-3xl font-bold" />{' '}
              <Spread figure={shownRate} />
            </span>
          </span>
          {level && <LevelMark level={level} className="text-lg" />}
        </div>
      )}
      {envelope.classes.drainOut !== undefined && (
        <p className="text-xl font-bold">{words(String(envelope.classes.drainOut))}</p>
      )}
      {plainMeanRate && rate && (
        <p className="leading-snug">
          Plain mean of all readings{' '}
          <FigureButton figure={plainMeanRate} envelope={envelope} className="font-semibold" />
          {overstatementPct && overstatementPct.value > 1 && (
            <>
              : {Math.round(overstatementPct.value)} % too high, because the first wetting and the sides drank
            </>
          )}
          .
        </p>
      )}
      {shownRate && referenceRate && fieldPermeability && (
        <AugerWidth
          widthMm={asNumber(readings.holeDiameterMm)}
          rate={shownRate}
          reference={referenceRate}
          soil={fieldPermeability}
          soilWords={words(String(envelope.classes.permeability))}
          envelope={envelope}
        />
      )}
      {rating && (
        <table className="w-full text-left text-[15px]">
          <caption className="text-left text-sm text-soft">Suitability by purpose</caption>
          <tbody>
            {entry.method.groups.purposes.map((purpose) => {
              const judged = core?.evaluate(entry.method.id, readings, { ...context, purpose }).envelope
              const own = asLevel(judged?.ratings[0]?.level)
              return (
                <tr key={purpose} className={context.purpose === purpose ? 'font-bold' : ''}>
                  <th scope="row" className="py-1 pr-3 font-[inherit]">
                    {words(purpose)}
                  </th>
                  <td className="pr-3">{words(String(judged?.classes.suitability ?? ''))}</td>
                  <td>{own && <LevelMark level={own} />}</td>
                </tr>
              )
            })}
          </tbody>
        </table>
      )}
      {rating && <p className="leading-snug text-soft">{units.prose(rating.why)}</p>}
      <Notes envelope={envelope} />
    </div>
  )
}
