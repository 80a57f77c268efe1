import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { api, ApiError, must } from '../api/client'
import type { Bag, Laboratory } from '../api/schema'
import { queries } from '../queries/queries'
import { Button, buttonLook, Check, Labelled, Select } from '../ui/controls'
import { useUnits } from '../units/units'
import { useMoney } from '../units/money'
import { showDay } from '../words/dates'
import { shownCode, timeLeft, useMinute } from './bags'
import { labelled, useLabTests } from './tests'

/** Bags that are not sent: chosen for labels, or sent together. */
export function BagsHere({ bags, laboratories }: { bags: Bag[]; laboratories: Laboratory[] }) {
  const money = useMoney()
  const client = useQueryClient()
  const options = useLabTests()
  const units = useUnits()
  const now = useMinute()
  const [off, setOff] = useState<string[]>([])
  const [to, setTo] = useState('')
  const [removed, setRemoved] = useState<Bag>()
  const chosen = bags.filter((bag) => !off.includes(bag.id))
  const refresh = async () => {
    await client.invalidateQueries({ queryKey: queries.bags().queryKey })
    await client.invalidateQueries({ queryKey: queries.dispatches().queryKey })
  }
  const laboratory = laboratories.find((each) => each.id === to) ?? laboratories[0]
  const send = useMutation({
    mutationFn: ({ id, laboratoryId, bagIds }: { id: string; laboratoryId: string; bagIds: string[] }) =>
      must(
        api.PUT('/api/dispatches/{id}', {
          params: { path: { id } },
          body: { laboratoryId, sentAt: new Date().toISOString(), bagIds, version: 0 },
        }),
      ),
    onSuccess: refresh,
  })
  const remove = useMutation({
    mutationFn: (bag: Bag) => must(api.DELETE('/api/bags/{id}', { params: { path: { id: bag.id } } })),
    onSuccess: async (_, bag) => {
      setRemoved(bag)
      await refresh()
    },
  })
  const back = useMutation({
    mutationFn: (bag: Bag) =>
      must(
        api.PUT('/api/bags/{id}', {
          params: { path: { id: bag.id } },
          body: {
            visitId: bag.visitId,
            stopIds: bag.stopIds,
            depthTopMm: bag.depthTopMm,
            depthBottomMm: bag.depthBottomMm,
            takenAt: bag.takenAt,
            sampler: bag.sampler,
            tests: bag.tests,
            cores: bag.cores,
            note: bag.note,
            version: 0,
          },
        }),
      ),
    onSuccess: async () => {
      setRemoved(undefined)
      await refresh()
    },
  })
  const known = chosen.flatMap((bag) => bag.tests).map((test) => laboratory?.prices[test])
  const total = known.includes(undefined)
    ? undefined
    : known.reduce<number>((sum, price) => sum + (price ?? 0), 0)
  const error = send.error ?? remove.error ?? back.error
  return (
    <section aria-labelledby="here" className="grid gap-3">
      <h2 id="here" className="text-2xl">
        Bags here
      </h2>
      {removed && (
        <p role="status" className="flex items-center gap-3 border-l-3 border-strained pl-3">
          Removed {shownCode(removed.code)}.
          <Button kind="quiet" onClick={() => back.mutate(removed)}>
            Undo
          </Button>
        </p>
      )}
      {bags.length === 0 && (
        <p className="text-soft">None. Bag a composite, print its label, and send it from here.</p>
      )}
      <ul className="max-w-4xl">
        {bags.map((bag) => {
          const late = Date.parse(bag.until) < now
          return (
            <li
              key={bag.id}
              className="grid grid-cols-[auto_minmax(0,1fr)_auto] items-center gap-x-4 border-b border-rule py-1"
            >
              <Check
                label=""
                aria={`Bag ${bag.code}`}
                checked={!off.includes(bag.id)}
                onChange={(on) => setOff(on ? off.filter((id) => id !== bag.id) : [...off, bag.id])}
              />
              <div>
                <p>
                  <span className="font-semibold tracking-wide">{shownCode(bag.code)}</span> {bag.field}{' '}
                  <span className="text-[15px] text-soft">{bag.stops}</span>
                </p>
                <p className="text-[15px] text-soft">
                  {units.number(bag.depthTopMm, 'mm')} to {units.text(bag.depthBottomMm, 'mm')} ·{' '}
                  {labelled(bag.tests, options)} · {showDay(bag.takenAt)}
                </p>
                <p className={late ? 'text-[15px] font-semibold text-failing' : 'text-[15px]'}>
                  {late ? 'Late: it ' : 'It '}
                  {timeLeft(bag, now)}
                  {bag.cool ? '; keep it cool' : ''}.
                </p>
              </div>
              <Button
                kind="quiet"
                aria-label={`Remove bag ${bag.code}`}
                disabled={remove.isPending}
                onClick={() => remove.mutate(bag)}
              >
                Remove
              </Button>
            </li>
          )
        })}
      </ul>
      {bags.length > 0 && (
        <div className="flex flex-wrap items-end gap-3">
          <a
            className={buttonLook('plain')}
            href={`/api/labels.pdf?bags=${chosen.map((bag) => bag.id).join(',')}&zone=${encodeURIComponent(Intl.DateTimeFormat().resolvedOptions().timeZone)}`}
            target="_blank"
            rel="noreferrer"
          >
            Labels ({chosen.length})
          </a>
          {laboratory && (
            <>
              <div className="w-56">
                <Labelled label="To">
                  {(aria) => (
                    <Select {...aria} value={laboratory.id} onChange={(event) => setTo(event.target.value)}>
                      {laboratories.map((each) => (
                        <option key={each.id} value={each.id}>
                          {each.name}
                        </option>
                      ))}
                    </Select>
                  )}
                </Labelled>
              </div>
              <Button
                kind="primary"
                disabled={chosen.length === 0 || send.isPending}
                onClick={() =>
                  send.mutate({
                    id: uuid(),
                    laboratoryId: laboratory.id,
                    bagIds: chosen.map((bag) => bag.id),
                  })
                }
              >
                Note as sent
              </Button>
              <span className="pb-2.5">
                {total === undefined ? 'A price is not known.' : `${money.text(total)} in all`}
              </span>
            </>
          )}
        </div>
      )}
      {error && (
        <p role="alert" className="text-failing">
          {error instanceof ApiError ? (error.faults[0]?.message ?? error.message) : 'It was not kept.'}
        </p>
      )}
    </section>
  )
}
