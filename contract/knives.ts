import { z } from 'zod'
import {
  ActionName, Day, EdgeWordName, GrindName, HoneToolName, Id, Instant, KnifeCode, KnifeRoleName, KnifeTypeName, Measure,
  ZoneName,
} from './scalars'
import { Defects } from './events'

/** What a person may say about a knife; null means nobody has measured it yet. */
export const KnifeDescription = z.object({
  code: KnifeCode,
  name: z.string().trim().max(80),
  type: KnifeTypeName,
  lengthMm: Measure.lengthMm,
  heelHeightMm: Measure.heelHeightMm.nullable(),
  spineMm: Measure.spineMm.nullable(),
  bteMm: Measure.bteMm.nullable(),
  bteNewMm: Measure.bteMm.nullable(),
  dpsLeft: Measure.dps.nullable(),
  dpsRight: Measure.dps.nullable(),
  grind: GrindName,
  ratioRight: Measure.ratioRight,
  serrated: z.boolean(),
  steelEn: z.string().trim().max(12).nullable(),
  hrc: Measure.hrc.nullable(),
  reactive: z.boolean(),
  price: Measure.price.nullable(),
  boughtOn: Day.nullable(),
})
export type KnifeDescription = z.infer<typeof KnifeDescription>

/** A new knife needs a type, a length and a station; all else has a default. */
export const NewKnife = KnifeDescription.partial()
  .required({ type: true, lengthMm: true })
  .extend({ id: Id, stationId: Id, holderId: Id.nullable().default(null), condition: z.enum(['new', 'in-use']).default('in-use') })
export type NewKnife = z.infer<typeof NewKnife>

export const KnifePatch = KnifeDescription.partial()
export type KnifePatch = z.infer<typeof KnifePatch>

const Reason = z.object({ code: z.string(), values: z.record(z.string(), z.union([z.number(), z.string()])) })
const StepView = z.object({
  action: ActionName,
  reasons: z.array(Reason),
  cost: z.object({ minutes: z.number(), strokesPerSide: z.number(), steelUm: z.number() }),
  startGrit: z.number().nullable(),
  tool: HoneToolName.nullable(),
  dps: z.number(),
})
export type StepView = z.infer<typeof StepView>

const ZoneCondition = z.object({ forceGf: z.number(), lowGf: z.number(), highGf: z.number(), word: EdgeWordName })

/** A knife with everything derived from its log at one moment. */
export const KnifeView = KnifeDescription.extend({
  id: Id,
  role: KnifeRoleName,
  heelHeightMm: z.number(),
  spineMm: z.number(),
  bteMm: z.number(),
  bteNewMm: z.number(),
  dpsLeft: z.number(),
  dpsRight: z.number(),
  hrc: z.number(),
  /** fields that are the type's usual figure because nobody has measured them */
  assumed: z.array(z.string()),
  limitGf: z.number(),
  stationId: Id,
  holderId: Id.nullable(),
  status: z.enum(['in-service', 'quarantined', 'retired']),
  statusReason: z.string().nullable(),
  statusSince: Instant,
  zones: z.object({ heel: ZoneCondition, belly: ZoneCondition, tip: ZoneCondition }),
  word: EdgeWordName,
  worstZone: ZoneName,
  defects: Defects,
  sharpenedAt: Instant.nullable(),
  honedAt: Instant.nullable(),
  checkedAt: Instant.nullable(),
  hoursSinceHone: z.number(),
  hoursSinceSharpening: z.number(),
  readingCount: z.number(),
  verdict: StepView.extend({ runnerUp: StepView.nullable() }),
  dullAhead: z.object({ zone: ZoneName, serviceName: z.string(), startsAt: Instant }).nullable(),
})
export type KnifeView = z.infer<typeof KnifeView>
