/** The steps of everything that is judged in halves from 0 to 2. */
export const HALVES = [0, 0.5, 1, 1.5, 2].map((step) => ({ code: String(step), label: String(step) }))
