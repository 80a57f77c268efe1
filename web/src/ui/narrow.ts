import { useSyncExternalStore } from 'react'

/** As wide as a phone held upright, at most; where Tailwind's `sm` begins. */
const query = () => (typeof matchMedia === 'function' ? matchMedia('(max-width: 639px)') : undefined)

function subscribe(listener: () => void) {
  const media = query()
  media?.addEventListener('change', listener)
  return () => media?.removeEventListener('change', listener)
}

/** Whether the page has the width of a phone only. */
export function useNarrow() {
  return useSyncExternalStore(subscribe, () => query()?.matches ?? false)
}
