import { useLayoutEffect, useState, type RefObject } from 'react'

/** Calls back whenever an element changes its size, and once at the start. */
export function useResized(place: RefObject<Element | null>, measure: (element: Element) => void) {
  useLayoutEffect(() => {
    const element = place.current
    if (!element) return
    measure(element)
    if (typeof ResizeObserver !== 'function') return
    const observer = new ResizeObserver(() => measure(element))
    observer.observe(element)
    return () => observer.disconnect()
    // what is measured doesn't change with what is drawn
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [place])
}

/** How wide something is drawn, px; 0 before it is. */
export function useWidth(place: RefObject<Element | null>) {
  const [width, setWidth] = useState(0)
  useResized(place, (element) => setWidth(element.getBoundingClientRect().width))
  return width
}
