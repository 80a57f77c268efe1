import { useContext, useEffect, useRef, useState } from 'react'
import { Button } from '../../ui/controls'
import { useUnits } from '../../units/units'
import { OnBench, type CaptureProps } from './panel'

type Shown = { value: number; unit: string; stable: boolean; simulated: boolean }

/** Reads an instrument as it streams: what it shows now, whether it stands still, and one reading when it does. */
export function MeterButton({
  instrument,
  capture,
  label,
  depthMm,
  onReading,
}: {
  instrument: 'conductivity-probe' | 'ph-meter' | 'penetrometer'
  capture: CaptureProps
  label: string
  depthMm?: number
  onReading: (value: number) => void
}) {
  const units = useUnits()
  const trial = useContext(OnBench)
  const [on, setOn] = useState(false)
  const [shown, setShown] = useState<Shown>()
  const [when, setWhen] = useState(false)
  const [trouble, setTrouble] = useState(false)
  const stop = () => {
    setOn(false)
    setShown(undefined)
    setWhen(false)
  }
  const { stop: at } = capture
  const heard = useRef<(next: Shown) => void>(() => {})
  useEffect(() => {
    heard.current = (next) => {
      setTrouble(false)
      setShown(next)
      if (when && next.stable) {
        onReading(next.value)
        stop()
      }
    }
  })
  useEffect(() => {
    if (!on) return
    const query = new URLSearchParams({ stop: at.id })
    if (depthMm !== undefined) query.set('depthMm', String(depthMm))
    const source = new EventSource(`/api/devices/${instrument}/readings?${query}`)
    source.onmessage = (event) => heard.current(JSON.parse(event.data as string) as Shown)
    source.onerror = () => setTrouble(true)
    return () => source.close()
  }, [on, instrument, at.id, depthMm])
  if (trial) return null
  if (!on)
    return (
      <Button className="justify-self-start" onClick={() => setOn(true)}>
        {label}
      </Button>
    )
  return (
    <section aria-label={label} className="grid gap-2 border-l-3 border-accent pl-3">
      <p className="flex flex-wrap items-baseline gap-x-3" aria-live="polite">
        <span className="text-3xl font-bold">{shown ? units.text(shown.value, shown.unit) : '…'}</span>
        <span className={shown?.stable ? 'font-semibold' : 'text-soft'}>
          {trouble ? 'not heard from' : shown?.stable ? 'stands still' : 'still moving'}
        </span>
        {shown?.simulated && <span className="text-sm text-soft">simulated instrument</span>}
      </p>
      <div className="flex flex-wrap gap-2">
        <Button kind="primary" disabled={when} onClick={() => setWhen(true)}>
          {when ? 'Waiting until it stands …' : 'Take it when stable'}
        </Button>
        <Button
          disabled={!shown}
          onClick={() => {
            onReading(shown!.value)
            stop()
          }}
        >
          Take it now
        </Button>
        <Button kind="quiet" onClick={stop}>
          Put it away
        </Button>
      </div>
    </section>
  )
}
