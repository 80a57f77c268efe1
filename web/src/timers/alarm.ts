import { useEffect, useRef } from 'react'
import type { Due } from './clocks'
import { ring } from './ring'

const BASE_TITLE = 'Morphotera'
/** A screen that sleeps can't ring: it is held awake while something is due within this time. */
const AWAKE_WITHIN_SECONDS = 30 * 60

/** Sound, vibration, a notification where allowed, and the title, once for each moment while the page is open. */
export function useAlarm(next: Due[]) {
  const rung = useRef(new Set<string>())
  const first = useRef(true)
  const overdue = next.filter((each) => each.inSeconds <= 0)
  const key = overdue.map((each) => each.step.id).join()
  const head = overdue[0]
  const title = head ? `${head.step.label}, ${head.timer.stop}` : ''
  useEffect(() => {
    const fresh = key.split(',').filter((id) => id && !rung.current.has(id))
    fresh.forEach((id) => rung.current.add(id))
    // what was late before the page opened is shown, not rung
    if (fresh.length > 0 && !first.current) {
      ring()
      notify(title)
    }
    first.current = false
  }, [key, title])
  useEffect(() => {
    document.title = title ? `● ${title} – ${BASE_TITLE}` : BASE_TITLE
  }, [title])
}

function notify(title: string) {
  if (!('Notification' in globalThis) || Notification.permission !== 'granted') return
  // a phone shows notifications through its worker only
  void navigator.serviceWorker?.ready
    .then((worker) => worker.showNotification(title, { tag: 'clock', icon: '/icon-192.png' }))
    .catch(() => {})
}

/** Keeps the screen awake while a moment is near, as far as the device allows. */
export function useAwake(next: Due[]) {
  const near = next.some((each) => each.inSeconds < AWAKE_WITHIN_SECONDS && each.inSeconds > -60)
  useEffect(() => {
    if (!near || !('wakeLock' in navigator)) return
    let lock: WakeLockSentinel | undefined
    let over = false
    const take = () =>
      navigator.wakeLock
        .request('screen')
        .then((held) => {
          lock = held
          if (over) void held.release()
        })
        // refused with a low battery or in the background; the tray says what is due all the same
        .catch(() => {})
    const again = () => document.visibilityState === 'visible' && void take()
    void take()
    document.addEventListener('visibilitychange', again)
    return () => {
      over = true
      document.removeEventListener('visibilitychange', again)
      void lock?.release()
    }
  }, [near])
}

/** Whether this browser can call anybody while its page sleeps. */
export function mayRing(): 'yes' | 'ask' | 'no' {
  if (!('Notification' in globalThis)) return 'no'
  return Notification.permission === 'granted' ? 'yes' : Notification.permission === 'denied' ? 'no' : 'ask'
}
