import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { v7 as uuid } from 'uuid'
import { api, must } from '../api/client'
import { queries } from '../api/queries'
import type { Timer, TimerStep, TimerWrite } from '../api/schema'

/** A moment that a running clock still has to call out. */
export type Due = { timer: Timer; step: TimerStep; inSeconds: number }

/** The server's time now, ticking. */
export function useNow(everyMs = 1000) {
  const offset = useQuery(queries.timers()).data?.offsetMs ?? 0
  const [now, setNow] = useState(() => Date.now())
  useEffect(() => {
    const tick = setInterval(() => setNow(Date.now()), everyMs)
    const wake = () => setNow(Date.now())
    document.addEventListener('visibilitychange', wake)
    return () => {
      clearInterval(tick)
      document.removeEventListener('visibilitychange', wake)
    }
  }, [everyMs])
  return now + offset
}

/** Everything still due, the most overdue first. */
export function dueSteps(timers: Timer[], now: number): Due[] {
  return timers
    .flatMap((timer) =>
      timer.steps
        .filter((step) => step.doneAt === undefined)
        .map((step) => ({ timer, step, inSeconds: (Date.parse(step.dueAt) - now) / 1000 })),
    )
    .sort((a, b) => a.inSeconds - b.inSeconds)
}

/** 0:40, 12:05, 2 h 10: how long, to the second while that matters. */
export function showSpan(seconds: number) {
  const whole = Math.abs(Math.round(seconds))
  if (whole >= 3 * 3600) return `${Math.floor(whole / 3600)} h ${Math.floor((whole % 3600) / 60)}`
  const two = (x: number) => String(x).padStart(2, '0')
  const minutes = Math.floor(whole / 60)
  return minutes >= 60
    ? `${Math.floor(minutes / 60)}:${two(minutes % 60)}:${two(whole % 60)}`
    : `${minutes}:${two(whole % 60)}`
}

export function testPath(timer: Timer) {
  return `/visits/${timer.visitId}/stops/${timer.stopId}/${timer.method}/${timer.measurementId}`
}

/** Starts, marks and stops the clocks of the server. */
export function useClockActions() {
  const client = useQueryClient()
  const refresh = () => client.invalidateQueries({ queryKey: queries.timers().queryKey })
  const put = useMutation({
    mutationFn: ({ id, body }: { id: string; body: TimerWrite }) =>
      must(api.PUT('/api/timers/{id}', { params: { path: { id } }, body })),
    onSettled: refresh,
  })
  const done = useMutation({
    mutationFn: ({ timer, step, doneAt }: { timer: string; step: string; doneAt: string | undefined }) =>
      must(
        api.PUT('/api/timers/{id}/steps/{step}/done', {
          params: { path: { id: timer, step } },
          body: { doneAt },
        }),
      ),
    onSettled: refresh,
  })
  const stop = useMutation({
    mutationFn: ({ id, stoppedAt }: { id: string; stoppedAt: string | undefined }) =>
      must(api.PUT('/api/timers/{id}/stopped', { params: { path: { id } }, body: { stoppedAt } })),
    onSettled: refresh,
  })
  return { put, done, stop }
}

/** One step of a clock to send, due so many seconds after its start. */
export function stepAfter(start: number, code: string, seconds: number, toleranceSeconds: number) {
  return { id: uuid(), code, dueAt: new Date(start + seconds * 1000).toISOString(), toleranceSeconds }
}
