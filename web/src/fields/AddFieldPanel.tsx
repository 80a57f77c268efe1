import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useForm, useWatch } from 'react-hook-form'
import { useNavigate } from 'react-router'
import { v7 as uuid } from 'uuid'
import { api, ApiError, must } from '../api/client'
import { queries } from '../queries/queries'
import type { ReadingEntry } from '../api/schema'
import { Button, Input, Labelled, QuantityInput, Select } from '../ui/controls'
import { Panel } from '../ui/Panel'

type Entry = {
  name: string
  growerId: string
  growerName: string
  landUse: string
  crop: string
  textureClass: string
  purpose: string
  stops: number
}

const NEW = 'new'

/** A new field with its grower and its first stops. */
export function AddFieldPanel({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Panel title="Add a field" open={open} onClose={onClose}>
      <AddField />
    </Panel>
  )
}

function AddField() {
  const client = useQueryClient()
  const navigate = useNavigate()
  const growers = useQuery(queries.growers()).data ?? []
  const context = useQuery(queries.coreData()).data?.context ?? []
  const [areaHa, setAreaHa] = useState<number>()
  const [ids] = useState(() => ({
    field: uuid(),
    grower: uuid(),
    stops: Array.from({ length: 20 }, () => uuid()),
  }))
  const form = useForm<Entry>({
    defaultValues: { landUse: 'arable', purpose: 'field', stops: 5, growerId: '' },
  })
  const grower = useWatch({ control: form.control, name: 'growerId' })
  const isNew = growers.length === 0 || grower === NEW
  const add = useMutation({
    mutationFn: async (entry: Entry) => {
      const growerId = isNew ? ids.grower : entry.growerId
      if (isNew) {
        await must(
          api.PUT('/api/growers/{id}', {
            params: { path: { id: growerId } },
            body: { name: entry.growerName, version: 0 },
          }),
        )
      }
      await must(
        api.PUT('/api/fields/{id}', {
          params: { path: { id: ids.field } },
          body: {
            growerId,
            name: entry.name,
            landUse: entry.landUse,
            crop: entry.crop || undefined,
            textureClass: entry.textureClass || undefined,
            purpose: entry.purpose,
            areaHa,
            version: 0,
          },
        }),
      )
      for (let i = 0; i < entry.stops; i++) {
        await must(
          api.PUT('/api/stops/{id}', {
            params: { path: { id: ids.stops[i]! } },
            body: { fieldId: ids.field, label: `Stop ${i + 1}`, position: i + 1, version: 0 },
          }),
        )
      }
    },
    onSuccess: async () => {
      await client.invalidateQueries()
      void navigate(`/fields/${ids.field}`)
    },
  })
  const { errors } = form.formState
  const faults = add.error instanceof ApiError ? add.error.faults : []
  const faultAt = (name: string) => faults.find((fault) => fault.field === name)?.message
  const options = (name: string) => context.find((each: ReadingEntry) => each.name === name)?.options ?? []
  return (
    <form noValidate className="grid gap-4" onSubmit={form.handleSubmit((entry) => add.mutate(entry))}>
      <Labelled label="Name of the field" error={errors.name?.message ?? faultAt('name')}>
        {(aria) => (
          <Input {...aria} autoFocus {...form.register('name', { required: 'Give the field a name.' })} />
        )}
      </Labelled>
      {growers.length > 0 && (
        <Labelled label="Grower" error={errors.growerId?.message}>
          {(aria) => (
            <Select {...aria} {...form.register('growerId', { required: 'Choose a grower, or a new one.' })}>
              <option value="">choose …</option>
              {growers.map((each) => (
                <option key={each.id} value={each.id}>
                  {each.name}
                </option>
              ))}
              <option value={NEW}>a new grower</option>
            </Select>
          )}
        </Labelled>
      )}
      {isNew && (
        <Labelled label="Name of the grower" error={errors.growerName?.message}>
          {(aria) => <Input {...aria} {...form.register('growerName', { required: 'Name the grower.' })} />}
        </Labelled>
      )}
      <div className="grid grid-cols-2 gap-4">
        <Labelled label="Land use">
          {(aria) => (
            <Select {...aria} {...form.register('landUse')}>
              {options('landUse').map((option) => (
                <option key={option.code} value={option.code}>
                  {option.label}
                </option>
              ))}
            </Select>
          )}
        </Labelled>
        <Labelled label="Crop">{(aria) => <Input {...aria} {...form.register('crop')} />}</Labelled>
        <QuantityInput label="Area" unit="ha" value={areaHa} onChange={setAreaHa} error={faultAt('areaHa')} />
        <Labelled label="Texture, if known">
          {(aria) => (
            <Select {...aria} {...form.register('textureClass')}>
              <option value="">not known yet</option>
              {options('textureClass').map((option) => (
                <option key={option.code} value={option.code}>
                  {option.label}
                </option>
              ))}
            </Select>
          )}
        </Labelled>
        <Labelled label="Drainage judged for">
          {(aria) => (
            <Select {...aria} {...form.register('purpose')}>
              {options('purpose').map((option) => (
                <option key={option.code} value={option.code}>
                  {option.label}
                </option>
              ))}
            </Select>
          )}
        </Labelled>
        <Labelled label="Stops" error={errors.stops?.message} help="Five where the field is to be scored">
          {(aria) => (
            <Input
              {...aria}
              type="number"
              min={1}
              max={20}
              {...form.register('stops', {
                valueAsNumber: true,
                min: { value: 1, message: 'At least one stop.' },
                max: { value: 20, message: 'At most 20 stops.' },
                validate: (count) => Number.isInteger(count) || 'A whole number of stops.',
              })}
            />
          )}
        </Labelled>
      </div>
      {add.isError && faults.length === 0 && (
        <p role="alert" className="text-failing">
          {add.error.message}
        </p>
      )}
      <Button kind="primary" type="submit" disabled={add.isPending}>
        {add.isPending ? 'Adding …' : 'Add the field'}
      </Button>
    </form>
  )
}
