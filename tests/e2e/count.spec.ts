import { expect, test } from '@playwright/test'
import { actOnKnife, complaints, DEMO, openAsManager } from './kitchen'
import { own, said, say } from './words'

const LARDER = new RegExp(`^${own('Charcuterie')}`)

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
  await page.getByRole('button', { name: say('scan.title') }).click()
  const scan = page.getByRole('dialog')
  await scan.getByLabel(say('scan.type')).fill(byLabel)
  await scan.getByRole('button', { name: say('next.open') }).click()
  await expect(page.getByText(say('count.seen', { code: byLabel }))).toBeVisible()
  // a knife of elsewhere is told apart, and counted nowhere
  await scan.getByLabel(say('scan.type')).fill('CH-07')
  await scan.getByRole('button', { name: say('next.open') }).click()
  await expect(page.getByText(say('count.notOfThese', { code: 'CH-07' }))).toBeVisible()
  await page.keyboard.press('Escape')

  // the page goes in the middle, and the count is still there
  await page.reload()
  await expect(
    page.getByRole('status').filter({ hasText: say('count.ofAll', { here: 2, all: codes.length }) }),
  ).toBeVisible()
  await page.getByRole('button', { name: say('count.allHere') }).click()
  await page.getByRole('button', { name: away }).click()
  await page.getByRole('button', { name: say('count.finish') }).click()
  const asked = page.getByRole('listitem').filter({ hasText: away })
  await expect(asked).toContainText(said('count.lastHand', { station: own('Charcuterie') }))
  await page.getByRole('button', { name: say('count.record', { n: 1 }) }).click()
  await expect(page.getByText(say('count.missed', { n: 1, codes: away }))).toBeVisible()

  await page.goto(`${DEMO}/today`)
  await expect(page.getByText(say('day.missing', { n: 1, codes: away }))).toBeVisible()
  await page.goto(`${DEMO}/count`)
  await expect(page.getByText(said('count.last', { whose: own('Charcuterie'), name: 'Maren Voss' }))).toBeVisible()
  await page.goto(`${DEMO}/knife/${away}`)
  await actOnKnife(page, say('knife.act.found'))
  await page.getByRole('dialog').getByLabel(say('field.reason')).fill('in the dish rack')
  await page
    .getByRole('dialog')
    .getByRole('button', { name: say('knife.act.found') })
    .click()
  await expect(page.getByText(say('knife.foundDone', { code: away }))).toBeVisible()
  await expect(page.getByText(say('event.found', { reason: 'in the dish rack' }))).toBeVisible()
  await expect(page.getByRole('button', { name: say('knife.act.found') })).toHaveCount(0)
  expect(problems).toEqual([])
})
