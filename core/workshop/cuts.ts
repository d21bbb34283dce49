import type { Section, SectionBlade } from '../geometry/section'
import { chip, microBevel, ratio, reBevel, serrated } from './edgeCuts'
import { boning, flatToConvex, fullConvex, thin } from './faceCuts'
import type { Cut, Operation } from './operation'

/** The cuts of an operation, in the order they are ground. */
export function cutsOf(blade: SectionBlade, before: Section, operation: Operation): Cut[] {
  switch (operation.kind) {
    case 'thin': return thin(blade, before, operation)
    case 'flat-to-convex': return flatToConvex(blade, before, operation)
    case 'full-convex': return fullConvex(blade, before, operation)
    case 'boning': return boning(blade, before, operation)
    case 're-bevel': return reBevel(blade, before, operation)
    case 'micro-bevel': return microBevel(blade, before, operation)
    case 'ratio': return ratio(blade, before, operation).cuts
    case 'chip': return chip(blade, before, operation)
    // a tip is ground in the plane of the blade: the section behind it stays as it is
    case 'tip': return []
    case 'serrated': return serrated(blade, before, operation)
  }
}
