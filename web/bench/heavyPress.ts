import type { BenchPlan, GearView } from '../../contract/bench'

/** Pressing is warned of where it ruins something: on diamond, and on the fine stone, µm. */
const [HEAVY_SHARE, FINE_MICRON] = [1.5, 4]

/** The warning that pressing this hard on a stone asks for; null where it does no harm. */
export function heavyPress(
  stage: BenchPlan['stages'][number] | null,
  gear: readonly GearView[],
  newtons: number | null,
): 'heavy-on-diamond' | 'heavy-on-finish' | null {
  if (newtons === null || stage === null || newtons <= HEAVY_SHARE * stage.newtons) return null
  if (gear.some(({ id, kind }) => id === stage.stoneId && kind.startsWith('diamond'))) return 'heavy-on-diamond'
  return stage.micron <= FINE_MICRON ? 'heavy-on-finish' : null
}
