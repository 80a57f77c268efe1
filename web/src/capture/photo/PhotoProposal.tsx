import { useDeferredValue, useEffect, useMemo, useRef, useState, type ReactNode } from 'react'
import type { Envelope } from '../../api/schema'
import type { Readings } from '../../api/readings'
import { useCore } from '../../core/core'
import { Notes } from '../../readings/Results'
import { Button } from '../../ui/controls'
import { Camera } from './Camera'
import type { Pixels } from './pixels'

/** The units of the drawing over a picture: its width; its height follows from the picture. */
export const WIDE = 1000

export type Proposed = Envelope & { proposal: Readings }
export type Size = { width: number; height: number }

/**
 * Readings proposed from one picture, or two: taken, marked, looked at, and then taken over or left. Nothing is recorded
 * by it.
 */
export function PhotoProposal({
  kind,
  pictures: wanted,
  guide,
  inputs,
  overlay,
  children,
  onTake,
  onLeave,
}: {
  kind: string
  /** what is to be on each picture, in words */
  pictures: string[]
  guide: ReactNode
  /** what is said of the pictures; undefined while that is not enough */
  inputs: Readings | undefined
  /** what is drawn over the first picture */
  overlay: (answer: Proposed | undefined, size: Size) => ReactNode
  /** below the picture */
  children?: (answer: Proposed | undefined) => ReactNode
  onTake: (answer: Proposed, pictures: Pixels[]) => void
  onLeave: () => void
}) {
  const core = useCore()
  const [taken, setTaken] = useState<Pixels[]>([])
  const urls = useRef<string[]>([])
  useEffect(() => {
    const made = urls.current
    return () => made.forEach((url) => URL.revokeObjectURL(url))
  }, [])
  // while a place is dragged the picture follows the finger, and the figures when there is time
  const key = useDeferredValue(JSON.stringify(inputs))
  const outcome = useMemo(
    () =>
      core && key !== undefined && taken.length === wanted.length
        ? core.look(kind, JSON.parse(key), taken)
        : undefined,
    [core, key, kind, taken, wanted.length],
  )
  if (taken.length < wanted.length) {
    const next = wanted[taken.length]!
    return (
      <Camera
        key={next}
        label={next}
        guide={guide}
        onPicture={(picture) => {
          urls.current.push(picture.url)
          setTaken([...taken, picture])
        }}
        onLeave={onLeave}
      />
    )
  }
  const answer = outcome?.envelope as Proposed | undefined
  const size = { width: WIDE, height: (WIDE * taken[0]!.height) / taken[0]!.width }
  return (
    <div className="grid gap-3">
      <svg viewBox={`0 0 ${size.width} ${size.height}`} className="w-full select-none">
        <image href={taken[0]!.url} width={size.width} height={size.height} preserveAspectRatio="none" />
        {overlay(answer, size)}
      </svg>
      {outcome?.faults && (
        <ul role="alert" className="text-failing">
          {outcome.faults.map((fault) => (
            <li key={fault.field + fault.code}>{fault.message}</li>
          ))}
        </ul>
      )}
      {children?.(answer)}
      {answer && <Notes envelope={answer} />}
      <div className="flex flex-wrap gap-2">
        <Button
          kind="primary"
          className="min-h-13"
          disabled={!answer}
          onClick={() => answer && onTake(answer, taken)}
        >
          Take it
        </Button>
        <Button className="min-h-13" onClick={() => setTaken([])}>
          Another picture
        </Button>
        <Button kind="quiet" className="min-h-13" onClick={onLeave}>
          Leave it
        </Button>
      </div>
    </div>
  )
}
