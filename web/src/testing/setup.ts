import { configure } from '@testing-library/react'

// what is fetched when it is needed takes longer on a busy machine; a test that waits in vain fails all the same
configure({ asyncUtilTimeout: 6000 })

/**
 * The client keeps the fetch of its first moment; this one asks at each call, so that a test may put its own in place.
 */
const held: { fetch: typeof fetch } = { fetch: () => Promise.reject(new TypeError('no network')) }

globalThis.fetch = (...call: Parameters<typeof fetch>) => held.fetch(...call)

export function answerWith(fetch: typeof globalThis.fetch) {
  held.fetch = fetch
}
