import { z } from 'zod'
import { BATHS, GEAR_KINDS, GEAR_WARNINGS } from '../core/abrasive/gear'
import { TRY_OUTCOMES } from '../core/session/branches'
import type { SessionPlan } from '../core/session/plan'
import { CAUTIONS, CHECKS, REMEDIES, STEP_KINDS, STEP_SIDES, STEP_TOOLS, STEP_WORKS } from '../core/session/recipe'
import type { SessionAction } from '../core/session/session'
import { PACES, WAY_IDS, type WayId } from '../core/session/ways'
import { SKILLS } from '../core/house/skills'
import { ZONES } from '../core/knife/zones'
import { MINUTE_MS } from '../core/time'
import { Records, StepLift } from './recipes'
import { Id, Instant, LadderRungName, Measure, Name, Reason, Text, ZoneName } from './scalars'
import type { Wire } from './wire'
import { WorkOrder, WorkshopResult } from './workshop'

export * from './recipes'

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
  work: z.enum(STEP_WORKS).nullable().default(null),
  side: z.enum(STEP_SIDES).nullable(),
  hand: z.enum(['left', 'right']).nullable().default(null),
  tool: z.enum(STEP_TOOLS).nullable().default(null),
  stage: z.number().nullable(),
  stoneId: z.string().nullable(),
  minutes: z.number(),
  rungs: z.array(z.object({ strokes: z.number(), newtons: z.number() })),
  strokes: z.number(),
  newtons: z.number().nullable().default(null),
  dps: z.number().nullable().default(null),
  liftMm: z.number().nullable().default(null),
  lift: StepLift.nullable().default(null),
  ofSitting: z.boolean().default(false),
  owed: z.number().default(0),
  only: ZoneName.nullable().default(null),
  checks: z.array(z.enum(CHECKS)),
  ifNot: z.enum(REMEDIES).nullable().default(null),
  ways: z.array(z.enum(WAY_IDS as [WayId, ...WayId[]])).default([]),
  cautions: z.array(z.enum(CAUTIONS)),
  words: z.object({ what: z.string(), why: z.string() }).nullable(),
})
export const BenchPlan = z.object({
  recipeId: z.string(),
  recipeName: z.string().nullable().default(null),
  records: Records,
  /** what this knife takes, and what setting up and clearing away take once for all */
  minutes: z.number(),
  setUpMinutes: z.number().default(0),
  finishMicron: z.number(),
  choices: z.record(z.string(), z.string()),
  firstSide: z.enum(['left', 'right']).default('right'),
  takesUm: z.number().nullable().default(null),
  leavesBteMm: z.number().nullable().default(null),
  /** what was asked for by whoever began it; a plan laid out again after the look still goes by it */
  asked: z
    .object({
      recipeId: z.string().optional(),
      startWith: z.string().optional(),
      choices: z.record(z.string(), z.string()),
    })
    .default({ choices: {} }),
  /** why this work, and this first stone, by what was seen; empty until somebody has looked */
  because: z.array(Reason).default([]),
  stages: z.array(StageView),
  notes: z.array(Note),
  steps: z.array(StepOfSession),
  /** what the section is to be afterwards, where this is workshop work */
  workshop: WorkshopResult.nullable().default(null),
})
export type BenchPlan = Wire<typeof BenchPlan>

/** Something a session left for a later one; it stays with the knife until somebody ticks it off. */
export const CarryOver = z.object({
  id: Id,
  zone: ZoneName,
  what: z.string(),
  leftBy: z.string(),
  leftAt: Instant,
})
export type CarryOver = Wire<typeof CarryOver>

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
  /** tools the recipe asks for that are not on the shelf */
  missing: z.array(z.enum(STEP_TOOLS)),
  /** workshop work saved for this knife */
  saved: WorkOrder.nullable(),
  /** what coins under this blade really give, by how many of each */
  coins: z.array(z.object({ name: z.string(), count: z.number(), dps: z.number() })),
  /** whether whoever asks may begin this, and who may stand beside somebody that may not alone */
  start: z.object({
    may: z.boolean(),
    skill: z.enum(SKILLS).nullable(),
    beside: z.array(z.object({ id: Id, name: z.string() })),
    /** whose knife it is, where a rule of the house keeps it from everybody else's stone */
    keptFor: z.string().nullable(),
  }),
  pace: z.enum(PACES),
  /** the server's own mark on this plan: a device without a network may begin by it */
  seal: z.string().max(120),
  /** somebody is at this knife already */
  open: z.object({ sessionId: Id, personName: z.string(), startedAt: Instant }).nullable(),
})
export type BenchOffer = Wire<typeof BenchOffer>

/** A session that a device began without a network, by a plan it had been given. */
export const BegunAway = z.object({
  plan: BenchPlan,
  skill: z.enum(SKILLS).nullable(),
  seal: z.string().max(120),
  at: Instant,
})
export type BegunAway = Wire<typeof BegunAway>

/** What a session leaves undone, in the words of who leaves it. */
export const CarriedWhat = z.object({ what: Text })

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
  z.object({ ...actionBase, kind: z.literal('carry-over'), zone: ZoneName, ...CarriedWhat.shape }),
  z.object({
    ...actionBase,
    kind: z.literal('picture'),
    when: z.enum(['before', 'after']),
    zone: ZoneName,
    bluntUm: z.number().min(0).max(500),
    roll: z.number().min(0).max(1),
  }),
  z.object({
    ...actionBase,
    kind: z.literal('looked'),
    signs: z.array(z.object({ zone: z.enum([...ZONES, 'whole']), rung: LadderRungName })).max(12),
    glint: z.array(ZoneName).max(3),
    chip: z.object({ zone: ZoneName, depthMm: Measure.chipMm }).nullable(),
  }),
  z.object({
    ...actionBase,
    kind: z.literal('tried'),
    stepId: StepId,
    outcome: z.enum(TRY_OUTCOMES),
    zone: ZoneName.nullable(),
    hand: z.enum(['left', 'right']).nullable(),
  }),
  z.object({ ...actionBase, kind: z.literal('back'), stepId: StepId, zone: ZoneName }),
  z.object({ ...actionBase, kind: z.literal('photo'), photoId: Id, when: z.enum(['before', 'after']) }),
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
  /** somebody signed off who stands beside a learner */
  besideId: Id.nullable().default(null),
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
  besideId: Id.nullable().default(null),
})
export type SessionLine = Wire<typeof SessionLine>

/** A plan that has crossed the wire, as the core folds it; what was shown and what is folded are one. */
export const foldable = ({ workshop: _, because: __, asked: ___, ...plan }: BenchPlan): SessionPlan => ({
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
