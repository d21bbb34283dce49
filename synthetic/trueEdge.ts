import type { Chance } from '../core/statistics/random'
import { ZONES, type ByZone, type Zone } from '../core/knife/zones'

/**
 * True edges for fleets whose answer is known. Nothing here uses the core's own wear, force or honing
 * code: the truth is written out a second time, so that a mistake there cannot hide behind itself.
 */
export type WearLaw = 'archard' | 'exponential' | 'saturating'

export interface TrueKnife {
  readonly dps: number
  readonly hrc: number
  readonly limitGf: number
  /** µm²/h at the belly, board and product included */
  readonly wearUm2PerHour: number
  readonly zoneShare: ByZone<number>
  /** share of the roll a honing brings back */
  readonly hone: number
  /** share of services before which the knife is really honed */
  readonly honed: number
  readonly law: WearLaw
}

export interface TrueEdge {
  readonly freshGf: ByZone<number>
  /** hours of use since the stone */
  readonly hours: number
  readonly roll: number
}

const ROLL_GF = 120
const ROLL_HOURS = 6
const GF_PER_UM = 12
/** Worn force at which the other laws agree with Archard's, gf, so that lives are of the same length. */
const AGREE_GF = 130

/** What a saturating edge comes to in the end, against the force at which the laws agree. */
const SATURATED = 2

/** Hours in which Archard's law adds a worn force. */
const archardHours = (knife: TrueKnife, zone: Zone, wornGf: number): number => {
  const blunt = wornGf / GF_PER_UM
  return blunt ** 2 / (4 * Math.tan((knife.dps * Math.PI) / 180)) / (knife.wearUm2PerHour * knife.zoneShare[zone])
}

/** gf that wear has added. */
function wornGf(knife: TrueKnife, zone: Zone, hours: number): number {
  const life = archardHours(knife, zone, AGREE_GF)
  switch (knife.law) {
    case 'archard':
      return AGREE_GF * Math.sqrt(hours / life)
    // quick at first, and never past a last value
    case 'saturating':
      return SATURATED * AGREE_GF * (1 - Math.exp((-hours / life) * -Math.log(1 - 1 / SATURATED)))
    // force itself grows by the same share every hour
    case 'exponential':
      return 160 * (Math.exp((hours / life) * Math.log(1 + AGREE_GF / 160)) - 1)
  }
}

export const trueForce = (knife: TrueKnife, edge: TrueEdge, zone: Zone): number =>
  edge.freshGf[zone] + ROLL_GF * edge.roll + wornGf(knife, zone, edge.hours)

export const worstTrueForce = (knife: TrueKnife, edge: TrueEdge): number =>
  Math.max(...ZONES.map((zone) => trueForce(knife, edge, zone)))

export const trueHone = (knife: TrueKnife, edge: TrueEdge): TrueEdge => ({
  ...edge,
  roll: edge.roll * (1 - knife.hone),
})

export const trueUse = (edge: TrueEdge, hours: number): TrueEdge => ({
  ...edge,
  hours: edge.hours + hours,
  roll: 1 - (1 - edge.roll) * Math.exp(-hours / ROLL_HOURS),
})

/** One service to come: the edge at its start and end. */
export interface TrueService {
  readonly start: TrueEdge
  readonly end: TrueEdge
}

/** Services ahead of an edge, honed before as many of them as its house does, as luck has it. */
export function* trueServices(
  knife: TrueKnife,
  from: TrueEdge,
  hoursPerService: number,
  luck: Chance,
): Generator<TrueService, never> {
  let edge = from
  for (;;) {
    const start = luck.happens(knife.honed) ? trueHone(knife, edge) : edge
    edge = trueUse(start, hoursPerService)
    yield { start, end: edge }
  }
}

const LONGEST_HOURS = 2000
const BISECTIONS = 24

/**
 * True hours until each zone first passes the limit. Force only rises within a service, so the one in which it
 * crosses is halved until the moment is known.
 */
export function trueHoursToLimit(
  knife: TrueKnife,
  from: TrueEdge,
  hoursPerService: number,
  luck: Chance,
): ByZone<number> {
  const found: Partial<Record<Zone, number>> = {}
  let spent = 0
  for (const { start, end } of trueServices(knife, from, hoursPerService, luck)) {
    for (const zone of ZONES) {
      if (found[zone] !== undefined || trueForce(knife, end, zone) <= knife.limitGf) continue
      let [low, high] = [0, hoursPerService]
      for (let step = 0; step < BISECTIONS; step++) {
        const middle = (low + high) / 2
        if (trueForce(knife, trueUse(start, middle), zone) > knife.limitGf) high = middle
        else low = middle
      }
      found[zone] = spent + high
    }
    spent += hoursPerService
    if (spent >= LONGEST_HOURS || ZONES.every((zone) => found[zone] !== undefined)) break
  }
  return { heel: found.heel ?? LONGEST_HOURS, belly: found.belly ?? LONGEST_HOURS, tip: found.tip ?? LONGEST_HOURS }
}
