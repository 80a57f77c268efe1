/** A picture as its points, red, green, blue and solidity, from the top left; with the picture itself. */
export type Pixels = {
  data: Uint8ClampedArray
  width: number
  height: number
  url: string
  blob: Blob
}

/** As many points as the core looks at; more would only take longer. */
const LONGEST_SIDE = 1024

/**
 * The points of a picture that was chosen or taken.
 * @throws Error when this device can't read it
 */
export async function pixelsOf(blob: Blob): Promise<Pixels> {
  const bitmap = await createImageBitmap(blob).catch(() => {
    throw new Error('This file is no picture that this device can read. Choose a JPEG or PNG.')
  })
  const scale = Math.min(1, LONGEST_SIDE / Math.max(bitmap.width, bitmap.height))
  const width = Math.max(1, Math.round(bitmap.width * scale))
  const height = Math.max(1, Math.round(bitmap.height * scale))
  const canvas = document.createElement('canvas')
  canvas.width = width
  canvas.height = height
  const pen = canvas.getContext('2d', { willReadFrequently: true })!
  pen.fillStyle = 'white'
  pen.fillRect(0, 0, width, height)
  pen.imageSmoothingQuality = 'high'
  pen.drawImage(bitmap, 0, 0, width, height)
  bitmap.close()
  const { data } = pen.getImageData(0, 0, width, height)
  return { data, width, height, url: URL.createObjectURL(blob), blob }
}

/** A picture of given points, as if it had been taken. */
export async function pixelsFrom({
  data,
  width,
}: {
  data: Uint8ClampedArray
  width: number
}): Promise<Pixels> {
  const height = data.length / 4 / width
  const canvas = document.createElement('canvas')
  canvas.width = width
  canvas.height = height
  canvas.getContext('2d')!.putImageData(new ImageData(new Uint8ClampedArray(data), width, height), 0, 0)
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/png'))
  if (!blob) throw new Error('This device can’t draw the picture.')
  return { data, width, height, url: URL.createObjectURL(blob), blob }
}
