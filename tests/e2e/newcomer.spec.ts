import { expect, test } from '@playwright/test'
import { actOnKnife, complaints, DEMO, openAsManager } from './kitchen'

test('a newcomer signs in with what is on the screen, reads Today, checks a knife and sees its verdict change', async ({
  page,
}) => {
  const heard = complaints(page)
  await page.goto(DEMO)
  const shown = page.locator('.demo code')
  await page.getByLabel('Sign-in name').fill((await shown.nth(0).textContent()) ?? '')
  await page.getByLabel('Password', { exact: true }).fill((await shown.nth(1).textContent()) ?? '')
  await page.getByRole('button', { name: 'Sign in' }).click()

  await expect(page.getByRole('heading', { name: 'Tuesday 24 November' })).toBeVisible()
  await expect(page.locator('.lead').first()).toContainText('Quiet until 17:30')
  await expect(page.getByRole('img', { name: /lunch 12:00–14:30/ })).toBeVisible()
  const ilse = page.getByRole('region', { name: 'Ilse Brandt' })
  await expect(ilse).toContainText('Stone it, start on ')
  await expect(ilse).toContainText('Honing no longer helps.')

  await ilse.getByRole('link', { name: 'CH-07' }).first().click()
  await actOnKnife(page, 'Check the edge')
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

test('after a honing the toast asks whether it came back, and a “no” is heard', async ({ page }) => {
  await openAsManager(page, '/today')
  const { knives } = (await (await page.request.get(`${DEMO}/api/fleet`)).json()) as {
    knives: { code: string; holderId: string | null; verdict: { action: string } }[]
  }
  // any held knife that a rod is next for, and that no other test is about
  const code =
    knives.find(
      ({ code: one, holderId, verdict }) => verdict.action === 'hone' && holderId !== null && /^(SA|NA|FI)/.test(one),
    )?.code ?? ''
  await page.getByRole('button', { name: `Honed ${code}` }).click()
  const asked = page.getByRole('group', { name: 'Came back?' })
  await asked.getByRole('button', { name: 'no', exact: true }).click()
  await expect(page.getByText(`${code} did not come back`, { exact: false })).toBeVisible()
  await page.goto(`${DEMO}/knife/${code}`)
  await expect(page.getByText('Honing no longer helps.')).toBeVisible()
  await expect(page.getByText('After honing it did not come back.')).toBeVisible()
})

test('one touch hones all of a person’s knives, one a station’s, and both can be taken back', async ({ page }) => {
  await openAsManager(page, '/today')
  const all = page.getByRole('button', { name: 'All of Teun Aalders’s honed' })
  await all.click()
  await expect(page.getByText(/\d knives honed: .*BN-01/)).toBeVisible()
  await expect(all).toBeHidden()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(all).toBeVisible()
  const larder = page.getByRole('button', { name: 'All at Cold larder honed' })
  await larder.click()
  await expect(larder).toBeHidden()
  await page.getByRole('button', { name: 'Undo' }).last().click()
  await expect(larder).toBeVisible()
  await expect(page.getByRole('region', { name: 'Wren Askew' })).toBeVisible()
})

test('a chef walks the kitchen: one touch a person, and the Learned page knows whose steel was out', async ({
  page,
}) => {
  await openAsManager(page, '/today')
  await page.getByRole('button', { name: 'Walk the kitchen' }).click()
  const milo = page.getByRole('group', { name: 'Milo Tarn: steel out, knife in order?' })
  await milo.getByRole('button', { name: 'in order' }).click()
  await expect(milo.getByRole('button', { name: 'in order' })).toHaveAttribute('aria-pressed', 'true')
  await page.getByRole('button', { name: 'End the walk' }).click()
  await expect(milo).toBeHidden()
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
  await expect(page.getByRole('searchbox', { name: 'Find a knife' })).toBeFocused()
  await page.keyboard.type('sl02')
  await expect(page.getByRole('dialog').getByText('SL-02')).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'SL-02' })).toBeVisible()
  await page.keyboard.press('c')
  await expect(page).toHaveURL(/check\/SL-02/)
  await page.keyboard.press('Escape')
  await expect(page.getByRole('heading', { name: 'SL-02' })).toBeVisible()
  // a knife whose page was seen stands first, however it was opened
  await page.keyboard.press('/')
  await expect(page.getByRole('option').first()).toContainText('SL-02')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog')).toContainText('find a knife')
})
