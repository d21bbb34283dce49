import { v4 as newId } from 'uuid'
import type { z } from 'zod'
import type {
  FirstRun,
  HousePatch,
  House,
  NewPerson,
  Person,
  PersonPatch,
  Station,
  StationPatch,
  WeeklySpan,
} from '../../../contract/house'
import { DEFAULT_SERVICE_LIMITS } from '../../../core/knife/limits'
import { SKILLS } from '../../../core/house/skills'
import { speaker } from '../../../words/say'
import { hashSecret } from '../../signIn/secrets'
import type { Caller } from '../../signIn/sessions'
import type { Clock } from '../../clock'
import type { Database, Queryable } from '../../db/database'
import { deleteSessionsOf } from '../../db/queries/house/signIn'
import { replaceSkills, saveBench } from '../../db/queries/week/crew'
import { anyHouse, insertHouse, touchHouse, updateHouse } from '../../db/queries/house/houses'
import {
  findPerson,
  insertPerson,
  publicPerson,
  updatePerson,
  listPeople,
  type PersonWrite,
} from '../../db/queries/house/people'
import { insertStation, insertStationPeriod, listStations, updateStation } from '../../db/queries/house/stations'
import { closeSpans, currentSpans, insertSpans, listAllSpans } from '../../db/queries/week/weeklySpans'
import { Fault, notFound } from '../../faults'
import { applyPatch } from '../../patch'

/** A new house's week and stations count for all time before too. */
const ALWAYS = new Date(0)

/** Two services a day with a quiet window between them, Monday to Sunday: what most kitchens have. */
function usualWeek(): WeeklySpan[] {
  return [1, 2, 3, 4, 5, 6, 7].flatMap((weekday): WeeklySpan[] => [
    { id: newId(), kind: 'service', weekday, name: 'lunch', starts: '12:00', ends: '14:30' },
    { id: newId(), kind: 'quiet', weekday, name: 'afternoon', starts: '15:00', ends: '17:00' },
    { id: newId(), kind: 'service', weekday, name: 'dinner', starts: '17:30', ends: '22:00' },
  ])
}

/** A knife needs somewhere to lie: one ordinary station to begin with, to be renamed. */
const firstStation = (): Station => ({
  id: newId(),
  name: speaker()('house.firstStation'),
  board: 'soft-plastic',
  product: 'mixed',
  hoursPerService: 2,
  active: true,
  weight: 1,
})

/** Makes the first house of an empty database, with its manager, the usual week and one station. */
export async function makeFirstHouse(
  db: Database,
  input: z.infer<typeof FirstRun>,
): Promise<{ houseId: string; personId: string }> {
  const house: House = {
    id: newId(),
    name: input.houseName,
    zone: input.zone,
    units: input.units,
    serviceLimits: { ...DEFAULT_SERVICE_LIMITS },
    isDemo: false,
  }
  const passwordHash = await hashSecret(input.password)
  const personId = newId()
  await db.transaction(async (client) => {
    // only one of two people opening the first page at once may make the house
    await client.query('lock table houses in exclusive mode')
    if (await anyHouse(client)) throw new Fault('conflict', 'house-exists')
    await insertHouse(client, house)
    await insertPerson(client, house.id, {
      id: personId,
      name: input.managerName,
      role: 'chef',
      active: true,
      signInName: input.signInName,
      passwordHash,
      pinHash: null,
    })
    await insertSpans(client, house.id, usualWeek(), ALWAYS)
    const station = firstStation()
    await insertStation(client, house.id, station)
    await insertStationPeriod(client, house.id, station, ALWAYS)
    await saveBench(client, house.id, { id: newId(), name: speaker()('house.firstBench'), active: true })
    // who runs the house is trusted with its steel until they say otherwise
    await replaceSkills(client, house.id, personId, SKILLS, personId, new Date())
  })
  return { houseId: house.id, personId }
}

/** One write to the house: all of it in a transaction, and open screens are told. */
async function change<T>(db: Database, caller: Caller, work: (client: Queryable) => Promise<T>): Promise<T> {
  return await db.transaction(async (client) => {
    const result = await work(client)
    await touchHouse(client, caller.house.id)
    return result
  })
}

const isTaken = (error: unknown, constraint: string): boolean =>
  error instanceof Error && 'constraint' in error && error.constraint === constraint

export async function editHouse(db: Database, caller: Caller, patch: z.infer<typeof HousePatch>): Promise<House> {
  const { revision: _, ...before } = caller.house
  const house = applyPatch<House>(before, patch)
  return await change(db, caller, async (client) => {
    await updateHouse(client, house)
    return house
  })
}

export async function addPerson(db: Database, caller: Caller, input: z.infer<typeof NewPerson>): Promise<Person> {
  const pinHash = input.pin ? await hashSecret(input.pin) : null
  const person: PersonWrite = {
    id: input.id,
    name: input.name,
    role: input.role,
    active: true,
    signInName: null,
    passwordHash: null,
    pinHash,
  }
  try {
    return await change(db, caller, async (client) => {
      await insertPerson(client, caller.house.id, person)
      const stored = await findPerson(client, caller.house.id, person.id)
      if (!stored) throw notFound('person')
      return publicPerson(stored)
    })
  } catch (error) {
    throw isTaken(error, 'people_name') ? new Fault('conflict', 'duplicate-name', { name: input.name }) : error
  }
}

export async function editPerson(
  db: Database,
  caller: Caller,
  personId: string,
  patch: z.infer<typeof PersonPatch>,
): Promise<Person> {
  const pinHash = patch.pin ? await hashSecret(patch.pin) : null
  try {
    return await change(db, caller, async (client) => {
      const before = await findPerson(client, caller.house.id, personId)
      if (!before) throw notFound('person')
      const { pin: _, ...fields } = patch
      const after = applyPatch(before, { ...fields, ...(pinHash ? { pinHash } : {}) })
      const losesChef =
        before.role === 'chef' && before.passwordHash !== null && (after.role !== 'chef' || !after.active)
      if (losesChef) await assertAnotherManager(client, caller.house.id, personId)
      await updatePerson(client, caller.house.id, after)
      if (!after.active || pinHash) await deleteSessionsOf(client, caller.house.id, personId)
      return publicPerson({ ...after, hasPin: after.pinHash !== null })
    })
  } catch (error) {
    throw isTaken(error, 'people_name') ? new Fault('conflict', 'duplicate-name', { name: patch.name ?? '' }) : error
  }
}

/** A house nobody can manage is a house nobody can mend. */
async function assertAnotherManager(client: Queryable, houseId: string, leavingId: string): Promise<void> {
  const people = await listPeople(client, houseId)
  const stays = people.some(
    (person) => person.id !== leavingId && person.active && person.role === 'chef' && person.passwordHash !== null,
  )
  if (!stays) throw new Fault('conflict', 'last-manager')
}

export async function addStation(db: Database, caller: Caller, station: Station): Promise<Station> {
  try {
    return await change(db, caller, async (client) => {
      await insertStation(client, caller.house.id, station)
      await insertStationPeriod(client, caller.house.id, station, ALWAYS)
      return station
    })
  } catch (error) {
    throw isTaken(error, 'stations_name') ? new Fault('conflict', 'duplicate-name', { name: station.name }) : error
  }
}

const worksAlike = (a: Station, b: Station): boolean =>
  a.board === b.board && a.product === b.product && a.hoursPerService === b.hoursPerService

export async function editStation(
  db: Database,
  clock: Clock,
  caller: Caller,
  stationId: string,
  patch: z.infer<typeof StationPatch>,
): Promise<Station> {
  try {
    return await change(db, caller, async (client) => {
      const before = (await listStations(client, caller.house.id)).find((station) => station.id === stationId)
      if (!before) throw notFound('station')
      const station = applyPatch<Station>(before, patch)
      await updateStation(client, caller.house.id, station)
      if (!worksAlike(before, station)) await insertStationPeriod(client, caller.house.id, station, clock())
      return station
    })
  } catch (error) {
    throw isTaken(error, 'stations_name') ? new Fault('conflict', 'duplicate-name', { name: patch.name ?? '' }) : error
  }
}

const sameSpan = (a: WeeklySpan, b: WeeklySpan): boolean =>
  a.kind === b.kind && a.weekday === b.weekday && a.name === b.name && a.starts === b.starts && a.ends === b.ends

/** Keeps the spans that stay as they were, closes the others from now on, and opens the new ones. */
export async function setWeek(
  db: Database,
  clock: Clock,
  caller: Caller,
  wanted: readonly WeeklySpan[],
): Promise<WeeklySpan[]> {
  const endless = wanted.find((span) => span.starts === span.ends)
  if (endless) throw new Fault('invalid', 'span-empty', { name: endless.name })
  return await change(db, caller, async (client) => {
    const now = clock()
    const current = currentSpans(await listAllSpans(client, caller.house.id))
    const leaving = current.filter((span) => !wanted.some((one) => sameSpan(one, span)))
    const arriving = wanted.filter((span) => !current.some((one) => sameSpan(one, span)))
    await closeSpans(
      client,
      caller.house.id,
      leaving.map((span) => span.id),
      now,
    )
    await insertSpans(
      client,
      caller.house.id,
      arriving.map((span) => ({ ...span, id: newId() })),
      now,
    )
    return currentSpans(await listAllSpans(client, caller.house.id))
  })
}
