import type { YearHouse } from '../../../contract/year'
import { USUAL_SHELF } from '../../../core/edge/verdict/cost'
import { worstZone } from '../../../core/edge/verdict/verdict'
import { parametersOf, wearRate } from '../../../core/edge/filter/belief'
import { freshForce } from '../../../core/edge/model/force'
import { honeEffect, usualHoneTool } from '../../../core/edge/model/hone'
import { workAt } from '../../../core/edge/log/usage'
import { presences, type Presence } from '../../../core/house/rota'
import { laidTogether, startOfDay, type Occurrence } from '../../../core/house/serviceClock'
import { BOARD_FACTOR, PRODUCT_FACTOR } from '../../../core/house/stations'
import type { CarbideShares } from '../../../core/knife/steels'
import { TYPE_TEMPLATES } from '../../../core/knife/knifeTypes'
import { logistic, logit } from '../../../core/statistics/normal'
import { DAY_MS, MINUTE_MS } from '../../../core/time'
import type { Clock } from '../../clock'
import type { Database } from '../../db/database'
import type { Caller } from '../../signIn/sessions'
import { loadFleetSnapshot, type FleetSnapshot } from '../fleet/fleet'
import { presentKnife } from '../fleet/knifeView'
import { houseOccurrences } from '../log/usageContext'
import { NOBODY_YET, stonesAt } from '../shelf/layOutSession'
import { loadCrew, type CrewAhead } from '../week/crewAhead'

/** Weeks that stand for the year: the rota and its exceptions ahead. */
const WEEKS = 2
const DAYS = 7

type YearKnife = YearHouse['knives'][number]

/** Carbides that are there at all. */
const known = (carbides: CarbideShares | undefined): Partial<Record<keyof CarbideShares, number>> =>
  Object.fromEntries(Object.entries(carbides ?? {}).filter(([, share]) => share !== undefined))

/** A knife with an edge to keep, at a station that has services; others have no year to play. */
function yearKnife(snapshot: FleetSnapshot, at: number): YearKnife[] {
  const knife = snapshot.knives[at]
  const stored = knife && snapshot.states.get(knife.id)
  if (!knife || stored?.status !== 'in-service') return []
  const present = presentKnife(knife, stored, snapshot, 'until-dull')
  const { state, blade, rules, edgeSinceMs } = present
  // teeth meet no stone, and a year of them is another sum
  if (blade.spec.serrated) return []
  const station = workAt(snapshot.usage.stations.get(state.stationId ?? '') ?? [], snapshot.nowMs)
  if (!station || station.hoursPerService <= 0) return []
  const zone = worstZone(state, blade.geometry.dps)
  const learned = parametersOf(state.belief)
  const tool = rules.honeTool ?? usualHoneTool(blade.spec.hrc)
  const working = state.holderId === null ? undefined : snapshot.workingDps.get(state.holderId)
  const mismatchDps = working === undefined ? undefined : working - blade.spec.dps
  const { efficiency, reach } = honeEffect({ tool, hrc: blade.spec.hrc, mismatchDps })
  const { reactive: _, onBone: __, ...geometry } = blade.geometry
  return [
    {
      id: knife.id,
      type: knife.type,
      stationId: state.stationId,
      holderId: state.holderId,
      blade: { ...geometry, carbides: known(geometry.carbides) },
      newHeightMm: Math.max(blade.measures.heelHeightMm, TYPE_TEMPLATES[knife.type].typicalHeightMm),
      thickestMm: Math.min(rules.thicknessLimitMm, blade.measures.bteNewMm * (1 + rules.thicknessGrowth)),
      limitGf: rules.limitGf,
      finishMicron: rules.finishMicron,
      rateUm2PerHour: wearRate(blade.spec, zone) * Math.exp(learned.zone[zone].mean),
      rateLogSd: learned.zone[zone].sd,
      factor: BOARD_FACTOR[station.board] * PRODUCT_FACTOR[station.product],
      hoursPerService: station.hoursPerService,
      freshGf: freshForce({ finishMicron: rules.finishMicron, dps: blade.geometry.dps }),
      roll: Math.min(1, Math.max(0, state.zones[zone].roll)),
      wornAreaUm2: Math.max(0, state.zones[zone].wornAreaUm2),
      daysSinceStone: edgeSinceMs === null ? null : (snapshot.nowMs - edgeSinceMs) / DAY_MS,
      tool,
      efficiency: reach > 0 ? reach * logistic(logit(efficiency / reach) + learned.hone.mean) : 0,
      habit: logistic(learned.habit.mean),
    },
  ]
}

/** Minutes of a window that people who may sharpen have at its benches. */
function handMinutes(window: Occurrence, present: readonly Presence[], benches: number): number {
  const stays = present
    .map((one) => Math.max(0, Math.min(one.endMs, window.endMs) - Math.max(one.startMs, window.startMs)) / MINUTE_MS)
    .sort((a, b) => b - a)
  return stays.slice(0, benches).reduce((sum, one) => sum + one, 0)
}

/** Means by weekday over some weeks, from the weekday of the first day. */
function byWeekday(occurrences: readonly Occurrence[], fromMs: number, value: (one: Occurrence) => number): number[] {
  const sums = new Array<number>(DAYS).fill(0)
  for (const one of occurrences) {
    const day = Math.floor((one.startMs - fromMs) / DAY_MS)
    const weekday = day % DAYS
    sums[weekday] = (sums[weekday] ?? 0) + value(one) / WEEKS
  }
  return sums
}

/** Reads a house for playing its year: knives with what was learned of them, hands, benches and services. */
export async function readYearHouse(db: Database, clock: Clock, caller: Caller): Promise<YearHouse> {
  const { house } = caller
  const snapshot = await loadFleetSnapshot(db, house, clock())
  const fromMs = startOfDay(snapshot.nowMs, house.zone)
  const toMs = fromMs + WEEKS * DAYS * DAY_MS
  const crew: CrewAhead = await loadCrew(db, house.id, new Date(fromMs).toISOString().slice(0, 10))
  const trained = new Set(crew.skills.filter(({ skill }) => skill === 'full').map(({ personId }) => personId))
  const present = presences(crew.shifts, crew.days, house.zone, fromMs, toMs).filter(({ personId }) =>
    trained.has(personId),
  )
  const shelf = stonesAt(snapshot.bench, NOBODY_YET)
  const benches = crew.benches.filter(({ active }) => active).length
  const quiet = laidTogether(houseOccurrences(snapshot.context, 'quiet', fromMs, toMs))
  return {
    knives: snapshot.knives.flatMap((_knife, at) => yearKnife(snapshot, at)),
    servicesByWeekday: byWeekday(houseOccurrences(snapshot.context, 'service', fromMs, toMs), fromMs, () => 1).map(
      Math.round,
    ),
    benchMinutesByWeekday: byWeekday(quiet, fromMs, (window) => handMinutes(window, present, benches)),
    hands: trained.size,
    benches,
    stones: (shelf.length > 0 ? shelf : USUAL_SHELF).map(({ id, micron, diamond = false, rate = 1 }) => ({
      id,
      micron,
      diamond,
      rate,
    })),
  }
}
