import { v4 as newId } from 'uuid'
import type { OwnChain } from '../../../contract/chain'
import { DAY_MS } from '../../../core/time'
import { actAcrossHouses } from '../../acting'
import { changeHouse } from '../../db/changeHouse'
import type { Database } from '../../db/database'
import {
  accountOf,
  allowNames,
  chainOf,
  deleteChainHouse,
  insertChain,
  insertChainHouse,
  insertChainLink,
  ownsChain,
  spendChainLink,
  type ChainRow,
} from '../../db/queries/house/chains'
import { Fault } from '../../faults'
import { hashCode, newCode } from '../../signIn/secrets'
import { actAs, type Caller } from '../../signIn/sessions'
import { ensureAccount } from './belonging'

/** Links are sent to another town and used there. */
const LINK_MS = 7 * DAY_MS

/** A change of the caller's own house, named as theirs in the trail, that reaches beyond its wall. */
const changeBeyond = <T>(db: Database, { house }: Caller, work: Parameters<typeof changeHouse<T>>[2]): Promise<T> =>
  actAcrossHouses(() => changeHouse(db, house.id, work))

/** The chain of the caller's house, as that house sees it. */
export async function ownChain(db: Database, caller: Caller): Promise<OwnChain> {
  return await actAcrossHouses(async () => {
    const chain = await chainOf(db, caller.house.id)
    if (!chain) return { chain: null }
    const accountId = await accountOf(db, caller.house.id, caller.person.id)
    const isOwner = accountId !== null && (await ownsChain(db, chain.id, accountId))
    return { chain: { name: chain.name, houses: chain.houses, namesAllowed: chain.namesAllowed, isOwner } }
  })
}

/** The chain that the caller owns and whose house this is. @throws Fault `no-chain` or `not-chain-owner` */
export async function assertOwnsChain(db: Database, caller: Caller): Promise<ChainRow> {
  return await actAcrossHouses(async () => {
    const chain = await chainOf(db, caller.house.id)
    if (!chain) throw new Fault('conflict', 'no-chain')
    const accountId = await accountOf(db, caller.house.id, caller.person.id)
    if (!accountId || !(await ownsChain(db, chain.id, accountId))) throw new Fault('not-allowed', 'not-chain-owner')
    return chain
  })
}

/** Makes a chain that the caller owns, with their house in it. @throws Fault `in-a-chain` where the house is in one */
export async function makeChain(db: Database, caller: Caller, name: string): Promise<OwnChain> {
  await changeBeyond(db, caller, async (change) => {
    if (await chainOf(change, caller.house.id)) throw new Fault('conflict', 'in-a-chain')
    const accountId = await ensureAccount(change, caller.house.id, caller.person.id)
    const id = newId()
    await insertChain(change, { id, name, accountId })
    await insertChainHouse(change, id, caller.house.id)
  })
  return await ownChain(db, caller)
}

/** A code that brings one house to the chain, once, within a week. */
export async function makeChainLink(
  db: Database,
  caller: Caller,
  now: Date,
): Promise<{ code: string; expiresAt: string }> {
  const chain = await assertOwnsChain(db, caller)
  const code = newCode()
  const expiresAt = new Date(now.getTime() + LINK_MS)
  await actAcrossHouses(() => insertChainLink(db, { chainId: chain.id, hash: hashCode(code), expiresAt }))
  return { code, expiresAt: expiresAt.toISOString() }
}

/** Brings the caller's house to a chain. @throws Fault `in-a-chain`, or `chain-link` for a link that is wrong, spent or too old */
export async function joinChain(db: Database, caller: Caller, code: string, now: Date): Promise<OwnChain> {
  await changeBeyond(db, caller, async (change) => {
    if (await chainOf(change, caller.house.id)) throw new Fault('conflict', 'in-a-chain')
    const chainId = await spendChainLink(change, hashCode(code), now)
    if (!chainId) throw new Fault('conflict', 'chain-link')
    await insertChainHouse(change, chainId, caller.house.id)
  })
  return await ownChain(db, caller)
}

/** Takes the caller's house out of its chain, whose owner then sees nothing of it any more. @throws Fault `no-chain` */
export async function leaveChain(db: Database, caller: Caller): Promise<Record<string, never>> {
  await changeBeyond(db, caller, async (change) => {
    if (!(await deleteChainHouse(change, caller.house.id))) throw new Fault('conflict', 'no-chain')
  })
  return {}
}

/** Says whether people of the caller's house are named to the owner of its chain. @throws Fault `no-chain` */
export async function setNamesAllowed(db: Database, caller: Caller, allowed: boolean): Promise<OwnChain> {
  await actAs(caller, () =>
    changeHouse(db, caller.house.id, async (change) => {
      if (!(await allowNames(change, caller.house.id, allowed))) throw new Fault('conflict', 'no-chain')
    }),
  )
  return await ownChain(db, caller)
}
