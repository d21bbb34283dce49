import { expect, test, type Locator, type Page } from '@playwright/test'
import { DEMO_SIGN_IN } from '../../demo/house'
import { DEMO } from './kitchen'
import { begins, say, weekday, keyNamed } from './words'

const MOST_TABS = 60

/** Goes from control to control with Tab until one is reached; whoever has no mouse has no other way. */
async function tabTo(page: Page, wanted: Locator): Promise<void> {
  await expect(wanted).toBeVisible()
  for (let tabs = 0; tabs < MOST_TABS; tabs++) {
    if (await wanted.evaluate((one) => one === document.activeElement)) {
      // where the keys are can be seen: an outline, or the dark key's own ring
      expect(await wanted.evaluate((one) => getComputedStyle(one).outlineStyle)).not.toBe('none')
      return
    }
    await page.keyboard.press('Tab')
  }
  throw new Error(`${String(wanted)} is not reached in ${MOST_TABS} steps`)
}

test('the main job by keyboard alone: sign in, find a knife, check it, sharpen it, and plan the week', async ({
  page,
}) => {
  test.setTimeout(120_000)
  await page.goto(DEMO)
  await tabTo(page, page.getByLabel(say('field.signInName')))
  await page.keyboard.type(DEMO_SIGN_IN.signInName)
  await tabTo(page, page.getByLabel(say('field.password'), { exact: true }))
  await page.keyboard.type(DEMO_SIGN_IN.password)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { level: 1 })).toContainText(weekday(2))

  await expect(page.locator('section.person').first()).toBeVisible()
  await page.keyboard.press('/')
  await expect(page.getByRole('searchbox', { name: say('finder.title') })).toBeFocused()
  await page.keyboard.type('fi03')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'FI-03' })).toBeVisible()

  await page.keyboard.press('c')
  await expect(page.getByRole('list', { name: say('check.spots') })).toBeVisible()
  for (const force of ['330', '335', '340']) {
    await page.keyboard.type(force)
    await page.keyboard.press('Enter')
  }
  await page.keyboard.press('Enter')
  await expect(page.locator('[data-test=verdict]')).toBeVisible()
  await page.keyboard.press('Escape')

  await page.goto(`${DEMO}/bench/FI-03`)
  await tabTo(page, page.getByRole('button', { name: keyNamed('bench.start') }))
  await page.keyboard.press('Enter')
  const stroke = page.getByRole('button', { name: begins('bench.stroke') })
  await expect(page.getByRole('list', { name: say('bench.title') })).toBeVisible()
  await expect(async () => {
    if (!(await stroke.isVisible())) await page.keyboard.press('Enter')
    await expect(stroke).toBeVisible({ timeout: 700 })
  }).toPass({ timeout: 20_000 })
  for (let count = 0; count < 6; count++) await page.keyboard.press('Space')
  await expect(page.locator('.count .big')).toHaveText('6')
  await tabTo(page, page.getByRole('button', { name: say('bench.abandon') }))
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'FI-03' })).toBeVisible()

  await page.goto(`${DEMO}/week`)
  const session = page.locator('.session').first()
  await expect(session).toBeVisible({ timeout: 20_000 })
  await tabTo(page, session)
  await page.keyboard.press('Enter')
  await page.keyboard.press('l')
  await expect(page.getByRole('button', { name: say('week.unlock') })).toBeVisible()
  await page.keyboard.press('l')
  await expect(page.getByRole('button', { name: say('week.lock') })).toBeVisible()
})
