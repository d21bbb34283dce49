import type { BenchPlan, Gear } from '../../../contract/bench'
import type { WorkshopResult } from '../../../contract/workshop'
import type { SessionLayout } from '../shelf/layOutSession'

export const nameOf = (shelf: readonly Gear[], stoneId: string): string =>
  shelf.find(({ id }) => id === stoneId)?.name ?? ''
export const tenth = (value: number): number => Math.round(value * 10) / 10

/** A laid-out session as it is kept and sent. */
export function planView(
  { plan }: Pick<SessionLayout, 'plan'>,
  shelf: readonly Gear[],
  workshop: WorkshopResult | null = null,
): BenchPlan {
  return {
    recipeId: plan.recipeId,
    recipeName: plan.recipeName,
    records: plan.records,
    minutes: plan.minutes,
    finishMicron: plan.finishMicron,
    choices: plan.choices,
    stages: plan.stages.map(({ stone, minutes, strokesPerSide, newtons, takes }) => ({
      stoneId: stone.id,
      stoneName: nameOf(shelf, stone.id),
      micron: stone.micron,
      minutes: tenth(minutes),
      strokesPerSide,
      newtons,
      takes,
    })),
    notes: plan.notes,
    workshop,
    steps: plan.steps.map((step) => ({ ...step, minutes: tenth(step.minutes) })),
  }
}
