import { useMutation, useQueryClient } from '@tanstack/react-query'
import { api, must } from '../api/client'
import type { Stop } from '../api/schema'

/** Gives a stop another role; everything else of it stays. */
export function useStopRole(field: string) {
  const client = useQueryClient()
  return useMutation({
    mutationFn: ({ stop, role }: { stop: Stop; role: string }) => {
      const { id, fieldId, label, note, longitude, latitude, position, areaSharePct, version } = stop
      return must(
        api.PUT('/api/stops/{id}', {
          params: { path: { id } },
          body: { fieldId, label, note, longitude, latitude, position, areaSharePct, version, role },
        }),
      )
    },
    // a refusal may mean that somebody else changed it: what stands is shown again
    onSettled: () => client.invalidateQueries({ queryKey: ['field', field] }),
  })
}
