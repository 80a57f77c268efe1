import { useQuery } from '@tanstack/react-query'
import type { Readings } from '../api/readings'
import { useCore } from '../core/core'
import type { TrainingLike } from '../device/device'
import { queries } from '../queries/queries'

export type Level = 'clear' | 'usual' | 'hard'
export const LEVELS: { code: Level; name: string; words: string }[] = [
  { code: 'clear', name: 'Clear', words: 'One strong limit, a good day, good instruments.' },
  { code: 'usual', name: 'Usual', words: 'None, one or two limits, on the days that come.' },
  { code: 'hard', name: 'Hard', words: 'Weak limits, bad days, and what was left in the bag.' },
]

export type Deal = { seed: number; level: Level; like?: TrainingLike }
export type Named = { code: string; name: string }
export type TestLayer = { topMm: number; bottomMm: number }

/** A made-up place as the learner finds it. */
export type Place = {
  seed: number
  level: Level
  landUse: string
  context: Readings
  kitOnly: boolean
  tapWater: boolean
  seen: { finding: string; state?: string; figure?: number }[]
  tests: { method: string; minutes: number; layers: TestLayer[] }[]
  limits: Named[]
  actions: Named[]
}
export type ShownThere = { readings: Readings; passing: Record<string, Readings[]> }
export type Made = { method: string; topMm?: number; bottomMm?: number; readings: Readings }

type Cell = { value?: number; unit?: string; level?: string }
export type Beside = {
  method: string
  topMm?: number
  bottomMm?: number
  rows: { indicator: string; label: string; read?: Cell; shown?: Cell; best?: Cell }[]
  classRead?: string
  classThere?: string
}
export type Verdict = {
  truth: { constraint: string; sentence: string; severity: number }[]
  ground: Record<string, number | string>
  named?: string
  believed: { constraint: string; probability: number }[]
  actions: string[]
  minutes: number
  parMinutes: number
  parTests: string[]
  readings: Beside[]
  misled: {
    finding: string
    method: string
    state: string
    constraint: string
    there: boolean
    because: string
  }[]
  next?: {
    method: string
    minutes: number
    constraint: string
    finding: string
    state?: string
    first?: string
    probability: number
  }
  score: { limit: number; action: number; minutes: number; total: number }
}

/** The made-up ground, in the page and without signal. */
export type Ground = {
  deal: (deal: Deal) => Place
  scene: (deal: Deal, method: string, topMm: number) => ShownThere
  verdict: (deal: Deal, made: Made[], named?: string, action?: string) => Verdict
}

/** The ground, once the core and the tables of evidence are there. */
export function useGround(): Ground | undefined {
  const core = useCore()
  const evidence = useQuery(queries.coreData()).data?.evidence
  return useQuery({
    queryKey: ['training-ground'],
    enabled: core !== undefined && evidence !== undefined,
    staleTime: Infinity,
    queryFn: async (): Promise<Ground> => {
      const compiled = await import('@morphotera/core')
      compiled.openTraining(JSON.stringify(evidence))
      return {
        deal: (deal) => JSON.parse(compiled.deal(JSON.stringify(deal))),
        scene: (deal, method, topMm) => JSON.parse(compiled.scene(JSON.stringify(deal), method, topMm)),
        verdict: (deal, made, named, action) =>
          JSON.parse(compiled.verdict(JSON.stringify({ deal, made, named, action }))),
      }
    },
  }).data
}
