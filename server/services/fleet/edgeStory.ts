import type { z } from 'zod'
import type { EdgeStory } from '../../../contract/knives'
import { habitOf } from '../../../core/edge/fleet/habits'
import { HONE, knownParameter, parametersOf } from '../../../core/edge/filter/belief'
import { mean } from '../../../core/edge/filter/observe'
import { lifeFromFresh, type ServiceForecast } from '../../../core/edge/forecast/forecast'
import { steelAhead } from '../../../core/edge/forecast/steelAhead'
import { habitKey } from '../../../core/edge/log/habitKey'
import { foldHistory } from '../../../core/edge/log/history'
import { workAt } from '../../../core/edge/log/usage'
import { forceBand, type ForceBand, type KnifeState } from '../../../core/edge/log/state'
import { EVENT_TRAITS } from '../../../core/edge/model/eventKinds'
import { standingEvents, type KnifeEvent } from '../../../core/edge/model/events'
import { BLUNT_FORCE_GF_PER_UM, ROLL_FORCE_GF } from '../../../core/edge/model/force'
import { honeEffect, usualHoneTool } from '../../../core/edge/model/hone'
import { bluntWidth } from '../../../core/edge/model/wear'
import { worstZone } from '../../../core/edge/verdict/verdict'
import { BOARD_FACTOR, PRODUCT_FACTOR } from '../../../core/house/stations'
import { knownBlade } from '../../../core/knife/blade'
import { eachZone, ZONES, type ByZone } from '../../../core/knife/zones'
import { Z_80, type Known } from '../../../core/statistics/normal'
import { DAY_MS } from '../../../core/time'
import type { Database } from '../../db/database'
import { findKnife, type StoredKnife } from '../../db/queries/fleet/knives'
import { knifeLog } from '../../db/queries/log/events'
import { notFound } from '../../faults'
import type { Caller } from '../../signIn/sessions'
import { usageContext } from '../log/usageContext'
import { loadFleetSnapshot, type FleetSnapshot } from './fleet'
import { presentKnife, type PresentKnife } from './knifeView'

type Story = z.infer<typeof EdgeStory>
type Moment = Story['zones']['heel'][number]
type Banded = Story['learned']['wear']
type Mark = Story['marks'][number]

const instant = (ms: number): string => new Date(ms).toISOString()
/** Curves reach back this far; steel is followed from the first day. */
const STORY_MS = 84 * DAY_MS
const USUAL_SERVICE_HOURS = 2

const moment = (atMs: number, { forceGf, lowGf, highGf }: ForceBand): Moment => ({
  at: instant(atMs),
  forceGf: Math.round(forceGf),
  lowGf: Math.round(lowGf),
  highGf: Math.round(highGf),
})

const rounded = (value: number): number => Math.round(value * 1000) / 1000
const asFactor = ({ mean: log, sd }: Known): Banded => ({
  mean: rounded(Math.exp(log)),
  low: rounded(Math.exp(log - Z_80 * sd)),
  high: rounded(Math.exp(log + Z_80 * sd)),
})
const asBand = ({ mean: middle, sd }: Known): Banded => ({
  mean: rounded(middle),
  low: rounded(middle - Z_80 * sd),
  high: rounded(middle + Z_80 * sd),
})

interface Past {
  readonly zones: ByZone<Moment[]>
  readonly steel: Story['steel']['points']
}

/** What was believed before and after each event. */
function foldStory(knife: StoredKnife, events: readonly KnifeEvent[], snapshot: FleetSnapshot): Past {
  const { spec, role } = knownBlade(knife)
  const zones = eachZone((): Moment[] => [])
  const steel: Story['steel']['points'] = []
  const sinceMs = snapshot.nowMs - STORY_MS
  const fromMs = Math.min(snapshot.nowMs, ...events.map(({ atMs }) => atMs))
  const push = (state: KnifeState): void => {
    if (state.atMs < sinceMs) return
    for (const zone of ZONES) zones[zone].push(moment(state.atMs, forceBand(state.zones[zone], spec.dps)))
  }
  foldHistory({
    spec,
    events,
    untilMs: snapshot.nowMs,
    limitGf: snapshot.house.serviceLimits[role],
    usage: usageContext(snapshot.context, fromMs, snapshot.nowMs),
    onEvent: (event, before, after) => {
      if (event.kind === 'checked' || event.kind === 'honed' || event.kind === 'sharpened') push(before)
      push(after)
      if (event.kind === 'added' || event.kind === 'sharpened' || event.kind === 'measured') {
        steel.push({
          at: instant(event.atMs),
          heightMm: asBand(after.steel.heightMm),
          bteMm: asBand(after.steel.bteMm),
          measured: event.kind === 'measured',
        })
      }
    },
  })
  return { zones, steel }
}

const readingsOf = (events: readonly KnifeEvent[], sinceMs: number): Story['readings'] =>
  events.flatMap((event) =>
    event.kind === 'checked' && event.atMs >= sinceMs
      ? event.payload.readings.map(({ zone, forcesGf }) => ({
          at: instant(event.atMs),
          zone,
          forceGf: Math.round(mean(forcesGf)),
        }))
      : [],
  )

const marksOf = (
  events: readonly KnifeEvent[],
  sinceMs: number,
  nameOf: (id: string | null) => string | null,
): Mark[] =>
  events.flatMap((event): Mark[] =>
    EVENT_TRAITS[event.kind].marksCurve && event.atMs >= sinceMs
      ? [{ at: instant(event.atMs), kind: event.kind as Mark['kind'], personName: nameOf(event.personId) }]
      : [],
  )

const aheadOf = (service: ServiceForecast): Story['ahead'][number] => ({
  serviceName: service.name,
  startsAt: instant(service.startMs),
  endsAt: instant(service.endMs),
  chanceDull: Math.round(service.chanceDull * 100) / 100,
  zones: eachZone((zone) => moment(service.endMs, service.zones[zone])),
})

/** Share of what dulls the worst zone that is only bent, 0–1. */
function bentShare({ state, blade }: PresentKnife): number {
  const edge = state.zones[worstZone(state, blade.spec.dps)]
  const [bent, worn] = [ROLL_FORCE_GF * edge.roll, BLUNT_FORCE_GF_PER_UM * bluntWidth({ ...edge, dps: blade.spec.dps })]
  return bent + worn > 0 ? Math.round((100 * bent) / (bent + worn)) / 100 : 0
}

function honingLearned(state: KnifeState, hrc: number): Banded {
  const { mean: shift, sd } = knownParameter(state.belief, HONE)
  const { efficiency } = honeEffect({ tool: usualHoneTool(hrc), hrc })
  const at = (move: number): number => rounded(1 / (1 + Math.exp(-(Math.log(efficiency / (1 - efficiency)) + move))))
  return { mean: at(shift), low: at(shift - Z_80 * sd), high: at(shift + Z_80 * sd) }
}

/** How the knife is honed: by its holder, or at its station where nobody holds it. */
function habitLearned(state: KnifeState, { similar, people, house }: FleetSnapshot): Story['learned']['habit'] {
  const { honed, low, high, logged, services } = habitOf(similar.lessons.habits, habitKey(state))
  const holder = people.find(({ id }) => id === state.holderId)
  return {
    honed: rounded(honed),
    low: rounded(low),
    high: rounded(high),
    logged: rounded(logged),
    services: Math.round(services),
    stated: holder?.honingHabit ?? house.honingHabit,
  }
}

function learnedOfKnife(
  present: PresentKnife,
  snapshot: FleetSnapshot,
  knife: StoredKnife,
  stored: KnifeState,
): Story['learned'] {
  const { state, blade, rules } = present
  const { wear, zone } = parametersOf(state.belief)
  const periods = state.stationId === null ? undefined : snapshot.usage.stations.get(state.stationId)
  const work = periods && workAt(periods, snapshot.nowMs)
  const life = lifeFromFresh(state, blade.spec, rules.limitGf, {
    hours: work && work.hoursPerService > 0 ? work.hoursPerService : USUAL_SERVICE_HOURS,
    factor: work ? BOARD_FACTOR[work.board] * PRODUCT_FACTOR[work.product] * snapshot.similar.shift(knife, stored) : 1,
    ...(work ? { product: work.product } : {}),
  })
  return {
    knownFrom: state.readingCount + state.signCount >= 3 ? 'own' : 'similar',
    readingCount: state.readingCount + state.signCount,
    wear: asFactor(wear),
    zoneWear: eachZone((name) => asFactor(zone[name])),
    honing: honingLearned(state, blade.spec.hrc),
    lifeHours: { low: life.early, middle: life.middle, high: life.late },
    bentShare: bentShare(present),
    habit: habitLearned(state, snapshot),
  }
}

/** Everything the page of one knife draws, from its whole log. */
export async function edgeStory(db: Database, caller: Caller, knifeId: string, now: Date): Promise<Story> {
  const knife = await findKnife(db, caller.house.id, knifeId)
  if (!knife) throw notFound('knife')
  const snapshot = await loadFleetSnapshot(db, caller.house, now)
  const stored = snapshot.states.get(knifeId)
  if (!stored) throw notFound('knife')
  const events = standingEvents(await knifeLog(db, caller.house.id, knifeId))
  const present = presentKnife(knife, stored, snapshot, 'whole')
  const { state, blade, rules, forecast } = present
  const past = foldStory(knife, events, snapshot)
  const names = new Map(snapshot.people.map(({ id, name }) => [id, name]))
  const sinceMs = snapshot.nowMs - STORY_MS
  const thickestMm = Math.min(rules.thicknessLimitMm, blade.measures.bteNewMm * (1 + rules.thicknessGrowth))
  const ahead = steelAhead(state, blade.spec, blade.geometry, thickestMm)
  return {
    limitGf: rules.limitGf,
    now: instant(snapshot.nowMs),
    zones: eachZone((zone) => [
      ...past.zones[zone],
      moment(snapshot.nowMs, forceBand(state.zones[zone], blade.spec.dps)),
    ]),
    readings: readingsOf(events, sinceMs),
    marks: marksOf(events, sinceMs, (id) => (id === null ? null : (names.get(id) ?? null))),
    ahead: forecast.services.map(aheadOf),
    learned: learnedOfKnife(present, snapshot, knife, stored),
    steel: {
      points: [
        ...past.steel,
        {
          at: instant(snapshot.nowMs),
          heightMm: asBand(state.steel.heightMm),
          bteMm: asBand(state.steel.bteMm),
          measured: false,
        },
      ],
      minimumHeightMm: blade.geometry.minimumHeightMm,
      thickestMm,
      sessionsPerYear: rounded(ahead.sessionsPerYear.mean),
      perSessionMm: rounded(ahead.perSessionMm.mean),
    },
  }
}
