import { foldable, type BenchPlan } from '../../../contract/bench'
import { advance, applyEvent } from '../../../core/edge/log/history'
import { NO_DEFECTS } from '../../../core/edge/model/events'
import { verdict, type Action } from '../../../core/edge/verdict/verdict'
import { ZONES } from '../../../core/knife/zones'
import { stepState, type SessionState } from '../../../core/session/session'
import { Fault } from '../../faults'
import { fittingRecipes, layOutSession, type BenchWish } from '../shelf/layOutSession'
import type { AtBench } from './bringToBench'
import { planView } from './planView'

/** Actions a session on stones can follow; a verdict that is none of them leaves the work that was begun. */
const ON_STONES: ReadonlySet<Action> = new Set(['stone', 'touch-up', 'repair', 'thin'])

/** Whether anything was worked already: then the plan stands, whatever a second look says. */
export const isBegun = (plan: BenchPlan, state: SessionState): boolean =>
  foldable(plan).steps.some(({ id }) => {
    const { strokes, burr } = stepState(state, id)
    return ZONES.some((zone) => strokes[zone] > 0 || burr[zone])
  })

/** What was tested and seen before the first stone, as a check of the log keeps it; null where nobody has looked. */
export function lookOf({ before, looked }: SessionState): {
  readonly readings: { zone: (typeof ZONES)[number]; forcesGf: number[] }[]
  readonly ladder: NonNullable<SessionState['looked']>['signs']
  readonly defects?: typeof NO_DEFECTS
} | null {
  const readings = ZONES.flatMap((zone) => {
    const force = before[zone]
    return force === undefined ? [] : [{ zone, forcesGf: [force] }]
  })
  const ladder = looked?.signs ?? []
  const isHurt = looked !== null && (looked.glint.length > 0 || looked.chip !== null)
  if (readings.length === 0 && ladder.length === 0 && !isHurt) return null
  return { readings, ladder, ...(isHurt ? { defects: { ...NO_DEFECTS, glint: looked.glint, chip: looked.chip } } : {}) }
}

/**
 * The plan laid out again by what was seen and tested: another first stone, or other work altogether, with the reasons of
 * today. Who chose a recipe or a stone keeps it.
 *
 * @returns null where nothing was looked at, or what was seen does not change the plan
 */
export function planAfterLook(one: AtBench, plan: BenchPlan, state: SessionState, atMs: number): BenchPlan | null {
  const look = lookOf(state)
  if (!look || plan.workshop || isBegun(plan, state)) return null
  const { blade, rules } = one.present
  const seen = applyEvent(
    advance(one.present.state, blade.spec, one.snapshot.usage, atMs),
    { id: 'look', kind: 'checked', atMs, personId: null, payload: look },
    blade.spec,
    rules.limitGf,
  )
  const step = verdict(seen, blade.geometry, blade.role, rules)
  const action = ON_STONES.has(step.action) ? step.action : one.action
  const looked = { ...one, action, present: { ...one.present, state: seen } }
  const wish: BenchWish = plan.asked
  const keptRecipe = wish.recipeId ?? (fits(looked, plan.recipeId) ? plan.recipeId : undefined)
  try {
    const laid = layOutSession(one.snapshot.bench, looked, { ...wish, recipeId: keptRecipe }, one.hands)
    return {
      ...planView(laid, one.snapshot.bench.gear, { asked: plan.asked }),
      because: step.reasons.map(({ code, values }) => ({ code, values: { ...values } })),
    }
  } catch (error) {
    // what was seen cannot be done on this shelf: the plan that was begun still can
    if (error instanceof Fault) return null
    throw error
  }
}

/** Whether a recipe is one that what was seen asks for. */
const fits = (one: AtBench, recipeId: string): boolean => {
  const best = fittingRecipes(one.snapshot.bench, one).filter(({ actions }) => actions.includes(one.action))
  return best.some(({ id }) => id === recipeId)
}
