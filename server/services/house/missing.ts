import type { Missing } from '../../../contract/house'
import { worthOfHoning, type KnifeInUse } from '../../../core/edge/forecast/worthOfHoning'
import { workAt } from '../../../core/edge/log/usage'
import { isSeen } from '../../../core/edge/log/state'
import { valueOfSign } from '../../../core/edge/verdict/edgeSteps'
import { stillMissing, type HouseFacts } from '../../../core/house/movingIn'
import { BOARD_FACTOR, PRODUCT_FACTOR } from '../../../core/house/stations'
import { DAY_MS } from '../../../core/time'
import type { Clock } from '../../clock'
import type { Database } from '../../db/database'
import { findHouse } from '../../db/queries/house/houses'
import { notFound } from '../../faults'
import type { Caller } from '../../signIn/sessions'
import { loadFleetSnapshot, type FleetSnapshot } from '../fleet/fleet'
import { OUTLOOK_MS, presentKnife, type PresentKnife } from '../fleet/knifeView'
import { micronOf } from '../shelf/gear'
import { loadCrew } from '../week/crewAhead'
import { dayOf } from '../week/crew'

/** So many knives stand for all of a kind: a mean of more would say the same, later. */
const SAMPLE = 12

interface Kept {
  readonly code: string
  readonly present: PresentKnife
}

/** Knives in service with an edge to keep, as they are now. */
const inService = (snapshot: FleetSnapshot): Kept[] =>
  snapshot.knives.flatMap((knife) => {
    const state = snapshot.states.get(knife.id)
    return state?.status === 'in-service'
      ? [{ code: knife.code, present: presentKnife(knife, state, snapshot, 'until-dull') }]
      : []
  })

/** What a knife is used for in a day of its station; nothing where no service is ahead. */
function inUse({ present }: Kept, { usage, nowMs }: FleetSnapshot): KnifeInUse[] {
  const { state, blade, rules } = present
  const periods = state.stationId === null ? undefined : usage.stations.get(state.stationId)
  const station = periods && workAt(periods, nowMs)
  const ahead = usage.services.filter(({ startMs }) => startMs >= nowMs && startMs < nowMs + OUTLOOK_MS)
  if (!station || ahead.length === 0 || station.hoursPerService <= 0) return []
  const hoursADay = (ahead.length * station.hoursPerService * DAY_MS) / OUTLOOK_MS
  const factor = BOARD_FACTOR[station.board] * PRODUCT_FACTOR[station.product]
  return [{ state, spec: blade.spec, limitGf: rules.limitGf, hoursADay, factor }]
}

const mean = (values: readonly number[]): number =>
  Math.round(values.reduce((sum, value) => sum + value, 0) / values.length)

/** What the house has not said yet, and what saying it would buy, reckoned on its own knives. */
export async function readMissing(db: Database, clock: Clock, caller: Caller): Promise<Missing> {
  const house = await findHouse(db, caller.house.id)
  if (!house) throw notFound('house')
  const snapshot = await loadFleetSnapshot(db, house, clock())
  const crew = await loadCrew(db, house.id, dayOf(clock(), house.zone))
  const kept = inService(snapshot)
  const facts: HouseFacts = {
    settled: house.settled,
    gear: snapshot.bench.gear
      .filter(({ active }) => active)
      .map((gear) => ({ kind: gear.kind, micron: micronOf(gear) })),
    knives: kept.map(({ code, present: { blade, state } }) => ({
      code,
      hrc: blade.spec.hrc,
      serrated: blade.spec.serrated,
      held: state.holderId !== null,
      seen: isSeen(state),
      chipped: state.defects.chip !== null,
      angleKnown: !blade.assumed.includes('dpsLeft'),
    })),
    people: snapshot.people
      .filter(({ active }) => active)
      .map(({ id, name, hasPin, passwordHash }) => ({
        name,
        canSignIn: hasPin || passwordHash !== null,
        skills: crew.skills.filter(({ personId }) => personId === id).map(({ skill }) => skill),
        // a day off says nothing of when somebody comes
        onRota: [...crew.shifts, ...crew.days.filter(({ starts }) => starts !== null)].some(
          ({ personId }) => personId === id,
        ),
      })),
    habitSaid: house.honingHabit !== null || snapshot.people.some(({ honingHabit }) => honingHabit !== null),
  }
  const gaps = stillMissing(facts)
  const lookMinutes = kept
    .filter(({ present }) => !isSeen(present.state))
    .reduce((sum, { present: { state, blade, rules } }) => sum + valueOfSign(state, blade.geometry, rules), 0)
  const habits = facts.habitSaid
    ? []
    : kept
        .slice(0, SAMPLE)
        .flatMap((one) => inUse(one, snapshot))
        .map(worthOfHoning)
  return {
    gaps: gaps.map(({ gap, codes, names }) => ({ gap, codes: [...codes], names: [...names] })),
    lookMinutes: Math.round(lookMinutes),
    habitGain:
      habits.length === 0
        ? null
        : {
            daysHoned: mean(habits.map(({ daysHoned }) => daysHoned)),
            daysUnhoned: mean(habits.map(({ daysUnhoned }) => daysUnhoned)),
          },
  }
}
