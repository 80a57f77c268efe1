import { useQuery } from '@tanstack/react-query'
import { createContext, useContext, useEffect, useMemo, useState } from 'react'
import { v7 as uuid } from 'uuid'
import { queries } from '../queries/queries'
import type { Timer, TimerStep, TimerWrite } from '../api/schema'
import { heardTimers, useJobs } from '../device/device'
import { keep } from '../device/outbox'
import { clocksWithKept } from '../device/overlay'

/** A moment that a running clock still has to call out. */
export type Due = { timer: Timer; step: TimerStep; inSeconds: number }

/** Another time than the server's, and the clocks that run by it: the fast one of a training round. */
export type Clockwork = {
  /** its time at a moment of the device, ms */
  at: (device: number) => number
  /** how often it must be looked at, ms */
  tickMs: number
  timers: Timer[]
  put: (id: string, body: TimerWrite) => Promise<{ sent: false }>
  done: (timer: string, step: TimerStep, doneAt: string | undefined) => Promise<{ sent: false }>
}
export const OwnTime = createContext<Clockwork | undefined>(undefined)

/** The time now, ticking: the server's, or that of a training round. */
export function useNow(everyMs = 1000) {
  const own = useContext(OwnTime)
  const offset = useQuery(queries.timers()).data?.offsetMs ?? heardTimers()?.offsetMs ?? 0
  const [now, setNow] = useState(() => Date.now())
  useEffect(() => {
    const tick = setInterval(() => setNow(Date.now()), own?.tickMs ?? everyMs)
    const wake = () => setNow(Date.now())
    document.addEventListener('visibilitychange', wake)
    return () => {
      clearInterval(tick)
      document.removeEventListener('visibilitychange', wake)
    }
  }, [everyMs, own?.tickMs])
  return own ? own.at(now) : now + offset
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

/** All running clocks: the server's, as last heard of, and what this device has started or marked since. */
export function useTimers(): Timer[] {
  const own = useContext(OwnTime)
  const jobs = useJobs()
  const methods = useQuery(queries.methods()).data
  const heard = useQuery(queries.timers()).data?.timers ?? heardTimers()?.timers
  const all = useMemo(() => clocksWithKept(heard ?? [], jobs, methods ?? []), [heard, jobs, methods])
  return own?.timers ?? all
}

/** Starts, marks and stops clocks: kept on this device first, then sent to the server that keeps them. */
export const clocks = {
  put: (id: string, body: TimerWrite, place: { field: string; fieldId: string; stop: string }) =>
    keep({
      kind: 'timer',
      target: id,
      path: `/api/timers/${id}`,
      body: body,
      place,
      label: `Clock at ${place.stop}`,
    }),
  done: (timer: string, step: TimerStep, doneAt: string | undefined) =>
    keep({
      kind: 'step',
      target: step.id,
      path: `/api/timers/${timer}/steps/${step.id}/done`,
      body: { doneAt },
      label: `Clock: ${step.label}`,
    }),
  stop: (timer: Timer, stoppedAt: string | undefined) =>
    keep({
      kind: 'timer-stop',
      target: timer.id,
      path: `/api/timers/${timer.id}/stopped`,
      body: { stoppedAt },
      label: `Clock stopped at ${timer.stop}`,
    }),
}

/** One step of a clock to send, due so many seconds after its start. */
export function stepAfter(start: number, code: string, seconds: number, toleranceSeconds: number) {
  return { id: uuid(), code, dueAt: new Date(start + seconds * 1000).toISOString(), toleranceSeconds }
}
