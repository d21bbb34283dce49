import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { addTestKnife, check, onTablet, startApp, PASSWORD, type TestApp, type TestHouse } from '../../testing/harness'

let test: TestApp
let harbour: TestHouse
let mill: TestHouse
beforeAll(async () => {
  test = await startApp()
  harbour = await test.house('Harbour')
  mill = await test.house('Mill')
})
afterAll(() => test.close())

const codeFor = async (house: TestHouse, personId: string): Promise<string> =>
  (await house.manager.post(`/api/people/${personId}/door-code`)).body.code

describe('somebody of two houses', () => {
  it('goes from one to the other after a code from there, and only there', async () => {
    const alone = await harbour.manager.get('/api/me/houses')
    expect(alone.body).toMatchObject([{ houseName: 'Harbour', isThis: true }])
    const code = await codeFor(mill, mill.people.sharpener.id)
    const both = await harbour.manager.post('/api/me/houses', { code })
    expect(both.body).toMatchObject([
      { houseName: 'Harbour', isThis: true, role: 'chef' },
      { houseName: 'Mill', isThis: false, role: 'sharpener' },
    ])
    expect((await harbour.manager.post('/api/me/houses', { code })).status).toBe(401)

    const traveller = test.client()
    await traveller.post('/api/session', { signInName: harbour.signInName, password: PASSWORD })
    const there = await traveller.post('/api/session/house', { houseId: mill.houseId })
    expect(there.body).toMatchObject({ house: { name: 'Mill' }, person: { role: 'sharpener' } })
    // what only a chef may is not theirs there, and nothing of the first house comes along
    expect((await traveller.get('/api/devices')).status).toBe(403)
    expect((await traveller.get('/api/fleet')).body.people.map(({ id }: { id: string }) => id)).not.toContain(
      harbour.people.chef.id,
    )
    const back = await traveller.post('/api/session/house', { houseId: harbour.houseId })
    expect(back.body).toMatchObject({ house: { name: 'Harbour' }, person: { role: 'chef' } })
    const third = await test.house('Third')
    expect((await traveller.post('/api/session/house', { houseId: third.houseId })).status).toBe(404)
  })

  it('gives whoever runs one of their houses no way into the others', async () => {
    const [home, second, third] = [await test.house('Home'), await test.house('Second'), await test.house('Elsewhere')]
    await home.manager.post('/api/me/houses', { code: await codeFor(second, second.people.cook.id) })
    // the manager there takes the person over by another code, and finds only their own house
    const thief = test.client()
    const code = await codeFor(second, second.people.cook.id)
    const signInName = `thief-${Date.now()}`
    expect((await thief.post('/api/session/code', { code, signInName, password: PASSWORD })).status).toBe(200)
    expect((await thief.get('/api/me/houses')).body).toMatchObject([{ houseName: 'Second' }])
    expect((await thief.post('/api/session/house', { houseId: home.houseId })).status).toBe(404)
    // or hands that person to somebody in a third house, who gets that person and nobody else
    await home.manager.post('/api/me/houses', { code: await codeFor(second, second.people.cook.id) })
    const taken = await third.manager.post('/api/me/houses', { code: await codeFor(second, second.people.cook.id) })
    expect(taken.body.map(({ houseName }: { houseName: string }) => houseName)).toEqual(['Elsewhere', 'Second'])
  })

  it('is nobody’s elsewhere by a file: a house taken out does not say it, and one brought in is not believed', async () => {
    const [home, second] = [await test.house('Kept'), await test.house('Linked')]
    await home.manager.post('/api/me/houses', { code: await codeFor(second, second.people.cook.id) })
    const { body: file } = await home.manager.get('/api/house/whole.json')
    expect(JSON.stringify(file)).not.toContain('account_id')
    const { account } = await test.app.db.one<{ account: string }>(
      'select account_id as account from people where house_id = $1 and id = $2',
      [home.houseId, home.people.chef.id],
    )
    for (const person of file.parts.people) person.account_id = account
    // a house with nobody in it yet but its manager, made by a link
    await home.manager.post('/api/chain', { name: 'For a file' })
    const { body: link } = await home.manager.post('/api/chain/links')
    const forger = test.client()
    const first = { houseName: 'Forged', zone: 'UTC', units: 'mm', managerName: 'F', password: PASSWORD }
    await forger.post('/api/first-run', { ...first, setUpCode: link.code, signInName: `forger-${Date.now()}` })
    const brought = await forger.post('/api/house/whole', { file, personId: home.people.chef.id })
    expect(brought.status).toBe(200)
    expect((await forger.get('/api/me/houses')).body).toHaveLength(1)
    expect((await forger.post('/api/session/house', { houseId: home.houseId })).status).toBe(404)
  })

  it('is not taken twice into a house, and not by a tablet', async () => {
    const code = await codeFor(mill, mill.people.cook.id)
    expect((await harbour.manager.post('/api/me/houses', { code })).status).toBe(409)
    const own = await codeFor(harbour, harbour.people.cook.id)
    expect((await harbour.manager.post('/api/me/houses', { code: own })).status).toBe(409)
    const tablet = await onTablet(test, harbour, 'chef')
    const refused = await tablet.post('/api/session/house', { houseId: mill.houseId })
    expect(refused.status).toBe(403)
    expect(refused.body.error.sentence).toContain('tablet')
  })

  it('is locked out after guessing at codes', async () => {
    const guesser = await test.house('Guesser')
    const statuses: number[] = []
    for (let at = 0; at < 10; at++)
      statuses.push((await guesser.manager.post('/api/me/houses', { code: `guess${at}guess` })).status)
    expect(statuses.slice(0, 8)).toEqual(Array(8).fill(401))
    expect(statuses.at(-1)).toBe(429)
  })
})

describe('a chain', () => {
  it('grows by links that work once, and its page is its owner’s alone', async () => {
    const owner = await test.house('Owner’s')
    const other = await test.house('Other')
    expect((await owner.manager.get('/api/chain')).body).toEqual({ chain: null })
    expect((await owner.manager.get('/api/chain/page')).status).toBe(409)
    const made = await owner.manager.post('/api/chain', { name: 'Three ovens' })
    expect(made.body.chain).toMatchObject({ name: 'Three ovens', houses: 1, isOwner: true, namesAllowed: false })
    expect((await owner.manager.post('/api/chain', { name: 'Again' })).status).toBe(409)

    const { body: link } = await owner.manager.post('/api/chain/links')
    const joined = await other.manager.post('/api/chain/house', { code: link.code })
    expect(joined.body.chain).toMatchObject({ name: 'Three ovens', houses: 2, isOwner: false })
    const third = await test.house('Late')
    expect((await third.manager.post('/api/chain/house', { code: link.code })).status).toBe(409)
    expect((await other.manager.get('/api/chain/page')).status).toBe(403)
    expect((await other.manager.post('/api/chain/links')).status).toBe(403)

    const { body: page } = await owner.manager.get('/api/chain/page')
    expect(page.houses.map(({ name }: { name: string }) => name)).toEqual(['Other', 'Owner’s'])
    expect((await other.manager.send('DELETE', '/api/chain')).status).toBe(200)
    const { body: after } = await owner.manager.get('/api/chain/page')
    expect(after.houses.map(({ name }: { name: string }) => name)).toEqual(['Owner’s'])
    // who did it stands in the house's own trail
    const { body: trail } = await other.manager.get('/api/house/trail')
    expect(trail.entries[0]).toMatchObject({ subject: 'chain_houses', act: 'removed', personId: other.people.chef.id })
  })

  it('makes a new house by a link, whose manager is whoever opened it', async () => {
    const owner = await test.house('First of many')
    await owner.manager.post('/api/chain', { name: 'Many' })
    const { body: link } = await owner.manager.post('/api/chain/links')
    const newcomer = test.client()
    const first = {
      setUpCode: link.code,
      houseName: 'Second of many',
      zone: 'Europe/Paris',
      units: 'mm',
      managerName: 'Nour',
      signInName: `nour-${Date.now()}`,
      password: PASSWORD,
    }
    const made = await newcomer.post('/api/first-run', first)
    expect(made.body).toMatchObject({ house: { name: 'Second of many' }, person: { name: 'Nour', role: 'chef' } })
    expect((await newcomer.get('/api/chain')).body.chain).toMatchObject({ name: 'Many', isOwner: false })
    const again = await test.client().post('/api/first-run', { ...first, signInName: 'another' })
    expect(again.status).toBe(409)
    const { body: second } = await owner.manager.post('/api/chain/links')
    const taken = await test.client().post('/api/first-run', { ...first, setUpCode: second.code })
    expect(taken.status).toBe(409)
    expect(taken.body.error.issues[0].path).toBe('signInName')
    // a name that was taken has not used the link up
    expect(
      (await test.client().post('/api/first-run', { ...first, setUpCode: second.code, signInName: 'lena-x' })).status,
    ).toBe(200)
  })

  it('shows figures of each house, and names only where the house allows it', async () => {
    const owner = await test.house('A')
    const other = await test.house('B')
    await owner.manager.post('/api/chain', { name: 'Pair' })
    const { body: link } = await owner.manager.post('/api/chain/links')
    await other.manager.post('/api/chain/house', { code: link.code })
    const knife = await addTestKnife(other, { code: 'B-1' })
    await other.manager.post('/api/events', { events: [check(knife.id, 600, 620, 640)] })
    await addTestKnife(owner, { code: 'A-1' })
    const { body } = await owner.manager.get('/api/chain/page')
    expect(body.houses).toMatchObject([
      { name: 'A', knives: 1, unseen: 1, readingsPerKnife: 0, within: null },
      { name: 'B', knives: 1, inLimit: 0, readingsPerKnife: 1, within: { n: 1, share: 0 } },
    ])
    expect(body.houses[1].dullHoursAhead).toBeGreaterThan(body.houses[0].dullHoursAhead)
    expect(JSON.stringify(body)).not.toContain(other.people.cook.name)
    expect((await other.manager.send('PUT', '/api/chain/names', { allowed: true })).body.chain.namesAllowed).toBe(true)
  })
})
