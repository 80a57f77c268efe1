import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, ApiError, must } from '../api/client'
import { queries } from '../queries/queries'
import { Button, Check } from '../ui/controls'
import { Panel } from '../ui/Panel'

/** Which helpers record at this visit; nothing where the practice has no helper. */
export function HelpersHere({ visit }: { visit: string }) {
  const client = useQueryClient()
  const query = queries.visitHelpers(visit)
  const helpers = useQuery(query).data ?? []
  const [open, setOpen] = useState(false)
  const give = useMutation({
    mutationFn: (ids: string[]) =>
      must(api.PUT('/api/visits/{id}/helpers', { params: { path: { id: visit } }, body: { helpers: ids } })),
    // seen at once; put right by what the server keeps
    onMutate: (ids) =>
      client.setQueryData(query.queryKey, (before) =>
        before?.map((each) => ({ ...each, given: ids.includes(each.id) })),
      ),
    onSettled: () => client.invalidateQueries({ queryKey: query.queryKey }),
  })
  if (helpers.length === 0) return null
  const given = helpers.filter((each) => each.given)
  return (
    <div className="flex flex-wrap items-center gap-x-4">
      <span className="text-soft">
        {given.length === 0
          ? 'Given to no helper.'
          : `Given to ${given.map((each) => each.name).join(', ')} to record at.`}
      </span>
      <Button kind="quiet" onClick={() => setOpen(true)}>
        Helpers
      </Button>
      <Panel title="Who helps at this visit" open={open} onClose={() => setOpen(false)}>
        <p className="mb-4 text-soft">
          A helper sees the visits given to them and records there; limits, plans and other fields stay yours.
        </p>
        <div className="grid gap-1">
          {helpers.map((each) => (
            <Check
              key={each.id}
              label={each.name}
              checked={each.given}
              onChange={(on) =>
                give.mutate(
                  helpers
                    .filter((other) => (other.id === each.id ? on : other.given))
                    .map((other) => other.id),
                )
              }
            />
          ))}
        </div>
        {give.isError && (
          <p role="alert" className="mt-3 text-failing">
            {give.error instanceof ApiError ? give.error.message : 'It was not kept.'}
          </p>
        )}
      </Panel>
    </div>
  )
}
