import { useQuery } from '@tanstack/react-query'
import type { Me } from '../api/schema'
import { queries } from './queries'

export type Role = Me['role']

/** What somebody may do, as the server declares it at each call; here only so that nothing is offered in vain. */
export type May = {
  role: Role
  /** all the work of an advisor: plan, decide, change fields */
  work: boolean
  /** record at visits */
  record: boolean
  /** read what limits a field, its plan and how it changed */
  readPlans: boolean
  /** decide on people and settings */
  own: boolean
}

export function mayOf(role: Role): May {
  const work = role === 'ADVISOR' || role === 'OWNER'
  return {
    role,
    work,
    record: work || role === 'HELPER',
    readPlans: work || role === 'GROWER',
    own: role === 'OWNER',
  }
}

/** Of whoever is signed in; of nobody, what a grower may. */
export function useMay(): May {
  const me = useQuery(queries.session()).data?.me
  return mayOf(me?.role ?? 'GROWER')
}
