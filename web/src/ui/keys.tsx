import { useLayoutEffect, useRef } from 'react'
import { tinykeys } from 'tinykeys'

/** Does nothing while someone types. */
function unlessTyping(action: () => void) {
  return (event: KeyboardEvent) => {
    const target = event.target as HTMLElement
    if (target.closest('input, textarea, select, [contenteditable=true]') || event.ctrlKey || event.metaKey)
      return
    event.preventDefault()
    action()
  }
}

/** Binds keys (such as `g f`, a sequence) while a component is shown. */
export function useKeys(bindings: Record<string, () => void>) {
  const latest = useRef(bindings)
  // before anything is painted: whoever sees the page may already press the key
  useLayoutEffect(() => {
    latest.current = bindings
  })
  // bound once for a set of keys: binding anew would forget the first key of a sequence
  const keys = Object.keys(bindings).join('|')
  useLayoutEffect(
    () =>
      tinykeys(
        window,
        Object.fromEntries(keys.split('|').map((key) => [key, unlessTyping(() => latest.current[key]?.())])),
      ),
    [keys],
  )
}

/** What the `?` page lists. */
export const KEYS: [string, string][] = [
  ['?', 'these keys'],
  ['g t', 'go to Today'],
  ['g y', 'go to the Year'],
  ['g f', 'go to Fields'],
  ['g b', 'go to Bench'],
  ['g c', 'go to Clocks'],
  ['g p', 'go to Products'],
  ['g l', 'go to the Laboratory'],
  ['g e', 'go to Exchange'],
  ['g r', 'go to the training ground'],
  ['g s', 'go to Settings'],
  ['/', 'find a field'],
  ['v', 'new visit, on a field'],
  ['n', 'next test, on a visit'],
  ['t', 'start the clock of a test'],
  ['u', 'undo, in a test'],
  ['r', 'record a test'],
  ['x', 'examples, in a test judged by eye'],
  ['1 … 8', 'tap a crumb'],
  ['Enter', 'record the level or the choice'],
  ['Esc', 'close what is open'],
]
