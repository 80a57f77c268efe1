import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { queries } from '../queries/queries'
import { Labelled, Select } from '../ui/controls'
import { showClock, showDay } from '../words/dates'
import { ArchivePart } from './ArchivePart'
import { CalendarPart } from './CalendarPart'
import { ImportFile } from './ImportFile'
import { nameOf, percentOf } from './useJob'

const FILES = [
  ['readings.csv', 'Readings', 'one a line, with units; the form that comes in again'],
  ['figures.csv', 'Figures', 'what follows from the readings, with standings'],
  ['levels.csv', 'Levels', 'where each field and stop stands, with intervals'],
  ['records.xlsx', 'Workbook', 'all three as sheets'],
  ['fields.geojson', 'Map', 'outlines, zones and stops with their newest figures (GeoJSON)'],
  ['records.zip', 'Data package', 'all tables with a description that programs read'],
] as const

/** The record out and in. */
export function ExchangePage() {
  return (
    <div className="grid max-w-6xl content-start gap-10 px-5 py-6 sm:px-7">
      <header>
        <h1 className="text-3xl">Exchange</h1>
        <p className="text-soft">The record is yours: out in forms that others read, and back in.</p>
      </header>
      <Out />
      <section aria-labelledby="in" className="grid gap-4">
        <h2 id="in" className="text-2xl">
          In
        </h2>
        <p className="max-w-prose text-soft">
          A file is looked at first and says what it would bring. It comes in whole or not at all; the same
          file twice changes nothing.
        </p>
        <div className="grid gap-6 lg:grid-cols-2">
          <ImportFile
            what="readings"
            title="Readings"
            help="A table (CSV) with field, stop, visited_on, test, name, value and unit, as Readings above. Inches, psi, °F, mmhos/cm and many more are taken. Stops and visits that are missing are made."
            accept=".csv,.txt,.tsv,text/csv"
          />
          <ImportFile
            what="fields"
            title="Fields and stops"
            help="GeoJSON: areas with a name become fields, points and lines with name and field become stops."
            accept=".geojson,.json,application/geo+json"
          />
        </div>
      </section>
      <CalendarPart />
      <ArchivePart />
      <Work />
    </div>
  )
}

function Out() {
  const fields = useQuery(queries.fields({ order: 'name' })).data ?? []
  const [field, setField] = useState('')
  const query = field ? `?field=${field}` : ''
  return (
    <section aria-labelledby="out" className="grid gap-3">
      <h2 id="out" className="text-2xl">
        Out
      </h2>
      <div className="max-w-sm">
        <Labelled label="Of">
          {(aria) => (
            <Select {...aria} value={field} onChange={(event) => setField(event.target.value)}>
              <option value="">the whole practice</option>
              {fields.map((each) => (
                <option key={each.id} value={each.id}>
                  {each.name}
                </option>
              ))}
            </Select>
          )}
        </Labelled>
      </div>
      <ul aria-label="Files" className="max-w-3xl">
        {FILES.map(([file, name, says]) => (
          <li key={file} className="border-b border-rule">
            <a
              href={`/api/exports/${file}${query}`}
              download
              className="grid min-h-12 items-baseline gap-x-6 py-2 hover:bg-paper sm:grid-cols-[10rem_minmax(0,1fr)_5rem]"
            >
              <span className="font-semibold text-accent underline-offset-4 hover:underline">{name}</span>
              <span className="text-[15px] text-soft">{says}</span>
              <span className="hidden text-right text-sm text-soft sm:block">.{file.split('.').at(-1)}</span>
            </a>
          </li>
        ))}
      </ul>
    </section>
  )
}

const STATES: Record<string, string> = { done: 'done', refused: 'refused', failed: 'failed' }

/** Long work of late, so that what was left is found again. */
function Work() {
  const jobs = useQuery(queries.jobs()).data ?? []
  if (jobs.length === 0) return null
  return (
    <section aria-labelledby="work" className="grid gap-2">
      <h2 id="work" className="text-2xl">
        Of late
      </h2>
      <ul className="max-w-3xl text-[15px]">
        {jobs.slice(0, 8).map((job) => (
          <li key={job.id} className="flex flex-wrap justify-between gap-x-6 border-b border-rule py-2">
            <span>{nameOf(job)}</span>
            <span className="text-soft">
              {job.state === 'running' ? `${percentOf(job) ?? 0} %` : STATES[job.state]} ·{' '}
              {showDay(job.startedAt)}, {showClock(job.startedAt)}
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}
