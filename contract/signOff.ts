import { z } from 'zod'
import { MISSING_EVIDENCE } from '../core/hands/signOff'
import { SKILL_LEVELS, SKILLS } from '../core/house/skills'
import { Id, Instant } from './scalars'
import type { Wire } from './wire'

/** The finished sessions that a sign-off stands on. */
const Evidence = z.object({
  sessions: z.number(),
  supervised: z.number(),
  tested: z.number(),
  held: z.number(),
  lastMs: z.number().nullable(),
})

/** What a level was said on, kept with it as it was then. */
export const SignedOn = Evidence.extend({
  /** drills, and how many of them a trained hand would not be ashamed of */
  drills: z.number(),
  steadyDrills: z.number(),
  lessons: z.number(),
  missing: z.array(z.enum(MISSING_EVIDENCE)),
})
export type SignedOn = Wire<typeof SignedOn>

/** One person at one skill: the level, who said so and on what; what stands now, and what the chef is asked. */
export const SignOff = z.object({
  personId: Id,
  skill: z.enum(SKILLS),
  /** null where nobody has said anything yet */
  level: z.enum(SKILL_LEVELS).nullable(),
  signedBy: Id.nullable(),
  signedAt: Instant.nullable(),
  signedOn: SignedOn.nullable(),
  now: SignedOn,
  proposal: z.object({ to: z.enum(SKILL_LEVELS), why: z.enum(['evidence', 'disuse', 'results']) }).nullable(),
})
export type SignOff = Wire<typeof SignOff>
