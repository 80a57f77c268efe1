import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, must } from '../api/client'
import type { OpenInvitation, PersonWrite, PracticePerson } from '../api/schema'
import { queries } from '../queries/queries'
import { Button, Input, Labelled } from '../ui/controls'
import { faultOf, Refused } from './Refused'
import { RoleChoice } from './RoleChoice'

const ENTRIES = ['name', 'role', 'growerId']

/** A person's name and role, and what helps when they can't sign in or leave. */
export function PersonForm({
  person,
  onDone,
  onAddress,
}: {
  person: PracticePerson
  onDone: () => void
  onAddress: (invitation: OpenInvitation) => void
}) {
  const client = useQueryClient()
  const me = useQuery(queries.session()).data?.me
  const [name, setName] = useState(person.name)
  const [role, setRole] = useState(person.role)
  const [growerId, setGrowerId] = useState(person.growerId)
  const [removing, setRemoving] = useState(false)
  const path = { params: { path: { id: person.id } } }
  const refresh = () => client.invalidateQueries({ queryKey: queries.people().queryKey })
  const done = async () => {
    await refresh()
    if (me?.id === person.id) await client.invalidateQueries({ queryKey: queries.session().queryKey })
    onDone()
  }
  const keep = useMutation({
    mutationFn: (body: PersonWrite) => must(api.PUT('/api/people/{id}', { ...path, body })),
    onSuccess: done,
  })
  const remove = useMutation({
    mutationFn: () => must(api.DELETE('/api/people/{id}', path)),
    onSuccess: done,
  })
  const renew = useMutation({
    mutationFn: () => must(api.POST('/api/people/{id}/new-password', path)),
    onSuccess: async (made) => {
      await refresh()
      onAddress(made)
    },
  })
  const lost = useMutation({
    mutationFn: () => must(api.DELETE('/api/people/{id}/authenticator', path)),
    onSuccess: done,
  })
  const fault = (field: string) => faultOf(keep.error, field)
  const refused = keep.error ?? remove.error ?? renew.error ?? lost.error
  return (
    <form
      className="grid gap-4"
      onSubmit={(event) => {
        event.preventDefault()
        keep.mutate({ name, role, growerId, version: person.version })
      }}
    >
      <p className="break-all text-soft">{person.email}</p>
      <Labelled label="Name" error={fault('name')}>
        {(aria) => (
          <Input {...aria} maxLength={200} value={name} onChange={(event) => setName(event.target.value)} />
        )}
      </Labelled>
      <RoleChoice
        role={role}
        grower={growerId}
        errors={{ role: fault('role'), grower: fault('growerId') }}
        onChange={(next, grower) => {
          setRole(next)
          setGrowerId(grower)
        }}
      />
      <Button type="submit" kind="primary" disabled={name.trim() === '' || keep.isPending}>
        Keep
      </Button>
      {role !== person.role && (
        <p className="text-[15px] text-soft">They are signed out where they are, and sign in anew.</p>
      )}
      <Refused error={refused} entries={keep.error ? ENTRIES : []} />
      <div className="grid justify-items-start border-t border-rule pt-2">
        <Button kind="quiet" disabled={renew.isPending} onClick={() => renew.mutate()}>
          The password is forgotten: an address for a new one
        </Button>
        {person.authenticator && (
          <Button kind="quiet" disabled={lost.isPending} onClick={() => lost.mutate()}>
            The authenticator is lost: sign in without it
          </Button>
        )}
        {removing ? (
          <div className="grid gap-2 border-l-3 border-failing pl-3">
            <p>
              {person.name} is signed out and can’t sign in any more. What they recorded stays under their
              name.
            </p>
            <div className="flex gap-3">
              <Button disabled={remove.isPending} onClick={() => remove.mutate()}>
                Remove
              </Button>
              <Button kind="quiet" onClick={() => setRemoving(false)}>
                Leave it
              </Button>
            </div>
          </div>
        ) : (
          <Button kind="quiet" onClick={() => setRemoving(true)}>
            Remove from the practice
          </Button>
        )}
      </div>
    </form>
  )
}
