import { z } from 'zod'
import { Person, Station } from './house'
import { KnifeView } from './knives'
import { Id, Instant } from './scalars'
import type { Wire } from './wire'

export const Fleet = z.object({
  /** when this was reckoned, at most a minute ago */
  now: Instant,
  knives: z.array(KnifeView),
  people: z.array(Person),
  stations: z.array(Station),
  /** sessions of the accepted plan that are still ahead, with the name of their bench */
  planned: z.array(
    z.object({
      knifeId: Id,
      personId: Id,
      windowId: z.string(),
      benchId: Id,
      bench: z.string(),
      startsAt: Instant,
      endsAt: Instant,
    }),
  ),
  day: z.object({
    startsAt: Instant,
    services: z.array(z.object({ name: z.string(), startsAt: Instant, endsAt: Instant })),
    quiet: z.array(z.object({ name: z.string(), startsAt: Instant, endsAt: Instant })),
  }),
})
export type Fleet = Wire<typeof Fleet>
