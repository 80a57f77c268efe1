import { lazy, Suspense, useState, type ComponentProps } from 'react'
import type { Panel } from './Panel'

const Loaded = lazy(() => import('./Panel').then((m) => ({ default: m.Panel })))

/** A panel that is fetched when it is opened first: for what stands on every page and is opened on few. */
export function LazyPanel(props: ComponentProps<typeof Panel>) {
  const [wanted, setWanted] = useState(props.open)
  if (props.open && !wanted) setWanted(true)
  return wanted ? (
    <Suspense>
      <Loaded {...props} />
    </Suspense>
  ) : null
}
