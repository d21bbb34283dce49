import { expect, test } from '@playwright/test'
import { MINUTE_MS } from '../../core/time'
import { openAsManager } from './kitchen'

test('the board that eats edges and the hand with dull tips are found and said in words', async ({ page }) => {
  await openAsManager(page, '/learned')
  await expect(page.getByText(/Banquet prep eats edges: [\d.]+ times as fast as it should/)).toBeVisible()
  await expect(
    page.getByText(
      /Corin Hale’s edges come out needing more force: tip \d+ %; judged after five to six hours of use, they last \d+ % shorter/,
    ),
  ).toBeVisible()
  await expect(page.getByText(/Oda Finch’s edges come out as the house’s usual ones/)).toBeVisible()
  await expect(page.getByText('the readings do not say yet').first()).toBeVisible()
  await expect(page.locator('.main-svg').first()).toBeVisible()
})

test('who logs all, some or none of their honing is told in words, on the house’s page and on the knife’s', async ({
  page,
}) => {
  await openAsManager(page, '/learned')
  await expect(
    page.getByText(/Wren Askew’s knives are honed before nearly every service; all of it logged/),
  ).toBeVisible()
  await expect(page.getByText(/Bram Kessel’s knives are honed .*; none of it logged/)).toBeVisible()
  await expect(page.getByText(/Leif Oster’s knives are .*That is less than was said \(each time\)/)).toBeVisible()
  await page.goto(`${new URL(page.url()).origin}/knife/CH-02`)
  await expect(page.getByText(/It is honed before about .* (half|most) of that is logged/i)).toBeVisible()
  await page.goto(`${new URL(page.url()).origin}/knife/CH-05`)
  await expect(page.getByText('None of that is logged: its edge tells it.', { exact: false })).toBeVisible()
})

test('the knife past honing says so on Today and on its page, with the curve and its numbers', async ({ page }) => {
  await openAsManager(page, '/today')
  await expect(page.getByRole('region', { name: 'Ilse Brandt' })).toContainText('Honing no longer helps.')
  await page.goto(`${new URL(page.url()).origin}/knife/CH-07`)
  await expect(page.locator('.verdict')).toContainText('Honing no longer helps.')
  await expect(
    page
      .getByRole('img', { name: /Force of CH-07 at the tip/ })
      .locator('.main-svg')
      .first(),
  ).toBeVisible()
  await expect(page.getByRole('table', { name: /Services ahead/ })).toContainText('>99 %')
  await expect(page.getByText(/the rest is worn, and only a stone brings that back/)).toBeVisible()
  await page.getByRole('group', { name: 'Zone' }).getByRole('button', { name: 'heel' }).click()
  await expect(page.getByRole('img', { name: /Force of CH-07 at the heel/ })).toBeVisible()
})

test('the knife due for thinning and the one nobody has read are told from the others', async ({ page }) => {
  await openAsManager(page, '/knife/BN-02')
  await expect(page.locator('.verdict')).toContainText('half as much again')
  await expect(page.getByText(/Thinning is due: 0.5\d mm behind the edge/)).toBeVisible()
  await page.goto(`${new URL(page.url()).origin}/knife/SA-03`)
  await expect(
    page.getByText('Nobody has read it yet: this is what knives of its steel, job and station do here'),
  ).toBeVisible()
})

test('a working angle that does not fit is warned of on the knife’s page', async ({ page }) => {
  await openAsManager(page, '/house?part=people')
  await page.getByRole('button', { name: 'Change Leif Oster' }).click()
  await page.getByLabel('Working angle').fill('23')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('dialog')).toBeHidden()
  await page.goto(`${new URL(page.url()).origin}/knife/CH-04`)
  await expect(
    page.getByText('Leif Oster works at 23°, this edge stands at 17°: each honing puts a fatter micro-bevel on it.'),
  ).toBeVisible()
})

test('everything is worked out again with progress, and comes out the same', async ({ page }) => {
  await openAsManager(page, '/knife/CH-09')
  const forces = await page.locator('.zones').textContent()
  await page.goto(`${new URL(page.url()).origin}/learned`)
  await page.getByRole('button', { name: 'Work out again' }).click()
  await expect(page.getByText('Done: 48 knives.')).toBeVisible({ timeout: MINUTE_MS })
  await page.goto(`${new URL(page.url()).origin}/knife/CH-09`)
  await expect(page.locator('.zones')).toHaveText(forces ?? '')
})
