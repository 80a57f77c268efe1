import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { api, ApiError, must } from '../api/client'
import type { Laboratory } from '../api/schema'
import { queries } from '../queries/queries'
import { Button, Check, Input, Labelled } from '../ui/controls'
import { useMoney } from '../units/money'
import { useLabTests } from './tests'

/** A laboratory with its prices. */
export function LaboratoryForm({ known, onDone }: { known?: Laboratory; onDone: () => void }) {
  const client = useQueryClient()
  const options = useLabTests()
  const money = useMoney()
  const [id] = useState(() => known?.id ?? uuid())
  const [name, setName] = useState(known?.name ?? '')
  const [contact, setContact] = useState(known?.contact ?? '')
  const [simulated, setSimulated] = useState(known?.simulated ?? false)
  const [prices, setPrices] = useState<Record<string, string>>(() =>
    Object.fromEntries(Object.entries(known?.prices ?? {}).map(([test, price]) => [test, String(price)])),
  )
  const save = useMutation({
    mutationFn: () =>
      must(
        api.PUT('/api/laboratories/{id}', {
          params: { path: { id } },
          body: {
            name: name.trim(),
            contact: contact.trim() || undefined,
            simulated,
            prices: Object.entries(prices)
              .filter(([, price]) => price.trim() !== '')
              .map(([test, price]) => ({ test, price: Number(price.replace(',', '.')) })),
            version: known?.version ?? 0,
          },
        }),
      ),
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: queries.laboratories().queryKey })
      await client.invalidateQueries({ queryKey: queries.dispatches().queryKey })
      onDone()
    },
  })
  const wrong = Object.values(prices).some((price) => Number.isNaN(Number(price.replace(',', '.'))))
  return (
    <form
      className="grid gap-4"
      onSubmit={(event) => {
        event.preventDefault()
        save.mutate()
      }}
    >
      <Labelled label="Name">
        {(aria) => (
          <Input {...aria} value={name} maxLength={200} onChange={(event) => setName(event.target.value)} />
        )}
      </Labelled>
      <Labelled label="Where to send, whom to ask (if any)">
        {(aria) => (
          <Input
            {...aria}
            value={contact}
            maxLength={400}
            onChange={(event) => setContact(event.target.value)}
          />
        )}
      </Labelled>
      <Check
        label="Simulated: answers by itself, to try it out"
        checked={simulated}
        onChange={setSimulated}
      />
      <fieldset className="grid gap-2">
        <legend className="mb-1 text-sm text-soft">
          {money.isSet ? money.sum('Price of a test') : 'Price of a test, as your practice counts'}
        </legend>
        {options.map((option) => (
          <label key={option.code} className="grid grid-cols-[minmax(0,1fr)_7rem] items-center gap-3">
            <span>{option.label}</span>
            <Input
              inputMode="decimal"
              value={prices[option.code] ?? ''}
              onChange={(event) => setPrices({ ...prices, [option.code]: event.target.value })}
            />
          </label>
        ))}
      </fieldset>
      {(wrong || save.isError) && (
        <p role="alert" className="text-failing">
          {wrong
            ? 'A price is no number. Write it with digits.'
            : save.error instanceof ApiError
              ? (save.error.faults[0]?.message ?? save.error.message)
              : 'It was not kept.'}
        </p>
      )}
      <Button type="submit" kind="primary" disabled={name.trim() === '' || wrong || save.isPending}>
        Keep it
      </Button>
    </form>
  )
}
