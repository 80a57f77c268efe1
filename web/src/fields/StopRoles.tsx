import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { ApiError } from '../api/client'
import type { Stop } from '../api/schema'
import { queries } from '../queries/queries'
import { Input, Select } from '../ui/controls'
import { readNumber } from '../units/readNumber'
import { useStopRole } from './useStopRole'

/** Roles that stand for a part of the field. */
const PATCHES = ['poor', 'good']

/** What each stop stands for: only routine stops speak for the field, or its poor patch where there are none. */
export function StopRoles({ field, stops }: { field: string; stops: Stop[] }) {
  const roles = useQuery(queries.coreData()).data?.stopRoles ?? []
  const change = useStopRole(field)
  return (
    <>
      <ul className="grid">
        {stops.map((stop) => (
          <li key={stop.id} className="flex flex-wrap items-center gap-x-3 border-t border-rule py-1">
            <span className="mr-auto min-w-24">{stop.label}</span>
            <Select
              aria-label={`What ${stop.label} stands for`}
              className="w-36! shrink-0"
              value={stop.role}
              disabled={change.isPending}
              onChange={(event) => change.mutate({ stop, role: event.target.value })}
            >
              {roles.map((role) => (
                <option key={role.code} value={role.code}>
                  {role.label}
                </option>
              ))}
            </Select>
            {PATCHES.includes(stop.role) && (
              <PatchShare
                stop={stop}
                pending={change.isPending}
                onChange={(areaSharePct) => change.mutate({ stop, areaSharePct })}
              />
            )}
          </li>
        ))}
      </ul>
      {change.isError && (
        <p role="alert" className="text-sm text-failing">
          {change.error instanceof ApiError && change.error.status === 409
            ? 'This stop was changed elsewhere meanwhile; what stands now is shown. Choose again.'
            : change.error.message}
        </p>
      )}
    </>
  )
}

/** How much of the field a patch takes: kept when it is left or Enter is pressed. */
function PatchShare({
  stop,
  pending,
  onChange,
}: {
  stop: Stop
  pending: boolean
  onChange: (share: number | undefined) => void
}) {
  const kept = stop.areaSharePct === undefined ? '' : String(stop.areaSharePct)
  const [text, setText] = useState(kept)
  const read = readNumber(text)
  const share = text.trim() === '' ? undefined : read && 'value' in read ? read.value : NaN
  const wrong = share !== undefined && !(share > 0 && share <= 100)
  const keep = () => {
    if (!wrong && share !== stop.areaSharePct) onChange(share)
  }
  return (
    <span className="flex shrink-0 items-center gap-1 text-sm text-soft">
      <Input
        className="w-16! text-right"
        aria-label={`Share of the field that the patch of ${stop.label} takes, %`}
        aria-invalid={wrong}
        inputMode="decimal"
        value={text}
        disabled={pending}
        onChange={(event) => setText(event.target.value)}
        onBlur={keep}
        onKeyDown={(event) => event.key === 'Enter' && keep()}
      />
      %
    </span>
  )
}
