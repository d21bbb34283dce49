import { v4 as newId } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { addTestKnife, onTablet, startApp, type TestApp, type TestHouse } from '../testing/harness'
import { changeHouse } from './changeHouse'

let test: TestApp
let house: TestHouse
beforeAll(async () => {
  test = await startApp()
  house = await test.house()
})
afterAll(() => test.close())

const revision = async (): Promise<number> =>
  (await test.app.db.one<{ revision: number }>('select revision from houses where id = $1', [house.houseId])).revision

describe('a change of a house', () => {
  it('is told once it is kept, and not when nothing came of it', async () => {
    const before = await revision()
    await changeHouse(test.app.db, house.houseId, () => Promise.resolve())
    expect(await revision()).toBe(before + 1)
    await changeHouse(test.app.db, house.houseId, (change) => {
      change.nothingNew()
      return Promise.resolve()
    })
    expect(await revision()).toBe(before + 1)
    const failed = changeHouse(test.app.db, house.houseId, () => Promise.reject(new Error('changed my mind')))
    await expect(failed).rejects.toThrow('changed my mind')
    expect(await revision()).toBe(before + 1)
  })

  it('waits for the one before it', async () => {
    const order: string[] = []
    let letGo: () => void = () => undefined
    const held = new Promise<void>((settle) => {
      letGo = settle
    })
    const first = changeHouse(test.app.db, house.houseId, async () => {
      order.push('first in')
      await held
      order.push('first out')
    })
    await expect.poll(() => order).toEqual(['first in'])
    const second = changeHouse(test.app.db, house.houseId, () => {
      order.push('second in')
      return Promise.resolve()
    })
    letGo()
    await Promise.all([first, second])
    expect(order).toEqual(['first in', 'first out', 'second in'])
  })

  it('is refused for a house that there is none of', async () => {
    await expect(changeHouse(test.app.db, newId(), () => Promise.resolve())).rejects.toMatchObject({ key: 'not-found' })
  })
})

describe('a transaction the server undid through no fault of its work', () => {
  const failing = (code: string): Error => Object.assign(new Error(code), { code })

  it('is run again: serialization failures and deadlocks', async () => {
    for (const code of ['40001', '40P01']) {
      let runs = 0
      const kept = await test.app.db.transaction(() =>
        ++runs < 3 ? Promise.reject(failing(code)) : Promise.resolve('kept'),
      )
      expect([kept, runs]).toEqual(['kept', 3])
    }
  })

  it('is run again when its connection was lost before the commit was sent', async () => {
    let runs = 0
    const kept = await test.app.db.transaction(async (client) => {
      runs++
      if (runs === 1) {
        const { pid } = await client.one<{ pid: number }>('select pg_backend_pid() as pid')
        await test.app.db.query('select pg_terminate_backend($1)', [pid])
      }
      return (await client.one<{ n: number }>('select 1 as n')).n
    })
    expect([kept, runs]).toEqual([1, 2])
  })

  it('is given up after a few times, and never run again for another error', async () => {
    let runs = 0
    const always = test.app.db.transaction(() => {
      runs++
      return Promise.reject(failing('40001'))
    })
    await expect(always).rejects.toMatchObject({ code: 'unavailable', key: 'database-busy' })
    expect(runs).toBe(4)
    runs = 0
    const mistaken = test.app.db.transaction(() => {
      runs++
      return Promise.reject(failing('23505'))
    })
    await expect(mistaken).rejects.toMatchObject({ code: '23505' })
    expect(runs).toBe(1)
  })
})

describe('how many rows a query gives', () => {
  it('is said by the one who asks', async () => {
    const { db } = test.app
    expect(await db.maybeOne('select 1 as n where false')).toBeNull()
    await expect(db.one('select 1 as n where false')).rejects.toThrow(/gave none/)
    await expect(db.maybeOne('select generate_series(1, 2)')).rejects.toThrow(/gave 2/)
  })
})

describe('two people at once', () => {
  it('cannot demote each other and leave nobody who manages the house', async () => {
    const own = await test.house()
    const second = newId()
    await own.manager.post('/api/people', { id: second, name: 'Second chef', role: 'chef' })
    await test.app.db.query(
      `update people set password_hash = 'x$y$z', sign_in_name = $3 where house_id = $1 and id = $2`,
      [own.houseId, second, `second-${own.houseId}`],
    )
    const demote = (id: string): Promise<{ status: number }> =>
      own.manager.send('PATCH', `/api/people/${id}`, { role: 'cook' })
    const answers = await Promise.all([demote(second), demote(own.people.chef.id)])
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409])
  })

  it('save the same week once', async () => {
    const own = await test.house()
    const week = (await own.manager.get('/api/week')).body as { id: string }[]
    const wanted = [
      ...week,
      { id: newId(), kind: 'service', weekday: 6, name: 'late supper', starts: '22:30', ends: '23:45' },
    ]
    await Promise.all([1, 2, 3].map(() => own.manager.send('PUT', '/api/week', wanted)))
    expect((await own.manager.get('/api/week')).body).toHaveLength(week.length + 1)
  })

  it('add two knives that nobody numbered, and each gets a number of its own', async () => {
    const added = await Promise.all(Array.from({ length: 6 }, () => addTestKnife(house, { type: 'petty' })))
    const codes = added.map(({ code }: { code: string }) => code)
    expect(new Set(codes).size).toBe(6)
    expect(codes.every((code) => code.startsWith('PE-'))).toBe(true)
  })

  it('may change a stone while a knife is counted on it: the count stays', async () => {
    const id = newId()
    await house.manager.post('/api/gear', { id, name: 'Counted', kind: 'soaking-stone', scale: 'JIS', grit: 1000 })
    const count = (): Promise<unknown> =>
      changeHouse(test.app.db, house.houseId, (change) =>
        change.query('update gear set knives_since = knives_since + 1 where house_id = $1 and id = $2', [
          house.houseId,
          id,
        ]),
      )
    await Promise.all(
      Array.from({ length: 5 }, (_, at) => [
        count(),
        house.manager.send('PATCH', `/api/gear/${id}`, { compound: `paste ${at}` }),
      ]).flat(),
    )
    const gear = (await house.manager.get('/api/gear')).body as { id: string; knivesSince: number }[]
    expect(gear.find((one) => one.id === id)?.knivesSince).toBe(5)
  })
})

describe('what another has already', () => {
  it('is refused by the name that was typed, in one place for all', async () => {
    const name = `Sauté ${newId().slice(0, 4)}`
    const station = { board: 'rubber', product: 'mixed', hoursPerService: 1, active: true }
    const add = (): ReturnType<TestHouse['manager']['post']> =>
      house.manager.post('/api/stations', { ...station, id: newId(), name })
    expect((await add()).status).toBe(200)
    const { status, body } = await add()
    expect(status).toBe(409)
    expect(body.error.sentence).toContain(name)
    expect(body.error.issues[0].path).toBe('name')
  })
})

describe('a recipe that was changed', () => {
  it('is told to open screens', async () => {
    const before = await revision()
    const [{ recipe }] = (await house.manager.get('/api/recipes')).body as [{ recipe: { id: string } }]
    expect((await house.manager.send('PUT', `/api/recipes/${recipe.id}`, recipe)).status).toBe(200)
    expect(await revision()).toBe(before + 1)
    await house.manager.send('DELETE', `/api/recipes/${recipe.id}`)
    expect(await revision()).toBe(before + 2)
  })
})

describe('work sent in another’s name', () => {
  it('is refused, whoever is signed in', async () => {
    const tablet = await onTablet(test, house, 'cook')
    const knife = await addTestKnife(house)
    const events = [
      { id: newId(), knifeId: knife.id, kind: 'honed', at: '2026-03-10T15:00:10Z', payload: { tool: 'strop' } },
    ]
    const as = (personId: string): ReturnType<typeof tablet.send> =>
      tablet.send('POST', '/api/events', { events }, { 'yorvik-person': personId })
    const other = await as(house.people.sharpener.id)
    expect([other.status, other.body.error.code]).toEqual([409, 'other-person'])
    expect((await as(house.people.cook.id)).status).toBe(200)
  })
})
