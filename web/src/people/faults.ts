import { ApiError } from '../api/client'

/** What is wrong with one entry of what was sent. */
export function faultOf(error: unknown, field: string): string | undefined {
  return error instanceof ApiError ? error.faults.find((each) => each.field === field)?.message : undefined
}

/** What is wrong as a whole, where it is of none of these entries. */
export function otherFault(error: unknown, fields: string[]): string | undefined {
  if (!error) return undefined
  if (!(error instanceof ApiError)) return 'It was not kept. Try again.'
  const fault = error.faults.find((each) => !fields.includes(each.field))
  return error.faults.length > 0 ? fault?.message : error.message
}
