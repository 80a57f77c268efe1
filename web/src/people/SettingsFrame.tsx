import type { ReactNode } from 'react'
import { NavLink } from 'react-router'
import { useMay, type May } from '../queries/role'

const PAGES = [
  ['', 'You', () => true],
  ['/people', 'People', (may: May) => may.own],
  ['/training', 'This practice', (may: May) => may.own],
  ['/curves', 'Curves', (may: May) => may.work],
  ['/log', 'Log', (may: May) => may.own],
] as const

/** The frame of the pages of settings. */
export function SettingsFrame({
  title,
  says,
  children,
}: {
  title: string
  says: string
  children: ReactNode
}) {
  const may = useMay()
  const pages = PAGES.filter(([, , shown]) => shown(may))
  return (
    <div className="grid max-w-6xl content-start gap-8 px-5 py-6 sm:px-7">
      <header className="grid gap-1">
        <h1 className="text-3xl">{title}</h1>
        <p className="max-w-prose text-soft">{says}</p>
        {pages.length > 1 && (
          <nav aria-label="Settings" className="flex flex-wrap gap-x-5">
            {pages.map(([path, label]) => (
              <NavLink
                key={path}
                end
                to={`/settings${path}`}
                className={({ isActive }) =>
                  `flex min-h-11 items-center border-b-2 ${isActive ? 'border-ink font-bold' : 'border-transparent text-soft hover:text-ink'}`
                }
              >
                {label}
              </NavLink>
            ))}
          </nav>
        )}
      </header>
      {children}
    </div>
  )
}
