import 'fake-indexeddb/auto'
import { QueryClientProvider } from '@tanstack/react-query'
import { cleanup, render, screen, waitFor } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { useState, type ComponentType } from 'react'
import { MemoryRouter } from 'react-router'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Stop } from '../api/schema'
import { emptyDevice, keptJobs, type Content } from '../device/device'
import {
  casesOf,
  clientWithCatalogue,
  evaluated,
  methodOf,
  methods,
  noNetwork,
  type WorkedCase,
} from '../testing/realCore'
import type { CaptureProps } from './frame/panel'

const pictures = import.meta.glob<{ default: ComponentType<CaptureProps> }>('./*/index.ts', { eager: true })

/** A measurement opened on its picture to be corrected. */
function Corrected({ id, worked }: { id: string; worked: WorkedCase }) {
  const method = methodOf(id)
  const Panel = pictures[`./${id}/index.ts`]!.default
  const [content, setContent] = useState<Content>({ readings: worked.readings, stage: 99 })
  const { depthTopMm = method.usualTopMm, depthBottomMm = method.usualBottomMm } = (worked.context ?? {}) as {
    depthTopMm?: number
    depthBottomMm?: number
  }
  const place = { id: `m-${id}`, visitId: 'v', stopId: 's', method: id, depthTopMm, depthBottomMm }
  return (
    <Panel
      draft={{
        content,
        place,
        change: setContent,
        move: () => {},
        undo: undefined,
        conflict: undefined,
        resolve: () => {},
        discard: async () => {},
        finished: () => {},
      }}
      context={{ ...worked.context, depthTopMm, depthBottomMm }}
      method={method}
      stop={{ id: 's', label: 'Stop 1' } as Stop}
      place={{ field: 'Long Dyke', fieldId: 'f', stop: 'Stop 1' }}
      goOn={() => {}}
    />
  )
}

beforeEach(async () => {
  localStorage.clear()
  await emptyDevice()
  vi.stubGlobal('fetch', noNetwork)
})

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

/** Every worked case that its picture can hold is recorded as it was entered: nothing lost, nothing added. */
describe.each(methods.map((method) => method.id))('%s', (id) => {
  it.each(casesOf(id).map((worked) => [worked.name, worked] as const))('%s', async (_, worked) => {
    const client = clientWithCatalogue()
    render(
      <QueryClientProvider client={client}>
        <MemoryRouter>
          <Corrected id={id} worked={worked} />
        </MemoryRouter>
      </QueryClientProvider>,
    )
    const record = await waitFor(() => {
      const button = screen.getByRole('button', { name: 'Record' })
      expect(button).toHaveProperty('disabled', false)
      return button
    })
    await userEvent.setup().click(record)
    await waitFor(() => expect(keptJobs()).toHaveLength(1))
    const { readings } = keptJobs()[0]!.body as { readings: unknown }
    const context = worked.context ?? {}
    expect(evaluated(id, readings, context)).toEqual(evaluated(id, worked.readings, context))
  })
})
