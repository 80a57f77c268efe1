import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { ApiError } from '../api/client'
import { queries } from '../queries/queries'
import type { Observation, Stop } from '../api/schema'
import { HALVES } from '../units/halves'
import { keep as keepOnDevice } from '../device/outbox'
import { Button, Choice, QuantityInput } from '../ui/controls'
import { Panel } from '../ui/Panel'

const AMOUNTS = ['none', 'some', 'many'].map((code) => ({ code, label: code }))
const YES_NO = [
  { code: 'yes', label: 'yes' },
  { code: 'no', label: 'no' },
]

/** What is seen at a stop beside the tests: vigour, slope, rills, crust, water. */
export function SeenHere({
  visit,
  stop,
  seen,
  before,
}: {
  visit: string
  stop: Stop
  seen: Observation | undefined
  /** what was seen at the stop before, to take over where it is the same */
  before?: { label: string; seen: Observation }
}) {
  const [open, setOpen] = useState(false)
  const words = seen
    ? [
        seen.cropVigour !== undefined && `vigour ${seen.cropVigour} of 2`,
        seen.slopePct !== undefined && `slope ${seen.slopePct} %`,
        seen.rills && seen.rills !== 'none' && `${seen.rills} rills`,
        seen.whiteCrust && seen.whiteCrust !== 'none' && `${seen.whiteCrust} white crust`,
        seen.standingWater && 'water standing',
      ].filter(Boolean)
    : []
  return (
    <>
      <span className="text-[15px] text-soft">{words.join(' · ')}</span>
      <Button kind="quiet" onClick={() => setOpen(true)}>
        {seen ? 'Change what is seen' : 'What is seen'}
      </Button>
      <Panel title={`Seen at ${stop.label}`} open={open} onClose={() => setOpen(false)}>
        <SeenForm visit={visit} stop={stop} seen={seen} before={before} onDone={() => setOpen(false)} />
      </Panel>
    </>
  )
}

function SeenForm({
  visit,
  stop,
  seen,
  before,
  onDone,
}: {
  visit: string
  stop: Stop
  seen: Observation | undefined
  before?: { label: string; seen: Observation }
  onDone: () => void
}) {
  const client = useQueryClient()
  const [id] = useState(() => seen?.id ?? uuid())
  const [entry, setEntry] = useState<Partial<Observation>>(seen ?? {})
  const put = (part: Partial<Observation>) => setEntry((old) => ({ ...old, ...part }))
  const keep = useMutation({
    mutationFn: () => {
      const { cropVigour, slopePct, rills, whiteCrust, standingWater, note } = entry
      return keepOnDevice({
        kind: 'observation',
        target: id,
        path: `/api/observations/${id}`,
        label: `Seen at ${stop.label}`,
        body: {
          visitId: visit,
          stopId: stop.id,
          cropVigour,
          slopePct,
          rills,
          whiteCrust,
          standingWater,
          note,
          version: seen?.version ?? 0,
        },
      })
    },
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: queries.visit(visit).queryKey })
      onDone()
    },
  })
  const fault = (name: string) =>
    keep.error instanceof ApiError
      ? keep.error.faults.find((each) => each.field === name)?.message
      : undefined
  return (
    <form
      noValidate
      className="grid gap-4"
      onSubmit={(event) => {
        event.preventDefault()
        keep.mutate()
      }}
    >
      {before && (
        <Button
          onClick={() => {
            const { cropVigour, slopePct, rills, whiteCrust, standingWater } = before.seen
            put({ cropVigour, slopePct, rills, whiteCrust, standingWater })
          }}
        >
          As at {before.label}
        </Button>
      )}
      <Choice
        label="Vigour of the crop, 0 poor to 2 strong"
        options={HALVES}
        value={entry.cropVigour?.toString()}
        onChange={(code) => put({ cropVigour: Number(code) })}
        error={fault('cropVigour')}
      />
      <QuantityInput
        label="Slope"
        unit="%"
        value={entry.slopePct}
        onChange={(slopePct) => put({ slopePct })}
        error={fault('slopePct')}
      />
      <Choice label="Rills" options={AMOUNTS} value={entry.rills} onChange={(rills) => put({ rills })} />
      <Choice
        label="White crust"
        options={AMOUNTS}
        value={entry.whiteCrust}
        onChange={(whiteCrust) => put({ whiteCrust })}
      />
      <Choice
        label="Water standing"
        options={YES_NO}
        value={entry.standingWater === undefined ? undefined : entry.standingWater ? 'yes' : 'no'}
        onChange={(code) => put({ standingWater: code === 'yes' })}
      />
      {keep.isError && (
        <p role="alert" className="text-failing">
          {keep.error.message}
        </p>
      )}
      <Button kind="primary" type="submit" disabled={keep.isPending}>
        Keep
      </Button>
    </form>
  )
}
