/** Living with a limit is told by itself, below what can be done about it, and not on paper. */
export const LIVE_WITH_IT = 'live-with-it'
