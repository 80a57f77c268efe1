import { QueryClientProvider } from '@tanstack/react-query'
import { render } from '@testing-library/react'
import { useRef, useState, type ComponentType, type ReactNode } from 'react'
import { MemoryRouter } from 'react-router'
import type { Stop } from '../api/schema'
import type { CaptureProps } from '../capture/frame/panel'
import type { Content } from '../device/device'
import { clientWithCatalogue, methodOf } from './realCore'

const panels = import.meta.glob<{ default: ComponentType<CaptureProps> }>('../capture/*/index.ts', {
  eager: true,
})

type Held = {
  /** what was entered before */
  content?: Content
  context?: Record<string, unknown>
  depthTopMm?: number
  depthBottomMm?: number
  onChange?: (content: Content) => void
}

/** The capture panel of a method with its draft in memory. */
function HeldPanel({
  id,
  content,
  context = {},
  depthTopMm,
  depthBottomMm,
  onChange,
}: Held & { id: string }) {
  const [held, setHeld] = useState<Content>(content ?? { readings: {} })
  const newest = useRef(held)
  const put = (next: Content) => {
    newest.current = next
    onChange?.(next)
    setHeld(next)
  }
  const Panel = panels[`../capture/${id}/index.ts`]!.default
  return (
    <Panel
      draft={{
        content: held,
        place: { id: `m-${id}`, visitId: 'v', stopId: 's', method: id, depthTopMm, depthBottomMm },
        change: put,
        proposed: (photo) => put({ ...newest.current, photo }),
        move: () => {},
        undo: undefined,
        conflict: undefined,
        resolve: () => {},
        discard: async () => {},
        finished: () => {},
      }}
      context={{ ...context, depthTopMm, depthBottomMm }}
      method={methodOf(id)}
      stop={{ id: 's', label: 'Stop 1' } as Stop}
      place={{ field: 'Long Dyke', fieldId: 'f', stop: 'Stop 1' }}
      goOn={() => {}}
    />
  )
}

/** Opens a method's panel, with the real catalogue and the core as compiled for the page, and no network. */
export function openPanel(id: string, held: Held = {}, around = (panel: ReactNode) => panel) {
  render(
    <QueryClientProvider client={clientWithCatalogue()}>
      <MemoryRouter>{around(<HeldPanel id={id} {...held} />)}</MemoryRouter>
    </QueryClientProvider>,
  )
}
