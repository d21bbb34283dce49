import { clamp } from '../measure'

/** What a house sharpens and hones with. */
export const GEAR_KINDS = [
  'soaking-stone',
  'splash-stone',
  'oil-stone',
  'diamond-plate',
  'diamond-resin',
  'ceramic-rod',
  'diamond-rod',
  'smooth-steel',
  'grooved-steel',
  'polished-steel',
  'strop',
  'paste',
  'flattening-plate',
] as const
export type GearKind = (typeof GEAR_KINDS)[number]

export const BATHS = ['none', 'coarse', 'fine'] as const
export type Bath = (typeof BATHS)[number]

const STONES: ReadonlySet<GearKind> = new Set<GearKind>([
  'soaking-stone',
  'splash-stone',
  'oil-stone',
  'diamond-plate',
  'diamond-resin',
])
const DIAMOND: ReadonlySet<GearKind> = new Set<GearKind>(['diamond-plate', 'diamond-resin', 'diamond-rod'])
/** Diamond plates do not dish; soft stones do. */
const DISHES: ReadonlySet<GearKind> = new Set<GearKind>(['soaking-stone', 'splash-stone', 'oil-stone', 'diamond-resin'])

export const isStone = (kind: GearKind): boolean => STONES.has(kind)
/** Whether a stone hollows in use and has to be flattened. */
export const needsFlattening = (kind: GearKind): boolean => DISHES.has(kind)
export const isDiamond = (kind: GearKind): boolean => DIAMOND.has(kind)

/** Usual minutes under water by grain, µm (common practice: 10–15 small, 15–20, up to 30–40 for coarse). */
export function usualSoakMinutes(kind: GearKind, micron: number): number {
  if (kind !== 'soaking-stone') return 0
  return micron >= 30 ? 30 : micron >= 10 ? 20 : 12
}

/** Grains at least this coarse have a bath and cloth of their own, µm: one of them scratches the fine stones for an hour. */
export const COARSE_BATH_MICRON = 20
export const bathFor = (kind: GearKind, micron: number): Bath =>
  kind !== 'soaking-stone' && kind !== 'splash-stone' ? 'none' : micron >= COARSE_BATH_MICRON ? 'coarse' : 'fine'

/** Something about to be done with a piece of gear. */
export interface GearUse {
  readonly kind: GearKind
  readonly micron: number | null
  readonly liquid?: 'water' | 'oil' | 'none'
  readonly soaking?: boolean
  readonly hrc?: number
  readonly newtons?: number
  readonly thicknessLeftMm?: number | null
}

export const GEAR_WARNINGS = [
  'oil-on-water-stone',
  'water-on-oil-stone',
  'soaking-hurts',
  'steel-on-hard-blade',
  'heavy-on-diamond',
  'worn-out-stone',
  'heavy-on-finish',
] as const
export type GearWarning = (typeof GEAR_WARNINGS)[number]

/** Hardness from which a steel chips an edge instead of straightening it (common practice). */
export const STEEL_CHIPS_HRC = 61
/** Diamonds cut without being leaned on; above this they are torn out (assumed). */
const DIAMOND_MOST_NEWTONS = 15
const FINISH_MOST_NEWTONS = 10
/** A stone thinner than this flexes and cracks (assumed). */
export const THINNEST_STONE_MM = 5

/**
 * What must not be done, said before it happens: oil and water stay apart, fine and splash-and-go stones
 * are wetted and never left to soak, steels and hard blades do not meet, diamonds take little pressure
 * (common practice throughout).
 *
 * @param use.newtons pressing force, N
 * @param use.hrc Rockwell C hardness of the blade
 */
export function gearWarnings(use: GearUse): GearWarning[] {
  const { kind, micron } = use
  const isWaterStone = kind === 'soaking-stone' || kind === 'splash-stone'
  const isSteel = kind === 'smooth-steel' || kind === 'grooved-steel' || kind === 'polished-steel'
  const found: [GearWarning, boolean][] = [
    ['oil-on-water-stone', isWaterStone && use.liquid === 'oil'],
    ['water-on-oil-stone', kind === 'oil-stone' && use.liquid === 'water'],
    ['soaking-hurts', use.soaking === true && kind !== 'soaking-stone'],
    ['steel-on-hard-blade', isSteel && (use.hrc ?? 0) >= STEEL_CHIPS_HRC],
    ['heavy-on-diamond', isDiamond(kind) && (use.newtons ?? 0) > DIAMOND_MOST_NEWTONS],
    [
      'heavy-on-finish',
      isStone(kind) && !isDiamond(kind) && micron !== null && micron <= 4 && (use.newtons ?? 0) > FINISH_MOST_NEWTONS,
    ],
    [
      'worn-out-stone',
      isStone(kind) &&
        use.thicknessLeftMm !== undefined &&
        use.thicknessLeftMm !== null &&
        use.thicknessLeftMm < THINNEST_STONE_MM,
    ],
  ]
  return found.flatMap(([warning, holds]) => (holds ? [warning] : []))
}

/** When a stone should be flattened, by how many knives and by how deep a dish (common practice: between knives, at the latest every few). */
export const KNIVES_BETWEEN_FLATTENING = 3
const DISH_LIMIT_MM = 0.15

export interface FlatteningState {
  readonly due: boolean
  /** share of the way to being due, 0–1 */
  readonly share: number
  readonly because: 'dish' | 'knives' | null
}

/**
 * Whether a stone is to be flattened before the next knife.
 *
 * @param stone.knivesSince knives worked on it since it was last flat
 * @param stone.dishMm measured hollow under a straight edge, mm; null when nobody has looked
 */
export function flatteningState(stone: {
  readonly kind: GearKind
  readonly knivesSince: number
  readonly dishMm: number | null
}): FlatteningState {
  if (!DISHES.has(stone.kind)) return { due: false, share: 0, because: null }
  const byKnives = stone.knivesSince / KNIVES_BETWEEN_FLATTENING
  const byDish = (stone.dishMm ?? 0) / DISH_LIMIT_MM
  const share = clamp(Math.max(byKnives, byDish), 0, 1)
  return { due: share >= 1, share, because: share < 1 ? null : byDish >= 1 ? 'dish' : 'knives' }
}
