import clsx from 'clsx'
import type { ReactNode } from 'react'
import { ApiError } from '../api/client'
import { Button } from './controls'
import { useStoreFails } from '../device/device'

export type Severity = 'info' | 'caution' | 'danger'

/** What is not known to be less is minded. */
export const asSeverity = (code: string): Severity =>
  code === 'info' || code === 'danger' ? code : 'caution'

/** Something to know, to mind or to fear; the word says which, not the colour alone. */
export function Notice({ severity, children }: { severity: Severity; children: ReactNode }) {
  return (
    <p
      className={clsx(
        'border-l-3 py-0.5 pl-3 text-sm leading-snug',
        severity === 'info' ? 'border-rule text-soft' : 'border-strained text-ink',
        severity === 'danger' && 'border-failing font-semibold',
      )}
    >
      {severity !== 'info' && (
        <span className={severity === 'danger' ? 'text-failing' : 'font-semibold text-strained'}>
          {severity === 'danger' ? 'Danger: ' : 'Mind: '}
        </span>
      )}
      {children}
    </p>
  )
}

export function Loading({ what }: { what: string }) {
  return (
    <p role="status" className="animate-pulse p-7 text-soft">
      Fetching {what} …
    </p>
  )
}

export function Failed({ error, retry }: { error: unknown; retry: () => void }) {
  const known = error instanceof ApiError ? error : undefined
  const storeFails = useStoreFails()
  return (
    <div role="alert" className="grid max-w-lg justify-items-start gap-3 p-7">
      <h2 className="text-lg">
        {known?.status === 404 ? 'There is nothing here' : 'This could not be fetched'}
      </h2>
      <p className="text-soft">
        {known?.message ?? 'Something went wrong.'}
        {known?.unreached &&
          (storeFails
            ? ' This device can’t keep what you enter: leave the page open until it is sent.'
            : ' What you entered is kept on this device.')}
      </p>
      {known?.status !== 404 && <Button onClick={retry}>Try again</Button>}
    </div>
  )
}
