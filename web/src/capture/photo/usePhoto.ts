import { useMutation } from '@tanstack/react-query'
import { useContext, useEffect, useState } from 'react'
import type { FromPhotoWrite } from '../../api/schema'
import { sendPhoto } from '../../photos/photos'
import type { DraftState } from '../frame/drafts'
import { OnBench } from '../frame/panel'
import type { Pixels } from './pixels'
import { hasLooks } from './useLooks'

/** Whether a reading is being taken from a photo; the photo is kept with the test once its proposal is taken. */
export function usePhoto(draft: DraftState) {
  const [open, setOpen] = useState(false)
  const bench = useContext(OnBench) !== undefined
  const { id } = draft.place
  useEffect(() => {
    let here = true
    // a series goes on where it was when the page was left
    if (!bench) void hasLooks(id).then((begun) => here && begun && setOpen(true))
    return () => {
      here = false
    }
  }, [bench, id])
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
    /** @param photo what the pictures proposed, where it is of what is recorded */
    taken: (pictures: Pixels[], photo?: FromPhotoWrite) => {
      setOpen(false)
      if (photo) draft.proposed?.(photo)
      // on the bench nothing is kept
      if (!bench) keep.mutate(pictures)
    },
    failed: keep.isError,
  }
}
