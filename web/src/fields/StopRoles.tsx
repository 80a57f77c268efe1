import { useQuery } from '@tanstack/react-query'
import { ApiError } from '../api/client'
import type { Stop } from '../api/schema'
import { queries } from '../queries/queries'
import { Select } from '../ui/controls'
import { useStopRole } from './useStopRole'

/** What each stop stands for: only routine stops speak for the field, or its poor patch where there are none. */
export function StopRoles({ field, stops }: { field: string; stops: Stop[] }) {
  const roles = useQuery(queries.coreData()).data?.stopRoles ?? []
  const change = useStopRole(field)
  return (
    <>
      <ul className="grid">
        {stops.map((stop) => (
          <li key={stop.id} className="flex items-center justify-between gap-4 border-t border-rule">
            <span className="min-w-0 truncate">{stop.label}</span>
            <Select
              aria-label={`What ${stop.label} stands for`}
              className="w-44 shrink-0"
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
