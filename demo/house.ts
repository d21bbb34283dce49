import type { HoneTool } from '../core/edge/model/hone'
import type { PersonRole } from '../core/house/rights'
import type { Board, Product } from '../core/house/stations'
import type { KnifeType } from '../core/knife/knifeTypes'

/** Everything about Hallow Quay is invented. */
export const HOUSE_NAME = 'Hallow Quay'
export const HOUSE_ZONE = 'Europe/Dublin'
export const DEMO_SIGN_IN = { signInName: 'maren', password: 'ferry-landing', pin: '2468' } as const

export interface SamplePerson {
  readonly name: string
  readonly role: PersonRole
}

export const PEOPLE: readonly SamplePerson[] = [
  { name: 'Maren Voss', role: 'chef' },
  { name: 'Oda Finch', role: 'sharpener' },
  { name: 'Corin Hale', role: 'sharpener' },
  { name: 'Teun Aalders', role: 'sharpener' },
  { name: 'Ilse Brandt', role: 'cook' },
  { name: 'Milo Tarn', role: 'cook' },
  { name: 'Wren Askew', role: 'cook' },
  { name: 'Leif Oster', role: 'cook' },
  { name: 'Nadia Corbel', role: 'cook' },
  { name: 'Bram Kessel', role: 'cook' },
  { name: 'Edda Rowe', role: 'cook' },
  { name: 'Sunniva Holt', role: 'cook' },
  { name: 'Finn Harrow', role: 'apprentice' },
  { name: 'Kit Larkin', role: 'apprentice' },
]

/** How people of Hallow Quay hone, and how much of it they write down; the house says "each time". */
export const HONING: Readonly<
  Record<string, { readonly honed: number; readonly logged: number; readonly tool?: HoneTool }>
> = {
  // everything done is written down
  'Wren Askew': { honed: 0.95, logged: 1 },
  'Ilse Brandt': { honed: 0.93, logged: 1 },
  // two services in three, half of it written down
  'Milo Tarn': { honed: 0.66, logged: 0.5 },
  // does it, writes nothing down
  'Bram Kessel': { honed: 0.95, logged: 0 },
  'Edda Rowe': { honed: 0.9, logged: 0.6 },
  // neither does it nor writes it down, whatever the house says
  'Leif Oster': { honed: 0.04, logged: 0 },
  'Nadia Corbel': { honed: 0.85, logged: 0.9, tool: 'ceramic-rod' },
  'Teun Aalders': { honed: 0.95, logged: 0.9, tool: 'smooth-steel' },
}
export const USUAL_HONING = { honed: 0.9, logged: 0.95 } as const
export const HOUSE_HONING = 'each-time' as const

/** What the chef saw on walks through the kitchen: days ago, whose steel was out and knives in order, whose not. */
export const WALKS: readonly {
  readonly daysAgo: number
  readonly inOrder: readonly string[]
  readonly not: readonly string[]
}[] = [
  { daysAgo: 3, inOrder: ['Wren Askew', 'Ilse Brandt', 'Bram Kessel'], not: ['Leif Oster'] },
  { daysAgo: 12, inOrder: ['Wren Askew', 'Bram Kessel', 'Teun Aalders'], not: ['Leif Oster', 'Milo Tarn'] },
]

export interface SampleStation {
  readonly name: string
  readonly board: Board
  readonly product: Product
  readonly hoursPerService: number
  /** how much faster than its board says this station truly wears an edge; the app has to find out */
  readonly trueFactor: number
}

export const STATIONS: readonly SampleStation[] = [
  { name: 'Sauté', board: 'soft-plastic', product: 'mixed', hoursPerService: 1.2, trueFactor: 1 },
  { name: 'Grill', board: 'edge-grain', product: 'meat', hoursPerService: 1, trueFactor: 1 },
  { name: 'Cold larder', board: 'soft-plastic', product: 'vegetables', hoursPerService: 1.4, trueFactor: 1 },
  { name: 'Pastry and bread', board: 'edge-grain', product: 'bread', hoursPerService: 0.7, trueFactor: 1 },
  { name: 'Banquet prep', board: 'hard-plastic', product: 'vegetables', hoursPerService: 1.4, trueFactor: 1.6 },
  { name: 'Fish counter', board: 'rubber', product: 'fish', hoursPerService: 1.2, trueFactor: 1 },
  { name: 'Charcuterie', board: 'soft-plastic', product: 'meat', hoursPerService: 1, trueFactor: 1 },
  { name: 'Butchery', board: 'soft-plastic', product: 'meat-on-bone', hoursPerService: 1, trueFactor: 1 },
]

/** Services by weekday, 1 is Monday; the house serves dinner every day and lunch from Tuesday. */
export const SERVICES: readonly {
  readonly weekdays: readonly number[]
  readonly name: string
  readonly starts: string
  readonly ends: string
}[] = [
  { weekdays: [2, 3, 4, 5, 6, 7], name: 'lunch', starts: '12:00', ends: '14:30' },
  { weekdays: [1, 2, 3, 4, 5, 6, 7], name: 'dinner', starts: '17:30', ends: '22:00' },
]
export const QUIET: readonly {
  readonly weekdays: readonly number[]
  readonly name: string
  readonly starts: string
  readonly ends: string
}[] = [
  { weekdays: [1, 2, 3, 4, 5, 6, 7], name: 'morning', starts: '09:00', ends: '11:15' },
  { weekdays: [1, 2, 3, 4, 5, 6, 7], name: 'afternoon', starts: '15:00', ends: '17:00' },
]

/** What is planted in the history for somebody to find. */
export type Story =
  | 'past-honing'
  | 'overdue-thinning'
  | 'chip'
  | 'quarantine'
  | 'worn-out'
  | 'never-read'
  | 'nobody'
  | 'retired'
  | 'straddles'

export interface SampleKnife {
  readonly type: KnifeType
  readonly lengthMm: number
  readonly station: string
  readonly holder: string | null
  readonly steelEn: string
  readonly hrc: number
  readonly measured?: {
    readonly heelHeightMm?: number
    readonly spineMm?: number
    readonly bteMm?: number
    readonly bteNewMm?: number
    readonly dps?: number
  }
  readonly price: number
  /** share of the bevel on the right, per cent; 50 unless said */
  readonly ratioRight?: number
  readonly story?: Story
  readonly name?: string
}

const plain = (
  type: KnifeType,
  lengthMm: number,
  station: string,
  holder: string | null,
  steelEn: string,
  hrc: number,
  price: number,
  rest: Partial<SampleKnife> = {},
): SampleKnife => ({ type, lengthMm, station, holder, steelEn, hrc, price, ...rest })

export const KNIVES: readonly SampleKnife[] = [
  plain('chef', 240, 'Sauté', 'Maren Voss', '1.2379', 61, 210, {
    measured: { heelHeightMm: 48.5, spineMm: 2.2, bteMm: 0.24, bteNewMm: 0.22, dps: 13 },
    name: 'pass',
  }),
  plain('chef', 210, 'Sauté', 'Milo Tarn', '1.4116', 57, 74),
  plain('chef', 240, 'Cold larder', 'Oda Finch', '1.4528', 60, 132, {
    measured: { heelHeightMm: 47.5, spineMm: 2.3, bteMm: 0.31, bteNewMm: 0.28, dps: 15 },
  }),
  plain('chef', 240, 'Grill', 'Leif Oster', '1.4116', 56, 68),
  plain('chef', 260, 'Banquet prep', 'Bram Kessel', '1.4116', 56, 79),
  plain('chef', 260, 'Banquet prep', 'Edda Rowe', '1.4116', 56, 79),
  plain('chef', 240, 'Sauté', 'Ilse Brandt', '1.4116', 57, 82, {
    measured: { heelHeightMm: 44.6, spineMm: 2.3, bteMm: 0.41, bteNewMm: 0.33, dps: 17 },
    story: 'past-honing',
  }),
  plain('chef', 240, 'Cold larder', 'Wren Askew', '1.4034', 55, 49),
  plain('chef', 210, 'Cold larder', 'Finn Harrow', '1.4034', 55, 39, { name: 'practice' }),
  plain('chef', 210, 'Banquet prep', 'Kit Larkin', '1.4034', 55, 39, { name: 'practice' }),
  plain('chef', 240, 'Grill', null, '1.4116', 57, 82, { story: 'nobody' }),
  plain('chef', 230, 'Charcuterie', 'Nadia Corbel', '1.4116', 57, 82),
  plain('santoku', 180, 'Cold larder', 'Wren Askew', '1.4528', 60, 96),
  plain('santoku', 170, 'Sauté', 'Milo Tarn', '1.4116', 57, 61),
  plain('nakiri', 165, 'Cold larder', 'Sunniva Holt', '1.2516', 64, 118, {
    measured: { heelHeightMm: 51, spineMm: 1.9, bteMm: 0.21, bteNewMm: 0.2, dps: 12 },
  }),
  plain('nakiri', 170, 'Banquet prep', 'Edda Rowe', '1.4116', 57, 57),
  plain('petty', 150, 'Sauté', 'Maren Voss', '1.4528', 60, 88),
  plain('petty', 150, 'Sauté', 'Ilse Brandt', '1.4116', 57, 44),
  plain('petty', 130, 'Grill', 'Leif Oster', '1.4116', 57, 41),
  plain('petty', 150, 'Cold larder', 'Sunniva Holt', '1.4116', 57, 44, { story: 'quarantine' }),
  plain('petty', 150, 'Banquet prep', 'Bram Kessel', '1.4116', 57, 44, { story: 'chip' }),
  plain('petty', 120, 'Pastry and bread', 'Nadia Corbel', '1.4116', 57, 39),
  plain('paring', 90, 'Sauté', 'Milo Tarn', '1.4116', 56, 14),
  plain('paring', 90, 'Cold larder', 'Finn Harrow', '1.4116', 56, 14),
  plain('paring', 80, 'Banquet prep', 'Kit Larkin', '1.4116', 56, 12),
  plain('paring', 90, 'Pastry and bread', 'Nadia Corbel', '1.4116', 56, 14),
  plain('paring', 90, 'Fish counter', 'Corin Hale', '1.4116', 56, 14),
  plain('slicer', 270, 'Fish counter', 'Corin Hale', '1.4528', 60, 124, {
    measured: { heelHeightMm: 37.5, spineMm: 1.9, bteMm: 0.24, bteNewMm: 0.22, dps: 13 },
    ratioRight: 70,
  }),
  plain('slicer', 300, 'Charcuterie', 'Teun Aalders', '1.4116', 57, 92, { story: 'straddles' }),
  plain('slicer', 260, 'Charcuterie', 'Nadia Corbel', '1.4116', 57, 71, {
    measured: { heelHeightMm: 27.4, spineMm: 1.8, bteMm: 0.27, bteNewMm: 0.25 },
    story: 'worn-out',
  }),
  plain('bread', 250, 'Pastry and bread', 'Nadia Corbel', '1.4116', 56, 48),
  plain('bread', 260, 'Banquet prep', 'Kit Larkin', '1.4116', 56, 46),
  plain('fillet', 200, 'Fish counter', 'Corin Hale', '1.4116', 57, 52),
  plain('fillet', 180, 'Fish counter', 'Sunniva Holt', '1.4116', 57, 49),
  plain('fillet', 220, 'Fish counter', 'Oda Finch', '1.4110', 57, 64),
  plain('boning-stiff', 150, 'Butchery', 'Teun Aalders', '1.4116', 56, 31),
  plain('boning-stiff', 150, 'Butchery', 'Teun Aalders', '1.4116', 56, 31, {
    measured: { heelHeightMm: 25.5, spineMm: 2.6, bteMm: 0.52, bteNewMm: 0.34, dps: 25 },
    story: 'overdue-thinning',
  }),
  plain('boning-flexible', 150, 'Butchery', 'Leif Oster', '1.4116', 56, 33),
  plain('boning-flexible', 140, 'Fish counter', 'Corin Hale', '1.4116', 56, 33),
  plain('skinning', 150, 'Butchery', 'Teun Aalders', '1.4116', 56, 36),
  plain('breaking', 250, 'Butchery', 'Teun Aalders', '1.4116', 56, 47),
  plain('breaking', 260, 'Butchery', null, '1.4116', 56, 47, { story: 'retired' }),
  plain('cleaver', 180, 'Butchery', 'Leif Oster', '1.4034', 55, 58),
  plain('single-bevel-slicer', 270, 'Fish counter', 'Maren Voss', '1.1545', 62, 240, {
    measured: { heelHeightMm: 33, spineMm: 3.5 },
  }),
  plain('heavy-single-bevel', 180, 'Fish counter', 'Oda Finch', '1.1545', 61, 165),
  plain('chef', 200, 'Pastry and bread', 'Sunniva Holt', '1.4116', 57, 63),
  plain('petty', 140, 'Charcuterie', 'Edda Rowe', '1.4116', 57, 43),
  plain('santoku', 180, 'Grill', 'Bram Kessel', '1.4528', 60, 96, { story: 'never-read' }),
]
