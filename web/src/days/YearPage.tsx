import { useQuery } from '@tanstack/react-query'
import { lazy, Suspense, useState } from 'react'
import { Link } from 'react-router'
import type { YearEntry } from '../api/schema'
import { queries } from '../queries/queries'
import { Button, Choice } from '../ui/controls'
import { Failed, Loading } from '../ui/states'
import { showDay, today } from '../words/dates'
import { byMonth, kindWord } from './year'

const CalendarLink = lazy(() => import('./CalendarLink'))

const monthName = new Intl.DateTimeFormat('en-GB', { month: 'long', year: 'numeric' })

/** What the coming year asks for: as a list, by month, and for a calendar. */
export function YearPage() {
  const year = useQuery(queries.year())
  const [form, setForm] = useState<'list' | 'months'>('list')
  const [field, setField] = useState<string>()
  if (year.isPending) return <Loading what="the year" />
  if (year.isError) return <Failed error={year.error} retry={() => year.refetch()} />
  const entries = year.data.filter((entry) => !field || entry.fieldId === field)
  const name = year.data.find((entry) => entry.fieldId === field)?.field
  return (
    <div className="mx-auto grid w-full max-w-5xl gap-6 px-5 py-6 sm:px-7">
      <header className="flex flex-wrap items-end gap-4">
        <div className="mr-auto">
          <Link to="/today" className="text-accent hover:underline">
            Today
          </Link>
          <h1 className="text-3xl">The year</h1>
        </div>
        {entries.length > 0 && (
          <Suspense>
            <CalendarLink entries={entries} />
          </Suspense>
        )}
        <Choice
          label="Shown as"
          options={[
            { code: 'list', label: 'list' },
            { code: 'months', label: 'months' },
          ]}
          value={form}
          onChange={setForm}
        />
      </header>
      {name && (
        <p>
          Only {name}.{' '}
          <Button kind="quiet" onClick={() => setField(undefined)}>
            All fields
          </Button>
        </p>
      )}
      {entries.length === 0 && (
        <p className="max-w-xl text-soft">
          Nothing is due in the coming fourteen months. A field that was visited asks for its next visit here,
          an agreed action for its day, and what was done for the test that shows whether it worked.
        </p>
      )}
      {form === 'list' ? (
        byMonth(entries).map(([month, own]) => (
          <section key={month} aria-label={monthName.format(new Date(`${month}-15`))}>
            <h2 className="text-lg">{monthName.format(new Date(`${month}-15`))}</h2>
            <ul>
              {own.map((entry) => (
                <EntryLine key={`${entry.kind}${entry.id}`} entry={entry} onField={setField} />
              ))}
            </ul>
          </section>
        ))
      ) : (
        <Months entries={entries} />
      )}
    </div>
  )
}

export function EntryLine({ entry, onField }: { entry: YearEntry; onField?: (field: string) => void }) {
  return (
    <li className="grid grid-cols-[5.5rem_1fr] gap-x-3 border-t border-rule py-2 leading-snug">
      <span className={entry.overdue ? 'font-semibold text-failing' : 'text-soft'}>
        {showDay(entry.on).replace(/ \d{4}$/, '')}
        {entry.overdue && <span className="block text-sm">overdue</span>}
      </span>
      <span>
        <Link to={`/fields/${entry.fieldId}`} className="font-semibold hover:underline">
          {entry.field}
        </Link>{' '}
        <span className="text-soft">· {kindWord(entry.kind).toLowerCase()}</span>
        <span className="block">
          {entry.what}
          {entry.until && <span className="text-soft">, until {showDay(entry.until)}</span>}
        </span>
        {onField && (
          <Button kind="quiet" className="text-sm" onClick={() => onField(entry.fieldId)}>
            Only this field
          </Button>
        )}
      </span>
    </li>
  )
}

const WEEKDAYS = ['Mo', 'Tu', 'We', 'Th', 'Fr', 'Sa', 'Su']

/** Each month as its days; a day with something due carries a mark for each kind and opens into words. */
function Months({ entries }: { entries: YearEntry[] }) {
  const [chosen, setChosen] = useState<string>()
  const first = new Date(`${today().slice(0, 7)}-15T12:00`)
  const months = Array.from({ length: 12 }, (_, i) => {
    const month = new Date(first)
    month.setMonth(first.getMonth() + i)
    return month
  })
  const of = (day: string) => entries.filter((entry) => entry.on === day)
  const overdue = entries.filter((entry) => entry.on < `${today().slice(0, 7)}-01`)
  return (
    <div className="grid gap-5">
      {overdue.length > 0 && (
        <ul aria-label="From earlier months">
          {overdue.map((entry) => (
            <EntryLine key={`${entry.kind}${entry.id}`} entry={entry} />
          ))}
        </ul>
      )}
      <div className="grid grid-cols-[repeat(auto-fill,minmax(16rem,1fr))] gap-6">
        {months.map((month) => {
          const key = `${month.getFullYear()}-${String(month.getMonth() + 1).padStart(2, '0')}`
          const count = new Date(month.getFullYear(), month.getMonth() + 1, 0).getDate()
          const shift = (new Date(`${key}-01T12:00`).getDay() + 6) % 7
          return (
            <section key={key} aria-label={monthName.format(month)}>
              <h2 className="text-base">{monthName.format(month)}</h2>
              <div className="grid grid-cols-7 text-center text-sm">
                {WEEKDAYS.map((name) => (
                  <span key={name} className="text-soft">
                    {name}
                  </span>
                ))}
                {Array.from({ length: count }, (_, i) => {
                  const day = `${key}-${String(i + 1).padStart(2, '0')}`
                  const own = of(day)
                  const style = i === 0 ? { gridColumnStart: shift + 1 } : undefined
                  return own.length === 0 ? (
                    <span key={day} style={style} className="py-1">
                      {i + 1}
                    </span>
                  ) : (
                    <button
                      key={day}
                      type="button"
                      style={style}
                      aria-pressed={chosen === day}
                      aria-label={`${showDay(day)}: ${own.length} due`}
                      className="border-b-3 border-accent py-1 font-bold hover:bg-paper aria-pressed:bg-ink aria-pressed:text-paper"
                      onClick={() => setChosen(chosen === day ? undefined : day)}
                    >
                      {i + 1}
                    </button>
                  )
                })}
              </div>
              {chosen?.startsWith(key) && (
                <ul className="mt-2">
                  {of(chosen).map((entry) => (
                    <EntryLine key={`${entry.kind}${entry.id}`} entry={entry} />
                  ))}
                </ul>
              )}
            </section>
          )
        })}
      </div>
    </div>
  )
}
