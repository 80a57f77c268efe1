import { useQueries, useQuery } from '@tanstack/react-query'
import { useEffect, useMemo, useState } from 'react'
import { v7 as uuid } from 'uuid'
import type { DayMark, DayMarkWrite, DayView, MadeTest } from '../api/schema'
import { useCore } from '../core/core'
import { bodyOf, useJobs, type Job } from '../device/device'
import { keep } from '../device/outbox'
import { visitFrom, withKept } from '../device/overlay'
import { queries } from '../queries/queries'
import { useNow, useTimers } from '../timers/clocks'
import { changesOf, courseOf, startOf, type Course } from './course'

const MINUTE = 60_000
const EMPTY_FIELD = { growerId: '', landUse: 'arable', purpose: 'field', version: 0 }

/** A day with the marks that this device has kept and not sent yet. */
function withMarks(view: DayView, jobs: Job[]): DayView {
  const marks = new Map(view.marks.map((mark) => [mark.id, mark]))
  for (const job of jobs) {
    const mark = bodyOf(job, 'day-mark')
    if (!mark || mark.planId !== view.day.id || job.state === 'refused') continue
    if (mark.version >= (marks.get(job.target)?.version ?? 0))
      marks.set(job.target, { id: job.target, ...mark, version: mark.version + 1 })
  }
  return { ...view, marks: [...marks.values()] }
}

/** The tests made on the visits of a day, of the server's and of this device's. */
function useMade(view: DayView | undefined, jobs: Job[]): MadeTest[] {
  const methods = useQuery(queries.methods()).data
  const ids = view?.day.fields.map((work) => work.visitId ?? '') ?? []
  const visits = useQueries({
    queries: ids.map((id) => ({ ...queries.visit(id), enabled: id !== '', retry: false })),
  })
  return ids.flatMap((id, i) => {
    const field = view?.fields[i]
    const begun = jobs.find((job) => job.kind === 'visit' && job.target === id)
    const base =
      visits[i]?.data ??
      (begun &&
        field &&
        visitFrom(
          begun,
          { field: { ...EMPTY_FIELD, id: field.id, name: field.name }, stops: field.stops },
          '',
        ))
    return base ? withKept(base, jobs, methods ?? []).measurements : []
  })
}

/**
 * A planned day with what is kept on this device laid over it, planned anew when something happened, and once a minute
 * while something that should have begun has not.
 */
export function useDay(id: string) {
  const jobs = useJobs()
  const query = useQuery(queries.dayPlan(id))
  const methods = useQuery(queries.methods()).data
  const core = useCore()
  const allTimers = useTimers()
  const now = useNow(5000)
  const view = useMemo(() => query.data && withMarks(query.data, jobs), [query.data, jobs])
  const made = useMade(view, jobs)
  const timers = allTimers.filter((timer) => view?.day.fields.some((work) => work.visitId === timer.visitId))
  const [shown, setShown] = useState<{ course: Course; at: number; changes: string[] }>()
  const behind =
    shown !== undefined &&
    view !== undefined &&
    now - shown.at >= MINUTE &&
    shown.course.turns.some(
      (turn) => !turn.done && !turn.going && startOf(view.day) + turn.start * MINUTE < now - MINUTE,
    )
  const key = JSON.stringify([
    view?.day.version,
    view?.marks.map((mark) => [mark.id, mark.version, mark.person]),
    made.map((test) => test.id),
    timers.map((timer) => timer.id),
    behind ? Math.floor(now / MINUTE) : 0,
  ])
  useEffect(() => {
    if (!view || !methods || !core) return
    // after the page is drawn: a large day takes a part of a second
    const soon = setTimeout(() => {
      const course = courseOf(view, methods, { marks: view.marks, made, timers }, now, core)
      setShown((before) => ({
        course,
        at: now,
        changes: before ? (said(before.course, course, view) ?? before.changes) : [],
      }))
    })
    return () => clearTimeout(soon)
    // the key stands for all that happened; time alone changes nothing until something is late
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, methods, core])
  return { query, view, course: shown?.course, changes: shown?.changes ?? [], now }
}

/** What is said of a new plan; undefined where it says nothing new. */
function said(before: Course, after: Course, view: DayView) {
  const changes = changesOf(before, after, view.day.people)
  return changes.length > 0 ? changes : undefined
}

/** Says that a step was begun or ended: on this device first, then to the server. */
export function keepMark(id: string | undefined, body: DayMarkWrite, label: string) {
  const target = id ?? uuid()
  return keep<DayMark>({ kind: 'day-mark', target, path: `/api/day-marks/${target}`, body, label })
}
