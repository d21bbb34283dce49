import { expect, test } from '@playwright/test'
import { openAsManager } from './kitchen'

test('without its face the page is read in the device’s own', async ({ page }) => {
  await page.route(/\.woff2?$/, (route) => route.abort())
  await openAsManager(page, '/today')
  await expect(page.locator('.lead').first()).toBeVisible()
  expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0)
})
