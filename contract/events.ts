import { z } from 'zod'
import { HARM_CAUSES, type EventPayloads } from '../core/edge/model/events'
import { Day, HoneToolName, Id, Instant, LadderRungName, Measure, Text, ZoneName } from './scalars'
import type { Wire } from './wire'
import { SectionMeasure, ThicknessAt } from './workshop'

export const Defects = z.object({
  chip: z
    .object({
      zone: ZoneName,
      depthMm: Measure.chipMm,
      rests: z.boolean().optional(),
      cause: z.enum(HARM_CAUSES).optional(),
    })
    .nullable(),
  glint: z.array(ZoneName).max(3),
  burrLeft: z.boolean(),
  wedges: z.boolean().optional(),
  tipBent: z.boolean(),
  tipGone: z.boolean(),
  handleLoose: z.boolean(),
  cracked: z.boolean(),
})

/** What each kind of event says, as it is sent. */
export const payloads = {
  added: z.object({ condition: z.enum(['new', 'in-use']), stationId: Id, holderId: Id.nullable() }),
  used: z.object({ hours: Measure.hours }),
  checked: z
    .object({
      readings: z.array(z.object({ zone: ZoneName, forcesGf: z.array(Measure.forceGf).min(1).max(10) })).max(3),
      ladder: z.array(z.object({ zone: z.union([ZoneName, z.literal('whole')]), rung: LadderRungName })).max(4),
      defects: Defects.optional(),
      tester: z.string().trim().min(1).max(60).optional(),
    })
    .refine((check) => check.readings.length + check.ladder.length > 0 || check.defects !== undefined, {
      params: { fault: 'empty-check' },
    }),
  honed: z.object({
    tool: HoneToolName,
    strokesPerSide: Measure.strokes.optional(),
    mismatchDps: z.number().min(-30).max(30).optional(),
    cameBack: z.enum(['fully', 'partly', 'not']).optional(),
  }),
  'came-back': z.object({ said: z.enum(['fully', 'partly', 'not']) }),
  sharpened: z.object({
    startGrit: z.number().int().min(60).max(30_000).optional(),
    finishMicron: Measure.micron,
    grains: z.array(Measure.micron).max(12).optional(),
    minutes: Measure.minutes.optional(),
    recessionMm: z.number().min(0).max(20).optional(),
    estimateMm: z.number().min(0).max(20).optional(),
    bteMm: Measure.bteMm.optional(),
    chipLeftMm: Measure.chipMm.optional(),
    claimed: z.boolean().optional(),
    lengthLossMm: z.number().min(0).max(200).optional(),
    thicknessAt: ThicknessAt.optional(),
    strokes: z
      .object({ left: z.number().int().min(0).max(20_000), right: z.number().int().min(0).max(20_000) })
      .optional(),
  }),
  measured: z
    .object({
      heelHeightMm: Measure.heelHeightMm.optional(),
      spineMm: Measure.spineMm.optional(),
      bteMm: Measure.bteMm.optional(),
      sections: z.array(SectionMeasure).max(3).optional(),
    })
    .refine((found) => Object.values(found).some((value) => value !== undefined), {
      params: { fault: 'empty-measure' },
    }),
  moved: z
    .object({ stationId: Id.optional(), holderId: Id.nullable().optional() })
    .refine((move) => move.stationId !== undefined || move.holderId !== undefined, { params: { fault: 'empty-move' } }),
  quarantined: z.object({ reason: Text }),
  released: z.object({ note: Text.optional() }),
  retired: z.object({ reason: Text }),
  missing: z.object({ note: Text.optional() }),
  found: z.object({ note: Text.optional() }),
  practice: z.object({ note: Text.optional() }),
  'sent-out': z.object({ to: Text, dueOn: Day.optional() }),
  returned: z.object({
    ground: z.boolean(),
    dps: Measure.workingDps.optional(),
    price: Measure.price.optional(),
    note: Text.optional(),
  }),
  voided: z.object({ eventId: Id, reason: Text }),
} satisfies { [K in keyof EventPayloads]: z.ZodType<EventPayloads[K]> }

const base = { id: Id, knifeId: Id, at: Instant }

const sent = <K extends keyof typeof payloads>(kind: K) =>
  z.object({ ...base, kind: z.literal(kind), payload: payloads[kind] })

/** What a screen may send. `added` is made by the server together with the knife. */
export const NewEvent = z.discriminatedUnion('kind', [
  sent('used'),
  sent('checked'),
  sent('honed'),
  sent('came-back'),
  sent('sharpened'),
  sent('measured'),
  sent('moved'),
  sent('quarantined'),
  sent('released'),
  sent('retired'),
  sent('missing'),
  sent('found'),
  sent('practice'),
  sent('sent-out'),
  sent('returned'),
  sent('voided'),
])
export type NewEvent = Wire<typeof NewEvent>

/** One line of a knife's history as it is read back. */
export const TimelineEvent = z.object({
  id: Id,
  kind: z.string(),
  at: Instant,
  recordedAt: Instant,
  personId: Id.nullable(),
  personName: z.string().nullable(),
  deviceName: z.string().nullable(),
  payload: z.record(z.string(), z.unknown()),
  /** the voiding that took this event back */
  voided: z.object({ at: Instant, personName: z.string().nullable(), reason: z.string() }).nullable(),
  /** worst force before and after, gf, where the event changed the edge */
  effect: z.object({ beforeGf: z.number(), afterGf: z.number() }).nullable(),
})
export type TimelineEvent = Wire<typeof TimelineEvent>
