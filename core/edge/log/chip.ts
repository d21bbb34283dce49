import type { Chip } from '../model/events'
import type { KnifeState } from './state'

/** Shallower than this nobody finds a chip any more, mm. */
const CHIP_GONE_MM = 0.02

/** A chip is gone with any session that does not leave it on purpose; one that waits gets shallower with each. */
export function chipAfter(
  { defects, steel }: KnifeState,
  after: KnifeState['steel'],
  leftMm: number | undefined,
): Chip | null {
  const chip = defects.chip
  const depthMm = leftMm ?? (chip?.rests ? chip.depthMm - (steel.heightMm.mean - after.heightMm.mean) : 0)
  return depthMm > CHIP_GONE_MM ? { zone: chip?.zone ?? 'belly', depthMm, rests: true } : null
}
