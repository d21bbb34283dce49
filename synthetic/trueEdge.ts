import { ZONES, type ByZone, type Zone } from '../core/knife/zones'

/**
 * True edges for fleets whose answer is known. Nothing here uses the core's own wear, force or honing
 * code: the truth is written out a second time, so that a mistake there cannot hide behind itself.
 */
export type WearLaw = 'archard' | 'exponential'

export interface TrueKnife {
  readonly dps: number
  readonly hrc: number
  readonly limitGf: number
  /** µm²/h at the belly, board and product included */
  readonly wearUm2PerHour: number
  readonly zoneShare: ByZone<number>
  readonly hone: number
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

const LONGEST_HOURS = 2000
const BISECTIONS = 24

/**
 * True hours until each zone passes the limit, honed before every service of so many hours. Force only
 * rises within a service, so the one in which it crosses is halved until the moment is known.
 */
export function trueHoursToLimit(knife: TrueKnife, from: TrueEdge, hoursPerService: number): ByZone<number> {
  const found: Partial<Record<Zone, number>> = {}
  let edge = from
  for (
    let spent = 0;
    spent < LONGEST_HOURS && ZONES.some((zone) => found[zone] === undefined);
    spent += hoursPerService
  ) {
    const start = trueHone(knife, edge)
    edge = trueUse(start, hoursPerService)
    for (const zone of ZONES) {
      if (found[zone] !== undefined || trueForce(knife, edge, zone) <= knife.limitGf) continue
      let [low, high] = [0, hoursPerService]
      for (let step = 0; step < BISECTIONS; step++) {
        const middle = (low + high) / 2
        if (trueForce(knife, trueUse(start, middle), zone) > knife.limitGf) high = middle
        else low = middle
      }
      found[zone] = spent + high
    }
  }
  return { heel: found.heel ?? LONGEST_HOURS, belly: found.belly ?? LONGEST_HOURS, tip: found.tip ?? LONGEST_HOURS }
}
