import { z } from 'zod'
import { Id, Instant } from './scalars'
import type { Wire } from './wire'

/** A picture of an edge in base64: four characters for three bytes. */
export const MOST_PHOTO_CHARACTERS = 600_000

/** A picture on its way in. */
export const NewPhoto = z.object({ id: Id, base64: z.base64().max(MOST_PHOTO_CHARACTERS) })
export type NewPhoto = Wire<typeof NewPhoto>

/** Where a picture belongs: to a session at the bench, to a knife's history and an entry of it, or to an accident. */
export const PhotoOf = z.object({
  sessionId: Id.nullable(),
  knifeId: Id.nullable(),
  eventId: Id.nullable(),
  incidentId: Id.nullable(),
})
export type PhotoOf = Wire<typeof PhotoOf>

export const Photo = PhotoOf.extend({ id: Id, at: Instant, personName: z.string().nullable() })
export type Photo = Wire<typeof Photo>

/** How much room the house's pictures take, and how much they may, MB. */
export const PhotoRoom = z.object({ usedMb: z.number(), quotaMb: z.number(), photos: z.number() })
export type PhotoRoom = Wire<typeof PhotoRoom>

export const PhotoQuota = z.object({ quotaMb: z.number().int().min(0).max(100_000) })
