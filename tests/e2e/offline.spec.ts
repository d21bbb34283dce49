import { expect, test, type Page } from '@playwright/test'
import { DEMO_SIGN_IN } from '../../demo/house'
import { DEMO, openAsManager } from './kitchen'

test.use({ serviceWorkers: 'allow' })

/** Waits until the browser keeps the app, and what this page reads. */
async function kept(page: Page, path: string): Promise<void> {
  await openAsManager(page, path)
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready
  })
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true)
  await page.goto(DEMO + path)
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
}
/** Honings of a knife in its whole log. */
const honings = async (page: Page, code: string): Promise<number> => {
  const log = await (await page.request.get(`${DEMO}/api/exchange/events.csv`)).text()
  return log.split('\r\n').filter((line) => line.includes(code) && line.includes('honed')).length
}

test('without a network the app opens again, says of when it is, and keeps what is recorded', async ({
  page,
  context,
}) => {
  await kept(page, '/today')
  await expect(page.locator('section.person').first()).toBeVisible()
  await page.goto(`${DEMO}/rack`)
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await page.goto(`${DEMO}/knife/CH-07`)
  await expect(page.getByText('CH-07').first()).toBeVisible()

  await context.setOffline(true)
  await page.goto(`${DEMO}/today`)
  await expect(page.locator('section.person').first()).toBeVisible()
  await expect(page.getByText(/No network\. What you see is of/)).toBeVisible()
  const key = page.getByRole('button', { name: /^Honed [A-Z]{2}-\d+$/ }).first()
  const code = (await key.getAttribute('aria-label'))?.replace('Honed ', '') ?? ''
  expect(code).not.toBe('')
  // the test itself is not cut off, only the browser is
  const before = await honings(page, code)
  await key.click()
  await expect(page.getByText(/waits? on this device/).first()).toBeVisible()

  // closed and opened again, still without a network
  await page.reload()
  await expect(page.getByText(/waits? on this device/).first()).toBeVisible()
  await page.goto(`${DEMO}/rack`)
  await expect(page.getByRole('link', { name: 'CH-07' }).first()).toBeVisible()
  await page.goto(`${DEMO}/knife/CH-07`)
  await expect(page.getByText('CH-07').first()).toBeVisible()

  await context.setOffline(false)
  await page.goto(`${DEMO}/today`)
  await expect.poll(() => honings(page, code)).toBe(before + 1)
  await expect(page.getByText(/No network/)).toBeHidden()
  await expect(page.getByText(/waits? on this device/)).toBeHidden()
})

test('who signs out without a network leaves nothing to be seen, and nothing goes out in another’s name', async ({
  page,
  context,
}) => {
  await kept(page, '/today')
  await expect(page.locator('section.person').first()).toBeVisible()
  await context.setOffline(true)
  await page
    .getByRole('button', { name: /^Honed [A-Z]{2}-\d+$/ })
    .first()
    .click()
  await expect(page.getByText(/waits? on this device/).first()).toBeVisible()
  await page.getByRole('button', { name: 'Sign out' }).click()
  await page.goto(`${DEMO}/today`)
  await expect(page.locator('section.person')).toHaveCount(0)
  await context.setOffline(false)

  // somebody else signs in on this device: what waits is not theirs
  await page.request.post(`${DEMO}/api/session`, {
    data: { signInName: DEMO_SIGN_IN.signInName, password: DEMO_SIGN_IN.password },
  })
  await page.request.post(`${DEMO}/api/devices`, { data: { name: 'Wall', kind: 'tablet' } })
  const door = (await (await page.request.get(`${DEMO}/api/sign-in`)).json()) as {
    device: { people: { id: string; name: string }[] }
  }
  const other = door.device.people.find(({ name }) => name !== 'Maren Voss')
  await page.request.post(`${DEMO}/api/session/pin`, { data: { personId: other?.id, pin: DEMO_SIGN_IN.pin } })
  const sent: string[] = []
  page.on('request', (request) => {
    if (request.url().endsWith('/api/events')) sent.push(request.url())
  })
  await page.goto(`${DEMO}/today`)
  await expect(page.locator('section.person').first()).toBeVisible()
  await page.waitForTimeout(3000)
  expect(sent).toEqual([])

  // and Maren's goes out when she is back
  await page.request.post(`${DEMO}/api/session`, {
    data: { signInName: DEMO_SIGN_IN.signInName, password: DEMO_SIGN_IN.password },
  })
  await page.goto(`${DEMO}/today`)
  await expect.poll(() => sent.length, { timeout: 20_000 }).toBeGreaterThan(0)
  await expect(page.getByText(/waits? on this device/)).toBeHidden()
})
