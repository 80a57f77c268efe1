import { useDeferredValue, useEffect, useMemo, useRef, useState, type ReactNode } from 'react'
import type { Envelope } from '../../api/schema'
import type { Readings } from '../../api/readings'
import { useCore, type CardPlaces } from '../../core/core'
import { Notes } from '../../readings/Results'
import { Loading } from '../../ui/states'
import { Button, Check } from '../../ui/controls'
import { Camera } from './Camera'
import { pixelsFrom, type Pixels } from './pixels'
import { useSeen } from './useSeen'

/** The units of the drawing over a picture: its width; its height follows from the picture. */
export const WIDE = 1000

export type Proposed = Envelope & { proposal: Readings }
export type Size = { width: number; height: number }

/** Pictures that were made here are given back when this part of the page goes. */
function useMade() {
  const urls = useRef<string[]>([])
  useEffect(() => {
    const made = urls.current
    return () => made.forEach((url) => URL.revokeObjectURL(url))
  }, [])
  return (picture: Pixels) => {
    urls.current.push(picture.url)
    return picture
  }
}

/**
 * Readings proposed from one picture: taken, straightened where the printed card is on it, marked, looked at, and then
 * taken over or left. Nothing is recorded by it.
 */
export function PhotoProposal({
  kind,
  picture: wanted,
  guide,
  card: looksForCard = false,
  onCard,
  onLeave,
  ...look
}: Omit<LookProps, 'kind' | 'pictures' | 'shown' | 'before' | 'enough' | 'onAgain' | 'onTake'> & {
  kind: string
  /** what is to be on the picture, in words */
  picture: string
  guide: ReactNode
  /** whether the printed card is looked for */
  card?: boolean
  /** told where the card's places lie, or that the picture is looked at as it was taken */
  onCard?: (places: CardPlaces | undefined) => void
  onTake: (answer: Proposed, pictures: Pixels[]) => void
  onLeave: () => void
}) {
  const core = useCore()
  const made = useMade()
  const { practising, seen } = useSeen(kind)
  const [taken, setTaken] = useState<Pixels>()
  const [straight, setStraight] = useState<{ picture: Pixels; places: CardPlaces }>()
  const [asTaken, setAsTaken] = useState(false)
  const take = async (picture: Pixels) => {
    made(picture)
    const card = looksForCard ? core?.straightened(picture) : undefined
    setAsTaken(false)
    if (card) {
      setStraight({ picture: made(await pixelsFrom(card)), places: card.told })
      onCard?.(card.told)
    } else setStraight(undefined)
    setTaken(picture)
  }
  if (practising && !seen) return <Loading what="the camera" />
  if (!taken || !core)
    return (
      <Camera
        label={wanted}
        guide={guide}
        seen={seen}
        onPicture={(picture) => void take(picture)}
        onLeave={onLeave}
      />
    )
  const shown = straight && !asTaken ? straight.picture : taken
  return (
    <LookAt
      {...look}
      kind={kind}
      pictures={[shown]}
      shown={shown}
      onTake={(answer) => look.onTake(answer, [taken])}
      onAgain={() => setTaken(undefined)}
      onLeave={onLeave}
      before={
        straight && (
          <Check
            label={`The card is seen: taken ${Math.round(straight.places.skewPct)} % askew, shown straight`}
            checked={!asTaken}
            onChange={(on) => {
              setAsTaken(!on)
              onCard?.(on ? straight.places : undefined)
            }}
          />
        )
      }
    />
  )
}

type LookProps = {
  kind: string
  /** what is looked at */
  pictures: Pixels[]
  /** the one that is drawn upon */
  shown: Pixels
  /** what is said of the pictures; undefined while that is not enough */
  inputs: Readings | undefined
  /** what is drawn over the picture */
  overlay: (answer: Proposed | undefined, size: Size) => ReactNode
  /** whether there is enough to be taken over, where one picture is not all */
  enough?: boolean
  /** above what is below the picture */
  before?: ReactNode
  /** below the picture */
  children?: (answer: Proposed | undefined) => ReactNode
  onTake: (answer: Proposed, pictures: Pixels[]) => void
  onAgain?: () => void
  onLeave: () => void
}

/** A look at pictures that were taken: what is proposed, drawn on one of them, to be taken or left. */
export function LookAt({
  kind,
  pictures,
  shown,
  inputs,
  overlay,
  enough = true,
  before,
  children,
  onTake,
  onAgain,
  onLeave,
}: LookProps) {
  const core = useCore()
  // while a place is dragged the picture follows the finger, and the figures when there is time
  const key = useDeferredValue(JSON.stringify(inputs))
  const [one, other] = pictures
  const outcome = useMemo(
    () =>
      core && key !== undefined && one
        ? core.look(kind, JSON.parse(key), other ? [one, other] : [one])
        : undefined,
    [core, key, kind, one, other],
  )
  const answer = outcome?.envelope as Proposed | undefined
  const size = { width: WIDE, height: (WIDE * shown.height) / shown.width }
  return (
    <div className="grid gap-3">
      <svg viewBox={`0 0 ${size.width} ${size.height}`} className="w-full select-none">
        <image href={shown.url} width={size.width} height={size.height} preserveAspectRatio="none" />
        {overlay(answer, size)}
      </svg>
      {before}
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
          disabled={!answer || !enough}
          onClick={() => answer && onTake(answer, pictures)}
        >
          Take it
        </Button>
        {onAgain && (
          <Button className="min-h-13" onClick={onAgain}>
            Another picture
          </Button>
        )}
        <Button kind="quiet" className="min-h-13" onClick={onLeave}>
          Leave it
        </Button>
      </div>
    </div>
  )
}
