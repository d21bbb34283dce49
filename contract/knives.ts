import { HONING_RULES } from '../core/policy/policy'
import { z } from 'zod'
import { Defects } from './events'
import {
  ActionName,
  Day,
  EdgeWordName,
  GrindName,
  HoneToolName,
  Id,
  Instant,
  KnifeCode,
  KnifeRoleName,
  KnifeTypeName,
  Measure,
  Reason,
  ZoneName,
} from './scalars'
import { HoningHabit } from './learning'
import type { Wire } from './wire'

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
export type KnifeDescription = Wire<typeof KnifeDescription>

/** A new knife needs a type, a length and a station; all else has a default. */
export const NewKnife = KnifeDescription.partial()
  .required({ type: true, lengthMm: true })
  .extend({
    id: Id,
    stationId: Id,
    holderId: Id.nullable().default(null),
    condition: z.enum(['new', 'in-use']).default('in-use'),
  })
export type NewKnife = Wire<typeof NewKnife>

export const KnifePatch = KnifeDescription.partial()
export type KnifePatch = Wire<typeof KnifePatch>

const RecommendationView = z.object({
  action: ActionName,
  reasons: z.array(Reason),
  cost: z.object({ minutes: z.number(), strokesPerSide: z.number(), steelUm: z.number() }),
  /** JIS grit the trade would begin with, and the stone of this house that comes first */
  startGrit: z.number().nullable(),
  startStone: z.string().nullable(),
  tool: HoneToolName.nullable(),
  dps: z.number(),
})
export type RecommendationView = Wire<typeof RecommendationView>

const Chance = z.number().min(0).max(1)
/** A date with an 80 % band. */
/** A date with the 80 % band around it. */
export const DateBand = z.object({ earlyAt: Instant, middleAt: Instant, lateAt: Instant })

const ZoneCondition = z.object({
  forceGf: z.number(),
  lowGf: z.number(),
  highGf: z.number(),
  word: EdgeWordName,
  /** width of the blunt apex, µm, and share of the edge bent over, 0–1 */
  bluntUm: z.number(),
  roll: z.number(),
})

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
  status: z.enum(['in-service', 'counted', 'quarantined', 'missing', 'away', 'practice', 'retired']),
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
  /** its last sharpening has seen five to six hours of use: time for the verdict that counts */
  judgeDue: z.boolean(),
  readingCount: z.number(),
  signCount: z.number(),
  /** whether anybody knows how the edge stands; of one that nobody has looked at no word is said as a fact */
  seen: z.boolean(),
  verdict: RecommendationView.extend({
    runnerUp: RecommendationView.nullable(),
    /** what the edge alone would ask for, where a rule of the house has something else done */
    byCondition: RecommendationView.nullable(),
  }),
  /** when a rod or strop is taken to it, by the rule that counts for it */
  honing: z.enum(HONING_RULES),
  dullAhead: z.object({ zone: ZoneName, serviceName: z.string(), startsAt: Instant }).nullable(),
  /** chance of ending each of the next services dull; the first may be running now */
  servicesAhead: z.array(z.object({ serviceName: z.string(), startsAt: Instant, zone: ZoneName, chanceDull: Chance })),
  /** when the limit is passed with a chance of 10, 50 and 90 %, null beyond the outlook */
  toLimit: z.object({ earlyAt: Instant.nullable(), middleAt: Instant.nullable(), lateAt: Instant.nullable() }),
  /** whether the forecast stands on this knife's own readings or on what similar knives taught */
  knownFrom: z.enum(['own', 'similar']),
  /** the holder's working angle against this edge, where it matters */
  mismatch: z
    .object({
      workingDps: z.number(),
      mismatchDps: z.number(),
      does: z.enum(['shoulder-only', 'too-little', 'micro-bevel']),
      reach: z.number(),
    })
    .nullable(),
  /** where counted strokes went, and which side is owed some; null while too few were counted */
  symmetry: z
    .object({
      rightShare: z.number(),
      owes: z.object({ side: z.enum(['left', 'right']), strokes: z.number() }).nullable(),
    })
    .nullable(),
  thinningDue: DateBand.nullable(),
  wornOut: DateBand.nullable(),
})
export type KnifeView = Wire<typeof KnifeView>

const Moment = z.object({ at: Instant, forceGf: z.number(), lowGf: z.number(), highGf: z.number() })
const Banded = z.object({ mean: z.number(), low: z.number(), high: z.number() })

/** Everything a knife's page draws: what was read, what was believed at the time, and what is coming. */
export const EdgeStory = z.object({
  limitGf: z.number(),
  now: Instant,
  zones: z.object({ heel: z.array(Moment), belly: z.array(Moment), tip: z.array(Moment) }),
  readings: z.array(z.object({ at: Instant, zone: ZoneName, forceGf: z.number() })),
  marks: z.array(
    z.object({
      at: Instant,
      kind: z.enum(['honed', 'sharpened', 'checked', 'measured', 'quarantined', 'released', 'moved']),
      personName: z.string().nullable(),
    }),
  ),
  ahead: z.array(
    z.object({
      serviceName: z.string(),
      startsAt: Instant,
      endsAt: Instant,
      chanceDull: Chance,
      zones: z.object({ heel: Moment, belly: Moment, tip: Moment }),
    }),
  ),
  learned: z.object({
    knownFrom: z.enum(['own', 'similar']),
    readingCount: z.number(),
    /** wear against the table of its steel, as a factor */
    wear: Banded,
    zoneWear: z.object({ heel: Banded, belly: Banded, tip: Banded }),
    honing: Banded,
    /** hours of use from a fresh edge to the limit */
    lifeHours: z.object({ low: z.number().nullable(), middle: z.number().nullable(), high: z.number().nullable() }),
    bentShare: z.number(),
    /** how the knife is honed, as far as it is known: share of services, and share of those honings on record */
    habit: HoningHabit,
  }),
  steel: z.object({
    points: z.array(z.object({ at: Instant, heightMm: Banded, bteMm: Banded, measured: z.boolean() })),
    minimumHeightMm: z.number(),
    thickestMm: z.number(),
    sessionsPerYear: z.number(),
    perSessionMm: z.number(),
  }),
})
export type EdgeStory = Wire<typeof EdgeStory>
