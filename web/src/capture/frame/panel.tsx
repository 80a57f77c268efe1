import { useMutation, useQueryClient } from '@tanstack/react-query'
import { createContext, useContext, useState, type ReactNode } from 'react'
import { ApiError } from '../../api/client'
import type { Envelope, Measurement, MethodEntry, Stop } from '../../api/schema'
import type { MethodId, Readings, ReadingsOf } from '../../api/readings'
import { keep } from '../../device/outbox'
import { Button, Input, Labelled } from '../../ui/controls'
import type { DraftState } from './drafts'

/** What every capture panel gets; `Id` says of which method, where that is known. */
export type CaptureProps<Id extends string = string> = {
  draft: DraftState<ReadingsOf<Id>>
  context: Readings
  method: MethodEntry
  stop: Stop
  /** names of where a clock of this test runs */
  place: { field: string; fieldId: string; stop: string }
  /** where to go when it is recorded; a walk goes on, a single test shows what came of it */
  goOn: (measurement: string, sent: boolean) => void
}

/** The instruction, the picture, the result and the buttons of a test, on a phone one under the other. */
export function PanelLayout({
  instruction,
  picture,
  side,
  result,
  why,
  foot,
}: {
  instruction: ReactNode
  picture: ReactNode
  side: ReactNode
  /** the level in a line, in sight on a phone while the rest is scrolled away */
  result?: ReactNode
  /** why it can't be recorded yet, where something was entered */
  why?: string
  foot: ReactNode
}) {
  return (
    <div className="grid gap-x-10 md:grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)]">
      <div className="grid content-start gap-4 px-5 pt-4">
        <p className="text-xl leading-snug font-bold text-balance" aria-live="polite">
          {instruction}
        </p>
        {useContext(Scene)?.view}
        {picture}
      </div>
      <div className="grid content-start gap-4 px-5 py-4 md:border-l md:border-rule">{side}</div>
      <div className="sticky bottom-14 z-10 border-t border-rule bg-paper px-5 py-3 md:col-span-2">
        {result && <div className="mb-2 flex flex-wrap gap-x-5 md:hidden">{result}</div>}
        {why && (
          <p className="mb-2 text-sm text-soft" role="status">
            {why}
          </p>
        )}
        <div className="grid auto-cols-fr grid-flow-col gap-2.5">{foot}</div>
      </div>
    </div>
  )
}

/** On the bench a picture is tried: nothing is recorded, no clock is kept, no instrument is asked; it tells its figures. */
export const OnBench = createContext<Bench | undefined>(undefined)

export type Bench = {
  told: (envelope: Envelope | undefined) => void
  /** keeps the readings for the round that is practised; on the bench itself nothing is kept */
  take?: (readings: Readings) => void
}

/** What lies in front of a learner on the training ground: drawn above the picture, or moving in it. */
export type InFront<R = Readings> = {
  readings: R
  /** what is seen while time passes, by name; each row has its seconds */
  passing: Record<string, Readings[]>
  view?: ReactNode
}

/** What a drawing of it gets; `Id` says of which method, where that is known. */
export type SceneProps<Id extends string = string> = {
  readings: ReadingsOf<Id>
  /** so that two places don't look alike */
  seed: number
}

export const Scene = createContext<InFront | undefined>(undefined)

/** What a test shows on the training ground; undefined in a real field, where it lies in front of oneself. */
export function useScene<Id extends MethodId>(): InFront<ReadingsOf<Id>> | undefined {
  return useContext(Scene) as InFront<ReadingsOf<Id>> | undefined
}

/** Ids recorded on this page: it is left by its own way, not by finding them recorded. */
export const recordedHere = new Set<string>()

/** Records the readings as a measurement: kept here, sent; the server's evaluation is the record. */
export function useRecord({ draft, method, stop, goOn }: CaptureProps) {
  const client = useQueryClient()
  const bench = useContext(OnBench)
  return useMutation({
    mutationFn: (wanted: { readings: Readings; envelope?: Envelope; reason?: string }) => {
      if (bench) {
        bench.take?.(wanted.readings)
        return Promise.resolve({ sent: false })
      }
      const { id, visitId, stopId, depthTopMm, depthBottomMm, supersedes } = draft.place
      const takenAt = draft.content.startedAt ?? new Date().toISOString()
      const { readings, envelope, reason } = wanted
      recordedHere.add(id)
      return keep<Measurement>({
        kind: 'measurement',
        target: id,
        path: `/api/measurements/${id}`,
        label: `${method.title}, ${stop.label}`,
        envelope,
        body: {
          visitId,
          stopId,
          method: method.id,
          depthTopMm,
          depthBottomMm,
          readings,
          takenAt,
          supersedes,
          reason,
          note: draft.content.note,
          photo: draft.content.photo,
        },
      })
    },
    onError: () => recordedHere.delete(draft.place.id),
    onSuccess: async (kept) => {
      if (bench && !bench.take) return
      draft.finished()
      if (kept.sent) await client.invalidateQueries()
      goOn(draft.place.id, kept.sent)
    },
  })
}

/** The button that records, with the reason of a correction and whatever the server refused. */
export function RecordButton({
  record,
  readings,
  envelope,
  correcting,
  label = 'Record',
}: {
  record: ReturnType<typeof useRecord>
  readings: Readings
  envelope: Envelope | undefined
  correcting: boolean
  label?: string
}) {
  const [reason, setReason] = useState('')
  const trial = useContext(OnBench)
  const faults = record.error instanceof ApiError ? record.error.faults : []
  if (trial && !trial.take)
    return <p className="content-center text-center text-soft">Nothing is saved here.</p>
  return (
    <div className="grid gap-2">
      {correcting && (
        <Labelled label="Why it is corrected">
          {(aria) => <Input {...aria} value={reason} onChange={(event) => setReason(event.target.value)} />}
        </Labelled>
      )}
      <Button
        kind="primary"
        className="min-h-13"
        disabled={!envelope || record.isPending}
        onClick={() => record.mutate({ readings, envelope, reason: reason || undefined })}
      >
        {record.isPending ? 'Recording …' : label}
      </Button>
      {record.isError && (
        <p role="alert" className="text-sm text-failing">
          {faults.length > 0
            ? faults.map((fault) => `${fault.field}: ${fault.message}`).join(' ')
            : `${record.error.message} The readings are kept; try again.`}
        </p>
      )}
    </div>
  )
}
