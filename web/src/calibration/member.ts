// What a device holds belongs to whoever was signed in: another person on it is another member.
const MEMBER = 'calibration-member'
const SCORES = 'calibration-scores'

/** As whom a person scores in a session on this device; undefined where they only look on. */
export function memberOf(person: string, session: string) {
  return localStorage.getItem(`${MEMBER}:${person}:${session}`) ?? undefined
}

export function rememberMember(person: string, session: string, member: string) {
  localStorage.setItem(`${MEMBER}:${person}:${session}`, member)
}

/** Scores by place and test. */
export type OwnScores = Record<string, number>

/** Scores as given on this device, before the server has them. */
export function keptScores(member: string): OwnScores | undefined {
  try {
    return (
      (JSON.parse(localStorage.getItem(`${SCORES}:${member}`) ?? 'null') as OwnScores | null) ?? undefined
    )
  } catch {
    return undefined
  }
}

export function keepScores(member: string, scores: OwnScores) {
  localStorage.setItem(`${SCORES}:${member}`, JSON.stringify(scores))
}
