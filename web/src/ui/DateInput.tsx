import clsx from 'clsx'
import { useState, type ChangeEvent, type ComponentProps, type FocusEvent } from 'react'
import { showDay } from '../words/dates'
import { Input } from './controls'

/**
 * A day, chosen as the browser lets one choose it. While nobody types in it, it is written as everywhere else on the
 * page, not in the browser's order of day and month.
 */
export function DateInput({
  className,
  wide = true,
  onChange,
  onFocus,
  onBlur,
  ...rest
}: Omit<ComponentProps<'input'>, 'type'> & { /** as wide as its place */ wide?: boolean }) {
  const [typed, setTyped] = useState<string>()
  const [held, setHeld] = useState(false)
  const day = String(rest.value ?? typed ?? rest.defaultValue ?? '')
  return (
    <span className={clsx('relative', wide ? 'block' : 'inline-block', className)}>
      <Input
        {...rest}
        type="date"
        onChange={(event: ChangeEvent<HTMLInputElement>) => {
          setTyped(event.target.value)
          onChange?.(event)
        }}
        onFocus={(event: FocusEvent<HTMLInputElement>) => {
          setHeld(true)
          onFocus?.(event)
        }}
        onBlur={(event: FocusEvent<HTMLInputElement>) => {
          setHeld(false)
          setTyped(event.target.value)
          onBlur?.(event)
        }}
      />
      {!held && (
        <span
          aria-hidden
          className="pointer-events-none absolute inset-y-0.5 right-9 left-0.5 flex items-center bg-paper px-2.5"
        >
          {/^\d{4}-\d{2}-\d{2}$/.test(day) ? showDay(day) : <span className="text-soft">no day</span>}
        </span>
      )}
    </span>
  )
}
