import { z } from 'zod'
import { BATHS, GEAR_KINDS, GEAR_WARNINGS } from '../core/abrasive/gear'
import { STROKE_SCHEMES } from '../core/abrasive/strokeLadder'
import { GRINDS, KNIFE_TYPES } from '../core/knife/knifeTypes'
import { CAUTIONS, CHECKS, STEP_KINDS, WORKED_PARTS } from '../core/session/recipe'
import type { SessionAction, SessionPlan } from '../core/session/session'
import { MINUTE_MS } from '../core/time'
import { ActionName, HoneToolName, Id, Instant, KnifeRoleName, Measure, Name, Text, ZoneName } from './scalars'
import type { Wire } from './wire'
import { WorkOrder, WorkshopResult } from './workshop'

export const GearKindName = z.enum(GEAR_KINDS)
const Grit = z.number().min(0.1).max(MINUTE_MS)

/** A stone, rod, strop or plate of the house. */
export const Gear = z.object({
  id: Id,
  name: Name,
  kind: GearKindName,
  scale: z.enum(['JIS', 'FEPA-F', 'FEPA-P', 'micron']).nullable(),
  grit: Grit.nullable(),
  twoSidedWith: Id.nullable(),
  soakMinutes: z.number().int().min(0).max(120),
  bath: z.enum(BATHS),
  thicknessMm: z.number().min(0).max(120).nullable(),
  dishMm: z.number().min(0).max(10).nullable(),
  flattenedAt: Instant.nullable(),
  knivesSince: z.number().int().min(0),
  compound: z.string().trim().max(80),
  /** the bench it stays at; null for one that goes where it is wanted */
  benchId: Id.nullable(),
  active: z.boolean(),
})
export type Gear = Wire<typeof Gear>

/** Gear with what follows from it. */
export const GearView = Gear.extend({
  /** median grain, µm */
  micron: z.number().nullable(),
  flatten: z.object({ due: z.boolean(), share: z.number(), because: z.enum(['dish', 'knives']).nullable() }),
  warnings: z.array(z.enum(GEAR_WARNINGS)),
})
export type GearView = Wire<typeof GearView>
export const NewGear = Gear.omit({ flattenedAt: true, knivesSince: true })
  .partial()
  .required({ id: true, name: true, kind: true })
export const GearPatch = Gear.omit({ id: true }).partial()

export const StackPiece = z.object({
  name: z.string().trim().min(1).max(40),
  mm: z.number().min(0.05).max(30),
  count: z.number().int().min(1).max(50),
})
export const StackPieces = z.array(StackPiece).max(30)
export type StackPiece = Wire<typeof StackPiece>

export const RecipeStep = z.object({
  id: z.string().regex(/^[a-z0-9-]{1,40}$/),
  kind: z.enum(STEP_KINDS),
  each: z.enum(['once', 'stone']),
  side: z.enum(['first', 'second']).optional(),
  scheme: z.enum(STROKE_SCHEMES).optional(),
  newtons: z.number().min(1).max(40).optional(),
  checks: z.array(z.enum(CHECKS)).max(8),
  cautions: z.array(z.enum(CAUTIONS)).max(8),
  words: z.object({ what: Text, why: z.string().trim().max(500) }).optional(),
})
const Records = z.discriminatedUnion('kind', [
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
  stones: z.enum(['progression', 'last', 'none']),
  finishMicron: Measure.micron,
  choices: z
    .array(
      z.object({
        id: z.enum(['path', 'edge', 'mud', 'deburr', 'hands', 'compound']),
        options: z.array(z.string().max(40)).min(2).max(6),
        chosen: z.string().max(40),
      }),
    )
    .max(6),
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

const StageView = z.object({
  stoneId: Id,
  stoneName: z.string(),
  micron: z.number(),
  minutes: z.number(),
  strokesPerSide: z.number(),
  newtons: z.number(),
  takes: z.enum(['metal', 'scratches']),
})
const Note = z.object({
  code: z.enum(['rounded-bevel', 'nothing-coarse-enough', 'coarser-finish']),
  minutes: z.number().optional(),
  micron: z.number().optional(),
  wantedMicron: z.number().optional(),
})

const StepOfSession = z.object({
  id: z.string(),
  kind: z.enum(STEP_KINDS),
  recipeStep: z.string(),
  side: z.enum(['first', 'second']).nullable(),
  stage: z.number().nullable(),
  stoneId: z.string().nullable(),
  minutes: z.number(),
  rungs: z.array(z.object({ strokes: z.number(), newtons: z.number() })),
  strokes: z.number(),
  newtons: z.number().nullable().default(null),
  dps: z.number().nullable().default(null),
  liftMm: z.number().nullable().default(null),
  checks: z.array(z.enum(CHECKS)),
  cautions: z.array(z.enum(CAUTIONS)),
  words: z.object({ what: z.string(), why: z.string() }).nullable(),
})
export const BenchPlan = z.object({
  recipeId: z.string(),
  recipeName: z.string().nullable().default(null),
  records: Records,
  minutes: z.number(),
  finishMicron: z.number(),
  choices: z.record(z.string(), z.string()),
  stages: z.array(StageView),
  notes: z.array(Note),
  steps: z.array(StepOfSession),
  /** what the section is to be afterwards, where this is workshop work */
  workshop: WorkshopResult.nullable().default(null),
})
export type BenchPlan = Wire<typeof BenchPlan>

/** What may be done to a knife, before anybody starts. */
export const BenchOffer = z.object({
  recipes: z.array(
    z.object({
      id: z.string(),
      /** the house's own name; null takes the catalogue's */
      name: z.string().nullable(),
      fits: z.boolean(),
      choices: z.array(z.object({ id: z.string(), options: z.array(z.string()), chosen: z.string() })),
    }),
  ),
  plan: BenchPlan,
  /** first stones the person could begin on instead, with what that costs */
  starts: z.array(
    z.object({
      stoneId: Id,
      stoneName: z.string(),
      minutesToBurr: z.number(),
      minutes: z.number(),
      roundsBevel: z.boolean(),
      planned: z.boolean(),
    }),
  ),
  soak: z.array(z.object({ stoneId: Id, stoneName: z.string(), minutes: z.number(), bath: z.enum(BATHS) })),
  flatten: z.array(z.object({ stoneId: Id, stoneName: z.string(), because: z.enum(['dish', 'knives']) })),
  warnings: z.array(z.enum(GEAR_WARNINGS)),
  /** workshop work saved for this knife */
  saved: WorkOrder.nullable(),
  carriedOver: z.array(z.object({ zone: ZoneName, what: z.string() })),
  /** somebody is at this knife already */
  open: z.object({ sessionId: Id, personName: z.string(), startedAt: Instant }).nullable(),
})
export type BenchOffer = Wire<typeof BenchOffer>

const actionBase = { id: Id, at: Instant }
const StepId = z.string().max(60)
export const BenchAction = z.discriminatedUnion('kind', [
  z.object({
    ...actionBase,
    kind: z.literal('strokes'),
    stepId: StepId,
    zone: ZoneName,
    count: z.number().int().min(-500).max(500),
  }),
  z.object({ ...actionBase, kind: z.literal('burr'), stepId: StepId, zone: ZoneName, felt: z.boolean() }),
  z.object({ ...actionBase, kind: z.literal('tick'), stepId: StepId, check: z.enum(CHECKS), done: z.boolean() }),
  z.object({ ...actionBase, kind: z.literal('go'), stepId: StepId }),
  z.object({
    ...actionBase,
    kind: z.literal('force'),
    when: z.enum(['before', 'after']),
    zone: ZoneName,
    forceGf: Measure.forceGf,
  }),
  z.object({ ...actionBase, kind: z.literal('carry-over'), zone: ZoneName, what: Text }),
  z.object({
    ...actionBase,
    kind: z.literal('picture'),
    when: z.enum(['before', 'after']),
    zone: ZoneName,
    bluntUm: z.number().min(0).max(500),
    roll: z.number().min(0).max(1),
  }),
  z.object({ ...actionBase, kind: z.literal('pause') }),
  z.object({ ...actionBase, kind: z.literal('take-over') }),
  z.object({ ...actionBase, kind: z.literal('finish') }),
  z.object({ ...actionBase, kind: z.literal('abandon') }),
])
export type BenchAction = Wire<typeof BenchAction>

export const BenchSession = z.object({
  id: Id,
  knifeId: Id,
  startedAt: Instant,
  startedBy: Id,
  endedAt: Instant.nullable(),
  outcome: z.enum(['finished', 'abandoned']).nullable(),
  plan: BenchPlan,
  actions: z.array(z.object({ personId: Id.nullable(), action: BenchAction })),
})
export type BenchSession = Wire<typeof BenchSession>

/** A session in a knife's list of sessions. */
export const SessionLine = z.object({
  id: Id,
  recipeId: z.string(),
  recipeName: z.string().nullable(),
  startedAt: Instant,
  endedAt: Instant.nullable(),
  outcome: z.enum(['finished', 'abandoned']).nullable(),
  startedBy: Id,
})
export type SessionLine = Wire<typeof SessionLine>

/** A plan that has crossed the wire, as the core folds it; what was shown and what is folded are one. */
export const foldable = ({ workshop: _, ...plan }: BenchPlan): SessionPlan => ({
  ...plan,
  notes: [],
  stages: plan.stages.map(({ stoneId, micron, ...stage }) => ({
    ...stage,
    stone: { id: stoneId, micron },
    removesMm3: 0,
  })),
})

/** What was done, with its moment as the core counts time. */
export const asSessionAction = ({
  personId,
  action,
}: {
  readonly personId: string | null
  readonly action: BenchAction
}): SessionAction => ({ ...action, personId, atMs: new Date(action.at).getTime() })
