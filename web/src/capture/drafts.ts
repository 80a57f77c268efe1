import { useQueryClient } from '@tanstack/react-query'
import { useCallback, useEffect, useRef, useState, useSyncExternalStore } from 'react'
import { api, ApiError, must } from '../api/client'
import { queries } from '../api/queries'
import type { Draft } from '../api/schema'
import type { Readings } from '../core/core'

/** What a capture page needs to go on where it was left. */
export type Content = {
  readings: Readings
  /** when the clock was started, as an instant */
  startedAt?: string
  /** how far a staged test has come */
  stage?: number
}

export type DraftPlace = {
  id: string
  visitId: string
  stopId: string
  method: string
  depthTopMm?: number
  depthBottomMm?: number
  supersedes?: string
}

/** A draft as kept on this device; unsent until the server has it. */
type Kept = { place: DraftPlace; content: Content; version: number; sent: boolean }

const PREFIX = 'draft:'
const listeners = new Set<() => void>()

function keep(kept: Kept) {
  localStorage.setItem(PREFIX + kept.place.id, JSON.stringify(kept))
  listeners.forEach((listener) => listener())
}

function forget(id: string) {
  localStorage.removeItem(PREFIX + id)
  listeners.forEach((listener) => listener())
}

function read(id: string): Kept | undefined {
  const text = localStorage.getItem(PREFIX + id)
  return text === null ? undefined : (JSON.parse(text) as Kept)
}

function countUnsent() {
  let count = 0
  for (let i = 0; i < localStorage.length; i++) {
    const key = localStorage.key(i)!
    if (key.startsWith(PREFIX) && !(JSON.parse(localStorage.getItem(key)!) as Kept).sent) count++
  }
  return count
}

/** How many drafts this device has kept that the server does not have yet. */
export function useUnsent() {
  return useSyncExternalStore((listener) => {
    listeners.add(listener)
    return () => listeners.delete(listener)
  }, countUnsent)
}

export type DraftState = {
  content: Content
  place: DraftPlace
  change: (next: Content) => void
  move: (layer: { depthTopMm?: number; depthBottomMm?: number }) => void
  undo: (() => void) | undefined
  /** somebody else changed the same draft: theirs, to choose from */
  conflict: Draft | undefined
  resolve: (theirs: boolean) => void
  discard: () => Promise<void>
  /** call when the measurement is recorded: the draft is gone with it */
  finished: () => void
}

/** Readings on their way: on the device at once, on the server soon after, never only on the page. */
export function useDraft(start: DraftPlace, initial: Content, stored: Draft | undefined): DraftState {
  const client = useQueryClient()
  const [kept, setKept] = useState<Kept>(() => {
    const here = read(start.id)
    if (here && !here.sent) return here
    if (stored) {
      const { depthTopMm, depthBottomMm, supersedes } = stored
      return {
        place: { ...start, depthTopMm, depthBottomMm, supersedes },
        content: stored.content as Content,
        version: stored.version,
        sent: true,
      }
    }
    return { place: start, content: initial, version: 0, sent: true }
  })
  const [past, setPast] = useState<Content[]>([])
  const [conflict, setConflict] = useState<Draft>()
  const latest = useRef(kept)
  const sending = useRef(false)

  const update = useCallback((next: Kept) => {
    latest.current = next
    setKept(next)
    keep(next)
  }, [])

  const send = useCallback(async () => {
    if (sending.current || latest.current.sent) return
    sending.current = true
    const going = latest.current
    try {
      const { id, ...place } = going.place
      const answer = await must(
        api.PUT('/api/drafts/{id}', {
          params: { path: { id } },
          body: { ...place, content: going.content, version: going.version },
        }),
      )
      const unchanged = latest.current.content === going.content && latest.current.place === going.place
      update({ ...latest.current, version: answer.version, sent: unchanged })
    } catch (error) {
      if (error instanceof ApiError && error.status === 409) setConflict(error.current as Draft)
    } finally {
      sending.current = false
    }
  }, [update])

  useEffect(() => {
    const soon = setTimeout(send, 250)
    const again = setInterval(send, 5000)
    return () => {
      clearTimeout(soon)
      clearInterval(again)
    }
  }, [kept, send])

  const change = (next: Content) => {
    setPast([...past.slice(-30), kept.content])
    update({ ...latest.current, content: next, sent: false })
  }
  return {
    content: kept.content,
    place: kept.place,
    change,
    move: (layer) => update({ ...latest.current, place: { ...latest.current.place, ...layer }, sent: false }),
    undo:
      past.length > 0
        ? () => {
            setPast(past.slice(0, -1))
            update({ ...latest.current, content: past.at(-1)!, sent: false })
          }
        : undefined,
    conflict,
    resolve: (theirs) => {
      const current = conflict!
      setConflict(undefined)
      update({
        ...latest.current,
        content: theirs ? (current.content as Content) : latest.current.content,
        version: current.version,
        sent: theirs,
      })
    },
    discard: async () => {
      forget(kept.place.id)
      if (kept.version > 0)
        await must(api.DELETE('/api/drafts/{id}', { params: { path: { id: kept.place.id } } }))
      await client.invalidateQueries({ queryKey: queries.visit(kept.place.visitId).queryKey })
    },
    finished: () => {
      latest.current = { ...latest.current, sent: true }
      forget(kept.place.id)
    },
  }
}
