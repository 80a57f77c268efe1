import { useContext } from 'react'
import { clocks, OwnTime } from '../../timers/clocks'
import { OnBench } from './panel'

type TestClocks = Pick<typeof clocks, 'put' | 'done'>

const STILL: TestClocks = {
  put: () => Promise.resolve({ sent: false }),
  done: () => Promise.resolve({ sent: false }),
}

/** The clocks of a test; on the bench none is kept, in a training round its own run. */
export function useTestClocks(): TestClocks {
  const own = useContext(OwnTime)
  const bench = useContext(OnBench)
  return own ?? (bench ? STILL : clocks)
}
