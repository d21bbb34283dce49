import { setImmediate } from 'node:timers/promises'
import type { BenchPlace } from '../../../contract/week'
import type { SectionMeasure, WorkOrder } from '../../../contract/workshop'
import { KNIVES_BETWEEN_FLATTENING, needsFlattening } from '../../../core/abrasive/gear'
import { forecastEdge, rotaAhead, stateAfterStoning, usualUse } from '../../../core/edge/forecast/forecast'
import { workAt } from '../../../core/edge/log/usage'
import { NO_DEFECTS } from '../../../core/edge/model/events'
import { verdict, type Action } from '../../../core/edge/verdict/verdict'
import { presences, type Presence } from '../../../core/house/rota'
import { laidTogether, startOfDay, type Occurrence } from '../../../core/house/serviceClock'
import { jobOf, LIKELY, type KnifeAhead, type ServiceAhead } from '../../../core/plan/jobs'
import {
  EVEN_WEIGHTS,
  type JobRoute,
  type PlanJob,
  type PlanPerson,
  type PlanProblem,
  type PlanStone,
  type PlanWindow,
} from '../../../core/plan/problem'
import { shiftRounds, type Round, type RoundKnife, type UnheldKnife } from '../../../core/plan/rounds'
import type { SessionPlan } from '../../../core/session/plan'
import { skillFor } from '../../../core/session/skillFor'
import { DAY_MS, MINUTE_MS } from '../../../core/time'
import type { Queryable } from '../../db/database'
import type { StoredKnife } from '../../db/queries/fleet/knives'
import { listWorkOrders } from '../../db/queries/fleet/workOrders'
import type { StoredHouse } from '../../db/queries/house/houses'
import { knifeLogs } from '../../db/queries/log/events'
import { Fault } from '../../faults'
import { layOutOperation, measuredSections } from '../bench/workshop'
import { loadFleetSnapshot, type FleetSnapshot } from '../fleet/fleet'
import { presentKnife, type PresentKnife } from '../fleet/knifeView'
import { actionOf, workOrderFor } from '../fleet/workOrders'
import { houseOccurrences } from '../log/usageContext'
import { micronOf } from '../shelf/gear'
import { NOBODY_YET, usualSession, type Bench } from '../shelf/layOutSession'
import { loadCrew, type CrewAhead } from './crewAhead'

/** A window that is open already is planned from the next quarter of an hour on. */
export const QUARTER_MS = 900_000
/** Flattening one stone, minutes (assumed). */
const FLATTEN_MINUTES = 4
/** Fetching and laying out before the first knife of a window, washing and stowing after the last (common practice: 10 to 14 minutes with flattening). */
const SITTING_MS = { before: 3 * MINUTE_MS, after: 6 * MINUTE_MS } as const
/** Services after a session whose edge is still reckoned; beyond it the last one stands. */
const FRESH_SERVICES = 30

/** Everything the days ahead are planned from, and what is done at the stations meanwhile. */
export interface DaysAhead {
  readonly problem: PlanProblem
  readonly services: readonly Occurrence[]
  readonly chances: readonly {
    readonly jobId: string
    readonly left: readonly number[]
    readonly fresh: readonly number[]
  }[]
  readonly rounds: readonly Round[]
  readonly unheld: readonly UnheldKnife[]
  readonly snapshot: FleetSnapshot
}

const overlaps = (a: { startMs: number; endMs: number }, b: { startMs: number; endMs: number }): boolean =>
  a.startMs < b.endMs && b.startMs < a.endMs

function windowsAhead(
  quiet: readonly Occurrence[],
  services: readonly Occurrence[],
  present: readonly Presence[],
  nowMs: number,
): PlanWindow[] {
  const fromMs = Math.ceil(nowMs / QUARTER_MS) * QUARTER_MS
  return laidTogether(quiet)
    .filter(({ endMs }) => endMs > fromMs)
    .map((window): PlanWindow => {
      const there = present
        .filter((one) => one.startMs < window.startMs && one.endMs > window.startMs)
        .map((one) => one.startMs)
      const startMs = Math.max(window.startMs, fromMs)
      return {
        id: `${window.spanId}@${window.startMs}`,
        name: window.name,
        startMs,
        endMs: window.endMs,
        soakFromMs: Math.max(fromMs, there.length > 0 ? Math.min(...there) : window.startMs),
        overlapsService: services.some((service) => overlaps(service, window)),
      }
    })
}

function peopleAhead(
  snapshot: FleetSnapshot,
  crew: CrewAhead,
  windows: readonly PlanWindow[],
  present: readonly Presence[],
): PlanPerson[] {
  return snapshot.people
    .filter(({ active }) => active)
    .map(({ id }): PlanPerson => ({
      id,
      skills: crew.skills.filter(({ personId }) => personId === id).map(({ skill }) => skill),
      pace: crew.paces.get(id)?.pace ?? 1,
      present: Object.fromEntries(
        windows.flatMap((window): [string, { fromMs: number; toMs: number }][] => {
          const [longest] = present
            .filter((one) => one.personId === id && overlaps(one, window))
            // a sitting is set up and cleared away within the window, once for all its knives
            .map((one) => ({
              fromMs: Math.max(one.startMs, window.startMs) + SITTING_MS.before,
              toMs: Math.min(one.endMs, window.endMs) - SITTING_MS.after,
            }))
            .filter(({ fromMs, toMs }) => toMs > fromMs)
            .sort((a, b) => b.toMs - b.fromMs - (a.toMs - a.fromMs))
          return longest ? [[window.id, longest]] : []
        }),
      ),
    }))
}

const stonesOf = ({ gear }: Bench): PlanStone[] =>
  gear.flatMap((one) => {
    const micron = micronOf(one)
    const dishes = needsFlattening(one.kind)
    return micron === null
      ? []
      : [
          {
            id: one.id,
            name: one.name,
            micron,
            soakMinutes: one.soakMinutes,
            flattenMinutes: dishes ? FLATTEN_MINUTES : 0,
            knivesBetween: dishes ? KNIVES_BETWEEN_FLATTENING : 99,
          },
        ]
  })

/** A laid-out session as the planner counts it: what comes before the first stone, the stones, what comes after the last. */
function wayOf(benchId: string, session: SessionPlan): JobRoute {
  const minutesOn = (stage: number): number =>
    session.steps
      .filter((step) => step.stage === stage && !step.ofSitting)
      .reduce((sum, { minutes }) => sum + minutes, 0)
  const firstOnStone = session.steps.findIndex(({ stage }) => stage !== null)
  const lastOnStone = session.steps.findLastIndex(({ stage }) => stage !== null)
  const minutesOf = (from: number, to: number): number =>
    session.steps.slice(from, to).reduce((sum, { minutes, ofSitting }) => sum + (ofSitting ? 0 : minutes), 0)
  return {
    benchId,
    openingMinutes: firstOnStone < 0 ? 0 : minutesOf(0, firstOnStone),
    stages: session.stages.map(({ stone }, at) => ({ stoneId: stone.id, minutes: minutesOn(at) })),
    closingMinutes: minutesOf(lastOnStone + 1, session.steps.length),
  }
}

/** What is on one bench: the stones that stay there, and those that go where they are wanted. */
const atBench = (bench: Bench, benchId: string): Bench => ({
  ...bench,
  gear: bench.gear.filter((one) => one.benchId === null || one.benchId === benchId),
})

/** Saved work with what is measured of the blade it is for. */
interface SavedWork extends WorkOrder {
  readonly measured: readonly SectionMeasure[]
}

function routesOf(
  knife: StoredKnife,
  present: PresentKnife,
  action: Action,
  bench: Bench,
  benches: readonly BenchPlace[],
  saved: SavedWork | null,
): JobRoute[] {
  return benches.flatMap(({ id }) => {
    if (saved) {
      try {
        return [
          wayOf(
            id,
            layOutOperation(atBench(bench, id), { knife, present, action }, saved.operation, NOBODY_YET, saved.measured)
              .plan,
          ),
        ]
      } catch (error) {
        // the blade has changed since it was saved, or this bench has not the stones
        if (!(error instanceof Fault)) throw error
        if (!saved.waits) return []
      }
    }
    const session = usualSession(atBench(bench, id), { knife, present, action })
    return session ? [wayOf(id, session)] : []
  })
}

/** Work the bench would do on a knife: what the verdict says where that is bench work, else the stone its edge will want. */
const benchWork = (action: Action): Action =>
  action === 'repair' || action === 'thin' || action === 'touch-up' || action === 'quarantine' ? action : 'stone'

function knifeAhead(
  knife: StoredKnife,
  present: PresentKnife,
  snapshot: FleetSnapshot,
  services: readonly Occurrence[],
  benches: readonly BenchPlace[],
  mates: number,
  saved: SavedWork | null,
): KnifeAhead {
  const { state, blade, rules, forecast } = present
  const step = verdict(state, blade.geometry, blade.role, rules)
  // what somebody saved is wanted now; the rest of earlier work comes whenever the knife is at the stone anyway
  const wanted = saved && !saved.waits ? actionOf(saved.operation) : null
  const work = wanted ?? benchWork(step.action)
  const station = snapshot.context.stations.find(({ id }) => id === state.stationId)
  const periods = snapshot.usage.stations.get(state.stationId ?? '') ?? []
  const chances = new Map(forecast.services.map((service) => [service.startMs, service.chanceDull]))
  let last = 0
  const ahead = services.map((service): ServiceAhead => {
    // the forecast ends where the knife is surely dull
    last = chances.get(service.startMs) ?? last
    return {
      name: service.name,
      startMs: service.startMs,
      endMs: service.endMs,
      hours: workAt(periods, service.startMs)?.hoursPerService ?? 0,
      chanceDull: last,
    }
  })
  const use = usualUse(blade.spec, rules.limitGf, rotaAhead(periods, services, snapshot.nowMs).slice(0, FRESH_SERVICES))
  const fresh = forecastEdge(stateAfterStoning(state, blade.spec), use)
  const freshChances = fresh.services.map(({ chanceDull }) => chanceDull)
  const session = [step, step.runnerUp].find((one) => one?.action === work)
  const routes = routesOf(knife, present, work, snapshot.bench, benches, saved)
  // an edge that outlives the plan wants no second session in it; the second finds no chip and no glint any more
  const comesAgain = freshChances.slice(0, services.length).some((chance) => chance > LIKELY)
  const later = { ...present, state: { ...state, defects: NO_DEFECTS } }
  return {
    knifeId: knife.id,
    action: wanted ? work : work === 'stone' && step.action !== 'stone' ? 'none' : step.action,
    skill: skillFor(work, knife),
    routes,
    services: ahead,
    freshChances,
    ordinary: comesAgain
      ? { skill: skillFor('stone', knife), routes: routesOf(knife, later, 'stone', snapshot.bench, benches, null) }
      : null,
    steelUm: session?.cost.steelUm ?? USUAL_STEEL_UM,
    stationWeight: station?.weight ?? 1,
    daysSinceStone: state.sharpenedMs === null ? null : (snapshot.nowMs - state.sharpenedMs) / DAY_MS,
    lastHands: state.sharpening.personId,
    group: `${state.stationId ?? ''}/${blade.role}`,
    mayBeAway: Math.max(0, mates - 1),
  }
}

/** Edge height an ordinary session takes, µm (assumed). */
const USUAL_STEEL_UM = 50
const KNIVES_AT_ONCE = 8
const hundredth = (value: number): number => Math.round(value * 100) / 100

/** Reads a house for planning: knives with their forecasts, hands with their hours, stones with their benches. */
export async function daysAhead(db: Queryable, house: StoredHouse, now: Date, days: number): Promise<DaysAhead> {
  const snapshot = await loadFleetSnapshot(db, house, now)
  const { context, nowMs } = snapshot
  // whole days of the house: what is planned does not change with the hour at which it is asked for
  const toMs = startOfDay(startOfDay(nowMs, house.zone) + (days + 0.5) * DAY_MS, house.zone)
  const crew = await loadCrew(db, house.id, new Date(nowMs - 2 * DAY_MS).toISOString().slice(0, 10))
  const services = houseOccurrences(context, 'service', nowMs, toMs)
  const present = presences(crew.shifts, crew.days, house.zone, nowMs - DAY_MS, toMs + DAY_MS)
  const windows = windowsAhead(houseOccurrences(context, 'quiet', nowMs, toMs), services, present, nowMs)
  const benches = crew.benches.filter(({ active }) => active)
  const saved = await listWorkOrders(db, house.id)
  const logs = await knifeLogs(db, house.id, [...saved.keys()])
  const savedWork = (knifeId: string, { state }: PresentKnife): SavedWork | null => {
    const job = workOrderFor(saved, knifeId, state)
    return job && { ...job, measured: measuredSections(logs.get(knifeId) ?? []) }
  }
  const presentOf = new Map<string, PresentKnife>()
  for (const [at, knife] of snapshot.knives.entries()) {
    const stored = snapshot.states.get(knife.id)
    if (stored && stored.status === 'in-service')
      presentOf.set(knife.id, presentKnife(knife, stored, snapshot, 'until-dull'))
    if (at % KNIVES_AT_ONCE === KNIVES_AT_ONCE - 1) await setImmediate()
  }
  const mates = new Map<string, number>()
  for (const { state, blade } of presentOf.values()) {
    const group = `${state.stationId ?? ''}/${blade.role}`
    mates.set(group, (mates.get(group) ?? 0) + 1)
  }
  const jobs: PlanJob[] = []
  const chances: { jobId: string; left: number[]; fresh: number[] }[] = []
  for (const [at, knife] of snapshot.knives.entries()) {
    const one = presentOf.get(knife.id)
    if (!one) continue
    const ahead = knifeAhead(
      knife,
      one,
      snapshot,
      services,
      benches,
      mates.get(`${one.state.stationId ?? ''}/${one.blade.role}`) ?? 1,
      savedWork(knife.id, one),
    )
    jobs.push(jobOf(ahead, windows))
    chances.push({
      jobId: knife.id,
      left: ahead.services.map(({ chanceDull, hours }) => hundredth(hours > 0 ? chanceDull : 0)),
      fresh: ahead.freshChances.map(hundredth),
    })
    if (at % KNIVES_AT_ONCE === KNIVES_AT_ONCE - 1) await setImmediate()
  }
  const roundKnives = [...presentOf].map(([knifeId, { state, blade, rules, forecast }]): RoundKnife => ({
    knifeId,
    stationId: state.stationId ?? '',
    holderId: state.holderId,
    checkNow: verdict(state, blade.geometry, blade.role, rules).action === 'check',
    usefulFromMs: forecast.toLimit.early?.atMs ?? null,
  }))
  const { rounds, unheld } = shiftRounds(
    roundKnives,
    services.filter(({ startMs }) => startMs > nowMs),
    present,
  )
  return {
    problem: {
      windows,
      people: peopleAhead(snapshot, crew, windows, present),
      benches: benches.map(({ id, name }) => ({ id, name })),
      stones: stonesOf(snapshot.bench),
      jobs,
      weights: EVEN_WEIGHTS,
      locks: [],
    },
    services,
    chances,
    rounds,
    unheld,
    snapshot,
  }
}
