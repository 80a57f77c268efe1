import { Navigate } from 'react-router'
import { useMay } from '../queries/role'

/** Where one begins: with the day's work, or with the fields that one may see. */
export function First() {
  const may = useMay()
  return <Navigate to={may.work ? '/today' : '/fields'} replace />
}
