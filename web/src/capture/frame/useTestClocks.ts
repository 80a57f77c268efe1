import { useContext } from 'react'
import { clocks } from '../../timers/clocks'
import { OnBench } from './panel'

const STILL: Pick<typeof clocks, 'put' | 'done'> = {
  put: () => Promise.resolve({ sent: false }),
  done: () => Promise.resolve({ sent: false }),
}

/** The clocks of a test; on the bench none is kept. */
export function useTestClocks(): Pick<typeof clocks, 'put' | 'done'> {
  return useContext(OnBench) ? STILL : clocks
}
