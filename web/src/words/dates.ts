const day = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })
const clock = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' })

/** 9 Oct 2026, from an ISO date or instant. */
export function showDay(iso: string) {
  return day.format(new Date(iso.length === 10 ? `${iso}T12:00` : iso))
}

/** 10:45, of an instant, on this device's clock face. */
export function showClock(instant: string | number) {
  return clock.format(new Date(instant))
}

/** Today as an ISO date, where this device is. */
export function today() {
  const now = new Date()
  const two = (x: number) => String(x).padStart(2, '0')
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`
}

/** A code as words. */
export function words(code: string) {
  return code.replaceAll('-', ' ')
}
