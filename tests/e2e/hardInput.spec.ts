import { expect, test } from '@playwright/test'
import { openAsManager } from './kitchen'

test('without its face the page is read in the device’s own, and nothing moves for who wants it still', async ({
  page,
}) => {
  await page.route(/\.woff2?$/, (route) => route.abort())
  await page.emulateMedia({ reducedMotion: 'reduce' })
  await openAsManager(page, '/today')
  await expect(page.locator('.lead').first()).toBeVisible()
  expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0)
  expect(await page.evaluate(() => document.getAnimations().length)).toBe(0)
})
