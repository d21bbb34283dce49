import { expect, test } from '@playwright/test'
import { actOnKnife, complaints, DEMO, openAsManager } from './kitchen'

test('a knife is sent out with its slip, is away everywhere, and is taken back changed; the grinder has a record', async ({
  page,
}) => {
  const problems = complaints(page)
  await openAsManager(page, '/knife/PE-07')
  await actOnKnife(page, 'Send it out')
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('To whom').fill('The mill on the hill')
  await dialog.getByRole('button', { name: 'Send it out' }).click()
  await expect(page.getByText('Away, with The mill on the hill.')).toBeVisible()
  await page.goto(`${DEMO}/slip/PE-07`)
  await expect(page.getByText('With The mill on the hill.')).toBeVisible()
  await expect(page.getByText(/\d+° \/ \d+°/)).toBeVisible()
  // no count looks for it
  await page.goto(`${DEMO}/count`)
  await page.getByRole('button', { name: /^All/ }).first().click()
  await expect(page.locator('.tile').first()).toBeVisible()
  await expect(page.locator('.tile').filter({ hasText: 'PE-07' })).toHaveCount(0)
  await page.goto(`${DEMO}/ledger`)
  await expect(page.getByText(/PE-07 with The mill on the hill since/)).toBeVisible()

  await page.goto(`${DEMO}/knife/PE-07`)
  await page.getByRole('button', { name: 'It is back' }).click()
  for (const [zone, force] of [
    ['heel', '182'],
    ['belly', '176'],
    ['tip', '190'],
  ] as const)
    await dialog.getByLabel(zone, { exact: true }).fill(force)
  await dialog.getByLabel('Angle it has now').fill('19')
  await dialog.getByLabel('What it cost').fill('9')
  await dialog.locator('input[type=file]').setInputFiles('docs/screenshots/my-roll-phone.png')
  await expect(dialog.getByText('my-roll-phone.png')).toBeVisible()
  await dialog.getByRole('button', { name: 'It is back' }).click()
  await expect(page.getByText('PE-07 is back.')).toBeVisible()
  await expect(page.getByText('It came back, ground. At 19° a side.')).toBeVisible()
  await expect(page.getByText('19° / 19°')).toBeVisible()
  // the picture stands in the history, and can be taken away again
  const picture = page.locator('img[src^="/api/photos/"]')
  await expect(picture).toHaveCount(1)
  await picture.scrollIntoViewIfNeeded()
  await expect.poll(() => picture.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(50)
  await page.getByRole('button', { name: /^Take the picture of .* away$/ }).click()
  await expect(picture).toHaveCount(0)
  await expect(page.locator('.zones').getByText(/belly 1[789]\d gf, keen/)).toBeVisible()
  await page.goto(`${DEMO}/ledger`)
  const row = page.getByRole('row').filter({ hasText: 'The mill on the hill' })
  await expect(row).toContainText('190 gf')
  await expect(row).toContainText('19°')
  expect(problems).toEqual([])
})

test('what the house pays makes the ledger tell, and the month fits one page that says what was done', async ({
  page,
}) => {
  await openAsManager(page, '/ledger')
  await page.getByRole('button', { name: 'What the house pays' }).click()
  await page.getByLabel('Currency, three letters').fill('xyz')
  for (const role of ['Head chef', 'Sharpener', 'Cook', 'Apprentice'])
    await page.getByLabel(new RegExp(`^${role}$`, 'i')).fill('20')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('Write the currency in three letters')).toBeVisible()
  await page.getByLabel('Currency, three letters').fill('eur')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText(/In twelve months the knives cost €[\d,.]+/)).toBeVisible()
  await expect(page.getByText(/Expect about €[\d,.]+, give or take €/)).toBeVisible()
  const [list] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Take the list out, CSV' }).click(),
  ])
  expect(list.suggestedFilename()).toBe('yorvik-purchases.csv')

  await page.getByRole('link', { name: 'The month on one page' }).click()
  await expect(page.getByRole('heading', { name: 'Hallow Quay, November 2026' })).toBeVisible()
  const checks = page.locator('dt', { hasText: /^Checks$/ }).locator('xpath=following-sibling::dd[1]')
  expect(Number(await checks.innerText())).toBeGreaterThan(20)
  const pdf = await page.pdf({ format: 'A4' })
  // one page: its objects are counted in the file itself
  expect(pdf.toString('latin1').match(/\/Type\s*\/Page[^s]/g)).toHaveLength(1)
  // a month before the house was there says so
  await page.goto(`${DEMO}/report?month=2020-02`)
  await expect(page.getByText('Nothing is on record for this month.')).toBeVisible()
})

test('a stock is counted twice and says when it runs out; a stone is measured', async ({ page }) => {
  await openAsManager(page, '/stock')
  await page.getByRole('button', { name: 'Add something' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('What it is').fill('Stropping powder')
  await dialog.getByLabel('Price of one').fill('-4')
  await dialog.getByRole('button', { name: 'Save' }).click()
  await expect(dialog.getByLabel('Price of one')).toHaveAttribute('aria-invalid', 'true')
  await dialog.getByLabel('Price of one').fill('4')
  await dialog.getByLabel('Uses one of them lasts').fill('30')
  await dialog.getByRole('button', { name: 'Save' }).click()
  const row = page.getByRole('row').filter({ hasText: 'Stropping powder' })
  await expect(row).toContainText('not known')
  await row.getByRole('button', { name: 'Count' }).click()
  await dialog.getByLabel('There now').fill('6')
  await dialog.getByRole('button', { name: 'Save' }).click()
  await expect(row).toContainText('6.0 pieces')
  const stone = page.getByRole('row').filter({ hasText: 'Coarse 220' })
  await stone.getByRole('button', { name: 'Measure' }).click()
  await dialog.getByLabel('Thickness').fill('21.5')
  await dialog.getByRole('button', { name: 'Save' }).click()
  await expect(stone).toContainText('21.50 mm')
  // it is kept no longer, and is not lost
  await row.getByRole('button', { name: 'Change' }).click()
  await dialog.getByLabel('We keep a stock of it').uncheck()
  await dialog.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('button', { name: 'Stropping powder: keep it again' })).toBeVisible()
})

test('the house over time leads from a week to its knives, the card and the file say who and when', async ({
  page,
}) => {
  await openAsManager(page, '/ledger/time')
  await page.getByLabel('Whose knives').click()
  await page.getByRole('option', { name: 'Butchery' }).click()
  await page
    .getByRole('button', { name: /^Week from/ })
    .last()
    .click()
  const knife = page.getByRole('status').getByRole('link', { name: 'BN-01' })
  await expect(knife).toBeVisible()
  await page.getByLabel('Part of a code').fill('bn-02')
  await page
    .getByRole('button', { name: /^Week from/ })
    .last()
    .click()
  await expect(page.getByRole('status').getByRole('link')).toHaveText(['BN-02'])
  await page.getByRole('status').getByRole('link', { name: 'BN-02' }).click()
  await page.getByRole('link', { name: 'Card for life' }).click()
  await expect(page.getByRole('heading', { name: 'Card of BN-02' })).toBeVisible()
  await expect(page.getByText(/^Joined the rack/)).toBeVisible()
  await page.goto(`${DEMO}/safety-file?from=2026-11-01&until=2026-11-24`)
  await expect(page.getByRole('row').filter({ hasText: 'washed and sanitised' }).first()).toBeVisible()
  await page.goto(`${DEMO}/safety-file?from=2026-11-24&until=2026-11-01`)
  await expect(page.getByText('The last day lies before the first.')).toBeVisible()
})
