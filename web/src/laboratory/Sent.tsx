import { useMoney } from '../units/money'
import { useMutation, useQueryClient } from '@tanstack/react-query'
import { api, must } from '../api/client'
import type { Bag, Dispatch } from '../api/schema'
import { queries } from '../queries/queries'
import { Button } from '../ui/controls'
import { showClock, showDay } from '../words/dates'
import { shownCode, useMinute } from './bags'

/** What was sent and is awaited. */
export function Sent({
  dispatches,
  bags,
  onResults,
}: {
  dispatches: Dispatch[]
  bags: Bag[]
  onResults: (dispatch: Dispatch) => void
}) {
  const money = useMoney()
  const client = useQueryClient()
  const now = useMinute()
  const back = useMutation({
    mutationFn: (id: string) => must(api.DELETE('/api/dispatches/{id}', { params: { path: { id } } })),
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: queries.bags().queryKey })
      await client.invalidateQueries({ queryKey: queries.dispatches().queryKey })
    },
  })
  const of = (dispatch: Dispatch) => bags.filter((bag) => dispatch.bagIds.includes(bag.id))
  const awaited = dispatches.filter((each) => of(each).some((bag) => bag.state === 'sent'))
  if (awaited.length === 0) return null
  return (
    <section aria-labelledby="sent" className="grid gap-3">
      <h2 id="sent" className="text-2xl">
        At a laboratory
      </h2>
      <ul className="max-w-4xl">
        {awaited.map((each) => {
          const late = of(each).filter(
            (bag) => bag.state === 'sent' && Date.parse(bag.until) < Date.parse(each.sentAt),
          )
          return (
            <li
              key={each.id}
              className="flex flex-wrap items-center justify-between gap-x-6 border-b border-rule py-2"
            >
              <div>
                <p>
                  <span className="font-semibold">{each.laboratory}</span>{' '}
                  <span className="text-[15px] text-soft">
                    {showDay(each.sentAt)}, {showClock(each.sentAt)}
                    {each.total !== undefined ? ` · ${money.text(each.total)} in all` : ''}
                  </span>
                </p>
                <p className="text-[15px]">
                  {of(each)
                    .map((bag) => `${shownCode(bag.code)} ${bag.field}`)
                    .join(' · ')}
                </p>
                {late.length > 0 && (
                  <p className="text-[15px] font-semibold text-strained">
                    Sent late: {late.map((bag) => shownCode(bag.code)).join(', ')} had kept too long.
                  </p>
                )}
                {each.answerAt && (
                  <p className="text-[15px] text-soft">
                    Its answer comes{' '}
                    {Date.parse(each.answerAt) > now ? `at ${showClock(each.answerAt)}` : 'now'}.
                  </p>
                )}
              </div>
              <div className="flex gap-4">
                <Button
                  kind="quiet"
                  aria-label={`${each.laboratory} was not sent after all`}
                  disabled={back.isPending}
                  onClick={() => back.mutate(each.id)}
                >
                  Not sent
                </Button>
                <Button kind={each.answer ? 'primary' : 'plain'} onClick={() => onResults(each)}>
                  {each.answer ? 'Its answer is here' : 'Take results in'}
                </Button>
              </div>
            </li>
          )
        })}
      </ul>
    </section>
  )
}
