import { openDatabase } from '../server/db/database'
import { peopleByName } from '../server/db/queries/house/people'
import { giveDoorCode } from '../server/services/house/account'
import { startCluster, type Cluster } from './cluster'

export const DATABASE = 'yorvik'

/** Gives somebody a code from the command line: for a house whose only manager is locked out. */
export async function giveCode(options: {
  readonly dataDirectory: string
  readonly databaseUrl: string | undefined
  readonly person: string | undefined
}): Promise<number> {
  const cluster: Cluster | null = options.databaseUrl ? null : await startCluster(options.dataDirectory)
  const db = openDatabase(options.databaseUrl ?? cluster?.urlFor(DATABASE) ?? '', () => undefined)
  try {
    const people = await peopleByName(db, options.person ?? '')
    const [one] = people
    if (!one || people.length > 1) {
      console.log(one ? 'Several people go by that name:' : 'Whom is the code for? Say it with --person:')
      for (const { name, houseName } of one ? people : await peopleByName(db, null))
        console.log(`  ${name}, ${houseName}`)
      return 2
    }
    const { code, expiresAt } = await giveDoorCode(db, one.houseId, one.id, new Date(), true)
    console.log(
      `${one.name} of ${one.houseName} chooses a password with this code, once, until ${expiresAt}:\n\n  ${code}\n`,
    )
    console.log('It is asked for at the sign-in page, under “I have a code”.')
    return 0
  } finally {
    await db.close()
    // a server that is running keeps its database
    if (cluster && cluster.isOwn) await cluster.stop()
  }
}
