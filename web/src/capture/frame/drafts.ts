import { useQueryClient } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { api, must } from '../../api/client'
import { queries } from '../../queries/queries'
import type { Readings } from '../../api/readings'
import type { Draft, FromPhotoWrite } from '../../api/schema'
import {
  forgetDraft,
  keepDraft,
  keptDraft,
  useKeptDraft,
  type Content,
  type DraftPlace,
  type KeptDraft,
} from '../../device/device'
import { flush } from '../../device/outbox'

export type { Content, DraftPlace } from '../../device/device'

/** A draft is sent once the hand rests for so long, or the page hides or is left. */
const SEND_AFTER_MS = 2000
const UNDONE = 30

/** Readings of a test while they are entered. */
export type DraftState<R = Readings> = {
  content: Content<R>
  place: DraftPlace
  // a method, so that what handles any test's draft takes that of one
  change(next: Content<R>): void
  /** says what a picture proposed; left out where nothing is kept */
  proposed?: (photo: FromPhotoWrite) => void
  move: (layer: { depthTopMm?: number; depthBottomMm?: number }) => void
  undo: (() => void) | undefined
  /** somebody else changed the same draft: theirs, to choose from */
  conflict: Draft | undefined
  resolve: (theirs: boolean) => void
  discard: () => Promise<void>
  /** call when the measurement is kept: the draft is gone with it */
  finished: () => void
}

/** Readings on their way: on the device at once, on the server soon after, never only on the page. */
export function useDraft(start: DraftPlace, initial: Content, stored: Draft | undefined): DraftState {
  const client = useQueryClient()
  const [first] = useState<KeptDraft>(() => {
    const kept = keptDraft(start.id)
    if (kept && (!kept.sent || !stored || kept.version >= stored.version)) return kept
    if (stored) {
      const { depthTopMm, depthBottomMm, supersedes } = stored
      return {
        id: start.id,
        place: { ...start, depthTopMm, depthBottomMm, supersedes },
        content: stored.content as Content,
        version: stored.version,
        sent: true,
      }
    }
    return { id: start.id, place: start, content: initial, version: 0, sent: true }
  })
  const live = useKeptDraft(start.id)
  // what this device kept long ago gives way to what was sent from another one since
  const kept = live && live.version >= first.version ? live : first
  const [past, setPast] = useState<Content[]>([])

  useEffect(() => {
    if (kept.sent) return
    const soon = setTimeout(() => void flush(), SEND_AFTER_MS)
    return () => clearTimeout(soon)
  }, [kept])
  useEffect(() => {
    const hidden = () => document.visibilityState === 'hidden' && void flush()
    document.addEventListener('visibilitychange', hidden)
    return () => {
      document.removeEventListener('visibilitychange', hidden)
      void flush()
    }
  }, [])

  /** Over what is kept at this very moment: two changes in one step both count. */
  const update = (part: Partial<KeptDraft>) => {
    const now = keptDraft(start.id)
    keepDraft({ ...(now && now.version >= first.version ? now : first), ...part })
  }
  return {
    content: kept.content,
    place: kept.place,
    change: (next) => {
      setPast([...past.slice(-UNDONE), kept.content])
      update({ content: next, sent: false })
    },
    proposed: (photo) =>
      update({ content: { ...(keptDraft(start.id) ?? kept).content, photo }, sent: false }),
    move: (layer) => update({ place: { ...(keptDraft(start.id) ?? kept).place, ...layer }, sent: false }),
    undo:
      past.length > 0
        ? () => {
            setPast(past.slice(0, -1))
            update({ content: past.at(-1)!, sent: false })
          }
        : undefined,
    conflict: kept.conflict,
    resolve: (theirs) => {
      const current = kept.conflict!
      update({
        content: theirs ? (current.content as Content) : kept.content,
        version: current.version,
        sent: theirs,
        conflict: undefined,
      })
    },
    discard: async () => {
      forgetDraft(kept.id)
      if (kept.version > 0)
        await must(api.DELETE('/api/drafts/{id}', { params: { path: { id: kept.place.id } } }))
      await client.invalidateQueries({ queryKey: queries.visit(kept.place.visitId).queryKey })
    },
    finished: () => forgetDraft(kept.id),
  }
}
