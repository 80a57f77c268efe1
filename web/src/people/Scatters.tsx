import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { api, must } from '../api/client'
import type { LearnedScatter, LearnedScatters } from '../api/schema'
import { queries } from '../queries/queries'
import { useMay } from '../queries/role'
import { Button } from '../ui/controls'
import { Failed, Loading } from '../ui/states'
import { showDay } from '../words/dates'

const PARTS = [
  ['stop', 'Stops'],
  ['spot', 'Holes'],
  ['visit', 'Visits'],
  ['person', 'Scorers'],
] as const

/** How readings of the practice scatter, as factors of what ships, and from how many readings that is known. */
export function Scatters() {
  const scatters = useQuery(queries.scatters())
  return (
    <section aria-labelledby="scatters" className="grid gap-3">
      <h2 id="scatters" className="text-2xl">
        How readings scatter here
      </h2>
      <p className="max-w-prose text-soft">
        How far stops, holes, visits and scorers lie apart decides how wide an interval is and what counts as
        a change. Tables ship for that; from 60 readings of an indicator on, your own sharpen them, each night
        by themselves.
      </p>
      {scatters.isPending ? (
        <Loading what="the scatters" />
      ) : scatters.isError ? (
        <Failed error={scatters.error} retry={() => scatters.refetch()} />
      ) : (
        <Learned scatters={scatters.data} />
      )}
    </section>
  )
}

function Learned({ scatters: { learnedAt, needed, scatters } }: { scatters: LearnedScatters }) {
  const may = useMay()
  return (
    <>
      {learnedAt === undefined ? (
        <p>Nothing is learned yet: an indicator needs {needed} readings over all fields.</p>
      ) : (
        <p>
          Learned on {showDay(learnedAt)}. 1 is as the tables say; 0.5 is half as far apart, 2 twice as far.
        </p>
      )}
      {may.own && <LearnNow />}
      {scatters.length > 0 && (
        <div className="overflow-x-auto">
          <table className="w-full max-w-4xl text-left text-[15px]">
            <thead>
              <tr className="border-b border-strong-rule align-bottom">
                <th scope="col" className="py-2 pr-4">
                  Indicator
                </th>
                <th scope="col" className="hidden py-2 pr-4 text-right sm:table-cell">
                  Readings
                </th>
                {PARTS.map(([part, label]) => (
                  <th key={part} scope="col" className="py-2 pr-3 text-right last:pr-0 sm:pr-4">
                    {label}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {scatters.map((each) => (
                <Row key={each.indicator} scatter={each} />
              ))}
            </tbody>
          </table>
        </div>
      )}
    </>
  )
}

function Row({ scatter }: { scatter: LearnedScatter }) {
  const fields = `${scatter.fields} ${scatter.fields === 1 ? 'field' : 'fields'}`
  return (
    <tr className="border-b border-rule">
      <th scope="row" className="py-2 pr-4 font-semibold">
        {scatter.label}
        <span className="block text-sm font-normal text-soft sm:hidden">
          {scatter.readings} in {fields}
        </span>
      </th>
      <td className="hidden py-2 pr-4 text-right tabular-nums sm:table-cell">
        {scatter.readings}
        <span className="block text-sm text-soft">{fields}</span>
      </td>
      {PARTS.map(([part]) => (
        <td key={part} className="py-2 pr-3 text-right tabular-nums last:pr-0 sm:pr-4">
          {scatter[part] === undefined ? <span className="text-soft">–</span> : factor(scatter[part])}
        </td>
      ))}
    </tr>
  )
}

const factor = (times: number) => (Math.abs(times - 1) < 0.05 ? '1' : times.toFixed(times < 1 ? 2 : 1))

function LearnNow() {
  const client = useQueryClient()
  const [begun, setBegun] = useState<string>()
  const jobs = useQuery({ ...queries.jobs(), enabled: begun !== undefined }).data ?? []
  const job = jobs.find((each) => each.id === begun)
  const ended = job !== undefined && job.state !== 'running'
  useEffect(() => {
    // every level and change may be another from now on
    if (ended) void client.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'jobs' })
  }, [ended, client])
  const learn = useMutation({
    mutationFn: () => must(api.POST('/api/scatters')),
    onSuccess: async (started) => {
      setBegun(started.id)
      await client.invalidateQueries({ queryKey: queries.jobs().queryKey })
    },
  })
  const running = learn.isPending || (begun !== undefined && (!job || job.state === 'running'))
  return (
    <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
      <Button disabled={running} onClick={() => learn.mutate()}>
        Learn from all readings now
      </Button>
      <p role="status" className="text-soft">
        {running && job && job.total > 0
          ? `Field ${Math.min(job.done + 1, job.total)} of ${job.total} …`
          : running
            ? 'Begun …'
            : job?.state === 'done'
              ? `Learned of ${Number(job.result?.indicators ?? 0)} indicators; levels and changes go by it.`
              : job
                ? String(job.result?.detail ?? 'It could not be worked out. Try again.')
                : ''}
      </p>
      {learn.isError && (
        <p role="alert" className="text-failing">
          {learn.error.message}
        </p>
      )}
    </div>
  )
}
