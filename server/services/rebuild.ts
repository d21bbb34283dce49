import type { Database } from '../db/database'
import { knifeLog } from '../db/queries/events'
import { replaceFolds } from '../db/queries/folds'
import { findHouse, touchHouse, type StoredHouse } from '../db/queries/houses'
import { listKnives, lockKnife } from '../db/queries/knives'
import { foldKnife } from './knifeState'
import { loadContext } from './surroundings'

/** Told after each knife; answers whether to go on. */
export type Progress = (done: number, total: number) => Promise<boolean>

/**
 * Reckons every knife of a house anew from its log, one transaction a knife, so that stopping halfway
 * leaves each knife either as it was or as it will be: the two are the same unless something was wrong.
 *
 * @returns whether it went through to the end
 */
export async function rebuildHouse(db: Database, house: StoredHouse, progress: Progress): Promise<boolean> {
  const knives = await listKnives(db, house.id)
  const context = await loadContext(db, house)
  for (const [index, { id }] of knives.entries()) {
    if (!(await progress(index, knives.length))) return false
    await db.transaction(async (client) => {
      const knife = await lockKnife(client, house.id, id)
      if (knife) await replaceFolds(client, house.id, [foldKnife(context, knife, await knifeLog(client, house.id, id))])
    })
  }
  await touchHouse(db, house.id)
  await progress(knives.length, knives.length)
  return true
}

/** Reckons the knives of all houses that have a log and no state, as after a change of what states hold. */
export async function rebuildMissing(db: Database, onHouse: (name: string, knives: number) => void): Promise<void> {
  const { rows } = await db.query<{ house_id: string; id: string }>(
    `select knife.house_id, knife.id
     from knives knife
     where not exists (select from knife_states state where state.house_id = knife.house_id and state.knife_id = knife.id)
     order by knife.house_id`,
  )
  const byHouse = new Map<string, string[]>()
  for (const row of rows) byHouse.set(row.house_id, [...(byHouse.get(row.house_id) ?? []), row.id])
  for (const [houseId, knifeIds] of byHouse) {
    const house = await findHouse(db, houseId)
    if (!house) continue
    onHouse(house.name, knifeIds.length)
    const context = await loadContext(db, house)
    for (const knifeId of knifeIds) {
      await db.transaction(async (client) => {
        const knife = await lockKnife(client, houseId, knifeId)
        if (knife) await replaceFolds(client, houseId, [foldKnife(context, knife, await knifeLog(client, houseId, knifeId))])
      })
    }
  }
}
