import { expect, test } from '@playwright/test'
import { actOnKnife, DEMO, openAsManager } from './kitchen'

test('filters and order live in the address bar', async ({ page }) => {
  await openAsManager(page, '/rack')
  await page.getByLabel('Find', { exact: true }).fill('teun')
  await expect(page).toHaveURL(/text=teun/)
  await expect(page.getByText('5 knives')).toBeVisible()
  await page.getByRole('combobox', { name: 'Condition' }).click()
  await page.getByRole('option', { name: 'dull or worse' }).click()
  await expect(page).toHaveURL(/word=dull/)
  await page.reload()
  await expect(page.getByText('1 knife', { exact: true })).toBeVisible()
  await expect(page.getByText('SL-02')).toBeVisible()
  await page.goto(`${DEMO}/rack?view=table&sort=code&status=all`)
  await expect(page.getByRole('row')).toHaveCount(49)
  await expect(page.getByRole('row').nth(1)).toContainText('BF-01')
})

test('a knife is added with a type, a length and a station, then moved, taken out, put back and corrected', async ({
  page,
}) => {
  await openAsManager(page, '/rack')
  await page.getByRole('button', { name: 'Add knife' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Length').fill('0,2')
  await dialog.getByRole('button', { name: 'Add knife' }).click()
  await expect(dialog.getByText('Length cannot be less than 40.')).toBeVisible()
  await dialog.getByLabel('Length').fill('210')
  await dialog.getByRole('button', { name: 'Add knife' }).click()
  await expect(page.getByRole('heading', { name: 'CH-14' })).toBeVisible()
  await expect(page.getByText('Not measured yet')).toBeVisible()
  await expect(page.getByText('gives the stack for this blade', { exact: false })).toBeVisible()

  await actOnKnife(page, 'Move or hand over')
  await page.getByRole('combobox', { name: 'Holder' }).click()
  await page.getByRole('option', { name: 'Oda Finch' }).click()
  await page.getByRole('button', { name: 'Move it' }).click()
  await expect(page.getByText('Oda Finch holds it', { exact: false })).toBeVisible()

  await page.getByRole('button', { name: 'Measure' }).first().click()
  await page.getByRole('dialog').getByLabel('Heel height').fill('47.5')
  await page.getByRole('dialog').getByRole('button', { name: 'Record' }).click()
  await expect(page.getByText('Measured: Heel height 47.5 mm.')).toBeVisible()

  await actOnKnife(page, 'Take out of service')
  await page.getByRole('button', { name: 'Crack in the blade' }).click()
  await expect(page.locator('.verdict')).toContainText('Out of service. Crack in the blade')
  await actOnKnife(page, 'Put back into service')
  await page.getByRole('dialog').getByLabel('Reason').fill('looked again: a scratch')
  await page.getByRole('dialog').getByRole('button', { name: 'Back into service' }).click()
  await expect(page.getByText('Back in service. looked again: a scratch')).toBeVisible()

  await page
    .getByRole('button', { name: /Take back the entry/ })
    .first()
    .click()
  await page.getByRole('dialog').getByLabel('Reason').fill('wrong knife')
  await page.getByRole('dialog').getByRole('button', { name: 'Take back' }).click()
  await expect(page.getByText('wrong knife', { exact: false })).toBeVisible()
  await expect(page.locator('.verdict')).toContainText('Out of service')
})

test('a tablet is enrolled, a cook taps a name and a PIN, and sees their own knives first', async ({ page }) => {
  await openAsManager(page, '/house?part=devices')
  await page.getByLabel('Name').first().fill('Pass')
  await page.getByRole('button', { name: 'Enrol this tablet' }).click()
  await expect(page.getByRole('cell', { name: 'Pass', exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Sign out' }).click()
  await page.getByRole('button', { name: 'Wren Askew' }).click()
  await page.keyboard.type('1111')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('That PIN is not right.')
  for (const digit of '2468') await page.getByRole('button', { name: digit, exact: true }).click()
  await page.getByRole('button', { name: 'Enter' }).click()
  await expect(page.getByRole('region').first()).toHaveAccessibleName('Wren Askew')
  await expect(page.getByRole('link', { name: 'House' })).toBeHidden()
})

test('another screen sees a change without being told to look', async ({ page, context }) => {
  await openAsManager(page, '/knife/CH-08')
  await expect(page.getByRole('heading', { name: 'CH-08' })).toBeVisible()
  const other = await context.newPage()
  await other.goto(`${DEMO}/check/CH-08`)
  await other.getByRole('button', { name: 'Glints under the lamp' }).click()
  await expect(other.getByText('Before this check')).toBeVisible()
  await expect(page.getByText('Checked: whole edge glints under the lamp.')).toBeVisible()
})
