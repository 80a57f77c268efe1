import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { queries } from '../queries/queries'
import type { VisitView } from '../api/schema'
import { Button } from '../ui/controls'
import { Panel } from '../ui/Panel'
import { Notice } from '../ui/states'
import { useUnits } from '../units/units'
import { ConditionsForm, conditionsFaults, type DayConditions } from './ConditionsForm'
import { changed, keepVisit } from './keepVisit'

/** Who, how wet, how warm; and what to mind about such a day. */
export function DayLine({ view }: { view: VisitView }) {
  const units = useUnits()
  const client = useQueryClient()
  const { visit } = view
  const [open, setOpen] = useState(false)
  const [day, setDay] = useState<DayConditions>({})
  const save = useMutation({
    mutationFn: () => keepVisit(visit.id, changed(visit, day)),
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: queries.visit(visit.id).queryKey })
      setOpen(false)
    },
  })
  const facts = [
    visit.person,
    visit.soilMoisture && `soil ${visit.soilMoisture}`,
    visit.daysSinceRain !== undefined && `${visit.daysSinceRain} d since rain`,
    visit.soilTempC !== undefined && `soil at ${units.text(visit.soilTempC, '°C')}`,
    visit.lastManagement,
    visit.carbonAdded && 'straw or wood dug in last autumn',
  ].filter(Boolean)
  return (
    <div className="grid gap-2">
      <p>
        {facts.join(' · ')}{' '}
        <Button
          kind="quiet"
          onClick={() => {
            const { soilMoisture, daysSinceRain, soilTempC, lastManagement, carbonAdded } = visit
            setDay({ soilMoisture, daysSinceRain, soilTempC, lastManagement, carbonAdded })
            setOpen(true)
          }}
        >
          Change conditions
        </Button>
      </p>
      {view.warnings.map((note) => (
        <Notice key={note.code} severity="caution">
          {units.prose(note.text)}
        </Notice>
      ))}
      <Panel title="Conditions of the day" open={open} onClose={() => setOpen(false)}>
        <form
          noValidate
          className="grid gap-4"
          onSubmit={(event) => {
            event.preventDefault()
            save.mutate()
          }}
        >
          <ConditionsForm
            day={day}
            visitedOn={visit.visitedOn}
            stops={view.stops}
            onChange={setDay}
            faults={conditionsFaults(save.error)}
          />
          {save.isError && (
            <p role="alert" className="text-failing">
              {save.error.message}
            </p>
          )}
          <p className="text-sm text-soft">
            Tests already recorded keep the conditions they were evaluated with.
          </p>
          <Button kind="primary" type="submit" disabled={save.isPending}>
            Keep
          </Button>
        </form>
      </Panel>
    </div>
  )
}
