import type { KnifeType } from '../knife/knifeTypes'

/**
 * How often a house sharpens, by the schools of the trade (common practice): by what the edge asks for; after every
 * job, as butchers do; a little every week; every so many weeks; two or three times a year and honed each time in
 * between, as culinary schools teach; on an abrasive rod first, as long as that helps; stropped, with a stone each week.
 */
export const SCHOOLS = [
  'by-condition',
  'every-job',
  'weekly',
  'every-weeks',
  'few-a-year',
  'rod-first',
  'strop-weekly',
] as const
export type School = (typeof SCHOOLS)[number]

/** When a rod or strop is taken to a knife. */
export const HONING_RULES = ['before-service', 'when-drawn', 'never'] as const
export type HoningRule = (typeof HONING_RULES)[number]

export interface Policy {
  readonly school: School
  /** weeks between sessions, of `every-weeks`; 1–26 */
  readonly weeks: number
  /** sessions a year, of `few-a-year` */
  readonly timesAYear: 2 | 3
  readonly honing: HoningRule
  /** nobody but its holder takes a knife to the stone */
  readonly ownHands: boolean
}

/** What a rule is for: the narrower one counts. */
export const POLICY_SCOPES = ['house', 'type', 'station', 'person'] as const
export type PolicyScope = (typeof POLICY_SCOPES)[number]

/** A house's rule for some of its knives. */
export interface PolicyRule extends Policy {
  readonly scope: PolicyScope
  /** kind of knife, station or person; empty for the whole house */
  readonly of: string
}

/** What Yorvik does where a house has said nothing. */
export const BY_CONDITION: Policy = {
  school: 'by-condition',
  weeks: 4,
  timesAYear: 2,
  honing: 'before-service',
  ownHands: false,
}

/** The knife a rule is looked up for. */
export interface PolicyKnife {
  readonly type: KnifeType
  readonly stationId: string | null
  readonly holderId: string | null
}

/** The rule that counts for a knife: its holder's before its station's, before its kind's, before the house's. */
export function policyFor(rules: readonly PolicyRule[], { type, stationId, holderId }: PolicyKnife): Policy {
  const names: Readonly<Record<PolicyScope, string | null>> = {
    house: '',
    type,
    station: stationId,
    person: holderId,
  }
  const own = rules.filter(({ scope, of }) => names[scope] === of)
  return (
    own.reduce<PolicyRule | null>(
      (best, rule) =>
        best === null || POLICY_SCOPES.indexOf(rule.scope) > POLICY_SCOPES.indexOf(best.scope) ? rule : best,
      null,
    ) ?? BY_CONDITION
  )
}

const DAYS_A_WEEK = 7
const DAYS_A_YEAR = 365

/** Days between two sessions by a rule of the calendar; null where the edge decides, or every job. */
export function daysBetween({ school, weeks, timesAYear }: Policy): number | null {
  if (school === 'weekly' || school === 'strop-weekly') return DAYS_A_WEEK
  if (school === 'every-weeks') return DAYS_A_WEEK * weeks
  return school === 'few-a-year' ? Math.round(DAYS_A_YEAR / timesAYear) : null
}

/** Why a rule cannot be meant as it stands. */
export type PolicyProblem = 'twice' | 'needs-honing'

/** Schools that live by the rod or the strop. */
const NEEDS_HONING: ReadonlySet<School> = new Set(['few-a-year', 'rod-first', 'strop-weekly'])

/** What is wrong with a house's rules taken together, by the number of the rule. */
export function policyProblems(
  rules: readonly PolicyRule[],
): { readonly at: number; readonly problem: PolicyProblem }[] {
  return rules.flatMap(({ scope, of, school, honing }, at) => [
    ...(rules.slice(0, at).some((other) => other.scope === scope && other.of === of)
      ? [{ at, problem: 'twice' as const }]
      : []),
    ...(honing === 'never' && NEEDS_HONING.has(school) ? [{ at, problem: 'needs-honing' as const }] : []),
  ])
}
