import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useCallback } from 'react'
import { store, type TrainingRound } from '../device/device'
import { queries } from '../queries/queries'
import type { Deal } from './ground'

export type Round = TrainingRound

const KEPT = 200

const SEEDS = 1_000_000

/** A number to draw a place by; shown, so that a round can be played again. */
export function freshSeed() {
  return Math.floor(Math.random() * SEEDS)
}

/** Whether a place can be drawn by a number. */
export function isSeed(seed: number) {
  return Number.isInteger(seed) && seed >= 0 && seed < SEEDS
}

export function newRound(person: string, deal: Deal): Round {
  return {
    id: crypto.randomUUID(),
    person,
    deal,
    begunAt: Date.now(),
    passedMs: 0,
    speed: 1,
    contents: {},
    timers: [],
    made: [],
  }
}

/** The rounds of whoever is signed in, the newest first; the device keeps them, signed out or not. */
export function useRounds() {
  const client = useQueryClient()
  const person = useQuery(queries.session()).data?.me?.id
  const { data: rounds } = useQuery({
    queryKey: ['rounds', person],
    enabled: person !== undefined,
    staleTime: Infinity,
    queryFn: async () =>
      (await store.rounds.where('person').equals(person!).toArray()).sort((a, b) => b.begunAt - a.begunAt),
  })
  const put = useCallback(
    (round: Round) => {
      client.setQueryData<Round[]>(['rounds', round.person], (before = []) =>
        [round, ...before.filter((each) => each.id !== round.id)].sort((a, b) => b.begunAt - a.begunAt),
      )
      void keep(round)
    },
    [client],
  )
  /** Over the round as it is at this very moment: two changes in one step both count. */
  const change = useCallback(
    (id: string, update: (round: Round) => Round) => {
      const now = client
        .getQueryData<Round[]>(['rounds', person])
        ?.find((each) => each.id === id && each.endedAt === undefined)
      if (now) put(update(now))
    },
    [client, person, put],
  )
  const current = rounds?.find((round) => round.endedAt === undefined)
  return { person, rounds, current, put, change }
}

export type ChangeRound = ReturnType<typeof useRounds>['change']

async function keep(round: Round) {
  try {
    await store.rounds.put(round)
    const own = await store.rounds.where('person').equals(round.person).sortBy('begunAt')
    if (own.length > KEPT)
      await store.rounds.bulkDelete(own.slice(0, own.length - KEPT).map((each) => each.id))
  } catch {
    // a browser that forbids its store still plays from memory
  }
}
