import { applyHoning } from '../filter/applyUse'
import { updateOnHoningReport } from '../filter/updateOnForce'
import type { BladeSpec } from '../../knife/bladeSpec'
import type { KnifeEvent } from '../model/events'
import { honeEffect, nextHoning, usualHoneTool } from '../model/hone'
import { habitKey } from './habitKey'
import { addCount, NO_HONING } from './lessons'
import { withBelief, type KnifeState } from './state'
import { applyAbrasion } from './steelLeft'

type Happened<K extends KnifeEvent['kind']> = Extract<KnifeEvent, { kind: K }>

/** A honing written down during a service that was taken as unrecorded when it began. */
function recordedInService(state: KnifeState, atMs: number): Pick<KnifeState, 'service' | 'lessons'> {
  const { service, lessons } = state
  if (!service || service.honed || atMs >= service.endMs) return { service, lessons }
  const key = habitKey(state)
  const count = lessons.honing[key] ?? NO_HONING
  return {
    service: { ...service, honed: true },
    lessons: { ...lessons, honing: { ...lessons.honing, [key]: { ...count, recorded: count.recorded + 1 } } },
  }
}

/** State after a honing that was written down, and what was said of it. */
export function afterHoning(state: KnifeState, spec: BladeSpec, event: Happened<'honed'>, limitGf: number): KnifeState {
  const { tool, mismatchDps, cameBack } = event.payload
  const effect = honeEffect({ tool, hrc: spec.hrc, mismatchDps })
  const told = cameBack
    ? updateOnHoningReport(state.belief, effect, { said: cameBack, before: state.reports, limitGf })
    : state.belief
  const step = nextHoning(state.rod, effect, spec.dps)
  const { service, lessons } = recordedInService(state, event.atMs)
  return {
    ...withBelief(state, applyHoning(told, spec, effect, step), spec.dps),
    rod: step.rod,
    steel: applyAbrasion(state.steel, spec, step.heightUm),
    service,
    honedMs: event.atMs,
    honedWith: tool,
    hoursSinceHone: 0,
    // an edge that did not come back stays so until somebody tests or stones it
    lastHone: state.lastHone === 'not' ? 'not' : (cameBack ?? state.lastHone),
    reports: state.reports + (cameBack ? 1 : 0),
    lessons: { ...lessons, honesWith: addCount(lessons.honesWith, tool, 1) },
  }
}

/** What was said after a honing, of the honing before it. */
export function afterReport(
  state: KnifeState,
  spec: BladeSpec,
  event: Happened<'came-back'>,
  limitGf: number,
): KnifeState {
  const { said } = event.payload
  const effect = honeEffect({ tool: state.honedWith ?? usualHoneTool(spec.hrc), hrc: spec.hrc })
  const report = { said, before: state.reports, limitGf, isAfter: true }
  return {
    ...withBelief(state, updateOnHoningReport(state.belief, effect, report), spec.dps),
    lastHone: state.lastHone === 'not' ? 'not' : said,
    reports: state.reports + 1,
  }
}
