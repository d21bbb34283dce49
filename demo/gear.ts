import type { z } from 'zod'
import type { NewGear, StackPiece } from '../contract/bench'

type SampleGear = Omit<z.infer<typeof NewGear>, 'id'> & {
  readonly knivesSince: number
  readonly flattenedDaysAgo?: number
}

/** What stands at the bench of Hallow Quay; no maker is named. */
export const GEAR: readonly SampleGear[] = [
  {
    name: 'Coarse 220',
    kind: 'soaking-stone',
    scale: 'JIS',
    grit: 220,
    thicknessMm: 22,
    knivesSince: 1,
    flattenedDaysAgo: 9,
  },
  {
    name: 'Coarse 320',
    kind: 'soaking-stone',
    scale: 'JIS',
    grit: 320,
    thicknessMm: 27,
    knivesSince: 3,
    flattenedDaysAgo: 6,
  },
  {
    name: 'Middle 1000',
    kind: 'soaking-stone',
    scale: 'JIS',
    grit: 1000,
    thicknessMm: 19,
    knivesSince: 2,
    flattenedDaysAgo: 2,
  },
  {
    name: 'Fine 3000',
    kind: 'splash-stone',
    scale: 'JIS',
    grit: 3000,
    thicknessMm: 24,
    knivesSince: 1,
    flattenedDaysAgo: 2,
  },
  {
    name: 'Finish 6000',
    kind: 'splash-stone',
    scale: 'JIS',
    grit: 6000,
    thicknessMm: 25,
    knivesSince: 0,
    flattenedDaysAgo: 5,
  },
  { name: 'Diamond 400', kind: 'diamond-plate', scale: 'micron', grit: 30, thicknessMm: 6, knivesSince: 0 },
  { name: 'Bench steel', kind: 'smooth-steel', knivesSince: 0 },
  { name: 'Ceramic rod', kind: 'ceramic-rod', scale: 'micron', grit: 6, knivesSince: 0 },
  { name: 'Leather strop', kind: 'strop', compound: 'bare', knivesSince: 0 },
]

/** Thicknesses by the mints and ISO/IEC 7810: 1 € 2.33 mm and 2 € 2.20 mm (ECB), ID-1 card 0.76 mm. */
export const PIECES: readonly StackPiece[] = [
  { name: '1 €', mm: 2.33, count: 6 },
  { name: '2 €', mm: 2.2, count: 4 },
  { name: 'expired card', mm: 0.76, count: 5 },
]
