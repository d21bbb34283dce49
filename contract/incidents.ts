import { z } from 'zod'
import { HARM_CAUSES } from '../core/edge/model/events'
import { STEP_KINDS } from '../core/session/recipe'
import { Id, Instant } from './scalars'
import type { Wire } from './wire'

export const INCIDENT_KINDS = ['cut', 'near-miss', 'blade-hurt'] as const
export const INCIDENT_PLACES = ['bench', 'sink', 'board', 'rack', 'carrying', 'wheel'] as const

/** An accident or a near miss, so that the kitchen learns from it: what and where, never who. */
export const NewIncident = z.object({
  id: Id,
  at: Instant,
  what: z.enum(INCIDENT_KINDS),
  place: z.enum(INCIDENT_PLACES),
  /** kind of the session's step it happened in; empty away from the bench */
  step: z.enum(['', ...STEP_KINDS]).default(''),
  /** what hurt a blade, and which; of a cut or a near miss neither is asked */
  cause: z.enum(['', ...HARM_CAUSES]).default(''),
  knifeId: Id.nullable().default(null),
  note: z.string().trim().max(300).default(''),
})
export type NewIncident = Wire<typeof NewIncident>

/** What happened lately, and how often by place over a year. */
export const Incidents = z.object({
  latest: z.array(NewIncident.extend({ photoIds: z.array(Id) })),
  yearly: z.array(z.object({ what: z.enum(INCIDENT_KINDS), place: z.enum(INCIDENT_PLACES), count: z.number() })),
})
export type Incidents = Wire<typeof Incidents>
