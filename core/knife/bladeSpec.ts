import type { CarbideShares } from './steels'

/** Dimensions of a blade when it joined the fleet, mm: measured then, or the usual ones of its type and length. */
export interface JoiningMeasures {
  readonly heelHeightMm: number
  readonly spineMm: number
  readonly bteMm: number
  readonly measured: { readonly height: boolean; readonly bte: boolean; readonly spine: boolean }
}

/** What wear needs to know of a blade. */
export interface BladeSpec {
  readonly dps: number
  readonly hrc: number
  readonly carbides: CarbideShares
  readonly serrated: boolean
  /** made for work on bone, whatever its station cuts */
  readonly onBone?: boolean
  /** has no edge anybody keeps: it is counted, and nothing else */
  readonly countedOnly?: boolean
  readonly joined: JoiningMeasures
}

/** Grain an edge leaves the factory with, µm: about JIS #2000 (assumed). */
export const FACTORY_FINISH_MICRON = 6.7
