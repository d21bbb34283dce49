import { expect, test } from '@playwright/test'
import { MINUTE_MS } from '../../core/time'
import { openAsManager } from './kitchen'
import { NUMBER, number, own, said, say } from './words'

test('the board that eats edges and the hand with dull tips are found and said in words', async ({ page }) => {
  await openAsManager(page, '/learned')
  await expect(
    page.getByText(said('house-learned.wear.more', { name: own('Banquet prep'), factor: NUMBER })),
  ).toBeVisible()
  await expect(
    page.getByText(
      said('house-learned.hand.more', {
        name: 'Corin Hale',
        spots: said('house-learned.hand.spot', { zone: say('zone.tip'), percent: NUMBER }),
        hours: NUMBER,
      }),
    ),
  ).toBeVisible()
  await expect(page.getByText(say('house-learned.hand.as-expected', { name: 'Oda Finch' }))).toBeVisible()
  await expect(page.getByText(say('house-learned.silent')).first()).toBeVisible()
  await expect(page.locator('.main-svg').first()).toBeVisible()
})

test('who logs all, some or none of their honing is told in words, on the house’s page and on the knife’s', async ({
  page,
}) => {
  await openAsManager(page, '/learned')
  await expect(
    page.getByText(
      say('house-learned.habit.told', {
        name: 'Wren Askew',
        often: say('house-learned.habit.often.always'),
        logged: say('house-learned.habit.logged.all'),
      }),
    ),
  ).toBeVisible()
  await expect(
    page.getByText(
      said('house-learned.habit.told', { name: 'Bram Kessel', logged: say('house-learned.habit.logged.none') }),
    ),
  ).toBeVisible()
  await expect(
    page.getByText(
      new RegExp(
        `${said('house-learned.habit.told', { name: 'Leif Oster' }).source}.*${said('house-learned.habit.lessThanSaid', { habit: say('habit.each-time') }).source}`,
      ),
    ),
  ).toBeVisible()
  await page.goto(`${new URL(page.url()).origin}/knife/CH-02`)
  await expect(
    page.getByText(new RegExp([say('learned.habit.logged.half'), say('learned.habit.logged.most')].join('|'))),
  ).toBeVisible()
  await page.goto(`${new URL(page.url()).origin}/knife/CH-05`)
  await expect(page.getByText(say('learned.habit.logged.none'), { exact: false })).toBeVisible()
})

test('the knife past honing says so on Today and on its page, with the curve and its numbers', async ({ page }) => {
  await openAsManager(page, '/today')
  await expect(page.getByRole('region', { name: 'Ilse Brandt' })).toContainText(say('reason.hone-failed'))
  await page.goto(`${new URL(page.url()).origin}/knife/CH-07`)
  await expect(page.locator('.verdict')).toContainText(say('reason.hone-failed'))
  await expect(
    page
      .getByRole('img', { name: said('curve.label', { code: 'CH-07', zone: say('zone.tip') }) })
      .locator('.main-svg')
      .first(),
  ).toBeVisible()
  await expect(page.getByRole('table', { name: say('curve.table') })).toContainText(/>\s?99\s?%/)
  await expect(page.getByText(said('learned.mostlyWorn'))).toBeVisible()
  await page
    .getByRole('group', { name: say('curve.zone') })
    .getByRole('button', { name: say('zone.heel') })
    .click()
  await expect(
    page.getByRole('img', { name: said('curve.label', { code: 'CH-07', zone: say('zone.heel') }) }),
  ).toBeVisible()
})

test('the knife due for thinning and the one nobody has read are told from the others', async ({ page }) => {
  await openAsManager(page, '/knife/BN-02')
  await expect(page.locator('.verdict')).toContainText(said('reason.thickened'))
  await expect(
    page.getByText(said('steel.thickNow', { thickness: new RegExp(`${number(0.5, 1)}\\d mm`) })),
  ).toBeVisible()
  await page.goto(`${new URL(page.url()).origin}/knife/SA-03`)
  await expect(page.getByText(say('learned.unread'))).toBeVisible()
})

test('a working angle that does not fit is warned of on the knife’s page', async ({ page }) => {
  await openAsManager(page, '/house?part=people')
  await page.getByRole('button', { name: say('house.changeOf', { name: 'Leif Oster' }) }).click()
  await page.getByLabel(say('field.workingDps')).fill('23')
  await page.getByRole('button', { name: say('shell.save') }).click()
  await expect(page.getByRole('dialog')).toBeHidden()
  await page.goto(`${new URL(page.url()).origin}/knife/CH-04`)
  await expect(
    page.getByText(say('mismatch.micro-bevel', { name: 'Leif Oster', working: '23°', edge: '17°' })),
  ).toBeVisible()
})

test('everything is worked out again with progress, and comes out the same', async ({ page }) => {
  await openAsManager(page, '/knife/CH-09')
  const forces = await page.locator('.zones').textContent()
  await page.goto(`${new URL(page.url()).origin}/learned`)
  await page.getByRole('button', { name: say('house-learned.rebuild') }).click()
  await expect(page.getByText(say('house-learned.rebuilt', { total: '48' }))).toBeVisible({ timeout: MINUTE_MS })
  await page.goto(`${new URL(page.url()).origin}/knife/CH-09`)
  await expect(page.locator('.zones')).toHaveText(forces ?? '')
})
