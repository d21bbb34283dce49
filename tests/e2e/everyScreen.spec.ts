import AxeBuilder from '@axe-core/playwright'
import { expect, test } from '@playwright/test'
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

for (const theme of ['light', 'dark'] as const) {
  for (const path of [...SCREENS, '/sign-in'] as const) {
    test(`axe finds nothing serious on ${path}, ${theme}, and the browser does not complain`, async ({ page }) => {
      const heard = complaints(page)
      await page.emulateMedia({ colorScheme: theme, reducedMotion: 'reduce' })
      if (path === '/sign-in') await page.goto(DEMO + path)
      else await openAsManager(page, path)
      await expect(page.locator('h1, header b').first()).toBeVisible()
      await page.waitForLoadState('networkidle').catch(() => undefined)
      const { violations } = await new AxeBuilder({ page })
        .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
        .analyze()
      const grave = violations.filter((one) => one.impact === 'serious' || one.impact === 'critical')
      expect(grave.map((one) => `${one.id}: ${one.nodes.map((node) => node.html.slice(0, 160)).join(' | ')}`)).toEqual(
        [],
      )
      expect(heard).toEqual([])
    })
  }
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
