import { useMutation } from '@tanstack/react-query'
import { useState } from 'react'
import { api, must } from '../api/client'
import { Button } from '../ui/controls'
import { faultOf, Refused } from './Refused'
import { PasswordEntry } from './PasswordEntry'

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
      <PasswordEntry
        label="Password until now"
        error={faultOf(change.error, 'current')}
        value={current}
        onChange={setCurrent}
      />
      <PasswordEntry
        label="New password"
        error={faultOf(change.error, 'next')}
        chosen
        value={next}
        onChange={setNext}
      />
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
      <Refused error={change.error} entries={['current', 'next']} />
    </form>
  )
}
