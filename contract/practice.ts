import { z } from 'zod'
import { FEWEST_STROKES } from '../core/hands/holdScore'
import { Id, Instant } from './scalars'
import type { Wire } from './wire'

const MOST_STROKES = 60
const MOST_ANGLES = 60
/** An angle as an inclinometer may tell it, degrees per side, to the hundredth. */
const Told = z.number().min(0).max(60)

/** A held angle as a device sends it: every angle of every stroke. */
export const NewDrill = z.object({
  id: Id,
  at: Instant,
  hand: z.enum(['left', 'right']),
  wantedDps: z.number().min(5).max(40),
  strokes: z.array(z.array(Told).min(4).max(MOST_ANGLES)).min(FEWEST_STROKES).max(MOST_STROKES),
})
export type NewDrill = Wire<typeof NewDrill>

const Score = z.object({
  strokes: z.number(),
  meanDps: z.number(),
  offDps: z.number(),
  withinDps: z.number(),
  betweenDps: z.number(),
  driftDps: z.number(),
  tipLiftDps: z.number(),
})

/** A drill as it is read back, with what it says of the hand. */
export const Drill = NewDrill.extend({
  score: Score,
  advice: z.enum(['steady', 'too-steep', 'too-flat', 'rocks', 'new-guess', 'creeps', 'tip-lifts']),
})
export type Drill = Wire<typeof Drill>
