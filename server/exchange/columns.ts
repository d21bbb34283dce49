import { BATHS, GEAR_KINDS } from '../../core/abrasive/gear'
import { EVENT_KINDS } from '../../core/edge/model/eventKinds'
import { PERSON_ROLES } from '../../core/house/rights'
import { GRINDS, KNIFE_TYPES } from '../../core/knife/knifeTypes'
import { ZONES } from '../../core/knife/zones'
import { MINUTE_MS } from '../../core/time'
import { choice, day, json, length, moment, number, pattern, text, yesNo } from './cells'
import type { Column } from './readTable'

const column = <T>(read: Column<T>['read'], aliases: readonly string[] = [], required = false): Column<T> => ({
  read,
  aliases,
  required,
})

const code = pattern(
  /^[A-Z0-9][A-Z0-9-]{0,11}$/,
  (raw) => raw.trim().toUpperCase().replaceAll(/\s+/g, '-'),
  'not-a-code',
)
const uuid = pattern(/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/, (raw) => raw.toLowerCase(), 'not-an-id')

/** Spellings of knife types that kitchens write. */
const TYPE_SPELLINGS = {
  'chef knife': 'chef',
  chefs: 'chef',
  'chefs knife': 'chef',
  cooks: 'chef',
  'cooks knife': 'chef',
  'french knife': 'chef',
  'santoku knife': 'santoku',
  utility: 'petty',
  'utility knife': 'petty',
  'paring knife': 'paring',
  peeler: 'paring',
  'slicing knife': 'slicer',
  slicing: 'slicer',
  carving: 'slicer',
  'carving knife': 'slicer',
  ham: 'slicer',
  'bread knife': 'bread',
  serrated: 'bread',
  'fillet knife': 'fillet',
  filleting: 'fillet',
  'filleting knife': 'fillet',
  filet: 'fillet',
  boning: 'boning-stiff',
  'boning knife': 'boning-stiff',
  'boning stiff': 'boning-stiff',
  'stiff boning': 'boning-stiff',
  'boning flexible': 'boning-flexible',
  'boning flex': 'boning-flexible',
  'flexible boning': 'boning-flexible',
  'skinning knife': 'skinning',
  'breaking knife': 'breaking',
  butcher: 'breaking',
  'butchers knife': 'breaking',
  chopper: 'cleaver',
  'vegetable cleaver': 'nakiri',
  'single bevel slicer': 'single-bevel-slicer',
  'heavy single bevel': 'heavy-single-bevel',
} as const

const ZONE_SPELLINGS = { middle: 'belly', centre: 'belly', center: 'belly', point: 'tip' } as const

export const FLEET_COLUMNS = {
  code: column(code, ['knife', 'label', 'no', 'number'], true),
  name: column(text(80), ['description']),
  type: column(choice(KNIFE_TYPES, TYPE_SPELLINGS), ['kind', 'knife type'], true),
  length: column(length(40, 600), ['blade length', 'edge length', 'lengthMm'], true),
  station: column(text(80), ['place', 'section'], true),
  holder: column(text(80), ['cook', 'held by', 'person']),
  height: column(length(5, 200), ['heel height', 'blade height', 'heelHeightMm']),
  spine: column(length(0.5, 12), ['spine thickness', 'spineMm']),
  thickness: column(length(0.05, 3), ['thickness behind edge', 'thickness behind the edge', 'behind edge', 'bte']),
  thickness_new: column(length(0.05, 3), ['thickness when new']),
  angle_left: column(number(0, 45), ['dps left', 'left angle']),
  angle_right: column(number(0, 45), ['dps right', 'right angle']),
  angle: column(number(1, 45), ['dps', 'edge angle']),
  grind: column(choice(GRINDS)),
  ratio_right: column(number(0, 100), ['bevel ratio', 'right share']),
  serrated: column(yesNo, ['teeth']),
  steel: column(
    pattern(/^\d\.\d{4}$/, (raw) => raw.replace(',', '.'), 'not-a-steel'),
    ['en', 'en number', 'steel number', 'material'],
  ),
  hardness: column(number(40, 70), ['hrc', 'rockwell']),
  reactive: column(yesNo, ['rusts']),
  price: column(number(0, 100_000), ['cost']),
  bought: column(day, ['bought on', 'purchased']),
  state: column(
    choice(['in-service', 'quarantined', 'retired'] as const, {
      'in service': 'in-service',
      quarantine: 'quarantined',
    }),
    ['status'],
  ),
} satisfies Record<string, Column<unknown>>

export const PEOPLE_COLUMNS = {
  name: column(text(80), ['person'], true),
  role: column(
    choice(PERSON_ROLES, {
      'head chef': 'chef',
      manager: 'chef',
      owner: 'chef',
      trainee: 'apprentice',
      commis: 'apprentice',
    }),
    ['job'],
    true,
  ),
  pin: column(pattern(/^\d{4,8}$/, (raw) => raw.trim(), 'not-a-pin')),
  active: column(yesNo),
} satisfies Record<string, Column<unknown>>

export const READING_COLUMNS = {
  code: column(code, ['knife', 'label'], true),
  at: column(moment, ['time', 'date', 'when', 'moment'], true),
  zone: column(choice(ZONES, ZONE_SPELLINGS), ['spot', 'where'], true),
  force: column(number(10, 5000), ['reading', 'peak', 'grams'], true),
  by: column(text(80), ['person', 'who']),
} satisfies Record<string, Column<unknown>>

export const EVENT_COLUMNS = {
  id: column(uuid, ['uuid'], true),
  code: column(code, ['knife', 'label'], true),
  at: column(moment, ['time', 'when', 'moment'], true),
  kind: column(choice(EVENT_KINDS), ['what'], true),
  by: column(text(80), ['person', 'who']),
  details: column(json, ['payload'], true),
} satisfies Record<string, Column<unknown>>

/** Spellings of gear that kitchens write. */
const GEAR_SPELLINGS = {
  stone: 'soaking-stone',
  whetstone: 'soaking-stone',
  waterstone: 'soaking-stone',
  'water stone': 'soaking-stone',
  'splash and go': 'splash-stone',
  'splash and go stone': 'splash-stone',
  oilstone: 'oil-stone',
  diamond: 'diamond-plate',
  steel: 'smooth-steel',
  'honing steel': 'grooved-steel',
  ceramic: 'ceramic-rod',
  'lapping plate': 'flattening-plate',
  'flattening stone': 'flattening-plate',
  leather: 'strop',
} as const

export const GEAR_COLUMNS = {
  name: column(text(80), ['gear', 'stone'], true),
  kind: column(choice(GEAR_KINDS, GEAR_SPELLINGS), ['type'], true),
  scale: column(choice(['JIS', 'FEPA-F', 'FEPA-P', 'micron'] as const, { um: 'micron', microns: 'micron' })),
  grit: column(number(0.1, MINUTE_MS), ['grain']),
  soak: column(number(0, 120), ['soak minutes', 'minutes']),
  bath: column(choice(BATHS)),
  thickness: column(length(0, 120), ['thickness left']),
  dish: column(length(0, 10), ['hollow']),
  compound: column(text(80), ['paste']),
  bench: column(text(80), ['stays at']),
  active: column(yesNo),
} satisfies Record<string, Column<unknown>>

export const WEEKDAY_NAMES = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'] as const
const WEEKDAY_SPELLINGS = {
  mon: 'monday',
  tue: 'tuesday',
  tues: 'tuesday',
  wed: 'wednesday',
  thu: 'thursday',
  thurs: 'thursday',
  fri: 'friday',
  sat: 'saturday',
  sun: 'sunday',
  '1': 'monday',
  '2': 'tuesday',
  '3': 'wednesday',
  '4': 'thursday',
  '5': 'friday',
  '6': 'saturday',
  '7': 'sunday',
} as const
const wallTime = pattern(
  /^([01]\d|2[0-3]):[0-5]\d$/,
  (raw) =>
    raw
      .trim()
      .replace('.', ':')
      .replace(/^(\d):/, '0$1:'),
  'not-a-time',
)

export const SHIFT_COLUMNS = {
  person: column(text(80), ['name', 'who', 'cook'], true),
  weekday: column(choice(WEEKDAY_NAMES, WEEKDAY_SPELLINGS), ['week day']),
  day: column(day, ['date']),
  starts: column(wallTime, ['start', 'from', 'begins']),
  ends: column(wallTime, ['end', 'to', 'until']),
  note: column(text(80), ['remark']),
} satisfies Record<string, Column<unknown>>
