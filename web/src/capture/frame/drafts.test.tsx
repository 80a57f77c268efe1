import 'fake-indexeddb/auto'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { act, renderHook } from '@testing-library/react'
import type { ReactNode } from 'react'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import type { Draft } from '../../api/schema'
import { emptyDevice, keepDraft, keptDraft } from '../../device/device'
import { useDraft, type DraftPlace } from './drafts'

const PLACE: DraftPlace = {
  id: 'm',
  visitId: 'v',
  stopId: 's',
  method: 'ph',
  depthTopMm: 0,
  depthBottomMm: 150,
}

function open(stored?: Draft) {
  const client = new QueryClient()
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  )
  return renderHook(() => useDraft(PLACE, { readings: {} }, stored), { wrapper }).result
}

const stored = (version: number, readings: Record<string, unknown>) =>
  ({ ...PLACE, content: { readings }, version, updatedAt: '' }) as Draft

beforeEach(async () => {
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')))
  await emptyDevice()
})

afterEach(() => vi.unstubAllGlobals())

it('keeps every change on the device, also two in one step', () => {
  const draft = open()
  act(() => {
    draft.current.change({ readings: { ph: 5.4 } })
    draft.current.move({ depthBottomMm: 300 })
  })
  expect(draft.current.content.readings).toEqual({ ph: 5.4 })
  expect(draft.current.place.depthBottomMm).toBe(300)
  expect(keptDraft('m')).toMatchObject({ sent: false, content: { readings: { ph: 5.4 } } })
})

it('takes a change back', () => {
  const draft = open()
  act(() => draft.current.change({ readings: { ph: 5.4 } }))
  act(() => draft.current.change({ readings: { ph: 54 } }))
  act(() => draft.current.undo!())
  expect(draft.current.content.readings).toEqual({ ph: 5.4 })
  act(() => draft.current.undo!())
  expect(draft.current.content.readings).toEqual({})
  expect(draft.current.undo).toBeUndefined()
})

it('goes on with what this device has and has not sent, or else with the newest', () => {
  keepDraft({ id: 'm', place: PLACE, content: { readings: { ph: 1 } }, version: 1, sent: false })
  expect(open(stored(2, { ph: 2 })).current.content.readings).toEqual({ ph: 1 })
  keepDraft({ id: 'm', place: PLACE, content: { readings: { ph: 1 } }, version: 1, sent: true })
  expect(open(stored(2, { ph: 2 })).current.content.readings).toEqual({ ph: 2 })
  expect(open(stored(1, { ph: 2 })).current.content.readings).toEqual({ ph: 1 })
})

it('lets a conflict be settled either way', () => {
  const theirs = stored(4, { ph: 9 })
  const conflicting = {
    id: 'm',
    place: PLACE,
    content: { readings: { ph: 1 } },
    version: 1,
    sent: false,
    conflict: theirs,
  }
  keepDraft(conflicting)
  const mine = open()
  act(() => mine.current.resolve(false))
  expect(keptDraft('m')).toMatchObject({ version: 4, sent: false, content: { readings: { ph: 1 } } })
  keepDraft(conflicting)
  const other = open()
  act(() => other.current.resolve(true))
  expect(other.current.content.readings).toEqual({ ph: 9 })
  expect(keptDraft('m')).toMatchObject({ version: 4, sent: true })
  expect(keptDraft('m')!.conflict).toBeUndefined()
})

it('is gone from the device when its test is recorded', () => {
  const draft = open()
  act(() => draft.current.change({ readings: { ph: 5.4 } }))
  act(() => draft.current.finished())
  expect(keptDraft('m')).toBeUndefined()
})
