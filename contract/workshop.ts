import { z } from 'zod'
import { GrindName, Id, KnifeTypeName, Measure, ProductName, ZoneName } from './scalars'
import type { Wire } from './wire'

const Mm = (low: number, high: number): z.ZodNumber => z.number().min(low).max(high)
const Angle = z.number().min(0).max(45)
/** A repair at once, or half now and the rest at the next one or two sessions. */
const RepairSessions = z.number().int().min(1).max(3)

/** Work that changes a blade's section, as the core does it. */
export const Operation = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('thin'), targetBteMm: Mm(0.01, 5), upToMm: Mm(1, 200).optional() }),
  z.object({ kind: z.literal('flat-to-convex'), targetBteMm: Mm(0.01, 5), flatDownToMm: Mm(1, 20).optional() }),
  z.object({ kind: z.literal('full-convex'), targetBteMm: Mm(0.01, 5) }),
  z.object({
    kind: z.literal('boning'),
    rubShare: z.number().min(0.3).max(0.9),
    shoulderDps: Angle,
    shoulderMm: Mm(1, 15),
    edgeDps: Angle,
  }),
  z.object({ kind: z.literal('re-bevel'), dps: Angle }),
  z.object({ kind: z.literal('micro-bevel'), dps: Angle, widthMm: Mm(0.02, 1) }),
  z.object({ kind: z.literal('ratio'), toRight: z.number().min(5).max(95), sessions: z.number().int().min(1).max(20) }),
  z.object({ kind: z.literal('chip'), depthMm: Mm(0.01, 100), sessions: RepairSessions }),
  z.object({
    kind: z.literal('tip'),
    lostMm: Mm(0.1, 150),
    from: z.enum(['spine', 'edge']),
    sessions: RepairSessions,
    groundShare: z.number().min(0).max(0.99).optional(),
  }),
  z.object({ kind: z.literal('serrated'), school: z.enum(['ground-side', 'flat-back']), dps: Angle }),
])
export type Operation = Wire<typeof Operation>

/** Thickness at heights above the edge, mm. */
export const ThicknessAt = z.array(z.object({ heightMm: Mm(0.2, 60), thicknessMm: Mm(0.05, 12) })).max(6)

/** What a session did to the section, kept with it and written into the knife's log when it ends. */
export const WorkshopResult = z.object({
  operation: Operation,
  lossMm: z.number(),
  bteMm: z.number(),
  dpsLeft: z.number(),
  dpsRight: z.number(),
  ratioRight: z.number(),
  areaMm2: z.number(),
  grams: z.number(),
  lengthLossMm: z.number().default(0),
  /** the faces it leaves; empty where it did not touch them */
  thicknessAt: ThicknessAt.default([]),
  /** what waits for the next session; null where this one does it all */
  rest: Operation.nullable().default(null),
})
export type WorkshopResult = Wire<typeof WorkshopResult>

/** Work saved for a knife's time at the bench; one that waits is the rest of an earlier session's, and comes with the next. */
export const WorkOrder = z.object({ operation: Operation, waits: z.boolean() })
export type WorkOrder = Wire<typeof WorkOrder>

/** What somebody measured of a section at one spot of the edge. */
export const SectionMeasure = z.object({
  zone: ZoneName,
  thicknessAt: ThicknessAt,
  bteMm: Measure.bteMm.optional(),
  bevelLeftMm: Mm(0, 20).optional(),
  bevelRightMm: Mm(0, 20).optional(),
  faceDps: Angle.optional(),
  /** reckoned from what workshop work left there, not measured since */
  worked: z.boolean().optional(),
})
export type SectionMeasure = Wire<typeof SectionMeasure>

/** A knife on the workshop's screen: its section as it is, what stands at the bench, and what its life is reckoned from. */
export const WorkshopView = z.object({
  knifeId: Id,
  type: KnifeTypeName,
  blade: z.object({
    heelHeightMm: z.number(),
    spineMm: z.number(),
    bteMm: z.number(),
    dpsLeft: z.number(),
    dpsRight: z.number(),
    grind: GrindName,
    ratioRight: Measure.ratioRight,
  }),
  lengthMm: z.number(),
  hrc: z.number(),
  /** volume per cent of each hard phase of its steel */
  carbides: z.object({
    CrC: z.number().optional(),
    CrVC: z.number().optional(),
    MC: z.number().optional(),
    M6C: z.number().optional(),
    MN: z.number().optional(),
    CrN: z.number().optional(),
  }),
  serrated: z.boolean(),
  chipMm: z.number().nullable(),
  /** its tip is bent or gone */
  tipHurt: z.boolean(),
  saved: WorkOrder.nullable(),
  stones: z.array(z.object({ id: Id, name: z.string(), micron: z.number(), diamond: z.boolean(), rate: z.number() })),
  /** the latest measurement of each spot */
  measured: z.array(SectionMeasure),
  life: z.object({
    /** what its edge has to stand: hardness, and the hardest food it meets */
    work: z.object({ hrc: z.number(), product: ProductName }),
    minimumHeightMm: z.number(),
    thickestMm: z.number(),
    thinToMm: z.number(),
    perSessionMm: z.object({ low: z.number(), middle: z.number(), high: z.number() }),
    sessionsPerYear: z.number(),
    price: z.number().nullable(),
  }),
})
export type WorkshopView = Wire<typeof WorkshopView>
