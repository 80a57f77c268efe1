import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useForm, useWatch } from 'react-hook-form'
import { v7 as uuid } from 'uuid'
import { api, ApiError, must } from '../api/client'
import type { ManagementEvent, Stop } from '../api/schema'
import { Button, Check, Input, Labelled } from '../ui/controls'
import { DateInput } from '../ui/DateInput'
import { Panel } from '../ui/Panel'
import { showDay, today } from '../words/dates'
import { readNumber } from '../units/readNumber'

/** What was done to the field: added, changed, removed and put back. */
export function Events({
  field,
  events,
  stops,
}: {
  field: string
  events: ManagementEvent[]
  stops: Stop[]
}) {
  const client = useQueryClient()
  const [open, setOpen] = useState<ManagementEvent | 'new'>()
  const [removed, setRemoved] = useState<ManagementEvent>()
  const refresh = () => client.invalidateQueries({ queryKey: ['field', field] })
  const back = useMutation({
    mutationFn: (event: ManagementEvent) => putEvent({ ...event, version: 0 }),
    onSuccess: async () => {
      setRemoved(undefined)
      await refresh()
    },
  })
  return (
    <section aria-label="What was done" className="grid gap-1">
      <div className="flex items-baseline justify-between gap-3">
        <h2 className="text-sm font-semibold text-soft">What was done</h2>
        <Button kind="quiet" onClick={() => setOpen('new')}>
          Add
        </Button>
      </div>
      {removed && (
        <p role="status" className="flex items-center gap-3 border-l-3 border-strained pl-3 text-[15px]">
          Removed “{removed.what}”.
          <Button kind="quiet" onClick={() => back.mutate(removed)}>
            Undo
          </Button>
        </p>
      )}
      {events.length === 0 && <p className="text-[15px] text-soft">Nothing noted yet.</p>}
      <ul className="grid text-[15px]">
        {events.map((event) => (
          <li key={event.id}>
            <button
              type="button"
              onClick={() => setOpen(event)}
              className="grid min-h-11 w-full grid-cols-[6.5rem_1fr] items-center gap-3 text-left hover:underline"
            >
              <span className="text-soft">{showDay(event.happenedOn)}</span>
              <span>
                {event.what}
                <span className="text-soft">
                  {event.rate && `, ${event.rate}`}
                  {event.stopIds &&
                    `, at ${event.stopIds.map((id) => stops.find((stop) => stop.id === id)?.label ?? 'a stop').join(', ')}`}
                </span>
              </span>
            </button>
          </li>
        ))}
      </ul>
      <Panel
        title={open === 'new' ? 'Something done' : 'Change what was done'}
        open={open !== undefined}
        onClose={() => setOpen(undefined)}
      >
        {open !== undefined && (
          <EventForm
            field={field}
            event={open === 'new' ? undefined : open}
            stops={stops}
            onDone={async (gone) => {
              setOpen(undefined)
              setRemoved(gone)
              await refresh()
            }}
          />
        )}
      </Panel>
    </section>
  )
}

function putEvent({ id, ...body }: ManagementEvent) {
  return must(api.PUT('/api/events/{id}', { params: { path: { id } }, body }))
}

/** What is done to fields, in the words by which a plan knows its own actions again; any other word may be written. */
const KINDS = [
  'surface outlets',
  'drain',
  'lime',
  'sulfur',
  'gypsum',
  'leach',
  'loosen',
  'plough',
  'cover crop',
  'compost',
  'mulch',
  'fertilise',
  'irrigate',
  're-sow',
  'keep covered',
  'rest',
]

type Entry = { happenedOn: string; kind: string; what: string; rate: string; cost: string }

function EventForm({
  field,
  event,
  stops,
  onDone,
}: {
  field: string
  event: ManagementEvent | undefined
  stops: Stop[]
  onDone: (removed?: ManagementEvent) => void
}) {
  const form = useForm<Entry>({
    defaultValues: {
      happenedOn: event?.happenedOn ?? today(),
      kind: event?.kind ?? '',
      what: event?.what ?? '',
      rate: event?.rate ?? '',
      cost: event?.cost?.toString() ?? '',
    },
  })
  const [where, setWhere] = useState<string[]>(event?.stopIds ?? [])
  const [id] = useState(() => event?.id ?? uuid())
  const keep = useMutation({
    mutationFn: (entry: Entry) =>
      putEvent({
        id,
        fieldId: field,
        happenedOn: entry.happenedOn,
        kind: entry.kind,
        what: entry.what,
        rate: entry.rate || undefined,
        cost: costOf(entry.cost),
        stopIds: where.length > 0 ? where : undefined,
        version: event?.version ?? 0,
      }),
    onSuccess: () => onDone(),
  })
  const remove = useMutation({
    mutationFn: () => must(api.DELETE('/api/events/{id}', { params: { path: { id } } })),
    onSuccess: () => onDone(event),
  })
  const { errors } = form.formState
  const happenedOn = useWatch({ control: form.control, name: 'happenedOn' })
  const faults = keep.error instanceof ApiError ? keep.error.faults : []
  return (
    <form noValidate className="grid gap-4" onSubmit={form.handleSubmit((entry) => keep.mutate(entry))}>
      <Labelled label="Date" error={errors.happenedOn?.message}>
        {(aria) => (
          <DateInput
            {...aria}
            {...form.register('happenedOn', { required: 'Give the date.' })}
            defaultValue={happenedOn}
          />
        )}
      </Labelled>
      <Labelled label="Kind" error={errors.kind?.message} help="lime, drain, compost, cover crop, plough …">
        {(aria) => (
          <Input
            {...aria}
            list="event-kinds"
            {...form.register('kind', { required: 'Say what kind it was.' })}
          />
        )}
      </Labelled>
      <datalist id="event-kinds">
        {KINDS.map((kind) => (
          <option key={kind} value={kind} />
        ))}
      </datalist>
      <Labelled label="What" error={errors.what?.message}>
        {(aria) => <Input {...aria} {...form.register('what', { required: 'Say what was done.' })} />}
      </Labelled>
      <div className="grid grid-cols-2 gap-4">
        <Labelled label="Rate">{(aria) => <Input {...aria} {...form.register('rate')} />}</Labelled>
        <Labelled
          label="Cost"
          error={errors.cost?.message ?? faults.find((fault) => fault.field === 'cost')?.message}
        >
          {(aria) => (
            <Input
              {...aria}
              inputMode="decimal"
              {...form.register('cost', {
                validate: (text) =>
                  text === '' || costOf(text) !== undefined || 'Write it like 1,200 or 1200.50.',
              })}
            />
          )}
        </Labelled>
      </div>
      <fieldset>
        <legend className="text-sm text-soft">Where (none marked: the whole field)</legend>
        {stops.map((stop) => (
          <Check
            key={stop.id}
            label={stop.label}
            checked={where.includes(stop.id)}
            onChange={(on) => setWhere(on ? [...where, stop.id] : where.filter((each) => each !== stop.id))}
          />
        ))}
      </fieldset>
      {(keep.isError || remove.isError) && (
        <p role="alert" className="text-failing">
          {(keep.error ?? remove.error)?.message}
        </p>
      )}
      <div className="flex gap-3">
        <Button kind="primary" type="submit" disabled={keep.isPending} className="grow">
          Keep
        </Button>
        {event && <Button onClick={() => remove.mutate()}>Remove</Button>}
      </div>
    </form>
  )
}

/** A cost as typed; undefined while it is empty or can't be read for sure. */
function costOf(text: string) {
  const read = readNumber(text)
  return read && 'value' in read ? read.value : undefined
}
