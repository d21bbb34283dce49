import { createHash } from 'node:crypto'
import { mkdirSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { afterAll, describe, expect, it } from 'vitest'
import { restore } from './backups'
import { startCluster } from './cluster'

const directory = join(process.cwd(), '.data', `cluster-${process.pid}`)
mkdirSync(directory, { recursive: true })
afterAll(() => {
  rmSync(directory, { recursive: true, force: true })
})

describe('a data folder that is started twice', () => {
  it('has one database, which the second leaves alone, and which is taken over where the first is gone', async () => {
    const first = await startCluster(directory)
    try {
      const second = await startCluster(directory)
      expect([first.isOwn, second.isOwn, second.port]).toEqual([true, false, first.port])
      // a program that crashed: its number belongs to nobody
      writeFileSync(join(first.home, 'owner'), '999999999')
      expect((await startCluster(directory)).isOwn).toBe(true)
    } finally {
      await first.stop()
    }
  })

  it('is not restored into, and is left as it is', async () => {
    const file = join(directory, 'one.dump')
    writeFileSync(file, 'a dump')
    writeFileSync(
      `${file}.json`,
      JSON.stringify({
        format: 'yorvik-backup',
        version: 1,
        at: '2026-03-10T04:00:00.000Z',
        schema: '0001_house',
        bytes: 6,
        sha256: createHash('sha256').update('a dump').digest('hex'),
        tables: {},
      }),
    )
    const before = readdirSync(directory).sort()
    await expect(
      restore(file, { dataDirectory: directory, databaseUrl: undefined, backupDirectory: undefined }),
    ).rejects.toThrow(/There is data in .* already/)
    expect(readdirSync(directory).sort()).toEqual(before)
  })
})
