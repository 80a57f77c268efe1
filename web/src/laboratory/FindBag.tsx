import { useMutation } from '@tanstack/react-query'
import { useState } from 'react'
import { api, ApiError, must } from '../api/client'
import type { Bag } from '../api/schema'
import { Button, Input, Labelled } from '../ui/controls'
import { useUnits } from '../units/units'
import { showDay } from '../words/dates'
import { shownCode } from './bags'
import { ScanCode } from './ScanCode'
import { labelled, useLabTests } from './tests'

/** A bag by the code on its label, typed or seen by the camera. */
export function FindBag() {
  const [typed, setTyped] = useState('')
  const [camera, setCamera] = useState(false)
  const find = useMutation({
    mutationFn: (code: string) => must(api.GET('/api/bags', { params: { query: { code } } })),
  })
  const found = find.data?.[0]
  return (
    <section aria-label="Find a bag" className="grid max-w-xl gap-3">
      <form
        className="flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          find.mutate(typed)
        }}
      >
        <div className="w-40">
          <Labelled label="Code on a label">
            {(aria) => (
              <Input
                {...aria}
                value={typed}
                maxLength={12}
                autoCapitalize="characters"
                autoComplete="off"
                placeholder="7K3 F9Q"
                onChange={(event) => setTyped(event.target.value)}
              />
            )}
          </Labelled>
        </div>
        <Button type="submit" disabled={typed.trim() === '' || find.isPending}>
          Find it
        </Button>
        <Button onClick={() => setCamera(!camera)} aria-expanded={camera}>
          Scan
        </Button>
      </form>
      {camera && (
        <ScanCode
          onClose={() => setCamera(false)}
          onFound={(code) => {
            setCamera(false)
            setTyped(code)
            find.mutate(code)
          }}
        />
      )}
      <div role="status">
        {found && <BagLine bag={found} />}
        {find.data?.length === 0 && <p>No bag of yours has this code.</p>}
        {find.isError && (
          <p className="text-failing">
            {find.error instanceof ApiError
              ? (find.error.faults[0]?.message ?? find.error.message)
              : 'It could not be looked for.'}
          </p>
        )}
      </div>
    </section>
  )
}

const STATES: Record<string, string> = {
  here: 'not sent yet',
  sent: 'at the laboratory',
  answered: 'answered',
}

function BagLine({ bag }: { bag: Bag }) {
  const units = useUnits()
  const options = useLabTests()
  return (
    <p>
      <span className="font-semibold tracking-wide">{shownCode(bag.code)}</span> {bag.field}
      <span className="block text-[15px] text-soft">
        {bag.stops} · {units.number(bag.depthTopMm, 'mm')} to {units.text(bag.depthBottomMm, 'mm')} ·{' '}
        {labelled(bag.tests, options)} · {showDay(bag.takenAt)}, {bag.sampler} · {STATES[bag.state]}
      </span>
    </p>
  )
}
