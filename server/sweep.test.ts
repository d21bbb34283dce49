import { v4 as newId } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { DAY_MS, HOUR_MS } from '../core/time'
import { photoStore } from './photoStore'
import { sweep } from './sweep'
import { NOW, startApp, type TestApp, type TestHouse } from './testing/harness'

let test: TestApp
let house: TestHouse
beforeAll(async () => {
  test = await startApp()
  house = await test.house()
})
afterAll(() => test.close())

const daysAgo = (days: number): Date => new Date(NOW.getTime() - days * DAY_MS)
const column = async (sql: string): Promise<unknown[]> =>
  (await test.app.db.query<{ it: unknown }>(sql, [house.houseId])).rows.map((row) => row.it)

describe('sweeping away', () => {
  it('forgets expired tries, long ended jobs and plans long replaced; the plan that holds stays however old', async () => {
    const { db } = test.app
    for (const [key, expire] of [
      ['old', NOW.getTime() - HOUR_MS],
      ['new', NOW.getTime() + HOUR_MS],
    ])
      await db.query('insert into attempts (key, points, expire) values ($1, 1, $2)', [key, expire])
    for (const days of [40, 2])
      await db.query(`insert into jobs (house_id, id, kind, status, ended_at) values ($1, $2, 'rebuild', 'done', $3)`, [
        house.houseId,
        newId(),
        daysAgo(days),
      ])
    for (const [version, days] of [
      [1, 500],
      [2, 400],
      [3, 300],
    ])
      await db.query(`insert into plans (house_id, version, accepted_at, plan) values ($1, $2, $3, '{}')`, [
        house.houseId,
        version,
        daysAgo(days ?? 0),
      ])
    await sweep(db, NOW, photoStore(null))
    expect((await db.query<{ key: string }>('select key from attempts')).rows).toEqual([{ key: 'new' }])
    expect(await column('select id as it from jobs where house_id = $1')).toHaveLength(1)
    expect(await column('select version as it from plans where house_id = $1 order by version')).toEqual([3])
  })
})
