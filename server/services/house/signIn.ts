import type { Request, Response } from 'express'
import { v4 as newId } from 'uuid'
import type { Device, SignedIn, SignInPage } from '../../../contract/house'
import { ROLE_RIGHTS } from '../../../core/house/rights'
import type { Clock } from '../../clock'
import { changeHouse } from '../../db/changeHouse'
import type { Database, Queryable } from '../../db/database'
import { anyHouse, findHouse } from '../../db/queries/house/houses'
import { findPerson, findPersonBySignIn, listPeople } from '../../db/queries/house/people'
import { noteInTrail } from '../../db/queries/house/trail'
import { insertDevice } from '../../db/queries/house/signIn'
import { Fault } from '../../faults'
import { markingFor } from '../../signIn/marks'
import { hashSecret, matchesSecret, newToken } from '../../signIn/secrets'
import { deviceOf, languageOf, openSession, rememberDevice, type Caller } from '../../signIn/sessions'
import { pinKey, type Tries } from '../../signIn/tries'

/** Sign-in shown on the first page of a demonstration house, and nowhere else. */
export interface DemoSignIn {
  readonly signInName: string
  readonly password: string
  readonly pin: string
}

export interface SignInContext {
  readonly db: Database
  readonly clock: Clock
  readonly tries: Tries
  readonly demo: DemoSignIn | null
}

export async function signInPage({ db, demo }: SignInContext, request: Request): Promise<SignInPage> {
  const house = await anyHouse(db)
  const device = await deviceOf(db, request.headers.cookie)
  const deviceHouse = device ? await findHouse(db, device.houseId) : null
  const people = deviceHouse ? await listPeople(db, deviceHouse.id) : []
  return {
    needsSetup: house === null,
    language: (deviceHouse ?? house)?.language ?? 'en',
    device:
      device && deviceHouse
        ? {
            name: device.name,
            houseName: deviceHouse.name,
            people: people.filter((person) => person.active && person.hasPin).map(({ id, name }) => ({ id, name })),
          }
        : null,
    demo: demo && house?.isDemo ? { houseName: house.name, ...demo } : null,
  }
}

export async function signedInView(db: Queryable, clock: Clock, caller: Caller): Promise<SignedIn> {
  const now = clock()
  const { revision: _, settingsRevision: __, ...house } = caller.house
  return {
    person: { id: caller.person.id, name: caller.person.name, role: caller.person.role },
    house,
    rights: [...ROLE_RIGHTS[caller.person.role]],
    deviceName: caller.deviceName,
    now: now.toISOString(),
    language: languageOf(caller),
    ownLanguage: caller.person.language,
    marking: await markingFor(db, caller, now),
  }
}

export async function openSessionFor(
  door: SignInContext,
  request: Request,
  response: Response,
  who: { houseId: string; personId: string; deviceId: string | null; deviceName: string | null },
): Promise<SignedIn> {
  const [house, person] = [await findHouse(door.db, who.houseId), await findPerson(door.db, who.houseId, who.personId)]
  if (!house || !person) throw new Fault('wrong-sign-in', 'wrong-sign-in')
  await openSession(door.db, door.clock, request, response, who)
  return await signedInView(door.db, door.clock, {
    house,
    person,
    deviceId: who.deviceId,
    deviceName: who.deviceName,
  })
}

export async function signInByPassword(
  door: SignInContext,
  request: Request,
  response: Response,
  input: { signInName: string; password: string },
): Promise<SignedIn> {
  // by name and by where it comes from: nobody can lock the chef out from elsewhere
  const key = `name:${input.signInName.trim().toLowerCase()}|${request.ip ?? ''}`
  await door.tries.assertOpen(key)
  const person = await findPersonBySignIn(door.db, input.signInName.trim())
  const right = await matchesSecret(input.password, person?.passwordHash ?? (await decoy()))
  if (!person || !right) {
    await failedTry(door, key, person && { houseId: person.houseId, personId: person.id, deviceId: null })
    throw new Fault('wrong-sign-in', 'wrong-sign-in')
  }
  await door.tries.succeeded(key)
  return await openSessionFor(door, request, response, {
    houseId: person.houseId,
    personId: person.id,
    deviceId: null,
    deviceName: null,
  })
}

export async function signInByPin(
  door: SignInContext,
  request: Request,
  response: Response,
  input: { personId: string; pin: string },
): Promise<SignedIn> {
  const device = await deviceOf(door.db, request.headers.cookie)
  if (!device) throw new Fault('wrong-sign-in', 'tablet-not-enrolled')
  const key = pinKey(device.houseId, input.personId)
  await door.tries.assertOpen(key)
  const person = await findPerson(door.db, device.houseId, input.personId)
  const right = await matchesSecret(input.pin, person?.pinHash ?? (await decoy()))
  if (!person?.active || !right) {
    await failedTry(door, key, person && { houseId: device.houseId, personId: person.id, deviceId: device.id })
    throw new Fault('wrong-sign-in', 'wrong-pin')
  }
  await door.tries.succeeded(key)
  return await openSessionFor(door, request, response, {
    houseId: device.houseId,
    personId: person.id,
    deviceId: device.id,
    deviceName: device.name,
  })
}

/** Counts a try that failed; where it was one too many, the house's trail says at whose name. @throws Fault `too-many-tries` */
async function failedTry(
  { db, tries }: SignInContext,
  key: string,
  at: { readonly houseId: string; readonly personId: string; readonly deviceId: string | null } | null,
): Promise<void> {
  try {
    await tries.failed(key)
  } catch (error) {
    if (at && error instanceof Fault && error.code === 'too-many-tries')
      await noteInTrail(db, at.houseId, {
        personId: null,
        deviceId: at.deviceId,
        subject: 'people',
        subjectId: at.personId,
        act: 'locked-out',
      })
    throw error
  }
}

/** A hash to compare with when there is no such person, so that guessing names takes as long. */
let decoyHash: Promise<string> | null = null
const decoy = (): Promise<string> => (decoyHash ??= hashSecret(newId()))

/** Enrols the tablet that asks, or makes a key that an instrument's bridge will say hello with. */
export async function enrolDevice(
  door: SignInContext,
  caller: Caller,
  request: Request,
  response: Response,
  input: { name: string; kind: Device['kind'] },
): Promise<{ device: Device; key: string | null }> {
  const token = newToken(caller.house.id)
  const device = await changeHouse(door.db, caller.house.id, (change) =>
    insertDevice(change, caller.house.id, {
      id: newId(),
      kind: input.kind,
      name: input.name,
      tokenHash: token.hash,
    }),
  )
  if (input.kind === 'instrument') return { device, key: token.text }
  rememberDevice(request, response, token.text)
  return { device, key: null }
}
