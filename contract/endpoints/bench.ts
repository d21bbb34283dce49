import { z } from 'zod'
import { BegunAway, BenchAction, BenchOffer, BenchSession, CarryOver, ChosenWays, SessionLine } from '../bench'
import { byId, endpoint } from '../endpoint'
import { Id, Instant } from '../scalars'
import { Operation, WorkshopView } from '../workshop'

const wish = {
  recipeId: z.string().max(40).optional(),
  startWith: Id.optional(),
  choices: ChosenWays.default({}),
}

export const benchEndpoints = {
  benchOffer: endpoint('post', '/api/knives/{id}/bench', 'see', 'What could be done to a knife at the bench, and how', {
    params: byId,
    body: z.object(wish),
    answer: BenchOffer,
  }),
  workshop: endpoint(
    'get',
    '/api/knives/{id}/workshop',
    'see',
    'A knife’s section as it is, and what its life is reckoned from',
    { params: byId, answer: WorkshopView },
  ),
  setWorkOrder: endpoint(
    'put',
    '/api/knives/{id}/work-order',
    'log-sharpening',
    'Save workshop work for a knife’s time at the bench',
    { params: byId, body: z.object({ operation: Operation }), answer: WorkshopView },
  ),
  deleteWorkOrder: endpoint(
    'delete',
    '/api/knives/{id}/work-order',
    'log-sharpening',
    'Drop the work saved for a knife',
    { params: byId, answer: WorkshopView },
  ),
  knifeSessions: endpoint(
    'get',
    '/api/knives/{id}/bench-sessions',
    'see',
    'Sessions a knife has been through, newest first',
    {
      params: byId,
      answer: z.array(SessionLine),
    },
  ),
  startSession: endpoint('post', '/api/bench-sessions', 'log-hone', 'Begin a session on a knife', {
    body: z.object({
      id: Id,
      knifeId: Id,
      ...wish,
      operation: Operation.optional(),
      besideId: Id.optional(),
      begunAway: BegunAway.optional(),
    }),
    answer: BenchSession,
  }),
  openSessions: endpoint('get', '/api/bench-sessions', 'see', 'Sessions nobody has ended', {
    answer: z.array(z.object({ id: Id, knifeId: Id, startedBy: Id, startedAt: Instant })),
  }),
  benchSession: endpoint('get', '/api/bench-sessions/{id}', 'see', 'A session with everything done in it', {
    params: byId,
    answer: BenchSession,
  }),
  tickCarryOver: endpoint(
    'post',
    '/api/knives/{id}/carry-overs/{carryOverId}/done',
    'log-hone',
    'Tick off what a session had left with a knife',
    { params: byId.extend({ carryOverId: Id }), answer: z.array(CarryOver) },
  ),
  carryOvers: endpoint('get', '/api/knives/{id}/carry-overs', 'see', 'What sessions have left with a knife', {
    params: byId,
    answer: z.array(CarryOver),
  }),
  actInSession: endpoint(
    'post',
    '/api/bench-sessions/{id}/actions',
    'log-hone',
    'Keep what was done; sending the same ids again changes nothing',
    {
      params: byId,
      body: z.object({ actions: z.array(BenchAction).min(1).max(500) }),
      answer: BenchSession,
    },
  ),
} as const
