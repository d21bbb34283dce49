import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Language } from '../../../contract/languages'
import { catalogues, speaker } from '../../../words/say'
import { onTablet, PASSWORD, startApp, type Client, type TestApp, type TestHouse } from '../../testing/harness'

let test: TestApp
let house: TestHouse
beforeAll(async () => {
  test = await startApp()
  house = await test.house()
  await house.manager.send('PATCH', '/api/house', { language: 'de' })
})
afterAll(() => test.close())

const refusal = async (client: Client, asked: string): Promise<string> =>
  (await client.send('PATCH', '/api/house', { name: '' }, { 'Accept-Language': asked })).body.error.issues[0].sentence

const tooShort = (language: Language): string =>
  speaker(language)('fault.too-short', { field: speaker(language)('field.name'), limit: 1 })

describe('the language of a house', () => {
  it('is what its people are spoken to in, until one of them chooses another', async () => {
    const cook = await onTablet(test, house, 'cook')
    expect((await cook.get('/api/session')).body).toMatchObject({ language: 'de', ownLanguage: null })
    const chosen = await cook.send('PUT', '/api/me/language', { language: 'es' })
    expect(chosen.body).toMatchObject({ language: 'es', ownLanguage: 'es' })
    expect((await house.manager.get('/api/session')).body).toMatchObject({ language: 'de', ownLanguage: null })
    const back = await cook.send('PUT', '/api/me/language', { language: null })
    expect(back.body).toMatchObject({ language: 'de', ownLanguage: null })
  })

  it('is one that Yorvik speaks', async () => {
    for (const language of ['it', 'DE', '']) {
      expect((await house.manager.send('PATCH', '/api/house', { language })).status).toBe(422)
      expect((await house.manager.send('PUT', '/api/me/language', { language })).status).toBe(422)
    }
    expect((await house.manager.get('/api/session')).body).toMatchObject({ language: 'de' })
  })

  it('is told to a tablet of the house before anybody signs in', async () => {
    const tablet = await onTablet(test, house, 'cook')
    await tablet.send('DELETE', '/api/session')
    expect((await tablet.get('/api/sign-in')).body).toMatchObject({ language: 'de' })
  })
})

describe('what a browser asks to be spoken to in', () => {
  it('is the language of refusals, regions and fifth languages apart', async () => {
    const german = await refusal(house.manager, 'de-AT,de;q=0.9')
    const french = await refusal(house.manager, 'it, fr;q=0.8, en;q=0.2')
    const english = await refusal(house.manager, 'it')
    expect(new Set([german, french, english]).size).toBe(3)
    expect(german).toBe(tooShort('de'))
    expect(french).toBe(tooShort('fr'))
    expect(english).toBe(tooShort('en'))
  })

  it('holds at the door, where nobody is known yet', async () => {
    const stranger = test.client()
    for (const language of ['en', 'de', 'fr', 'es'] as const) {
      const answer = await stranger.send(
        'POST',
        '/api/session',
        { signInName: house.signInName, password: `${PASSWORD}?` },
        { 'Accept-Language': language },
      )
      expect(answer.body.error.sentence).toBe(catalogues[language].fault['wrong-sign-in'])
    }
  })
})
