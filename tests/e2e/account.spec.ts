import { expect, test } from '@playwright/test'
import { complaints, DEMO, openAsManager } from './kitchen'

test('a second manager gets a code, chooses a password, changes it, and the trail says so', async ({
  page,
  browser,
}) => {
  const heard = complaints(page)
  await openAsManager(page, '/house?part=people')
  await page.getByRole('button', { name: 'Add a person' }).click()
  await page.getByLabel('Name', { exact: true }).fill('Solvei Dahl')
  await page.getByRole('combobox', { name: 'Role' }).click()
  await page.getByRole('option', { name: 'head chef', exact: true }).click()
  await page.getByRole('button', { name: 'Save' }).click()
  await page.getByRole('button', { name: 'Change Solvei Dahl' }).click()
  await page.getByRole('button', { name: 'Give a code for a password' }).click()
  const dialog = page.getByRole('dialog', { name: 'A code for Solvei Dahl' })
  const code = await dialog.locator('.code').innerText()

  const hers = await browser.newContext()
  const second = await hers.newPage()
  await second.goto(`${DEMO}/sign-in`)
  await second.getByRole('button', { name: 'I have a code' }).click()
  await second.getByLabel('Code').fill(code)
  await second.getByLabel('New password').fill('first of my own')
  await second.getByRole('button', { name: 'Take this password' }).click()
  await expect(second.locator('.wrong')).toContainText('Choose a sign-in name as well.')
  await second.getByLabel('Sign-in name').fill('solvei')
  await second.getByRole('button', { name: 'Take this password' }).click()
  await expect(second.getByRole('heading', { level: 1 })).toBeVisible()
  await expect(second).toHaveURL(/today/)

  await second.goto(`${DEMO}/roll`)
  await second.getByRole('button', { name: 'Your sign-in' }).click()
  await second.getByLabel('Password now').fill('not this one at all')
  await second.getByLabel('New password').fill('second of my own')
  await second.getByRole('button', { name: 'Change it' }).click()
  await expect(second.locator('.wrong')).toContainText('This is not your password.')
  await second.getByLabel('Password now').fill('first of my own')
  await second.getByRole('button', { name: 'Change it' }).click()
  await expect(second.getByText('Your password is changed.')).toBeVisible()
  await hers.close()

  await page.goto(`${DEMO}/house?part=trail`)
  const row = page.getByRole('listitem').filter({ hasText: 'Solvei Dahl was changed' }).first()
  await expect(row).toContainText('password changed')
  await expect(page.getByRole('listitem').filter({ hasText: 'Solvei Dahl was added' })).toContainText('Maren Voss')
  // she leaves again: with two managers neither signs themself off, which other tests do
  const { people } = (await (await page.request.get(`${DEMO}/api/fleet`)).json()) as {
    people: { id: string; name: string }[]
  }
  const { id } = people.find(({ name }) => name === 'Solvei Dahl') ?? {}
  expect((await page.request.patch(`${DEMO}/api/people/${id ?? ''}`, { data: { active: false } })).ok()).toBe(true)
  expect(heard).toEqual([])
})
