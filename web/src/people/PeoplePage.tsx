import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, must } from '../api/client'
import type { OpenInvitation, PracticePerson } from '../api/schema'
import { queries } from '../queries/queries'
import { Button } from '../ui/controls'
import { Panel } from '../ui/Panel'
import { Failed, Loading } from '../ui/states'
import { showDay } from '../words/dates'
import { AddressOnce } from './AddressOnce'
import { Refused } from './Refused'
import { InviteForm } from './InviteForm'
import { PersonForm } from './PersonForm'
import { SettingsFrame } from './SettingsFrame'
import { roleLabel } from './words'

/** Who works in the practice, and what each may do. */
export function PeoplePage() {
  const people = useQuery(queries.people())
  const [inviting, setInviting] = useState(false)
  const [made, setMade] = useState<OpenInvitation>()
  const [chosen, setChosen] = useState<PracticePerson>()
  if (people.isPending) return <Loading what="the people" />
  if (people.isError) return <Failed error={people.error} retry={() => people.refetch()} />
  const here = people.data.people.filter((each) => !each.removedAt)
  const gone = people.data.people.filter((each) => each.removedAt)
  return (
    <SettingsFrame title="People" says="Who works here, and what each may do. Another role holds at once.">
      <section aria-labelledby="here" className="grid max-w-3xl gap-3">
        <div className="flex flex-wrap items-end justify-between gap-3">
          <h2 id="here" className="text-2xl">
            Here
          </h2>
          <Button kind="primary" onClick={() => setInviting(true)}>
            Invite somebody
          </Button>
        </div>
        {made && <AddressOnce invitation={made} />}
        <ul aria-label="People">
          {here.map((each) => (
            <li key={each.id} className="border-b border-rule">
              <button
                type="button"
                onClick={() => setChosen(each)}
                className="grid min-h-14 w-full grid-cols-[minmax(0,1fr)_auto] items-center gap-x-6 py-1.5 text-left hover:bg-paper"
              >
                <span className="min-w-0">
                  <span className="font-semibold">{each.name}</span>
                  <span className="block truncate text-[15px] text-soft">{each.email}</span>
                </span>
                <span className="text-right">
                  {roleLabel(each.role)}
                  {each.authenticator && (
                    <span className="block text-[15px] text-soft">with authenticator</span>
                  )}
                </span>
              </button>
            </li>
          ))}
        </ul>
      </section>
      {people.data.invitations.length > 0 && <Invitations invitations={people.data.invitations} />}
      {gone.length > 0 && (
        <section aria-labelledby="gone" className="grid max-w-3xl gap-2">
          <h2 id="gone" className="text-2xl">
            No longer here
          </h2>
          <p className="text-soft">What they did stays under their names.</p>
          <ul>
            {gone.map((each) => (
              <li key={each.id} className="flex justify-between gap-4 border-b border-rule py-2">
                <span>{each.name}</span>
                <span className="text-soft">since {showDay(each.removedAt!)}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
      <Panel title="Invite somebody" open={inviting} onClose={() => setInviting(false)}>
        <InviteForm
          onMade={(invitation) => {
            setMade(invitation)
            setInviting(false)
          }}
        />
      </Panel>
      <Panel title={chosen?.name ?? ''} open={chosen !== undefined} onClose={() => setChosen(undefined)}>
        {chosen && (
          <PersonForm
            key={chosen.id}
            person={chosen}
            onDone={() => setChosen(undefined)}
            onAddress={(invitation) => {
              setMade(invitation)
              setChosen(undefined)
            }}
          />
        )}
      </Panel>
    </SettingsFrame>
  )
}

function Invitations({ invitations }: { invitations: OpenInvitation[] }) {
  const client = useQueryClient()
  const withdraw = useMutation({
    mutationFn: (id: string) => must(api.DELETE('/api/invitations/{id}', { params: { path: { id } } })),
    onSettled: () => client.invalidateQueries({ queryKey: queries.people().queryKey }),
  })
  return (
    <section aria-labelledby="invited" className="grid max-w-3xl gap-2">
      <h2 id="invited" className="text-2xl">
        Invited, not here yet
      </h2>
      <ul aria-label="Invitations">
        {invitations.map((each) => (
          <li
            key={each.id}
            className="flex min-h-12 flex-wrap items-center justify-between gap-x-6 border-b border-rule py-1"
          >
            <span className="min-w-0">
              <span className="font-semibold">{each.name}</span>,{' '}
              {each.newPassword ? 'a new password' : roleLabel(each.role).toLowerCase()}
              <span className="block text-[15px] break-all text-soft">
                {each.email}, until {showDay(each.expiresAt)}
              </span>
            </span>
            <Button
              kind="quiet"
              aria-label={`Withdraw the invitation of ${each.name}`}
              disabled={withdraw.isPending}
              onClick={() => withdraw.mutate(each.id)}
            >
              Withdraw
            </Button>
          </li>
        ))}
      </ul>
      <Refused error={withdraw.error} />
    </section>
  )
}
