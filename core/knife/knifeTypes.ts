/** Kinds of knife the fleet is made of, in the order a chef would list them. */
export const KNIFE_TYPES = [
  'chef',
  'santoku',
  'nakiri',
  'petty',
  'utility',
  'paring',
  'turning',
  'slicer',
  'carving',
  'salmon-slicer',
  'bread',
  'sausage',
  'cheese',
  'rocker',
  'mezzaluna',
  'fillet',
  'oyster',
  'boning-stiff',
  'boning-curved',
  'boning-flexible',
  'skinning',
  'breaking',
  'scimitar',
  'cleaver',
  'single-bevel-slicer',
  'heavy-single-bevel',
  'shears',
  'plate',
  'glove',
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
  /** has a place and a holder, and no edge anybody keeps: it is counted, never judged or sharpened */
  readonly countedOnly: boolean
}

/** The part of a template that differs from an even, flat-ground, smooth edge. */
type Told = Pick<TypeTemplate, 'role' | 'codePrefix' | 'spineMm' | 'bteMm'> & {
  /** usual length and heel height, mm */
  readonly size: readonly [length: number, height: number]
  /** degrees per side: one figure for both, or left and right */
  readonly dps: number | readonly [left: number, right: number]
} & Partial<Pick<TypeTemplate, 'grind' | 'ratioRight' | 'serrated' | 'countedOnly'>>

const template = ({ size: [length, height], dps, ...told }: Told): TypeTemplate => {
  const [dpsLeft, dpsRight] = typeof dps === 'number' ? [dps, dps] : dps
  return {
    grind: 'flat',
    ratioRight: 50,
    serrated: false,
    countedOnly: false,
    ...told,
    typicalLengthMm: length,
    typicalHeightMm: height,
    dpsLeft,
    dpsRight,
  }
}

/**
 * Angles are the middle of the trade's usual ranges (common practice); heights, spines and
 * thicknesses are those of ordinary knives of the kind (assumed), to be replaced by a caliper.
 */
export const TYPE_TEMPLATES: Readonly<Record<KnifeType, TypeTemplate>> = {
  chef: template({ role: 'general', codePrefix: 'CH', size: [240, 48], spineMm: 2.4, bteMm: 0.35, dps: 17 }),
  santoku: template({ role: 'general', codePrefix: 'SA', size: [180, 46], spineMm: 2, bteMm: 0.3, dps: 15 }),
  nakiri: template({ role: 'general', codePrefix: 'NA', size: [165, 50], spineMm: 2, bteMm: 0.28, dps: 14 }),
  petty: template({ role: 'general', codePrefix: 'PE', size: [150, 29], spineMm: 1.8, bteMm: 0.28, dps: 16 }),
  utility: template({ role: 'general', codePrefix: 'UT', size: [130, 26], spineMm: 1.8, bteMm: 0.28, dps: 17 }),
  paring: template({ role: 'general', codePrefix: 'PA', size: [90, 20], spineMm: 1.6, bteMm: 0.25, dps: 16 }),
  turning: template({ role: 'general', codePrefix: 'TU', size: [70, 20], spineMm: 1.6, bteMm: 0.25, dps: 16 }),
  slicer: template({ role: 'fine', codePrefix: 'SL', size: [270, 38], spineMm: 2, bteMm: 0.26, dps: 14 }),
  carving: template({ role: 'fine', codePrefix: 'CV', size: [230, 34], spineMm: 2, bteMm: 0.28, dps: 15 }),
  'salmon-slicer': template({ role: 'fine', codePrefix: 'SM', size: [300, 30], spineMm: 1.6, bteMm: 0.24, dps: 14 }),
  bread: template({
    role: 'bread',
    codePrefix: 'BR',
    size: [250, 36],
    spineMm: 2,
    bteMm: 0.45,
    dps: 18,
    ratioRight: 100,
    serrated: true,
  }),
  sausage: template({
    role: 'bread',
    codePrefix: 'SG',
    size: [140, 26],
    spineMm: 1.6,
    bteMm: 0.35,
    dps: 18,
    ratioRight: 100,
    serrated: true,
  }),
  cheese: template({ role: 'general', codePrefix: 'CE', size: [160, 32], spineMm: 1.8, bteMm: 0.3, dps: 18 }),
  rocker: template({ role: 'general', codePrefix: 'RO', size: [350, 90], spineMm: 2, bteMm: 0.4, dps: 20 }),
  mezzaluna: template({ role: 'general', codePrefix: 'MZ', size: [230, 75], spineMm: 2, bteMm: 0.4, dps: 20 }),
  fillet: template({ role: 'fine', codePrefix: 'FI', size: [200, 26], spineMm: 1.7, bteMm: 0.26, dps: 15 }),
  oyster: template({
    role: 'butchery',
    codePrefix: 'OY',
    size: [60, 20],
    spineMm: 2.6,
    bteMm: 1.2,
    dps: 30,
    countedOnly: true,
  }),
  'boning-stiff': template({
    role: 'butchery',
    codePrefix: 'BN',
    size: [150, 28],
    spineMm: 2.6,
    bteMm: 0.4,
    dps: 25,
    grind: 'boning-shoulder',
  }),
  'boning-curved': template({
    role: 'butchery',
    codePrefix: 'BC',
    size: [150, 28],
    spineMm: 2.4,
    bteMm: 0.38,
    dps: 23,
    grind: 'boning-shoulder',
  }),
  'boning-flexible': template({
    role: 'butchery',
    codePrefix: 'BF',
    size: [150, 24],
    spineMm: 1.6,
    bteMm: 0.35,
    dps: 23,
    grind: 'boning-shoulder',
  }),
  skinning: template({ role: 'butchery', codePrefix: 'SK', size: [150, 36], spineMm: 2.6, bteMm: 0.4, dps: 22 }),
  breaking: template({ role: 'butchery', codePrefix: 'BK', size: [250, 40], spineMm: 2.6, bteMm: 0.42, dps: 22 }),
  scimitar: template({ role: 'butchery', codePrefix: 'SC', size: [300, 48], spineMm: 2.6, bteMm: 0.42, dps: 21 }),
  cleaver: template({
    role: 'butchery',
    codePrefix: 'CL',
    size: [180, 85],
    spineMm: 4,
    bteMm: 0.8,
    dps: 24,
    grind: 'convex',
  }),
  'single-bevel-slicer': template({
    role: 'fine',
    codePrefix: 'SB',
    size: [270, 34],
    spineMm: 3.4,
    bteMm: 0.3,
    dps: [2, 13],
    grind: 'single',
    ratioRight: 100,
  }),
  'heavy-single-bevel': template({
    role: 'butchery',
    codePrefix: 'HB',
    size: [180, 55],
    spineMm: 6,
    bteMm: 0.6,
    dps: [3, 18],
    grind: 'single',
    ratioRight: 100,
  }),
  shears: template({
    role: 'general',
    codePrefix: 'SH',
    size: [90, 24],
    spineMm: 3,
    bteMm: 0.8,
    dps: 30,
    countedOnly: true,
  }),
  // a mincer's plate and a cut-resistant glove have no edge; what stands here keeps them describable
  plate: template({
    role: 'butchery',
    codePrefix: 'PL',
    size: [82, 82],
    spineMm: 10,
    bteMm: 3,
    dps: 30,
    countedOnly: true,
  }),
  glove: template({
    role: 'butchery',
    codePrefix: 'GL',
    size: [240, 110],
    spineMm: 3,
    bteMm: 1,
    dps: 30,
    countedOnly: true,
  }),
}

/** Whether things of this kind have no edge that anybody keeps. */
export const isCountedOnly = (type: KnifeType): boolean => TYPE_TEMPLATES[type].countedOnly
/** Kinds that have an edge somebody keeps. */
export const EDGED_TYPES: readonly KnifeType[] = KNIFE_TYPES.filter((type) => !isCountedOnly(type))

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
