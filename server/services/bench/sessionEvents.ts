import { v5 as idFrom } from 'uuid'
import type { BenchPlan } from '../../../contract/bench'
import type { WorkshopResult } from '../../../contract/workshop'
import { jisGrit } from '../../../core/abrasive/grain'
import { DESCRIBED, type EventPayloads } from '../../../core/edge/model/events'
import { knownBlade } from '../../../core/knife/blade'
import { ZONES, type Zone } from '../../../core/knife/zones'
import { isWorked } from '../../../core/session/pages'
import { stepState, type SessionState } from '../../../core/session/session'
import { MINUTE_MS } from '../../../core/time'
import type { StoredSession } from '../../db/queries/bench/sessions'
import type { StoredKnife } from '../../db/queries/fleet/knives'
import type { EventWrite } from '../../db/queries/log/events'
import type { Caller } from '../../signIn/sessions'

import { lookOf } from './afterTheLook'

/** Name space of event ids made from sessions, so that ending one twice records once. */
const SPACE = '6f1f3c9e-0a53-4b0b-9a39-1f0f3f9c2d10'

const readingsOf = (forces: SessionState['before']): { zone: Zone; forcesGf: number[] }[] =>
  ZONES.flatMap((zone) => {
    const force = forces[zone]
    return force === undefined ? [] : [{ zone, forcesGf: [force] }]
  })

/** Strokes each side of the blade got on its edge. */
function strokesBySide(state: SessionState): { left: number; right: number } {
  const counted = (hand: 'left' | 'right'): number =>
    state.plan.steps
      .filter((step) => step.hand === hand && step.work !== 'face')
      .reduce(
        (sum, { id }) => sum + Object.values(state.steps[id]?.strokes ?? {}).reduce((all, count) => all + count, 0),
        0,
      )
  return { left: counted('left'), right: counted('right') }
}

/** Whether anything in a session shows that it was done: a stroke counted, a burr felt, a look at what was worked. */
const isShown = (state: SessionState): boolean =>
  state.plan.steps.some((step) => {
    const { strokes, burr, ticked } = stepState(state, step.id)
    return (
      Object.values(strokes).some((count) => count > 0) ||
      Object.values(burr).some(Boolean) ||
      (isWorked(step) && ticked.length > 0)
    )
  })

/** What a finished session says about the knife, as events of its log. */
export function sessionEvents(
  session: StoredSession,
  state: SessionState,
  at: Date,
  caller: Caller,
  described: DescriptionChange | null,
): EventWrite[] {
  const event = (name: string, kind: EventWrite['kind'], moment: Date, payload: object): EventWrite => ({
    id: idFrom(`${session.id}/${name}`, SPACE),
    knifeId: session.knifeId,
    kind,
    at: moment,
    personId: caller.person.id,
    deviceId: caller.deviceId,
    payload,
  })
  const { plan } = session
  const { workshop } = plan
  const [look, after] = [lookOf(state), readingsOf(state.after)]
  const [first] = plan.stages
  const workedMs = Object.values(state.steps).reduce((sum, step) => sum + step.spentMs, 0)
  const { records } = plan
  const strokes = Math.max(
    0,
    ...plan.steps.filter(({ kind }) => kind === 'hone' || kind === 'strop').map((step) => step.strokes),
  )
  const isClaim = after.length === 0 && !isShown(state)
  const done =
    records.kind === 'honed'
      ? event('honed', 'honed', at, { tool: records.tool, strokesPerSide: strokes })
      : event('sharpened', 'sharpened', at, {
          finishMicron: plan.finishMicron,
          minutes: Math.min(600, Math.round(workedMs / MINUTE_MS)),
          strokes: strokesBySide(state),
          ...(plan.stages.length > 0 ? { grains: plan.stages.map(({ micron }) => micron) } : {}),
          ...(first ? { startGrit: jisGrit(first.micron) } : {}),
          ...(isClaim ? { claimed: true } : {}),
          ...(workshop ? bladeLeft(workshop) : groundByPlan(plan, isClaim)),
          ...(described ? { described } : {}),
        })
  return [
    ...(look ? [event('before', 'checked', session.startedAt, look)] : []),
    done,
    ...(after.length > 0
      ? [event('after', 'checked', new Date(at.getTime() + 1), { readings: after, ladder: [] })]
      : []),
  ]
}

/** What a session without measuring took by its plan: height for the ledger, and the thickness that face work leaves. */
const groundByPlan = ({ takesUm, leavesBteMm, stages }: BenchPlan, isClaim: boolean): object => ({
  ...(takesUm !== null && stages.length > 0 ? { estimateMm: takesUm / 1000 } : {}),
  // a face that nobody is seen to have worked is as thick as before
  ...(leavesBteMm === null || isClaim ? {} : { bteMm: leavesBteMm }),
})

/** What workshop work did to the blade, as its log keeps it. */
const bladeLeft = ({ lossMm, bteMm, lengthLossMm, rest, thicknessAt }: WorkshopResult): object => ({
  recessionMm: Math.max(0, lossMm),
  bteMm,
  ...(lengthLossMm > 0 ? { lengthLossMm } : {}),
  ...(thicknessAt.length > 0 ? { thicknessAt } : {}),
  ...(rest?.kind === 'chip' ? { chipLeftMm: rest.depthMm } : {}),
})

export type DescriptionChange = NonNullable<EventPayloads['sharpened']['described']>

/** How workshop work changes what a knife is described as: another angle, ratio or length; null where it is as it was. */
export function newDescription(knife: StoredKnife, workshop: WorkshopResult | null): DescriptionChange | null {
  if (!workshop) return null
  const { dpsLeft, dpsRight } = knownBlade(knife).measures
  const before = { dpsLeft, dpsRight, ratioRight: knife.ratioRight, lengthMm: knife.lengthMm }
  const after = {
    dpsLeft: workshop.dpsLeft,
    dpsRight: workshop.dpsRight,
    ratioRight: Math.round(workshop.ratioRight),
    lengthMm: Math.round(10 * (knife.lengthMm - workshop.lengthLossMm)) / 10,
  }
  return DESCRIBED.every((name) => before[name] === after[name]) ? null : { before, after }
}
