import { openDatabase } from '../server/db/database'
import { anyHouse, findHouse } from '../server/db/queries/house/houses'
import { rebuildHouse } from '../server/services/log/rebuild'

/** Rebuilds everything derived from the logs of a house: npm run rebuild -- [house id], with DATABASE_URL. */
async function main(): Promise<void> {
  const url = process.env['DATABASE_URL']
  if (!url) throw new Error('Set DATABASE_URL to the database whose states should be rebuilt.')
  const db = openDatabase(url, () => undefined)
  try {
    const wanted = process.argv[2]
    const house = wanted ? await findHouse(db, wanted) : await anyHouse(db)
    if (!house) throw new Error('There is no such house in this database.')
    let done = 0
    await rebuildHouse(db, house, { part: 0, parts: 1 }, async () => {
      done++
      if (done % 10 === 0) console.log(`${done} knives`)
      return await Promise.resolve(true)
    })
    console.log(`${done} knives worked out again.`)
  } finally {
    await db.close()
  }
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error)
  process.exit(1)
})
