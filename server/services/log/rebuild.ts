import type { Database } from '../../db/database'
import { listKnives, lockKnife } from '../../db/queries/fleet/knives'
import { findHouse, touchHouse, type StoredHouse } from '../../db/queries/house/houses'
import { knifeLog } from '../../db/queries/log/events'
import { knivesWithoutState, replaceFolds } from '../../db/queries/log/folds'
import { foldKnife } from './knifeState'
import { loadHouseContext, type HouseContext } from './usageContext'

/** Told after each knife; answers whether to go on. */
export type Progress = (more: number) => Promise<boolean>

/** One of several equal shares of a house's knives, for threads that work side by side. */
export interface Share {
  readonly part: number
  readonly parts: number
}

/**
 * Reckons the knives of a house anew from their logs, one transaction a knife, so that stopping halfway
 * leaves each knife either as it was or as it will be: the two are the same unless something was wrong.
 *
 * @returns whether it went through to the end
 */
export async function rebuildHouse(
  db: Database,
  house: StoredHouse,
  { part, parts }: Share,
  progress: Progress,
): Promise<boolean> {
  const knives = (await listKnives(db, house.id)).filter((_, index) => index % parts === part)
  const context = await loadHouseContext(db, house)
  for (const { id } of knives) {
    await rebuildKnife(db, context, id)
    if (!(await progress(1))) return false
  }
  await touchHouse(db, house.id)
  return true
}

async function rebuildKnife(db: Database, context: HouseContext, knifeId: string): Promise<void> {
  const houseId = context.house.id
  await db.transaction(async (client) => {
    const knife = await lockKnife(client, houseId, knifeId)
    if (knife)
      await replaceFolds(client, houseId, [foldKnife(context, knife, await knifeLog(client, houseId, knifeId))])
  })
}

/** Reckons the knives of all houses that have a log and no state, as after a change of what states hold. */
export async function rebuildMissing(db: Database, onHouse: (name: string, knives: number) => void): Promise<void> {
  const byHouse = new Map<string, string[]>()
  for (const { houseId, knifeId } of await knivesWithoutState(db))
    byHouse.set(houseId, [...(byHouse.get(houseId) ?? []), knifeId])
  for (const [houseId, knifeIds] of byHouse) {
    const house = await findHouse(db, houseId)
    if (!house) continue
    onHouse(house.name, knifeIds.length)
    const context = await loadHouseContext(db, house)
    for (const knifeId of knifeIds) await rebuildKnife(db, context, knifeId)
  }
}
