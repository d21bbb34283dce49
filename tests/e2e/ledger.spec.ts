import { expect, test } from '@playwright/test'
import { actOnKnife, complaints, DEMO, openAsManager } from './kitchen'
import { begins, LOCALE, NUMBER, number, own, said, say } from './words'

/** A sum in euros, the sign before or after it. */
const MONEY = new RegExp(`(?:€ ?)?${NUMBER.source}(?:\\s?€)?`)
const NOVEMBER = new Intl.DateTimeFormat(LOCALE, { month: 'long', year: 'numeric' }).format(Date.UTC(2026, 10, 15))

test('a knife is sent out with its slip, is away everywhere, and is taken back changed; the grinder has a record', async ({
  page,
}) => {
  const problems = complaints(page)
  await openAsManager(page, '/knife/PE-07')
  const dialog = page.getByRole('dialog')
  await actOnKnife(page, say('knife.act.measure'))
  await dialog.getByLabel(say('field.bteMm')).fill(number(0.3, 2))
  await dialog.getByRole('button', { name: say('shell.record') }).click()
  await expect(dialog).toHaveCount(0)
  await actOnKnife(page, say('knife.act.send-out'))
  await dialog.getByLabel(say('knife.sendOutTo')).fill('The mill on the hill')
  await dialog.getByRole('button', { name: say('knife.act.send-out') }).click()
  await expect(page.getByText(say('verdict.away', { name: 'The mill on the hill' }))).toBeVisible()
  await page.goto(`${DEMO}/slip/PE-07`)
  await expect(page.getByText(say('slip.with', { name: 'The mill on the hill' }))).toBeVisible()
  await expect(page.getByText(/\d+° \/ \d+°/)).toBeVisible()
  // no count looks for it
  await page.goto(`${DEMO}/count`)
  await page
    .getByRole('button', { name: begins('count.all') })
    .first()
    .click()
  await expect(page.locator('.tile').first()).toBeVisible()
  await expect(page.locator('.tile').filter({ hasText: 'PE-07' })).toHaveCount(0)
  await page.goto(`${DEMO}/ledger`)
  await expect(page.getByText(said('ledger.awayWith', { code: 'PE-07', name: 'The mill on the hill' }))).toBeVisible()

  await page.goto(`${DEMO}/knife/PE-07`)
  await page.getByRole('button', { name: say('knife.act.return') }).click()
  for (const [zone, force] of [
    ['heel', '182'],
    ['belly', '176'],
    ['tip', '190'],
  ] as const)
    await dialog.getByLabel(say(`zone.${zone}`), { exact: true }).fill(force)
  await dialog.getByLabel(say('field.bteMm')).fill(number(0.36, 2))
  await dialog.getByLabel(say('knife.returnDps')).fill('19')
  await dialog.getByLabel(say('knife.returnPrice')).fill('9')
  await dialog.locator('input[type=file]').setInputFiles('docs/screenshots/my-roll-phone.png')
  await expect(dialog.getByText('my-roll-phone.png')).toBeVisible()
  await dialog.getByRole('button', { name: say('knife.act.return') }).click()
  await expect(page.getByText(say('knife.returnDone', { code: 'PE-07' }))).toBeVisible()
  await expect(page.getByText(new RegExp(`${say('event.returned')} .*19°`))).toBeVisible()
  await expect(page.getByText('19° / 19°')).toBeVisible()
  // the picture stands in the history, and can be taken away again
  const picture = page.locator('img[src^="/api/photos/"]')
  await expect(picture).toHaveCount(1)
  await picture.scrollIntoViewIfNeeded()
  await expect.poll(() => picture.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(50)
  await page.getByRole('button', { name: said('photos.removeOf') }).click()
  await expect(picture).toHaveCount(0)
  await expect(
    page.locator('.zones').getByText(new RegExp(`${say('zone.belly')} 1[789]\\d gf, ${say('edge.keen')}`)),
  ).toBeVisible()
  await page.goto(`${DEMO}/ledger`)
  const row = page.getByRole('row').filter({ hasText: 'The mill on the hill' })
  await expect(row).toContainText('190 gf')
  await expect(row).toContainText(say('ledger.thicker', { value: `${number(0.06, 2)} mm` }))
  await expect(row).toContainText('19°')
  expect(problems).toEqual([])
})

test('what the house pays makes the ledger tell, and the month fits one page that says what was done', async ({
  page,
}) => {
  await openAsManager(page, '/ledger')
  await page.getByRole('button', { name: say('ledger.money') }).click()
  await page.getByLabel(say('ledger.currency')).fill('xyz')
  for (const role of ['chef', 'sharpener', 'cook', 'apprentice'])
    await page.getByLabel(new RegExp(`^${say(`person.${role}`)}$`, 'i')).fill('20')
  await page.getByRole('button', { name: say('shell.save') }).click()
  await expect(page.getByText(say('fault.unknown-currency'))).toBeVisible()
  await page.getByLabel(say('ledger.currency')).fill('eur')
  await page.getByRole('button', { name: say('shell.save') }).click()
  await expect(page.getByText(said('ledger.sum', { sum: MONEY }))).toBeVisible()
  await expect(page.getByText(said('ledger.expected', { sum: MONEY, sd: MONEY }))).toBeVisible()
  const [list] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: say('ledger.takeOut') }).click(),
  ])
  expect(list.suggestedFilename()).toBe('yorvik-purchases.csv')

  await page.getByRole('link', { name: say('ledger.month') }).click()
  await expect(
    page.getByRole('heading', { name: say('report.title', { house: 'Hallow Quay', month: NOVEMBER }) }),
  ).toBeVisible()
  const checks = page
    .locator('dt', { hasText: new RegExp(`^${say('report.checks')}$`) })
    .locator('xpath=following-sibling::dd[1]')
  expect(Number(await checks.innerText())).toBeGreaterThan(20)
  const pdf = await page.pdf({ format: 'A4' })
  // one page: its objects are counted in the file itself
  expect(pdf.toString('latin1').match(/\/Type\s*\/Page[^s]/g)).toHaveLength(1)
  // a month before the house was there says so
  await page.goto(`${DEMO}/report?month=2020-02`)
  await expect(page.getByText(say('report.empty'))).toBeVisible()
})

test('a stock is counted twice and says when it runs out; a stone is measured', async ({ page }) => {
  await openAsManager(page, '/stock')
  await page.getByRole('button', { name: say('stock.add') }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel(say('stock.name')).fill('Stropping powder')
  await dialog.getByLabel(say('stock.priceEach')).fill('-4')
  await dialog.getByRole('button', { name: say('shell.save') }).click()
  await expect(dialog.getByLabel(say('stock.priceEach'))).toHaveAttribute('aria-invalid', 'true')
  await dialog.getByLabel(say('stock.priceEach')).fill('4')
  await dialog.getByLabel(say('stock.usesEach')).fill('30')
  await dialog.getByRole('button', { name: say('shell.save') }).click()
  const row = page.getByRole('row').filter({ hasText: 'Stropping powder' })
  await expect(row).toContainText(say('ledger.open'))
  await row.getByRole('button', { name: say('stock.count') }).click()
  await dialog.getByLabel(say('stock.there')).fill('6')
  await dialog.getByRole('button', { name: say('shell.save') }).click()
  await expect(row).toContainText(`${number(6, 1)} ${say('stock.usualUnit')}`)
  const stone = page.getByRole('row').filter({ hasText: own('Coarse 220') })
  await stone.getByRole('button', { name: say('knife.measure') }).click()
  await dialog.getByLabel(say('stock.thickness')).fill(number(21.5, 1))
  await dialog.getByRole('button', { name: say('shell.save') }).click()
  await expect(stone).toContainText(`${number(21.5, 2)} mm`)
  // it is kept no longer, and is not lost
  await row.getByRole('button', { name: say('stock.edit') }).click()
  await dialog.getByLabel(say('stock.active')).uncheck()
  await dialog.getByRole('button', { name: say('shell.save') }).click()
  await expect(page.getByRole('button', { name: say('stock.again', { name: 'Stropping powder' }) })).toBeVisible()
})

test('the house over time leads from a week to its knives, the card and the file say who and when', async ({
  page,
}) => {
  await openAsManager(page, '/ledger/time')
  await page.getByLabel(say('ledger.whichStation')).click()
  await page.getByRole('option', { name: own('Butchery') }).click()
  await page
    .getByRole('button', { name: begins('time.from') })
    .last()
    .click()
  const knife = page.getByRole('status').getByRole('link', { name: 'BN-01' })
  await expect(knife).toBeVisible()
  await page.getByLabel(say('time.search')).fill('bn-02')
  await page
    .getByRole('button', { name: begins('time.from') })
    .last()
    .click()
  await expect(page.getByRole('status').getByRole('link')).toHaveText(['BN-02'])
  // and from the knife to what happened to it
  await page.getByRole('button', { name: say('time.eventsOf', { code: 'BN-02' }) }).click()
  await expect(page.getByRole('status').getByRole('listitem').first()).toContainText(/\d/)
  await page.getByRole('status').getByRole('link', { name: 'BN-02' }).click()
  await page.getByRole('link', { name: say('card.open') }).click()
  await expect(page.getByRole('heading', { name: say('card.title', { code: 'BN-02' }) })).toBeVisible()
  await expect(
    page.getByText(new RegExp(`^(${[say('event.addedNew'), say('event.addedInUse')].join('|')})`)),
  ).toBeVisible()
  await page.goto(`${DEMO}/safety-file?from=2026-11-01&until=2026-11-24`)
  await expect(
    page
      .getByRole('row')
      .filter({ hasText: said('safety.washedAt') })
      .first(),
  ).toBeVisible()
  await page.goto(`${DEMO}/safety-file?from=2026-11-24&until=2026-11-01`)
  await expect(page.getByText(say('fault.span-backwards'))).toBeVisible()
})
