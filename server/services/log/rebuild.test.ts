import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { findHouse, type StoredHouse } from '../../db/queries/house/houses'
import { addTestKnife, check, startApp, type TestApp, type TestHouse } from '../../testing/harness'
import { rebuildHouse, rebuildMissing } from './rebuild'

let test: TestApp
let house: TestHouse
let stored: StoredHouse
beforeAll(async () => {
  test = await startApp()
  house = await test.house()
  for (const code of ['REB-1', 'REB-2', 'REB-3', 'REB-4']) {
    const knife = await addTestKnife(house, { code, condition: 'new' })
    await house.manager.post('/api/events', { events: [check(knife.id, 210, 220, 240)] })
  }
  const found = await findHouse(test.app.db, house.houseId)
  if (!found) throw new Error('the test house is not there')
  stored = found
})
afterAll(() => test.close())

const states = async (): Promise<Map<string, unknown>> => {
  const { rows } = await test.app.db.query<{ knife_id: string; state: unknown }>(
    'select knife_id, state from knife_states where house_id = $1',
    [house.houseId],
  )
  return new Map(rows.map(({ knife_id, state }) => [knife_id, state]))
}
/** States as a fault or an older release might have left them. */
const spoil = async (): Promise<void> => {
  await test.app.db.query(
    `update knife_states set state = jsonb_set(state, '{readingCount}', '999') where house_id = $1`,
    [house.houseId],
  )
}
const spoiled = async (): Promise<number> =>
  [...(await states()).values()].filter((state) => (state as { readingCount: number }).readingCount === 999).length

describe('reckoning a house anew', () => {
  it('mends whatever states say that the log does not', async () => {
    const before = await states()
    await spoil()
    expect(await spoiled()).toBe(4)
    let told = 0
    expect(
      await rebuildHouse(test.app.db, stored, { part: 0, parts: 1 }, async (more) => {
        told += more
        return true
      }),
    ).toBe(true)
    expect(told).toBe(4)
    expect(await states()).toEqual(before)
  })

  it('stops when told to, and each knife is as it was or as it will be', async () => {
    const before = await states()
    await spoil()
    expect(await rebuildHouse(test.app.db, stored, { part: 0, parts: 1 }, async () => false)).toBe(false)
    expect(await spoiled()).toBe(3)
    await rebuildHouse(test.app.db, stored, { part: 0, parts: 1 }, async () => true)
    expect(await states()).toEqual(before)
  })

  it('is shared among threads so that each knife is done once', async () => {
    await spoil()
    const done = [0, 0]
    for (const part of [0, 1])
      await rebuildHouse(test.app.db, stored, { part, parts: 2 }, async (more) => {
        done[part] = (done[part] ?? 0) + more
        return true
      })
    expect(done).toEqual([2, 2])
    expect(await spoiled()).toBe(0)
  })

  it('makes states that are missing, house by house, and leaves the rest alone', async () => {
    const before = await states()
    const [first] = before.keys()
    await test.app.db.query('delete from knife_states where house_id = $1 and knife_id = $2', [house.houseId, first])
    const told: [string, number][] = []
    await rebuildMissing(test.app.db, (name, knives) => {
      told.push([name, knives])
    })
    expect(told).toEqual([[stored.name, 1]])
    expect(await states()).toEqual(before)
    await rebuildMissing(test.app.db, (name, knives) => {
      told.push([name, knives])
    })
    expect(told).toHaveLength(1)
  })
})
