import type { Product } from '../../house/stations'
import type { BladeSpec } from '../../knife/bladeSpec'
import type { HoneTool } from '../model/hone'

/** A service a knife is going to work in. */
export interface PlannedService {
  readonly name: string
  readonly startMs: number
  readonly endMs: number
  /** hours on the board, ≥ 0 */
  readonly hours: number
  /** board factor times product factor */
  readonly factor: number
  /** what is cut, where that is known: a thin apex bears some food less than other */
  readonly product?: Product | undefined
}

/** What a knife is going to do: services in order, and what it is honed with. */
export interface PlannedUse {
  readonly spec: BladeSpec
  /** service limit of the knife's role, gf */
  readonly limitGf: number
  readonly services: readonly PlannedService[]
  /**
   * the tool, and the share of services before which it is used: as its log shows unless given, so that no forecast
   * assumes more honing than the past; null for a knife nobody hones
   */
  readonly hone: {
    readonly tool: HoneTool
    readonly mismatchDps?: number | undefined
    readonly share?: number | undefined
  } | null
  /** leaves out the services after the one by which the knife, or every zone, is past the limit with 90 % */
  readonly untilSure?: 'knife' | 'zones'
}
