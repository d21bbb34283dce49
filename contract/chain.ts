import { z } from 'zod'
import { HONING_RULES, SCHOOLS } from '../core/policy/policy'
import { LearnedFactor } from './learning'
import { BoardName, Id, Instant, KnifeTypeName, Name, PersonRoleName } from './scalars'
import type { Wire } from './wire'

/** A house somebody belongs to. */
export const OwnHouse = z.object({
  houseId: Id,
  houseName: Name,
  personName: Name,
  role: PersonRoleName,
  isThis: z.boolean(),
})
export type OwnHouse = Wire<typeof OwnHouse>

/** The chain a house is in, as that house sees it; null where it stands alone. */
export const OwnChain = z.object({
  chain: z
    .object({
      name: Name,
      houses: z.number(),
      /** whether who asks owns it and may see its page */
      isOwner: z.boolean(),
      /** whether this house lets its people be named there */
      namesAllowed: z.boolean(),
    })
    .nullable(),
})
export type OwnChain = Wire<typeof OwnChain>

/** A share with its 80 % interval, and how many readings stand behind it. */
const Share = z.object({ share: z.number(), low: z.number(), high: z.number(), n: z.number() })

/** How one house of a chain stands. */
export const ChainHouse = z.object({
  houseId: Id,
  name: Name,
  /** knives in service, those of them within their limit, and those nobody has looked at */
  knives: z.number(),
  inLimit: z.number(),
  unseen: z.number(),
  /** hours at a board with a dull edge that the next seven days would bring if nothing were done */
  dullHoursAhead: z.number(),
  /** sessions of the accepted plan: ahead, done in the last seven days, and past without being done */
  planned: z.number(),
  done: z.number(),
  overdue: z.number(),
  /** readings of the last four weeks for each knife in service */
  readingsPerKnife: z.number(),
  /** how the house as a whole sharpens and hones */
  school: z.enum(SCHOOLS),
  honing: z.enum(HONING_RULES),
  /** readings of the last ninety days that found an edge within its limit; null where there were none */
  within: Share.nullable(),
})
export type ChainHouse = Wire<typeof ChainHouse>

/** Houses of a chain beside each other, like with like, as far as enough is known of two of them. */
export const Compared = z.object({
  boards: z.array(z.object({ board: BoardName, houses: z.array(z.object({ houseId: Id, effect: LearnedFactor })) })),
  /** same kind of knife on the same kind of board: share of readings within the limit */
  edges: z.array(
    z.object({
      type: KnifeTypeName,
      board: BoardName,
      houses: z.array(z.object({ houseId: Id, within: Share, apart: z.boolean() })),
    }),
  ),
  /** what edges of each hand last against that house's usual hand; named where the house allows it */
  hands: z.array(z.object({ houseId: Id, hands: z.array(z.object({ name: Name.nullable(), life: LearnedFactor })) })),
})
export type Compared = Wire<typeof Compared>

export const ChainPage = z.object({
  name: Name,
  now: Instant,
  /** newest backup of the server they share; null where somebody else makes them */
  backupAt: Instant.nullable(),
  houses: z.array(ChainHouse),
  compared: Compared,
})
export type ChainPage = Wire<typeof ChainPage>
