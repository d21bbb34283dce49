import { v4 as newId } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { YearHouse } from '../../../contract/year'
import { compareYears } from '../../../core/year/compareYears'
import { AS_IT_IS } from '../../../core/year/yearHouse'
import { BY_CONDITION } from '../../../core/policy/policy'
import { addTestKnife, onTablet, startApp, type TestApp, type TestHouse } from '../../testing/harness'

let test: TestApp
let house: TestHouse
beforeAll(async () => {
  test = await startApp()
  house = await test.house()
})
afterAll(() => test.close())
const read = async (): Promise<YearHouse> => (await house.manager.get('/api/year')).body as YearHouse

describe('a house for playing its year', () => {
  it('is for who manages it', async () => {
    expect((await (await onTablet(test, house, 'cook')).get('/api/year')).status).toBe(403)
    expect((await test.client().get('/api/year')).status).toBe(401)
  })

  it('of nothing is nothing, and can be played', async () => {
    const empty = await read()
    expect([empty.knives, empty.hands]).toEqual([[], 0])
    const [outcome] = compareYears({
      house: empty,
      ways: [{ kind: 'policy', policy: BY_CONDITION }],
      whatIf: AS_IT_IS,
      runs: 1,
      seed: 1,
    })
    expect(outcome?.dullHours.mean).toBe(0)
  })

  it('has its knives with an edge, its services, and the minutes of those who may sharpen', async () => {
    await addTestKnife(house, { code: 'CH-1' })
    await addTestKnife(house, { code: 'BR-1', type: 'bread', role: 'bread', serrated: true })
    await house.manager.send('PUT', `/api/people/${house.people.sharpener.id}/skills`, { skills: ['full'] })
    await house.manager.send('PUT', `/api/people/${house.people.sharpener.id}/shifts`, {
      shifts: [{ weekday: 2, starts: '09:00', ends: '20:00' }],
    })
    await house.manager.send('PUT', '/api/benches', { id: newId(), name: 'Back', active: true })
    const { knives, servicesByWeekday, benchMinutesByWeekday, hands, stones } = await read()
    // teeth are another sum
    expect(knives).toHaveLength(1)
    expect(knives[0]?.rateUm2PerHour).toBeGreaterThan(0)
    expect(knives[0]?.habit).toBeGreaterThan(0)
    expect(servicesByWeekday.reduce((sum, one) => sum + one, 0)).toBeGreaterThan(0)
    expect(hands).toBe(1)
    expect(benchMinutesByWeekday.filter((minutes) => minutes > 0)).toHaveLength(1)
    // a house without stones is played on the usual shelf
    expect(stones.length).toBeGreaterThan(3)
  })
})
