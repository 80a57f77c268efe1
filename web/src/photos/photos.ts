import { v7 as uuid } from 'uuid'
import type { Photo } from '../api/schema'
import { keep } from '../device/outbox'

const LONGEST_SIDE = 1600
const QUALITY = 0.82

/** A picture made small enough to send from a field; drawn anew, so that nothing but the picture is in it. */
export async function shrunk(file: Blob): Promise<Blob> {
  const bitmap = await createImageBitmap(file)
  const scale = Math.min(1, LONGEST_SIDE / Math.max(bitmap.width, bitmap.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.round(bitmap.width * scale)
  canvas.height = Math.round(bitmap.height * scale)
  canvas.getContext('2d')!.drawImage(bitmap, 0, 0, canvas.width, canvas.height)
  return new Promise((resolve, reject) =>
    canvas.toBlob(
      (blob) => (blob ? resolve(blob) : reject(new Error('This file is no picture.'))),
      'image/jpeg',
      QUALITY,
    ),
  )
}

export type PhotoPlace = { visit: string; stop: string; method?: string; depthMm?: number }

export async function sendPhoto(file: Blob, place: PhotoPlace) {
  const small = await shrunk(file).catch(() => {
    throw new Error('This file is no picture that this device can read.')
  })
  const id = uuid()
  const query = new URLSearchParams({
    visit: place.visit,
    stop: place.stop,
    takenAt: new Date().toISOString(),
  })
  if (place.method) query.set('method', place.method)
  if (place.depthMm !== undefined) query.set('depthMm', String(place.depthMm))
  return keep<Photo>({
    kind: 'photo',
    target: id,
    path: `/api/photos/${id}?${query}`,
    picture: small,
    label: 'Photo',
  })
}
