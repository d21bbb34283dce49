import type { CarbideShares } from './steels'

/** The measures of a blade that work on it is reckoned from, mm, degrees per side and HRC. */
export interface BladeGeometry {
  readonly lengthMm: number
  readonly heelHeightMm: number
  readonly spineMm: number
  readonly bteMm: number
  readonly bteWhenNewMm: number
  readonly dps: number
  readonly hrc: number
  /** volume per cent of each hard phase; none where the steel is not known */
  readonly carbides?: CarbideShares | undefined
  readonly minimumHeightMm: number
  /** steel that rusts unless it is wiped and oiled */
  readonly reactive?: boolean
  /** works on bone or crust, by its station or its own kind */
  readonly onBone?: boolean
}
