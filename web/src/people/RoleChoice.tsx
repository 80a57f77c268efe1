import { useQuery } from '@tanstack/react-query'
import { queries } from '../queries/queries'
import type { Role } from '../queries/role'
import { Labelled, Select } from '../ui/controls'
import { ROLES } from './words'

/** A role with what it may do; of a grower also whose fields. */
export function RoleChoice({
  role,
  grower,
  errors,
  onChange,
}: {
  role: Role
  grower: string | undefined
  errors: { role?: string; grower?: string }
  onChange: (role: Role, grower: string | undefined) => void
}) {
  const growers = useQuery(queries.growers()).data ?? []
  return (
    <>
      <fieldset className="grid gap-1">
        <legend className="mb-1 text-sm text-soft">Role</legend>
        {ROLES.map((each) => (
          <label key={each.code} className="flex min-h-11 cursor-pointer items-center gap-3">
            <input
              type="radio"
              name="role"
              aria-label={`${each.label}: ${each.may}`}
              className="size-5 accent-ink"
              checked={role === each.code}
              onChange={() => onChange(each.code, each.code === 'GROWER' ? grower : undefined)}
            />
            <span>
              <span className="font-semibold">{each.label}</span>
              <span className="block text-[15px] text-soft">{each.may}</span>
            </span>
          </label>
        ))}
        {errors.role && (
          <p role="alert" className="text-sm text-failing">
            {errors.role}
          </p>
        )}
      </fieldset>
      {role === 'GROWER' && (
        <Labelled label="Whose fields" error={errors.grower}>
          {(aria) => (
            <Select
              {...aria}
              value={grower ?? ''}
              onChange={(event) => onChange(role, event.target.value || undefined)}
            >
              <option value="">choose a grower</option>
              {growers.map((each) => (
                <option key={each.id} value={each.id}>
                  {each.name}
                </option>
              ))}
            </Select>
          )}
        </Labelled>
      )}
    </>
  )
}
