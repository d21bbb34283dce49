import { expect, test, type Page } from '@playwright/test'
import { DEMO, openAsManager } from './kitchen'

/** A kind of which the sample house has one, three weeks after its last stone, so that no other test misses it. */
const TYPE = 'heavy-single-bevel'
const KIND = 'heavy single-bevel'

async function choose(page: Page, field: string, option: string): Promise<void> {
  await page.getByRole('dialog').getByRole('combobox', { name: field }).click()
  const search = page.getByRole('searchbox')
  if (await search.isVisible()) await search.fill(option)
  await page.getByRole('option', { name: option, exact: true }).click()
  await expect(page.getByRole('option')).toHaveCount(0)
}

test.afterAll(async ({ request }) => {
  await request.post(`${DEMO}/api/session`, { data: { signInName: 'maren', password: 'ferry-landing' } })
  expect((await request.patch(`${DEMO}/api/house`, { data: { policies: [] } })).ok()).toBe(true)
})

test('a house rule is made, Today and the week follow it, and a year of each way is read in a sentence', async ({
  page,
}) => {
  test.setTimeout(90_000)
  await openAsManager(page, '/house?part=rules')
  await expect(page.getByText('No rule: each edge decides')).toBeVisible()
  await page.getByRole('button', { name: 'Add a rule' }).click()
  const dialog = page.getByRole('dialog')
  await choose(page, 'For', 'A kind of knife')
  await choose(page, 'Which', KIND)
  // a way that lives by the rod cannot go without honing: said beside its field, and nothing is kept
  await choose(page, 'To the stone', 'two or three times a year')
  await choose(page, 'Honing', 'never')
  await dialog.getByRole('button', { name: 'Save' }).click()
  await expect(dialog.getByText('cannot go without honing')).toBeVisible()
  await choose(page, 'Honing', 'before each service')
  await choose(page, 'To the stone', 'every few weeks')
  await dialog.getByRole('textbox', { name: 'Weeks between' }).fill('1')
  await dialog.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText(`${KIND}: to the stone every week`, { exact: false })).toBeVisible()

  const { knives } = (await (await page.request.get(`${DEMO}/api/fleet`)).json()) as {
    knives: { code: string; type: string; verdict: { reasons: { code: string }[] } }[]
  }
  const ruled = knives.filter(({ type }) => type === TYPE)
  expect(ruled.length).toBeGreaterThan(0)
  for (const { verdict } of ruled) expect(verdict.reasons[0]?.code).toMatch(/^rule-/)

  await page.goto(`${DEMO}/today`)
  await expect(page.getByText('House rule:').first()).toBeVisible()
  await page.goto(`${DEMO}/week`)
  await expect(page.getByText(/goes? by (a )?house rules?/)).toBeVisible({ timeout: 20_000 })

  await page.goto(`${DEMO}/year`)
  await page.getByRole('button', { name: 'Play the year' }).click()
  await page.getByRole('button', { name: 'Stop' }).click()
  await expect(page.getByRole('table')).toHaveCount(0)
  await page.getByRole('textbox', { name: 'An hour of work' }).fill('20')
  await page.getByRole('button', { name: 'Play the year' }).click()
  const sentence = page.getByRole('status').filter({ hasText: 'one way comes out best' })
  await expect(sentence).toBeVisible({ timeout: 60_000 })
  await expect(sentence).toContainText(/leaves the fewest dull hours: [\d,]+ h, for [\d,]+ h at the bench/)
  await expect(sentence).toContainText(/costs least: [\d,.]+ a year/)
  // every way has its row, the house's own first
  const rows = page.getByRole('table').getByRole('row')
  await expect(rows).toHaveCount(10)
  await expect(rows.nth(1)).toContainText('As the house does now')
})

test('the week of the sample house has sittings: one person, several knives, laid out and cleared away once', async ({
  page,
}) => {
  await openAsManager(page, '/week')
  await expect(page.getByText(/\d+ sessions, \d+ min of bench work/)).toBeVisible({ timeout: 20_000 })
  await expect(page.getByText(/ at (Back|Window) bench, \d\d:\d\d–\d\d:\d\d: \d+ knives/).first()).toBeVisible()
  expect(await page.locator('.lane .sitting').count()).toBeGreaterThan(0)
  expect(await page.locator('.lane .sitting').count()).toBeLessThan(await page.locator('.session').count())
})
