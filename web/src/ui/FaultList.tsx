import { useState } from 'react'
import type { Fault } from '../api/client'
import { Button } from './controls'

const FIRST = 12

/** What was wrong with something that was sent, line by line. */
export function FaultList({ faults, of }: { faults: Fault[]; of: string }) {
  const [all, setAll] = useState(false)
  const shown = all ? faults : faults.slice(0, FIRST)
  return (
    <div role="alert" className="grid gap-2 border-l-3 border-failing pl-3">
      <p className="font-semibold">
        {faults.length === 1 ? 'One thing is' : `${faults.length} things are`} wrong in {of}. Nothing was
        stored.
      </p>
      <ul className="grid gap-1 text-[15px]" aria-label="Faults">
        {shown.map((fault, i) => (
          <li key={i} className="grid gap-x-4 sm:grid-cols-[12rem_minmax(0,1fr)]">
            <span className="font-semibold break-words">{fault.field}</span>
            <span>{fault.message}</span>
          </li>
        ))}
      </ul>
      {shown.length < faults.length && (
        <Button kind="quiet" className="justify-self-start" onClick={() => setAll(true)}>
          Show all {faults.length}
        </Button>
      )}
    </div>
  )
}
