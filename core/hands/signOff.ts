import { worksAlone, type Skill, type SkillLevel } from '../house/skills'
import { DAY_MS } from '../time'

/** A finished session of one person at one skill, and what its edge showed afterwards. */
export interface DoneSession {
  readonly endedAtMs: number
  /** whether somebody who is signed off stood beside */
  readonly beside: boolean
  /** dullest spot off the stone, gf; null where nobody tested it */
  readonly freshGf: number | null
  /** dullest spot after four to eight hours of use, gf; null where nobody has looked */
  readonly usedGf: number | null
  /** service limit of the knife, gf */
  readonly limitGf: number
}

/** What a sign-off can stand on. */
export interface Evidence {
  readonly sessions: number
  /** with somebody beside */
  readonly supervised: number
  /** of those, tested off the stone within the limit */
  readonly tested: number
  /** of those, still within it when a sharpening is judged */
  readonly held: number
  readonly lastMs: number | null
}

/** So many supervised sessions, each tested and each judged after use, before somebody works alone (common practice). */
export const SUPERVISED_WANTED = 3

export function evidenceOf(sessions: readonly DoneSession[]): Evidence {
  const supervised = sessions.filter(({ beside }) => beside)
  const within = (forceGf: number | null, { limitGf }: DoneSession): boolean => forceGf !== null && forceGf <= limitGf
  const tested = supervised.filter((one) => within(one.freshGf, one))
  return {
    sessions: sessions.length,
    supervised: supervised.length,
    tested: tested.length,
    held: tested.filter((one) => within(one.usedGf, one)).length,
    lastMs: sessions.length === 0 ? null : Math.max(...sessions.map(({ endedAtMs }) => endedAtMs)),
  }
}

/** What is still wanting before somebody may work alone; honing leaves no session to judge, and asks for none. */
export const MISSING_EVIDENCE = ['supervised', 'tested', 'held'] as const
export type MissingEvidence = (typeof MISSING_EVIDENCE)[number]

export const missingFor = (skill: Skill, evidence: Evidence): MissingEvidence[] =>
  skill === 'hone' ? [] : MISSING_EVIDENCE.filter((what) => evidence[what] < SUPERVISED_WANTED)

/** A change of level that the chef is asked about, and nobody makes by itself. */
export interface LevelProposal {
  readonly to: SkillLevel
  readonly why: 'evidence' | 'disuse' | 'results'
}

/** Nobody keeps a hand in that rests for longer (assumed: half a year). */
const DISUSE_MS = 182 * DAY_MS
/** Of the latest sessions that were judged, so many … */
const JUDGED = 3
/** … beyond the limit are no bad luck (assumed). */
const TOO_MANY = 2

/**
 * What to ask the chef about one person and skill: to let somebody work alone who has shown it, or to stand beside
 * somebody again who rested long or whose edges no longer last. Null where there is nothing to ask.
 *
 * @param signedAtMs when the level was last said: whoever was kept at it then starts anew
 */
export function proposalFor(
  { skill, level, signedAtMs }: { readonly skill: Skill; readonly level: SkillLevel; readonly signedAtMs: number },
  sessions: readonly DoneSession[],
  nowMs: number,
): LevelProposal | null {
  if (skill === 'hone') return null
  const evidence = evidenceOf(sessions)
  if (!worksAlone(level))
    return level === 'supervised' && missingFor(skill, evidence).length === 0 ? { to: 'alone', why: 'evidence' } : null
  const judged = sessions
    .filter(({ endedAtMs, usedGf }) => endedAtMs > signedAtMs && usedGf !== null)
    .sort((a, b) => b.endedAtMs - a.endedAtMs)
    .slice(0, JUDGED)
  if (judged.filter(({ usedGf, limitGf }) => (usedGf ?? 0) > limitGf).length >= TOO_MANY)
    return { to: 'supervised', why: 'results' }
  return nowMs - Math.max(signedAtMs, evidence.lastMs ?? 0) > DISUSE_MS ? { to: 'supervised', why: 'disuse' } : null
}
