import { z } from 'zod'
import { BoardName, HoneToolName, Id, Instant, Name, ProductName, StatedHabitName, ZoneName } from './scalars'
import type { Wire } from './wire'

/** A learned effect as a factor with an 80 % interval; `nothing` where the readings do not say. */
export const LearnedFactor = z.object({
  factor: z.number(),
  low: z.number(),
  high: z.number(),
  says: z.enum(['more', 'less', 'as-expected', 'nothing']),
})
export type LearnedFactor = Wire<typeof LearnedFactor>

/** How knives are honed, as far as it is known: share of services with an 80 % interval, and share of it on record. */
export const HoningHabit = z.object({
  honed: z.number(),
  low: z.number(),
  high: z.number(),
  logged: z.number(),
  services: z.number(),
  stated: StatedHabitName.nullable(),
})

/** What the house's own log taught: who and what eats edges, and how many readings stand behind it. */
export const HouseLearning = z.object({
  readings: z.number(),
  stations: z.array(
    z.object({
      id: Id,
      name: Name,
      board: BoardName,
      product: ProductName,
      tableFactor: z.number(),
      readings: z.number(),
      effect: LearnedFactor,
    }),
  ),
  boards: z.array(z.object({ board: BoardName, tableFactor: z.number(), effect: LearnedFactor })),
  products: z.array(z.object({ product: ProductName, tableFactor: z.number(), effect: LearnedFactor })),
  hands: z.array(
    z.object({
      personId: Id,
      name: Name,
      readings: z.number(),
      whole: LearnedFactor,
      zones: z.array(z.object({ zone: ZoneName, effect: LearnedFactor })),
      /** hours of use from a fresh edge to the limit against the house's usual hand, as a factor */
      life: LearnedFactor,
    }),
  ),
  /** how each person's knives are honed, and how much of it is on record */
  habits: z.array(
    HoningHabit.extend({
      personId: Id,
      name: Name,
      /** how far this person's readings scatter, as a share; null while no spot was read twice */
      scatter: z.number().nullable(),
    }),
  ),
  /** the side that takes somebody longer, by minutes to the burr on the first stone */
  sides: z.array(
    z.object({
      personId: Id,
      name: Name,
      hand: z.enum(['left', 'right']),
      times: z.number(),
      low: z.number(),
      high: z.number(),
      sessions: z.number(),
      strokes: z.object({ left: z.number(), right: z.number() }),
    }),
  ),
  tools: z.array(
    z.object({
      tool: HoneToolName,
      honings: z.number(),
      tableEfficiency: z.number(),
      efficiency: z.number(),
      low: z.number(),
      high: z.number(),
      says: LearnedFactor.shape.says,
    }),
  ),
})
export type HouseLearning = Wire<typeof HouseLearning>

/** Long work of a house and how far it has come. */
export const Job = z.object({
  id: Id,
  kind: z.enum(['rebuild', 'improve-plan', 'import']),
  status: z.enum(['waiting', 'running', 'done', 'cancelled', 'failed']),
  done: z.number(),
  total: z.number(),
  askedAt: Instant,
  endedAt: Instant.nullable(),
})
export type Job = Wire<typeof Job>
