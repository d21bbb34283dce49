import { expect, test, type Page } from '@playwright/test'
import { complaints, DEMO, openAsManager } from './kitchen'

/** Fills the first page for a house that a link makes. */
async function makeHouse(page: Page, link: string): Promise<void> {
  await page.goto(link)
  await expect(page.getByRole('heading', { name: 'A new house in a chain' })).toBeVisible()
  await page.getByLabel('House', { exact: true }).fill('Sluice Lane')
  await page.getByLabel('Your name').fill('Ilse Brandt')
  await page.getByLabel('Sign-in name').fill('ilse')
  await page.getByLabel('Password', { exact: true }).fill('water over the sluice')
  await page.getByRole('button', { name: 'Make the house' }).click()
  await expect(page).toHaveURL(/moving-in/)
}

test('an owner adds a house by a link, sees both, and nobody sees into another', async ({ page, browser }) => {
  const heard = complaints(page)
  await openAsManager(page, '/house?part=chain')
  await page.getByLabel('Name', { exact: true }).fill('Two by the water')
  await page.getByRole('button', { name: 'Make it' }).click()
  await page.getByRole('button', { name: 'Make a link for one more house' }).click()
  const link = await page.locator('output.address').innerText()

  const context = await browser.newContext()
  const theirs = await context.newPage()
  await makeHouse(theirs, link)
  await theirs.goto(`${DEMO}/chain`)
  await expect(theirs.getByRole('alert')).toContainText('Only the owner of the chain')
  await theirs.goto(`${DEMO}/rack`)
  await expect(theirs.getByText('CH-07')).toHaveCount(0)

  await page.goto(`${DEMO}/chain`)
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Two by the water')
  await expect(page.getByRole('rowheader')).toHaveText(['Hallow Quay', 'Sluice Lane'])
  await expect(page.getByText('needs hands first')).toBeVisible()
  await page.screenshot({ path: 'test-results/chain.png' })

  // the chef of one house is a cook of the other, and goes between them
  await theirs.goto(`${DEMO}/house?part=people`)
  await theirs.getByRole('button', { name: 'Add a person' }).click()
  await theirs.getByLabel('Name', { exact: true }).fill('Maren')
  await theirs.getByRole('button', { name: 'Save' }).click()
  await theirs.getByRole('button', { name: 'Change Maren' }).click()
  await theirs.getByRole('button', { name: 'Give a code for a password' }).click()
  const code = await theirs.getByRole('dialog', { name: 'A code for Maren' }).locator('.code').innerText()
  await page.goto(`${DEMO}/roll`)
  await page.getByRole('button', { name: 'Your sign-in' }).click()
  await page.getByLabel('Code from another house').fill(code)
  await page.getByRole('button', { name: 'Add it' }).click()
  await page.getByRole('button', { name: 'Go to Sluice Lane' }).click()
  await expect(page.getByText('Sluice Lane')).toBeVisible()
  await expect(page.getByText('CH-07')).toHaveCount(0)
  await page.goto(`${DEMO}/roll`)
  await page.getByRole('button', { name: 'Your sign-in' }).click()
  await page.getByRole('button', { name: 'Go to Hallow Quay' }).click()
  await expect(page.getByText('Hallow Quay').first()).toBeVisible()

  await theirs.goto(`${DEMO}/house?part=chain`)
  await theirs.getByRole('button', { name: 'Leave the chain' }).click()
  await theirs.getByRole('button', { name: 'Leave the chain' }).last().click()
  await expect(theirs.getByRole('heading', { name: 'Make a chain' })).toBeVisible()
  await page.goto(`${DEMO}/chain`)
  await expect(page.getByRole('rowheader')).toHaveText(['Hallow Quay'])
  await context.close()
  expect(heard).toEqual([])
})
