import { expect, test, type Page } from '@playwright/test'
import { openAsManager, swipe } from './kitchen'
import { begins, own, said, say } from './words'

test.use({ hasTouch: true, viewport: { width: 390, height: 844 } })

const turnedTo = (page: Page) => page.getByRole('group', { name: say('turn.label') }).getByRole('status')

test('on a phone Today comes one person at a time, turned by swipe or by a key under the thumb', async ({ page }) => {
  await openAsManager(page, '/today')
  await expect(turnedTo(page)).toHaveText(say('turn.at', { name: 'Bram Kessel', at: '1', of: '14' }))
  await expect(page.getByRole('region', { name: 'Corin Hale' })).toBeHidden()
  await swipe(page, 'left')
  await expect(turnedTo(page)).toHaveText(say('turn.at', { name: 'Corin Hale', at: '2', of: '14' }))
  await expect(page.getByRole('region', { name: 'Corin Hale' })).toBeVisible()
  await expect(page.getByRole('region', { name: 'Bram Kessel' })).toBeHidden()
  await expect(page.getByRole('heading', { level: 1 })).toBeInViewport()
  await swipe(page, 'right')
  await expect(turnedTo(page)).toHaveText(say('turn.at', { name: 'Bram Kessel', at: '1', of: '14' }))
  // there is nobody before the first
  await swipe(page, 'right')
  await expect(turnedTo(page)).toHaveText(say('turn.at', { name: 'Bram Kessel', at: '1', of: '14' }))
  const next = page.getByRole('button', { name: begins('turn.after') })
  expect((await next.boundingBox())?.height ?? 0).toBeGreaterThanOrEqual(56)
  await next.click()
  await expect(turnedTo(page)).toHaveText(say('turn.at', { name: 'Corin Hale', at: '2', of: '14' }))
})

test('a roll is turned to the next person’s', async ({ page }) => {
  await openAsManager(page, '/roll')
  await expect(page.getByText(said('myday.before', { service: own('dinner') })).first()).toBeVisible()
  await expect(turnedTo(page)).toHaveText(say('turn.at', { name: 'Maren Voss', at: '8', of: '14' }))
  await swipe(page, 'left')
  await expect(turnedTo(page)).toHaveText(say('turn.at', { name: 'Milo Tarn', at: '9', of: '14' }))
  await expect(page.getByRole('heading', { name: say('myday.title') })).toBeVisible()
})

test('four places and “more” stand at the foot of the screen', async ({ page }) => {
  await openAsManager(page, '/today')
  const places = page.getByRole('navigation', { name: say('nav.label') }).getByRole('link')
  await expect(places.filter({ visible: true })).toHaveText([
    say('nav.today'),
    say('nav.myday'),
    say('nav.rack'),
    say('nav.week'),
  ])
  await page.getByRole('button', { name: say('nav.more') }).click()
  await page.getByRole('menuitem', { name: say('nav.learned') }).click()
  await expect(page).toHaveURL(/\/learned/)
})

test('the app can be installed: a manifest with its own icons, and a picture while it opens', async ({ page }) => {
  await openAsManager(page, '/today')
  const link = await page.locator('link[rel=manifest]').getAttribute('href')
  const answer = await page.request.get(new URL(link ?? '', page.url()).href)
  const manifest = (await answer.json()) as { start_url: string; icons: { src: string; sizes: string; type: string }[] }
  expect(manifest.start_url).toBe('/today')
  for (const { src, sizes, type } of manifest.icons) {
    const icon = await page.request.get(new URL(src, page.url()).href)
    expect(icon.headers()['content-type'], src).toContain(type)
    if (type !== 'image/png') continue
    // width and height stand at bytes 16 and 20 of a PNG (W3C PNG specification, IHDR)
    const bytes = await icon.body()
    expect(`${bytes.readUInt32BE(16)}x${bytes.readUInt32BE(20)}`).toBe(sizes)
  }
})

test.describe('the wall screen', () => {
  test.use({ viewport: { width: 1280, height: 800 } })

  test('turns its pages by itself, can be read from afar, and gives its keys at a touch', async ({ page }) => {
    await page.clock.install({ time: new Date('2026-11-24T14:45:00Z') })
    await openAsManager(page, '/wall')
    await expect(page.getByText(said('wall.page', { at: '1', of: /\d+/ }))).toBeVisible()
    await page.clock.runFor(13_000)
    await expect(page.getByText(said('wall.page', { at: '2', of: /\d+/ }))).toBeVisible()
    const act = page.locator('li .act').first()
    // a ten-inch tablet of 1280 by 800 has 5.9 pixels a millimetre; letters are to be 10 mm high, seven tenths of their size
    expect(Number.parseFloat(await act.evaluate((one) => getComputedStyle(one).fontSize)) * 0.7).toBeGreaterThan(58)
    await expect(page.getByRole('button', { name: say('wall.after') })).toHaveCount(0)
    await page.touchscreen.tap(640, 400)
    await expect(page.getByRole('button', { name: say('wall.after') })).toBeVisible()
    await page.getByRole('link', { name: say('wall.leave') }).click()
    await expect(page).toHaveURL(/\/today/)
  })

  test('goes dark when the kitchen rests, until it is touched', async ({ page }) => {
    await page.route('**/api/fleet', async (route) => {
      const answer = await route.fetch()
      const fleet = (await answer.json()) as { day: object }
      await route.fulfill({ response: answer, json: { ...fleet, day: { ...fleet.day, services: [], quiet: [] } } })
    })
    await openAsManager(page, '/wall')
    await expect(page.getByText(say('wall.restingLong'))).toBeVisible()
    await page.touchscreen.tap(640, 400)
    await expect(page.getByText(said('wall.page', { at: '1', of: /\d+/ }))).toBeVisible()
  })
})
