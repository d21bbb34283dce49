import { createHmac } from 'node:crypto'
import { v7 as newId } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { SignedIn } from '../../../contract/house'
import { DAY_MS } from '../../../core/time'
import {
  addTestKnife,
  event,
  NOW,
  onTablet,
  PASSWORD,
  startApp,
  type Client,
  type TestApp,
  type TestHouse,
} from '../../testing/harness'

let test: TestApp
let house: TestHouse
let now = NOW
beforeAll(async () => {
  test = await startApp({ clock: () => now })
  house = await test.house()
})
afterAll(() => test.close())

const signedIn = async (client: Client): Promise<SignedIn> => (await client.get('/api/session')).body

/** A record as a device keeps it: with an HMAC under the key it was given, as RFC 2104 has it. */
function kept(who: SignedIn, record: object): { personId: string; text: string; mark: string } {
  const text = JSON.stringify(record)
  const { begin, key } = who.marking
  const mac = createHmac('sha256', Buffer.from(key, 'base64url')).update(text).digest('base64url')
  return { personId: who.person.id, text, mark: `${begin}.${mac}` }
}
const honing = async (): Promise<{ id: string; kind: string; event: Record<string, unknown>; knifeId: string }> => {
  const knife = await addTestKnife(house)
  const honed = event(knife.id, 'honed', { tool: 'strop' })
  return { id: String(honed['id']), kind: 'event', event: honed, knifeId: knife.id }
}
const bring = (carrier: Client, record: object): ReturnType<Client['post']> =>
  carrier.post('/api/marked-records', record)
const lastOf = async (knifeId: string): Promise<{ kind: string; personId: string }> =>
  (await house.manager.get(`/api/knives/${knifeId}/events`)).body[0]

describe('what somebody left on a device', () => {
  it('goes out with whoever is there next, in the name of who made it, once', async () => {
    const [cook, sharpener] = [await onTablet(test, house, 'cook'), await onTablet(test, house, 'sharpener')]
    const record = await honing()
    const marked = kept(await signedIn(cook), record)
    await cook.send('DELETE', '/api/session')
    expect((await bring(sharpener, marked)).status).toBe(200)
    expect((await bring(sharpener, marked)).status).toBe(200)
    expect(await lastOf(record.knifeId)).toMatchObject({ kind: 'honed', personId: house.people.cook.id })
    const log = (await house.manager.get(`/api/knives/${record.knifeId}/events`)).body as { kind: string }[]
    expect(log.filter(({ kind }) => kind === 'honed')).toHaveLength(1)
  })

  it('may be no more than its maker may, whoever brings it', async () => {
    const cook = await onTablet(test, house, 'cook')
    const knife = await addTestKnife(house)
    const moved = event(knife.id, 'sharpened', { finishMicron: 3 })
    const refused = await bring(
      house.manager,
      kept(await signedIn(cook), { id: moved['id'], kind: 'event', event: moved }),
    )
    expect([refused.status, refused.body.error.code]).toEqual([403, 'not-allowed'])
    expect(await lastOf(knife.id)).toMatchObject({ kind: 'added' })
  })

  it('is taken as it was marked, and from nobody else', async () => {
    const cook = await onTablet(test, house, 'cook')
    const record = await honing()
    const marked = kept(await signedIn(cook), record)
    const other = await test.house('Other')
    const forged = [
      { ...marked, text: marked.text.replace('strop', 'steel-rod') },
      { ...marked, personId: house.people.chef.id },
      { ...marked, mark: marked.mark.replace(/^\d+/, String(NOW.getTime() + 1)) },
      { ...marked, mark: '' },
      { ...marked, mark: '1.2.3.4' },
    ]
    for (const wrong of forged) expect((await bring(house.manager, wrong)).status).toBe(409)
    expect((await bring(other.manager, marked)).status).toBe(409)
    expect(await lastOf(record.knifeId)).toMatchObject({ kind: 'added' })
    const nothing = kept(await signedIn(cook), { kind: 'wish' })
    expect((await bring(house.manager, nothing)).status).toBe(422)
  })

  it('waits for its maker once they signed out everywhere, the tablet was revoked, they left, or two days are over', async () => {
    const cook = await onTablet(test, house, 'cook')
    const cookMarks = await signedIn(cook)
    const [device] = (await house.manager.get('/api/devices')).body as { id: string; name: string }[]
    const sharpener = test.client()
    await sharpener.post('/api/session', { signInName: house.signInName, password: PASSWORD })
    const refused = async (who: SignedIn): Promise<string> =>
      (await bring(house.manager, kept(who, await honing()))).body.error?.code ?? 'taken'

    expect(await refused(cookMarks)).toBe('taken')
    const late = kept(cookMarks, await honing())
    now = new Date(NOW.getTime() + 2 * DAY_MS + 1)
    await sharpener.post('/api/session', { signInName: house.signInName, password: PASSWORD })
    expect((await bring(sharpener, late)).body.error.code).toBe('other-person')
    now = NOW

    await house.manager.send('DELETE', `/api/devices/${device?.id ?? ''}`)
    expect(await refused(cookMarks)).toBe('other-person')

    const again = await onTablet(test, house, 'cook')
    const second = await signedIn(again)
    expect(await refused(second)).toBe('taken')
    now = new Date(NOW.getTime() + 1000)
    await again.send('DELETE', '/api/me/sessions')
    now = NOW
    expect(await refused(second)).toBe('other-person')

    now = new Date(NOW.getTime() + 2000)
    const third = await signedIn(await onTablet(test, house, 'cook'))
    expect(await refused(third)).toBe('taken')
    await house.manager.send('PATCH', `/api/people/${house.people.cook.id}`, { active: false })
    expect(await refused(third)).toBe('other-person')
    now = NOW
  })

  it('can be a touch of a session at the bench', async () => {
    const knife = await addTestKnife(house)
    const id = newId()
    const begun = await house.manager.post('/api/bench-sessions', { id, knifeId: knife.id, recipeId: 'strop' })
    expect(begun.status).toBe(200)
    const action = { id: newId(), at: NOW.toISOString(), kind: 'pause' }
    const marked = kept(await signedIn(house.manager), { id: action.id, kind: 'touch', sessionId: id, action })
    const sharpener = await onTablet(test, house, 'sharpener')
    expect((await bring(sharpener, marked)).status).toBe(200)
    const session = (await house.manager.get(`/api/bench-sessions/${id}`)).body
    expect(session.actions).toMatchObject([
      { action: { id: action.id, kind: 'pause' }, personId: house.people.chef.id },
    ])
  })
})
