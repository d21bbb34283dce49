import type { BenchPlace } from '../../../contract/week'
import type { SectionMeasure, WorkOrder } from '../../../contract/workshop'
import { forecastEdge, rotaAhead, stateAfterStoning, usualUse } from '../../../core/edge/forecast/forecast'
import { stateWhenDull } from '../../../core/edge/forecast/whenDull'
import { workAt } from '../../../core/edge/log/usage'
import type { Action } from '../../../core/edge/verdict/verdict'
import type { Occurrence } from '../../../core/house/serviceClock'
import { LIKELY, type KnifeAhead, type ServiceAhead } from '../../../core/plan/jobs'
import type { JobRoute } from '../../../core/plan/problem'
import { chancesByRule } from '../../../core/policy/chancesByRule'
import type { SessionPlan } from '../../../core/session/plan'
import { skillFor } from '../../../core/session/skillFor'
import { DAY_MS } from '../../../core/time'
import type { StoredKnife } from '../../db/queries/fleet/knives'
import { Fault } from '../../faults'
import { layOutOperation } from '../bench/workshop'
import type { FleetSnapshot } from '../fleet/fleet'
import { nextStep, type PresentKnife } from '../fleet/knifeView'
import { actionOf } from '../fleet/workOrders'
import { NOBODY_YET, usualSession, type Bench } from '../shelf/layOutSession'

/** Services after a session whose edge is still reckoned; beyond it the last one stands. */
const FRESH_SERVICES = 30
/** Edge height an ordinary session takes, µm (assumed). */
const USUAL_STEEL_UM = 50

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
export interface SavedWork extends WorkOrder {
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

/** A knife as the planner counts it, and as its edge will truly stand. */
export interface PlannedKnife {
  readonly planned: KnifeAhead
  readonly ahead: readonly ServiceAhead[]
  readonly freshChances: readonly number[]
  readonly isByRule: boolean
}

/** What a knife wants of the days ahead, with its services, its ways at each bench and the rule of the house. */
export function knifeAhead(
  knife: StoredKnife,
  present: PresentKnife,
  snapshot: FleetSnapshot,
  services: readonly Occurrence[],
  benches: readonly BenchPlace[],
  mates: number,
  saved: SavedWork | null,
): PlannedKnife {
  const { state, blade, rules, forecast, policy, edgeSinceMs } = present
  const step = nextStep(present, snapshot.nowMs)
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
  const later = { ...present, state: stateWhenDull(state, blade.spec, rules.limitGf) }
  const starts = ahead.map(({ startMs }) => startMs)
  const byRule = chancesByRule(policy, starts, Math.max(1, freshChances.length), {
    nowMs: snapshot.nowMs,
    sharpenedMs: edgeSinceMs,
  })
  const planned: KnifeAhead = {
    knifeId: knife.id,
    action: wanted ? work : work === 'stone' && step.action !== 'stone' ? 'none' : step.action,
    skill: skillFor(work, knife),
    routes,
    services: byRule ? ahead.map((service, at) => ({ ...service, chanceDull: byRule.left[at] ?? 0 })) : ahead,
    freshChances: byRule?.fresh ?? freshChances,
    ordinary: (byRule ? byRule.fresh.slice(0, services.length).includes(1) : comesAgain)
      ? { skill: skillFor('stone', knife), routes: routesOf(knife, later, 'stone', snapshot.bench, benches, null) }
      : null,
    steelUm: session?.cost.steelUm ?? USUAL_STEEL_UM,
    stationWeight: station?.weight ?? 1,
    daysSinceStone: state.sharpenedMs === null ? null : (snapshot.nowMs - state.sharpenedMs) / DAY_MS,
    lastHands: state.sharpening.personId,
    group: `${state.stationId ?? ''}/${blade.role}`,
    mayBeAway: Math.max(0, mates - 1),
    onlyHands: policy.ownHands ? state.holderId : null,
  }
  return { planned, ahead, freshChances, isByRule: byRule !== null }
}
