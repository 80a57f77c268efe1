import { useMutation } from '@tanstack/react-query'
import { useState } from 'react'
import { api, ApiError, must } from '../api/client'
import type { FieldFaceView } from '../api/schema'
import { isRetired, placed } from '../fields/GroundMap'
import { Button, Choice, QuantityInput } from '../ui/controls'
import { useUnits } from '../units/units'

export type ProposedStop = {
  order: number
  longitude: number
  latitude: number
  kept: boolean
  zone?: string
}

export type Proposal = { stops: ProposedStop[]; walkM: number; innerHa: number }

const MOST = 60

/** Spreads stops over the field, those that are there kept where they are; shown first, then taken. */
export function PlaceStops({
  face,
  proposal,
  onProposal,
  onTake,
}: {
  face: FieldFaceView
  proposal: Proposal | undefined
  onProposal: (proposal: Proposal | undefined) => void
  onTake: (added: ProposedStop[]) => void
}) {
  const units = useUnits()
  const { field } = face
  const keep = face.stops.filter((stop) => !isRetired(stop)).filter(placed)
  const [count, setCount] = useState<number | undefined>(Math.max(5, keep.length))
  const [marginM, setMargin] = useState<number | undefined>(15)
  const [way, setWay] = useState<'centre' | 'random'>('centre')
  const [seed, setSeed] = useState(1)
  const look = useMutation({
    mutationFn: async (draw: number) => {
      const answer = await must(
        api.POST('/api/calculators/{id}', {
          params: { path: { id: 'stop-placement' } },
          body: {
            inputs: {
              boundary: JSON.parse(field.boundary!),
              zones: field.zones ? JSON.parse(field.zones) : undefined,
              avoid: field.avoid ? JSON.parse(field.avoid) : undefined,
              count,
              marginM,
              way,
              seed: draw,
              keep: keep.map(({ id, longitude, latitude }) => ({ id, longitude, latitude })),
            },
          },
        }),
      )
      return {
        stops: (answer.series['stops'] ?? []).map((row) => ({
          order: Number(row['order']),
          longitude: Number(row['longitude']),
          latitude: Number(row['latitude']),
          kept: row['kept'] === true,
          zone: row['zone'] === undefined ? undefined : String(row['zone']),
        })),
        walkM: answer.values['walkM']!.value,
        innerHa: answer.values['innerHa']!.value,
      }
    },
    onSuccess: onProposal,
  })
  const faults = look.error instanceof ApiError ? look.error.faults : []
  const added = proposal?.stops.filter((stop) => !stop.kept) ?? []
  return (
    <form
      className="grid gap-3 border-l-3 border-rule pl-4"
      onSubmit={(event) => {
        event.preventDefault()
        look.mutate(seed)
      }}
    >
      <h3 className="font-semibold">Spread them evenly</h3>
      <div className="grid grid-cols-2 gap-3">
        <QuantityInput
          label={keep.length > 0 ? `Stops, with the ${keep.length} there` : 'Stops'}
          unit=""
          value={count}
          onChange={setCount}
          error={faults.find((fault) => fault.field === 'count' || fault.field === 'keep')?.message}
        />
        <QuantityInput
          label="Away from the edge"
          unit="m"
          value={marginM}
          onChange={setMargin}
          error={faults.find((fault) => ['boundary', 'avoid', 'marginM'].includes(fault.field))?.message}
        />
      </div>
      <Choice
        label="Each in its part"
        options={[
          { code: 'centre', label: 'at its centre' },
          { code: 'random', label: 'anywhere' },
        ]}
        value={way}
        onChange={setWay}
      />
      {look.isError && faults.length === 0 && (
        <p role="alert" className="text-sm text-failing">
          {look.error.message}
        </p>
      )}
      <div className="flex flex-wrap gap-3">
        <Button type="submit" disabled={look.isPending || !count || count > MOST}>
          {look.isPending ? 'Spreading …' : 'Show them'}
        </Button>
        {proposal && way === 'random' && (
          <Button
            onClick={() => {
              setSeed(seed + 1)
              look.mutate(seed + 1)
            }}
          >
            Draw again
          </Button>
        )}
        {proposal && (
          <>
            <Button kind="primary" disabled={added.length === 0} onClick={() => onTake(added)}>
              Take these {added.length}
            </Button>
            <Button kind="quiet" onClick={() => onProposal(undefined)}>
              Leave them
            </Button>
          </>
        )}
      </div>
      {proposal && (
        <p role="status" className="text-sm text-soft">
          {added.length} new, walked in {units.text(Math.round(proposal.walkM), 'm')};{' '}
          {units.text(Math.round(proposal.innerHa * 10) / 10, 'ha')} of ground counts.
        </p>
      )}
    </form>
  )
}
