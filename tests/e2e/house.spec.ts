import { expect, test } from '@playwright/test'
import { openAsManager } from './kitchen'

test('a person is added with a PIN, changed, and leaves', async ({ page }) => {
  await openAsManager(page, '/house?part=people')
  await page.getByRole('button', { name: 'Add a person' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Name').fill('Ilse Brandt')
  await dialog.getByRole('button', { name: 'Save' }).click()
  await expect(dialog.getByRole('alert')).toContainText('Ilse Brandt is already there.')
  await dialog.getByLabel('Name').fill('Vera Moss')
  await dialog.getByLabel('PIN').fill('12')
  await dialog.getByRole('button', { name: 'Save' }).click()
  await expect(dialog.locator('.wrong')).toContainText('PIN')
  await dialog.getByLabel('PIN').fill('8642')
  await dialog.getByRole('button', { name: 'Save' }).click()
  const row = page.getByRole('row', { name: /Vera Moss/ })
  await expect(row).toContainText('PIN')
  await row.getByRole('button', { name: 'Leaves the house' }).click()
  await expect(row.getByRole('button', { name: 'Is back' })).toBeVisible()
})

test('a station and the week are changed from now on', async ({ page }) => {
  await openAsManager(page, '/house?part=stations')
  await page.getByRole('row', { name: /Grill/ }).getByRole('button', { name: 'Change' }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByText('The past stays as it was', { exact: false })).toBeVisible()
  await dialog.getByLabel('Hours a service').fill('1,75')
  await dialog.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('row', { name: /Grill/ })).toContainText('1.8 h')

  await page.getByRole('link', { name: 'Services', exact: true }).click()
  const save = page.getByRole('button', { name: 'Save the week' })
  await expect(save).toBeDisabled()
  await page.getByRole('button', { name: 'Remove morning on Monday' }).click()
  await expect(save).toBeEnabled()
  await save.click()
  await expect(save).toBeDisabled()
  await page.reload()
  await expect(page.getByRole('button', { name: 'Remove afternoon on Monday' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Remove morning on Monday' })).toBeHidden()
})

test('a lower limit turns edges dull, and light or dark is this screen’s own choice', async ({ page }) => {
  await openAsManager(page, '/house?part=house')
  await page.getByLabel('bread', { exact: true }).fill('50')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.locator('.wrong')).toContainText('less than 100')
  await page.getByLabel('bread', { exact: true }).fill('200')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('The house is saved.')).toBeVisible()
  await page.getByRole('combobox', { name: 'Light' }).click()
  await page.getByRole('option', { name: 'dark' }).click()
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark')
  await page.goto(`${new URL(page.url()).origin}/knife/BR-01`)
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark')
  await expect(page.locator('.zones')).toContainText('Limit 200 gf')
  await expect(page.locator('.zones')).toContainText(/dull|out/)
})

test('files come out of Deliveries as they are named', async ({ page }) => {
  await openAsManager(page, '/deliveries')
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Fleet' }).click(),
  ])
  expect(download.suggestedFilename()).toBe('yorvik-fleet.csv')
})
