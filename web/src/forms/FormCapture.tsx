import type { CaptureProps } from '../capture/frame/panel'
import { pruned } from '../api/readings'
import { useOutcome } from '../capture/frame/entry'
import { PictureCapture } from '../capture/frame/parts'
import { ReadingForm } from './ReadingForm'

/** The plain capture of a method that is a few figures or a choice. */
export function FormCapture(capture: CaptureProps) {
  const { draft, method, context } = capture
  const sent = pruned(method.readings, draft.content.readings)
  const { live, warnings } = useOutcome(method.id, sent, context)
  const begun = Object.keys(sent).length > 0
  return (
    <PictureCapture
      capture={capture}
      entry={{ sent, live, warnings }}
      begun={begun}
      instruction={method.steps[0] ?? method.purpose}
      picture={
        <ReadingForm
          entries={method.readings}
          readings={draft.content.readings}
          onChange={(next) => draft.change({ ...draft.content, readings: next })}
          faults={begun ? live?.faults : undefined}
        />
      }
    />
  )
}
