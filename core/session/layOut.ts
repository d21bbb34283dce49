import {
  CHANGE_MINUTES,
  planProgression,
  type Progression,
  type ProgressionInput,
  type ProgressionStage,
} from '../abrasive/progression'
import { strokeLadder, strokesBySide, type EdgeCondition } from '../abrasive/strokeLadder'
import { faceAngle, faceLength } from '../geometry/stack'
import { radians } from '../measure'
import { EVEN_RATIO, firstSideOf, otherHand, type Hand, type SessionPlan, type SessionStep } from './plan'
import type { Recipe, RecipeStep, StepKind, StepTool } from './recipe'
import { LOOKS_MICRON, TIP_HIGHER_DPS, type WayId, type Ways } from './ways'

/** One part of a section as the workshop has worked it out, on the first stone. */
export interface SectionCut {
  readonly dps: number
  readonly liftMm: number
  readonly minutes: number
  readonly strokes: Readonly<Record<Hand, number>>
}

/** What is known of the stones of a shelf beside their grain; ids of stones. */
export interface ShelfState {
  readonly soaks: ReadonlySet<string>
  readonly dishes: ReadonlySet<string>
  readonly flattenDue: ReadonlySet<string>
}

export interface SessionAsk {
  readonly recipe: Recipe
  readonly progression: Omit<ProgressionInput, 'finishMicron'> | null
  readonly condition: EdgeCondition
  /** share of the bevel on the right side, per cent */
  readonly ratioRight: number
  readonly choices: Ways
  /** edge angles by side, degrees; those of the progression's blade where they are left out */
  readonly dps?: Readonly<Record<Hand, number>> | undefined
  /** section the angles of faces are counted from, mm, and hardness, HRC */
  readonly section?: { readonly heelHeightMm: number; readonly spineMm: number } | undefined
  readonly hrc?: number | undefined
  /** every stone soaks and wants flattening where nobody says */
  readonly shelf?: ShelfState | undefined
  /** parts of the section that the recipe changes, by name */
  readonly cuts?: Readonly<Record<string, SectionCut>> | undefined
  /** strokes that earlier sessions owe a side */
  readonly owes?: { readonly side: Hand; readonly strokes: number } | null | undefined
}

/** Kinds of step that are done once for a sitting (common practice: setting up and clearing away take 10 to 14 minutes). */
const SITTING: Partial<Record<StepKind, { readonly onStones: number; readonly without: number }>> = {
  fetch: { onStones: 3, without: 0.5 },
  soak: { onStones: 0, without: 0 },
  flatten: { onStones: 1.5, without: 0 },
  clean: { onStones: 4, without: 1 },
  stow: { onStones: 1.5, without: 0.25 },
}
/** Seconds a stroke takes beside the stones' own reckoning, looking included (assumed): a tooth is sought, a strop is not. */
const SECONDS = { teeth: 15, gullet: 30, stroke: 2, turn: 3, back: 10, strop: 1.5, wheel: 20 } as const
const LOUPE_MINUTES = 1
const WIPE_MINUTES = 0.25
/** What an earlier session owes a side is made good over several: never more than so much of a side's own strokes (assumed). */
const MOST_OWED_SHARE = 0.25

/** House ways that show in a kind of step, and in a step of some work. */
function waysOf(step: RecipeStep): readonly WayId[] {
  switch (step.kind) {
    case 'side':
      return step.side === 'alternating'
        ? ['edge', 'hands']
        : ['path', 'edge', 'press', 'hands', 'mud', 'holder', 'liquid']
    case 'flatten':
      return ['flatten']
    case 'deburr':
      return ['burr-on', 'deburr']
    case 'strop':
      return ['compound']
    case 'ends':
      return ['tip']
    case 'fetch':
      return ['liquid', 'stones', 'holder']
    default:
      return []
  }
}

/** The session being laid out. */
interface Laying extends SessionAsk {
  readonly stages: readonly ProgressionStage[]
  readonly firstSide: Hand
}

function progressionOf({ recipe, progression, choices }: SessionAsk): Progression | null {
  if (recipe.stones === 'none' || !progression) return null
  const finer = choices['polish'] === 'for-looks' || choices['polish'] === 'for-chilled-meat'
  return planProgression({
    ...progression,
    oneStone: recipe.stones === 'one' || choices['stones'] === 'one-stone',
    finishMicron: finer ? Math.min(LOOKS_MICRON, recipe.finishMicron) : recipe.finishMicron,
  })
}

/** Is this step for this edge, this steel and this way of doing it? */
function isWanted({ only, kind, id }: RecipeStep, ask: SessionAsk): boolean {
  const hrc = ask.hrc ?? ask.progression?.blade.hrc ?? 0
  if (kind === 'deburr' && id === 'deburr' && ask.choices['deburr'] === 'at-the-end') return false
  if (!only) return true
  return (
    (only.condition === undefined || only.condition === ask.condition) &&
    (only.hrcFrom === undefined || hrc >= only.hrcFrom) &&
    (only.hrcBelow === undefined || hrc < only.hrcBelow) &&
    (only.way === undefined || ask.choices[only.way.id] === only.way.option)
  )
}

/** Is it done on this stone? Nobody flattens a diamond plate; the burr goes between stones or at the end, as the house does. */
function isDoneOn(step: RecipeStep, at: number, laying: Laying): boolean {
  const { stages, shelf, choices } = laying
  const stoneId = stages[at]?.stone.id ?? ''
  const isLast = at === stages.length - 1
  if (step.kind === 'flatten' && shelf) {
    if (!shelf.dishes.has(stoneId)) return false
    return choices['flatten'] !== 'every-few' || shelf.flattenDue.has(stoneId)
  }
  switch (step.each) {
    case 'first-stone':
      return at === 0
    case 'later-stones':
      return at > 0
    case 'last-stone':
      return isLast
    default:
      return true
  }
}

const edgeDpsOf = ({ dps, progression }: SessionAsk, hand: Hand): number => dps?.[hand] ?? progression?.blade.dps ?? 0
const sectionOf = ({ section, progression }: SessionAsk): { heelHeightMm: number; spineMm: number } | null =>
  section ?? progression?.blade ?? null

/** The angle of a step with one of its own, and how far its spine stands off: degrees per side, mm. */
function angleOf(step: RecipeStep, hand: Hand, laying: Laying): Pick<SessionStep, 'dps' | 'liftMm' | 'lift'> {
  const { lift } = step
  const section = sectionOf(laying)
  const higher = step.kind === 'ends' && laying.choices['tip'] === 'higher' ? TIP_HIGHER_DPS : 0
  if (!lift && higher === 0) return { dps: null, liftMm: null, lift: null }
  const taken = lift ?? { from: 'edge' as const, dps: higher }
  const face = section ? faceAngle(section) : 0
  const from = { edge: edgeDpsOf(laying, hand), face, stone: 0 }[taken.from]
  const dps = from + taken.dps
  const liftMm = section ? faceLength(section) * Math.sin(radians(Math.max(0, dps - face))) : 0
  return { dps: Math.round(10 * dps) / 10, liftMm: Math.round(10 * liftMm) / 10, lift: taken }
}

/** Whether a step takes the strokes its stone was reckoned with, and not a count of its own. */
const isMainWork = (step: RecipeStep, { recipe }: SessionAsk): boolean =>
  step.kind === 'side' && step.side !== 'alternating' && !step.cut && (step.work ?? 'edge') === recipe.worksOn

const handOf = ({ side }: RecipeStep, firstSide: Hand): Hand | null =>
  side === 'first' ? firstSide : side === 'second' ? otherHand(firstSide) : null

interface Count {
  readonly strokes: number
  readonly owed: number
}

/** Strokes of a step: the stone's by the bevel's ratio, with what is owed to a side; a section's; or the ladder's own. */
function countOf(step: RecipeStep, ladder: number, stage: ProgressionStage | undefined, laying: Laying): Count {
  const hand = handOf(step, laying.firstSide)
  const cut = step.cut === undefined ? undefined : laying.cuts?.[step.cut]
  if (cut && hand) return { strokes: cut.strokes[hand], owed: 0 }
  if (!stage || !isMainWork(step, laying) || !hand) return { strokes: ladder, owed: 0 }
  // faces are worked alike whatever the bevels' ratio, where there are two of them
  const ratio = laying.recipe.worksOn === 'face' ? EVEN_RATIO : laying.ratioRight
  const strokes = strokesBySide(stage.strokesPerSide, ratio)[hand]
  const isOwed = laying.owes?.side === hand && stage === laying.stages[0]
  const owed = isOwed ? Math.min(laying.owes?.strokes ?? 0, Math.round(MOST_OWED_SHARE * strokes)) : 0
  return { strokes: strokes + owed, owed }
}

/** How a stroke of a step goes: a tooth or a gullet is sought, a flat back is laid on with care, a blade is turned between two. */
function pacedAs({ kind, scheme, tool, work, side }: RecipeStep): keyof typeof SECONDS {
  if (kind === 'teeth') return scheme === 'gullets' ? 'gullet' : 'teeth'
  if (tool === 'wheel') return 'wheel'
  if (kind === 'strop') return 'strop'
  if (work === 'face') return 'back'
  return side === 'alternating' && kind !== 'hone' ? 'turn' : 'stroke'
}

function minutesOf(step: RecipeStep, { strokes }: Count, stage: ProgressionStage | undefined, laying: Laying): number {
  const sitting = SITTING[step.kind]
  if (sitting) return laying.recipe.stones === 'none' ? sitting.without : sitting.onStones
  const cut = step.cut === undefined ? undefined : laying.cuts?.[step.cut]
  if (cut) return (cut.minutes * strokes) / Math.max(1, cut.strokes.left + cut.strokes.right)
  if (stage && isMainWork(step, laying)) return (stage.minutes * strokes) / Math.max(1, 2 * stage.strokesPerSide)
  const perStroke = SECONDS[pacedAs(step)]
  const both = step.side === 'alternating' ? 2 : 1
  if (step.scheme) return (both * strokes * perStroke) / 60
  return step.tool === 'loupe' ? LOUPE_MINUTES : step.kind === 'wipe' ? WIPE_MINUTES : 0
}

/** What a step is done with: the house's own for a burr, a jig where the house clamps its blades. */
function toolOf(step: RecipeStep, at: number | null, { choices }: Laying): StepTool | null {
  if (step.tool) return step.tool
  if (step.kind === 'side' && choices['holder'] === 'jig') return 'jig'
  const burrOn = choices['burr-on']
  if (step.kind !== 'deburr' || burrOn === undefined || burrOn === 'stone') return null
  // two light passes on a fine ceramic rod after the coarse stone only (common practice)
  if (burrOn === 'ceramic-rod') return at === 0 ? 'ceramic-rod' : null
  return burrOn === 'cork' || burrOn === 'plastic' ? burrOn : null
}

function sessionStep(step: RecipeStep, laying: Laying, at: number | null): SessionStep {
  const stage = at === null ? undefined : laying.stages[at]
  const rungs = step.scheme ? strokeLadder(step.scheme, laying.condition) : []
  const hand = handOf(step, laying.firstSide)
  const cut = step.cut === undefined ? undefined : laying.cuts?.[step.cut]
  const ladder = rungs.reduce((sum, { strokes }) => sum + strokes, 0)
  const count = countOf(step, ladder, stage, laying)
  const angle = angleOf(step, hand ?? laying.firstSide, laying)
  return {
    id: at === null ? step.id : `${step.id}-${at + 1}`,
    recipeStep: step.id,
    kind: step.kind,
    work: step.work ?? null,
    side: step.side ?? null,
    hand,
    stage: at,
    stoneId: stage?.stone.id ?? null,
    tool: toolOf(step, at, laying),
    minutes: minutesOf(step, count, stage, laying),
    ofSitting: SITTING[step.kind] !== undefined,
    rungs,
    newtons: step.newtons ?? null,
    ...angle,
    // what lies flat on its face has the face's angle, whatever plane the section's reckoning grinds
    ...(cut && step.lift?.from !== 'face'
      ? { dps: Math.round(10 * cut.dps) / 10, liftMm: Math.round(10 * cut.liftMm) / 10 }
      : {}),
    ...count,
    only: null,
    checks: step.checks,
    ifNot: step.ifNot ?? null,
    ways: waysOf(step).filter((id) => laying.choices[id] !== undefined),
    cautions: step.cautions,
    words: step.words ?? null,
  }
}

/** Steps of a recipe in the order they are done: those of stones repeated along the progression, block by block. */
function stepsOf(laying: Laying): SessionStep[] {
  const { recipe, stages } = laying
  const steps: SessionStep[] = []
  let block: RecipeStep[] = []
  const closeBlock = (): void => {
    for (const at of stages.keys())
      steps.push(...block.filter((step) => isDoneOn(step, at, laying)).map((step) => sessionStep(step, laying, at)))
    block = []
  }
  for (const step of recipe.steps.filter((one) => isWanted(one, laying))) {
    if (step.each !== 'once') block.push(step)
    else {
      closeBlock()
      steps.push(sessionStep(step, laying, null))
    }
  }
  closeBlock()
  // what has nothing to do is not there: a side without a bevel, a soak without a stone that soaks
  return steps.filter(
    (step) =>
      !(step.kind === 'side' && step.strokes === 0) &&
      !(step.kind === 'soak' && laying.shelf && !stages.some(({ stone }) => laying.shelf?.soaks.has(stone.id))),
  )
}

/** Deburring at the end means once, on the last stone, whatever the recipe says of each. */
function withDeburringAtTheEnd({ recipe, choices, ...rest }: SessionAsk): SessionAsk {
  if (choices['deburr'] !== 'at-the-end') return { recipe, choices, ...rest }
  const steps = recipe.steps.map((step) =>
    step.kind === 'deburr' && step.each === 'stone' ? { ...step, id: 'deburr-end', each: 'last-stone' as const } : step,
  )
  return { recipe: { ...recipe, steps }, choices, ...rest }
}

/** Taking up the next stone is part of the first step on it. */
const withChanges = (steps: readonly SessionStep[]): SessionStep[] =>
  steps.map((step, at) => {
    const before = steps.slice(0, at).findLast(({ stage, ofSitting }) => stage !== null && !ofSitting)
    const isFirst = !step.ofSitting && step.stage !== null && step.stage > 0 && before?.stage !== step.stage
    return isFirst ? { ...step, minutes: step.minutes + CHANGE_MINUTES } : step
  })

const sum = (steps: readonly SessionStep[], ofSitting: boolean): number =>
  steps.reduce((all, step) => all + (step.ofSitting === ofSitting ? step.minutes : 0), 0)

/**
 * A session laid out for one knife: the recipe's steps in order, those for stones repeated along the progression, with
 * counts by removal, ladder, bevel ratio and what is owed, angles of their own, and the house's ways.
 *
 * @throws MeasureError when the shelf or the work does not allow a progression
 */
export function planSession(asked: SessionAsk): SessionPlan {
  const ask = withDeburringAtTheEnd(asked)
  const { recipe } = ask
  const way = progressionOf(ask)
  const stages = way?.stages ?? []
  const firstSide = firstSideOf(ask.ratioRight, ask.choices['first-side'])
  const steps = withChanges(stepsOf({ ...ask, stages, firstSide }))
  return {
    recipeId: recipe.id,
    recipeName: recipe.name ?? null,
    records: recipe.records,
    stages,
    notes: way?.notes ?? [],
    finishMicron: stages.at(-1)?.stone.micron ?? recipe.finishMicron,
    choices: ask.choices,
    firstSide,
    takesUm: way ? way.recessionUm : null,
    leavesBteMm: way && recipe.worksOn === 'face' ? way.bteMm : null,
    steps,
    minutes: Math.max(1, Math.ceil(sum(steps, false) - ROUNDING)),
    setUpMinutes: Math.ceil(sum(steps, true) - ROUNDING),
  }
}

const ROUNDING = 1e-6
