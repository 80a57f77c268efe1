import type { QueryClient } from '@tanstack/react-query'
import { forgetRead, ownDevice } from '../device/device'
import { queries } from '../queries/queries'

/** What is the same for everyone, signed in or not. */
const OPEN = new Set(['session', 'methods', 'core-data', 'plans'])

/** Forgets what was read once the server knows nobody any more; what is not sent yet stays, unseen, for its owner. */
export async function endSession(client: QueryClient) {
  client.setQueryData(queries.session().queryKey, {})
  client.removeQueries({ predicate: (query) => !OPEN.has(String(query.queryKey[0])) })
  await ownDevice(undefined)
  await forgetRead()
}
