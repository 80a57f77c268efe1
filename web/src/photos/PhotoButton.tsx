import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useRef } from 'react'
import { queries } from '../queries/queries'
import { showDay, words } from '../words/dates'
import { Button } from '../ui/controls'
import { sendPhoto, type PhotoPlace } from './photos'

/** Takes or chooses a photo of a place; it is shrunk here and sent at once. */
export function PhotoButton({ place, label = 'Photo' }: { place: PhotoPlace; label?: string }) {
  const input = useRef<HTMLInputElement>(null)
  const client = useQueryClient()
  const send = useMutation({
    mutationFn: (file: File) => sendPhoto(file, place),
    onSuccess: () => client.invalidateQueries({ queryKey: ['photos'] }),
  })
  return (
    <span className="inline-flex flex-wrap items-center gap-3">
      <input
        ref={input}
        type="file"
        accept="image/*"
        capture="environment"
        className="sr-only"
        tabIndex={-1}
        aria-label={`${label}: choose a picture`}
        onChange={(event) => {
          const file = event.target.files?.[0]
          if (file) send.mutate(file)
          event.target.value = ''
        }}
      />
      <Button kind="quiet" disabled={send.isPending} onClick={() => input.current?.click()}>
        {send.isPending ? 'Sending the photo …' : label}
      </Button>
      <span role="status" className={send.isError ? 'text-sm text-failing' : 'text-sm text-soft'}>
        {send.isError
          ? `${send.error.message} Try again.`
          : send.isSuccess
            ? send.data.sent
              ? 'photo kept'
              : 'photo kept here, not sent yet'
            : ''}
      </span>
    </span>
  )
}

/** The last photo of the same test at the same stop, to hold the new one against. */
export function PhotoBefore({ stop, method, before }: { stop: string; method: string; before: string }) {
  const photo = useQuery(queries.photoBefore(stop, method, before)).data
  if (!photo) return null
  return (
    <figure className="max-w-60">
      <img
        src={`/api/photos/${photo.id}?size=small`}
        alt={`${words(method)} here on ${showDay(photo.takenAt)}`}
        loading="lazy"
      />
      <figcaption className="text-sm text-soft">Here on {showDay(photo.takenAt)}</figcaption>
    </figure>
  )
}

/** The newest photos of a field, each with its stop and what it shows. */
export function Photos({ field }: { field: string }) {
  const photos = useQuery(queries.photos(field)).data ?? []
  return (
    <section aria-label="Photos" className="grid gap-2">
      <h2 className="text-sm font-semibold text-soft">Photos</h2>
      {photos.length === 0 && (
        <p className="text-[15px] text-soft">No photo yet. Take one at any stop or test of a visit.</p>
      )}
      <ul className="grid grid-cols-3 gap-3">
        {photos.map((photo) => (
          <li key={photo.id}>
            <a href={`/api/photos/${photo.id}`} target="_blank" rel="noreferrer" className="block">
              <img
                src={`/api/photos/${photo.id}?size=small`}
                alt={`${photo.stop}, ${photo.method ? words(photo.method) : 'the place'}, ${showDay(photo.takenAt)}`}
                loading="lazy"
                className="aspect-square w-full object-cover"
              />
            </a>
            <span className="text-[13px] leading-tight text-soft">
              {photo.stop}
              {photo.method && `, ${words(photo.method)}`}
              <br />
              {showDay(photo.takenAt)}
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}
