import { useMutation } from '@tanstack/react-query'
import { useState } from 'react'
import { api, must } from '../api/client'
import { Button, Input, Labelled } from '../ui/controls'
import { faultOf, otherFault } from './faults'

/** Another password for the old one. */
export function PasswordForm({ onChanged }: { onChanged: () => void }) {
  const [current, setCurrent] = useState('')
  const [next, setNext] = useState('')
  const change = useMutation({
    mutationFn: (body: { current: string; next: string }) => must(api.PUT('/api/me/password', { body })),
    onSuccess: () => {
      setCurrent('')
      setNext('')
      onChanged()
    },
  })
  return (
    <form
      className="grid max-w-md gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        change.mutate({ current, next })
      }}
    >
      <Labelled label="Password until now" error={faultOf(change.error, 'current')}>
        {(aria) => (
          <Input
            {...aria}
            type="password"
            autoComplete="current-password"
            value={current}
            onChange={(event) => setCurrent(event.target.value)}
          />
        )}
      </Labelled>
      <Labelled
        label="New password"
        error={faultOf(change.error, 'next')}
        help="At least 12 characters. A few words that don’t belong together are easy to keep and hard to guess."
      >
        {(aria) => (
          <Input
            {...aria}
            type="password"
            autoComplete="new-password"
            value={next}
            onChange={(event) => setNext(event.target.value)}
          />
        )}
      </Labelled>
      <Button
        type="submit"
        kind="primary"
        className="justify-self-start"
        disabled={current === '' || next === '' || change.isPending}
      >
        {change.isPending ? 'Changing …' : 'Change the password'}
      </Button>
      {change.isSuccess && (
        <p role="status">Changed. Wherever else you were signed in, you are not any more.</p>
      )}
      {otherFault(change.error, ['current', 'next']) && (
        <p role="alert" className="text-failing">
          {otherFault(change.error, ['current', 'next'])}
        </p>
      )}
    </form>
  )
}
