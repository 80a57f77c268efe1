import { useEffect, useRef, useState } from 'react'
import { Button } from '../ui/controls'

/** Looks through the camera for the code on a label, until it is found or put away. */
export function ScanCode({ onFound, onClose }: { onFound: (code: string) => void; onClose: () => void }) {
  const video = useRef<HTMLVideoElement>(null)
  const found = useRef(onFound)
  const [failed, setFailed] = useState<string>()
  useEffect(() => {
    found.current = onFound
  })
  useEffect(() => {
    let stopped = false
    let stop = () => {}
    // only now: the reader is heavy, and most bags are typed
    void import('@zxing/browser')
      .then(async ({ BrowserQRCodeReader }) => {
        if (stopped) return
        const controls = await new BrowserQRCodeReader().decodeFromConstraints(
          { video: { facingMode: 'environment' } },
          video.current!,
          // a first picture can hold the code already: before there is anything to wait for
          (result, _, running) => {
            if (result && !stopped) {
              stopped = true
              running.stop()
              found.current(result.getText())
            }
          },
        )
        stop = () => controls.stop()
        if (stopped) stop()
      })
      .catch(() => setFailed('No camera can be used here. Type the six signs of the label instead.'))
    return () => {
      stopped = true
      stop()
    }
  }, [])
  return (
    <div className="grid max-w-md gap-2">
      {failed ? (
        <p role="alert">{failed}</p>
      ) : (
        <>
          <p className="text-[15px] text-soft">Hold the square of the label into the picture.</p>
          {/* nothing is spoken in it */}
          <video ref={video} muted playsInline className="w-full bg-ink" aria-label="Camera" />
        </>
      )}
      <Button className="justify-self-start" onClick={onClose}>
        {failed ? 'Close' : 'Put the camera away'}
      </Button>
    </div>
  )
}
