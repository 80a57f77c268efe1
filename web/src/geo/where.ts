import type { Point } from './geo'

export type Stand = { point: Point; accuracyM: number; at: string }

const REASONS: Record<number, string> = {
  1: 'This device may not tell where it is. Allow it in the browser, or go by the words.',
  2: 'This device does not know where it is just now. Step into the open and try again.',
  3: 'It took too long to find out where this is. Try again.',
}

/** Where this device is now; rejects with what to do. */
export function whereAmI(): Promise<Stand> {
  return new Promise((resolve, reject) => {
    if (!navigator.geolocation) {
      reject(new Error('This browser can’t tell where it is. Go by the words.'))
      return
    }
    navigator.geolocation.getCurrentPosition(
      ({ coords, timestamp }) =>
        resolve({
          point: [coords.longitude, coords.latitude],
          accuracyM: Math.round(coords.accuracy * 10) / 10,
          at: new Date(timestamp).toISOString(),
        }),
      ({ code }) => reject(new Error(REASONS[code] ?? REASONS[2])),
      { enableHighAccuracy: true, timeout: 20_000, maximumAge: 0 },
    )
  })
}
