import { wearRate } from '../core/edge/filter/belief'
import type { EventPayloads } from '../core/edge/model/events'
import { edgeForce, freshForce, wornForce } from '../core/edge/model/force'
import { honeEffect, honeStrokes, nextHoning, NO_ROD_WORK, usualHoneTool, type HoneTool } from '../core/edge/model/hone'
import { LADDER, LADDER_FORCE } from '../core/edge/model/ladder'
import { bluntWidth, wearBy, type Wear } from '../core/edge/model/wear'
import { startGritOf, USUAL_SHELF, wayThrough } from '../core/edge/verdict/cost'
import type { Occurrence } from '../core/house/serviceClock'
import { BOARD_FACTOR, PRODUCT_FACTOR, type Board, type Product } from '../core/house/stations'
import type { BladeGeometry } from '../core/knife/bladeGeometry'
import { FACTORY_FINISH_MICRON, type BladeSpec } from '../core/knife/bladeSpec'
import { ZONES, type Zone } from '../core/knife/zones'
import type { Chance } from '../core/statistics/random'
import { MINUTE_MS } from '../core/time'

/** Something that happened in a made-up life, before it has an id. */
export type LifeEvent = {
  readonly [K in keyof EventPayloads]: {
    readonly kind: K
    readonly atMs: number
    readonly personId: string | null
    readonly payload: EventPayloads[K]
  }
}[keyof EventPayloads]

export interface Hand {
  readonly personId: string
  /** force a session by this hand leaves above a fresh edge, by zone, gf */
  readonly leavesGf: Readonly<Record<Zone, number>>
}

export interface Life {
  readonly spec: BladeSpec
  readonly geometry: BladeGeometry
  readonly limitGf: number
  readonly board: Board
  readonly product: Product
  readonly hoursPerService: number
  /** true wear against what the tables say: this knife's own, and its station's */
  readonly trueWear: number
  readonly services: readonly Occurrence[]
  readonly nowMs: number
  readonly holderId: string | null
  readonly hands: readonly [Hand, ...Hand[]]
  readonly habits: {
    readonly honesBefore: number
    /** share of honings that are written down */
    readonly logsHoning: number
    readonly honesWith: HoneTool | null
    readonly daysBetweenChecks: number
    readonly laddersInstead: number
    readonly sharpensOver: number
    /** no check or session after this moment */
    readonly untendedFromMs: number
  }
  readonly chance: Chance
}

type TrueEdge = Wear & { readonly freshForceGf: number }
type TrueZones = Record<Zone, TrueEdge>

const DAY = 24 * 60 * MINUTE_MS
const READING_NOISE = 0.1
const FINISHES = [4, 4, 11.5, 2] as const

const byZone = (make: (zone: Zone) => TrueEdge): TrueZones => ({
  heel: make('heel'),
  belly: make('belly'),
  tip: make('tip'),
})
const worst = (zones: TrueZones, dps: number): number => Math.max(...ZONES.map((zone) => edgeForce(zones[zone], dps)))

const worstWorn = (zones: TrueZones, dps: number): number =>
  Math.max(...ZONES.map((zone) => wornForce(zones[zone], dps)))

function readings(zones: TrueZones, life: Life): EventPayloads['checked'] {
  const { chance, spec } = life
  if (chance.happens(life.habits.laddersInstead)) {
    const felt = worst(zones, spec.dps) * Math.exp(0.12 * chance.normal())
    const rung = LADDER.find((one) => LADDER_FORCE[one].forceGf >= felt) ?? 'glints'
    return { readings: [], ladder: [{ zone: 'whole', rung }] }
  }
  const repeats = chance.happens(0.3) ? 2 : 1
  const read = (zone: Zone): number =>
    Math.max(60, Math.round(edgeForce(zones[zone], spec.dps) * Math.exp(READING_NOISE * chance.normal())))
  return {
    readings: ZONES.map((zone) => ({ zone, forcesGf: Array.from({ length: repeats }, () => read(zone)) })),
    ladder: [],
  }
}

/** Fetching, soaking done, flattening: before a knife is on the stone (common practice). */
const SETTING_UP_MINUTES = 6

/** A session as the trade would do it on this edge: the first stone by how blunt it is, the minutes it takes. */
function sessionOn(
  zones: TrueZones,
  { spec, geometry, chance }: Life,
  finishMicron: number,
): EventPayloads['sharpened'] & { readonly minutes: number } {
  const bluntUm = Math.max(...ZONES.map((zone) => bluntWidth({ ...zones[zone], dps: spec.dps })))
  // teeth meet no stone, however blunt they are
  if (spec.serrated) return { finishMicron, minutes: Math.round(chance.between(6, 12)) }
  const way = wayThrough(geometry, { bluntUm }, { stones: USUAL_SHELF, finishMicron })
  const startGrit = startGritOf(way)
  return {
    finishMicron,
    minutes: Math.max(3, Math.round(way.minutes * chance.between(0.85, 1.3))),
    ...(startGrit === null ? {} : { startGrit }),
  }
}

/**
 * A knife's life between the first and the last of the services given: honed before service by habit,
 * worn by use, checked every few days, taken to the stone when a check says so. What is recorded is
 * what a house would write down; the true edge stays hidden.
 */
export function liveThrough(life: Life): LifeEvent[] {
  const { spec, chance, habits, nowMs } = life
  const own = habits.honesWith
  const tool = own === null || honeEffect({ tool: own, hrc: spec.hrc }).chippingRisk ? usualHoneTool(spec.hrc) : own
  const factor = BOARD_FACTOR[life.board] * PRODUCT_FACTOR[life.product] * life.trueWear
  const fresh = (hand: Hand, finishMicron: number): TrueZones =>
    byZone((zone) => ({
      roll: 0,
      wornAreaUm2: 0,
      freshForceGf: freshForce({ finishMicron, dps: spec.dps }) + hand.leavesGf[zone],
    }))
  const events: LifeEvent[] = []
  let zones = fresh(life.hands[0], FACTORY_FINISH_MICRON)
  let rod = NO_ROD_WORK
  let nextCheckMs = (life.services[0]?.startMs ?? nowMs) + chance.between(0, habits.daysBetweenChecks) * DAY
  for (const service of life.services) {
    const quietMs = service.startMs - chance.between(70, 150) * MINUTE_MS
    if (quietMs >= nextCheckMs && quietMs < Math.min(nowMs, habits.untendedFromMs)) {
      const checked = readings(zones, life)
      const by = life.holderId ?? life.hands[0].personId
      events.push({ kind: 'checked', atMs: quietMs, personId: by, payload: checked })
      nextCheckMs = quietMs + habits.daysBetweenChecks * DAY * chance.between(0.7, 1.4)
      // what a rod brings back is no reason for the stone, where somebody takes one to it
      const found = chance.happens(habits.honesBefore) ? worstWorn(zones, spec.dps) : worst(zones, spec.dps)
      if (found > life.limitGf * habits.sharpensOver) {
        const hand = chance.pick(life.hands)
        const finishMicron = chance.pick(FINISHES)
        const session = sessionOn(zones, life, finishMicron)
        const doneMs = Math.min(quietMs + (session.minutes + SETTING_UP_MINUTES) * MINUTE_MS, nowMs - MINUTE_MS)
        zones = fresh(hand, finishMicron)
        rod = NO_ROD_WORK
        events.push(
          {
            kind: 'sharpened',
            atMs: doneMs,
            personId: hand.personId,
            payload: session,
          },
          {
            kind: 'checked',
            atMs: doneMs + 2 * MINUTE_MS,
            personId: hand.personId,
            payload: readings(zones, { ...life, habits: { ...habits, laddersInstead: 0 } }),
          },
        )
      }
    }
    const honeMs = service.startMs - chance.between(8, 40) * MINUTE_MS
    if (life.holderId && honeMs < nowMs && chance.happens(habits.honesBefore)) {
      const effect = honeEffect({ tool, hrc: spec.hrc })
      const step = nextHoning(rod, effect, spec.dps)
      rod = step.rod
      const strokesPerSide = honeStrokes(zones.belly.roll)
      zones = byZone((zone) => ({
        ...zones[zone],
        roll: zones[zone].roll * (1 - effect.efficiency),
        wornAreaUm2: Math.max(0, zones[zone].wornAreaUm2 - step.abradedUm2),
      }))
      if (chance.happens(habits.logsHoning))
        events.push({ kind: 'honed', atMs: honeMs, personId: life.holderId, payload: { tool, strokesPerSide } })
    }
    if (service.endMs <= nowMs) {
      zones = byZone((zone) => ({
        ...zones[zone],
        ...wearBy(zones[zone], { hours: life.hoursPerService, factor, wearRateUm2PerHour: wearRate(spec, zone) }),
      }))
    }
  }
  return events
}
