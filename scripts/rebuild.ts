import { openDatabase } from '../server/db/database'
import { knifeLog } from '../server/db/queries/events'
import { replaceFolds } from '../server/db/queries/folds'
import { anyHouse, findHouse, touchHouse } from '../server/db/queries/houses'
import { listKnives } from '../server/db/queries/knives'
import { foldKnife } from '../server/services/knifeState'
import { loadContext } from '../server/services/surroundings'

/** Rebuilds everything derived from the logs of a house: npm run rebuild -- [house id], with DATABASE_URL. */
async function main(): Promise<void> {
  const url = process.env['DATABASE_URL']
  if (!url) throw new Error('Set DATABASE_URL to the database whose states should be rebuilt.')
  const db = openDatabase(url, () => undefined)
  try {
    const wanted = process.argv[2]
    const house = wanted ? await findHouse(db, wanted) : await anyHouse(db)
    if (!house) throw new Error('There is no such house in this database.')
    const knives = await listKnives(db, house.id)
    for (const [index, knife] of knives.entries()) {
      await db.transaction(async (client) => {
        const context = await loadContext(client, house)
        await replaceFolds(client, house.id, [foldKnife(context, knife, await knifeLog(client, house.id, knife.id))])
      })
      if ((index + 1) % 10 === 0 || index + 1 === knives.length) console.log(`${index + 1} of ${knives.length} knives`)
    }
    await touchHouse(db, house.id)
  } finally {
    await db.close()
  }
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error)
  process.exit(1)
})
