import { useState } from 'react'
import type { MethodEntry } from '../api/schema'
import { Framed } from '../drawings/Framed'
import { Button } from '../ui/controls'
import { useKeys } from '../ui/keys'
import { Panel } from '../ui/Panel'
import { examplesOf, type Example } from './steps'

/** One tap, or `x`, from a test that is judged by eye to what each step of its scale looks like. */
export function Examples({ method }: { method: MethodEntry }) {
  const [open, setOpen] = useState(false)
  const examples = examplesOf(method)
  useKeys({ x: () => examples.length > 0 && setOpen(true) })
  if (examples.length === 0) return null
  return (
    <>
      <Button kind="quiet" onClick={() => setOpen(true)}>
        Examples
      </Button>
      <Panel title={`${method.title}: what the steps look like`} open={open} onClose={() => setOpen(false)}>
        <p className="mb-3 text-soft">
          Drawn, not photographed: what to look for at each step. The soil in front of you decides.
        </p>
        <ExampleList examples={examples} />
      </Panel>
    </>
  )
}

export function ExampleList({ examples }: { examples: Example[] }) {
  return (
    <ul className="grid gap-4">
      {examples.map((example) => (
        <li key={example.name} className="grid gap-1 border-t border-rule pt-3">
          <Framed label={`${example.name}: ${example.words}`}>{example.drawing}</Framed>
          <p>
            <strong>{example.name}</strong> <span className="text-soft">{example.words}</span>
          </p>
        </li>
      ))}
    </ul>
  )
}
