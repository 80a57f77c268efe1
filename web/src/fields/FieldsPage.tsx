import { useInfiniteQuery, useQuery } from '@tanstack/react-query'
import clsx from 'clsx'
import { useDeferredValue, useRef, useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { queries } from '../queries/queries'
import type { FieldStrip } from '../api/schema'
import { useMay } from '../queries/role'
import { useKeys } from '../ui/keys'
import { Button, Input, Select } from '../ui/controls'
import { asLevel, LEVELS, levelText } from '../ui/levels'
import { Failed, Loading } from '../ui/states'
import { useUnits } from '../units/units'
import { AddFieldPanel } from './AddFieldPanel'
import { BAND_HEIGHTS, CoreStrip, STRIP_HEIGHT } from './CoreStrip'
import { showDay, words } from '../words/dates'

const ORDERS = {
  limit: 'most held back first',
  visit: 'longest not visited first',
  due: 'due first',
  name: 'by name',
}

/** Every field as a core, all hung from one surface line; found, filtered and ordered by the server. */
export function FieldsPage() {
  const [search, setSearch] = useSearchParams()
  const wanted = {
    find: useDeferredValue(search.get('find') ?? '') || undefined,
    level: search.get('level') ?? undefined,
    grower: search.get('grower') ?? undefined,
    order: search.get('order') ?? 'limit',
  }
  const fields = useInfiniteQuery(queries.fieldPages(wanted))
  const may = useMay()
  const growers = useQuery({ ...queries.growers(), enabled: may.work }).data ?? []
  const [adding, setAdding] = useState(false)
  // on a phone what fields are chosen by is folded away
  const [sifting, setSifting] = useState(false)
  const find = useRef<HTMLInputElement>(null)
  useKeys({ '/': () => find.current?.focus() })
  if (fields.isPending) return <Loading what="your fields" />
  if (fields.isError) return <Failed error={fields.error} retry={() => fields.refetch()} />
  const shown = fields.data.pages.flat()
  const filtered = Boolean(wanted.find || wanted.level || wanted.grower)
  const choose = (key: string, value: string) =>
    setSearch(
      (old) => {
        if (value) old.set(key, value)
        else old.delete(key)
        return old
      },
      { replace: true },
    )
  return (
    <div className="px-5 py-7 sm:px-7">
      <div className="mb-7 flex flex-wrap items-end gap-x-4 gap-y-3">
        <h1 className="mr-auto text-3xl">Fields</h1>
        {may.work && (
          <Button className="sm:order-last" onClick={() => setAdding(true)}>
            Add a field
          </Button>
        )}
        <div className="flex w-full gap-3 sm:contents">
          <Input
            ref={find}
            type="search"
            aria-label="Find a field"
            placeholder="Find a field, crop, limit …"
            className="w-0! flex-1 sm:w-56! sm:flex-none"
            defaultValue={search.get('find') ?? ''}
            onChange={(event) => choose('find', event.target.value)}
          />
          <Button className="sm:hidden" aria-expanded={sifting} onClick={() => setSifting(!sifting)}>
            {wanted.level || wanted.grower ? 'Sifted' : 'Sift'}
          </Button>
        </div>
        <div className={clsx('w-full grid-cols-2 gap-3 sm:contents', sifting ? 'grid' : 'hidden')}>
          <Filter
            label="Level"
            value={wanted.level}
            options={LEVELS.map((level) => [level, level])}
            onChange={(value) => choose('level', value)}
          />
          <Filter
            label="Grower"
            value={wanted.grower}
            options={growers.map((grower) => [grower.name, grower.name])}
            onChange={(value) => choose('grower', value)}
          />
          <label className="grid gap-1 text-sm text-soft">
            Order
            <Select value={wanted.order} onChange={(event) => choose('order', event.target.value)}>
              {Object.entries(ORDERS).map(([code, label]) => (
                <option key={code} value={code}>
                  {label}
                </option>
              ))}
            </Select>
          </label>
        </div>
      </div>
      {shown.length === 0 && !filtered && !may.work && (
        <div className="grid max-w-lg gap-4 py-8">
          <h2 className="text-xl">Nothing here yet</h2>
          <p className="text-soft">
            {may.record
              ? 'Fields appear once an advisor has given you a visit to record at.'
              : 'Your fields appear once an advisor has added them.'}
          </p>
        </div>
      )}
      {shown.length === 0 && !filtered && may.work && (
        <div className="grid max-w-lg justify-items-start gap-4 py-8">
          <h2 className="text-xl">No field yet</h2>
          <p className="text-soft">
            Add the first field with its grower and a few stops. Its core appears here and fills from the top
            as you test.
          </p>
          <Button kind="primary" onClick={() => setAdding(true)}>
            Add a field
          </Button>
        </div>
      )}
      {shown.length === 0 && filtered && (
        <p className="py-8 text-soft" role="status">
          No field matches{wanted.find ? ` “${wanted.find}”` : ' these choices'}.
        </p>
      )}
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(17.5rem,1fr))] gap-x-5 gap-y-9">
        {shown.map((field) => (
          <FieldCore key={field.id} field={field} />
        ))}
      </ul>
      {fields.hasNextPage && (
        <div className="py-8 text-center">
          <Button disabled={fields.isFetchingNextPage} onClick={() => fields.fetchNextPage()}>
            {fields.isFetchingNextPage ? 'Fetching more …' : 'More fields'}
          </Button>
        </div>
      )}
      <AddFieldPanel open={adding} onClose={() => setAdding(false)} />
    </div>
  )
}

function Filter({
  label,
  value,
  options,
  onChange,
}: {
  label: string
  value: string | undefined
  options: [string, string][]
  onChange: (value: string) => void
}) {
  return (
    <label className="grid gap-1 text-sm text-soft">
      {label}
      <Select aria-label={label} value={value ?? ''} onChange={(event) => onChange(event.target.value)}>
        <option value="">all</option>
        {options.map(([code, text]) => (
          <option key={code} value={code}>
            {text}
          </option>
        ))}
      </Select>
    </label>
  )
}

function limitingBand(field: FieldStrip) {
  const index = field.bands.findIndex(
    (band) =>
      band.standing !== undefined && field.limit && Math.abs(band.standing - field.limit.standing) < 1e-9,
  )
  return index < 0 ? 1 : index
}

/** One core with what limits it written at its depth. */
function FieldCore({ field }: { field: FieldStrip }) {
  const units = useUnits()
  const level = asLevel(field.limit?.level)
  const band = limitingBand(field)
  const top = BAND_HEIGHTS.slice(0, band).reduce((sum, height) => sum + height, 0)
  const measured = field.bands.some((each) => each.level)
  return (
    <li className="[contain-intrinsic-size:auto_14rem] [content-visibility:auto]">
      <Link to={`/fields/${field.id}`} className="group block">
        <span className="block text-lg leading-tight font-bold group-hover:underline">{field.name}</span>
        <span className="block text-sm text-soft">
          {field.grower} ·{' '}
          {[field.crop ?? field.landUse, field.textureClass]
            .filter(Boolean)
            .map((x) => words(x!))
            .join(', ')}
        </span>
        <span className="mt-2.5 flex" style={{ height: STRIP_HEIGHT }}>
          <CoreStrip bands={field.bands} />
          <span className="relative grow border-t border-rule" style={{ marginTop: BAND_HEIGHTS[0]! - 1 }}>
            <span
              className="absolute inset-x-0 flex items-start gap-2 leading-snug"
              style={{ top: Math.min(top - BAND_HEIGHTS[0]! + 3, 74) }}
            >
              <span className={`mt-2.5 h-px w-4 shrink-0 bg-strong-rule`} />
              <span>
                {field.limit && level ? (
                  <>
                    <span className={`block font-semibold ${levelText[level]}`}>{level}</span>
                    <span className="block pr-2">{units.prose(field.limit.why)}</span>
                  </>
                ) : (
                  <span className="text-soft">
                    {measured ? 'Nothing measured holds it back' : 'Nothing measured yet'}
                  </span>
                )}
              </span>
            </span>
          </span>
        </span>
        <span className="mt-2 block text-sm text-soft">
          {field.lastVisit ? `Visited ${showDay(field.lastVisit)}` : 'Not visited yet'}
          {field.dueOn && `, due ${showDay(field.dueOn)}`} · {field.stops}{' '}
          {field.stops === 1 ? 'stop' : 'stops'}
          {field.areaHa !== undefined && ` · ${units.text(field.areaHa, 'ha')}`}
        </span>
      </Link>
    </li>
  )
}
