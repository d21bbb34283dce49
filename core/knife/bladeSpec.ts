import type { CarbideShares } from './steels'

/** Dimensions of a blade when it joined the fleet, mm: measured then, or the usual ones of its type and length. */
export interface BladeMake {
  readonly heelHeightMm: number
  readonly spineMm: number
  readonly bteMm: number
  readonly measured: { readonly height: boolean; readonly bte: boolean; readonly spine: boolean }
}

/** What wear needs to know of a blade. */
export interface BladeNature {
  readonly dps: number
  readonly hrc: number
  readonly carbides: CarbideShares
  readonly serrated: boolean
  readonly make: BladeMake
}
