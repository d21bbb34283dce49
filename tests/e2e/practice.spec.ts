import { expect, test } from '@playwright/test'
import { complaints, openAsManager } from './kitchen'

test('a first try is seen, judged and drawn, and can be taken back', async ({ page }) => {
  test.setTimeout(90_000)
  const problems = complaints(page)
  await openAsManager(page, '/roll')
  await page.getByRole('link', { name: 'Practise an angle' }).click()
  await expect(page.getByText('No inclinometer is on the line yet.')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Begin' })).toBeDisabled()

  await page.getByRole('button', { name: 'No inclinometer? A made-up hand' }).click()
  await page.getByRole('button', { name: 'a first try' }).click()
  await page.getByRole('button', { name: 'Begin' }).click()
  await expect(page.getByText(/Stroke 2 of 20/)).toBeVisible({ timeout: 20_000 })
  await page.getByRole('button', { name: 'Stop, without a record' }).click()
  await expect(page.getByText('Before', { exact: true })).toHaveCount(0)

  await page.getByRole('button', { name: 'Begin' }).click()
  await expect(page.getByRole('heading', { name: 'Before' })).toBeVisible({ timeout: 60_000 })
  // the tip of a first try lifts, or it rocks: the one or the other is the lesson
  await expect(page.getByRole('heading', { name: /The tip lifts|It rocks|Too steep|new guess/ })).toBeVisible()
  await expect(page.getByRole('img', { name: /^Section as it was meant, 17° a side/ })).toBeVisible()
  const made = page.getByRole('img', { name: /^Section that these strokes grind/ })
  const angle = Number(/([\d.]+)° a side/.exec((await made.getAttribute('aria-label')) ?? '')?.[1])
  expect(angle).toBeGreaterThan(18.5)
  // rounded: its outline has many small faces where the one meant has two
  const corners = (of: string | null): number => (of ?? '').trim().split(' ').length
  expect(corners(await made.locator('polygon.steel').getAttribute('points'))).toBeGreaterThan(
    corners(await made.locator('polygon.meant').getAttribute('points')) + 4,
  )

  await expect(page.locator('.before li')).toHaveCount(1)
  await page.getByRole('button', { name: 'Take back' }).click()
  await expect(page.locator('.before li')).toHaveCount(0)
  expect(problems).toEqual([])
})
