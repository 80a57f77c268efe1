import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, ApiError, must } from '../api/client'
import { queries } from '../queries/queries'
import { Button, buttonLook, Input, Labelled } from '../ui/controls'
import { showDay } from '../words/dates'

/** What is due as a calendar: once as a file, or under a secret address that a calendar program asks again and again. */
export function CalendarPart() {
  const client = useQueryClient()
  const addresses = useQuery(queries.calendarAddresses())
  const [name, setName] = useState('')
  const [copied, setCopied] = useState(false)
  const refresh = () => client.invalidateQueries({ queryKey: queries.calendarAddresses().queryKey })
  const make = useMutation({
    mutationFn: () => must(api.POST('/api/calendar-addresses', { body: { name } })),
    onSuccess: async () => {
      setName('')
      setCopied(false)
      await refresh()
    },
  })
  const revoke = useMutation({
    mutationFn: (id: string) =>
      must(api.DELETE('/api/calendar-addresses/{id}', { params: { path: { id } } })),
    onSuccess: refresh,
  })
  const made = make.data && addresses.data?.some((each) => each.id === make.data.id) ? make.data : undefined
  const address = made && `${location.origin}${made.path}`
  return (
    <section aria-labelledby="calendar" className="grid content-start gap-4">
      <h2 id="calendar" className="text-2xl">
        Calendar
      </h2>
      <p className="max-w-prose text-soft">
        Retests, agreed work, planned days and running clocks. Whoever has an address sees these and nothing
        else; take it back and it answers nobody.
      </p>
      <a className={buttonLook('plain') + ' justify-self-start'} href="/api/calendar.ics" download>
        As a file now
      </a>
      <form
        className="flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          make.mutate()
        }}
      >
        <div className="min-w-56 grow sm:max-w-xs">
          <Labelled
            label="For which program or person"
            error={make.error instanceof ApiError ? make.error.faults[0]?.message : undefined}
          >
            {(aria) => (
              <Input
                {...aria}
                value={name}
                maxLength={100}
                placeholder="My phone"
                onChange={(event) => setName(event.target.value)}
              />
            )}
          </Labelled>
        </div>
        <Button type="submit" disabled={name.trim() === '' || make.isPending}>
          Make an address
        </Button>
      </form>
      {address && (
        <div role="status" className="grid gap-2 border-l-3 border-robust pl-3">
          <p className="font-semibold">Shown once only. Copy it into “{made.name}” now:</p>
          <code className="text-[15px] break-all">{address}</code>
          <Button
            className="justify-self-start"
            onClick={() => void navigator.clipboard.writeText(address).then(() => setCopied(true))}
          >
            {copied ? 'Copied' : 'Copy'}
          </Button>
        </div>
      )}
      {addresses.data && addresses.data.length > 0 && (
        <ul aria-label="Addresses" className="max-w-2xl">
          {addresses.data.map((each) => (
            <li
              key={each.id}
              className="flex flex-wrap items-center justify-between gap-x-6 border-b border-rule py-1"
            >
              <span>
                <span className="font-semibold">{each.name}</span>{' '}
                <span className="text-[15px] text-soft">
                  since {showDay(each.madeAt)},{' '}
                  {each.readAt ? `last read ${showDay(each.readAt)}` : 'not read yet'}
                </span>
              </span>
              <Button
                kind="quiet"
                aria-label={`Take back the address of ${each.name}`}
                disabled={revoke.isPending}
                onClick={() => revoke.mutate(each.id)}
              >
                Take back
              </Button>
            </li>
          ))}
        </ul>
      )}
    </section>
  )
}
