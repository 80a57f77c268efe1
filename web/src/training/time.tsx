import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useMemo } from 'react'
import type { MethodEntry, Timer, TimerStep } from '../api/schema'
import { dueSteps, type Clockwork } from '../timers/clocks'
import type { ChangeRound, Round } from './rounds'

const SAVED_EVERY_MS = 3000
const KEPT = Promise.resolve({ sent: false as const })

/** The clock of a round: it runs at 1, 10 or 60 times the pace of the real one, and can skip to its next call. */
export function useRoundTime(round: Round, methods: MethodEntry[], change: ChangeRound) {
  const { id, begunAt, speed } = round
  const client = useQueryClient()
  // where the round's clock stood at a moment of the device: of the round and not of a page, so that it runs on from page
  // to page; a reload goes on from what was kept
  const key = useMemo(() => ['round-time', id], [id])
  const fresh = () => ({ device: Date.now(), passedMs: round.passedMs })
  const { data: since } = useQuery({
    queryKey: key,
    queryFn: () => client.getQueryData<ReturnType<typeof fresh>>(key) ?? fresh(),
    initialData: fresh,
    staleTime: Infinity,
    gcTime: Infinity,
  })
  const passedMs = (device: number) => since.passedMs + Math.max(0, device - since.device) * speed
  useEffect(() => {
    const save = setInterval(
      () =>
        change(id, (now) => ({
          ...now,
          passedMs: since.passedMs + Math.max(0, Date.now() - since.device) * now.speed,
        })),
      SAVED_EVERY_MS,
    )
    return () => clearInterval(save)
  }, [since, change, id])
  const jump = (to: number, nextSpeed: number) => {
    client.setQueryData(key, { device: Date.now(), passedMs: to })
    change(id, (now) => ({ ...now, passedMs: to, speed: nextSpeed }))
  }
  const clockwork = useMemo<Clockwork>(
    () => ({
      at: (device) => begunAt + since.passedMs + Math.max(0, device - since.device) * speed,
      tickMs: speed > 1 ? 200 : 1000,
      timers: round.timers,
      put: (timer, body) => {
        const method = methods.find((each) => each.id === body.method)
        const label = (code: string) => method?.timedSteps.find((step) => step.code === code)?.label ?? code
        const steps = body.steps.map((step): TimerStep => ({ ...step, label: label(step.code) }))
        const made: Timer = { ...body, id: timer, steps, field: '', fieldId: '', stop: '' }
        change(id, (now) => ({ ...now, timers: [...now.timers.filter((each) => each.id !== timer), made] }))
        return KEPT
      },
      done: (timer, step, doneAt) => {
        const marked = (each: TimerStep) => (each.id === step.id ? { ...each, doneAt } : each)
        change(id, (now) => ({
          ...now,
          timers: now.timers.map((each) =>
            each.id === timer ? { ...each, steps: each.steps.map(marked) } : each,
          ),
        }))
        return KEPT
      },
    }),
    [id, begunAt, round.timers, since, speed, methods, change],
  )
  const waits = () =>
    dueSteps(round.timers, begunAt + passedMs(Date.now())).filter((each) => each.inSeconds > 1)
  return {
    clockwork,
    setSpeed: (next: number) => jump(passedMs(Date.now()), next),
    waits,
    /** to just before the next call of a clock */
    skip: () => {
      const next = waits()[0]
      if (next) jump(passedMs(Date.now()) + (next.inSeconds - 1) * 1000, speed)
    },
  }
}

export type RoundClock = ReturnType<typeof useRoundTime>
