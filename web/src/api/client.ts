import createClient from 'openapi-fetch'
import type { paths } from './schema'

/** One fault of what was sent, as every refusal names it. */
export type Fault = { field: string; code: string; message: string }

/** A refusal of the server, or no answer at all (`status` 0). */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly faults: Fault[] = [],
    readonly current?: unknown,
    /** what the server does not know, of a 404 */
    readonly missing?: string,
  ) {
    super(message)
  }
  get unreached() {
    return this.status === 0
  }
}

type Problem = { detail?: string; errors?: Fault[]; current?: unknown; missing?: string }

/** Told to the window when the server says that nobody is signed in any more. */
export const SIGNED_OUT = 'morphotera:signed-out'

function refusal(status: number, answer: unknown) {
  if (status === 401) dispatchEvent(new Event(SIGNED_OUT))
  const problem = (answer ?? {}) as Problem
  return new ApiError(
    status,
    problem.detail ?? 'Something went wrong.',
    problem.errors,
    problem.current,
    problem.missing,
  )
}

function csrfToken() {
  return document.cookie.match(/(?:^|; )XSRF-TOKEN=([^;]+)/)?.[1] ?? ''
}

export const api = createClient<paths>({ baseUrl: location.origin })

api.use({
  onRequest({ request }) {
    if (request.method !== 'GET') request.headers.set('X-XSRF-TOKEN', csrfToken())
    return request
  },
})

/** A write by its path, for what was kept and is sent later; throws an {@link ApiError}. */
export async function write(method: 'PUT', path: string, body: unknown): Promise<unknown> {
  const picture = body instanceof Blob
  const response = await fetch(path, {
    method,
    headers: { 'Content-Type': picture ? body.type : 'application/json', 'X-XSRF-TOKEN': csrfToken() },
    body: picture ? body : JSON.stringify(body),
    signal: AbortSignal.timeout(30_000),
  }).catch(() => {
    throw new ApiError(0, 'The server was not reached.')
  })
  const answer: unknown = await response.json().catch(() => undefined)
  if (response.ok) return answer
  throw refusal(response.status, answer)
}

/** Sends a file for long work; gives the name under which it is used. Throws an {@link ApiError}. */
export async function upload(file: Blob): Promise<string> {
  const response = await fetch('/api/uploads', {
    method: 'POST',
    headers: { 'Content-Type': 'application/octet-stream', 'X-XSRF-TOKEN': csrfToken() },
    body: file,
  }).catch(() => {
    throw new ApiError(0, 'The server was not reached. Send the file again.')
  })
  const answer: unknown = await response.json().catch(() => undefined)
  if (response.ok) return (answer as { id: string }).id
  throw refusal(response.status, answer)
}

/** A text that the server makes, such as a drawing; throws an {@link ApiError}. */
export async function text(path: string): Promise<string> {
  const response = await fetch(path).catch(() => {
    throw new ApiError(0, 'The server was not reached.')
  })
  if (response.ok) return response.text()
  throw refusal(response.status, await response.json().catch(() => undefined))
}

type Answer<T> = { data?: T; error?: unknown; response: Response }

/** The data of an answer; a refusal becomes an {@link ApiError}. */
export async function must<T>(call: Promise<Answer<T>>): Promise<T> {
  let answer: Answer<T>
  try {
    answer = await call
  } catch {
    throw new ApiError(0, 'The server was not reached.')
  }
  if (answer.response.ok) return answer.data as T
  throw refusal(answer.response.status, answer.error)
}

/** The password is right; a code of the authenticator is asked for. */
export class CodeNeeded extends ApiError {
  constructor(message: string) {
    super(401, message)
  }
}

/** Signs in; throws an {@link ApiError} with the reason. */
export async function signIn(email: string, password: string, code?: string) {
  // a first read brings the token that the sign-in must carry
  await must(api.GET('/api/session'))
  const response = await fetch('/api/session', {
    method: 'POST',
    headers: { 'X-XSRF-TOKEN': csrfToken() },
    body: new URLSearchParams(code ? { email, password, code } : { email, password }),
  }).catch(() => {
    throw new ApiError(0, 'The server was not reached. Try again.')
  })
  if (!response.ok) {
    const problem = (await response.json().catch(() => ({}))) as { detail?: string; code?: string }
    if (problem.code === 'CODE_NEEDED') throw new CodeNeeded(problem.detail ?? 'A code is needed.')
    throw new ApiError(response.status, problem.detail ?? 'Signing in did not work.')
  }
}

export async function signOut() {
  await fetch('/api/session/end', { method: 'POST', headers: { 'X-XSRF-TOKEN': csrfToken() } })
}
