import type { ReactNode } from 'react'

/** The display of a meter. */
export function Display({ children }: { children: ReactNode }) {
  return (
    <span className="rounded-sm border-2 border-ink bg-[#dfe7d2] px-3 py-1 text-xl font-bold text-[#14211e] tabular-nums">
      {children}
    </span>
  )
}
