import { Suspense, type ReactNode } from 'react'
import { asRows, type Readings } from '../api/readings'
import type { MethodEntry } from '../api/schema'
import { SCENES } from '../capture/scenes'
import { useUnits } from '../units/units'
import { words } from '../words/dates'

/** What lies in front of the learner: drawn by the test's own folder, else what its instrument says. */
export function InFront({
  method,
  readings,
  seed,
}: {
  method: MethodEntry
  readings: Readings
  seed: number
}) {
  const Scene = SCENES[method.id]
  return (
    <section
      aria-label="In front of you"
      className="grid gap-2 border-l-3 border-accent bg-stone/60 px-3 py-2"
    >
      {Scene ? (
        <Suspense>
          <Scene readings={readings} seed={seed} />
        </Suspense>
      ) : (
        <Facts method={method} readings={readings} />
      )}
    </section>
  )
}

/** What an instrument or a report says, in the words and units of the test. */
function Facts({ method, readings }: { method: MethodEntry; readings: Readings }) {
  const units = useUnits()
  const line = (entries: MethodEntry['readings'], values: Readings, path: string): ReactNode[] =>
    Object.entries(values).flatMap(([name, value]) => {
      const entry = entries.find((each) => each.name === name)
      const label = entry?.label ?? words(name)
      if (Array.isArray(value))
        return asRows(value).flatMap((row, i) => [
          <li key={`${path}${name}${i}`} className="border-t border-rule pt-1">
            <ul className="flex flex-wrap gap-x-4">{line(entry?.items ?? [], row, `${path}${name}${i}.`)}</ul>
          </li>,
        ])
      const option = entry?.options?.find((each) => each.code === value)?.label
      const said =
        typeof value === 'number'
          ? units.text(value, entry?.unit ?? '')
          : typeof value === 'boolean'
            ? value
              ? 'yes'
              : 'no'
            : (option ?? String(value))
      return [
        <li key={path + name}>
          <span className="text-soft">{label}</span> <strong>{said}</strong>
        </li>,
      ]
    })
  return <ul className="grid gap-1">{line(method.readings, readings, '')}</ul>
}
