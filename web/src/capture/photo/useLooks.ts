import { useContext, useEffect, useRef, useState } from 'react'
import { forgetLooks, keepLook, keptLooks } from '../../device/device'
import { OnBench } from '../frame/panel'
import { pixelsOf, type Pixels } from './pixels'

/** Pictures of a series that goes on by the clock: on the device, so that a reload loses none. */
export function useLooks(draft: string) {
  const bench = useContext(OnBench) !== undefined
  const [looks, setLooks] = useState<Record<string, Pixels>>()
  const urls = useRef<string[]>([])
  useEffect(() => {
    let here = true
    const made = urls.current
    const read = async () => {
      const kept = bench ? [] : await keptLooks(draft)
      const all = await Promise.all(
        kept.map(async (each) => [each.moment, await pixelsOf(each.blob)] as const),
      )
      all.forEach(([, picture]) => made.push(picture.url))
      // what was taken while this was read is newer
      if (here) setLooks((now) => ({ ...Object.fromEntries(all), ...now }))
    }
    // a picture that can't be read any more is none
    read().catch(() => here && setLooks((now) => now ?? {}))
    return () => {
      here = false
      made.forEach((url) => URL.revokeObjectURL(url))
    }
  }, [draft, bench])
  return {
    /** by moment; undefined until the device has been read */
    looks,
    add: (moment: string, picture: Pixels) => {
      urls.current.push(picture.url)
      setLooks((now) => ({ ...now, [moment]: picture }))
      if (!bench) void keepLook(draft, moment, picture.blob)
    },
    clear: () => {
      setLooks({})
      void forgetLooks(draft)
    },
  }
}

/** Whether a series was begun before a reload. */
export async function hasLooks(draft: string) {
  return (await keptLooks(draft)).length > 0
}
