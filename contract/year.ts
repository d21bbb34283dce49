import { z } from 'zod'
import { HONE_TOOLS } from '../core/edge/model/hone'
import { KNIFE_TYPES } from '../core/knife/knifeTypes'
import { Id } from './scalars'
import type { Wire } from './wire'

const Weekdays = z.array(z.number()).length(7)

/** What a year of the house is played through with: its knives as they are now, what was learned of them, its hands and services. */
export const YearHouse = z.object({
  knives: z.array(
    z.object({
      id: Id,
      type: z.enum(KNIFE_TYPES),
      stationId: Id.nullable(),
      holderId: Id.nullable(),
      blade: z.object({
        lengthMm: z.number(),
        heelHeightMm: z.number(),
        spineMm: z.number(),
        bteMm: z.number(),
        bteWhenNewMm: z.number(),
        dps: z.number(),
        hrc: z.number(),
        carbides: z.partialRecord(z.enum(['CrC', 'CrVC', 'MC', 'M6C', 'MN', 'CrN']), z.number()).optional(),
        minimumHeightMm: z.number(),
      }),
      newHeightMm: z.number(),
      thickestMm: z.number(),
      limitGf: z.number(),
      finishMicron: z.number(),
      rateUm2PerHour: z.number(),
      rateLogSd: z.number(),
      factor: z.number(),
      hoursPerService: z.number(),
      freshGf: z.number(),
      roll: z.number(),
      wornAreaUm2: z.number(),
      daysSinceStone: z.number().nullable(),
      tool: z.enum(HONE_TOOLS),
      efficiency: z.number(),
      habit: z.number(),
    }),
  ),
  servicesByWeekday: Weekdays,
  benchMinutesByWeekday: Weekdays,
  hands: z.number().int(),
  benches: z.number().int(),
  stones: z.array(z.object({ id: z.string(), micron: z.number(), diamond: z.boolean(), rate: z.number() })),
})
export type YearHouse = Wire<typeof YearHouse>
