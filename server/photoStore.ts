import { mkdir, readdir, readFile, rm, stat, writeFile } from 'node:fs/promises'
import { join } from 'node:path'

/**
 * Where the bytes of pictures lie: in a folder of the server's, one file a picture in a folder a house, or, without one,
 * in the database beside their rows.
 */
export interface PhotoStore {
  /** @returns what the row keeps itself: the bytes, or null where the folder has them */
  keep(houseId: string, id: string, bytes: Buffer): Promise<Buffer | null>
  /** Bytes of a picture whose row has none. */
  read(houseId: string, id: string): Promise<Buffer | null>
  remove(houseId: string, id: string): Promise<void>
  /** Takes away files that no row speaks of any more. @returns how many */
  sweep(
    isKept: (houseId: string, ids: readonly string[]) => Promise<ReadonlySet<string>>,
    nowMs: number,
  ): Promise<number>
}

const IN_DATABASE: PhotoStore = {
  keep: (_houseId, _id, bytes) => Promise.resolve(bytes),
  read: () => Promise.resolve(null),
  remove: () => Promise.resolve(),
  sweep: () => Promise.resolve(0),
}

/** A file younger than this may belong to a row that is being written, ms. */
const SETTLED_MS = 3_600_000
const UUID = /^[0-9a-f-]{36}$/
const FILE = /^([0-9a-f-]{36})\.jpg$/

/** @param folder null for a house whose pictures lie in the database */
export function photoStore(folder: string | null): PhotoStore {
  if (folder === null) return IN_DATABASE
  const fileOf = (houseId: string, id: string): string => join(folder, houseId, `${id}.jpg`)
  return {
    keep: async (houseId, id, bytes) => {
      await mkdir(join(folder, houseId), { recursive: true, mode: 0o700 })
      await writeFile(fileOf(houseId, id), bytes, { mode: 0o600 })
      return null
    },
    read: async (houseId, id) => await readFile(fileOf(houseId, id)).catch(() => null),
    remove: async (houseId, id) => {
      await rm(fileOf(houseId, id), { force: true })
    },
    sweep: async (isKept, nowMs) => {
      let gone = 0
      for (const houseId of (await readdir(folder).catch(() => [])).filter((name) => UUID.test(name))) {
        const ids = (await readdir(join(folder, houseId))).flatMap((name) => FILE.exec(name)?.[1] ?? [])
        const kept = await isKept(houseId, ids)
        for (const id of ids.filter((one) => !kept.has(one))) {
          if (nowMs - (await stat(fileOf(houseId, id))).mtimeMs < SETTLED_MS) continue
          await rm(fileOf(houseId, id), { force: true })
          gone++
        }
      }
      return gone
    },
  }
}
