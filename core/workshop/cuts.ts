import type { Section, SectionBlade } from '../geometry/section'
import { cutChipOut, cutMicroBevel, cutNewBevel, cutRatio, cutSerrated } from './edgeCuts'
import { cutBoning, cutFlatToConvex, cutFullConvex, cutThinning } from './faceCuts'
import type { Cut, Operation } from './operation'

/** The cuts of an operation, in the order they are ground. */
export function cutsOf(blade: SectionBlade, before: Section, operation: Operation): Cut[] {
  switch (operation.kind) {
    case 'thin':
      return cutThinning(blade, before, operation)
    case 'flat-to-convex':
      return cutFlatToConvex(blade, before, operation)
    case 'full-convex':
      return cutFullConvex(blade, before, operation)
    case 'boning':
      return cutBoning(blade, before, operation)
    case 're-bevel':
      return cutNewBevel(blade, before, operation)
    case 'micro-bevel':
      return cutMicroBevel(blade, before, operation)
    case 'ratio':
      return cutRatio(blade, before, operation).cuts
    case 'chip':
      return cutChipOut(blade, before, operation)
    // a tip is ground in the plane of the blade: the section behind it stays as it is
    case 'tip':
      return []
    case 'serrated':
      return cutSerrated(blade, before, operation)
  }
}
