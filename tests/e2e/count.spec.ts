import { expect, test } from '@playwright/test'
import { actOnKnife, complaints, DEMO, openAsManager } from './kitchen'

const LARDER = /^Charcuterie/

test('a shift is counted by touch and by label with one knife missing, which is asked for, missed everywhere, and found', async ({
  page,
}) => {
  const problems = complaints(page)
  await openAsManager(page, '/count')
  await page.getByRole('button', { name: LARDER }).click()
  const tiles = page.locator('.tile')
  await expect(tiles.first()).toBeVisible()
  const codes = (await tiles.locator('.num').allTextContents()).map((code) => code.trim())
  expect(codes.length).toBeGreaterThan(2)
  const [byTouch = '', byLabel = '', away = ''] = codes

  await page.getByRole('button', { name: byTouch }).click()
  await page.getByRole('button', { name: 'Scan a label' }).click()
  const scan = page.getByRole('dialog')
  await scan.getByLabel('Or the code beside it').fill(byLabel)
  await scan.getByRole('button', { name: 'Open' }).click()
  await expect(page.getByText(`${byLabel} is here.`)).toBeVisible()
  // a knife of elsewhere is told apart, and counted nowhere
  await scan.getByLabel('Or the code beside it').fill('CH-07')
  await scan.getByRole('button', { name: 'Open' }).click()
  await expect(page.getByText('CH-07 is not among these knives.')).toBeVisible()
  await page.keyboard.press('Escape')

  // the page goes in the middle, and the count is still there
  await page.reload()
  await expect(page.getByRole('status').filter({ hasText: `2 of ${codes.length} here` })).toBeVisible()
  await page.getByRole('button', { name: 'All here' }).click()
  await page.getByRole('button', { name: away }).click()
  await page.getByRole('button', { name: 'That is all' }).click()
  const asked = page.getByRole('listitem').filter({ hasText: away })
  await expect(asked).toContainText(/Last with .+, Charcuterie\./)
  await page.getByRole('button', { name: 'Record the count, one missing' }).click()
  await expect(page.getByText(`${away} is missing.`)).toBeVisible()

  await page.goto(`${DEMO}/today`)
  await expect(page.getByText(`${away} is missing.`)).toBeVisible()
  await page.goto(`${DEMO}/count`)
  await expect(page.getByText(/Last count: Charcuterie, .+ by Maren Voss/)).toBeVisible()
  await page.goto(`${DEMO}/knife/${away}`)
  await actOnKnife(page, 'It is found')
  await page.getByRole('dialog').getByLabel('Reason').fill('in the dish rack')
  await page.getByRole('dialog').getByRole('button', { name: 'It is found' }).click()
  await expect(page.getByText(`${away} is found.`)).toBeVisible()
  await expect(page.getByText('It was found. in the dish rack')).toBeVisible()
  await expect(page.getByRole('button', { name: 'It is found' })).toHaveCount(0)
  expect(problems).toEqual([])
})
