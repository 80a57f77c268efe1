import 'fake-indexeddb/auto'
import { cleanup, screen, waitFor } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { emptyDevice, keptJobs } from '../device/device'
import { openPanel } from '../testing/HeldPanel'
import { casesOf, evaluated, methodOf, methods, noNetwork } from '../testing/realCore'

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
    const { usualTopMm, usualBottomMm } = methodOf(id)
    // a measurement opened on its picture to be corrected
    openPanel(id, {
      content: { readings: worked.readings, stage: 99 },
      context: worked.context,
      ...{ depthTopMm: usualTopMm, depthBottomMm: usualBottomMm, ...worked.context },
    })
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
