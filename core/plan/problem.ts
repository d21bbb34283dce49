import type { Skill } from '../house/skills'

/** Work that takes a knife to the bench, and stays off it. Honing and checks are spread over shifts elsewhere. */
export const JOB_KINDS = ['touch-up', 'stone', 'thin', 'repair', 'send-out'] as const
export type JobKind = (typeof JOB_KINDS)[number]

/** A quiet window: the only time in which sessions are planned. */
export interface PlanWindow {
  readonly id: string
  readonly name: string
  readonly startMs: number
  readonly endMs: number
  /** since when somebody has been in the house who can put stones under water */
  readonly soakFromMs: number
  /** a service of the house runs at the same time: knives then leave their station only where one stands in */
  readonly overlapsService: boolean
}

export interface PlanPerson {
  readonly id: string
  readonly skills: readonly Skill[]
  /** minutes taken against the table; 1 until sessions have taught better */
  readonly pace: number
  /** window id → the part of it this person is in the house */
  readonly present: Readonly<Record<string, { readonly fromMs: number; readonly toMs: number }>>
}

export interface PlanBench {
  readonly id: string
  readonly name: string
}

export interface PlanStone {
  readonly id: string
  readonly name: string
  /** median grain, µm */
  readonly micron: number
  readonly soakMinutes: number
  /** 0 for what never dishes */
  readonly flattenMinutes: number
  /** knives after which it is flattened again, ≥ 1 */
  readonly knivesBetween: number
}

/** A session as it would go at one bench, on the stones to be had there. */
export interface JobRoute {
  readonly benchId: string
  /** looking, fetching, setting up, minutes */
  readonly openingMinutes: number
  /** stones in order, coarse before fine, minutes on each */
  readonly stages: readonly { readonly stoneId: string; readonly minutes: number }[]
  /** strop, test, wash, stow, minutes */
  readonly closingMinutes: number
}

/** One knife that wants work, with what each window means for it. Arrays run along the problem's windows. */
export interface PlanJob {
  readonly id: string
  readonly knifeId: string
  readonly kind: JobKind
  readonly skill: Skill
  readonly routes: readonly JobRoute[]
  /**
   * expected hours of service with a dull edge over the whole plan if it is done in that window, station weight
   * in; of a session that follows another, what it changes in those hours, so that sums stay right
   */
  readonly dullHours: readonly number[]
  /** the same if it is not done at all */
  readonly dullHoursLeft: number
  /** chance that it is dull when the window opens, 0–1 */
  readonly chanceAt: readonly number[]
  /** edge height taken before its time, µm */
  readonly wastedUm: readonly number[]
  /** chance that it has to be done by the end of the plan anyway, 0–1 */
  readonly dueShare: number
  /** something stands against the edge or the blade now, or it is likely dull before the plan ends */
  readonly wanted: boolean
  /** the first service by whose end it is likely dull; null when none of those planned */
  readonly dullBy: { readonly name: string; readonly startMs: number } | null
  /** since it was last on a stone; null when nobody knows */
  readonly daysSinceStone: number | null
  /** who sharpened it last */
  readonly lastHands: string | null
  /** the only person who may have it in hand, by a rule of the house; null where anybody with the skill may */
  readonly onlyHands: string | null
  /** knives that can stand in for each other, and how many of them may be away at once */
  readonly group: string
  readonly mayBeAway: number
  /** the ordinary session its knife wants after this one; null where the edge outlives the plan */
  readonly next: NextSession | null
  /** the first session of its knife, and the number of the window that is in; null for a first session */
  readonly follows: { readonly jobId: string; readonly window: number } | null
}

/** What a session leaves to reckon with: how the knife goes dull again, and the work it would then want. */
export interface NextSession {
  readonly skill: Skill
  readonly routes: readonly JobRoute[]
  /** services of the plan, with the hours the knife works in each, station weight in */
  readonly services: readonly { readonly name: string; readonly startMs: number; readonly hours: number }[]
  /** chance of being dull so many services after a session, 0–1 */
  readonly freshChances: readonly number[]
  /** edge height a session takes, µm */
  readonly steelUm: number
}

/** What the chef minds, each 0 (not at all) to 3; 1 is how the house starts. */
export interface PlanWeights {
  readonly dull: number
  readonly labour: number
  readonly steel: number
  readonly hands: number
  readonly fair: number
}
export const EVEN_WEIGHTS: PlanWeights = { dull: 1, labour: 1, steel: 1, hands: 1, fair: 1 }

/** What a sitting takes beside its knives, once for all of them. */
export interface SittingTimes {
  /** fetching, wetting, laying out before the first knife, minutes */
  readonly beforeMinutes: number
  /** washing, drying, stowing after the last, minutes */
  readonly afterMinutes: number
}

/** Common practice: with two stones flattened, setting up and clearing away come to 10 to 14 minutes. */
export const USUAL_SITTING: SittingTimes = { beforeMinutes: 3, afterMinutes: 6 }

/** A job in its place. */
export interface Placement {
  readonly jobId: string
  readonly windowId: string
  readonly benchId: string
  readonly personId: string
}

export interface PlanProblem {
  readonly windows: readonly PlanWindow[]
  readonly people: readonly PlanPerson[]
  readonly benches: readonly PlanBench[]
  readonly stones: readonly PlanStone[]
  readonly jobs: readonly PlanJob[]
  readonly weights: PlanWeights
  readonly sitting: SittingTimes
  /** choices of the chef that nothing moves */
  readonly locks: readonly Placement[]
}

/** Whether somebody may do a job: has the skill, and no rule of the house keeps it in other hands. */
export const mayDo = (
  { id, skills }: Pick<PlanPerson, 'id' | 'skills'>,
  { skill, onlyHands }: Pick<PlanJob, 'skill' | 'onlyHands'>,
): boolean => skills.includes(skill) && (onlyHands === null || onlyHands === id)

/** Whether a job can be in a window, by its number: a knife's second session only after its first. */
export const isAllowedIn = (job: PlanJob, window: number): boolean =>
  job.follows === null || window > job.follows.window

export const sittingMinutes = ({ beforeMinutes, afterMinutes }: SittingTimes): number => beforeMinutes + afterMinutes

/** Minutes of a session at the table's pace. */
export const routeMinutes = (route: JobRoute): number =>
  route.openingMinutes + route.stages.reduce((sum, { minutes }) => sum + minutes, 0) + route.closingMinutes

/** One person at one bench in one window: knives one after another, set up and cleared away once. */
export const sittingKey = ({ windowId, benchId, personId }: Omit<Placement, 'jobId'>): string =>
  `${windowId}/${benchId}/${personId}`

export const samePlace = (a: Placement, b: Placement): boolean =>
  a.jobId === b.jobId && a.windowId === b.windowId && a.benchId === b.benchId && a.personId === b.personId
