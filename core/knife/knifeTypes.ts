/** Kinds of knife the fleet is made of, in the order a chef would list them. */
export const KNIFE_TYPES = [
  'chef',
  'santoku',
  'nakiri',
  'petty',
  'paring',
  'slicer',
  'bread',
  'fillet',
  'boning-stiff',
  'boning-flexible',
  'skinning',
  'breaking',
  'cleaver',
  'single-bevel-slicer',
  'heavy-single-bevel',
] as const
export type KnifeType = (typeof KNIFE_TYPES)[number]

/** What a knife is for decides when it counts as dull. */
export const KNIFE_ROLES = ['fine', 'general', 'butchery', 'bread'] as const
export type KnifeRole = (typeof KNIFE_ROLES)[number]

export const GRINDS = ['flat', 'convex', 'hollow', 'wide-bevel', 'single', 'boning-shoulder'] as const
export type Grind = (typeof GRINDS)[number]

/** What a knife of this type usually is when new, so that a chef need only type a length. */
export interface TypeTemplate {
  readonly role: KnifeRole
  /** letters a short code starts with */
  readonly codePrefix: string
  readonly typicalLengthMm: number
  /** heel height at the typical length; longer knives are taller, at a third of the rate */
  readonly typicalHeightMm: number
  readonly spineMm: number
  readonly grind: Grind
  readonly bteMm: number
  readonly dpsLeft: number
  readonly dpsRight: number
  /** share of the bevel on the right side, per cent */
  readonly ratioRight: number
  readonly serrated: boolean
}

/**
 * Angles are the middle of the trade's usual ranges (common practice); heights, spines and
 * thicknesses are those of ordinary knives of the kind (assumed), to be replaced by a caliper.
 */
export const TYPE_TEMPLATES: Readonly<Record<KnifeType, TypeTemplate>> = {
  chef: {
    role: 'general',
    codePrefix: 'CH',
    typicalLengthMm: 240,
    typicalHeightMm: 48,
    spineMm: 2.4,
    grind: 'flat',
    bteMm: 0.35,
    dpsLeft: 17,
    dpsRight: 17,
    ratioRight: 50,
    serrated: false,
  },
  santoku: {
    role: 'general',
    codePrefix: 'SA',
    typicalLengthMm: 180,
    typicalHeightMm: 46,
    spineMm: 2,
    grind: 'flat',
    bteMm: 0.3,
    dpsLeft: 15,
    dpsRight: 15,
    ratioRight: 50,
    serrated: false,
  },
  nakiri: {
    role: 'general',
    codePrefix: 'NA',
    typicalLengthMm: 165,
    typicalHeightMm: 50,
    spineMm: 2,
    grind: 'flat',
    bteMm: 0.28,
    dpsLeft: 14,
    dpsRight: 14,
    ratioRight: 50,
    serrated: false,
  },
  petty: {
    role: 'general',
    codePrefix: 'PE',
    typicalLengthMm: 150,
    typicalHeightMm: 29,
    spineMm: 1.8,
    grind: 'flat',
    bteMm: 0.28,
    dpsLeft: 16,
    dpsRight: 16,
    ratioRight: 50,
    serrated: false,
  },
  paring: {
    role: 'general',
    codePrefix: 'PA',
    typicalLengthMm: 90,
    typicalHeightMm: 20,
    spineMm: 1.6,
    grind: 'flat',
    bteMm: 0.25,
    dpsLeft: 16,
    dpsRight: 16,
    ratioRight: 50,
    serrated: false,
  },
  slicer: {
    role: 'fine',
    codePrefix: 'SL',
    typicalLengthMm: 270,
    typicalHeightMm: 38,
    spineMm: 2,
    grind: 'flat',
    bteMm: 0.26,
    dpsLeft: 14,
    dpsRight: 14,
    ratioRight: 50,
    serrated: false,
  },
  bread: {
    role: 'bread',
    codePrefix: 'BR',
    typicalLengthMm: 250,
    typicalHeightMm: 36,
    spineMm: 2,
    grind: 'flat',
    bteMm: 0.45,
    dpsLeft: 18,
    dpsRight: 18,
    ratioRight: 100,
    serrated: true,
  },
  fillet: {
    role: 'fine',
    codePrefix: 'FI',
    typicalLengthMm: 200,
    typicalHeightMm: 26,
    spineMm: 1.7,
    grind: 'flat',
    bteMm: 0.26,
    dpsLeft: 15,
    dpsRight: 15,
    ratioRight: 50,
    serrated: false,
  },
  'boning-stiff': {
    role: 'butchery',
    codePrefix: 'BN',
    typicalLengthMm: 150,
    typicalHeightMm: 28,
    spineMm: 2.6,
    grind: 'boning-shoulder',
    bteMm: 0.4,
    dpsLeft: 25,
    dpsRight: 25,
    ratioRight: 50,
    serrated: false,
  },
  'boning-flexible': {
    role: 'butchery',
    codePrefix: 'BF',
    typicalLengthMm: 150,
    typicalHeightMm: 24,
    spineMm: 1.6,
    grind: 'boning-shoulder',
    bteMm: 0.35,
    dpsLeft: 23,
    dpsRight: 23,
    ratioRight: 50,
    serrated: false,
  },
  skinning: {
    role: 'butchery',
    codePrefix: 'SK',
    typicalLengthMm: 150,
    typicalHeightMm: 36,
    spineMm: 2.6,
    grind: 'flat',
    bteMm: 0.4,
    dpsLeft: 22,
    dpsRight: 22,
    ratioRight: 50,
    serrated: false,
  },
  breaking: {
    role: 'butchery',
    codePrefix: 'BK',
    typicalLengthMm: 250,
    typicalHeightMm: 40,
    spineMm: 2.6,
    grind: 'flat',
    bteMm: 0.42,
    dpsLeft: 22,
    dpsRight: 22,
    ratioRight: 50,
    serrated: false,
  },
  cleaver: {
    role: 'butchery',
    codePrefix: 'CL',
    typicalLengthMm: 180,
    typicalHeightMm: 85,
    spineMm: 4,
    grind: 'convex',
    bteMm: 0.8,
    dpsLeft: 24,
    dpsRight: 24,
    ratioRight: 50,
    serrated: false,
  },
  'single-bevel-slicer': {
    role: 'fine',
    codePrefix: 'SB',
    typicalLengthMm: 270,
    typicalHeightMm: 34,
    spineMm: 3.4,
    grind: 'single',
    bteMm: 0.3,
    dpsLeft: 2,
    dpsRight: 13,
    ratioRight: 100,
    serrated: false,
  },
  'heavy-single-bevel': {
    role: 'butchery',
    codePrefix: 'HB',
    typicalLengthMm: 180,
    typicalHeightMm: 55,
    spineMm: 6,
    grind: 'single',
    bteMm: 0.6,
    dpsLeft: 3,
    dpsRight: 18,
    ratioRight: 100,
    serrated: false,
  },
}

const HEIGHT_GROWTH = 1 / 3

/**
 * Default measurements for a new knife of a type and length.
 *
 * @param lengthMm edge length, mm, 40–500
 */
export function knifeDefaults(type: KnifeType, lengthMm: number): TypeTemplate & { readonly heelHeightMm: number } {
  const template = TYPE_TEMPLATES[type]
  const stretch = 1 + HEIGHT_GROWTH * (lengthMm / template.typicalLengthMm - 1)
  return { ...template, heelHeightMm: Math.round(template.typicalHeightMm * stretch * 2) / 2 }
}

/** The angle wear is reckoned at: the mean of both sides, so a single bevel counts as half of its one. */
export function meanDps(knife: { readonly dpsLeft: number; readonly dpsRight: number }): number {
  return (knife.dpsLeft + knife.dpsRight) / 2
}
