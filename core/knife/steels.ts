/** Volume shares of hard phases, per cent, as the published retention regression wants them. */
export interface CarbideShares {
  readonly CrC?: number | undefined
  readonly CrVC?: number | undefined
  readonly MC?: number | undefined
  readonly M6C?: number | undefined
  readonly MN?: number | undefined
  readonly CrN?: number | undefined
}

export interface Steel {
  readonly en: string
  readonly symbol: string
  readonly chromiumPercent: number
  readonly carbonPercent: number
  readonly typicalHrc: number
  readonly carbides: CarbideShares
}

/**
 * Knife steels by EN number. Names, nominal chromium and carbon after EN 10088-1 and EN ISO 4957, from
 * memory; carbide volumes are round figures for the usual heat treatment (assumed). Trade names
 * are left out on purpose: the number on the certificate is what a house can rely on.
 */
export const STEELS: readonly Steel[] = [
  {
    en: '1.4116',
    symbol: 'X50CrMoV15',
    chromiumPercent: 14.5,
    carbonPercent: 0.5,
    typicalHrc: 57,
    carbides: { CrC: 2 },
  },
  {
    en: '1.4034',
    symbol: 'X46Cr13',
    chromiumPercent: 13.5,
    carbonPercent: 0.46,
    typicalHrc: 55,
    carbides: { CrC: 1.5 },
  },
  { en: '1.4110', symbol: 'X55CrMo14', chromiumPercent: 14, carbonPercent: 0.55, typicalHrc: 57, carbides: { CrC: 2 } },
  {
    en: '1.4125',
    symbol: 'X105CrMo17',
    chromiumPercent: 17,
    carbonPercent: 1.05,
    typicalHrc: 59,
    carbides: { CrC: 12 },
  },
  {
    en: '1.4528',
    symbol: 'X105CrCoMo18-2',
    chromiumPercent: 17.5,
    carbonPercent: 1.05,
    typicalHrc: 60,
    carbides: { CrC: 11 },
  },
  {
    en: '1.2379',
    symbol: 'X153CrMoV12',
    chromiumPercent: 12,
    carbonPercent: 1.53,
    typicalHrc: 61,
    carbides: { CrC: 12 },
  },
  { en: '1.3505', symbol: '100Cr6', chromiumPercent: 1.5, carbonPercent: 1.0, typicalHrc: 61, carbides: {} },
  { en: '1.2842', symbol: '90MnCrV8', chromiumPercent: 0.4, carbonPercent: 0.9, typicalHrc: 60, carbides: {} },
  { en: '1.1545', symbol: 'C105U', chromiumPercent: 0.2, carbonPercent: 1.05, typicalHrc: 62, carbides: {} },
  { en: '1.2516', symbol: '120WV4', chromiumPercent: 0.2, carbonPercent: 1.2, typicalHrc: 64, carbides: { MC: 1 } },
  {
    en: '1.3343',
    symbol: 'HS6-5-2C',
    chromiumPercent: 4.1,
    carbonPercent: 0.9,
    typicalHrc: 64,
    carbides: { MC: 2, M6C: 8 },
  },
]

export const steelByEn = (en: string): Steel | undefined => STEELS.find((steel) => steel.en === en)

/** EN 10088-1: stainless steels have at least 10.5 % chromium and at most 1.2 % carbon. */
export const STAINLESS = { chromiumPercent: 10.5, carbonPercent: 1.2 } as const
export const isStainless = (steel: Steel): boolean =>
  steel.chromiumPercent >= STAINLESS.chromiumPercent && steel.carbonPercent <= STAINLESS.carbonPercent
