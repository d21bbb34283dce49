import { v5 as idFrom } from 'uuid'
import type { NewIncident } from '../contract/incidents'
import type { Money } from '../contract/ledger'
import type { NewStockCount } from '../contract/stock'
import type { StoredSupply } from '../server/db/queries/shelf/supplies'
import { DAY_MS } from '../core/time'

type SampleSupply = Omit<StoredSupply, 'id' | 'active'> & {
  /** how many days ago somebody counted, what was there, and what had been bought since the count before */
  readonly counts: readonly (readonly [daysAgo: number, left: number, added: number])[]
}

/** What Hallow Quay keeps in stock; no maker is named. */
export const SUPPLIES: readonly SampleSupply[] = [
  {
    name: 'Green paste',
    kind: 'paste',
    unit: 'bars',
    price: 14,
    usesEach: 200,
    counts: [[20, 1, 0]],
  },
  {
    name: 'Camellia oil',
    kind: 'oil',
    unit: 'bottles',
    price: 11,
    usesEach: null,
    counts: [
      [66, 3, 0],
      [31, 2.2, 0],
      [4, 1.5, 0],
    ],
  },
  { name: 'Labels', kind: 'label', unit: 'sheets', price: 6.5, usesEach: 24, counts: [[40, 5, 0]] },
  {
    name: 'Test line',
    kind: 'test-line',
    unit: 'spools',
    price: 19,
    usesEach: 400,
    counts: [
      [58, 2, 0],
      [9, 1.4, 1],
    ],
  },
]

/** What Hallow Quay pays. Its own figures, all of them invented. */
export const sampleMoney = (gearIdOf: (name: string) => string): Money => ({
  currency: 'EUR',
  hourly: { chef: 31, sharpener: 24, cook: 19, apprentice: 14 },
  interest: 0.04,
  grinder: 9,
  dullHour: 6,
  gear: {
    [gearIdOf('Coarse 220')]: { price: 46, newMm: 25 },
    [gearIdOf('Coarse 320')]: { price: 49, newMm: 30 },
    [gearIdOf('Middle 1000')]: { price: 58, newMm: 25 },
    [gearIdOf('Fine 3000')]: { price: 64, newMm: 25 },
    [gearIdOf('Finish 6000')]: { price: 88, newMm: 26 },
    [gearIdOf('Diamond 400')]: { price: 95, newMm: null },
  },
})

/** How thick stones were ten weeks ago, mm, beside what demo/gear says they are now. */
export const THICKNESS_BEFORE: Readonly<Record<string, number>> = {
  'Coarse 320': 28.1,
  'Middle 1000': 23.6,
  'Fine 3000': 26.2,
}

const SPACE = '6d0e6f0a-5f0a-4a51-9a4a-5d8e5b8c1d10'

export const sampleCounts = (supply: SampleSupply, nowMs: number): readonly NewStockCount[] =>
  supply.counts.map(([daysAgo, left, added]) => ({
    id: idFrom(`${supply.name} ${daysAgo}`, SPACE),
    at: new Date(nowMs - daysAgo * DAY_MS).toISOString(),
    left,
    added,
  }))

/** Accidents and near misses of the last months, nobody's name with them. */
export const sampleIncidents = (nowMs: number, knifeIdOf: (code: string) => string): readonly NewIncident[] =>
  (
    [
      [12, 'blade-hurt', 'sink', 'dishwasher', 'PE-02'],
      [33, 'near-miss', 'carrying', '', null],
      [48, 'blade-hurt', 'board', 'plate', 'CH-07'],
      [61, 'cut', 'bench', '', null],
    ] as const
  ).map(([daysAgo, what, place, cause, code]) => ({
    id: idFrom(`incident ${daysAgo}`, SPACE),
    at: new Date(nowMs - daysAgo * DAY_MS).toISOString(),
    what,
    place,
    step: '',
    cause,
    knifeId: code === null ? null : knifeIdOf(code),
    note: '',
  }))
