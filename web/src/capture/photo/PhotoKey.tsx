import { Button } from '../../ui/controls'
import { useScene } from '../frame/panel'
import type { usePhoto } from './usePhoto'

/** Begins a reading from a photo. */
export function PhotoKey({ photo }: { photo: ReturnType<typeof usePhoto> }) {
  // on the practice ground there is nothing that a camera could see
  const practising = useScene() !== undefined
  return (
    <>
      {!photo.open && !practising && (
        <Button className="min-h-13 justify-self-start" onClick={photo.begin}>
          Read it from a photo
        </Button>
      )}
      {photo.failed && (
        <p role="alert" className="text-failing">
          The photo could not be kept. The readings are as you took them.
        </p>
      )}
    </>
  )
}
