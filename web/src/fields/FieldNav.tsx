import { NavLink } from 'react-router'

const PAGES = [
  ['', 'Face'],
  ['/limits', 'Limits'],
  ['/plan', 'Plan'],
  ['/sheet', 'Sheet'],
  ['/change', 'Change'],
  ['/compare', 'Compare'],
  ['/places', 'Places'],
] as const

/** From one view of a field to another. */
export function FieldNav({ id }: { id: string }) {
  return (
    <nav aria-label="Views of this field" className="no-print flex flex-wrap gap-x-5">
      {PAGES.map(([path, label]) => (
        <NavLink
          key={path}
          end
          to={`/fields/${id}${path}`}
          className={({ isActive }) =>
            `flex min-h-11 items-center border-b-2 ${isActive ? 'border-ink font-bold' : 'border-transparent text-soft hover:text-ink'}`
          }
        >
          {label}
        </NavLink>
      ))}
      <a
        href={`/api/fields/${id}/report.pdf`}
        target="_blank"
        rel="noreferrer"
        className="flex min-h-11 items-center border-b-2 border-transparent text-soft hover:text-ink"
      >
        Report
      </a>
    </nav>
  )
}
