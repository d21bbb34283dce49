import { z } from 'zod'
import { DAY_ORDERS, Id, LanguageTag, Name, StatedHabitName, TimeZone } from './scalars'
import { PolicyRules, ServiceLimits } from './house'
import { Money } from './ledger'
import { PhotoQuota } from './photos'
import type { Wire } from './wire'

export const WHOLE_HOUSE_FORMAT = 'yorvik-house'
export const WHOLE_HOUSE_VERSION = 1
/** A house of ten years, with its pictures. */
export const MOST_HOUSE_BYTES = 200_000_000

/** Everything of a house but who may sign in, in the order in which one part needs another. */
export const HOUSE_PARTS = [
  'people',
  'devices',
  'stations',
  'station_work',
  'weekly_spans',
  'special_days',
  'special_spans',
  'benches',
  'gear',
  'stack_pieces',
  'recipes',
  'recipe_preferences',
  'ways',
  'knives',
  'events',
  'work_orders',
  'bench_sessions',
  'bench_actions',
  'carry_overs',
  'burr_times',
  'side_times',
  'shifts',
  'shift_days',
  'person_skills',
  'honing_walks',
  'counts',
  'drills',
  'lessons_done',
  'incidents',
  'photos',
  'supplies',
  'supply_counts',
  'stone_measures',
  'currency_changes',
  'plans',
  'file_meanings',
] as const
export type HousePart = (typeof HOUSE_PARTS)[number]

const Row = z.record(z.string().max(40), z.unknown())
export type HouseRow = Wire<typeof Row>

/** A house as one file: its own settings, and each part as rows, named as docs/formats.md describes them. */
export const WholeHouse = z.object({
  format: z.literal(WHOLE_HOUSE_FORMAT),
  version: z.literal(WHOLE_HOUSE_VERSION),
  house: z.object({
    name: Name,
    zone: TimeZone,
    units: z.enum(['mm', 'in']),
    serviceLimits: ServiceLimits,
    honingHabit: StatedHabitName.nullable(),
    dayOrder: z.enum(DAY_ORDERS),
    /** houses that went out before they could choose spoke English */
    language: LanguageTag.default('en'),
    /** houses that went out before there were rules have none */
    policies: PolicyRules.default([]),
    /** what it pays; null where it never said, and left out by houses that went out before there was a ledger */
    money: Money.nullable().default(null),
    /** room for its pictures, MB */
    photoQuotaMb: PhotoQuota.shape.quotaMb.default(500),
  }),
  /** a part without rows may be left out; pictures had another name while only sessions had any */
  parts: z.preprocess(
    (parts) =>
      typeof parts === 'object' && parts !== null && 'session_photos' in parts
        ? (({ session_photos, ...rest }) => ({ ...rest, photos: session_photos }))(parts)
        : parts,
    z.partialRecord(z.enum(HOUSE_PARTS), z.array(Row)),
  ),
})
export type WholeHouse = Wire<typeof WholeHouse>

/** A whole house on its way in, and which of its people is the one who brings it. */
export const WholeHouseIn = z.object({ file: WholeHouse, personId: Id, jobId: Id.optional() })
