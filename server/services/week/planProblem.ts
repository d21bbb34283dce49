import { setImmediate } from 'node:timers/promises'
import { KNIVES_BETWEEN_FLATTENING, needsFlattening } from '../../../core/abrasive/gear'
import { presences, type Presence } from '../../../core/house/rota'
import { laidTogether, startOfDay, type Occurrence } from '../../../core/house/serviceClock'
import { jobOf } from '../../../core/plan/jobs'
import {
  EVEN_WEIGHTS,
  USUAL_SITTING,
  type PlanJob,
  type PlanPerson,
  type PlanProblem,
  type PlanStone,
  type PlanWindow,
} from '../../../core/plan/problem'
import { shiftRounds, type Round, type RoundKnife, type UnheldKnife } from '../../../core/plan/rounds'
import { daysBetween } from '../../../core/policy/policy'
import { DAY_MS } from '../../../core/time'
import type { Queryable } from '../../db/database'
import { listWorkOrders } from '../../db/queries/fleet/workOrders'
import type { StoredHouse } from '../../db/queries/house/houses'
import { knifeLogs } from '../../db/queries/log/events'
import { measuredSections } from '../bench/workshop'
import { loadFleetSnapshot, type FleetSnapshot } from '../fleet/fleet'
import { nextStep, presentKnife, type PresentKnife } from '../fleet/knifeView'
import { workOrderFor } from '../fleet/workOrders'
import { houseOccurrences } from '../log/usageContext'
import { micronOf } from '../shelf/gear'
import type { Bench } from '../shelf/layOutSession'
import { loadCrew, type CrewAhead } from './crewAhead'
import { knifeAhead, type SavedWork } from './knifeAhead'

/** A window that is open already is planned from the next quarter of an hour on. */
export const QUARTER_MS = 900_000
/** Flattening one stone, minutes (assumed). */
const FLATTEN_MINUTES = 4

/** Everything the days ahead are planned from, and what is done at the stations meanwhile. */
export interface DaysAhead {
  readonly problem: PlanProblem
  readonly services: readonly Occurrence[]
  readonly chances: readonly {
    readonly jobId: string
    readonly left: readonly number[]
    readonly fresh: readonly number[]
  }[]
  /** jobs that go by a rule of the calendar, not by their edge */
  readonly byRule: readonly string[]
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
            .map((one) => ({
              fromMs: Math.max(one.startMs, window.startMs),
              toMs: Math.min(one.endMs, window.endMs),
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
  const byRule: string[] = []
  const chances: { jobId: string; left: number[]; fresh: number[] }[] = []
  for (const [at, knife] of snapshot.knives.entries()) {
    const one = presentOf.get(knife.id)
    if (!one) continue
    const { planned, ahead, freshChances, isByRule } = knifeAhead(
      knife,
      one,
      snapshot,
      services,
      benches,
      mates.get(`${one.state.stationId ?? ''}/${one.blade.role}`) ?? 1,
      savedWork(knife.id, one),
    )
    jobs.push(jobOf(planned, windows))
    if (isByRule) byRule.push(knife.id)
    chances.push({
      jobId: knife.id,
      left: ahead.map(({ chanceDull, hours }) => hundredth(hours > 0 ? chanceDull : 0)),
      fresh: freshChances.map(hundredth),
    })
    if (at % KNIVES_AT_ONCE === KNIVES_AT_ONCE - 1) await setImmediate()
  }
  const roundKnives = [...presentOf].map(([knifeId, one]): RoundKnife => ({
    knifeId,
    stationId: one.state.stationId ?? '',
    holderId: one.state.holderId,
    isHoned: one.policy.honing !== 'never',
    afterEach: one.policy.school === 'every-job',
    checkNow: nextStep(one, nowMs).action === 'check',
    // by the calendar nobody asks what a check would change
    usefulFromMs: daysBetween(one.policy) === null ? (one.forecast.toLimit.early?.atMs ?? null) : null,
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
      sitting: USUAL_SITTING,
      locks: [],
    },
    services,
    chances,
    byRule,
    rounds,
    unheld,
    snapshot,
  }
}
