import { expect, test, type Page } from '@playwright/test'
import { complaints, DEMO, openAsManager } from './kitchen'
import { LOCALE, said, say } from './words'

/** Fills the first page for a house that a link makes. */
async function makeHouse(page: Page, link: string): Promise<void> {
  await page.goto(link)
  await expect(page.getByRole('heading', { name: say('door.chainHouse') })).toBeVisible()
  await page.getByLabel(say('chain.house'), { exact: true }).fill('Sluice Lane')
  await page.getByLabel(say('field.managerName')).fill('Ilse Brandt')
  // names of other houses' doors are taken, those of a first try as well
  const { retry, repeatEachIndex } = test.info()
  await page.getByLabel(say('field.signInName')).fill(`ilse-${retry}-${repeatEachIndex}`)
  await page.getByLabel(say('field.password'), { exact: true }).fill('water over the sluice')
  await page.getByRole('button', { name: say('door.make') }).click()
  await expect(page).toHaveURL(/moving-in/)
}

/** Two houses and two people take a browser longer than one errand does. */
test.describe.configure({ timeout: 180_000 })

test('an owner adds a house by a link, sees both, and nobody sees into another', async ({ page, browser }) => {
  const heard = complaints(page)
  await openAsManager(page, '/house?part=chain')
  const leave = page.getByRole('button', { name: say('chain.leave') })
  const make = page.getByRole('button', { name: say('chain.make') })
  await expect(leave.or(make).first()).toBeVisible()
  // a test that is tried again finds the chain of its first try, and leaves it
  if (await leave.isVisible()) {
    await leave.click()
    await leave.last().click()
  }
  await page.getByLabel(say('field.name'), { exact: true }).fill('Two by the water')
  await make.click()
  await page.getByRole('button', { name: say('chain.link') }).click()
  const link = await page.locator('output.address').innerText()

  const context = await browser.newContext({ locale: LOCALE })
  const theirs = await context.newPage()
  await makeHouse(theirs, link)
  await theirs.goto(`${DEMO}/chain`)
  await expect(theirs.getByRole('alert')).toContainText(say('fault.not-chain-owner'))
  await theirs.goto(`${DEMO}/rack`)
  await expect(theirs.getByText('CH-07')).toHaveCount(0)

  await page.goto(`${DEMO}/chain`)
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Two by the water')
  await expect(page.getByRole('rowheader')).toHaveText(['Hallow Quay', 'Sluice Lane'])
  await expect(page.getByText(said('chain.first'))).toBeVisible()

  // the chef of one house is a cook of the other, and goes between them
  await theirs.goto(`${DEMO}/house?part=people`)
  await theirs.getByRole('button', { name: say('house.addPerson') }).click()
  await theirs.getByLabel(say('field.name'), { exact: true }).fill('Maren')
  await theirs.getByRole('button', { name: say('shell.save') }).click()
  await theirs.getByRole('button', { name: say('house.changeOf', { name: 'Maren' }) }).click()
  await theirs.getByRole('button', { name: say('house.giveCode') }).click()
  const code = await theirs
    .getByRole('dialog', { name: say('house.codeFor', { name: 'Maren' }) })
    .locator('.code')
    .innerText()
  await page.goto(`${DEMO}/roll`)
  await page.getByRole('button', { name: say('account.title') }).click()
  await page.getByLabel(say('houses.code')).fill(code)
  await page.getByRole('button', { name: say('houses.add') }).click()
  await page.getByRole('button', { name: say('houses.goTo', { house: 'Sluice Lane' }) }).click()
  // the list of houses has its name as well: the way there ends at its day
  await expect(page).toHaveURL(/today/)
  await expect(page.getByText('Sluice Lane')).toBeVisible()
  await expect(page.getByText('CH-07')).toHaveCount(0)
  await page.goto(`${DEMO}/roll`)
  await page.getByRole('button', { name: say('account.title') }).click()
  await page.getByRole('button', { name: say('houses.goTo', { house: 'Hallow Quay' }) }).click()
  await expect(page).toHaveURL(/today/)
  await expect(page.getByText('Hallow Quay').first()).toBeVisible()

  await theirs.goto(`${DEMO}/house?part=chain`)
  await theirs.getByRole('button', { name: say('chain.leave') }).click()
  await theirs
    .getByRole('button', { name: say('chain.leave') })
    .last()
    .click()
  await expect(theirs.getByRole('heading', { name: say('chain.makeTitle') })).toBeVisible()
  await page.goto(`${DEMO}/chain`)
  await expect(page.getByRole('rowheader')).toHaveText(['Hallow Quay'])
  await context.close()
  expect(heard).toEqual([])
})
