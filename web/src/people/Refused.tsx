import { ApiError } from '../api/client'

/** What is wrong with one entry of what was sent. */
export function faultOf(error: unknown, field: string): string | undefined {
  return error instanceof ApiError ? error.faults.find((each) => each.field === field)?.message : undefined
}

/** What is wrong as a whole, where it is of none of these entries, which say it themselves. */
export function Refused({ error, entries = [] }: { error: unknown; entries?: string[] }) {
  if (!error) return null
  const said =
    error instanceof ApiError
      ? error.faults.length > 0
        ? error.faults.find((each) => !entries.includes(each.field))?.message
        : error.message
      : 'It was not kept. Try again.'
  return said ? (
    <p role="alert" className="text-failing">
      {said}
    </p>
  ) : null
}
