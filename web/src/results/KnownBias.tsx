import { useQuery } from '@tanstack/react-query'
import { queries } from '../queries/queries'
import { useMay } from '../queries/role'
import { plainNumber } from '../units/units'
import { showDay } from '../words/dates'

/** How those who score were found to score beside the others; shown beside a change, never taken off a reading. */
export function KnownBias({ method }: { method: string }) {
  const may = useMay()
  const biases = useQuery({ ...queries.calibrationBiases(method), enabled: may.work }).data ?? []
  if (biases.length === 0) return null
  return (
    <section aria-label="Who scored" className="grid gap-1">
      <h2 className="text-lg">Who scored may show too</h2>
      <ul>
        {biases.map((each) => (
          <li key={each.name}>
            <strong>{each.name}</strong>{' '}
            {Math.abs(each.bias) < 0.005
              ? 'scores like the middle of the others'
              : `scores ${plainNumber(Math.abs(each.bias), 2)} ${each.bias > 0 ? 'higher' : 'lower'} than the others`}
            {each.low !== undefined && each.high !== undefined && (
              <span className="text-soft">
                {' '}
                ({plainNumber(each.low, 2)} to {plainNumber(each.high, 2)})
              </span>
            )}
            <span className="text-soft">
              , {each.places} {each.places === 1 ? 'place' : 'places'}, {showDay(each.on.slice(0, 10))}
            </span>
          </li>
        ))}
      </ul>
      <p className="text-soft">From scoring the same places together. No reading is altered by it.</p>
    </section>
  )
}
