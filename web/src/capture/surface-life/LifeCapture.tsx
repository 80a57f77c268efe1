import { useState } from 'react'
import { Button, Input, QuantityInput } from '../../ui/controls'
import type { CaptureProps } from '../frame/panel'
import { useEntry } from '../frame/entry'
import { Count, PictureCapture } from '../frame/parts'

/** What lives on the surface inside the quadrat: one key for each kind. */
export function LifeCapture(capture: CaptureProps<'surface-life'>) {
  const entry = useEntry(capture)
  const { readings, set } = entry
  const { kinds } = entry.method.groups
  const counts = readings.counts ?? {}
  const names = [...new Set([...kinds, ...Object.keys(counts)])]
  const [other, setOther] = useState('')
  const put = (name: string, count: number | undefined) => {
    const rest = Object.fromEntries(Object.entries(counts).filter(([key]) => key !== name))
    set({ counts: count === undefined ? rest : { ...rest, [name]: count } })
  }
  return (
    <PictureCapture
      capture={capture}
      entry={entry}
      begun={Object.keys(counts).length > 0}
      instruction={entry.say('look')}
      picture={<Quadrat counts={counts} />}
    >
      <div className="grid gap-3">
        {names.map((name) => (
          <Count key={name} label={name} value={counts[name]} onChange={(count) => put(name, count)} />
        ))}
      </div>
      <form
        noValidate
        className="flex gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          if (other.trim()) put(other.trim(), 1)
          setOther('')
        }}
      >
        <Input
          aria-label="Another kind"
          placeholder="another kind …"
          value={other}
          onChange={(event) => setOther(event.target.value)}
        />
        <Button type="submit">Add</Button>
      </form>
      <Button
        kind="quiet"
        className="justify-self-start"
        onClick={() => set({ counts: Object.fromEntries(kinds.slice(0, 1).map((name) => [name, 0])) })}
      >
        Nothing at all
      </Button>
      <QuantityInput {...entry.quantity('quadratAreaM2')} />
    </PictureCapture>
  )
}

function Quadrat({ counts }: { counts: Record<string, number> }) {
  const marks = Object.entries(counts).flatMap(([name, count], kind) =>
    Array.from({ length: Math.min(20, count) }, () => ({ name, kind })),
  )
  return (
    <svg
      viewBox="0 0 400 200"
      className="w-full max-w-[30rem]"
      role="img"
      aria-label={
        Object.entries(counts)
          .map(([name, count]) => `${count} ${name}`)
          .join(', ') || 'nothing counted yet'
      }
    >
      <rect
        x="4"
        y="4"
        width="392"
        height="192"
        fill="var(--soil-pale)"
        stroke="var(--ink)"
        strokeWidth="4"
      />
      {marks.map(({ kind }, i) => (
        <g
          key={i}
          transform={`translate(${24 + ((i * 67) % 354)} ${24 + ((i * 43) % 156)}) rotate(${(i * 47) % 360})`}
          fill="var(--soil-1)"
          stroke="var(--soil-1)"
        >
          {kind % 3 === 0 && (
            <path d="M-7 0a7 4.6 0 1 0 14 0 7 4.6 0 1 0-14 0M-3-5-6-9M3-5 6-9M-3 5-6 9M3 5 6 9" />
          )}
          {kind % 3 === 1 && <path d="M0-3a3 3 0 1 1 0 6 3 3 0 1 1 0-6M-9-6-2-1M9-6 2-1M-9 6-2 1M9 6 2 1" />}
          {kind % 3 === 2 && <path d="M-8 0c4-6 6 6 10 0s4-2 6-2" fill="none" strokeWidth="3" />}
        </g>
      ))}
    </svg>
  )
}
