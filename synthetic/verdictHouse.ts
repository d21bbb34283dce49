import { DEFAULT_PRIOR } from '../core/edge/filter/belief'
import { advance, applyEvent } from '../core/edge/log/history'
import { type UsageContext } from '../core/edge/log/usage'
import { presentBlade } from '../core/edge/log/presentBlade'
import { initialState, type KnifeState } from '../core/edge/log/state'
import { NO_DEFECTS, type KnifeEvent } from '../core/edge/model/events'
import { freshForce } from '../core/edge/model/force'
import { honeEffect } from '../core/edge/model/hone'
import { priorWearRate, ZONE_WEAR } from '../core/edge/model/wear'
import { defaultRules, verdict, type Action, type Verdict } from '../core/edge/verdict/verdict'
import { occurrences, type WeeklySpan } from '../core/house/serviceClock'
import { BOARD_FACTOR, PRODUCT_FACTOR, type Board, type Product } from '../core/house/stations'
import { knownBlade, type KnownBlade } from '../core/knife/blade'
import { TYPE_TEMPLATES, type KnifeType } from '../core/knife/knifeTypes'
import { DEFAULT_SERVICE_LIMITS } from '../core/knife/limits'
import { eachZone, ZONES } from '../core/knife/zones'
import { chance } from '../core/statistics/random'
import { DAY_MS, HOUR_MS } from '../core/time'
import { trueForce, trueHone, trueUse, worstTrueForce, type TrueEdge, type TrueKnife } from './trueEdge'

/** A knife in a house that does before every service what Yorvik says, and logs it. */
export interface FollowedKnife {
  readonly type: KnifeType
  readonly board: Board
  readonly product: Product
  /** hours on the board in each of two services a day */
  readonly hoursPerService: number
  readonly days: number
  /** the knife's true wear against the table's, as a factor */
  readonly wears: number
  readonly seed: number
  /** whether an edge that is tiring is touched up, or left until it wants the stone */
  readonly touchesUp?: boolean
  readonly steelEn?: string
  readonly hrc?: number
}

/** What such a house did in its days. */
export interface Followed {
  readonly services: number
  readonly done: Readonly<Record<Action, number>>
  /** checks after which something else was done than what is done every day */
  readonly checksThatChanged: number
  /** services that ended past the limit in truth */
  readonly dullServices: number
  readonly state: KnifeState
  readonly blade: KnownBlade
}

const START_MS = Date.UTC(2026, 0, 5)
const WEEK: readonly WeeklySpan[] = [1, 2, 3, 4, 5, 6, 7].flatMap((weekday) => [
  { id: `l${weekday}`, weekday, name: 'lunch', starts: '12:00', ends: '14:00' },
  { id: `d${weekday}`, weekday, name: 'dinner', starts: '18:00', ends: '22:00' },
])
const READING_NOISE = 0.1
const FINISH_MICRON = 4
const EVERY_DAY: ReadonlySet<Action> = new Set(['hone', 'none', 'thin', 'change-role'])

/** Goes through a house's days with one knife, the truth kept apart from what is written down. */
export function followVerdicts(knife: FollowedKnife): Followed {
  const luck = chance(knife.seed)
  const blade = knownBlade({
    type: knife.type,
    lengthMm: TYPE_TEMPLATES[knife.type].typicalLengthMm,
    heelHeightMm: null,
    spineMm: null,
    bteMm: null,
    bteNewMm: null,
    dpsLeft: null,
    dpsRight: null,
    serrated: TYPE_TEMPLATES[knife.type].serrated,
    steelEn: knife.steelEn ?? '1.4116',
    hrc: knife.hrc ?? 57,
  })
  const { spec, role } = blade
  const limitGf = DEFAULT_SERVICE_LIMITS[role]
  const rules = defaultRules(role)
  const services = occurrences(WEEK, 'UTC', START_MS, START_MS + knife.days * DAY_MS)
  const usage: UsageContext = {
    stations: new Map([['here', [{ fromMs: 0, ...knife }]]]),
    services,
  }
  const work = BOARD_FACTOR[knife.board] * PRODUCT_FACTOR[knife.product]
  const truth: TrueKnife = {
    dps: spec.dps,
    hrc: spec.hrc,
    limitGf,
    wearUm2PerHour: priorWearRate(spec) * knife.wears,
    zoneShare: ZONE_WEAR,
    hone: 0.6,
    honed: 1,
    law: 'archard',
  }
  const fresh = (): TrueEdge => ({
    hours: 0,
    roll: 0,
    freshGf: eachZone(() => freshForce({ finishMicron: FINISH_MICRON, dps: spec.dps }) * Math.exp(0.1 * luck.normal())),
  })
  let edge = fresh()
  let serial = 0
  let state: KnifeState = { ...initialState(spec, START_MS, 'new', DEFAULT_PRIOR), stationId: 'here' }
  const record = <K extends KnifeEvent['kind']>(
    kind: K,
    atMs: number,
    payload: Extract<KnifeEvent, { kind: K }>['payload'],
  ): void => {
    const event = { id: String(serial++).padStart(6, '0'), kind, atMs, personId: 'cook', payload } as KnifeEvent
    state = applyEvent(advance(state, spec, usage, atMs), event, spec, limitGf)
  }
  const read = (atMs: number): void => {
    record('checked', atMs, {
      readings: ZONES.map((zone) => ({
        zone,
        forcesGf: [trueForce(truth, edge, zone) * Math.exp(READING_NOISE * luck.normal())],
      })),
      ladder: [],
      defects: NO_DEFECTS,
    })
  }
  const decide = (): Verdict => verdict(state, presentBlade(blade, state.steel).geometry, role, rules)
  const done: Record<string, number> = {}
  let [checksThatChanged, dullServices] = [0, 0]
  for (const service of services) {
    let atMs = service.startMs - HOUR_MS
    state = advance(state, spec, usage, atMs)
    let { action, startGrit } = decide()
    if (action === 'check') {
      done['check'] = (done['check'] ?? 0) + 1
      read(atMs)
      ;({ action, startGrit } = decide())
      if (!EVERY_DAY.has(action)) checksThatChanged++
      atMs += HOUR_MS / 12
    }
    if (action === 'touch-up' && knife.touchesUp === false) action = 'hone'
    done[action] = (done[action] ?? 0) + 1
    if (action === 'stone' || action === 'touch-up' || action === 'repair') {
      edge = fresh()
      record('sharpened', atMs + HOUR_MS / 4, {
        finishMicron: FINISH_MICRON,
        minutes: 15,
        ...(startGrit === null ? {} : { startGrit }),
      })
      read(atMs + HOUR_MS / 3)
    } else if (action === 'hone') {
      const { efficiency } = honeEffect({ tool: 'smooth-steel', hrc: spec.hrc })
      edge = trueHone({ ...truth, hone: efficiency }, edge)
      record('honed', service.startMs - HOUR_MS / 6, { tool: 'smooth-steel' })
    }
    edge = trueUse(edge, knife.hoursPerService * work)
    if (worstTrueForce(truth, edge) > limitGf) dullServices++
  }
  return {
    services: services.length,
    done: done as Followed['done'],
    checksThatChanged,
    dullServices,
    state,
    blade,
  }
}
