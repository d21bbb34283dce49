import type { WorkshopView } from '../../contract/workshop'
import type { SectionBlade } from '../../core/geometry/section'
import { USUAL_HRC } from '../../core/knife/blade'
import { knifeDefaults, TYPE_TEMPLATES, type KnifeType } from '../../core/knife/knifeTypes'
import { minimumHeightMm, THICKNESS_GROWTH_LIMIT, thicknessLimitMm } from '../../core/knife/limits'

/** A blade of nobody's, to try things on. */
export interface TriedBlade {
  readonly type: KnifeType
  readonly lengthMm: number
  readonly serrated: boolean
  readonly blade: SectionBlade
}

/** A blade of a kind, as it usually is when new. */
export function freeBlade(type: KnifeType): TriedBlade {
  const lengthMm = TYPE_TEMPLATES[type].typicalLengthMm
  const { heelHeightMm, spineMm, bteMm, dpsLeft, dpsRight, grind, ratioRight, serrated } = knifeDefaults(type, lengthMm)
  return { type, lengthMm, serrated, blade: { heelHeightMm, spineMm, bteMm, dpsLeft, dpsRight, grind, ratioRight } }
}

/** A kept-up knife meets the stone about weekly and loses about so much each time (assumed). */
const FREE_PACE = { perSessionMm: { low: 0.02, middle: 0.04, high: 0.08 }, sessionsPerYear: 40 } as const

/** What the workshop works on when no knife of the fleet is meant. */
export function viewOfTriedBlade(
  { type, lengthMm, serrated, blade }: TriedBlade,
  stones: WorkshopView['stones'],
): WorkshopView {
  return {
    knifeId: '',
    type,
    blade,
    lengthMm,
    hrc: USUAL_HRC,
    carbides: {},
    serrated,
    chipMm: null,
    tipHurt: false,
    saved: null,
    measured: [],
    stones,
    life: {
      work: {
        hrc: USUAL_HRC,
        product: TYPE_TEMPLATES[type].role === 'butchery' ? ('meat-on-bone' as const) : ('mixed' as const),
      },
      minimumHeightMm: minimumHeightMm(type),
      thickestMm: Math.min(thicknessLimitMm(type), (1 + THICKNESS_GROWTH_LIMIT) * blade.bteMm),
      thinToMm: Math.min(thicknessLimitMm(type), blade.bteMm),
      price: null,
      ...FREE_PACE,
    },
  }
}
