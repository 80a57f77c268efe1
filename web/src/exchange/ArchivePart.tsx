import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, ApiError, must, upload } from '../api/client'
import type { ArchiveSetting } from '../api/schema'
import { queries } from '../queries/queries'
import { Button, buttonLook, Check, Input, Labelled } from '../ui/controls'
import { Panel } from '../ui/Panel'
import { showClock, showDay } from '../words/dates'
import { JobState } from './JobState'
import { useJob } from './useJob'

const size = (bytes: number) =>
  bytes > 1e6 ? `${(bytes / 1e6).toFixed(1)} MB` : `${Math.max(1, Math.round(bytes / 1000))} kB`

/** The whole practice as one file: made now, at night by itself, and put back into an empty practice. */
export function ArchivePart() {
  const client = useQueryClient()
  const [begun, setBegun] = useState<string>()
  const jobs = useQuery(queries.jobs()).data ?? []
  // the newest one is found again after the page was left
  const job = useJob(begun ?? jobs.find((each) => each.kind === 'archive')?.id)
  const make = useMutation({
    mutationFn: () => must(api.POST('/api/archives')),
    onSuccess: async (started) => {
      setBegun(started.id)
      await client.invalidateQueries({ queryKey: queries.jobs().queryKey })
    },
  })
  return (
    <section aria-labelledby="archive" className="grid content-start gap-4">
      <h2 id="archive" className="text-2xl">
        Archive
      </h2>
      <p className="max-w-prose text-soft">
        Everything the practice has, photos and people with their passwords’ hashes too, in one file with
        checks. Keep it where nobody else reads it.
      </p>
      <div className="flex flex-wrap items-center gap-4">
        <Button
          kind="primary"
          disabled={make.isPending || job?.state === 'running'}
          onClick={() => make.mutate()}
        >
          Make an archive now
        </Button>
        {job?.state === 'done' && job.file && (
          <a className={buttonLook('plain')} href={`/api/jobs/${job.id}/file`} download>
            Fetch that of {showDay(job.startedAt)}, {showClock(job.startedAt)} (
            {size(Number(job.result?.bytes ?? 0))})
          </a>
        )}
      </div>
      {make.isError && (
        <p role="alert" className="text-failing">
          {make.error instanceof ApiError ? make.error.message : 'It could not be begun.'}
        </p>
      )}
      {job && <JobState job={job} of="the archive" />}
      <div className="grid gap-6 lg:grid-cols-2">
        <Nightly />
        <RestorePart />
      </div>
    </section>
  )
}

function Nightly() {
  const setting = useQuery(queries.archiveSetting())
  return (
    <section className="grid content-start gap-3 border-t border-strong-rule pt-3" aria-label="Every night">
      <h3 className="text-lg">Every night</h3>
      {setting.isError && <p role="alert">What is set could not be fetched.</p>}
      {setting.data && <NightlyForm key={setting.data.version} setting={setting.data} />}
    </section>
  )
}

function NightlyForm({ setting }: { setting: ArchiveSetting }) {
  const client = useQueryClient()
  const [nightly, setNightly] = useState(setting.nightly)
  const [folder, setFolder] = useState(setting.folder)
  const [keep, setKeep] = useState(String(setting.keep))
  const save = useMutation({
    mutationFn: () =>
      must(
        api.PUT('/api/archive-setting', {
          body: { nightly, folder, keep: Number(keep), version: setting.version },
        }),
      ),
    onSuccess: (kept) => client.setQueryData(queries.archiveSetting().queryKey, kept),
  })
  const fault = (field: string) =>
    save.error instanceof ApiError
      ? save.error.faults.find((each) => each.field === field)?.message
      : undefined
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        save.mutate()
      }}
    >
      <Check label="Make an archive by itself, from two o’clock on" checked={nightly} onChange={setNightly} />
      <div className="grid gap-3 sm:grid-cols-2">
        <Labelled label="Folder" error={fault('folder')}>
          {(aria) => <Input {...aria} value={folder} onChange={(event) => setFolder(event.target.value)} />}
        </Labelled>
        <Labelled label="Newest to keep" error={fault('keep')}>
          {(aria) => (
            <Input
              {...aria}
              type="number"
              min={1}
              max={365}
              value={keep}
              onChange={(event) => setKeep(event.target.value)}
            />
          )}
        </Labelled>
      </div>
      <p className="text-sm break-all text-soft">On the server: {setting.path}</p>
      {setting.lastAt && (
        <p className="text-[15px]">
          {showDay(setting.lastAt)}, {showClock(setting.lastAt)}: {setting.lastSaid}
        </p>
      )}
      <Button type="submit" className="justify-self-start" disabled={save.isPending}>
        Keep this setting
      </Button>
      {save.isSuccess && <p role="status">Kept.</p>}
      {save.isError && !fault('folder') && !fault('keep') && (
        <p role="alert" className="text-failing">
          {save.error instanceof ApiError ? save.error.message : 'It was not kept.'}
        </p>
      )}
    </form>
  )
}

function RestorePart() {
  const client = useQueryClient()
  const [chosen, setChosen] = useState<File>()
  const [begun, setBegun] = useState<string>()
  const job = useJob(begun)
  const restore = useMutation({
    mutationFn: async (file: File) =>
      must(api.POST('/api/restores', { body: { upload: await upload(file) } })),
    onSuccess: async (started) => {
      setChosen(undefined)
      setBegun(started.id)
      await client.invalidateQueries({ queryKey: queries.jobs().queryKey })
    },
  })
  return (
    <section className="grid content-start gap-3 border-t border-strong-rule pt-3" aria-label="Put one back">
      <h3 className="text-lg">Put one back</h3>
      <p className="text-[15px] text-soft">
        Into an empty practice only, as on a new server. Everyone signs in again afterwards, with the
        passwords of then.
      </p>
      <label className={buttonLook('plain') + ' cursor-pointer justify-self-start focus-within:outline-2'}>
        Choose an archive
        <input
          type="file"
          accept=".zip"
          className="sr-only"
          aria-label="Choose an archive"
          onChange={(event) => {
            setChosen(event.target.files?.[0])
            event.target.value = ''
          }}
        />
      </label>
      {restore.isError && (
        <p role="alert" className="text-failing">
          {restore.error instanceof ApiError
            ? (restore.error.faults[0]?.message ?? restore.error.message)
            : 'It could not be sent.'}
        </p>
      )}
      {job && <JobState job={job} of="the archive" />}
      <Panel title="Put this archive back?" open={chosen !== undefined} onClose={() => setChosen(undefined)}>
        <p className="mb-4">
          {chosen?.name} takes the place of this empty practice, as it was when it was made. You are signed
          out when it is done.
        </p>
        <Button kind="primary" disabled={restore.isPending} onClick={() => chosen && restore.mutate(chosen)}>
          {restore.isPending ? 'Sending …' : 'Put it back'}
        </Button>
      </Panel>
    </section>
  )
}
