import { Input, Labelled } from '../ui/controls'

/** A password that is known, or one that is chosen anew with what it must be. */
export function PasswordEntry({
  label,
  value,
  onChange,
  error,
  chosen,
}: {
  label: string
  value: string
  onChange: (password: string) => void
  error?: string
  chosen?: boolean
}) {
  return (
    <Labelled
      label={label}
      error={error}
      help={
        chosen
          ? 'At least 12 characters. A few words that don’t belong together are easy to keep and hard to guess.'
          : undefined
      }
    >
      {(aria) => (
        <Input
          {...aria}
          type="password"
          autoComplete={chosen ? 'new-password' : 'current-password'}
          value={value}
          onChange={(event) => onChange(event.target.value)}
        />
      )}
    </Labelled>
  )
}
