import { useLive } from '../core/core'
import { Button } from '../ui/controls'
import { Figures, Notes, Ratings } from '../visits/Results'
import { PanelLayout, RecordButton, useRecord, type CaptureProps } from './panel'
import { pruned, ReadingForm } from './ReadingForm'

/** The plain capture of any method that has no picture of its own. */
export function FormCapture(props: CaptureProps) {
  const { draft, method, context } = props
  const readings = pruned(method.readings, draft.content.readings)
  const live = useLive(method.id, readings, context)
  const record = useRecord(props)
  const begun = Object.keys(readings).length > 0
  return (
    <PanelLayout
      instruction={method.steps[0] ?? method.purpose}
      picture={
        <ReadingForm
          entries={method.readings}
          readings={draft.content.readings}
          onChange={(next) => draft.change({ ...draft.content, readings: next })}
          faults={begun ? live?.faults : undefined}
        />
      }
      side={
        live?.envelope ? (
          <>
            <Ratings
              envelope={live.envelope}
              labels={Object.fromEntries(method.indicators.map((each) => [each.id, each.label]))}
            />
            <Figures envelope={live.envelope} labels={method.labels} />
            <Notes envelope={live.envelope} />
          </>
        ) : (
          <p className="text-soft">{method.purpose}</p>
        )
      }
      foot={
        <>
          <Button className="min-h-13" disabled={!draft.undo} onClick={draft.undo}>
            Undo
          </Button>
          <RecordButton
            record={record}
            readings={readings}
            envelope={live?.envelope}
            correcting={draft.place.supersedes !== undefined}
          />
        </>
      }
    />
  )
}
