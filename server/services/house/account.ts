import type { Request, Response } from 'express'
import type { OwnSession, SignedIn } from '../../../contract/house'
import { HOUR_MS } from '../../../core/time'
import { changeHouse } from '../../db/changeHouse'
import type { Database } from '../../db/database'
import { setAccount } from '../../db/queries/house/chains'
import { findDoorCode, replaceDoorCode, spendDoorCode } from '../../db/queries/house/doorCodes'
import { findPerson, setPassword } from '../../db/queries/house/people'
import {
  deleteOtherSessions,
  deleteSessionById,
  deleteSessionsOf,
  endMarks,
  listSessions,
} from '../../db/queries/house/signIn'
import { Fault, notFound } from '../../faults'
import { hashCode, hashSecret, matchesSecret, newCode } from '../../signIn/secrets'
import { ownSessionHash, type Caller } from '../../signIn/sessions'
import { openSessionFor, type SignInContext } from './signIn'

/** A code is fetched and typed within a day. */
const CODE_MS = 24 * HOUR_MS

/**
 * Gives somebody a code to choose a password with, once. Codes given before end.
 *
 * @param ofMachine whether it is given by whoever has the machine, not by a manager of the house
 * @throws Fault when there is no such person
 */
export async function giveDoorCode(
  db: Database,
  houseId: string,
  personId: string,
  now: Date,
  ofMachine = false,
): Promise<{ code: string; expiresAt: string }> {
  const code = newCode()
  const expiresAt = new Date(now.getTime() + CODE_MS)
  await changeHouse(db, houseId, async (change) => {
    const person = await findPerson(change, houseId, personId)
    if (!person?.active) throw notFound('person')
    await replaceDoorCode(change, houseId, { personId, hash: hashCode(code), expiresAt, ofMachine })
    change.nothingNew()
  })
  return { code, expiresAt: expiresAt.toISOString() }
}

/**
 * Lets somebody in who has a code: they choose a password, and a sign-in name where they have none. All their other
 * sessions end, and so does the code.
 *
 * @throws Fault `door-code` for a code that is wrong, spent or too old, `sign-in-name-needed`, or where the name is taken
 */
export async function enterByCode(
  door: SignInContext,
  request: Request,
  response: Response,
  input: { code: string; signInName?: string | undefined; password: string },
): Promise<SignedIn> {
  const hash = hashCode(input.code)
  const found = await findDoorCode(door.db, hash, door.clock())
  if (!found) throw new Fault('wrong-sign-in', 'door-code')
  const passwordHash = await hashSecret(input.password)
  const { houseId, personId, ofMachine } = found
  await changeHouse(
    door.db,
    houseId,
    async (change) => {
      const person = await findPerson(change, houseId, personId)
      if (!person?.active || !(await spendDoorCode(change, houseId, hash)))
        throw new Fault('wrong-sign-in', 'door-code')
      const signInName = input.signInName ?? person.signInName
      if (signInName === null)
        throw new Fault('invalid', 'sign-in-name-needed', {}, [
          { path: 'signInName', key: 'sign-in-name-needed', values: {} },
        ])
      await setPassword(change, houseId, personId, { signInName, passwordHash })
      // whoever runs one house could go on as this person into their others
      if (!ofMachine) await setAccount(change, houseId, personId, null)
      await deleteSessionsOf(change, houseId, personId)
      await endMarks(change, houseId, personId, door.clock())
    },
    { signInName: input.signInName ?? '' },
  )
  return await openSessionFor(door, request, response, { houseId, personId, deviceId: null, deviceName: null })
}

/**
 * Changes one's own password; other sessions of the same person end.
 *
 * @throws Fault `wrong-password` where the one there is was not given, `no-password` for somebody who signs in by PIN alone
 */
export async function changePassword(
  { db, clock, tries }: SignInContext,
  caller: Caller,
  request: Request,
  input: { password: string; next: string },
): Promise<Record<string, never>> {
  const [houseId, personId] = [caller.house.id, caller.person.id]
  const key = `own:${personId}`
  await tries.assertOpen(key)
  const person = await findPerson(db, houseId, personId)
  if (!person?.passwordHash || person.signInName === null) throw new Fault('conflict', 'no-password')
  if (!(await matchesSecret(input.password, person.passwordHash))) {
    await tries.failed(key)
    throw new Fault('invalid', 'wrong-password', {}, [{ path: 'password', key: 'wrong-password', values: {} }])
  }
  await tries.succeeded(key)
  const { signInName } = person
  const passwordHash = await hashSecret(input.next)
  await changeHouse(db, houseId, async (change) => {
    await setPassword(change, houseId, personId, { signInName, passwordHash })
    await deleteOtherSessions(change, houseId, personId, ownSessionHash(request))
    await endMarks(change, houseId, personId, clock())
    change.nothingNew()
  })
  return {}
}

/** Where this person is signed in. */
export async function ownSessions(
  { db, clock }: SignInContext,
  caller: Caller,
  request: Request,
): Promise<OwnSession[]> {
  const own = ownSessionHash(request)
  return (await listSessions(db, caller.house.id, caller.person.id, clock())).map(({ tokenHash, ...session }) => ({
    ...session,
    isThis: own !== null && tokenHash.equals(own),
  }))
}

/** Ends one session of one's own. @throws Fault when there is none like it */
export async function endOwnSession(db: Database, caller: Caller, sessionId: string): Promise<Record<string, never>> {
  if (!(await deleteSessionById(db, caller.house.id, caller.person.id, sessionId))) throw notFound('session')
  return {}
}

/** Ends every session of one's own but the one that asks. */
export async function endOtherSessions(
  { db, clock }: SignInContext,
  caller: Caller,
  request: Request,
): Promise<Record<string, never>> {
  const [houseId, personId] = [caller.house.id, caller.person.id]
  await db.transaction(async (client) => {
    await deleteOtherSessions(client, houseId, personId, ownSessionHash(request))
    await endMarks(client, houseId, personId, clock())
  })
  return {}
}
