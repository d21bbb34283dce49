import type { Person } from '../../../../contract/house'
import type { Language } from '../../../../contract/languages'
import type { StatedHabit } from '../../../../core/edge/fleet/habits'
import type { HoneTool } from '../../../../core/edge/model/hone'
import type { PersonRole } from '../../../../core/house/rights'
import type { Queryable } from '../../database'

interface PersonRow {
  house_id: string
  id: string
  name: string
  role: PersonRole
  active: boolean
  sign_in_name: string | null
  password_hash: string | null
  pin_hash: string | null
  working_dps: number | null
  honing_habit: StatedHabit | null
  hone_tool: HoneTool | null
  language: Language | null
}

export interface StoredPerson extends Person {
  readonly houseId: string
  readonly passwordHash: string | null
  readonly pinHash: string | null
  /** null speaks as the house does */
  readonly language: Language | null
}

const toPerson = (row: PersonRow): StoredPerson => ({
  houseId: row.house_id,
  id: row.id,
  name: row.name,
  role: row.role,
  active: row.active,
  hasPin: row.pin_hash !== null,
  signInName: row.sign_in_name,
  passwordHash: row.password_hash,
  pinHash: row.pin_hash,
  workingDps: row.working_dps,
  honingHabit: row.honing_habit,
  honeTool: row.hone_tool,
  language: row.language,
})

/** The part of a person that may leave the server. */
export const publicPerson = (person: StoredPerson): Person => ({
  id: person.id,
  name: person.name,
  role: person.role,
  active: person.active,
  hasPin: person.hasPin,
  signInName: person.signInName,
  workingDps: person.workingDps,
  honingHabit: person.honingHabit,
  honeTool: person.honeTool,
})

const COLUMNS =
  'house_id, id, name, role, active, sign_in_name, password_hash, pin_hash, working_dps, honing_habit, hone_tool, language'

export async function listPeople(db: Queryable, houseId: string): Promise<StoredPerson[]> {
  const { rows } = await db.query<PersonRow>(`select ${COLUMNS} from people where house_id = $1 order by lower(name)`, [
    houseId,
  ])
  return rows.map(toPerson)
}

export async function findPerson(db: Queryable, houseId: string, personId: string): Promise<StoredPerson | null> {
  const row = await db.maybeOne<PersonRow>(`select ${COLUMNS} from people where house_id = $1 and id = $2`, [
    houseId,
    personId,
  ])
  return row && toPerson(row)
}

export async function findPersonBySignIn(db: Queryable, signInName: string): Promise<StoredPerson | null> {
  const row = await db.maybeOne<PersonRow>(
    `select ${COLUMNS} from people where lower(sign_in_name) = lower($1) and active`,
    [signInName],
  )
  return row && toPerson(row)
}

export interface PersonWrite {
  readonly id: string
  readonly name: string
  readonly role: PersonRole
  readonly active: boolean
  readonly signInName: string | null
  readonly passwordHash: string | null
  readonly pinHash: string | null
  readonly workingDps?: number | null
  readonly honingHabit?: StatedHabit | null
  readonly honeTool?: HoneTool | null
}

export async function insertPerson(db: Queryable, houseId: string, person: PersonWrite): Promise<void> {
  await db.query(
    `insert into people (house_id, id, name, role, active, sign_in_name, password_hash, pin_hash, working_dps,
       honing_habit, hone_tool)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11)`,
    [
      houseId,
      person.id,
      person.name,
      person.role,
      person.active,
      person.signInName,
      person.passwordHash,
      person.pinHash,
      person.workingDps ?? null,
      person.honingHabit ?? null,
      person.honeTool ?? null,
    ],
  )
}

export async function updatePerson(db: Queryable, houseId: string, person: PersonWrite): Promise<void> {
  await db.query(
    `update people
     set name = $3, role = $4, active = $5, pin_hash = $6, working_dps = $7, honing_habit = $8, hone_tool = $9
     where house_id = $1 and id = $2`,
    [
      houseId,
      person.id,
      person.name,
      person.role,
      person.active,
      person.pinHash,
      person.workingDps ?? null,
      person.honingHabit ?? null,
      person.honeTool ?? null,
    ],
  )
}

export async function setPassword(
  db: Queryable,
  houseId: string,
  personId: string,
  { signInName, passwordHash }: { readonly signInName: string; readonly passwordHash: string },
): Promise<void> {
  await db.query('update people set sign_in_name = $3, password_hash = $4 where house_id = $1 and id = $2', [
    houseId,
    personId,
    signInName,
    passwordHash,
  ])
}

/** People who are there, of all houses, by name or sign-in name; everybody who may manage one where no name is given. */
export async function peopleByName(
  db: Queryable,
  name: string | null,
): Promise<{ readonly id: string; readonly name: string; readonly houseId: string; readonly houseName: string }[]> {
  const { rows } = await db.query<{ id: string; name: string; houseId: string; houseName: string }>(
    `select person.id, person.name, house.id as "houseId", house.name as "houseName"
     from people person
     join houses house on house.id = person.house_id
     where person.active
       and case when $1::text is null then person.role = 'chef'
                else lower($1) in (lower(person.name), lower(person.sign_in_name)) end
     order by house.name, person.name`,
    [name],
  )
  return rows
}

/** What somebody wants to be spoken to in; null follows the house. */
export async function setLanguage(
  db: Queryable,
  houseId: string,
  personId: string,
  language: Language | null,
): Promise<void> {
  await db.query('update people set language = $3 where house_id = $1 and id = $2', [houseId, personId, language])
}
