import { MOVE_IN_STEPS } from '../../core/house/movingIn'
import type { Wire } from '../../contract/wire'
import { payloads } from '../../contract/events'
import { Recipe } from '../../contract/recipes'
import { HOUSE_PARTS, WHOLE_HOUSE_FORMAT, WHOLE_HOUSE_VERSION } from '../../contract/wholeHouse'
import type { HousePart, HouseRow, WholeHouse, WholeHouseIn } from '../../contract/wholeHouse'
import { writeHouseFolder } from '../../sheets/houseFolder'
import { changeHouse } from '../db/changeHouse'
import type { Database, Queryable } from '../db/database'
import {
  clearPart,
  handOnSignIn,
  insertPart,
  isInhabited,
  makeNameless,
  partRows,
  replacePerson,
  seeOneMoment,
} from '../db/queries/exchange/wholeHouse'
import { listKnives } from '../db/queries/fleet/knives'
import { photoRoom, savePhotoQuota } from '../db/queries/bench/photos'
import { accountOf, setAccount } from '../db/queries/house/chains'
import { findHouse, updateHouse } from '../db/queries/house/houses'
import { findMoney, saveMoney } from '../db/queries/house/money'
import { findPerson } from '../db/queries/house/people'
import { knifeLog } from '../db/queries/log/events'
import { replaceFolds } from '../db/queries/log/folds'
import { isRefusedRow } from '../db/violations'
import { Fault, notFound } from '../faults'
import type { PhotoStore } from '../photoStore'
import { foldKnife } from '../services/log/knifeState'
import { loadHouseContext } from '../services/log/usageContext'
import type { Caller } from '../signIn/sessions'
import { withProgress } from './progress'

const settings = async (db: Queryable, houseId: string): Promise<WholeHouse['house']> => {
  const house = await findHouse(db, houseId)
  if (!house) throw notFound('house')
  const { name, zone, units, serviceLimits, honingHabit, dayOrder, language, policies } = house
  const { quotaMb } = await photoRoom(db, houseId)
  return {
    name,
    zone,
    units,
    serviceLimits,
    honingHabit,
    dayOrder,
    language,
    policies: [...policies],
    money: await findMoney(db, houseId),
    photoQuotaMb: quotaMb,
  }
}

/** A part of a house page by page; pictures bring their bytes along, wherever they lie. */
async function* rowsOf(
  db: Queryable,
  houseId: string,
  part: HousePart,
  photos: PhotoStore,
): AsyncGenerator<readonly HouseRow[]> {
  for await (const rows of partRows(db, houseId, part)) {
    if (part !== 'photos') {
      yield rows
      continue
    }
    // one at a time: a page of a thousand pictures would not fit into the memory of a small machine
    for (const row of rows) {
      const bytes = row['bytes'] === null ? await photos.read(houseId, String(row['id'])) : null
      yield [bytes ? { ...row, bytes: `\\x${bytes.toString('hex')}` } : row]
    }
  }
}

/**
 * Writes a house as one file, as it is at one moment: the same house gives the same bytes. Passwords, PINs and the
 * keys of devices stay behind.
 */
export async function writeWholeHouse(
  db: Database,
  caller: Caller,
  photos: PhotoStore,
  write: (text: string) => Promise<void>,
): Promise<void> {
  await db.transaction(async (client) => {
    await seeOneMoment(client)
    const house = await settings(client, caller.house.id)
    await write(
      `{"format":"${WHOLE_HOUSE_FORMAT}","version":${WHOLE_HOUSE_VERSION},\n"house":${JSON.stringify(house)},\n"parts":{`,
    )
    for (const [at, part] of HOUSE_PARTS.entries()) {
      await write(`${at === 0 ? '' : ','}\n"${part}":[`)
      let isFirst = true
      for await (const rows of rowsOf(client, caller.house.id, part, photos)) {
        await write(`${isFirst ? '' : ','}\n${rows.map((row) => JSON.stringify(row)).join(',\n')}`)
        isFirst = false
      }
      await write(']')
    }
    await write('}}\n')
  })
}

/** The same as a packed folder of CSV files. */
export async function wholeHouseFolder(db: Database, caller: Caller, photos: PhotoStore): Promise<Uint8Array> {
  return await db.transaction(async (client) => {
    await seeOneMoment(client)
    const parts: Record<string, HouseRow[]> = {}
    for (const part of HOUSE_PARTS) {
      const own: HouseRow[] = []
      for await (const rows of rowsOf(client, caller.house.id, part, photos)) own.push(...rows)
      parts[part] = own
    }
    return writeHouseFolder({ house: await settings(client, caller.house.id), parts: parts as never })
  })
}

/** What the schema cannot judge: what an entry of the log and a recipe hold. @throws Fault with the part and the row */
function assertReadable(file: WholeHouse): void {
  const fault = (part: HousePart, row: number): Fault => new Fault('invalid', 'house-file-row', { part, row: row + 1 })
  for (const [at, { kind, payload }] of (file.parts.events ?? []).entries()) {
    if (kind === 'added') continue
    const schema = typeof kind === 'string' && kind in payloads ? payloads[kind as keyof typeof payloads] : null
    if (!schema?.safeParse(payload).success) throw fault('events', at)
  }
  for (const [at, { recipe }] of (file.parts.recipes ?? []).entries())
    if (!Recipe.safeParse(recipe).success) throw fault('recipes', at)
}

/** @throws Fault for rows that the schema refuses: of a wrong kind, twice there, or of something that is not there */
async function putIn(db: Queryable, houseId: string, part: HousePart, rows: readonly HouseRow[]): Promise<void> {
  try {
    await insertPart(db, houseId, part, rows)
  } catch (error) {
    throw isRefusedRow(error) ? new Fault('invalid', 'house-file-part', { part }) : error
  }
}

/**
 * Brings a whole house into an empty one, all of it or nothing: what stood there of a new house gives way, and the
 * person who brings it is from then on the one of its people they say they are.
 *
 * @throws Fault where the house is not empty, the person is no manager of the file, or the file contradicts itself
 */
export async function bringWholeHouse(db: Database, caller: Caller, input: Wire<typeof WholeHouseIn>): Promise<void> {
  const { file, personId, jobId } = input
  const houseId = caller.house.id
  assertReadable(file)
  const who = (file.parts.people ?? []).find(({ id }) => id === personId)
  if (who?.['role'] !== 'chef' || who['active'] !== true) throw new Fault('invalid', 'house-file-person')
  const knives = file.parts.knives?.length ?? 0
  await withProgress(db, caller, jobId, knives, async (step) => {
    await changeHouse(db, houseId, async (change) => {
      const self = await findPerson(change, houseId, caller.person.id)
      if (!self || (await isInhabited(change, houseId)) || file.parts.people?.some(({ id }) => id === self.id))
        throw new Fault('conflict', 'house-not-empty')
      for (const part of [...HOUSE_PARTS].reverse()) await clearPart(change, houseId, part, self.id)
      await makeNameless(change, houseId, self.id)
      for (const part of HOUSE_PARTS) await putIn(change, houseId, part, file.parts[part] ?? [])
      const { signInName: name, passwordHash, pinHash } = self
      await handOnSignIn(change, houseId, personId, { name, passwordHash, pinHash })
      // who they are in other houses goes on with them, and comes from no file
      const accountId = await accountOf(change, houseId, self.id)
      await replacePerson(change, houseId, self.id, personId)
      await setAccount(change, houseId, personId, accountId)
      const house = await findHouse(change, houseId)
      if (!house) throw notFound('house')
      const { money, photoQuotaMb, ...settingsIn } = file.house
      await updateHouse(change, { ...house, ...settingsIn, settled: [...MOVE_IN_STEPS] })
      if (money) await saveMoney(change, houseId, money)
      await savePhotoQuota(change, houseId, photoQuotaMb)
      const context = await loadHouseContext(change, { ...house, ...settingsIn })
      for (const knife of await listKnives(change, houseId)) {
        const log = await knifeLog(change, houseId, knife.id)
        if (log.length > 0) await replaceFolds(change, houseId, [foldKnife(context, knife, log)])
        await step(1)
      }
    })
    return true
  })
}
