import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, ApiError, must, upload } from '../api/client'
import type { Job } from '../api/schema'
import { queries } from '../queries/queries'
import { Button, buttonLook } from '../ui/controls'
import { JobState } from './JobState'
import { useJob } from './useJob'

type What = 'readings' | 'fields'

const order = (what: What, body: { upload: string; store: boolean }) =>
  what === 'readings'
    ? must(api.POST('/api/imports/readings', { body }))
    : must(api.POST('/api/imports/fields', { body }))

/** A file is chosen and looked at; what it would bring is said, and then it is taken in. */
export function ImportFile({
  what,
  title,
  help,
  accept,
}: {
  what: What
  title: string
  help: string
  accept: string
}) {
  const client = useQueryClient()
  const [file, setFile] = useState<{ name: string; upload: string }>()
  const [begun, setBegun] = useState<string>()
  const job = useJob(begun)
  const refresh = () => client.invalidateQueries({ queryKey: queries.jobs().queryKey })
  const look = useMutation({
    mutationFn: async (chosen: File) => {
      const id = await upload(chosen)
      setFile({ name: chosen.name, upload: id })
      return order(what, { upload: id, store: false })
    },
    onSuccess: async (started) => {
      setBegun(started.id)
      await refresh()
    },
  })
  const take = useMutation({
    mutationFn: (id: string) => order(what, { upload: id, store: true }),
    onSuccess: async (started) => {
      setBegun(started.id)
      await refresh()
    },
  })
  const error = look.error ?? take.error
  return (
    <section className="grid content-start gap-3 border-t border-strong-rule pt-3" aria-label={title}>
      <h3 className="text-lg">{title}</h3>
      <p className="text-[15px] text-soft">{help}</p>
      <label className={buttonLook('plain') + ' cursor-pointer justify-self-start focus-within:outline-2'}>
        {look.isPending ? 'Sending …' : 'Choose a file'}
        <input
          type="file"
          accept={accept}
          className="sr-only"
          aria-label={`${title}: choose a file`}
          disabled={look.isPending}
          onChange={(event) => {
            const chosen = event.target.files?.[0]
            event.target.value = ''
            if (chosen) look.mutate(chosen)
          }}
        />
      </label>
      {error && (
        <p role="alert" className="text-failing">
          {error instanceof ApiError ? error.message : 'It could not be sent.'}
        </p>
      )}
      {job && file && <JobState job={job} of={file.name} />}
      {job?.state === 'done' && file && (
        <>
          <Brought job={job} name={file.name} />
          {job.result?.stored === false && (
            <Button
              kind="primary"
              className="justify-self-start"
              disabled={take.isPending}
              onClick={() => take.mutate(file.upload)}
            >
              Take it in
            </Button>
          )}
        </>
      )}
    </section>
  )
}

/** What a file brings, or brought, in figures and a few names. */
function Brought({ job, name }: { job: Job; name: string }) {
  const result = job.result ?? {}
  const number = (key: string) => Number(result[key] ?? 0)
  const stored = result.stored === true
  const parts = [
    ['tests', 'test', 'tests'],
    ['newFields', 'field', 'fields'],
    ['changedFields', 'outline changed', 'outlines changed'],
    ['newGrowers', 'grower', 'growers'],
    ['newStops', 'new stop', 'new stops'],
    ['changedStops', 'stop moved', 'stops moved'],
    ['newVisits', 'new visit', 'new visits'],
  ]
    .filter(([key]) => number(key!) > 0)
    .map(([key, one, many]) => `${number(key!)} ${number(key!) === 1 ? one : many}`)
  const names = [...((result.fields ?? []) as string[]), ...((result.stops ?? []) as string[])]
  return (
    <div role="status" className="grid gap-1 border-l-3 border-robust pl-3">
      <p className="font-semibold">
        {stored ? 'Taken in' : 'Would come in'} from {name}:{' '}
        {parts.length > 0 ? parts.join(', ') : 'nothing new'}.
      </p>
      {number('alreadyHere') > 0 && <p>{number('alreadyHere')} are here already and stay as they are.</p>}
      {names.length > 0 && <p className="text-[15px] text-soft">{names.slice(0, 12).join(' · ')}</p>}
    </div>
  )
}
