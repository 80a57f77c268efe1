import clsx from 'clsx'
import { ToggleGroup } from 'radix-ui'
import { useId, useState, type ComponentProps, type ReactNode } from 'react'
import { readNumber } from '../units/readNumber'
import { useUnits } from '../units/units'

type Kind = 'primary' | 'plain' | 'quiet'

export function Button({ kind = 'plain', className, ...rest }: ComponentProps<'button'> & { kind?: Kind }) {
  return <button type="button" {...rest} className={clsx(buttonLook(kind), className)} />
}

export function buttonLook(kind: Kind) {
  return clsx(
    'inline-flex min-h-11 items-center justify-center gap-2 rounded-sm font-semibold whitespace-nowrap disabled:cursor-not-allowed disabled:opacity-45',
    kind !== 'quiet' && 'px-4',
    kind === 'primary' && 'bg-ink text-paper hover:bg-accent',
    kind === 'plain' && 'border border-strong-rule bg-paper text-ink hover:border-ink',
    kind === 'quiet' && 'text-accent underline-offset-4 hover:underline',
  )
}

const inputLook =
  'min-h-11 w-full rounded-sm border bg-paper px-3 text-ink placeholder:text-soft aria-invalid:border-failing aria-invalid:border-2'

/** A label above an entry, and what is wrong with it below. */
export function Labelled({
  label,
  error,
  help,
  children,
}: {
  label: string
  error?: string
  help?: string
  children: (aria: { id: string; 'aria-invalid': boolean; 'aria-describedby'?: string }) => ReactNode
}) {
  const id = useId()
  const about = error || help ? `${id}-about` : undefined
  return (
    <div className="grid min-w-0 content-start gap-1">
      <label htmlFor={id} className="text-sm text-soft">
        {label}
      </label>
      {children({ id, 'aria-invalid': error !== undefined, 'aria-describedby': about })}
      {about && (
        <p
          id={about}
          role={error ? 'alert' : undefined}
          className={clsx('text-sm', error ? 'text-failing' : 'text-soft')}
        >
          {error ?? help}
        </p>
      )}
    </div>
  )
}

export function Input({ className, ...rest }: ComponentProps<'input'>) {
  return <input {...rest} className={clsx(inputLook, 'border-strong-rule', className)} />
}

export function Select({ className, ...rest }: ComponentProps<'select'>) {
  return <select {...rest} className={clsx(inputLook, 'border-strong-rule pr-8', className)} />
}

/** A figure entered in the user's unit and handed on in the metric one. Undefined while it is empty. */
export function QuantityInput({
  label,
  unit,
  value,
  onChange,
  error,
  help,
  big,
  placeholder,
  autoFocus,
  onEnter,
}: {
  label: string
  unit: string
  value: number | undefined
  onChange: (metric: number | undefined) => void
  error?: string
  help?: string
  big?: boolean
  placeholder?: string
  autoFocus?: boolean
  onEnter?: () => void
}) {
  const units = useUnits()
  const shown = (metric: number | undefined) =>
    metric === undefined ? '' : String(Number(units.toShown(metric, unit).toPrecision(6)))
  const [text, setText] = useState(shown(value))
  const [told, setTold] = useState(value)
  if (value !== told) {
    // changed from outside: by an undo, a clearing, another unit
    setTold(value)
    setText(shown(value))
  }
  const tell = (number: number | undefined) => {
    const metric = number === undefined ? undefined : Number(units.toMetric(number, unit).toPrecision(9))
    setTold(metric)
    onChange(metric)
  }
  // nothing yet, or a sign or point on the way to a number
  const begun = /^\s*[+−-]?[.,]?\s*$/.test(text)
  const read = begun ? { value: 0 } : readNumber(text)
  const unread =
    read === undefined
      ? `“${text}” is no number that can be read.`
      : 'unsure' in read
        ? `“${text}” can be read in more than one way.`
        : undefined
  const offered = read && 'unsure' in read ? read.unsure : []
  return (
    <Labelled label={label} error={unread ?? (error && units.prose(error))} help={help}>
      {(aria) => (
        <>
          <div className="relative">
            <Input
              {...aria}
              inputMode="decimal"
              autoComplete="off"
              autoFocus={autoFocus}
              placeholder={placeholder}
              value={text}
              className={clsx('pr-16', big && 'min-h-14 text-2xl font-bold')}
              onChange={(event) => {
                const typed = event.target.value
                setText(typed)
                const read = readNumber(typed)
                tell(read && 'value' in read ? read.value : undefined)
              }}
              onKeyDown={(event) => event.key === 'Enter' && onEnter?.()}
            />
            <span className="pointer-events-none absolute inset-y-0 right-3 flex items-center text-soft">
              {units.symbol(unit)}
            </span>
          </div>
          {offered.length > 0 && (
            <span className="mt-1 flex flex-wrap items-center gap-2 text-sm">
              Meant is
              {offered.map((number) => (
                <Button
                  key={number}
                  onClick={() => {
                    setText(String(number))
                    tell(number)
                  }}
                >
                  {String(number)} {units.symbol(unit)}
                </Button>
              ))}
            </span>
          )}
        </>
      )}
    </Labelled>
  )
}

/** One of a few words, all in sight. */
export function Choice<T extends string>({
  label,
  options,
  value,
  onChange,
  error,
}: {
  label: string
  options: { code: T; label: string }[]
  value: T | undefined
  onChange: (code: T) => void
  error?: string
}) {
  return (
    <div className="grid content-start gap-1" role="group" aria-label={label}>
      <span className="text-sm text-soft">{label}</span>
      <ToggleGroup.Root
        type="single"
        value={value ?? ''}
        onValueChange={(code) => code && onChange(code as T)}
        className="flex flex-wrap gap-1.5"
      >
        {options.map((option) => (
          <ToggleGroup.Item
            key={option.code}
            value={option.code}
            className="min-h-11 cursor-pointer rounded-sm border border-strong-rule bg-paper px-3 font-medium data-[state=on]:border-ink data-[state=on]:bg-ink data-[state=on]:text-paper"
          >
            {option.label}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
      {error && (
        <p role="alert" className="text-sm text-failing">
          {error}
        </p>
      )}
    </div>
  )
}

export function Check({
  label,
  aria,
  checked,
  onChange,
}: {
  label: string
  /** its name where no words stand beside it */
  aria?: string
  checked: boolean
  onChange: (checked: boolean) => void
}) {
  return (
    <label className="flex min-h-11 cursor-pointer items-center gap-3">
      <input
        type="checkbox"
        className="size-5 accent-(--ink)"
        aria-label={aria}
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
      />
      {label}
    </label>
  )
}
