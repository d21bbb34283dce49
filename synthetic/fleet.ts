import type { UsageContext } from '../core/edge/log/usage'
import type { StatedHabit } from '../core/edge/fleet/habits'
import { NO_DEFECTS, type KnifeEvent } from '../core/edge/model/events'
import { freshForce } from '../core/edge/model/force'
import { LADDER, LADDER_FORCE, type LadderRung } from '../core/edge/model/ladder'
import { priorWearRate } from '../core/edge/model/wear'
import { occurrences, type WeeklySpan } from '../core/house/serviceClock'
import type { BladeSpec } from '../core/knife/bladeSpec'
import {
  EDGED_TYPES,
  KNIFE_TYPES,
  knifeDefaults,
  meanDps,
  TYPE_TEMPLATES,
  type KnifeType,
} from '../core/knife/knifeTypes'
import { DEFAULT_SERVICE_LIMITS } from '../core/knife/limits'
import { STEELS } from '../core/knife/steels'
import { eachZone, ZONES } from '../core/knife/zones'
import { chance, type Chance } from '../core/statistics/random'
import { DAY_MS, HOUR_MS } from '../core/time'
import { trueForce, trueHone, trueUse, worstTrueForce, type TrueEdge, type TrueKnife, type WearLaw } from './trueEdge'

export const START_MS = Date.UTC(2026, 0, 5)
export const HOURS_PER_SERVICE = 2
const DAYS = 160
const WEEK: readonly WeeklySpan[] = [1, 2, 3, 4, 5, 6, 7].flatMap((weekday) => [
  { id: `l${weekday}`, weekday, name: 'lunch', starts: '12:00', ends: '14:00' },
  { id: `d${weekday}`, weekday, name: 'dinner', starts: '18:00', ends: '22:00' },
])
const HORIZON_DAYS = 400
export const SERVICES = occurrences(WEEK, 'UTC', START_MS, START_MS + (DAYS + HORIZON_DAYS) * DAY_MS)
export const AROUND: UsageContext = {
  stations: new Map([
    ['board', [{ fromMs: 0, board: 'soft-plastic', product: 'mixed', hoursPerService: HOURS_PER_SERVICE }]],
  ]),
  services: SERVICES,
}

/** A moment at which a house looks at a knife, with the truth beside it. */
export interface Look {
  readonly atMs: number
  /** finished lives before this one */
  readonly cycle: number
  /** hours since the stone */
  readonly hours: number
  readonly edge: TrueEdge
}

export interface SyntheticKnife {
  readonly id: string
  readonly steel: string
  readonly holderId: string
  readonly type: KnifeType
  readonly truth: TrueKnife
  readonly spec: BladeSpec
  readonly limitGf: number
  readonly events: readonly KnifeEvent[]
  readonly looks: readonly Look[]
}

export interface FleetMaking {
  readonly knives: number
  readonly seed: number
  readonly law: WearLaw
  /** log standard deviation of one reading */
  readonly noise: number
  readonly daysBetweenReadings: number
  /** log standard deviation of κ between knives */
  readonly wearLogSd: number
  /** share of services before which knives are honed, and share of those honings that are written down */
  readonly honing: { readonly done: number; readonly logged: number }
  /** how the house says its knives are honed; null for one that was never asked */
  readonly statement: StatedHabit | null
  /** zones differ by this log standard deviation */
  readonly zoneLogSd: number
  /** share of readings that are gross slips */
  readonly slips: number
  /** a force tester, or only everyday signs */
  readonly reads: 'force' | 'signs'
  /** day on which the house moves in with what it had written down before; 0 for one that was there from the start */
  readonly movedInDay: number
}

/** The fleet the model's figures are stated for. */
export const STATED: Omit<FleetMaking, 'seed' | 'law'> = {
  knives: 60,
  noise: 0.1,
  daysBetweenReadings: 3,
  wearLogSd: 0.5,
  honing: { done: 1, logged: 1 },
  statement: null,
  zoneLogSd: 0.1,
  slips: 0,
  reads: 'force',
  movedInDay: 0,
}

/** The seven houses of the model: how often knives are honed, and how many of those honings are written down. */
export const HONING_HOUSES = [
  { name: 'always honed, all logged', done: 1, logged: 1, says: 'each-time' },
  { name: 'always honed, half logged', done: 1, logged: 0.5, says: 'each-time' },
  { name: 'always honed, one in five logged', done: 1, logged: 0.2, says: 'each-time' },
  { name: 'always honed, none logged', done: 1, logged: 0, says: 'each-time' },
  { name: 'honed half the time, all logged', done: 0.5, logged: 1, says: 'most-days' },
  { name: 'honed half the time, half logged', done: 0.5, logged: 0.5, says: 'now-and-then' },
  { name: 'never honed', done: 0, logged: 0, says: 'hardly-ever' },
] as const

/** So many knives a cook. */
const KNIVES_PER_HOLDER = 5

/** People and tomatoes differ by so much. */
const SIGN_LOG_SD = 0.18
const stainless = STEELS.filter((steel) => steel.typicalHrc <= 60)

/** The sign an edge of some force shows to somebody: each is taken for its neighbour now and then. */
function rungSeen(forceGf: number, luck: Chance): LadderRung {
  const log = Math.log(forceGf) + SIGN_LOG_SD * luck.normal()
  const nearest = [...LADDER].sort(
    (a, b) => Math.abs(Math.log(LADDER_FORCE[a].forceGf) - log) - Math.abs(Math.log(LADDER_FORCE[b].forceGf) - log),
  )
  return nearest[0] ?? 'paper'
}

function makeKnife(
  index: number,
  making: FleetMaking,
  luck: Chance,
): { type: KnifeType; truth: TrueKnife; spec: BladeSpec; steel: string } {
  const type = luck.pick([KNIFE_TYPES[0], ...EDGED_TYPES.filter((one) => TYPE_TEMPLATES[one].role !== 'bread')])
  const usual = knifeDefaults(type, TYPE_TEMPLATES[type].typicalLengthMm)
  const steel = stainless[index % stainless.length] ?? { en: 'unnamed', carbides: {}, typicalHrc: 57 }
  const spec: BladeSpec = {
    dps: Math.max(10, meanDps(usual)),
    hrc: steel.typicalHrc,
    carbides: steel.carbides,
    serrated: false,
    joined: { ...usual, measured: { height: false, bte: false, spine: false } },
  }
  const zone = { heel: 0.8, belly: 1, tip: 1.2 }
  return {
    type,
    spec,
    steel: steel.en,
    truth: {
      dps: spec.dps,
      hrc: spec.hrc,
      limitGf: DEFAULT_SERVICE_LIMITS[TYPE_TEMPLATES[type].role],
      wearUm2PerHour: priorWearRate(spec) * Math.exp(making.wearLogSd * luck.normal()),
      zoneShare: eachZone((name) => zone[name] * Math.exp(making.zoneLogSd * luck.normal())),
      // a steel on soft blades, failing on hard ones, as the table has it, and differing between hands
      hone: Math.min(
        0.85,
        Math.max(0.1, (0.6 - 0.4 * Math.max(0, (spec.hrc - 58) / 3)) * Math.exp(0.15 * luck.normal())),
      ),
      honed: making.honing.done,
      law: making.law,
    },
  }
}

/**
 * One knife's months in a house that reads it every few days and stones it when a reading passes its
 * limit: what was written down, and at every reading the truth nobody sees.
 */
function live(index: number, making: FleetMaking): SyntheticKnife {
  const luck = chance(making.seed * 1000 + index)
  const { type, truth, spec, steel } = makeKnife(index, making, luck)
  const holderId = `cook ${Math.floor(index / KNIVES_PER_HOLDER)}`
  const fresh = (): TrueEdge => {
    const shared = 0.1 * luck.normal()
    return {
      hours: 0,
      roll: 0,
      freshGf: eachZone(() => freshForce({ finishMicron: 4, dps: truth.dps }) * Math.exp(shared + 0.1 * luck.normal())),
    }
  }
  const events: KnifeEvent[] = []
  const looks: Look[] = []
  let serial = 0
  const write = <K extends KnifeEvent['kind']>(
    kind: K,
    atMs: number,
    payload: Extract<KnifeEvent, { kind: K }>['payload'],
  ): void => {
    events.push({
      id: `${index}-${String(serial++).padStart(5, '0')}`,
      kind,
      atMs,
      personId: null,
      payload,
    } as KnifeEvent)
  }
  const read = (edge: TrueEdge, atMs: number): number => {
    const forces = eachZone((zone) => {
      const slipped = making.slips > 0 && luck.happens(making.slips) ? luck.between(-1.2, 1.2) : 0
      return trueForce(truth, edge, zone) * Math.exp(making.noise * luck.normal() + slipped)
    })
    const worst = Math.max(...Object.values(forces))
    if (making.reads === 'force') {
      const readings = ZONES.map((zone) => ({ zone, forcesGf: [forces[zone]] }))
      write('checked', atMs, { readings, ladder: [], defects: NO_DEFECTS })
      return worst
    }
    const ladder = ZONES.map((zone) => ({ zone, rung: rungSeen(trueForce(truth, edge, zone), luck) }))
    write('checked', atMs, { readings: [], ladder, defects: NO_DEFECTS })
    return Math.max(...ladder.map(({ rung }) => LADDER_FORCE[rung].forceGf))
  }
  let edge = fresh()
  let cycle = 0
  const joinedMs = START_MS + making.movedInDay * DAY_MS
  write('added', joinedMs, { condition: making.movedInDay > 0 ? 'in-use' : 'new', stationId: 'board', holderId })
  let nextReading = START_MS + Math.floor(luck.between(0, making.daysBetweenReadings)) * DAY_MS + 10 * HOUR_MS
  for (const service of SERVICES) {
    if (service.startMs > START_MS + DAYS * DAY_MS) break
    if (service.startMs > nextReading) {
      const seen = read(edge, nextReading)
      looks.push({ atMs: nextReading, cycle, hours: edge.hours, edge })
      if (seen > truth.limitGf || worstTrueForce(truth, edge) > 1.15 * truth.limitGf) {
        edge = fresh()
        cycle++
        write('sharpened', nextReading + HOUR_MS / 2, { startGrit: 1000, finishMicron: 4, minutes: 15 })
        read(edge, nextReading + HOUR_MS)
        looks.push({ atMs: nextReading + HOUR_MS, cycle, hours: 0, edge })
      }
      nextReading += making.daysBetweenReadings * DAY_MS
    }
    if (luck.happens(truth.honed)) {
      edge = trueHone(truth, edge)
      if (luck.happens(making.honing.logged)) write('honed', service.startMs - HOUR_MS / 4, { tool: 'smooth-steel' })
    }
    // a service is as long as it is: the rota only knows the mean
    edge = trueUse(edge, HOURS_PER_SERVICE)
  }
  return { id: String(index), steel, holderId, type, truth, spec, limitGf: truth.limitGf, events, looks }
}

/** A fleet whose truth is known, from a seed. */
export const syntheticFleet = (making: FleetMaking): SyntheticKnife[] =>
  Array.from({ length: making.knives }, (_, index) => live(index, making))
