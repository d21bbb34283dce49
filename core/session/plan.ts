import type { ProgressionNote, ProgressionStage } from '../abrasive/progression'
import type { Rung } from '../abrasive/strokeLadder'
import type { Caution, Check, RecipeRecord, Remedy, StepKind, StepLift, StepSide, StepTool, StepWork } from './recipe'
import type { Ways, WayId } from './ways'

export type Hand = 'left' | 'right'

/** A step as it stands in one session: the recipe's, with this knife's counts on this stone. */
export interface SessionStep {
  readonly id: string
  readonly kind: StepKind
  readonly recipeStep: string
  readonly work: StepWork | null
  readonly side: StepSide | null
  /** the side of the blade that is meant; null for both, or neither */
  readonly hand: Hand | null
  /** index of the stone in the progression */
  readonly stage: number | null
  readonly stoneId: string | null
  readonly tool: StepTool | null
  readonly minutes: number
  /** fetching, soaking, flattening, clearing away: once for a sitting, not for each knife */
  readonly ofSitting: boolean
  readonly rungs: readonly Rung[]
  /** where pressing starts by the recipe, N; null leaves it to ladder and stone */
  readonly newtons: number | null
  /** angle and spine lift of this step where they are not the edge's own, degrees per side and mm */
  readonly dps: number | null
  readonly liftMm: number | null
  readonly lift: StepLift | null
  /** strokes for the side being worked, in all; and those of them that an earlier session owes it */
  readonly strokes: number
  readonly owed: number
  /** the one part of the edge that is meant, where the session went back for it */
  readonly only: 'heel' | 'belly' | 'tip' | null
  readonly checks: readonly Check[]
  readonly ifNot: Remedy | null
  /** the house's ways that show in this step */
  readonly ways: readonly WayId[]
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
  /** what this knife takes in a sitting that is set up, and what setting up and clearing away take once */
  readonly minutes: number
  readonly setUpMinutes: number
  readonly finishMicron: number
  readonly choices: Ways
  /** the side the blade begins with: its own where it is not even, else the house's */
  readonly firstSide: Hand
  /** edge height it takes, µm, and thickness behind the edge it leaves, mm; null where it changes neither by plan */
  readonly takesUm: number | null
  readonly leavesBteMm: number | null
  readonly steps: readonly SessionStep[]
}

export const EVEN_RATIO = 50

/** The side a blade is begun on: the wide one of an uneven edge, left-handed blades on the left; an even one as the house does. */
export const firstSideOf = (ratioRight: number, chosen: string | undefined): Hand =>
  ratioRight === EVEN_RATIO ? (chosen === 'left' ? 'left' : 'right') : ratioRight > EVEN_RATIO ? 'right' : 'left'

export const otherHand = (hand: Hand): Hand => (hand === 'right' ? 'left' : 'right')
