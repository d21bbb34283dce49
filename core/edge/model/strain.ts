import { BOARD_FACTOR, PRODUCT_FACTOR, type Board, type Product } from '../../house/stations'

/** What an edge has to stand: how hard it is, and how thin. */
export interface Apex {
  readonly hrc: number
  readonly dps: number
  /** a knife made for work on bone meets it wherever it lies */
  readonly onBone?: boolean | undefined
}

/** Angle at 57 HRC below which food of a kind bends or breaks an apex, degrees per side (order common practice, sizes assumed). */
const CARRIES_DPS: Readonly<Record<Product, number>> = {
  fish: 7,
  vegetables: 10,
  mixed: 11,
  meat: 11,
  bread: 13,
  'meat-on-bone': 19,
  frozen: 19,
}
const REFERENCE_HRC = 57
/** Degrees less that each point of hardness carries in soft food; on bone and crust hard steel chips instead (assumed). */
const DPS_PER_HRC = 0.4
const LEAST_DPS = 6
/** How steeply an edge goes once it is thinner than its work bears (assumed). */
const STEEPNESS = 3

/** Food on which a hard, thin edge breaks out in crumbs instead of bending. */
const chipsHard = (product: Product): boolean => product === 'bread' || asksBone(product)

/** Bone and frozen food ask for an edge that bears them, whatever kind of knife it is. */
export const asksBone = (product: Product): boolean => product === 'meat-on-bone' || product === 'frozen'

/**
 * Angle an edge of this hardness needs for its work, degrees per side: in soft food hard steel carries a lower
 * one, on bone and crust it does not, because what does not roll chips (common practice).
 */
export const neededDps = (hrc: number, product: Product): number =>
  Math.max(LEAST_DPS, CARRIES_DPS[product] - (chipsHard(product) ? 0 : DPS_PER_HRC * (hrc - REFERENCE_HRC)))

/**
 * How many times faster an edge goes because it is thinner than its work bears: 1 from the needed angle up, and
 * (needed / angle)³ below. Soft steel rolls and is honed away, hard steel loses crumbs; both are lost steel.
 */
export const strain = ({ hrc, dps, onBone = false }: Apex, product: Product): number =>
  Math.max(1, neededDps(hrc, onBone ? 'meat-on-bone' : product) / dps) ** STEEPNESS

/** Work of an hour at a station against an hour of mixed work on a soft board: β·π and the strain on a thin apex. */
export const workFactor = (station: { readonly board: Board; readonly product: Product }, apex: Apex): number =>
  BOARD_FACTOR[station.board] * PRODUCT_FACTOR[station.product] * strain(apex, station.product)
