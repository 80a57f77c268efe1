import { useInfiniteQuery, useQuery } from '@tanstack/react-query'
import { useSearchParams } from 'react-router'
import { queries } from '../queries/queries'
import { Button, Labelled, Select } from '../ui/controls'
import { DateInput } from '../ui/DateInput'
import { Failed, Loading } from '../ui/states'
import { showClock, showDay, words } from '../words/dates'
import { SettingsFrame } from './SettingsFrame'

const ACTIONS: Record<string, string> = {
  put: 'kept',
  delete: 'removed',
  record: 'recorded',
  correct: 'corrected',
  begin: 'began',
  start: 'started',
  stop: 'stopped',
  done: 'looked at the call of',
  close: 'closed',
  'sign-in': 'signed in',
  failed: 'failed at',
}

/** Who did what, newest first. */
export function LogPage() {
  const [search, setSearch] = useSearchParams()
  const of = (key: string) => search.get(key) ?? undefined
  const wanted = { person: of('person'), entity: of('entity'), from: of('from'), to: of('to') }
  const log = useInfiniteQuery(queries.log(wanted))
  const people = useQuery(queries.people()).data?.people ?? []
  if (log.isPending) return <Loading what="the log" />
  if (log.isError) return <Failed error={log.error} retry={() => log.refetch()} />
  const entries = log.data.pages.flatMap((page) => page.entries)
  const choose = (key: string, value: string) =>
    setSearch(
      (old) => {
        if (value) old.set(key, value)
        else old.delete(key)
        return old
      },
      { replace: true },
    )
  return (
    <SettingsFrame
      title="Log"
      says="Who did what, newest first: sign-ins, records, drafts, clocks and decisions."
    >
      <div className="grid max-w-4xl grid-cols-2 gap-3 lg:grid-cols-4">
        <Labelled label="Who">
          {(aria) => (
            <Select {...aria} value={wanted.person ?? ''} onChange={(e) => choose('person', e.target.value)}>
              <option value="">everybody</option>
              {people.map((each) => (
                <option key={each.id} value={each.id}>
                  {each.name}
                </option>
              ))}
            </Select>
          )}
        </Labelled>
        <Labelled label="What">
          {(aria) => (
            <Select {...aria} value={wanted.entity ?? ''} onChange={(e) => choose('entity', e.target.value)}>
              <option value="">everything</option>
              {[...new Set([...(wanted.entity ? [wanted.entity] : []), ...log.data.pages[0]!.entities])].map(
                (each) => (
                  <option key={each} value={each}>
                    {words(each)}
                  </option>
                ),
              )}
            </Select>
          )}
        </Labelled>
        <Labelled label="From">
          {(aria) => (
            <DateInput
              {...aria}
              value={wanted.from ?? ''}
              onChange={(event) => choose('from', event.target.value)}
            />
          )}
        </Labelled>
        <Labelled label="To">
          {(aria) => (
            <DateInput
              {...aria}
              value={wanted.to ?? ''}
              onChange={(event) => choose('to', event.target.value)}
            />
          )}
        </Labelled>
      </div>
      {entries.length === 0 ? (
        <p className="text-soft" role="status">
          Nothing was done that fits these choices.
        </p>
      ) : (
        <ol aria-label="Entries" className="max-w-4xl">
          {entries.map((each) => (
            <li
              key={each.number}
              className="grid gap-x-5 border-b border-rule py-2 sm:grid-cols-[11rem_minmax(0,1fr)]"
            >
              <time dateTime={each.at} className="text-soft">
                {showDay(each.at)}, {showClock(each.at)}
              </time>
              <span className="min-w-0 break-words">
                <span className="font-semibold">{each.person}</span> {told(each.action, each.entity)}
                {each.detail && <span className="text-soft"> · {each.detail}</span>}
              </span>
            </li>
          ))}
        </ol>
      )}
      {log.hasNextPage && (
        <Button
          className="justify-self-start"
          disabled={log.isFetchingNextPage}
          onClick={() => log.fetchNextPage()}
        >
          {log.isFetchingNextPage ? 'Fetching earlier ones …' : 'Earlier ones'}
        </Button>
      )}
    </SettingsFrame>
  )
}

function told(action: string, entity: string): string {
  if (action === 'sign-in') return ACTIONS[action]!
  if (action === 'failed') return 'did not sign in: a wrong password'
  const does = ACTIONS[action]
  return does ? `${does}: ${words(entity)}` : words(action)
}
