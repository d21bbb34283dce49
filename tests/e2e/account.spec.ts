import { expect, test } from '@playwright/test'
import { complaints, DEMO, openAsManager } from './kitchen'
import { LOCALE, say } from './words'

test('a second manager gets a code, chooses a password, changes it, and the trail says so', async ({
  page,
  browser,
}) => {
  const heard = complaints(page)
  await openAsManager(page, '/house?part=people')
  await page.getByRole('button', { name: say('house.addPerson') }).click()
  await page.getByLabel(say('field.name'), { exact: true }).fill('Solvei Dahl')
  await page.getByRole('combobox', { name: say('field.role') }).click()
  await page.getByRole('option', { name: say('person.chef'), exact: true }).click()
  await page.getByRole('button', { name: say('shell.save') }).click()
  await page.getByRole('button', { name: say('house.changeOf', { name: 'Solvei Dahl' }) }).click()
  await page.getByRole('button', { name: say('house.giveCode') }).click()
  const dialog = page.getByRole('dialog', { name: say('house.codeFor', { name: 'Solvei Dahl' }) })
  const code = await dialog.locator('.code').innerText()

  const hers = await browser.newContext({ locale: LOCALE })
  const second = await hers.newPage()
  await second.goto(`${DEMO}/sign-in`)
  await second.getByRole('button', { name: say('door.haveCode') }).click()
  await second.getByLabel(say('door.code')).fill(code)
  await second.getByLabel(say('account.next')).fill('first of my own')
  await second.getByRole('button', { name: say('door.codeEnter') }).click()
  await expect(second.locator('.wrong')).toContainText(say('fault.sign-in-name-needed'))
  await second.getByLabel(say('field.signInName')).fill('solvei')
  await second.getByRole('button', { name: say('door.codeEnter') }).click()
  await expect(second.getByRole('heading', { level: 1 })).toBeVisible()
  await expect(second).toHaveURL(/today/)

  await second.goto(`${DEMO}/roll`)
  await second.getByRole('button', { name: say('account.title') }).click()
  await second.getByLabel(say('account.now')).fill('not this one at all')
  await second.getByLabel(say('account.next')).fill('second of my own')
  await second.getByRole('button', { name: say('account.change') }).click()
  await expect(second.locator('.wrong')).toContainText(say('fault.wrong-password'))
  await second.getByLabel(say('account.now')).fill('first of my own')
  await second.getByRole('button', { name: say('account.change') }).click()
  await expect(second.getByText(say('account.changed'))).toBeVisible()
  await hers.close()

  await page.goto(`${DEMO}/house?part=trail`)
  const row = page
    .getByRole('listitem')
    .filter({ hasText: say('trail.say.people.changed', { name: 'Solvei Dahl' }) })
    .first()
  await expect(row).toContainText(say('trail.did', { field: say('trail.field.password_hash') }))
  await expect(
    page.getByRole('listitem').filter({ hasText: say('trail.say.people.added', { name: 'Solvei Dahl' }) }),
  ).toContainText('Maren Voss')
  // she leaves again: with two managers neither signs themself off, which other tests do
  const { people } = (await (await page.request.get(`${DEMO}/api/fleet`)).json()) as {
    people: { id: string; name: string }[]
  }
  const { id } = people.find(({ name }) => name === 'Solvei Dahl') ?? {}
  expect((await page.request.patch(`${DEMO}/api/people/${id ?? ''}`, { data: { active: false } })).ok()).toBe(true)
  expect(heard).toEqual([])
})
