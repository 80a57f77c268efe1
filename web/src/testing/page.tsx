import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, render } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import type { ReactElement } from 'react'
import { createMemoryRouter, RouterProvider } from 'react-router'
import { emptyDevice } from '../device/device'
import { calculators, session } from './demo'
import { coreData, methods } from './realCore'
import { answerWith } from './setup'

export type Asked = { method: string; path: string; query: URLSearchParams; body: unknown }

type Answers = Record<string, unknown>

/** An answer that refuses. */
export class Refusal {
  constructor(
    readonly status: number,
    readonly problem: Record<string, unknown> = {},
  ) {}
}

const ALWAYS: Answers = {
  'GET /api/session': session,
  'GET /api/core-data': coreData,
  'GET /api/methods': methods,
  'GET /api/calculators': calculators,
  'GET /api/timers': { serverNow: new Date().toISOString(), timers: [] },
}

/**
 * A server of these answers, by method and path; a function is asked with the request. What there is no answer for is
 * not found.
 *
 * @returns what was asked, in order
 */
export function serve(answers: Answers): Asked[] {
  const asked: Asked[] = []
  answerWith(async (input, init) => {
    const request = input instanceof Request ? input : new Request(new URL(input, location.origin), init)
    const url = new URL(request.url)
    const text = request.method === 'GET' ? '' : await request.text()
    const call: Asked = {
      method: request.method,
      path: url.pathname,
      query: url.searchParams,
      body: text.startsWith('{') ? JSON.parse(text) : text || undefined,
    }
    asked.push(call)
    const known: Answers = { ...ALWAYS, ...answers }
    // the last part may be open: an id that the page makes up
    const exact = `${call.method} ${call.path}`
    const found = exact in known ? known[exact] : known[exact.replace(/[^/]+$/, '*')]
    const answer: unknown = typeof found === 'function' ? (found as (call: Asked) => unknown)(call) : found
    if (answer instanceof Refusal)
      return Response.json(answer.problem, {
        status: answer.status,
        headers: { 'Content-Type': 'application/problem+json' },
      })
    if (answer === null) return new Response(null, { status: 204 })
    return answer === undefined
      ? Response.json({ detail: 'not found' }, { status: 404 })
      : Response.json(answer)
  })
  return asked
}

/** A page at its address, as a person would open it. */
export function open(route: string, element: ReactElement, address: string) {
  const client = new QueryClient({
    defaultOptions: { queries: { retry: false }, mutations: { retry: false } },
  })
  const router = createMemoryRouter(
    [
      { path: route, element },
      { path: '*', element: <p>elsewhere</p> },
    ],
    { initialEntries: [address] },
  )
  render(
    <QueryClientProvider client={client}>
      <RouterProvider router={router} />
    </QueryClientProvider>,
  )
  return { user: userEvent.setup(), router, client }
}

/** What is left of a test is put away. */
export async function putAway() {
  cleanup()
  localStorage.clear()
  await emptyDevice()
}

/** The writes among what was asked. */
export const writes = (asked: Asked[]) => asked.filter((each) => each.method !== 'GET')
