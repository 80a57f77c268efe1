import { useQuery } from '@tanstack/react-query'
import type { Readings } from '../../api/readings'
import { useCore } from '../../core/core'
import { useScene } from '../frame/panel'
import { pixelsFrom, type Pixels } from './pixels'

const SEEDS = 9973

/** The same soil is drawn the same each time. */
function seedOf(text: string) {
  let seed = 7
  for (let i = 0; i < text.length; i++) seed = (seed * 31 + text.charCodeAt(i)) % SEEDS
  return seed
}

/**
 * What a camera sees on the training ground, where there is no field: the made-up soil, drawn.
 * @param shown what the test reads at this moment, where time changes it
 */
export function useSeen(
  kind: string,
  which = 0,
  shown = (readings: Readings) => readings,
): { practising: boolean; seen: Pixels | undefined } {
  const core = useCore()
  const scene = useScene()
  const readings = scene && shown(scene.readings)
  const { data: seen } = useQuery({
    queryKey: ['seen', kind, which, JSON.stringify(readings)],
    enabled: core !== undefined && readings !== undefined,
    staleTime: Infinity,
    queryFn: () =>
      pixelsFrom(core!.drawnPhoto(kind, readings!, seedOf(JSON.stringify(scene!.readings)), which)),
  })
  return { practising: scene !== undefined, seen }
}
