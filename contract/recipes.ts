import { z } from 'zod'
import { STROKE_SCHEMES } from '../core/abrasive/strokeLadder'
import { SKILLS } from '../core/house/skills'
import { GRINDS, KNIFE_TYPES } from '../core/knife/knifeTypes'
import {
  CAUTIONS,
  CHECKS,
  LIFTS,
  RECIPE_STONES,
  REMEDIES,
  STEP_KINDS,
  STEP_SIDES,
  STEP_TOOLS,
  STEP_TURNS,
  STEP_WORKS,
  WORKED_PARTS,
} from '../core/session/recipe'
import { isWay, PACES, WAY_IDS, WAYS, type WayId } from '../core/session/ways'
import { ActionName, HoneToolName, KnifeRoleName, Measure, Text } from './scalars'
import type { Wire } from './wire'

const WayName = z.enum(WAY_IDS as [WayId, ...WayId[]])
const StepWords = z.object({ what: Text, why: z.string().trim().max(500) })

/** The angle of a step: so many degrees above the edge's own, the face lying flat, or the stone. */
export const StepLift = z.object({ from: z.enum(LIFTS), dps: z.number().min(-5).max(45) })

export const RecipeStep = z.object({
  id: z.string().regex(/^[a-z0-9-]{1,40}$/),
  kind: z.enum(STEP_KINDS),
  each: z.enum(STEP_TURNS),
  work: z.enum(STEP_WORKS).optional(),
  side: z.enum(STEP_SIDES).optional(),
  lift: StepLift.optional(),
  tool: z.enum(STEP_TOOLS).optional(),
  cut: z.string().max(20).optional(),
  scheme: z.enum(STROKE_SCHEMES).optional(),
  newtons: z.number().min(1).max(40).optional(),
  checks: z.array(z.enum(CHECKS)).max(8),
  ifNot: z.enum(REMEDIES).optional(),
  only: z
    .object({
      condition: z.enum(['kept-up', 'dull', 'very-dull']).optional(),
      hrcFrom: Measure.hrc.optional(),
      hrcBelow: Measure.hrc.optional(),
      way: z.object({ id: WayName, option: z.string().max(40) }).optional(),
    })
    .optional(),
  cautions: z.array(z.enum(CAUTIONS)).max(8),
  words: StepWords.optional(),
})
export const Records = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('honed'), tool: HoneToolName }),
  z.object({ kind: z.literal('sharpened') }),
])

export const Recipe = z.object({
  id: z.string().regex(/^[a-z0-9][a-z0-9-]{0,39}$/),
  name: z.string().trim().min(1).max(60).optional(),
  /** what it leaves in the log; the right it needs follows from that */
  records: Records,
  /** what it works on, which decides how it is laid out */
  worksOn: z.enum(WORKED_PARTS),
  actions: z.array(ActionName).max(9),
  suits: z.object({
    types: z.array(z.enum(KNIFE_TYPES)).optional(),
    grinds: z.array(z.enum(GRINDS)).optional(),
    serrated: z.boolean().optional(),
    asymmetric: z.boolean().optional(),
    hrcFrom: Measure.hrc.optional(),
    hrcBelow: Measure.hrc.optional(),
  }),
  stones: z.enum(RECIPE_STONES),
  operation: z.enum(['boning']).optional(),
  thinByMm: z.number().min(0.005).max(0.5).optional(),
  skill: z.enum(SKILLS).optional(),
  finishMicron: Measure.micron,
  choices: z
    .array(z.object({ id: WayName, options: z.array(z.string().max(40)).min(2).max(6), chosen: z.string().max(40) }))
    .max(WAY_IDS.length),
  steps: z.array(RecipeStep).min(1).max(40),
})

export type Recipe = Wire<typeof Recipe>
/** A recipe as the house has it, and whether it is the house's own. */
export const RecipeView = z.object({ recipe: Recipe, own: z.boolean() })
export type RecipeView = Wire<typeof RecipeView>

/** Which recipe the house prefers for a kind of knife, for honing and for stone work. */
export const RecipePreference = z.object({
  role: KnifeRoleName,
  work: z.enum(['hone', 'stone']),
  recipeId: z.string().max(40),
})
export const RecipePreferences = z.array(RecipePreference).max(8)
export type RecipePreference = Wire<typeof RecipePreference>

/** Ways chosen by a house, a person or for one session; what is left out is as each recipe has it. */
export const ChosenWays = z
  .record(z.string().max(20), z.string().max(40))
  .refine((ways) => Object.entries(ways).every(([id, option]) => isWay(id, option)), {
    params: { fault: 'unknown-way' },
  })
/** The ways of the house and of the person who asks, with the pace each is led at. */
export const HouseWays = z.object({
  options: z.record(z.string(), z.array(z.string())),
  house: ChosenWays,
  own: ChosenWays,
  pace: z.enum(PACES),
})
export type HouseWays = Wire<typeof HouseWays>
export const WAY_OPTIONS: Record<string, string[]> = Object.fromEntries(WAY_IDS.map((id) => [id, [...WAYS[id]]]))
