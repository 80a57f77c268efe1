import { useState } from 'react'
import { useUnits } from '../../units/units'
import { Button, Choice, Input, Labelled, QuantityInput } from '../../ui/controls'
import type { MethodTypes } from '../../api/methodTypes'
import { useScene, type CaptureProps } from '../frame/panel'
import { known, useEntry } from '../frame/entry'
import { PictureCapture, remember, remembered } from '../frame/parts'
import { whole } from '../../api/readings'
import { digitsToReadings, type Reading } from './digits'
import { MeterButton } from '../frame/MeterButton'
import { PushedProbe } from './PushedProbe'
import { RodPushes, Rods } from './RodPushes'

type Push = { readings: Reading[]; refusedAtMm?: number }

const KPA_A_DIGIT = 100
const PSI_A_DIGIT = 10

/** A probe strip that fills by depth, push by push; digits are taken in a run, two for each depth. */
export function ProbeCapture(capture: CaptureProps<'penetration'>) {
  const tip = remembered('tip')
  const units = useUnits()
  const [run, setRun] = useState('')
  // as gauges are read: hundreds of kPa, tens of psi
  const perDigit = units.system === 'us' ? units.toMetric(PSI_A_DIGIT, 'kPa') : KPA_A_DIGIT
  const { stepMm, deepestMm } = known<'penetration'>(capture.method).drawn
  const typed = digitsToReadings(run, perDigit, stepMm)
  const entry = useEntry(capture, {
    usual: tip === undefined ? {} : { tipDiameterMm: tip },
    // the push that is being typed counts at once, and is recorded with the others
    meant: (all) =>
      typed.length > 0 && all.instrument !== 'rod'
        ? { ...all, probes: [...(all.probes ?? []), { readings: typed }] }
        : all,
  })
  const { readings, set } = entry
  const pushes: Push[] = (readings.probes ?? []).map(({ readings: read, refusedAtMm }) => ({
    readings: whole(read, 'depthMm', 'kPa'),
    ...(refusedAtMm !== undefined && { refusedAtMm }),
  }))
  const rods = whole(readings.probes, 'pushedToMm')
  const byHand = readings.instrument === 'rod'
  const truth = useScene<'penetration'>()?.readings.probes
  const pushed = truth?.[Math.min(pushes.length, truth.length - 1)]
  const add = (push: Push) => {
    if (push.readings.length === 0) return
    set({ probes: [...pushes, push] })
    setRun('')
  }
  return (
    <PictureCapture
      capture={capture}
      entry={entry}
      begun={(readings.probes ?? []).length + typed.length > 0}
      instruction={
        byHand
          ? entry.say('rod', { n: rods.length + 1 })
          : entry.say('push', { n: pushes.length + 1, step: units.text(stepMm, 'mm') })
      }
      picture={
        byHand ? (
          <Rods pushes={rods} deepestMm={deepestMm} stepMm={stepMm} />
        ) : (
          <>
            {pushed && (
              <PushedProbe key={pushes.length} readings={whole(pushed.readings, 'depthMm', 'kPa')} />
            )}
            <Strip pushes={pushes} typed={typed} drawn={entry.method.drawn} />
          </>
        )
      }
    >
      {/* what one instrument showed the other can't have read */}
      <Choice
        {...entry.choice('instrument')}
        onChange={(instrument) => {
          if (instrument !== readings.instrument) set({ instrument, probes: undefined })
          setRun('')
        }}
      />
      {byHand ? (
        <RodPushes entry={entry} pushes={rods} onChange={(probes) => set({ probes })} />
      ) : (
        <>
          <form
            noValidate
            className="grid gap-3"
            onSubmit={(event) => {
              event.preventDefault()
              add({ readings: typed })
            }}
          >
            <Labelled
              label={`Push ${pushes.length + 1}, ${units.system === 'us' ? 'tens of psi' : 'hundreds of kPa'}, two digits a depth`}
              help={
                typed.length > 0
                  ? typed
                      .map((each) => `${units.number(each.depthMm, 'mm')}: ${units.text(each.kPa, 'kPa')}`)
                      .join(' · ')
                  : `0812 is ${units.text(8 * perDigit, 'kPa')}, then ${units.text(12 * perDigit, 'kPa')}`
              }
            >
              {(aria) => (
                <Input
                  {...aria}
                  autoFocus
                  inputMode="numeric"
                  autoComplete="off"
                  className="min-h-14 text-2xl font-bold tracking-widest"
                  value={run}
                  onChange={(event) =>
                    setRun(event.target.value.replace(/\D/g, '').slice(0, (2 * deepestMm) / stepMm))
                  }
                />
              )}
            </Labelled>
            <div className="grid grid-cols-2 gap-2">
              <Button kind="primary" type="submit" className="min-h-13" disabled={typed.length === 0}>
                Next push
              </Button>
              <Button
                className="min-h-13"
                disabled={typed.length === 0}
                onClick={() => add({ readings: typed, refusedAtMm: typed.at(-1)!.depthMm + stepMm })}
              >
                No further
              </Button>
            </div>
            <MeterButton
              instrument="penetrometer"
              capture={capture}
              label="Read from the meter"
              onReading={(kPa) =>
                setRun((old) =>
                  old.length < (2 * deepestMm) / stepMm
                    ? old + String(Math.min(99, Math.round(kPa / perDigit))).padStart(2, '0')
                    : old,
                )
              }
              depthMm={(typed.length + 1) * stepMm}
            />
          </form>
          {pushes.length > 0 && (
            <ol aria-label="Pushes">
              {pushes.map((push, i) => (
                <li key={i} className="flex items-center gap-3 border-t border-rule text-[15px]">
                  <span className="font-semibold">{i + 1}</span>
                  <span className="grow">
                    {push.readings.map((each) => units.number(each.kPa, 'kPa')).join(', ')}
                    {push.refusedAtMm !== undefined && `; stopped at ${units.text(push.refusedAtMm, 'mm')}`}
                  </span>
                  <Button
                    kind="quiet"
                    aria-label={`Remove push ${i + 1}`}
                    onClick={() => set({ probes: pushes.filter((_, k) => k !== i) })}
                  >
                    remove
                  </Button>
                </li>
              ))}
            </ol>
          )}
          <div className="grid grid-cols-2 gap-3">
            <QuantityInput
              {...entry.quantity('tipDiameterMm')}
              onChange={(tipDiameterMm) => {
                remember('tip', tipDiameterMm)
                set({ tipDiameterMm })
              }}
            />
            <QuantityInput
              {...entry.quantity('scaleTipDiameterMm')}
              label={`${entry.label('scaleTipDiameterMm')} (if another)`}
            />
          </div>
        </>
      )}
    </PictureCapture>
  )
}

const AREA = { x: 62, y: 30, width: 320, height: 330 }

/** Strength by depth: each push a line, their spread a band, and where roots stop. */
function Strip({
  pushes,
  typed,
  drawn,
}: {
  pushes: Push[]
  typed: Reading[]
  drawn: MethodTypes['penetration']['drawn']
}) {
  const { stepMm, deepestMm, mostKPa, rootsStopKPa } = drawn
  const units = useUnits()
  const y = (mm: number) => AREA.y + (mm / deepestMm) * AREA.height
  const x = (kPa: number) => AREA.x + (Math.min(kPa, mostKPa) / mostKPa) * AREA.width
  const all = [...pushes, { readings: typed }].filter((push) => push.readings.length > 0)
  const depths = [...new Set(all.flatMap((push) => push.readings.map((each) => each.depthMm)))].sort(
    (a, b) => a - b,
  )
  const spread = depths.map((depth) => {
    const at = pushes.flatMap((push) =>
      push.readings.filter((each) => each.depthMm === depth).map((each) => each.kPa),
    )
    return { depth, low: Math.min(...at), high: Math.max(...at), count: at.length }
  })
  const band = spread.filter((each) => each.count > 1)
  return (
    <svg
      viewBox="0 0 400 372"
      className="w-full max-w-[30rem]"
      role="img"
      aria-label={
        all.length === 0
          ? 'Nothing pushed yet'
          : all
              .map(
                (push, i) =>
                  `push ${i + 1}: ${push.readings.map((each) => `${each.kPa} kPa at ${each.depthMm} mm`).join(', ')}`,
              )
              .join('; ')
      }
    >
      <rect x={AREA.x} y={AREA.y} width={AREA.width} height={AREA.height} fill="var(--soil-pale)" />
      <rect
        x={x(rootsStopKPa)}
        y={AREA.y}
        width={AREA.x + AREA.width - x(rootsStopKPa)}
        height={AREA.height}
        fill="var(--soil-4)"
        opacity="0.35"
      />
      {Array.from({ length: deepestMm / stepMm + 1 }, (_, i) => i * stepMm).map((mm) => (
        <g key={mm}>
          <line x1={AREA.x} x2={AREA.x + AREA.width} y1={y(mm)} y2={y(mm)} stroke="var(--rule)" />
          <text x={AREA.x - 8} y={y(mm) + 4.5} textAnchor="end" fontSize="14" fill="var(--soft)">
            {units.number(mm, 'mm')}
          </text>
        </g>
      ))}
      {[1000, 2000, 3000].map((kPa) => (
        <text key={kPa} x={x(kPa)} y={AREA.y - 9} textAnchor="middle" fontSize="14" fill="var(--soft)">
          {units.number(kPa, 'kPa')}
        </text>
      ))}
      <text x={AREA.x + AREA.width} y={AREA.y - 9} textAnchor="end" fontSize="14" fill="var(--soft)">
        {units.symbol('kPa')}
      </text>
      <line
        x1={x(rootsStopKPa)}
        x2={x(rootsStopKPa)}
        y1={AREA.y}
        y2={AREA.y + AREA.height}
        stroke="var(--ink)"
        strokeWidth="2"
        strokeDasharray="6 4"
      />
      <text x={x(rootsStopKPa) + 6} y={AREA.y + 18} fontSize="14" fill="var(--ink)">
        few roots get through
      </text>
      {band.length > 1 && (
        <path
          d={`M${band.map((each) => `${x(each.low)} ${y(each.depth)}`).join('L')}L${[...band]
            .reverse()
            .map((each) => `${x(each.high)} ${y(each.depth)}`)
            .join('L')}Z`}
          fill="var(--water-deep)"
          opacity="0.22"
        />
      )}
      {all.map((push, i) => {
        const last = i === all.length - 1
        const end = push.readings.at(-1)!
        return (
          <g key={i} stroke="var(--water-deep)" fill="none" strokeWidth={last ? 3 : 1.5}>
            <path
              d={`M${x(0)} ${y(0)}L${push.readings.map((each) => `${x(each.kPa)} ${y(each.depthMm)}`).join('L')}`}
            />
            <circle cx={x(end.kPa)} cy={y(end.depthMm)} r="4" fill="var(--water-deep)" />
          </g>
        )
      })}
    </svg>
  )
}
