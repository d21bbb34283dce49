import AxeBuilder from '@axe-core/playwright'
import { expect, test, type Page } from '@playwright/test'
import { complaints, DEMO, openAsManager } from './kitchen'

const SCREENS = [
  '/today',
  '/rack',
  '/rack?view=table',
  '/knife/PE-04',
  '/check/CH-03',
  '/bench/CH-03',
  '/learned',
  '/deliveries',
  '/week',
  '/crew',
  '/roll',
  '/workshop/CH-07',
  '/workshop',
  '/knife/CH-07',
  '/house?part=people',
  '/house?part=stations',
  '/house?part=week',
  '/house?part=gear',
  '/house?part=recipes',
  '/house?part=devices',
  '/house?part=house',
] as const

/** What axe holds to be serious, of all rules or of those about contrast alone. */
async function graveFaults(page: Page, rules?: readonly string[]): Promise<string[]> {
  const axe = new AxeBuilder({ page })
  const { violations } = await (
    rules ? axe.withRules([...rules]) : axe.withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
  ).analyze()
  return violations
    .filter((one) => one.impact === 'serious' || one.impact === 'critical')
    .map((one) => `${one.id}: ${one.nodes.map((node) => node.html.slice(0, 160)).join(' | ')}`)
}

for (const path of [...SCREENS, '/sign-in'] as const) {
  test(`axe finds nothing serious on ${path}, light or dark, and the browser does not complain`, async ({ page }) => {
    const heard = complaints(page)
    await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' })
    if (path === '/sign-in') await page.goto(DEMO + path)
    else await openAsManager(page, path)
    await expect(page.locator('h1, header b').first()).toBeVisible()
    await page.waitForLoadState('networkidle').catch(() => undefined)
    expect(await graveFaults(page)).toEqual([])
    // the screen is the same in the dark but for its colours
    await page.emulateMedia({ colorScheme: 'dark', reducedMotion: 'reduce' })
    expect(await graveFaults(page, ['color-contrast'])).toEqual([])
    expect(heard).toEqual([])
  })
}

for (const [width, height] of [
  [1024, 768],
  [390, 844],
] as const) {
  for (const path of ['/today', '/check/CH-03', '/knife/CH-07', '/rack'] as const) {
    test(`${path} fits a screen ${width} wide without scrolling sideways`, async ({ page }) => {
      await page.setViewportSize({ width, height })
      await openAsManager(page, path)
      await expect(page.locator('svg[role=img]').first()).toBeVisible()
      const overflow = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)
      expect(overflow).toBeLessThanOrEqual(0)
    })
  }
}

test('keys of the check screen are large enough for a knuckle', async ({ page }) => {
  await page.setViewportSize({ width: 1024, height: 768 })
  await openAsManager(page, '/check/CH-03')
  for (const name of ['1', '0', 'Take', 'Record the check', 'Back Esc', 'Silent through paper']) {
    const box = await page
      .getByRole('button', { name, exact: name.length < 5 })
      .first()
      .boundingBox()
    expect(box?.height ?? 0, name).toBeGreaterThanOrEqual(56)
  }
})
