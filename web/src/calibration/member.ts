const KEY = 'calibration-member:'

/** As whom this device scores in a session; undefined where it only looks on. */
export function memberOf(session: string) {
  return localStorage.getItem(KEY + session) ?? undefined
}

export function rememberMember(session: string, member: string) {
  localStorage.setItem(KEY + session, member)
}

const SCORES = 'calibration-scores:'

export type OwnScores = Record<string, number>

/** Scores as given on this device, by place and test, before the server has them. */
export function keptScores(member: string): OwnScores | undefined {
  try {
    return JSON.parse(localStorage.getItem(SCORES + member) ?? 'null') as OwnScores | undefined
  } catch {
    return undefined
  }
}

export function keepScores(member: string, scores: OwnScores) {
  localStorage.setItem(SCORES + member, JSON.stringify(scores))
}
