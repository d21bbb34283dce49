import { z } from 'zod'
import { STATED_HABITS } from '../core/edge/fleet/habits'
import { HONE_TOOLS } from '../core/edge/model/hone'
import { LADDER } from '../core/edge/model/ladder'
import { EDGE_WORDS } from '../core/edge/model/scale'
import { ACTIONS } from '../core/edge/verdict/verdict'
import { PERSON_ROLES, RIGHTS } from '../core/house/rights'
import { BOARDS, PRODUCTS } from '../core/house/stations'
import { GRINDS, KNIFE_ROLES, KNIFE_TYPES } from '../core/knife/knifeTypes'
import { ZONES } from '../core/knife/zones'
import { LANGUAGES } from './languages'

export const Id = z.uuid()
export const Instant = z.iso.datetime({ offset: true })
export const Day = z.iso.date()
/** How the parts of a day are written in figures: 31/12, 12/31, or the year first. */
export const DAY_ORDERS = ['dmy', 'mdy', 'ymd'] as const
/** Wall time HH:MM, 24 hours. */
export const WallTime = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/)
export const Name = z.string().trim().min(1).max(80)
export const Text = z.string().trim().min(1).max(500)
/** Fits a label on a handle: letters, digits and hyphens. */
export const KnifeCode = z
  .string()
  .trim()
  .toUpperCase()
  .regex(/^[A-Z0-9][A-Z0-9-]{0,11}$/)
export const Pin = z.string().regex(/^\d{4,8}$/)
export const Password = z.string().min(10).max(200)
export const SignInName = z
  .string()
  .trim()
  .toLowerCase()
  .regex(/^[a-z0-9][a-z0-9._@-]{1,59}$/)

let knownZones: ReadonlySet<string> | null = null
/** Asked for once, and only where a zone is checked. */
const zones = (): ReadonlySet<string> => (knownZones ??= new Set(Intl.supportedValuesOf('timeZone').concat('UTC')))
/** IANA time zone that this server knows. */
export const TimeZone = z.string().refine((zone) => zones().has(zone), { params: { fault: 'unknown-zone' } })

/** A language that Yorvik speaks. */
export const LanguageTag = z.enum(LANGUAGES)

export const ZoneName = z.enum(ZONES)
export const KnifeTypeName = z.enum(KNIFE_TYPES)
export const KnifeRoleName = z.enum(KNIFE_ROLES)
export const GrindName = z.enum(GRINDS)
export const PersonRoleName = z.enum(PERSON_ROLES)
export const RightName = z.enum(RIGHTS)
export const BoardName = z.enum(BOARDS)
export const ProductName = z.enum(PRODUCTS)
/** A word of the edge scale, or that nobody has looked yet. */
export const EdgeWordName = z.enum([...EDGE_WORDS, 'unseen'])
export type EdgeWordName = z.infer<typeof EdgeWordName>
export const ActionName = z.enum(ACTIONS)
export const HoneToolName = z.enum(HONE_TOOLS)
export const StatedHabitName = z.enum(STATED_HABITS)
export const LadderRungName = z.enum(LADDER)

/** Why, as a code with values: sentences are made from the catalogue. */
export const Reason = z.object({
  code: z.string(),
  values: z.record(z.string(), z.union([z.number(), z.string()])),
})

/** What a caliper, a tester or a price tag can honestly say; beyond it somebody mistyped. */
export const Measure = {
  lengthMm: z.number().min(40).max(600),
  heelHeightMm: z.number().min(5).max(200),
  spineMm: z.number().min(0.5).max(12),
  bteMm: z.number().min(0.05).max(3),
  dps: z.number().min(0).max(45),
  workingDps: z.number().min(3).max(45),
  hrc: z.number().min(40).max(70),
  ratioRight: z.number().int().min(0).max(100),
  price: z.number().min(0).max(100_000),
  forceGf: z.number().min(10).max(5000),
  chipMm: z.number().min(0.02).max(20),
  hours: z.number().min(0).max(24),
  minutes: z.number().min(0).max(600),
  strokes: z.number().int().min(0).max(500),
  micron: z.number().min(0.1).max(500),
} as const
