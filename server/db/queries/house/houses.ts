import type { House } from '../../../../contract/house'
import type { StatedHabit } from '../../../../core/edge/fleet/habits'
import type { MoveInStep } from '../../../../core/house/movingIn'
import type { KnifeRole } from '../../../../core/knife/knifeTypes'
import type { Queryable } from '../../database'

export interface HouseRow {
  id: string
  name: string
  zone: string
  units: 'mm' | 'in'
  service_limits: Record<KnifeRole, number>
  honing_habit: StatedHabit | null
  day_order: House['dayOrder']
  language: House['language']
  settled: MoveInStep[]
  policies: House['policies']
  is_demo: boolean
  revision: number
  settings_revision: number
}

export interface StoredHouse extends House {
  readonly revision: number
  /** goes on with every change but those of single knives */
  readonly settingsRevision: number
}

export const toHouse = (row: HouseRow): StoredHouse => ({
  id: row.id,
  name: row.name,
  zone: row.zone,
  units: row.units,
  serviceLimits: row.service_limits,
  honingHabit: row.honing_habit,
  dayOrder: row.day_order,
  language: row.language,
  settled: row.settled,
  policies: row.policies,
  isDemo: row.is_demo,
  revision: row.revision,
  settingsRevision: row.settings_revision,
})

/** Columns of a house as `toHouse` reads them, of a table named `house`. */
export const HOUSE_COLUMNS = [
  'id',
  'name',
  'zone',
  'units',
  'service_limits',
  'honing_habit',
  'day_order',
  'language',
  'settled',
  'policies',
  'is_demo',
  'revision',
  'settings_revision',
]
  .map((column) => `house.${column}`)
  .join(', ')

export async function findHouse(db: Queryable, houseId: string): Promise<StoredHouse | null> {
  const row = await db.maybeOne<HouseRow>(`select ${HOUSE_COLUMNS} from houses as house where id = $1`, [houseId])
  return row && toHouse(row)
}

export async function anyHouse(db: Queryable): Promise<StoredHouse | null> {
  const row = await db.maybeOne<HouseRow>(`select ${HOUSE_COLUMNS} from houses as house order by created_at limit 1`)
  return row && toHouse(row)
}

export async function insertHouse(db: Queryable, house: House): Promise<void> {
  await db.query(
    `insert into houses (id, name, zone, units, service_limits, honing_habit, day_order, settled, policies, is_demo, language)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11)`,
    [
      house.id,
      house.name,
      house.zone,
      house.units,
      JSON.stringify(house.serviceLimits),
      house.honingHabit,
      house.dayOrder,
      house.settled,
      JSON.stringify(house.policies),
      house.isDemo,
      house.language,
    ],
  )
}

export async function updateHouse(db: Queryable, house: House): Promise<void> {
  await db.query(
    `update houses
     set name = $2, zone = $3, units = $4, service_limits = $5, honing_habit = $6, day_order = $7, settled = $8,
       policies = $9, language = $10
     where id = $1`,
    [
      house.id,
      house.name,
      house.zone,
      house.units,
      JSON.stringify(house.serviceLimits),
      house.honingHabit,
      house.dayOrder,
      house.settled,
      JSON.stringify(house.policies),
      house.language,
    ],
  )
}

/** Channel on which servers tell each other which house changed. */
export const CHANGES_CHANNEL = 'yorvik_changes'

/** Holds a house's row until the transaction ends. @returns whether there is such a house */
export const lockHouse = async (db: Queryable, houseId: string): Promise<boolean> =>
  (await db.maybeOne('select id from houses where id = $1 for update', [houseId])) !== null

/** Keeps every other transaction from making a house, as long as this one makes the first. */
export async function lockHouses(db: Queryable): Promise<void> {
  await db.query('lock table houses in exclusive mode')
}

/** Says something to every server that listens; inside a transaction when it commits. */
export async function notifyServers(db: Queryable, channel: string, payload: string): Promise<void> {
  await db.query('select pg_notify($1, $2)', [channel, payload])
}

/**
 * Marks a house as changed inside the writing transaction, and tells open screens when it commits.
 *
 * @param ofKnives nothing changed but what is noted of single knives
 */
export async function touchHouse(db: Queryable, houseId: string, ofKnives = false): Promise<void> {
  await db.query(
    'update houses set revision = revision + 1, settings_revision = settings_revision + $2 where id = $1',
    [houseId, ofKnives ? 0 : 1],
  )
  await notifyServers(db, CHANGES_CHANNEL, houseId)
}

/** Whether the database takes changes, or only reads since another one leads. @throws Fault `database-away` when it does not answer */
export async function takesChanges(db: Queryable): Promise<boolean> {
  const { takes } = await db.one<{ takes: boolean }>(
    `select not pg_is_in_recovery() and current_setting('transaction_read_only') = 'off' as takes`,
  )
  return takes
}
