import { NavLink } from 'react-router'
import { useMay, type May } from '../queries/role'

const PAGES = [
  ['', 'Face', () => true],
  ['/limits', 'Limits', (may: May) => may.readPlans],
  ['/plan', 'Plan', (may: May) => may.readPlans],
  ['/sheet', 'Sheet', (may: May) => may.work],
  ['/change', 'Change', (may: May) => may.readPlans],
  ['/compare', 'Compare', (may: May) => may.work],
  ['/places', 'Places', (may: May) => may.work],
] as const

/** From one view of a field to another. */
export function FieldNav({ id }: { id: string }) {
  const may = useMay()
  return (
    <nav aria-label="Views of this field" className="no-print flex flex-wrap gap-x-5">
      {PAGES.filter(([, , shown]) => shown(may)).map(([path, label]) => (
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
      {may.readPlans && (
        <a
          href={`/api/fields/${id}/report.pdf`}
          target="_blank"
          rel="noreferrer"
          className="flex min-h-11 items-center border-b-2 border-transparent text-soft hover:text-ink"
        >
          Report
        </a>
      )}
    </nav>
  )
}
