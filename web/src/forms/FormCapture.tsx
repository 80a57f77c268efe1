import type { CaptureProps } from '../capture/frame/panel'
import { PictureCapture, useEntry } from '../capture/frame/parts'
import { ReadingForm } from './ReadingForm'

/** The plain capture of a method that is a few figures or a choice. */
export function FormCapture(capture: CaptureProps) {
  const { draft, method } = capture
  const entry = useEntry(capture)
  const begun = Object.keys(entry.sent).length > 0
  return (
    <PictureCapture
      capture={capture}
      entry={entry}
      begun={begun}
      instruction={method.steps[0] ?? method.purpose}
      picture={
        <ReadingForm
          entries={method.readings}
          readings={draft.content.readings}
          onChange={(next) => draft.change({ ...draft.content, readings: next })}
          faults={begun ? entry.live?.faults : undefined}
        />
      }
    />
  )
}
