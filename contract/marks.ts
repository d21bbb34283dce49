import { z } from 'zod'
import { BegunAway, BenchAction } from './bench'
import { NewCount } from './counts'
import { NewEvent } from './events'
import { Id } from './scalars'
import type { Wire } from './wire'

/** With what a device marks what its signed-in person records, to be known again when somebody else's session brings it. */
export const Marking = z.object({
  /** how each mark begins: when and on which tablet */
  begin: z.string(),
  /** HMAC-SHA-256 key, base64url; it leaves the device when its person does */
  key: z.string(),
})
export type Marking = Wire<typeof Marking>

/** One thing done on a device that the server has not heard. */
export const KeptRecord = z.discriminatedUnion('kind', [
  z.object({ id: Id, kind: z.literal('event'), event: NewEvent }),
  z.object({
    id: Id,
    kind: z.literal('begin'),
    knifeId: Id,
    besideId: Id.nullable(),
    begunAway: BegunAway,
  }),
  z.object({ id: Id, kind: z.literal('count'), count: NewCount }),
  z.object({ id: Id, kind: z.literal('touch'), sessionId: Id, action: BenchAction }),
])
export type KeptRecord = Wire<typeof KeptRecord>

const MOST_TEXT = 200_000

/** A record of somebody who is not signed in any more, as their device kept and marked it. */
export const MarkedRecord = z.object({
  personId: Id,
  /** a KeptRecord as JSON, to the letter as it was marked */
  text: z.string().max(MOST_TEXT),
  /** {@link Marking.begin}, a dot, and the HMAC-SHA-256 of the text, base64url */
  mark: z.string().max(200),
})
