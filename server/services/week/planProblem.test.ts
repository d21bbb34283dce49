import { v4 as newId } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Queryable } from '../../db/database'
import { findHouse } from '../../db/queries/house/houses'
import { addTestKnife, NOW, startApp, type TestApp, type TestHouse } from '../../testing/harness'
import { daysAhead } from './planProblem'

let test: TestApp
let house: TestHouse
beforeAll(async () => {
  test = await startApp()
  house = await test.house()
})
afterAll(() => test.close())

describe('the days ahead', () => {
  it('ask for the logs of all knives with a work order at once', async () => {
    const stone = { id: newId(), name: 'Coarse', kind: 'soaking-stone', scale: 'JIS', grit: 320 }
    await house.manager.post('/api/gear', stone)
    for (let count = 0; count < 3; count++) {
      const { id } = await addTestKnife(house, { bteMm: 0.46, bteNewMm: 0.3 })
      const operation = { kind: 'thin', targetBteMm: 0.4 }
      const { status, body } = await house.manager.send('PUT', `/api/knives/${id}/work-order`, { operation })
      expect([status, body.error]).toEqual([200, undefined])
    }
    const { db } = test.app
    const orders = await db.query('select knife_id from work_orders where house_id = $1', [house.houseId])
    const stored = await findHouse(db, house.houseId)
    if (!stored) throw new Error('no house')
    let asked = 0
    const counting: Queryable = {
      ...db,
      query: (text, values) => {
        if (/from events\b/.test(text)) asked++
        return db.query(text, values)
      },
    }
    await daysAhead(counting, stored, NOW, 7)
    expect([orders.rows.length, asked]).toEqual([3, 1])
  })
})
