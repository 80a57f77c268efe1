import { Button } from '../../ui/controls'
import type { usePhoto } from './usePhoto'

/** Begins a reading from a photo. */
export function PhotoKey({ photo }: { photo: ReturnType<typeof usePhoto> }) {
  return (
    <>
      {!photo.open && (
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
