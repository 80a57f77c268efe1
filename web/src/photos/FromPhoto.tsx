import { useQuery } from '@tanstack/react-query'
import type { FromPhoto, PhotoAgreement } from '../api/schema'
import { queries } from '../queries/queries'

/** What a picture proposes of a kind, counted. */
const COUNTED: Record<string, string> = { cover: 'points', jar: 'lines', colour: 'chips', crumbs: 'crumbs' }

/** Where a reading comes from a photo, and how much of what that proposed was left as it stood. */
export function FromPhotoWords({ photo }: { photo: FromPhoto }) {
  const changed = photo.of - photo.asProposed
  return (
    <p className="text-soft">
      {changed === 0
        ? 'From a photo, as it proposed.'
        : photo.of === 1
          ? 'From a photo, changed by hand.'
          : `From a photo: ${changed} of ${photo.of} ${COUNTED[photo.kind]} changed by hand.`}
    </p>
  )
}

/** How often the pictures were right, by kind; the newest hundred of each. */
export function PhotosRight({ photos }: { photos: PhotoAgreement[] }) {
  const methods = useQuery(queries.methods()).data
  if (photos.length === 0) return null
  const title = (id: string) => methods?.find((each) => each.id === id)?.title ?? id
  return (
    <p className="max-w-3xl">
      Photos left as they proposed:{' '}
      {photos.map((each, i) => (
        <span key={each.kind}>
          {i > 0 && '; '}
          {title(each.method).toLowerCase()}{' '}
          <strong>
            {each.asProposed} of {each.of}
          </strong>{' '}
          {COUNTED[each.kind]}, {each.photos} {each.photos === 1 ? 'photo' : 'photos'}
        </span>
      ))}
      .
    </p>
  )
}
