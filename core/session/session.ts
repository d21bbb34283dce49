import { ZONES, type ByZone, type Zone } from '../knife/zones'
import type { LadderRung } from '../edge/model/ladder'
import { MINUTE_MS } from '../time'
import { backToCoarse, branchTarget, type Tried } from './branches'
import type { SessionPlan, SessionStep } from './plan'

/** What a loupe camera saw of one zone. */
export interface EdgePicture {
  readonly when: 'before' | 'after'
  readonly zone: Zone
  readonly bluntUm: number
  readonly roll: number
}

/** What eyes, thumb, paper and fruit said of an edge before the first stone; the house needs no tester for it. */
export interface Looked {
  readonly signs: readonly { readonly zone: Zone | 'whole'; readonly rung: LadderRung }[]
  readonly glint: readonly Zone[]
  readonly chip: { readonly zone: Zone; readonly depthMm: number } | null
}

/** What a person does in a session. Ids are made by the device, so sending twice counts once. */
export type SessionAction = {
  readonly id: string
  readonly atMs: number
  readonly personId: string | null
} & (
  | { readonly kind: 'strokes'; readonly stepId: string; readonly zone: Zone; readonly count: number }
  | { readonly kind: 'burr'; readonly stepId: string; readonly zone: Zone; readonly felt: boolean }
  | { readonly kind: 'tick'; readonly stepId: string; readonly check: string; readonly done: boolean }
  | { readonly kind: 'go'; readonly stepId: string }
  | { readonly kind: 'force'; readonly when: 'before' | 'after'; readonly zone: Zone; readonly forceGf: number }
  | { readonly kind: 'carry-over'; readonly zone: Zone; readonly what: string }
  | ({ readonly kind: 'looked' } & Looked)
  | ({ readonly kind: 'tried'; readonly stepId: string } & Tried)
  | { readonly kind: 'back'; readonly stepId: string; readonly zone: Zone }
  | { readonly kind: 'photo'; readonly photoId: string; readonly when: 'before' | 'after' }
  | ({ readonly kind: 'picture' } & EdgePicture)
  | { readonly kind: 'pause' }
  | { readonly kind: 'take-over' }
  | { readonly kind: 'finish' }
  | { readonly kind: 'abandon' }
)

const byZone = <T>(value: T): ByZone<T> => ({ heel: value, belly: value, tip: value })

/** How one step stands. */
export interface StepState {
  readonly strokes: ByZone<number>
  readonly burr: ByZone<boolean>
  readonly ticked: readonly string[]
  /** milliseconds spent on it, pauses left out */
  readonly spentMs: number
  /** milliseconds from its start to a burr along the whole edge; null until then */
  readonly burrAfterMs: number | null
}

export interface SessionState {
  /** the plan as it has become: with what the session went back for */
  readonly plan: SessionPlan
  readonly status: 'open' | 'finished' | 'abandoned'
  readonly stepId: string
  readonly personId: string | null
  readonly steps: Readonly<Record<string, StepState>>
  readonly before: Partial<Record<Zone, number>>
  readonly after: Partial<Record<Zone, number>>
  readonly carryOver: readonly { readonly zone: Zone; readonly what: string }[]
  readonly pictures: readonly EdgePicture[]
  readonly looked: Looked | null
  readonly tries: readonly (Tried & { readonly stepId: string })[]
  readonly photos: readonly { readonly photoId: string; readonly when: 'before' | 'after' }[]
  readonly lastMs: number
}

const NEW_STEP: StepState = { strokes: byZone(0), burr: byZone(false), ticked: [], spentMs: 0, burrAfterMs: null }
/** A silence longer than this was a pause, not work: the tablet died, or service began. */
const LONGEST_WORK_MS = 5 * MINUTE_MS

export const stepState = (state: SessionState, stepId: string): StepState => state.steps[stepId] ?? NEW_STEP

function withStep(state: SessionState, stepId: string, change: (step: StepState) => StepState): SessionState {
  return { ...state, steps: { ...state.steps, [stepId]: change(stepState(state, stepId)) } }
}

function applyAction(state: SessionState, action: SessionAction): SessionState {
  switch (action.kind) {
    case 'strokes':
      return withStep(state, action.stepId, (step) => ({
        ...step,
        strokes: { ...step.strokes, [action.zone]: Math.max(0, step.strokes[action.zone] + action.count) },
      }))
    case 'burr':
      return withStep(state, action.stepId, (step) => {
        const burr = { ...step.burr, [action.zone]: action.felt }
        const whole = ZONES.every((zone) => burr[zone])
        return { ...step, burr, burrAfterMs: whole ? (step.burrAfterMs ?? step.spentMs) : null }
      })
    case 'tick':
      return withStep(state, action.stepId, (step) => ({
        ...step,
        ticked: [...step.ticked.filter((check) => check !== action.check), ...(action.done ? [action.check] : [])],
      }))
    case 'go':
      // a step of a plan that was laid out again since is no place to go to
      return state.plan.steps.some(({ id }) => id === action.stepId) ? { ...state, stepId: action.stepId } : state
    case 'force':
      return { ...state, [action.when]: { ...state[action.when], [action.zone]: action.forceGf } }
    case 'carry-over':
      return { ...state, carryOver: [...state.carryOver, { zone: action.zone, what: action.what }] }
    case 'picture': {
      const { when, zone, bluntUm, roll } = action
      return {
        ...state,
        pictures: [
          ...state.pictures.filter((one) => one.when !== when || one.zone !== zone),
          { when, zone, bluntUm, roll },
        ],
      }
    }
    case 'looked': {
      const { signs, glint, chip } = action
      return { ...state, looked: { signs, glint, chip } }
    }
    case 'tried': {
      const { stepId, outcome, zone, hand } = action
      return {
        ...state,
        tries: [...state.tries, { stepId, outcome, zone, hand }],
        stepId: branchTarget(state.plan, stepId, action),
      }
    }
    case 'back': {
      const back = backToCoarse(state.plan, action.stepId, action.zone)
      return back ? { ...state, plan: back.plan, stepId: back.stepId } : state
    }
    case 'photo': {
      const { photoId, when } = action
      return { ...state, photos: [...state.photos, { photoId, when }] }
    }
    case 'take-over':
      return { ...state, personId: action.personId }
    case 'finish':
      return { ...state, status: 'finished' }
    case 'abandon':
      return { ...state, status: 'abandoned' }
    case 'pause':
      return state
  }
}

/**
 * Where a session stands after everything that was done in it, in any order of arrival. Time between two
 * actions counts as work on the step that was open, unless somebody paused or the silence was long.
 *
 * @param startedMs when it began, ms since the epoch
 */
export function sessionState(
  plan: SessionPlan,
  startedMs: number,
  personId: string | null,
  actions: readonly SessionAction[],
): SessionState {
  const seen = new Set<string>()
  const inOrder = actions
    .filter(({ id }) => !seen.has(id) && seen.add(id))
    .sort((a, b) => a.atMs - b.atMs || (a.id < b.id ? -1 : 1))
  let state: SessionState = {
    plan,
    status: 'open',
    stepId: plan.steps[0]?.id ?? '',
    personId,
    steps: {},
    before: {},
    after: {},
    carryOver: [],
    pictures: [],
    looked: null,
    tries: [],
    photos: [],
    lastMs: startedMs,
  }
  let paused = false
  for (const action of inOrder) {
    if (state.status !== 'open') break
    const since = action.atMs - state.lastMs
    const worked = paused || since > LONGEST_WORK_MS ? 0 : Math.max(0, since)
    state = applyAction(
      withStep(state, state.stepId, (step) => ({ ...step, spentMs: step.spentMs + worked })),
      action,
    )
    state = { ...state, lastMs: Math.max(state.lastMs, action.atMs) }
    paused = action.kind === 'pause'
  }
  return state
}

/** What to say while a side is worked: the first stone past its twenty minutes, or a burr that comes late on a finer one. */
export type PaceNote = 'first-stone-too-long' | 'burr-late' | 'over-time'

const FIRST_STONE_MS = 20 * MINUTE_MS
/** On a finer stone the burr shows almost at once; if not, the angle has dropped (common practice). */
const LATE_BURR_MS = 3 * MINUTE_MS
const OVER_TIME_SHARE = 1.5

export function paceNote(step: SessionStep, spentMs: number, burrFelt: boolean): PaceNote | null {
  if (step.kind !== 'side' || step.work !== 'edge' || burrFelt) return null
  if (step.stage === 0 && spentMs > FIRST_STONE_MS) return 'first-stone-too-long'
  if (step.stage !== null && step.stage > 0 && spentMs > LATE_BURR_MS) return 'burr-late'
  return spentMs > OVER_TIME_SHARE * step.minutes * MINUTE_MS ? 'over-time' : null
}

/** Minutes each stone was worked until its burr stood, for learning what it removes. */
export function minutesToBurr(
  plan: SessionPlan,
  state: SessionState,
): { readonly stoneId: string; readonly minutes: number; readonly planned: number }[] {
  return plan.stages.flatMap((stage, at) => {
    const sides = plan.steps
      .filter((step) => step.kind === 'side' && step.work === 'edge' && step.hand !== null && step.stage === at)
      .map((step) => stepState(state, step.id))
    if (stage.takes !== 'metal' || sides.length === 0 || sides.some(({ burrAfterMs }) => burrAfterMs === null))
      return []
    return [
      {
        stoneId: stage.stone.id,
        minutes: sides.reduce((sum, { burrAfterMs }) => sum + (burrAfterMs ?? 0), 0) / MINUTE_MS,
        planned: stage.minutes,
      },
    ]
  })
}

/**
 * The first step that asks for covered eyes and has not been told so; null where nothing asks, or all is told. No session
 * at a powered wheel goes on, or ends as done, before that.
 */
export const unprotected = (state: SessionState): string | null =>
  state.plan.steps.find(
    ({ id, checks }) => checks.includes('eyes-covered') && !stepState(state, id).ticked.includes('eyes-covered'),
  )?.id ?? null
