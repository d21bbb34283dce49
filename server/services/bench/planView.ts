import type { BenchPlan, Gear } from '../../../contract/bench'
import type { WorkshopResult } from '../../../contract/workshop'
import type { BenchWish, SessionLayout } from '../shelf/layOutSession'

export const nameOf = (shelf: readonly Gear[], stoneId: string): string =>
  shelf.find(({ id }) => id === stoneId)?.name ?? ''
export const tenth = (value: number): number => Math.round(value * 10) / 10

/** A laid-out session as it is kept and sent. */
export function planView(
  { plan }: Pick<SessionLayout, 'plan'>,
  shelf: readonly Gear[],
  { workshop = null, asked = { choices: {} } }: { workshop?: WorkshopResult | null; asked?: BenchWish } = {},
): BenchPlan {
  const { recipeId, startWith, choices } = asked
  return {
    ...plan,
    choices: plan.choices,
    asked: {
      choices: { ...choices },
      ...(recipeId === undefined ? {} : { recipeId }),
      ...(startWith === undefined ? {} : { startWith }),
    },
    because: [],
    stages: plan.stages.map(({ stone, minutes, strokesPerSide, newtons, takes }) => ({
      stoneId: stone.id,
      stoneName: nameOf(shelf, stone.id),
      micron: stone.micron,
      minutes: tenth(minutes),
      strokesPerSide,
      newtons,
      takes,
    })),
    workshop,
    steps: plan.steps.map((step) => ({ ...step, minutes: Math.round(100 * step.minutes) / 100 })),
  }
}
