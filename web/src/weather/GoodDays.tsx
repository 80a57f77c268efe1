import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import { v7 as uuid } from 'uuid'
import { api, must } from '../api/client'
import type { DayAhead, FieldDaysView } from '../api/schema'
import { queries } from '../queries/queries'
import { Button, Labelled, QuantityInput, Select } from '../ui/controls'
import { DateInput } from '../ui/DateInput'
import { Panel } from '../ui/Panel'
import { useUnits } from '../units/units'
import { showDay, today, words } from '../words/dates'

const weekday = new Intl.DateTimeFormat('en-GB', { weekday: 'short' })
export const showWeekday = (day: string) => weekday.format(new Date(`${day}T12:00`))

/** In words how likely it is, for those who can't see how far a bar is filled. */
export const chanceWord = (chance: number) =>
  chance >= 0.8 ? 'good' : chance >= 0.5 ? 'likely' : chance > 0.15 ? 'doubtful' : 'not'

/** What spoils a fortnight most, in a word or two. */
function mostAgainst(days: DayAhead[]) {
  const shares = new Map<string, number>()
  for (const each of days.flatMap((day) => day.against))
    shares.set(each.text, (shares.get(each.text) ?? 0) + each.share)
  return [...shares.entries()]
    .sort((a, b) => b[1] - a[1])
    .slice(0, 2)
    .map(([text]) => text)
    .join(' and ')
}

/** The coming fortnight of a field: on which days its tests can be trusted, and what spoils the others. */
export function GoodDays({ field }: { field: string }) {
  const [group, setGroup] = useState('')
  const days = useQuery(queries.days(field, group ? [group] : []))
  const [rain, setRain] = useState(false)
  const [chosen, setChosen] = useState<string>()
  if (days.isPending)
    return (
      <section aria-label="Good days">
        <p role="status" className="animate-pulse text-sm text-soft">
          Looking at the weather …
        </p>
      </section>
    )
  if (days.isError)
    return (
      <section aria-label="Good days" className="text-sm text-soft">
        The coming days are not known without signal.{' '}
        <Button kind="quiet" onClick={() => days.refetch()}>
          Look again
        </Button>
      </section>
    )
  const view = days.data
  const shown = view.days.find((day) => day.date === chosen)
  const best = [...view.days].sort((a, b) => b.chance - a.chance || a.date.localeCompare(b.date))[0]
  return (
    <section aria-label="Good days" className="grid gap-2">
      <div className="flex flex-wrap items-end justify-between gap-2">
        <h2 className="text-sm font-semibold text-soft">Good days to test</h2>
        <Select
          aria-label="Which tests"
          className="w-40!"
          value={group}
          onChange={(event) => setGroup(event.target.value)}
        >
          <option value="">a whole walk</option>
          {view.groups.map((each) => (
            <option key={each.code} value={each.code}>
              {each.label.toLowerCase()}
            </option>
          ))}
        </Select>
      </div>
      <ol className="grid grid-cols-7 gap-x-1 gap-y-2" aria-label="The coming fortnight">
        {view.days.map((day) => (
          <li key={day.date}>
            <DayColumn
              day={day}
              chosen={day.date === chosen}
              onChoose={() => setChosen(day.date === chosen ? undefined : day.date)}
            />
          </li>
        ))}
      </ol>
      {shown ? (
        <DayWords day={shown} field={field} />
      ) : (
        best && (
          <p className="leading-snug">
            {best.chance > 0
              ? `Best: ${showWeekday(best.date)} ${showDay(best.date).replace(/ \d{4}$/, '')}, good in ${Math.round(best.chance * 20)} of 20 courses of the weather.`
              : `No good day in the coming fortnight: mostly ${mostAgainst(view.days)}.`}
          </p>
        )
      )}
      <NowLine view={view} onRain={() => setRain(true)} />
      <Panel title="Rain in your own gauge" open={rain} onClose={() => setRain(false)}>
        <OwnRain view={view} />
      </Panel>
    </section>
  )
}

function DayColumn({ day, chosen, onChoose }: { day: DayAhead; chosen: boolean; onChoose: () => void }) {
  const percent = Math.round(day.chance * 100)
  return (
    <button
      type="button"
      aria-pressed={chosen}
      aria-label={`${showWeekday(day.date)} ${showDay(day.date)}: ${chanceWord(day.chance)}, ${percent} %`}
      onClick={onChoose}
      className={`grid w-full justify-items-center gap-0.5 py-1 ${chosen ? 'bg-stone' : 'hover:bg-stone'}`}
    >
      <span className="text-[13px] text-soft">{showWeekday(day.date).slice(0, 2)}</span>
      <svg viewBox="0 0 30 44" className="h-11 w-7.5" aria-hidden>
        <rect x="3" y="1" width="24" height="42" fill="none" stroke="var(--strong-rule)" />
        <rect x="3" y={43 - 42 * day.chance} width="24" height={42 * day.chance} fill="var(--soil-4)" />
        {day.rainChance > 0.05 && (
          <path
            d={`M${8} 0v${2 + 14 * day.rainChance}M15 0v${2 + 20 * day.rainChance}M22 0v${2 + 14 * day.rainChance}`}
            stroke="var(--water-deep)"
            strokeWidth="1.6"
          />
        )}
      </svg>
      <span className="text-[13px]">{Number(day.date.slice(8))}</span>
    </button>
  )
}

function DayWords({ day, field }: { day: DayAhead; field: string }) {
  const units = useUnits()
  return (
    <div className="grid gap-1 border-t border-rule pt-2">
      <p className="font-semibold">
        {showWeekday(day.date)} {showDay(day.date)}: {chanceWord(day.chance)}, {Math.round(day.chance * 100)}{' '}
        %
      </p>
      {day.against.length > 0 && (
        <p className="text-sm">
          {day.against.map((each) => `${each.text} ${Math.round(each.share * 100)} %`).join(' · ')}
        </p>
      )}
      <p className="text-sm text-soft">
        {units.text(day.rainMm, 'mm')} rain expected, {units.number(day.tMinC, '°C')} to{' '}
        {units.text(day.tMaxC, '°C')}, soil at {Math.round(day.sharePct)} % of what it can hold
      </p>
      <Link
        to={`/days/new?fields=${field}&on=${day.date}`}
        className="flex min-h-11 items-center font-semibold text-accent hover:underline"
      >
        Plan this day
      </Link>
    </div>
  )
}

function NowLine({ view, onRain }: { view: FieldDaysView; onRain: () => void }) {
  const units = useUnits()
  const { now } = view
  return (
    <p className="text-sm leading-snug text-soft">
      Soil now {words(now.soilMoisture)}, {units.text(now.soilTempC, '°C')}
      {now.daysSinceRain === undefined
        ? ', no real rain for weeks'
        : `, real rain ${now.daysSinceRain} d ago`}
      . Weather: {view.source}
      {!view.placed && ', not for this place: the field has none yet'}
      {!view.textureKnown && '; texture taken as loam'}.{' '}
      <button type="button" className="min-h-11 text-accent underline" onClick={onRain}>
        Rain in your gauge
      </button>
    </p>
  )
}

/** Rain as read by oneself wins over the service; a reading is taken out as easily as it is put in. */
function OwnRain({ view }: { view: FieldDaysView }) {
  const client = useQueryClient()
  const units = useUnits()
  const [day, setDay] = useState(today())
  const [mm, setMm] = useState<number>()
  const again = () => client.invalidateQueries({ queryKey: ['field', view.fieldId, 'days'] })
  const stored = view.rain.find((each) => each.fellOn === day)
  const put = useMutation({
    mutationFn: () =>
      must(
        api.PUT('/api/rain/{id}', {
          params: { path: { id: stored?.id ?? uuid() } },
          body: { fieldId: view.fieldId, fellOn: day, rainMm: mm!, version: stored?.version ?? 0 },
        }),
      ),
    onSuccess: () => {
      setMm(undefined)
      return again()
    },
  })
  const remove = useMutation({
    mutationFn: (id: string) => must(api.DELETE('/api/rain/{id}', { params: { path: { id } } })),
    onSuccess: again,
  })
  return (
    <form
      className="grid gap-4"
      onSubmit={(event) => {
        event.preventDefault()
        if (mm !== undefined) put.mutate()
      }}
    >
      <div className="grid grid-cols-2 gap-3">
        <Labelled label="Day">
          {(aria) => (
            <DateInput {...aria} value={day} max={today()} onChange={(event) => setDay(event.target.value)} />
          )}
        </Labelled>
        <QuantityInput label="Rain" unit="mm" value={mm} onChange={setMm} />
      </div>
      {put.isError && (
        <p role="alert" className="text-sm text-failing">
          {put.error.message}
        </p>
      )}
      <Button kind="primary" type="submit" disabled={mm === undefined || put.isPending}>
        {stored ? 'Correct this day' : 'Keep'}
      </Button>
      {view.rain.length === 0 && <p className="text-soft">No reading of your own in the last two months.</p>}
      <ul>
        {view.rain.map((each) => (
          <li key={each.id} className="flex min-h-11 items-center justify-between border-t border-rule">
            <span>
              {showDay(each.fellOn)}: {units.text(each.rainMm, 'mm')}
            </span>
            <Button kind="quiet" onClick={() => remove.mutate(each.id)}>
              Take out
            </Button>
          </li>
        ))}
      </ul>
    </form>
  )
}
