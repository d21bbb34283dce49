import { expect, test } from '@playwright/test'
import { complaints, DEMO, openAsManager } from './kitchen'

test('a newcomer signs in with what is on the screen, reads Today, checks a knife and sees its verdict change', async ({
  page,
}) => {
  const heard = complaints(page)
  await page.goto(DEMO)
  const shown = page.locator('.demo code')
  await page.getByLabel('Sign-in name').fill((await shown.nth(0).textContent()) ?? '')
  await page.getByLabel('Password').fill((await shown.nth(1).textContent()) ?? '')
  await page.getByRole('button', { name: 'Sign in' }).click()

  await expect(page.getByRole('heading', { name: 'Tuesday 24 November' })).toBeVisible()
  await expect(page.locator('.lead').first()).toContainText('Quiet until 17:30')
  await expect(page.getByRole('img', { name: /lunch 12:00–14:30/ })).toBeVisible()
  const ilse = page.getByRole('region', { name: 'Ilse Brandt' })
  await expect(ilse).toContainText('Stone it, start on ')
  await expect(ilse).toContainText('Honing no longer helps.')

  await ilse.getByRole('link', { name: 'CH-07' }).first().click()
  await page.getByRole('link', { name: 'Check', exact: true }).click()
  await expect(page.getByRole('list', { name: 'Three marked spots' })).toBeVisible()
  await page.keyboard.type('160')
  await page.keyboard.press('Enter')
  await page.keyboard.type('165')
  await page.keyboard.press('Enter')
  await page.keyboard.type('170')
  await page.keyboard.press('Enter')
  await page.keyboard.press('Enter')
  await expect(page.locator('[data-test=verdict]')).not.toContainText('Stone it')
  await expect(page.getByText('Before this check: Stone it')).toBeVisible()

  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('now 3', { exact: false }).first()).toBeVisible()
  await page.keyboard.press('Escape')
  await page.goto(`${DEMO}/today`)
  await expect(page.getByRole('region', { name: 'Ilse Brandt' })).toContainText('Stone it, start on ')
  expect(heard).toEqual([])
})

test('honing is one touch, with its undo', async ({ page }) => {
  await openAsManager(page, '/today')
  const button = page.getByRole('button', { name: 'Honed CH-04' })
  await button.click()
  await expect(button).toBeHidden()
  await expect(page.getByText('CH-04 honed.')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(button).toBeVisible()
})

test('a check without a tester is two touches', async ({ page }) => {
  await openAsManager(page, '/today')
  await page.getByRole('link', { name: 'Check SA-03' }).click()
  await page.getByRole('button', { name: 'Silent through paper' }).click()
  await expect(page.getByText('Before this check: Check the')).toBeVisible()
})

test('keys find a knife, open its check and go back', async ({ page }) => {
  await openAsManager(page, '/today')
  await expect(page.getByRole('heading', { name: 'Tuesday 24 November' })).toBeVisible()
  await page.keyboard.press('/')
  await expect(page.getByRole('textbox', { name: 'Find a knife' })).toBeFocused()
  await page.keyboard.type('sl02')
  await expect(page.getByRole('dialog').getByText('SL-02')).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'SL-02' })).toBeVisible()
  await page.keyboard.press('c')
  await expect(page).toHaveURL(/check\/SL-02/)
  await page.keyboard.press('Escape')
  await expect(page.getByRole('heading', { name: 'SL-02' })).toBeVisible()
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog')).toContainText('find a knife')
})
