import { useMutation, useQueryClient } from '@tanstack/react-query'
import { api, must } from '../api/client'
import type { Stop } from '../api/schema'

/** Gives a stop another role, or its patch another share of the field; everything else of it stays. */
export function useStopRole(field: string) {
  const client = useQueryClient()
  return useMutation({
    mutationFn: ({ stop, ...change }: { stop: Stop; role?: string; areaSharePct?: number }) => {
      const { id, ...body } = stop
      return must(
        api.PUT('/api/stops/{id}', {
          params: { path: { id } },
          body: { ...body, ...change },
        }),
      )
    },
    // a refusal may mean that somebody else changed it: what stands is shown again
    onSettled: () => client.invalidateQueries({ queryKey: ['field', field] }),
  })
}
