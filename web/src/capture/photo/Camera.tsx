import { useEffect, useRef, useState, type ReactNode } from 'react'
import { Button } from '../../ui/controls'
import { pixelsOf, type Pixels } from './pixels'

const QUALITY = 0.92

/** A picture from the camera, with a guide drawn over what it sees, or from a file. */
export function Camera({
  label,
  guide,
  seen,
  shootAt,
  waiting = false,
  onPicture,
  onLeave,
}: {
  /** what is to be on the picture */
  label: string
  /** drawn over the live picture, in a square of 100 by 100 */
  guide: ReactNode
  /** on the training ground: what lies in front of the camera */
  seen?: Pixels
  /** the moment at which an open camera takes the picture by itself, ms since 1970 */
  shootAt?: number
  /** the moment has not come yet */
  waiting?: boolean
  onPicture: (picture: Pixels) => void
  onLeave: () => void
}) {
  const file = useRef<HTMLInputElement>(null)
  const video = useRef<HTMLVideoElement>(null)
  const [stream, setStream] = useState<MediaStream>()
  const [failed, setFailed] = useState<string>()
  const [busy, setBusy] = useState(false)
  // gone with this part of the page: no camera stays on unseen
  useEffect(() => () => stream?.getTracks().forEach((track) => track.stop()), [stream])
  useEffect(() => {
    if (stream && video.current) video.current.srcObject = stream
  }, [stream])

  const begin = async () => {
    try {
      // a page that came without encryption has no devices at all
      setStream(
        await navigator.mediaDevices.getUserMedia({
          video: { facingMode: 'environment', width: { ideal: 4096 } },
          audio: false,
        }),
      )
    } catch {
      setFailed('The camera can’t be opened: the browser does not allow it, or there is none. Choose a file.')
    }
  }
  const take = async (blob: Blob | null) => {
    if (!blob) return
    setBusy(true)
    await pixelsOf(blob).then(onPicture, (error: Error) => setFailed(error.message))
    setBusy(false)
  }
  const shoot = () => {
    if (seen) {
      onPicture(seen)
      return
    }
    const live = video.current!
    const canvas = document.createElement('canvas')
    canvas.width = live.videoWidth
    canvas.height = live.videoHeight
    canvas.getContext('2d')!.drawImage(live, 0, 0)
    canvas.toBlob((blob) => void take(blob), 'image/jpeg', QUALITY)
  }
  const open = stream !== undefined || seen !== undefined
  const due = useRef(shoot)
  useEffect(() => {
    due.current = shoot
  })
  useEffect(() => {
    if (!stream || shootAt === undefined || shootAt < Date.now()) return
    const wait = setTimeout(() => due.current(), shootAt - Date.now())
    return () => clearTimeout(wait)
  }, [stream, shootAt])
  return (
    <div className="grid gap-3" role="group" aria-label={label}>
      <p className="leading-snug">{label}</p>
      {open && (
        <div className="relative bg-ink">
          {seen ? (
            <img src={seen.url} alt="What the camera sees" className="block w-full" />
          ) : (
            <video
              ref={video}
              autoPlay
              muted
              playsInline
              className="block w-full"
              aria-label="What the camera sees"
            />
          )}
          <svg
            viewBox="0 0 100 100"
            className="pointer-events-none absolute inset-0 h-full w-full"
            aria-hidden
            fill="none"
            stroke="#fff"
            strokeWidth="0.8"
          >
            {guide}
          </svg>
        </div>
      )}
      <div className="flex flex-wrap gap-2">
        {open ? (
          <Button kind="primary" className="min-h-13" disabled={busy || waiting} onClick={shoot}>
            Take the picture
          </Button>
        ) : (
          <Button kind="primary" className="min-h-13" disabled={busy} onClick={() => void begin()}>
            Open the camera
          </Button>
        )}
        <input
          ref={file}
          type="file"
          accept="image/jpeg,image/png"
          className="sr-only"
          tabIndex={-1}
          aria-label={`${label}: choose a picture`}
          onChange={(event) => {
            const chosen = event.target.files?.[0]
            if (chosen) void take(chosen)
            event.target.value = ''
          }}
        />
        {!seen && (
          <Button className="min-h-13" disabled={busy || waiting} onClick={() => file.current?.click()}>
            Choose a file
          </Button>
        )}
        <Button kind="quiet" className="min-h-13" onClick={onLeave}>
          Without a photo
        </Button>
        {!seen && shootAt === undefined && (
          <a
            href="/api/photo-card.pdf"
            target="_blank"
            rel="noreferrer"
            className="inline-flex min-h-13 items-center px-2 text-accent hover:underline"
          >
            A card to print
          </a>
        )}
      </div>
      <p role="status" className={failed ? 'text-failing' : 'text-soft'}>
        {busy
          ? 'Reading the picture …'
          : (failed ??
            (shootAt !== undefined && !seen && 'An open camera takes it by itself when it is time.'))}
      </p>
    </div>
  )
}
