import { z } from 'zod'
import { Id, Instant } from './scalars'
import type { Wire } from './wire'

const MOST_KNIVES = 2000

/** Whose knives are counted. */
export const CountOf = z.discriminatedUnion('of', [
  z.object({ of: z.literal('all') }),
  z.object({ of: z.enum(['station', 'person']), id: Id }),
])
export type CountOf = Wire<typeof CountOf>

/** A count as a device sends it: what was there, and what was looked for and not found. */
export const NewCount = z
  .object({
    id: Id,
    startedAt: Instant,
    endedAt: Instant,
    whose: CountOf,
    present: z.array(Id).max(MOST_KNIVES),
    missing: z.array(Id).max(MOST_KNIVES),
  })
  .refine(({ startedAt, endedAt }) => Date.parse(startedAt) <= Date.parse(endedAt), {
    path: ['endedAt'],
    params: { fault: 'count-backwards' },
  })
  .refine(({ present, missing }) => present.length + missing.length > 0, { params: { fault: 'empty-count' } })
  .refine(({ present, missing }) => !missing.some((id) => present.includes(id)), { params: { fault: 'count-twice' } })
export type NewCount = Wire<typeof NewCount>

/** A count as it is read back, newest first. */
export const CountLine = z.object({
  id: Id,
  startedAt: Instant,
  endedAt: Instant,
  whose: CountOf,
  countedBy: Id,
  present: z.number(),
  missing: z.array(Id),
})
export type CountLine = Wire<typeof CountLine>

/** Who last had a knife in their hands, as the log knows: by whatever they did with it. */
export const LastHand = z.object({ knifeId: Id, personId: Id, at: Instant })
export type LastHand = Wire<typeof LastHand>
