import type { ReactNode } from 'react'

/** A drawing in the frame that all of them share, with its words for those who can't see it. */
export function Framed({ label, children }: { label: string; children: ReactNode }) {
  return (
    <svg viewBox="0 0 400 220" className="w-full max-w-[30rem]" role="img" aria-label={label}>
      {children}
    </svg>
  )
}
