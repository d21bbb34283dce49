import { expect, test } from '@playwright/test'
import { WebSocket } from 'ws'
import { DEMO, openAsManager, openCheck, slideTo } from './kitchen'

test('the simulated tester fills the spots by itself, and says when it was not zeroed', async ({ page }) => {
  await openAsManager(page, '/check/CH-12')
  const spots = page.getByRole('list', { name: 'Three marked spots' })
  await expect(page.getByText(/Reading live from simulator/)).toBeVisible()
  await slideTo(page.getByRole('slider'), 240)
  await page.getByRole('button', { name: 'Zero' }).click()
  await expect(page.getByText('zeroed', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Cut the line' }).click()
  await expect(spots.getByRole('button', { name: /heel/ })).toContainText('240 gf')
  await expect(spots.getByRole('button', { name: /belly/ })).toHaveAttribute('aria-pressed', 'true')
  await slideTo(page.getByRole('slider'), 260)
  await page.getByRole('button', { name: 'Cut the line' }).click()
  await expect(page.getByText('That cut came without a zero before it.', { exact: false })).toBeVisible()
  await page.keyboard.press('h')
  await slideTo(page.getByRole('slider'), 250)
  await page.getByRole('button', { name: 'Zero' }).click()
  await page.getByRole('button', { name: 'Cut the line' }).click()
  await expect(spots.getByRole('button', { name: /heel/ })).toContainText('2 readings, ± 5 gf')
})

test('a tester on a bridge is read through the line protocol', async ({ page }) => {
  await openCheck(page, 'CH-13')
  const made = await page.request.post(`${DEMO}/api/devices`, { data: { kind: 'instrument', name: 'bridge' } })
  const { key } = (await made.json()) as { key: string }
  const socket = new WebSocket(`${DEMO.replace('http', 'ws')}/api/instruments`)
  await new Promise((settle) => socket.once('open', settle))
  socket.send(`hello force-tester bridge ${key}`)
  await page.getByRole('combobox', { name: 'Tester' }).click()
  await page.getByRole('option', { name: 'bridge' }).click()
  for (const line of ['zero', 'force 120 gf', 'force 2.4 N', 'peak 2.6 N']) socket.send(line)
  await expect(
    page.getByRole('list', { name: 'Three marked spots' }).getByRole('button', { name: /heel/ }),
  ).toContainText('265 gf')
  socket.close()
  await expect(page.getByText('No tester is connected', { exact: false })).toBeVisible()
})

test('defects change the next action, and caution is shown', async ({ page }) => {
  await openAsManager(page, '/check/PE-06')
  await page.getByRole('button', { name: 'Handle loose' }).click()
  await expect(page.getByText('leaves service at once', { exact: false })).toBeVisible()
  await page.getByRole('button', { name: 'Record the check' }).click()
  await expect(page.locator('[data-test=verdict]')).toContainText('Take it out of service now.')
  await page.getByRole('link', { name: /Take out of service PE-06/ }).click()
  await page.getByRole('button', { name: 'Loose handle' }).click()
  await expect(page.getByText('PE-06 is out of service.')).toBeVisible()
  await expect(page.locator('.verdict')).toContainText('Out of service. Loose handle')
})

test('an absurd force is refused in words and nothing is taken', async ({ page }) => {
  await openCheck(page, 'CH-12')
  await page.keyboard.type('9999')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('between 10 and 5000 gf')
  await expect(page.getByRole('button', { name: 'Record the check' })).toBeDisabled()
})

test('what was recorded as the session ended is kept, and sent when its person has signed in again', async ({
  page,
}) => {
  await openCheck(page, 'PA-04')
  await page.keyboard.type('288')
  await page.keyboard.press('Enter')
  await page.request.delete(`${DEMO}/api/session`)
  await page.getByRole('button', { name: 'Record the check' }).click()
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible()
  await page.getByLabel('Sign-in name').fill('maren')
  await page.getByLabel('Password', { exact: true }).fill('ferry-landing')
  const sent = page.waitForResponse((response) => response.url().endsWith('/api/events') && response.ok())
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page).toHaveURL(/check\/PA-04/)
  const events = ((await sent).request().postDataJSON() as { events: { payload: { readings: object[] } }[] }).events
  expect(events[0]?.payload.readings).toEqual([{ zone: 'heel', forcesGf: [288] }])
  await page.goto(`${DEMO}/knife/PA-04`)
  await expect(page.getByText(/Checked: .*288/).first()).toBeVisible()
})

test('what was typed and not recorded is still there after the session ended', async ({ page }) => {
  await openCheck(page, 'PA-03')
  await page.keyboard.type('291')
  await page.keyboard.press('Enter')
  await page.request.delete(`${DEMO}/api/session`)
  await page.reload()
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible()
  await page.getByLabel('Sign-in name').fill('maren')
  await page.getByLabel('Password', { exact: true }).fill('ferry-landing')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('list', { name: 'Three marked spots' })).toContainText('291 gf')
})

test('a record made without a network waits on the device and is sent when the network is back', async ({
  page,
  context,
}) => {
  await openAsManager(page, '/today')
  const button = page.getByRole('button', { name: 'Honed PE-01' })
  await expect(button).toBeVisible()
  await context.setOffline(true)
  await button.click()
  await expect(page.getByText('1 record waits on this device', { exact: false })).toBeVisible()
  await context.setOffline(false)
  await expect(page.getByText('1 record waits on this device', { exact: false })).toBeHidden({ timeout: 15_000 })
  await expect(button).toBeHidden()
})
