import { v4 as newId } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { DAY_MS } from '../../../core/time'
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

  it('lay quiet windows that overlap together, so that nobody is planned in two of them at once', async () => {
    const week = (await house.manager.get('/api/week')).body as { kind: string }[]
    const quiet = (starts: string, ends: string): object => ({
      id: newId(),
      kind: 'quiet',
      weekday: 3,
      name: 'quiet',
      starts,
      ends,
    })
    const wanted = [...week.filter(({ kind }) => kind === 'service'), quiet('14:30', '16:00'), quiet('15:34', '17:00')]
    expect((await house.manager.send('PUT', '/api/week', wanted)).status).toBe(200)
    const stored = await findHouse(test.app.db, house.houseId)
    if (!stored) throw new Error('no house')
    const { problem } = await daysAhead(test.app.db, stored, NOW, 7)
    const coming = problem.windows.filter(({ startMs }) => startMs > NOW.getTime() + DAY_MS / 4)
    expect(coming.map(({ startMs, endMs }) => (endMs - startMs) / 60_000)).toEqual([150])
  })
})
