import { useMutation } from '@tanstack/react-query'
import { useContext, useState } from 'react'
import { sendPhoto } from '../../photos/photos'
import type { DraftState } from '../frame/drafts'
import { OnBench } from '../frame/panel'
import type { Pixels } from './pixels'

/** Whether a reading is being taken from a photo; the photo is kept with the test once its proposal is taken. */
export function usePhoto(draft: DraftState) {
  const [open, setOpen] = useState(false)
  const bench = useContext(OnBench) !== undefined
  const keep = useMutation({
    mutationFn: async (pictures: Pixels[]) => {
      const { visitId, stopId, method, depthTopMm } = draft.place
      for (const picture of pictures)
        await sendPhoto(picture.blob, { visit: visitId, stop: stopId, method, depthMm: depthTopMm })
    },
  })
  return {
    open,
    begin: () => setOpen(true),
    leave: () => setOpen(false),
    taken: (pictures: Pixels[]) => {
      setOpen(false)
      // on the bench nothing is kept
      if (!bench) keep.mutate(pictures)
    },
    failed: keep.isError,
  }
}
