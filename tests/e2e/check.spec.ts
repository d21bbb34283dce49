import { expect, test } from '@playwright/test'
import { WebSocket } from 'ws'
import { DEMO, openAsManager, openCheck, slideTo } from './kitchen'
import { said, say } from './words'

test('the simulated tester fills the spots by itself, and says when it was not zeroed', async ({ page }) => {
  await openAsManager(page, '/check/CH-12')
  const spots = page.getByRole('list', { name: say('check.spots') })
  await expect(page.getByText(said('check.tester'))).toBeVisible()
  await slideTo(page.getByRole('slider'), 240)
  await page.getByRole('button', { name: say('check.zero') }).click()
  await expect(page.getByText(say('check.zeroed'), { exact: true })).toBeVisible()
  await page.getByRole('button', { name: say('check.cut') }).click()
  await expect(spots.getByRole('button', { name: said('zone.heel') })).toContainText('240 gf')
  await expect(spots.getByRole('button', { name: said('zone.belly') })).toHaveAttribute('aria-pressed', 'true')
  await slideTo(page.getByRole('slider'), 260)
  await page.getByRole('button', { name: say('check.cut') }).click()
  await expect(page.getByText(said('check.wasNotZeroed'))).toBeVisible()
  await page.keyboard.press('h')
  await slideTo(page.getByRole('slider'), 250)
  await page.getByRole('button', { name: say('check.zero') }).click()
  await page.getByRole('button', { name: say('check.cut') }).click()
  await expect(spots.getByRole('button', { name: said('zone.heel') })).toContainText(
    say('check.repeats', { count: '2', half: '5' }),
  )
})

test('a tester on a bridge is read through the line protocol', async ({ page }) => {
  await openCheck(page, 'CH-13')
  const made = await page.request.post(`${DEMO}/api/devices`, { data: { kind: 'instrument', name: 'bridge' } })
  const { key } = (await made.json()) as { key: string }
  const socket = new WebSocket(`${DEMO.replace('http', 'ws')}/api/instruments`)
  await new Promise((settle) => socket.once('open', settle))
  socket.send(`hello force-tester bridge ${key}`)
  await page.getByRole('combobox', { name: say('check.whichTester') }).click()
  await page.getByRole('option', { name: 'bridge' }).click()
  for (const line of ['zero', 'force 120 gf', 'force 2.4 N', 'peak 2.6 N']) socket.send(line)
  await expect(
    page.getByRole('list', { name: say('check.spots') }).getByRole('button', { name: said('zone.heel') }),
  ).toContainText('265 gf')
  socket.close()
  await expect(page.getByText(said('check.noTester'))).toBeVisible()
})

test('defects change the next action, and caution is shown', async ({ page }) => {
  await openAsManager(page, '/check/PE-06')
  await page.getByRole('button', { name: say('defect.handleLoose') }).click()
  await expect(page.getByText(say('caution.unsafe'))).toBeVisible()
  await page.getByRole('button', { name: say('check.record') }).click()
  await expect(page.locator('[data-test=verdict]')).toContainText(say('action.quarantine'))
  await page.getByRole('link', { name: /PE-06/ }).click()
  await page.getByRole('button', { name: say('knife.unsafe.handle') }).click()
  await expect(page.getByText(say('knife.outDone', { code: 'PE-06' }))).toBeVisible()
  await expect(page.locator('.verdict')).toContainText(`${say('verdict.quarantined')} ${say('knife.unsafe.handle')}`)
})

test('an absurd force is refused in words and nothing is taken', async ({ page }) => {
  await openCheck(page, 'CH-12')
  await page.keyboard.type('9999')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText(said('check.absurd'))
  await expect(page.getByRole('button', { name: say('check.record') })).toBeDisabled()
})

test('what was recorded as the session ended is kept, and sent when its person has signed in again', async ({
  page,
}) => {
  await openCheck(page, 'PA-04')
  await page.keyboard.type('288')
  await page.keyboard.press('Enter')
  await page.request.delete(`${DEMO}/api/session`)
  await page.getByRole('button', { name: say('check.record') }).click()
  await expect(page.getByRole('heading', { name: say('door.signIn') })).toBeVisible()
  await page.getByLabel(say('field.signInName')).fill('maren')
  await page.getByLabel(say('field.password'), { exact: true }).fill('ferry-landing')
  const sent = page.waitForResponse((response) => response.url().endsWith('/api/events') && response.ok())
  await page.getByRole('button', { name: say('door.enter') }).click()
  await expect(page).toHaveURL(/check\/PA-04/)
  const events = ((await sent).request().postDataJSON() as { events: { payload: { readings: object[] } }[] }).events
  expect(events[0]?.payload.readings).toEqual([{ zone: 'heel', forcesGf: [288] }])
  await page.goto(`${DEMO}/knife/PA-04`)
  await expect(page.getByText(said('event.checked', { found: /.*288.*/ })).first()).toBeVisible()
})

test('what was typed and not recorded is still there after the session ended', async ({ page }) => {
  await openCheck(page, 'PA-03')
  await page.keyboard.type('291')
  await page.keyboard.press('Enter')
  await page.request.delete(`${DEMO}/api/session`)
  await page.reload()
  await expect(page.getByRole('heading', { name: say('door.signIn') })).toBeVisible()
  await page.getByLabel(say('field.signInName')).fill('maren')
  await page.getByLabel(say('field.password'), { exact: true }).fill('ferry-landing')
  await page.getByRole('button', { name: say('door.enter') }).click()
  await expect(page.getByRole('list', { name: say('check.spots') })).toContainText('291 gf')
})

test('a record made without a network waits on the device and is sent when the network is back', async ({
  page,
  context,
}) => {
  await openAsManager(page, '/today')
  const button = page.getByRole('button', { name: say('today.honedOf', { code: 'PE-01' }) })
  await expect(button).toBeVisible()
  await context.setOffline(true)
  await button.click()
  await expect(page.getByText(said('shell.waiting', { n: 1 }))).toBeVisible()
  await context.setOffline(false)
  await expect(page.getByText(said('shell.waiting', { n: 1 }))).toBeHidden({ timeout: 15_000 })
  await expect(button).toBeHidden()
})
