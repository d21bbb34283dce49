import type { SectionBlade } from '../geometry/section'
import { chipLossMm } from './edgeCuts'
import type { Operation } from './operate'
import { planWorkshop, type WorkshopAsk, type WorkshopPlan } from './plan'
import { shareAfter } from './tip'

/** One session of work that is spread over several. */
export interface SeriesSession {
  readonly session: number
  readonly plan: WorkshopPlan
  /** strokes of all its cuts */
  readonly strokes: { readonly left: number; readonly right: number }
  /** what is left to do after it; null after the last */
  readonly rest: Operation | null
}

/**
 * What is left of an operation once its session is done: the rest of a chip, a tip or a change of ratio, or
 * null where nothing is.
 *
 * @example restOf({ kind: 'chip', depthMm: 0.4, sessions: 3 }) // { kind: 'chip', depthMm: 0.2, sessions: 2 }
 */
export function restOf(operation: Operation): Operation | null {
  if (!('sessions' in operation) || operation.sessions <= 1) return null
  const sessions = operation.sessions - 1
  switch (operation.kind) {
    case 'chip':
      return { ...operation, depthMm: operation.depthMm - chipLossMm(operation), sessions }
    case 'tip':
      return { ...operation, groundShare: shareAfter(operation), sessions }
    case 'ratio':
      return { ...operation, sessions }
  }
}

/** The blade an operation leaves, as the next one finds it. */
export const bladeAfter = (blade: SectionBlade, { done }: WorkshopPlan): SectionBlade => ({
  ...blade,
  heelHeightMm: blade.heelHeightMm - done.lossMm,
  bteMm: done.measures.after.bteMm,
  dpsLeft: done.dpsLeft,
  dpsRight: done.dpsRight,
  ratioRight: done.ratioRight,
})

/**
 * Every session of an operation that is spread over several, each planned on the blade the one before
 * leaves, with the strokes for each side.
 *
 * @throws MeasureError as {@link planWorkshop} does
 */
export function seriesAhead(ask: WorkshopAsk): SeriesSession[] {
  const plan = planWorkshop(ask)
  const strokes = plan.cuts.reduce(
    (sum, cut) => ({ left: sum.left + cut.strokes.left, right: sum.right + cut.strokes.right }),
    { left: 0, right: 0 },
  )
  const rest = restOf(ask.operation)
  const later = rest
    ? seriesAhead({
        ...ask,
        blade: bladeAfter(ask.blade, plan),
        lengthMm: ask.lengthMm - (plan.tip?.lengthLossMm ?? 0),
        operation: rest,
      })
    : []
  return [{ session: 1, plan, strokes, rest }, ...later.map((one) => ({ ...one, session: one.session + 1 }))]
}
