import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, must } from '../api/client'
import type { InvitationWrite, OpenInvitation } from '../api/schema'
import { queries } from '../queries/queries'
import type { Role } from '../queries/role'
import { Button, Input, Labelled } from '../ui/controls'
import { faultOf, Refused } from './Refused'
import { RoleChoice } from './RoleChoice'

const ENTRIES = ['name', 'email', 'role', 'growerId']

/** Invites somebody into the practice. */
export function InviteForm({ onMade }: { onMade: (invitation: OpenInvitation) => void }) {
  const client = useQueryClient()
  const [name, setName] = useState('')
  const [email, setEmail] = useState('')
  const [role, setRole] = useState<Role>('ADVISOR')
  const [growerId, setGrowerId] = useState<string>()
  const invite = useMutation({
    mutationFn: (body: InvitationWrite) => must(api.POST('/api/invitations', { body })),
    onSuccess: async (made) => {
      await client.invalidateQueries({ queryKey: queries.people().queryKey })
      onMade(made)
    },
  })
  const fault = (field: string) => faultOf(invite.error, field)
  return (
    <form
      noValidate
      className="grid gap-4"
      onSubmit={(event) => {
        event.preventDefault()
        invite.mutate({ name, email, role, growerId })
      }}
    >
      <Labelled label="Name" error={fault('name')}>
        {(aria) => (
          <Input {...aria} maxLength={200} value={name} onChange={(event) => setName(event.target.value)} />
        )}
      </Labelled>
      <Labelled label="E-mail they will sign in with" error={fault('email')}>
        {(aria) => (
          <Input
            {...aria}
            type="email"
            maxLength={200}
            value={email}
            onChange={(event) => setEmail(event.target.value)}
          />
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
      <Button
        type="submit"
        kind="primary"
        disabled={name.trim() === '' || email.trim() === '' || invite.isPending}
      >
        Make the invitation
      </Button>
      <Refused error={invite.error} entries={ENTRIES} />
    </form>
  )
}
