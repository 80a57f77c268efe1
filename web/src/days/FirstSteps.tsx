import clsx from 'clsx'
import { useQuery } from '@tanstack/react-query'
import { lazy, Suspense, useState } from 'react'
import { Link } from 'react-router'
import { queries } from '../queries/queries'
import { useMay } from '../queries/role'
import { Button, buttonLook } from '../ui/controls'

// needed once in the life of a practice
const AddFieldPanel = lazy(() =>
  import('../fields/AddFieldPanel').then((m) => ({ default: m.AddFieldPanel })),
)

/** From an empty practice to a first result, down the ground one step at a time; gone once something was measured. */
export function FirstSteps() {
  const may = useMay()
  const [adding, setAdding] = useState(false)
  const fields = useQuery(queries.fields({ order: 'name' })).data
  const field = fields?.[0]
  const visited = useQuery({
    ...queries.field(field?.id ?? ''),
    enabled: field?.lastVisit !== undefined,
  }).data
  const visit = visited?.visits[0]
  if (!may.work || !fields) return null
  if (fields.length > 1 || field?.bands.some((band) => band.level)) return null
  const at = !field ? 0 : !field.lastVisit ? 1 : 2
  const steps = [
    {
      title: 'Add a field',
      text: 'Its name, who works it, and how many stops you will walk to. All else can wait.',
      way: <Button onClick={() => setAdding(true)}>Add a field</Button>,
    },
    {
      title: 'Begin a visit',
      text: 'How moist the soil is and when it last rained: what the figures can be compared with later.',
      way: field && (
        <Link to={`/fields/${field.id}/visit`} className={buttonLook('plain')}>
          Begin at {field.name}
        </Link>
      ),
    },
    {
      title: 'Make a first test',
      text: 'Choose which tests to walk with, and make the first: three minutes with a spade are enough.',
      way: visit && (
        <Link to={`/visits/${visit.id}`} className={buttonLook('plain')}>
          To the walk
        </Link>
      ),
    },
    {
      title: 'See what it says',
      text: 'The field’s face fills from where you tested, and says what holds it back as far as it was measured.',
      way: undefined,
    },
  ]
  return (
    <section aria-label="First steps" className="lg:col-span-2">
      <h2 className="mb-3 text-xl">First steps</h2>
      <ol>
        {steps.map((step, i) => (
          <li
            key={step.title}
            aria-current={i === at ? 'step' : undefined}
            className="grid grid-cols-[2.5rem_minmax(0,1fr)] gap-x-5"
          >
            <span
              aria-hidden
              className="flex justify-center pt-3 text-lg font-bold text-white"
              style={{ background: `var(--soil-${i + 1})` }}
            >
              {i + 1}
            </span>
            <div className={clsx('grid gap-2 border-t border-rule py-3', i !== at && 'text-soft')}>
              <h3 className={i === at ? 'text-lg' : 'font-semibold'}>
                {step.title}
                {i < at && <span className="font-normal"> · done</span>}
              </h3>
              {i >= at && <p className="max-w-xl">{step.text}</p>}
              {i === at && <div>{step.way}</div>}
            </div>
          </li>
        ))}
      </ol>
      {adding && (
        <Suspense>
          <AddFieldPanel open onClose={() => setAdding(false)} />
        </Suspense>
      )}
    </section>
  )
}
