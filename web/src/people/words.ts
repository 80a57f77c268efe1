import type { Role } from '../queries/role'

/** Roles as they are named and what each may do, from the most to the least. */
export const ROLES: { code: Role; label: string; may: string }[] = [
  { code: 'OWNER', label: 'Owner', may: 'all the work, and decides on people and settings' },
  { code: 'ADVISOR', label: 'Advisor', may: 'all the work' },
  { code: 'HELPER', label: 'Helper', may: 'records at the visits given to them' },
  { code: 'GROWER', label: 'Grower', may: 'reads the own fields: face, limits, plan, report' },
]

export const roleLabel = (role: Role) => ROLES.find((each) => each.code === role)!.label

/** A browser and where it runs, as far as its own name tells. */
export function deviceWords(agent: string | undefined): string {
  if (!agent) return 'An unknown device'
  const browser = /Firefox/.test(agent)
    ? 'Firefox'
    : /Edg\//.test(agent)
      ? 'Edge'
      : /Chrome|Chromium/.test(agent)
        ? 'Chrome'
        : /Safari/.test(agent)
          ? 'Safari'
          : 'A program'
  const system = /Android/.test(agent)
    ? 'Android'
    : /iPhone|iPad/.test(agent)
      ? 'iOS'
      : /Windows/.test(agent)
        ? 'Windows'
        : /Mac OS/.test(agent)
          ? 'macOS'
          : /Linux/.test(agent)
            ? 'Linux'
            : undefined
  return system ? `${browser} on ${system}` : browser
}
