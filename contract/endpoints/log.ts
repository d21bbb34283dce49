import { z } from 'zod'
import { byId, endpoint } from '../endpoint'
import { CountLine, LastHand, NewCount } from '../counts'
import { NewEvent, TimelineEvent } from '../events'
import { KnifeView } from '../knives'
import { MarkedRecord } from '../marks'
import { Id, Instant } from '../scalars'

export const logEndpoints = {
  timeline: endpoint('get', '/api/knives/{id}/events', 'see', 'History of a knife, newest first', {
    params: byId,
    query: z.object({
      before: Instant.optional(),
      beforeId: Id.optional(),
      most: z.coerce.number().int().min(1).max(500).default(60),
    }),
    answer: z.array(TimelineEvent),
  }),
  sendEvents: endpoint(
    'post',
    '/api/events',
    'see',
    'Record what happened; sending the same ids again changes nothing',
    {
      body: z.object({ events: z.array(NewEvent).min(1).max(200) }),
      answer: z.object({ knives: z.array(KnifeView) }),
    },
  ),
  sendCount: endpoint('post', '/api/counts', 'count', 'Record a count; sending the same id again changes nothing', {
    body: NewCount,
    answer: z.object({ knives: z.array(KnifeView) }),
  }),
  counts: endpoint('get', '/api/counts', 'see', 'The latest counts, newest first', { answer: z.array(CountLine) }),
  lastHands: endpoint('get', '/api/counts/last-hands', 'see', 'Who last had each knife in their hands, and when', {
    answer: z.array(LastHand),
  }),
  sendMarked: endpoint(
    'post',
    '/api/marked-records',
    'see',
    'Bring what somebody recorded on this device before they left it; it counts as theirs',
    { body: MarkedRecord },
  ),
} as const
