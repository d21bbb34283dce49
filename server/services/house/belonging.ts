import type { Request, Response } from 'express'
import { v4 as newId } from 'uuid'
import type { OwnHouse } from '../../../contract/chain'
import type { SignedIn } from '../../../contract/house'
import { actAcrossHouses } from '../../acting'
import type { Database, Queryable } from '../../db/database'
import { accountOf, belongings, setAccount } from '../../db/queries/house/chains'
import { findDoorCode, spendDoorCode } from '../../db/queries/house/doorCodes'
import { lockHouse } from '../../db/queries/house/houses'
import { Fault, notFound } from '../../faults'
import { hashCode } from '../../signIn/secrets'
import type { Caller } from '../../signIn/sessions'
import { openSessionFor, type SignInContext } from './signIn'

/** Somebody's account; a new one where they had none. Inside a transaction of the server's own. */
export async function ensureAccount(db: Queryable, houseId: string, personId: string): Promise<string> {
  const known = await accountOf(db, houseId, personId)
  if (known) return known
  const accountId = newId()
  await setAccount(db, houseId, personId, accountId)
  return accountId
}

/** Houses one belongs to, this one among them. */
export async function ownHouses(db: Database, caller: Caller): Promise<OwnHouse[]> {
  const accountId = await accountOf(db, caller.house.id, caller.person.id)
  const own = accountId ? await actAcrossHouses(() => belongings(db, accountId)) : []
  const all =
    own.length > 0
      ? own
      : [
          {
            houseId: caller.house.id,
            houseName: caller.house.name,
            personName: caller.person.name,
            role: caller.person.role,
          },
        ]
  return all.map(({ houseId, houseName, personName, role }) => ({
    houseId,
    houseName,
    personName,
    role,
    isThis: houseId === caller.house.id,
  }))
}

/**
 * Adds a house to those one belongs to, by a code that its manager gave to the person one is there.
 *
 * @throws Fault `door-code` for a code that is wrong, spent or too old, `same-house` for one of this house or of one that is there already
 */
export async function addOwnHouse(
  { db, clock, tries }: SignInContext,
  caller: Caller,
  code: string,
): Promise<OwnHouse[]> {
  const key = `house:${caller.person.id}`
  await tries.assertOpen(key)
  const hash = hashCode(code)
  const found = await actAcrossHouses(() => findDoorCode(db, hash, clock()))
  if (!found) {
    await tries.failed(key)
    throw new Fault('wrong-sign-in', 'door-code')
  }
  if (found.houseId === caller.house.id) throw new Fault('conflict', 'same-house')
  await actAcrossHouses(() =>
    db.transaction(async (client) => {
      // two houses are always locked in the order of their ids
      for (const houseId of [caller.house.id, found.houseId].sort()) await lockHouse(client, houseId)
      const own = await ensureAccount(client, caller.house.id, caller.person.id)
      const isThere = (await belongings(client, own)).some(({ houseId }) => houseId === found.houseId)
      if (isThere) throw new Fault('conflict', 'same-house')
      if (!(await spendDoorCode(client, found.houseId, hash))) throw new Fault('wrong-sign-in', 'door-code')
      // that person alone: whoever gave the code has no say over other houses they may belong to
      await setAccount(client, found.houseId, found.personId, own)
    }),
  )
  return await ownHouses(db, caller)
}

/**
 * Goes on in another house one belongs to: the session here ends, and one there begins.
 *
 * @throws Fault `tablet-one-house` on a tablet, which belongs to its house; not-found where one does not belong
 */
export async function goToHouse(
  door: SignInContext,
  caller: Caller,
  request: Request,
  response: Response,
  houseId: string,
): Promise<SignedIn> {
  if (caller.deviceId !== null) throw new Fault('not-allowed', 'tablet-one-house')
  const accountId = await accountOf(door.db, caller.house.id, caller.person.id)
  return await actAcrossHouses(async () => {
    const there = accountId ? (await belongings(door.db, accountId)).find((one) => one.houseId === houseId) : undefined
    if (!there) throw notFound('house')
    return await openSessionFor(door, request, response, {
      houseId,
      personId: there.personId,
      deviceId: null,
      deviceName: null,
    })
  })
}
