import { expect, test, type Page } from '@playwright/test'
import { DEMO, openAsManager } from './kitchen'
import { NUMBER, own, said, say } from './words'

/** A kind of which the sample house has one, three weeks after its last stone, so that no other test misses it. */
const TYPE = 'heavy-single-bevel'
const KIND = say('type.heavy-single-bevel')

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
  await expect(page.getByText(say('rules.none'))).toBeVisible()
  await page.getByRole('button', { name: say('rules.add') }).click()
  const dialog = page.getByRole('dialog')
  await choose(page, say('rules.scope'), say('rules.scopes.type'))
  await choose(page, say('rules.which'), KIND)
  // a way that lives by the rod cannot go without honing: said beside its field, and nothing is kept
  await choose(page, say('rules.school'), say('rules.schools.few-a-year'))
  await choose(page, say('rules.honing'), say('rules.honings.never'))
  await dialog.getByRole('button', { name: say('shell.save') }).click()
  await expect(dialog.getByText(say('fault.rule-needs-honing'))).toBeVisible()
  await choose(page, say('rules.honing'), say('rules.honings.before-service'))
  await choose(page, say('rules.school'), say('rules.schools.every-weeks'))
  await dialog.getByRole('textbox', { name: say('rules.weeks') }).fill('1')
  await dialog.getByRole('button', { name: say('shell.save') }).click()
  await expect(
    page.getByText(said('rules.said', { whose: KIND, school: say('rules.everyWeeks', { n: 1 }) })),
  ).toBeVisible()

  const { knives } = (await (await page.request.get(`${DEMO}/api/fleet`)).json()) as {
    knives: { code: string; type: string; verdict: { reasons: { code: string }[] } }[]
  }
  const ruled = knives.filter(({ type }) => type === TYPE)
  expect(ruled.length).toBeGreaterThan(0)
  for (const { verdict } of ruled) expect(verdict.reasons[0]?.code).toMatch(/^rule-/)

  await page.goto(`${DEMO}/today`)
  await expect(page.getByText(said('reason.rule-due')).first()).toBeVisible()
  await page.goto(`${DEMO}/week`)
  await expect(page.getByText(said('week.byRule'))).toBeVisible({ timeout: 20_000 })

  await page.goto(`${DEMO}/year`)
  await page.getByRole('button', { name: say('year.play') }).click()
  await page.getByRole('button', { name: say('year.stop') }).click()
  await expect(page.getByRole('table')).toHaveCount(0)
  await page.getByRole('textbox', { name: say('year.wage') }).fill('20')
  await page.getByRole('button', { name: say('year.play') }).click()
  const sentence = page.getByRole('status').filter({ hasText: said('year.sentence') })
  await expect(sentence).toBeVisible({ timeout: 60_000 })
  await expect(sentence).toContainText(
    said('year.fewest', { hours: new RegExp(`${NUMBER.source} h`), bench: new RegExp(`${NUMBER.source} h`) }),
  )
  await expect(sentence).toContainText(said('year.cheapest', { money: NUMBER }))
  // every way has its row, the house's own first
  const rows = page.getByRole('table').getByRole('row')
  await expect(rows).toHaveCount(10)
  await expect(rows.nth(1)).toContainText(say('year.ways.rules'))
})

test('the week of the sample house has sittings: one person, several knives, laid out and cleared away once', async ({
  page,
}) => {
  await openAsManager(page, '/week')
  await expect(page.getByText(said('week.summary'))).toBeVisible({ timeout: 20_000 })
  await expect(
    page
      .getByText(
        said('week.sitting', { bench: new RegExp([own('Back bench'), own('Window bench')].join('|')), n: /\d+/ }),
      )
      .first(),
  ).toBeVisible()
  expect(await page.locator('.lane .sitting').count()).toBeGreaterThan(0)
  expect(await page.locator('.lane .sitting').count()).toBeLessThan(await page.locator('.session').count())
})
