import {
  planProgression,
  type ProgressionInput,
  type ProgressionNote,
  type ProgressionStage,
} from '../abrasive/progression'
import { strokeLadder, strokesBySide, type EdgeCondition, type Rung } from '../abrasive/strokeLadder'
import { ZONES, type ByZone, type Zone } from '../knife/zones'
import { MINUTE_MS } from '../time'
import type { Caution, Check, Recipe, RecipeRecord, RecipeStep, StepKind } from './recipe'

/** A step as it stands in one session: the recipe's, with this knife's counts on this stone. */
export interface SessionStep {
  readonly id: string
  readonly kind: StepKind
  readonly recipeStep: string
  readonly side: 'first' | 'second' | null
  /** index of the stone in the progression */
  readonly stage: number | null
  readonly stoneId: string | null
  readonly minutes: number
  readonly rungs: readonly Rung[]
  /** where pressing starts by the recipe, N; null leaves it to ladder and stone */
  readonly newtons: number | null
  /** angle and spine lift of this step where they are not the edge's own, degrees per side and mm */
  readonly dps: number | null
  readonly liftMm: number | null
  /** strokes for the side being worked, in all */
  readonly strokes: number
  readonly checks: readonly Check[]
  readonly cautions: readonly Caution[]
  readonly words: { readonly what: string; readonly why: string } | null
}

export interface SessionPlan {
  readonly recipeId: string
  /** the house's own name of the recipe; null takes the catalogue's */
  readonly recipeName: string | null
  readonly records: RecipeRecord
  readonly stages: readonly ProgressionStage[]
  readonly notes: readonly ProgressionNote[]
  readonly minutes: number
  readonly finishMicron: number
  readonly choices: Readonly<Record<string, string>>
  readonly steps: readonly SessionStep[]
}

export interface SessionAsk {
  readonly recipe: Recipe
  readonly progression: Omit<ProgressionInput, 'finishMicron'> | null
  readonly condition: EdgeCondition
  /** share of the bevel on the right side, per cent */
  readonly ratioRight: number
  readonly choices: Readonly<Record<string, string>>
}

/** Minutes of steps that are not counted in strokes (assumed). */
const MINUTES: Partial<Record<StepKind, number>> = {
  look: 1,
  fetch: 2,
  flatten: 1.5,
  angle: 0.5,
  ends: 0.5,
  deburr: 0.5,
  hone: 1,
  teeth: 4,
  strop: 0.5,
  test: 1,
  clean: 1.5,
  stow: 0.5,
}
const EVEN = 50

function stagesOf({ recipe, progression }: SessionAsk): {
  stages: readonly ProgressionStage[]
  notes: readonly ProgressionNote[]
} {
  if (recipe.stones === 'none' || !progression) return { stages: [], notes: [] }
  const plan = planProgression({ ...progression, finishMicron: recipe.finishMicron })
  const last = plan.stages.at(-1)
  return recipe.stones === 'last' && last ? { stages: [{ ...last, takes: 'metal' }], notes: [] } : plan
}

function strokesOf(
  rungs: readonly Rung[],
  stage: ProgressionStage | undefined,
  step: RecipeStep,
  ratioRight: number,
): number {
  const ladder = rungs.reduce((sum, { strokes }) => sum + strokes, 0)
  const perSide = stage && step.kind === 'side' ? Math.max(ladder, stage.strokesPerSide) : ladder
  if (step.side === undefined || ratioRight === EVEN) return perSide
  const { left, right } = strokesBySide(perSide, ratioRight)
  // the right side is the first: it is the one a right-handed edge is mostly made on
  return step.side === 'first' ? right : left
}

function sessionStep(
  step: RecipeStep,
  ask: SessionAsk,
  stages: readonly ProgressionStage[],
  at: number | null,
): SessionStep {
  const stage = at === null ? undefined : stages[at]
  const rungs = step.scheme ? strokeLadder(step.scheme, ask.condition) : []
  return {
    id: at === null ? step.id : `${step.id}-${at + 1}`,
    recipeStep: step.id,
    kind: step.kind,
    side: step.side ?? null,
    stage: at,
    stoneId: stage?.stone.id ?? null,
    minutes: step.kind === 'side' && stage ? stage.minutes / 2 : (MINUTES[step.kind] ?? 0),
    rungs,
    newtons: step.newtons ?? null,
    dps: null,
    liftMm: null,
    strokes: strokesOf(rungs, stage, step, ask.ratioRight),
    checks: step.checks,
    cautions: step.cautions,
    words: step.words ?? null,
  }
}

/**
 * A session laid out for one knife: the recipe's steps in order, those for each stone repeated along the
 * progression, with counts by the ladder, the condition of the edge and the bevel ratio.
 *
 * @throws MeasureError when the shelf or the work does not allow a progression
 */
export function planSession(ask: SessionAsk): SessionPlan {
  const { recipe } = ask
  const { stages, notes } = stagesOf(ask)
  const skipsDeburr = ask.choices['deburr'] === 'at-the-end'
  const steps: SessionStep[] = []
  let block: RecipeStep[] = []
  const closeBlock = (): void => {
    for (const at of stages.keys()) {
      const isLast = at === stages.length - 1
      steps.push(
        ...block
          .filter(({ kind }) => kind !== 'deburr' || isLast || !skipsDeburr)
          .map((step) => sessionStep(step, ask, stages, at)),
      )
    }
    block = []
  }
  for (const step of recipe.steps) {
    if (step.each === 'stone') block.push(step)
    else {
      closeBlock()
      steps.push(sessionStep(step, ask, stages, null))
    }
  }
  closeBlock()
  return {
    recipeId: recipe.id,
    recipeName: recipe.name ?? null,
    records: recipe.records,
    stages,
    notes,
    finishMicron: stages.at(-1)?.stone.micron ?? recipe.finishMicron,
    choices: ask.choices,
    steps,
    minutes: Math.ceil(steps.reduce((sum, step) => sum + step.minutes, 0)),
  }
}

/** What a loupe camera saw of one zone. */
export interface EdgePicture {
  readonly when: 'before' | 'after'
  readonly zone: Zone
  readonly bluntUm: number
  readonly roll: number
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
  readonly status: 'open' | 'finished' | 'abandoned'
  readonly stepId: string
  readonly personId: string | null
  readonly steps: Readonly<Record<string, StepState>>
  readonly before: Partial<Record<Zone, number>>
  readonly after: Partial<Record<Zone, number>>
  readonly carryOver: readonly { readonly zone: Zone; readonly what: string }[]
  readonly pictures: readonly EdgePicture[]
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
      return { ...state, stepId: action.stepId }
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
    status: 'open',
    stepId: plan.steps[0]?.id ?? '',
    personId,
    steps: {},
    before: {},
    after: {},
    carryOver: [],
    pictures: [],
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
  if (step.kind !== 'side' || burrFelt) return null
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
      .filter((step) => step.kind === 'side' && step.stage === at)
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
