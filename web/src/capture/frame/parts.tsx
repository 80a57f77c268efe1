import { useEffect, useRef, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react'
import type { Envelope } from '../../api/schema'
import { useKeys } from '../../ui/keys'
import type { Outcome } from '../../core/core'
import { useUnits } from '../../units/units'
import { Button } from '../../ui/controls'
import { asLevel, LevelMark } from '../../ui/levels'
import { asSeverity, Notice } from '../../ui/states'
import { Figures, Notes, Ratings } from '../../readings/Results'
import { PanelLayout, RecordButton, useRecord, type CaptureProps } from './panel'
import type { Entry } from './entry'
import { TestClock } from './TestClock'

/** A test on its own picture: instruction, picture, entries, what it means so far, and the button that records. */
export function PictureCapture({
  capture,
  entry,
  instruction,
  picture,
  children,
  caution,
  begun,
}: {
  capture: CaptureProps
  entry: Pick<Entry, 'live' | 'sent' | 'warnings'>
  instruction: ReactNode
  picture: ReactNode
  children?: ReactNode
  /** what to mind at this very step; the first of the method's cautions if not given */
  caution?: string
  /** something was entered: faults are shown from then on */
  begun: boolean
}) {
  const { draft, method } = capture
  const record = useRecord(capture)
  const units = useUnits()
  const { live, sent, warnings } = entry
  useKeys({
    u: () => draft.undo?.(),
    r: () =>
      live?.envelope && !record.isPending && record.mutate({ readings: sent, envelope: live.envelope }),
  })
  // what the core calls dangerous says the same, and louder
  const told = [...warnings, ...(live?.envelope?.notes ?? [])].some((note) => note.severity === 'danger')
  const minding = told ? undefined : (caution ?? method.cautions[0])
  return (
    <PanelLayout
      instruction={instruction}
      picture={picture}
      side={
        <>
          {warnings.map((note) => (
            <Notice key={note.code} severity={asSeverity(note.severity)}>
              {units.prose(note.text)}
            </Notice>
          ))}
          {children}
          <TestClock capture={capture} />
          <LiveResult live={live} capture={capture} begun={begun} />
          {minding && <Notice severity="caution">{minding}</Notice>}
        </>
      }
      result={live?.envelope && <LevelLine envelope={live.envelope} method={method} />}
      why={begun ? whyNot(live, method) : undefined}
      foot={
        <>
          <Button className="min-h-13" disabled={!draft.undo} onClick={draft.undo}>
            Undo
          </Button>
          <RecordButton
            record={record}
            readings={sent}
            envelope={live?.envelope}
            correcting={draft.place.supersedes !== undefined}
          />
        </>
      }
    />
  )
}

/** Why a test that was begun can't be recorded yet. */
function whyNot(live: Outcome | undefined, method: CaptureProps['method']) {
  if (!live || live.envelope) return undefined
  const faults = live.faults ?? []
  if (faults.some((each) => each.code !== 'MISSING')) return 'Not yet: see what is marked.'
  const names = faults.map(({ field }) => {
    const [, root] = /^(\w+)/.exec(field) ?? []
    const label = method.readings.find((each) => each.name === root)?.label ?? field
    return label.toLowerCase()
  })
  return names.length > 0 ? `Still needed: ${[...new Set(names)].join(', ')}.` : undefined
}

function LevelLine({ envelope, method }: { envelope: Envelope; method: CaptureProps['method'] }) {
  return (
    <>
      {envelope.ratings
        .filter((rating) => rating.school === 'standing')
        .map((rating) => (
          <span key={rating.indicator} className="inline-flex items-center gap-2">
            {method.indicators.find((each) => each.id === rating.indicator)?.label}
            <LevelMark level={asLevel(rating.level)!} />
          </span>
        ))}
    </>
  )
}

/** Level, meaning and figures as they stand; or what is still missing. */
function LiveResult({
  live,
  capture,
  begun,
}: {
  live: Outcome | undefined
  capture: CaptureProps
  begun: boolean
}) {
  const { method } = capture
  if (live?.envelope)
    return (
      <div className="grid gap-3 border-t border-rule pt-3">
        <Ratings
          envelope={live.envelope}
          labels={Object.fromEntries(method.indicators.map((each) => [each.id, each.label]))}
        />
        <Figures envelope={live.envelope} labels={method.labels} />
        <Notes envelope={live.envelope} />
      </div>
    )
  // what is merely missing is not wrong yet
  const wrong = begun ? (live?.faults ?? []).filter((each) => each.code !== 'MISSING') : []
  if (wrong.length > 0)
    return (
      <ul role="alert" className="text-sm text-failing">
        {wrong.map((each) => (
          <li key={each.field + each.code}>{each.message}</li>
        ))}
      </ul>
    )
  return <p className="text-soft">{method.purpose}</p>
}

/** A picture in which nothing was entered yet gives its room on a phone to what has to be entered. */
export function pictureLook(empty: boolean) {
  return `w-full max-w-[30rem] ${empty ? 'max-sm:h-12' : ''}`
}

/** A line in a picture that is moved by finger, mouse or arrow keys; the picture says how pixels become a value. */
export function DragLine({
  label,
  value,
  text,
  min,
  max,
  step,
  toValue,
  onChange,
  children,
}: {
  label: string
  value: number
  /** the value in words, for those who can't see it */
  text: string
  min: number
  max: number
  step: number
  /** the value at a point of the picture, in the picture's own units */
  toValue: (point: { x: number; y: number }) => number
  onChange: (value: number) => void
  children: ReactNode
}) {
  const group = useRef<SVGGElement>(null)
  const held = useRef(false)
  const clamp = (next: number) => onChange(Math.min(max, Math.max(min, Math.round(next / step) * step)))
  const move = (event: PointerEvent<SVGGElement>) => {
    if (!held.current) return
    const matrix = group.current!.ownerSVGElement!.getScreenCTM()!.inverse()
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix)
    clamp(toValue(point))
  }
  const press = (event: KeyboardEvent) => {
    const by = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1, PageUp: 10, PageDown: -10 }[
      event.key
    ]
    if (by === undefined) return
    event.preventDefault()
    clamp(value + by * step)
  }
  return (
    <g
      ref={group}
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuenow={value}
      aria-valuemin={min}
      aria-valuemax={max}
      aria-valuetext={text}
      className="cursor-grab touch-none outline-offset-4 focus-visible:outline-3 focus-visible:outline-accent"
      onKeyDown={press}
      onPointerDown={(event) => {
        held.current = true
        event.currentTarget.setPointerCapture(event.pointerId)
      }}
      onPointerMove={move}
      onPointerUp={() => (held.current = false)}
      onPointerCancel={() => (held.current = false)}
    >
      {children}
    </g>
  )
}

/** A number with a large key on each side of it. */
export function Count({
  label,
  value,
  onChange,
  onEnter,
  autoFocus,
}: {
  label: string
  value: number | undefined
  onChange: (value: number | undefined) => void
  onEnter?: () => void
  autoFocus?: boolean
}) {
  const input = useRef<HTMLInputElement>(null)
  useEffect(() => {
    if (autoFocus) input.current?.focus()
  }, [autoFocus])
  return (
    <div className="grid gap-1">
      <span className="text-sm text-soft">{label}</span>
      <div className="grid grid-cols-[3.5rem_1fr_5.5rem] gap-1.5">
        <Button
          className="min-h-16 px-0! text-2xl"
          aria-label={`one less: ${label}`}
          disabled={!value}
          onClick={() => onChange(Math.max(0, (value ?? 0) - 1))}
        >
          −
        </Button>
        <input
          ref={input}
          aria-label={label}
          inputMode="numeric"
          autoComplete="off"
          value={value ?? ''}
          className="min-h-16 w-full rounded-sm border border-strong-rule bg-paper text-center text-3xl font-bold"
          onChange={(event) => {
            const digits = event.target.value.replace(/\D/g, '')
            onChange(digits === '' ? undefined : Number(digits))
          }}
          onKeyDown={(event) => event.key === 'Enter' && onEnter?.()}
        />
        <Button
          kind="primary"
          className="min-h-16 px-0! text-3xl"
          aria-label={`one more: ${label}`}
          onClick={() => onChange((value ?? 0) + 1)}
        >
          +
        </Button>
      </div>
    </div>
  )
}

/** What this device last used, such as a tip or a ring: the usual entry of the next test; undefined if none yet. */
export function remembered(name: string) {
  const kept = Number(localStorage.getItem(`used:${name}`))
  return Number.isFinite(kept) && kept > 0 ? kept : undefined
}

export function remember(name: string, value: number | undefined) {
  if (value !== undefined) localStorage.setItem(`used:${name}`, String(value))
}
