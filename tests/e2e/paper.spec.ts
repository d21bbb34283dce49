import { expect, test } from '@playwright/test'
import { openAsManager } from './kitchen'
import { own, said } from './words'

/** Points at 72 to the inch, as a PDF counts: ISO 216 A4 is 210 × 297 mm; Letter is 8.5 × 11 in (ANSI A). */
const FORMATS = { A4: [595, 842], Letter: [612, 792] } as const

const SHEETS = [
  { path: '/today', has: said('day.dullNow'), most: 12 },
  { path: '/week', has: new RegExp(own('Back bench')), most: 12 },
  { path: '/knife/CH-07', has: said('steel.title'), most: 8 },
  { path: '/workshop/CH-07', has: said('workshop.sum'), most: 4 },
  { path: '/roll', has: said('myday.before', { time: /\d\d:\d\d/ }), most: 6 },
  { path: '/learned', has: said('house-learned.title'), most: 14 },
] as const

for (const { path, has, most } of SHEETS) {
  test(`the browser’s own print of ${path} is a sheet: no way around, nothing to press, numbered pages`, async ({
    page,
  }) => {
    await openAsManager(page, path)
    if (path === '/week') await expect(page.getByText(said('week.summary'))).toBeVisible({ timeout: 15_000 })
    else await expect(page.locator('.page')).toContainText(has, { timeout: 15_000 })
    await page.emulateMedia({ media: 'print' })
    await expect(page.locator('.page')).toContainText(has)
    await expect(page.getByRole('navigation')).toHaveCount(0)
    // the words of the trade stay in their sentences; all else that can be pressed stays on the screen
    await expect(page.locator('button:not(.term):visible, input:visible, [role=combobox]:visible')).toHaveCount(0)
    for (const [format, [width, height]] of Object.entries(FORMATS)) {
      const pdf = (await page.pdf({ format })).toString('latin1')
      const boxes = [...pdf.matchAll(/\/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/g)]
      expect(boxes.length).toBeGreaterThan(0)
      expect(boxes.length).toBeLessThanOrEqual(most)
      for (const [, w, h] of boxes) {
        expect(Math.abs(Number(w) - width)).toBeLessThan(2)
        expect(Math.abs(Number(h) - height)).toBeLessThan(2)
      }
    }
  })
}

test('on paper nobody’s part of Today is split where it fits a page', async ({ page }) => {
  await openAsManager(page, '/today')
  await expect(page.locator('.person').first()).toBeVisible()
  await page.emulateMedia({ media: 'print' })
  const breaks = await page
    .locator('.person')
    .evaluateAll((people) => people.map((person) => getComputedStyle(person).breakInside))
  expect(breaks.length).toBeGreaterThan(3)
  expect(new Set(breaks)).toEqual(new Set(['avoid']))
})
