import { z } from 'zod'
import { LESSON_IDS } from '../core/course/lessons'
import { FEWEST_STROKES } from '../core/hands/holdScore'
import { Id, Instant, ZoneName } from './scalars'
import type { Wire } from './wire'

const MOST_STROKES = 60
const MOST_TOLD = 60
const FEWEST_TOLD = 4
const MOST_EDGES = 12
const HAND = z.enum(['left', 'right'])
/** An angle as an inclinometer may tell it, degrees per side, to the hundredth. */
const ToldAngle = z.number().min(0).max(60)
/** A pressing force as a scale may tell it, N. */
const ToldForce = z.number().min(0).max(200)
/** A force of the edge test, gf. */
const EdgeForce = z.number().min(20).max(2000)
const strokesOf = <T extends z.ZodType>(told: T): z.ZodArray<z.ZodArray<T>> =>
  z.array(z.array(told).min(FEWEST_TOLD).max(MOST_TOLD)).min(FEWEST_STROKES).max(MOST_STROKES)
const any = { id: Id, at: Instant }

/** What somebody practised, as a device sends it: everything an instrument told, or somebody said. */
export const NewDrill = z.discriminatedUnion('kind', [
  z.object({
    ...any,
    kind: z.literal('hold'),
    hand: HAND,
    wantedDps: z.number().min(5).max(40),
    strokes: strokesOf(ToldAngle),
  }),
  z.object({ ...any, kind: z.literal('press'), hand: HAND, strokes: strokesOf(ToldForce) }),
  z.object({
    ...any,
    kind: z.literal('burr'),
    edges: z
      .array(z.object({ felt: z.array(ZoneName).max(3), seen: z.array(ZoneName).max(3) }))
      .min(2)
      .max(MOST_EDGES),
  }),
  z.object({
    ...any,
    kind: z.literal('read'),
    edges: z
      .array(z.object({ saidGf: EdgeForce, measuredGf: EdgeForce }))
      .min(3)
      .max(MOST_EDGES),
  }),
  z.object({
    ...any,
    kind: z.literal('dry'),
    hand: HAND,
    perMinute: z.number().min(20).max(90),
    silentStrokes: z.number().int().min(4).max(30),
    tappedMs: z.number().min(100).max(300_000),
  }),
])
export type NewDrill = Wire<typeof NewDrill>
export const DRILL_KINDS = ['hold', 'press', 'burr', 'read', 'dry'] as const
export type DrillKind = (typeof DRILL_KINDS)[number]

/** What a drill says of a hand, an ear or an eye: its figures by name, and the one thing to work on. */
export const DrillVerdict = z.object({
  advice: z.enum([
    'steady',
    'too-steep',
    'too-flat',
    'rocks',
    'new-guess',
    'creeps',
    'tip-lifts',
    'too-heavy',
    'too-light',
    'no-fade',
    'uneven',
    'misses',
    'imagines',
    'too-hopeful',
    'too-harsh',
    'scatters',
    'hurries',
    'slows',
    'miscounts',
  ]),
  figures: z.record(z.string(), z.number()),
  /** the one figure that shows progress: spread in degrees, fade or lateness as a share, share of zones right, log scatter */
  progress: z.number(),
})
export type DrillVerdict = Wire<typeof DrillVerdict>

/** A drill as it is read back. */
export const Drill = z.object({ drill: NewDrill, verdict: DrillVerdict })
export type Drill = Wire<typeof Drill>

/** What somebody has practised and gone through, and what to do next. */
export const Practice = z.object({
  /** oldest first */
  drills: z.array(Drill),
  lessons: z.array(z.object({ lesson: z.enum(LESSON_IDS), at: Instant })),
  next: z.object({
    kind: z.enum(DRILL_KINDS).nullable(),
    lesson: z.enum(LESSON_IDS).nullable(),
    hand: HAND.nullable(),
    why: z.enum(['never', 'weak-side', 'fault', 'rested', 'lesson', 'keep']),
  }),
})
export type Practice = Wire<typeof Practice>

/** The answer to a lesson's question. */
export const LessonAnswer = z.object({ answer: z.number().int().min(0).max(2) })
