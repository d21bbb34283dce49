import type { KnifeRole } from '../../knife/knifeTypes'
import { AMBER_SHARE, DEFAULT_SERVICE_LIMITS, THICKNESS_GROWTH_LIMIT, THICKNESS_LIMIT_MM } from '../../knife/limits'
import type { ProgressionStone } from '../../abrasive/progression'
import type { HoneTool } from '../model/hone'
import { USUAL_SHELF, type Cost } from './cost'

export const ACTIONS = [
  'quarantine',
  'repair',
  'check',
  'stone',
  'thin',
  'change-role',
  'touch-up',
  'hone',
  'none',
] as const
export type Action = (typeof ACTIONS)[number]

/** Why, as a code with values: sentences are made from the catalogue. */
export interface Reason {
  readonly code:
    | 'handle-loose'
    | 'cracked'
    | 'tip-gone'
    | 'tip-bent'
    | 'burr-left'
    | 'chip'
    | 'bent'
    | 'worn'
    | 'hone-failed'
    | 'glint'
    | 'thick'
    | 'thickened'
    | 'wedges'
    | 'short'
    | 'straddles'
    | 'never-read'
    | 'tiring'
    | 'daily'
    | 'keen'
    | 'brittle'
    | 'not-at-apex'
    | 'claimed'
    | 'rod-spent'
    | 'past-a-hone'
    | 'reactive'
    | 'thin-for-bone'
    | 'rule-every-job'
    | 'rule-due'
    | 'rule-unknown'
    | 'rule-waits'
    | 'rule-rod-first'
    | 'rule-no-honing'
  readonly values: Readonly<Record<string, number | string>>
}

export interface Recommendation {
  readonly action: Action
  readonly reasons: readonly Reason[]
  readonly cost: Cost
  /** JIS grit to begin with, where a stone is involved */
  readonly startGrit: number | null
  readonly tool: HoneTool | null
  readonly dps: number
}

export interface VerdictRules {
  readonly limitGf: number
  readonly amberShare: number
  readonly thicknessLimitMm: number
  readonly thicknessGrowth: number
  /** stones the work is reckoned on, and the grain it finishes at, µm */
  readonly stones: readonly ProgressionStone[]
  readonly finishMicron: number
  /** what the holder hones with; null where the knife's hardness decides */
  readonly honeTool: HoneTool | null
  /** roll below which a daily hone is not worth the strokes */
  readonly honeFromRoll: number
  /** hours of use during which nobody is asked to hone again */
  readonly honeHoldsHours: number
  /** hours of use during which nobody is asked to test again */
  readonly checkHoldsHours: number
  /** chance of being worn past the limit from which a test or a session is asked for */
  readonly askFromChance: number
  /** the same from which an edge that did not come back goes to the stone without a test */
  readonly stoneFromChance: number
  /** share of the amber limit at which an edge nobody has looked at is asked about */
  readonly unseenShare: number
  /** chance of being worn past the limit at which one that came in from use is, and from which a spent rod goes to the stone */
  readonly strangerChance: number
  readonly rodSpentChance: number
  /** chips shallower than this go with the next session and ask for none, mm */
  readonly nickMm: number
  /** what a service with a dull knife costs, in minutes of work */
  readonly dullServiceMinutes: number
  /** what each µm of edge height is worth, in minutes of work */
  readonly steelMinutesPerUm: number
  /** share of a session's minutes that is lost when the edge was still fit: its life was not over */
  readonly earlyShare: number
  /** minutes of a force test, and its scatter as log standard deviation */
  readonly testMinutes: number
  readonly testLogSd: number
}

/** Grain an edge is finished at by role, µm: fine roles on #3000, butchers and bread at #1000 (common practice). */
const FINISH_MICRON: Readonly<Record<KnifeRole, number>> = { fine: 4, general: 4, butchery: 11.5, bread: 11.5 }

export function defaultRules(
  role: KnifeRole,
  limits: Readonly<Record<KnifeRole, number>> = DEFAULT_SERVICE_LIMITS,
): VerdictRules {
  return {
    limitGf: limits[role],
    amberShare: AMBER_SHARE,
    thicknessLimitMm: THICKNESS_LIMIT_MM[role],
    thicknessGrowth: THICKNESS_GROWTH_LIMIT,
    stones: USUAL_SHELF,
    finishMicron: FINISH_MICRON[role],
    honeTool: null,
    honeFromRoll: 0.12,
    honeHoldsHours: 0.5,
    checkHoldsHours: 1,
    askFromChance: 0.5,
    stoneFromChance: 0.7,
    unseenShare: 1.09,
    strangerChance: 0.05,
    rodSpentChance: 0.2,
    nickMm: 0.1,
    // assumed, like all below: a house that minds its steel or its services more says so
    dullServiceMinutes: 20,
    steelMinutesPerUm: 0.05,
    earlyShare: 0.4,
    testMinutes: 1,
    testLogSd: 0.1,
  }
}

export const NO_COST: Cost = { minutes: 0, strokesPerSide: 0, steelUm: 0 }
