import { expect, test, type Page } from '@playwright/test'
import { LANGUAGE_TRAITS, LANGUAGES } from '../../contract/languages'
import { DEMO_SIGN_IN } from '../../demo/house'
import { speaker } from '../../words/say'
import { DEMO, openAsManager } from './kitchen'
import { LANGUAGE, said } from './words'

/** A language that the houses of this run do not speak. */
const OTHER = LANGUAGES.find((one) => one !== LANGUAGE && one !== 'en') ?? 'de'
const other = speaker(OTHER)
const spoken = (page: Page) => page.locator('html').getAttribute('lang')

test.describe('a browser that asks for a fifth language', () => {
  test.use({ locale: 'it-IT' })
  test('gets the house’s', async ({ page }) => {
    await openAsManager(page, '/today')
    await expect(page.locator('section.person').first()).toBeVisible()
    expect(await spoken(page)).toBe(LANGUAGE)
  })
})

test('the language chosen on the sign-in page is kept there, and refusals speak it too', async ({ page }) => {
  await page.goto(`${DEMO}/sign-in`)
  await page.getByRole('button', { name: LANGUAGE_TRAITS[OTHER].name }).click()
  await expect(page.getByRole('heading', { name: other('door.signIn') })).toBeVisible()
  await page.reload()
  await expect(page.getByRole('heading', { name: other('door.signIn') })).toBeVisible()
  expect(await spoken(page)).toBe(OTHER)
  await page.getByLabel(other('field.signInName')).fill(DEMO_SIGN_IN.signInName)
  await page.getByLabel(other('field.password'), { exact: true }).fill('not this one at all')
  await page.getByRole('button', { name: other('door.enter') }).click()
  await expect(page.getByText(other('fault.wrong-sign-in'))).toBeVisible()
  // whoever comes in is spoken to as their house is
  await page.getByLabel(other('field.password'), { exact: true }).fill(DEMO_SIGN_IN.password)
  await page.getByRole('button', { name: other('door.enter') }).click()
  await expect(page.locator('section.person').first()).toBeVisible()
  expect(await spoken(page)).toBe(LANGUAGE)
})

test.describe('without a network', () => {
  test.use({ serviceWorkers: 'allow' })
  test('a person’s own language is spoken on, and the tablet speaks as whoever is signed in', async ({
    page,
    context,
  }) => {
    await openAsManager(page, '/today')
    const choose = async (language: string | null): Promise<void> => {
      expect((await page.request.put(`${DEMO}/api/me/language`, { data: { language } })).ok()).toBe(true)
    }
    await choose(OTHER)
    try {
      await page.goto(`${DEMO}/today`)
      await page.evaluate(async () => {
        await navigator.serviceWorker.ready
      })
      await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true)
      await page.goto(`${DEMO}/today`)
      await expect(page.getByRole('link', { name: other('nav.rack') })).toBeVisible()
      await context.setOffline(true)
      await page.goto(`${DEMO}/rack`)
      await expect(page.getByRole('heading', { level: 1, name: other('place.rack') })).toBeVisible()
      expect(await spoken(page)).toBe(OTHER)
      await context.setOffline(false)
      // somebody else takes the tablet
      await page.request.post(`${DEMO}/api/devices`, { data: { name: 'Wall', kind: 'tablet' } })
      const door = (await (await page.request.get(`${DEMO}/api/sign-in`)).json()) as {
        device: { people: { id: string; name: string }[] }
      }
      const personId = door.device.people.find(({ name }) => name === 'Wren Askew')?.id
      await page.request.post(`${DEMO}/api/session/pin`, { data: { personId, pin: DEMO_SIGN_IN.pin } })
      await page.goto(`${DEMO}/roll`)
      await expect(page.getByText(said('myday.before')).first()).toBeVisible()
      expect(await spoken(page)).toBe(LANGUAGE)
    } finally {
      const { signInName, password } = DEMO_SIGN_IN
      await page.request.post(`${DEMO}/api/session`, { data: { signInName, password } })
      await choose(null)
    }
  })
})
