import type { CalibrationAgreement, CalibrationView } from '../api/schema'
import { asNumber, asRows, asText } from '../api/readings'
import { BiasChart } from '../charts/BiasChart'
import { SavableChart } from '../charts/SavePicture'
import { plainNumber } from '../units/units'
import { showDay } from '../words/dates'

const WORTH_A_TALK = 2

// the words that Landis and Koch (1977) gave to ranges of kappa
const WORDS: [number, string][] = [
  [0.81, 'almost perfect'],
  [0.61, 'substantial'],
  [0.41, 'moderate'],
  [0.21, 'fair'],
  [0, 'slight'],
  [-Infinity, 'worse than chance'],
]
const agreementWords = (kappa: number) => WORDS.find(([from]) => kappa >= from)![1]

/** How far people agree, who is harsh by how much, and the places worth a talk. */
export function Results({ view }: { view: CalibrationView }) {
  const { closedAt } = view.calibration
  return (
    <>
      <p className="text-soft">
        {view.members.map((each) => each.name).join(', ')}; {view.calibration.places} places
        {closedAt && `, ${showDay(closedAt.slice(0, 10))}`}.
      </p>
      {view.results!.map((agreed) => (
        <Agreed key={agreed.test} agreed={agreed} view={view} />
      ))}
    </>
  )
}

function Agreed({ agreed, view }: { agreed: CalibrationAgreement; view: CalibrationView }) {
  const test = view.tests.find((each) => each.id === agreed.test)!
  const kappa = agreed.envelope?.values.kappa?.value
  const people = asRows(agreed.envelope?.series.people)
  const items = asRows(agreed.envelope?.series.items).filter(
    (row) => (asNumber(row.steps) ?? 0) >= WORTH_A_TALK,
  )
  return (
    <section aria-label={test.title} className="grid gap-4 border-t border-strong-rule pt-4">
      <h2 className="text-2xl">{test.title}</h2>
      {kappa === undefined ? (
        <p>
          How far you agree can’t be told: it needs two people with two places in common, and scores that
          differ.
        </p>
      ) : (
        <p className="text-lg">
          Agreement <strong>{plainNumber(kappa, 2)}</strong>, {agreementWords(kappa)}
          <span className="text-soft"> (1 is all alike, 0 is chance)</span>.
        </p>
      )}
      {agreed.envelope?.notes.map((note) => (
        <p key={note.code} className="text-soft">
          {note.text}
        </p>
      ))}
      {people.length > 0 && (
        <>
          <SavableChart title={`${test.title}: beside the others`} unit="steps of the score">
            <BiasChart people={people} />
          </SavableChart>
          <ul>
            {people.map((row) => (
              <li key={asText(row.person)}>
                <strong>{asText(row.person)}</strong> {biasWords(asNumber(row.bias), test.lowIsGood, row)}
              </li>
            ))}
          </ul>
        </>
      )}
      <h3 className="text-lg">Worth a talk</h3>
      {items.length === 0 ? (
        <p className="text-soft">Nowhere did you lie a whole step or more apart.</p>
      ) : (
        <ul className="grid gap-3">
          {items.map((row) => (
            <PlaceApart key={asText(row.item)} place={Number(asText(row.item))} agreed={agreed} view={view} />
          ))}
        </ul>
      )}
    </section>
  )
}

function biasWords(bias: number | undefined, lowIsGood: boolean, row: Record<string, unknown>) {
  if (bias === undefined) return 'shares no place with the others.'
  const low = asNumber(row.low)
  const high = asNumber(row.high)
  if (Math.abs(bias) < 0.005) return 'scores like the middle of the others.'
  const harsh = lowIsGood ? bias > 0 : bias < 0
  const sure = low !== undefined && high !== undefined && (low > 0 || high < 0)
  return `scores ${plainNumber(Math.abs(bias), 2)} ${bias > 0 ? 'higher' : 'lower'} than the others: ${harsh ? 'harsher' : 'milder'}${sure ? '' : ', though that may be chance'}.`
}

function PlaceApart({
  place,
  agreed,
  view,
}: {
  place: number
  agreed: CalibrationAgreement
  view: CalibrationView
}) {
  const given = agreed.given.filter((each) => each.place === place)
  const photos = view.photos.filter((photo) => photo.place === place)
  return (
    <li className="grid gap-1 border-t border-rule pt-2">
      <p>
        <strong>Place {place}</strong>{' '}
        {[...given]
          .sort((a, b) => a.score - b.score)
          .map((each) => `${each.name} ${plainNumber(each.score)}`)
          .join(', ')}
      </p>
      {photos.length > 0 && (
        <div className="flex flex-wrap gap-2">
          {photos.map((photo) => (
            <figure key={photo.id}>
              <img
                src={`/api/calibrations/${view.calibration.id}/photos/${photo.id}`}
                alt={`Place ${place}, seen by ${photo.name}`}
                className="h-36 rounded-sm"
              />
              <figcaption className="text-sm text-soft">{photo.name}</figcaption>
            </figure>
          ))}
        </div>
      )}
    </li>
  )
}
