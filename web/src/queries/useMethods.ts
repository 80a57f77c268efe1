import { useQuery } from '@tanstack/react-query'
import { words } from '../words/dates'
import { queries } from './queries'

/** The catalogue, with a title for any id even before it is there. */
export function useMethods() {
  const all = useQuery(queries.methods()).data ?? []
  return { all, title: (id: string) => all.find((each) => each.id === id)?.title ?? words(id) }
}
