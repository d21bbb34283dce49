import { v4 as newId } from 'uuid'
import type {
  FirstRun,
  House,
  HousePatch,
  NewPerson,
  Person,
  PersonPatch,
  Station,
  StationPatch,
  WeeklySpan,
} from '../../../contract/house'
import type { Wire } from '../../../contract/wire'
import { patternSpans } from '../../../core/house/weekPatterns'
import { SKILLS } from '../../../core/house/skills'
import { DEFAULT_SERVICE_LIMITS } from '../../../core/knife/limits'
import { speaker, type Say } from '../../../words/say'
import type { Clock } from '../../clock'
import { changeHouse, type HouseChange } from '../../db/changeHouse'
import type { Database, Queryable } from '../../db/database'
import { listKnives } from '../../db/queries/fleet/knives'
import { findChainLink, insertChainHouse, spendChainLink } from '../../db/queries/house/chains'
import { anyHouse, findHouse, insertHouse, lockHouses, updateHouse } from '../../db/queries/house/houses'
import {
  findPerson,
  insertPerson,
  listPeople,
  publicPerson,
  updatePerson,
  type PersonWrite,
  type StoredPerson,
} from '../../db/queries/house/people'
import { deletePracticeOf } from '../../db/queries/bench/drills'
import { deleteSessionsOf, endMarks } from '../../db/queries/house/signIn'
import { insertStation, insertStationPeriod, listStations, updateStation } from '../../db/queries/house/stations'
import { replaceSkills, saveBench } from '../../db/queries/week/crew'
import { closeSpans, currentSpans, insertSpans, listAllSpans } from '../../db/queries/week/weeklySpans'
import { uniqueFault } from '../../db/violations'
import { Fault, notFound } from '../../faults'
import { applyPatch } from '../../patch'
import { hashCode, hashSecret, sameCode } from '../../signIn/secrets'
import type { Caller } from '../../signIn/sessions'

/** A new house's week and stations count for all time before too. */
const ALWAYS = new Date(0)

/** What most kitchens have, until the house says what its week is. */
const usualWeek = (say: Say): WeeklySpan[] =>
  patternSpans('lunch-and-dinner').map(({ called, ...span }) => ({
    ...span,
    id: newId(),
    name: say(`span.${called}`),
  }))

/** A knife needs somewhere to lie: one ordinary station to begin with, to be renamed. */
const firstStation = (say: Say): Station => ({
  id: newId(),
  name: say('house.firstStation'),
  board: 'soft-plastic',
  product: 'mixed',
  hoursPerService: 2,
  active: true,
  weight: 1,
})

/**
 * Makes a house with its manager, the usual week and one station: the first of an empty database, or one more of a chain.
 *
 * @param setUpCode what the start printed: whoever only reached the page does not make the house
 * @throws Fault when there is a house and the code is no link of a chain, or the code is another
 */
export async function makeHouse(
  db: Database,
  setUpCode: string,
  input: Wire<typeof FirstRun>,
  now: Date,
): Promise<{ houseId: string; personId: string }> {
  // both are asked before anything that takes time is done for somebody nobody knows
  const link = hashCode(input.setUpCode)
  const isFirst = (await anyHouse(db)) === null
  if (!isFirst && !(await findChainLink(db, link, now))) throw new Fault('conflict', 'house-exists')
  if (isFirst && !sameCode(input.setUpCode, setUpCode))
    throw new Fault('not-allowed', 'set-up-code', {}, [{ path: 'setUpCode', key: 'set-up-code', values: {} }])
  const house: House = {
    id: newId(),
    name: input.houseName,
    zone: input.zone,
    units: input.units,
    serviceLimits: { ...DEFAULT_SERVICE_LIMITS },
    honingHabit: input.honingHabit,
    // houses that measure in inches mostly write the month first; House says otherwise
    dayOrder: input.units === 'in' ? 'mdy' : 'dmy',
    language: input.language,
    settled: [],
    policies: [],
    isDemo: false,
  }
  const passwordHash = await hashSecret(input.password)
  const personId = newId()
  const make = async (client: Queryable): Promise<void> => {
    // only one of two people opening the first page, or one link, at once may make the house
    if (isFirst) await lockHouses(client)
    const chainId = isFirst ? null : await spendChainLink(client, link, now)
    if (isFirst ? await anyHouse(client) : chainId === null) throw new Fault('conflict', 'house-exists')
    await insertHouse(client, house)
    if (chainId !== null) await insertChainHouse(client, chainId, house.id)
    await insertPerson(client, house.id, {
      id: personId,
      name: input.managerName,
      role: 'chef',
      active: true,
      signInName: input.signInName,
      passwordHash,
      pinHash: null,
    })
    await insertSpans(client, house.id, usualWeek(speaker(house.language)), ALWAYS)
    const station = firstStation(speaker(house.language))
    await insertStation(client, house.id, station)
    await insertStationPeriod(client, house.id, station, ALWAYS)
    await saveBench(client, house.id, { id: newId(), name: speaker(house.language)('house.firstBench'), active: true })
    // who runs the house is trusted with its steel until they say otherwise
    await replaceSkills(client, house.id, personId, SKILLS, personId, new Date())
  }
  try {
    await db.transaction(make)
  } catch (error) {
    throw uniqueFault(error, { signInName: input.signInName }) ?? error
  }
  return { houseId: house.id, personId }
}

export async function editHouse(db: Database, caller: Caller, patch: Wire<typeof HousePatch>): Promise<House> {
  const houseId = caller.house.id
  return await changeHouse(db, houseId, async (change) => {
    // read under the lock: another edit may have come in since the caller signed in
    const stored = await findHouse(change, houseId)
    if (!stored) throw notFound('house')
    const { revision: _, settingsRevision: __, ...before } = stored
    const house = applyPatch<House>(before, patch)
    await updateHouse(change, house)
    return house
  })
}

/** @throws Fault when another person has the name */
export async function addPerson(db: Database, caller: Caller, input: Wire<typeof NewPerson>): Promise<Person> {
  const houseId = caller.house.id
  const person: PersonWrite = {
    id: input.id,
    name: input.name,
    role: input.role,
    active: true,
    signInName: null,
    passwordHash: null,
    pinHash: input.pin ? await hashSecret(input.pin) : null,
  }
  const add = async (change: HouseChange): Promise<Person> => {
    await insertPerson(change, houseId, person)
    const stored = await findPerson(change, houseId, person.id)
    if (!stored) throw notFound('person')
    return publicPerson(stored)
  }
  return await changeHouse(db, houseId, add, { name: input.name })
}

/** @throws Fault when another person has the name, or nobody would be left who manages the house */
export async function editPerson(
  db: Database,
  clock: Clock,
  caller: Caller,
  personId: string,
  patch: Wire<typeof PersonPatch>,
): Promise<Person> {
  const houseId = caller.house.id
  const pinHash = patch.pin ? await hashSecret(patch.pin) : null
  const edit = async (change: HouseChange): Promise<Person> => {
    const before = await findPerson(change, houseId, personId)
    if (!before) throw notFound('person')
    const { pin: _, ...fields } = patch
    const after = applyPatch(before, { ...fields, ...(pinHash ? { pinHash } : {}) })
    const losesChef = isManager(before) && (after.role !== 'chef' || !after.active)
    if (losesChef) await assertAnotherManager(change, houseId, personId)
    await updatePerson(change, houseId, after)
    if (!after.active || pinHash) {
      await deleteSessionsOf(change, houseId, personId)
      await endMarks(change, houseId, personId, clock())
    }
    // what is known of a hand is that person's, and goes with them
    if (!after.active) await deletePracticeOf(change, houseId, personId)
    return publicPerson({ ...after, hasPin: after.pinHash !== null })
  }
  return await changeHouse(db, houseId, edit, { name: patch.name ?? '' })
}

const isManager = (person: StoredPerson): boolean => person.role === 'chef' && person.passwordHash !== null

/** A house nobody can manage is a house nobody can mend. */
async function assertAnotherManager(change: HouseChange, houseId: string, leavingId: string): Promise<void> {
  const people = await listPeople(change, houseId)
  const stays = people.some((person) => person.id !== leavingId && person.active && isManager(person))
  if (!stays) throw new Fault('conflict', 'last-manager')
}

/** @throws Fault when another station has the name */
export async function addStation(db: Database, caller: Caller, station: Station): Promise<Station> {
  const houseId = caller.house.id
  const add = async (change: HouseChange): Promise<Station> => {
    await insertStation(change, houseId, station)
    await insertStationPeriod(change, houseId, station, ALWAYS)
    return station
  }
  return await changeHouse(db, houseId, add, { name: station.name })
}

/** A house without knives has no past to leave as it was: what it says of its week and stations held before it moved in. */
const hasPast = async (change: HouseChange, houseId: string): Promise<boolean> =>
  (await listKnives(change, houseId)).length > 0

const worksAlike = (a: Station, b: Station): boolean =>
  a.board === b.board && a.product === b.product && a.hoursPerService === b.hoursPerService

/** @throws Fault when there is no such station, or another one has the name */
export async function editStation(
  db: Database,
  clock: Clock,
  caller: Caller,
  stationId: string,
  patch: Wire<typeof StationPatch>,
): Promise<Station> {
  const houseId = caller.house.id
  const edit = async (change: HouseChange): Promise<Station> => {
    const before = (await listStations(change, houseId)).find((station) => station.id === stationId)
    if (!before) throw notFound('station')
    const station = applyPatch<Station>(before, patch)
    await updateStation(change, houseId, station)
    if (!worksAlike(before, station))
      await insertStationPeriod(change, houseId, station, (await hasPast(change, houseId)) ? clock() : ALWAYS)
    return station
  }
  return await changeHouse(db, houseId, edit, { name: patch.name ?? '' })
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
  const houseId = caller.house.id
  const endless = wanted.find((span) => span.starts === span.ends)
  if (endless) throw new Fault('invalid', 'span-empty', { name: endless.name })
  await changeHouse(db, houseId, async (change) => {
    const from = (await hasPast(change, houseId)) ? clock() : ALWAYS
    const current = currentSpans(await listAllSpans(change, houseId))
    const leaving = current.filter((span) => !wanted.some((one) => sameSpan(one, span)))
    const arriving = wanted.filter((span) => !current.some((one) => sameSpan(one, span)))
    if (leaving.length === 0 && arriving.length === 0) change.nothingNew()
    await closeSpans(
      change,
      houseId,
      leaving.map((span) => span.id),
      from,
    )
    await insertSpans(
      change,
      houseId,
      arriving.map((span) => ({ ...span, id: newId() })),
      from,
    )
  })
  return currentSpans(await listAllSpans(db, houseId))
}
