import type { ReactNode } from 'react'
import { Link } from 'react-router'

/** A link where it leads somewhere that one may see, and else what it holds. */
export function MayLink({
  to,
  className,
  children,
}: {
  to: string | false
  className: string
  children: ReactNode
}) {
  return to ? (
    <Link to={to} className={className}>
      {children}
    </Link>
  ) : (
    <div className={className.replaceAll(/hover:\S+/g, '')}>{children}</div>
  )
}
