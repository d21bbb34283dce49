import { expect, test, type Page } from '@playwright/test'
import { complaints, openAsManager } from './kitchen'
import { begins, LOCALE, said, say, recipe, numbersIn, keyNamed } from './words'

/** What a made-up first try may be told. */
const FIRST_FAULTS = new RegExp(
  ['tip-lifts', 'rocks', 'too-steep', 'new-guess'].map((fault) => say(`practice.advice.${fault}`)).join('|'),
)

test('a first try is seen, judged and drawn, and can be taken back', async ({ page }) => {
  test.setTimeout(90_000)
  const problems = complaints(page)
  await openAsManager(page, '/roll')
  await page.getByRole('link', { name: say('practice.open') }).click()
  await expect(page.getByText(say('practice.trust.angle.none'))).toBeVisible()
  await expect(page.getByRole('button', { name: say('practice.start') })).toBeDisabled()

  await page.getByRole('button', { name: say('practice.simulator') }).click()
  await page.getByRole('button', { name: say('practice.simulated.first') }).click()
  await page.getByRole('button', { name: say('practice.start') }).click()
  await expect(page.getByText(said('practice.stroke', { n: '2', all: '12' }))).toBeVisible({ timeout: 20_000 })
  await page.getByRole('button', { name: say('practice.stop') }).click()
  await expect(page.getByText(say('practice.before'), { exact: true })).toHaveCount(0)

  await page.getByRole('button', { name: say('practice.start') }).click()
  await expect(page.getByRole('heading', { name: say('practice.before') })).toBeVisible({ timeout: 60_000 })
  // the tip of a first try lifts, or it rocks: the one or the other is the lesson
  await expect(page.getByRole('heading', { name: FIRST_FAULTS })).toBeVisible()
  await expect(page.getByRole('img', { name: begins('practice.meantOf', { angle: '17°' }) })).toBeVisible()
  const made = page.getByRole('img', { name: begins('practice.madeOf') })
  const [angle] = numbersIn((await made.getAttribute('aria-label')) ?? '')
  expect(angle).toBeGreaterThan(18.5)
  // rounded: its outline has many small faces where the one meant has two
  const corners = (of: string | null): number => (of ?? '').trim().split(' ').length
  expect(corners(await made.locator('polygon.steel').getAttribute('points'))).toBeGreaterThan(
    corners(await made.locator('polygon.meant').getAttribute('points')) + 4,
  )

  await expect(page.locator('.before li')).toHaveCount(1)
  await page.getByRole('button', { name: say('event.takeBack') }).click()
  await expect(page.locator('.before li')).toHaveCount(0)
  expect(problems).toEqual([])
})

/** Has a page feel that its phone lies so, ten times a second, until it is told otherwise. */
const lay = (phone: Page, betaDeg: number): Promise<void> =>
  phone.evaluate((beta) => {
    const own = globalThis as { feeling?: ReturnType<typeof setInterval> }
    clearInterval(own.feeling)
    let turn = 0
    own.feeling = setInterval(() => {
      // a hand is never quite still
      const tremor = 0.1 * Math.sin(turn++)
      window.dispatchEvent(
        new DeviceOrientationEvent('deviceorientation', { alpha: 40, beta: beta + tremor, gamma: 0 }),
      )
    }, 100)
  }, betaDeg)

test('a phone against the blade is the inclinometer of the drill on the tablet, and of the bench', async ({
  page,
  browser,
}) => {
  const phone = await (await browser.newContext({ locale: LOCALE, viewport: { width: 390, height: 844 } })).newPage()
  await openAsManager(phone, '/phone-angle')
  await lay(phone, 2)
  await phone.getByRole('button', { name: say('phone.zero') }).click()
  await expect(phone.getByText(/^1[.,][3-5]° ± /)).toBeVisible()
  // the spine is raised until the face stands at 15.6 degrees to the stone: with the face's own 1.4 that is 17
  await lay(phone, 17.6)
  await expect(phone.getByText(/^(16[.,]9|17|17[.,]1)° ± 0[.,][5-8]°/)).toBeVisible()
  await expect(phone.getByText(say('phone.sent'))).toBeVisible()

  await openAsManager(page, '/practice')
  await expect(page.getByText(/^(16[.,]9|17|17[.,]1)°$/)).toBeVisible()
  await expect(page.getByText(said('practice.sure', { angle: /0[.,][5-8]°/ }))).toBeVisible()
  await openAsManager(page, '/bench/PE-03')
  await page.getByRole('combobox', { name: say('bench.recipeLabel') }).click()
  await page.getByRole('option', { name: recipe('touch-up'), exact: true }).click()
  await page.getByRole('button', { name: keyNamed('bench.start') }).click()
  while (!(await page.getByRole('button', { name: begins('bench.stroke') }).isVisible()))
    await page.getByRole('button', { name: begins('bench.next') }).click()
  await expect(page.getByText(said('bench.live.angle', { angle: /(16[.,]9|17|17[.,]1)°/ }))).toBeVisible()
  // the knife is free again for whoever comes next
  await page.getByRole('button', { name: say('bench.abandon') }).click()
  await expect(page.getByRole('button', { name: say('bench.abandon') })).toBeHidden()
  await phone.context().close()
})
