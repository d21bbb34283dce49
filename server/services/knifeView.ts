import { defaultRules, verdict } from '../../core/edge/verdict'
import { advance, type Surroundings } from '../../core/edge/history'
import { firstDullService } from '../../core/edge/outlook'
import { thicknessLimitMm } from '../../core/edge/limits'
import { edgeWord, worstWord } from '../../core/edge/scale'
import { forceBand, type KnifeState } from '../../core/edge/state'
import { ZONES, type Zone } from '../../core/edge/zones'
import { knownBlade } from '../../core/house/blade'
import type { KnifeView } from '../../contract/knives'
import type { StoredKnife } from '../db/queries/knives'
import type { StoredHouse } from '../db/queries/houses'

const instant = (ms: number): string => new Date(ms).toISOString()
const instantOrNull = (ms: number | null): string | null => (ms === null ? null : instant(ms))
const tenth = (value: number): number => Math.round(value * 10) / 10

/** A knife as screens see it: its description, and everything its log says about it at `nowMs`. */
export function knifeView(
  knife: StoredKnife,
  stored: KnifeState,
  house: StoredHouse,
  around: Surroundings,
  nowMs: number,
): KnifeView {
  const blade = knownBlade(knife)
  const rules = { ...defaultRules(blade.role, house.serviceLimits), thicknessLimitMm: thicknessLimitMm(knife.type) }
  const state = advance(stored, blade.nature, around, nowMs)
  const condition = (zone: Zone): KnifeView['zones'][Zone] => {
    const band = forceBand(state.zones[zone], blade.nature.dps)
    return {
      forceGf: Math.round(band.forceGf),
      lowGf: Math.round(band.lowGf),
      highGf: Math.round(band.highGf),
      word: edgeWord(band.forceGf, rules.limitGf),
    }
  }
  const zones = { heel: condition('heel'), belly: condition('belly'), tip: condition('tip') }
  const { runnerUp, worstZone, ...step } = verdict(state, blade.geometry, blade.role, rules)
  const inService = state.status === 'in-service'
  const ahead = inService ? firstDullService(state, blade.nature, around, rules.limitGf) : null
  const copy = (one: typeof step): KnifeView['verdict'] => ({
    ...one,
    reasons: one.reasons.map((reason) => ({ code: reason.code, values: { ...reason.values } })),
    runnerUp: null,
  })
  return {
    ...knife,
    ...blade.measures,
    assumed: [...blade.assumed],
    role: blade.role,
    limitGf: rules.limitGf,
    stationId: state.stationId ?? '',
    holderId: state.holderId,
    status: state.status,
    statusReason: state.statusReason,
    statusSince: instant(state.statusSinceMs),
    zones,
    word: worstWord(ZONES.map((zone) => zones[zone].word)),
    worstZone,
    defects: { ...state.defects, glint: [...state.defects.glint] },
    sharpenedAt: instantOrNull(state.sharpenedMs),
    honedAt: instantOrNull(state.honedMs),
    checkedAt: instantOrNull(state.checkedMs),
    hoursSinceHone: tenth(state.hoursSinceHone),
    hoursSinceSharpening: tenth(state.hoursSinceSharpening),
    readingCount: state.readingCount,
    verdict: { ...copy(step), runnerUp: runnerUp ? copy(runnerUp) : null },
    dullAhead: ahead
      ? { zone: ahead.zone, serviceName: ahead.service.name, startsAt: instant(ahead.service.startMs) }
      : null,
  }
}
