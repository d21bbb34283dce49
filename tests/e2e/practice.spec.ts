import { expect, test, type Page } from '@playwright/test'
import { complaints, openAsManager } from './kitchen'

test('a first try is seen, judged and drawn, and can be taken back', async ({ page }) => {
  test.setTimeout(90_000)
  const problems = complaints(page)
  await openAsManager(page, '/roll')
  await page.getByRole('link', { name: 'Practise an angle' }).click()
  await expect(page.getByText('No inclinometer is on the line yet.')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Begin' })).toBeDisabled()

  await page.getByRole('button', { name: 'No instrument? A made-up hand' }).click()
  await page.getByRole('button', { name: 'a first try' }).click()
  await page.getByRole('button', { name: 'Begin' }).click()
  await expect(page.getByText(/Stroke 2 of 12/)).toBeVisible({ timeout: 20_000 })
  await page.getByRole('button', { name: 'Stop, without a record' }).click()
  await expect(page.getByText('Before', { exact: true })).toHaveCount(0)

  await page.getByRole('button', { name: 'Begin' }).click()
  await expect(page.getByRole('heading', { name: 'Before' })).toBeVisible({ timeout: 60_000 })
  // the tip of a first try lifts, or it rocks: the one or the other is the lesson
  await expect(page.getByRole('heading', { name: /The tip lifts|It rocks|Too steep|new guess/ })).toBeVisible()
  await expect(page.getByRole('img', { name: /^Section as it was meant, 17° a side/ })).toBeVisible()
  const made = page.getByRole('img', { name: /^Section that these strokes grind/ })
  const angle = Number(/([\d.]+)° a side/.exec((await made.getAttribute('aria-label')) ?? '')?.[1])
  expect(angle).toBeGreaterThan(18.5)
  // rounded: its outline has many small faces where the one meant has two
  const corners = (of: string | null): number => (of ?? '').trim().split(' ').length
  expect(corners(await made.locator('polygon.steel').getAttribute('points'))).toBeGreaterThan(
    corners(await made.locator('polygon.meant').getAttribute('points')) + 4,
  )

  await expect(page.locator('.before li')).toHaveCount(1)
  await page.getByRole('button', { name: 'Take back' }).click()
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
  const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage()
  await openAsManager(phone, '/phone-angle')
  await lay(phone, 2)
  await phone.getByRole('button', { name: 'Zero it here' }).click()
  await expect(phone.getByText(/^1\.[3-5]° ± /)).toBeVisible()
  // the spine is raised until the face stands at 15.6 degrees to the stone: with the face's own 1.4 that is 17
  await lay(phone, 17.6)
  await expect(phone.getByText(/^(16\.9|17|17\.1)° ± 0\.[5-8]°/)).toBeVisible()
  await expect(phone.getByText('The bench and the drills hear it.')).toBeVisible()

  await openAsManager(page, '/practice')
  await expect(page.getByText(/^(16\.9|17|17\.1)°$/)).toBeVisible()
  await expect(page.getByText(/Sure within 0\.[5-8]/)).toBeVisible()
  await openAsManager(page, '/bench/PE-03')
  await page.getByRole('combobox', { name: 'What to do' }).click()
  await page.getByRole('option', { name: 'Touch-up', exact: true }).click()
  await page.getByRole('button', { name: /Begin/ }).click()
  while (!(await page.getByRole('button', { name: /^Stroke/ }).isVisible()))
    await page.getByRole('button', { name: /^Next/ }).click()
  await expect(page.getByText(/on the line: (16\.9|17|17\.1)°/)).toBeVisible()
  // the knife is free again for whoever comes next
  await page.getByRole('button', { name: 'Stop here' }).click()
  await expect(page.getByRole('button', { name: 'Stop here' })).toBeHidden()
  await phone.context().close()
})
