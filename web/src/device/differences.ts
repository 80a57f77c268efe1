import type { Envelope } from '../api/schema'

const NEAR = 1e-6

/** Where the server's evaluation says something else than the page's did, in words; undefined where they agree. */
export function different(page: Envelope, server: Envelope): string | undefined {
  const told: string[] = []
  for (const rating of server.ratings.filter((each) => each.school === 'standing')) {
    const mine = page.ratings.find(
      (each) => each.school === 'standing' && each.indicator === rating.indicator,
    )
    if (!mine || Math.abs((mine.standing ?? 0) - (rating.standing ?? 0)) > NEAR)
      told.push(`${rating.indicator} ${mine?.level ?? 'nothing'} here, ${rating.level} on the server`)
  }
  for (const [name, value] of Object.entries(server.values)) {
    const mine = page.values[name]?.value
    if (mine === undefined || Math.abs(mine - value.value) > NEAR * Math.max(1, Math.abs(value.value)))
      told.push(`${name} ${mine ?? 'nothing'} here, ${value.value} on the server`)
  }
  const codes = (envelope: Envelope) => new Set(envelope.notes.map((each) => each.code))
  const [here, there] = [codes(page), codes(server)]
  for (const note of server.notes.filter((each) => !here.has(each.code)))
    told.push(`the server adds “${note.text}”`)
  for (const note of page.notes.filter((each) => !there.has(each.code)))
    told.push(`“${note.text}” stands here only`)
  return told.length > 0 ? told.join('; ') : undefined
}

/** The entries in which two versions of the same thing differ, in their order. */
export function differingEntries(mine: Record<string, unknown> = {}, other: Record<string, unknown> = {}) {
  const skipped = new Set(['id', 'version', 'updatedAt'])
  return Object.keys(mine)
    .filter((name) => !skipped.has(name) && name in other)
    .filter((name) => JSON.stringify(mine[name]) !== JSON.stringify(other[name]))
    .map((name) => ({ name, mine: mine[name], other: other[name] }))
}
