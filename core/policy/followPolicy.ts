import { NO_COST, type Action, type Reason, type Recommendation } from '../edge/verdict/recommendation'
import type { Verdict } from '../edge/verdict/verdict'
import { DAY_MS } from '../time'
import { daysBetween, type Policy } from './policy'

/** What a rule looks at beside the edge. */
export interface PolicyFacts {
  readonly nowMs: number
  /** when it was last on a stone; null when nobody knows */
  readonly sharpenedMs: number | null
  readonly hoursSinceSharpening: number
  /** how it would be honed now; null where that is not worth the strokes */
  readonly hone: Recommendation | null
}

/** The next action by the house's rule, and what the edge alone would ask for where that is something else. */
export interface PolicyVerdict extends Verdict {
  readonly byCondition: Recommendation | null
}

/** A knife that is not safe, or broken, or too thick to cut is no matter of how often. */
const WHATEVER_THE_RULE: ReadonlySet<Action> = new Set(['quarantine', 'repair', 'change-role', 'thin'])
/** A session that is not finished: a burr left on, or an edge that was not reached. That is mended, not waited for. */
const UNFINISHED: ReadonlySet<Reason['code']> = new Set(['burr-left', 'not-at-apex'])
/** Reasons that say a rod does not help any more, or that there is no edge to bring back. */
const NO_ROD: ReadonlySet<Reason['code']> = new Set(['hone-failed', 'rod-spent', 'glint', 'not-at-apex', 'chip'])
/** A job is done once the knife has worked so long, hours (assumed). */
const JOB_HOURS = 0.5
/** A little every week, and the stone beside a strop, is a fine stone; the others begin where the edge asks. */
const LITTLE: ReadonlySet<Policy['school']> = new Set(['weekly', 'strop-weekly'])

/** Days until a knife's turn by the calendar of a rule: 0 or less when it is due, null where no calendar counts. */
export function daysUntilDue(
  policy: Policy,
  { nowMs, sharpenedMs }: Pick<PolicyFacts, 'nowMs' | 'sharpenedMs'>,
): number | null {
  const days = daysBetween(policy)
  if (days === null) return null
  // nobody knows when it was: then it is its turn
  return sharpenedMs === null ? 0 : days - (nowMs - sharpenedMs) / DAY_MS
}

/** A step in place of the edge's own: what is known of such a step now, under the rule's reason. */
function instead(step: Verdict, action: Action, reason: Reason, hone: Recommendation | null): PolicyVerdict {
  const { runnerUp, worstZone, ...condition } = step
  const same = [condition, runnerUp, hone].find((one) => one?.action === action) ?? null
  return {
    action,
    reasons: [reason, ...(same?.reasons ?? []).filter(({ code }) => code !== reason.code)],
    cost: same?.cost ?? NO_COST,
    startGrit: same?.startGrit ?? null,
    tool: same?.tool ?? condition.tool,
    dps: condition.dps,
    runnerUp: null,
    worstZone,
    byCondition: condition.action === action ? null : condition,
  }
}

/**
 * What a house's rule makes of a verdict. What is unsafe, broken or too thick stays as it is; the rest goes by the rule,
 * and what the edge alone would ask for is kept beside it.
 *
 * @param step the verdict by condition
 */
export function followPolicy(step: Verdict, policy: Policy, facts: PolicyFacts): PolicyVerdict {
  const asIs: PolicyVerdict = { ...step, byCondition: null }
  if (WHATEVER_THE_RULE.has(step.action) || step.reasons.some(({ code }) => UNFINISHED.has(code))) return asIs
  const { school, honing } = policy
  if (school === 'every-job' && facts.hoursSinceSharpening >= JOB_HOURS)
    return instead(step, 'stone', { code: 'rule-every-job', values: {} }, null)
  const due = daysUntilDue(policy, facts)
  if (due !== null && due <= 0 && (facts.sharpenedMs === null || facts.hoursSinceSharpening > 0))
    return instead(
      step,
      LITTLE.has(school) ? 'touch-up' : 'stone',
      { code: facts.sharpenedMs === null ? 'rule-unknown' : 'rule-due', values: { days: daysBetween(policy) ?? 0 } },
      null,
    )
  const wantsStone = step.action === 'stone' || step.action === 'touch-up' || step.action === 'check'
  const hone = honing === 'never' ? null : facts.hone
  if (due !== null && wantsStone)
    return instead(
      step,
      hone ? 'hone' : 'none',
      { code: 'rule-waits', values: { days: Math.max(1, Math.ceil(due)) } },
      hone,
    )
  if (school === 'rod-first' && step.action === 'stone' && !step.reasons.some(({ code }) => NO_ROD.has(code)))
    return instead(step, hone ? 'hone' : 'none', { code: 'rule-rod-first', values: {} }, hone)
  if (honing === 'never' && step.action === 'hone') {
    const { runnerUp } = step
    const onStone = runnerUp && (runnerUp.action === 'stone' || runnerUp.action === 'touch-up')
    return instead(step, onStone ? runnerUp.action : 'none', { code: 'rule-no-honing', values: {} }, null)
  }
  return asIs
}
