import { expect, test } from '@playwright/test'
import { complaints, EMPTY } from './kitchen'

/** Written by hand in a spreadsheet that uses semicolons, decimal commas and inches for one column. */
const FLEET = [
  '\uFEFFKnife;Knife type;Blade length (in);Spine (mm);Section;Held by;Shelf',
  'K1;Chef\u2019s knife;9,5;2,3;Hot line;Ansa Pell;A',
  'K2;Boning flex;6;1,6;Block;Ansa Pell;B',
  'K3;bread knife;10;;Pastry;;C',
].join('\r\n')

test('an empty house is set up, takes a fleet from a spreadsheet and gets a right list for it', async ({ page }) => {
  const heard = complaints(page)
  await page.goto(EMPTY)
  await expect(page.getByRole('heading', { name: 'A new house' })).toBeVisible()
  await page.getByLabel('House', { exact: true }).fill('The Lamp Room')
  await page.getByLabel('How knives are honed').click()
  await page.getByRole('option', { name: 'now and then' }).click()
  await page.getByLabel('Your name').fill('Ansa Pell')
  await page.getByLabel('Sign-in name').fill('ansa')
  await page.getByLabel('Password', { exact: true }).fill('grain')
  await page.getByRole('button', { name: 'Make the house' }).click()
  await expect(page.locator('.wrong')).toContainText('Password')
  await page.getByLabel('Password', { exact: true }).fill('grain and ember')
  await page.getByRole('combobox', { name: 'Time zone' }).click()
  await page.getByRole('searchbox').fill('lisb')
  await page.getByRole('option', { name: 'Europe/Lisbon' }).click()
  await page.getByRole('button', { name: 'Make the house' }).click()
  await expect(page.getByText('No knives yet.')).toBeVisible()
  await page.getByRole('link', { name: 'Add the first knife' }).click()
  await page.getByRole('button', { name: 'Add knife' }).click()
  await page.getByRole('dialog').getByLabel('Length').fill('200')
  await page.getByRole('dialog').getByRole('button', { name: 'Add knife' }).click()
  await expect(page.getByRole('heading', { name: 'CH-01' })).toBeVisible()
  await page.getByRole('link', { name: 'Deliveries' }).click()
  await page.locator('input[type=file]').setInputFiles({
    name: 'knives.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(FLEET.replace('Boning flex', 'Axe')),
  })
  await expect(page.getByText('One problem; nothing is brought in', { exact: false })).toBeVisible()
  await expect(page.getByRole('row', { name: /3 problem K2/ })).toContainText('“Axe” is none of')
  await expect(page.getByRole('button', { name: /Bring in/ })).toBeDisabled()

  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'knives.csv', mimeType: 'text/csv', buffer: Buffer.from(FLEET) })
  await expect(page.getByText('3 to add, 0 to change', { exact: false })).toContainText('semicolons')
  await expect(page.getByText('Not known and left out: Shelf.')).toBeVisible()
  await expect(page.getByText('Hot line, Block, Pastry', { exact: false })).toBeVisible()
  await page.getByRole('button', { name: 'Bring in all 3 rows' }).click()
  await expect(page.getByText('3 rows brought in.').first()).toBeVisible()

  await page.goto(`${EMPTY}/today`)
  const mine = page.getByRole('region', { name: 'Ansa Pell' })
  await expect(mine).toContainText('K1')
  await expect(mine).toContainText('K2')
  await expect(page.locator('aside')).toContainText('K3')
  await page.goto(`${EMPTY}/knife/K1`)
  await expect(page.getByText('chef’s 241.3 mm', { exact: false })).toBeVisible()
  // no tester, no honing ever logged: nothing is said of an edge as a fact before somebody has looked
  await page.goto(`${EMPTY}/today`)
  await expect(mine).toContainText('Not looked at yet. One sign is enough')
  await expect(page.locator('main')).not.toContainText(/is dull|are dull/)
  const signs = [
    ['K1', 'Skates on the skin'],
    ['K2', 'Cuts paper, loud'],
    ['K3', 'Needs a draw on tomato'],
    ['CH-01', 'Silent through paper'],
  ] as const
  for (const [code, sign] of signs) {
    await page.goto(`${EMPTY}/check/${code}`)
    await page.getByRole('button', { name: sign }).click()
    await expect(page.locator('[data-test=verdict]')).toBeVisible()
  }
  await page.goto(`${EMPTY}/today`)
  await expect(mine).toContainText('Stone it')
  await expect(page.locator('main')).not.toContainText('ot looked at yet')
  await expect(page.locator('main')).not.toContainText('Check the')
  await page.goto(`${EMPTY}/knife/CH-01`)
  await expect(page.getByText(/It is honed before about one service in \d/)).toBeVisible()
  expect(heard).toEqual([])
})
