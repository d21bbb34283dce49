import { expect, test, type Page } from '@playwright/test'
import { v7 as newId } from 'uuid'
import { DEMO_SIGN_IN } from '../../demo/house'
import { DEMO, openAsManager } from './kitchen'
import { begins, own, said, say, keyNamed } from './words'

test.use({ serviceWorkers: 'allow' })

/** The key that says a knife was honed, and the code of the knife in what it is called. */
const HONED = begins('today.honedOf', { code: /[A-Z]{2}-\d+/ })
const codeIn = (label: string | null): string => /[A-Z]{2}-\d+/.exec(label ?? '')?.[0] ?? ''

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

/** What was written down of a knife last, as anybody of the house may read it. */
async function latest(page: Page, code: string): Promise<{ id: string; kind: string; personName: string | null }> {
  const { knives } = (await (await page.request.get(`${DEMO}/api/fleet`)).json()) as {
    knives: { id: string; code: string }[]
  }
  const id = knives.find((knife) => knife.code === code)?.id ?? ''
  const [last] = (await (await page.request.get(`${DEMO}/api/knives/${id}/events`)).json()) as {
    id: string
    kind: string
    personName: string | null
  }[]
  return last ?? { id: '', kind: '', personName: null }
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
  await expect(page.getByText(said('shell.kept'))).toBeVisible()
  const key = page.getByRole('button', { name: HONED }).first()
  const code = codeIn(await key.getAttribute('aria-label'))
  expect(code).not.toBe('')
  // the test itself is not cut off, only the browser is
  const before = await honings(page, code)
  await key.click()
  await expect(page.getByText(said('shell.waiting')).first()).toBeVisible()

  // closed and opened again, still without a network
  await page.reload()
  await expect(page.getByText(said('shell.waiting')).first()).toBeVisible()
  await page.goto(`${DEMO}/rack`)
  await expect(page.getByRole('link', { name: 'CH-07' }).first()).toBeVisible()
  await page.goto(`${DEMO}/knife/CH-07`)
  await expect(page.getByText('CH-07').first()).toBeVisible()
  // a lesson is never out of reach
  await page.goto(`${DEMO}/course/first-stone`)
  await expect(page.getByRole('img', { name: say('course.figure.end', { angle: '17°' }) })).toBeVisible()

  await context.setOffline(false)
  await page.goto(`${DEMO}/today`)
  await expect.poll(() => honings(page, code)).toBe(before + 1)
  await expect(page.getByText(said('shell.kept'))).toBeHidden()
  await expect(page.getByText(said('shell.waiting'))).toBeHidden()
})

test('who signs out without a network leaves nothing to be seen, and what waits goes out in their name whoever is there next', async ({
  page,
  context,
}) => {
  await kept(page, '/today')
  await expect(page.locator('section.person').first()).toBeVisible()
  await context.setOffline(true)
  const key = page.getByRole('button', { name: HONED }).first()
  const code = codeIn(await key.getAttribute('aria-label'))
  const before = await latest(page, code)
  await key.click()
  await expect(page.getByText(said('shell.waiting')).first()).toBeVisible()
  await page.getByRole('button', { name: say('nav.leave') }).click()
  await page.goto(`${DEMO}/today`)
  await expect(page.locator('section.person')).toHaveCount(0)
  await context.setOffline(false)

  // somebody else signs in on this device
  await page.request.post(`${DEMO}/api/session`, {
    data: { signInName: DEMO_SIGN_IN.signInName, password: DEMO_SIGN_IN.password },
  })
  await page.request.post(`${DEMO}/api/devices`, { data: { name: 'Wall', kind: 'tablet' } })
  const door = (await (await page.request.get(`${DEMO}/api/sign-in`)).json()) as {
    device: { people: { id: string; name: string }[] }
  }
  const other = door.device.people.find(({ name }) => name !== 'Maren Voss')
  await page.request.post(`${DEMO}/api/session/pin`, { data: { personId: other?.id, pin: DEMO_SIGN_IN.pin } })
  // it goes out all the same, by its mark, and the log names who did it
  await page.goto(`${DEMO}/today`)
  await expect(page.locator('section.person').first()).toBeVisible()
  await expect.poll(async () => (await latest(page, code)).id).not.toBe(before.id)
  expect(await latest(page, code)).toMatchObject({ kind: 'honed', personName: 'Maren Voss' })
  await expect(page.getByText(said('shell.waiting'))).toBeHidden()
  expect(await page.evaluate(() => Object.keys(localStorage).filter((key) => key.includes('outbox')))).toEqual([])
})

/** Knives for which this device has what the bench asks for. */
const broughtAlong = (page: Page): Promise<string[]> =>
  page.evaluate(async () => {
    const keys = await (await caches.open('yorvik-data')).keys()
    return keys.flatMap(({ url }) => /\/kept\/brought\/(.+)$/.exec(url)?.[1] ?? [])
  })
const waits = (page: Page): ReturnType<Page['getByText']> => page.getByText(said('shell.waiting')).first()
const eventsOf = async (page: Page, code: string): Promise<string[]> =>
  (await (await page.request.get(`${DEMO}/api/exchange/events.csv`)).text())
    .split('\r\n')
    .filter((line) => line.includes(code))

test('a tablet in airplane mode does a whole shift: honing with an undo, a check, a session at the bench', async ({
  page,
  context,
}) => {
  await kept(page, '/today')
  await expect.poll(async () => (await broughtAlong(page)).length, { timeout: 30_000 }).toBeGreaterThan(0)
  // the bench has been opened once on this device, as on any that stands there
  await page.goto(`${DEMO}/rack`)
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  const [knifeId = ''] = await broughtAlong(page)
  const { knives } = (await (await page.request.get(`${DEMO}/api/fleet`)).json()) as {
    knives: { id: string; code: string; status: string }[]
  }
  const atBench = knives.find(({ id }) => id === knifeId)?.code ?? ''
  const checked = knives.find(({ code, status }) => code !== atBench && status === 'in-service')?.code ?? ''

  await context.setOffline(true)
  await page.goto(`${DEMO}/today`)
  const honed = page.getByRole('button', { name: HONED })
  const nameOf = async (at: number): Promise<string> => codeIn(await honed.nth(at).getAttribute('aria-label'))
  const [stays, goes] = [await nameOf(0), await nameOf(1)]
  const before = { stays: await honings(page, stays), goes: await honings(page, goes) }
  await page.getByRole('button', { name: say('today.honedOf', { code: stays }), exact: true }).click()
  await expect(waits(page)).toBeVisible()
  await page.getByRole('button', { name: say('today.honedOf', { code: goes }), exact: true }).click()
  await page
    .getByRole('button', { name: say('shell.undo') })
    .last()
    .click()

  await page.goto(`${DEMO}/check/${checked}`)
  await expect(page.getByRole('list', { name: say('check.spots') })).toBeVisible()
  for (const force of ['301', '312', '333']) {
    await page.keyboard.type(force)
    await page.keyboard.press('Enter')
  }
  await page.getByRole('button', { name: say('check.record') }).click()
  await expect(waits(page)).toBeVisible()
  const checksBefore = (await eventsOf(page, checked)).filter((line) => line.includes('checked')).length

  await page.goto(`${DEMO}/bench/${atBench}`)
  await page.getByRole('button', { name: keyNamed('bench.start') }).click()
  const line = page.getByRole('list', { name: say('bench.title') })
  await expect(line.getByRole('listitem').first()).toBeVisible()
  while (!(await page.getByRole('button', { name: begins('bench.stroke') }).isVisible()))
    await page.getByRole('button', { name: begins('bench.next') }).click()
  await page.keyboard.press('Space')
  await page.keyboard.press('Space')
  await page.keyboard.press('Space')
  await expect(page.locator('.count .big')).toHaveText('3')
  // the battery is changed: closed, opened, gone on with where it was
  await page.reload()
  await page.getByRole('button', { name: say('bench.resume') }).click()
  await expect(page.locator('.count .big')).toHaveText('3')
  const steps = await line.getByRole('listitem').count()
  for (let step = 0; step < steps + 5; step++) {
    for (const box of await page.getByRole('checkbox').all()) await box.click()
    const finish = page.getByRole('button', { name: begins('bench.finish') })
    if (await finish.isVisible()) {
      await finish.click()
      break
    }
    await page.getByRole('button', { name: begins('bench.next') }).click()
  }
  await expect(page.getByRole('heading', { name: atBench })).toBeVisible()
  expect((await eventsOf(page, atBench)).length).toBeGreaterThan(0)

  // the end of the shift is counted, with one knife missing
  await page.goto(`${DEMO}/count`)
  await page.getByRole('button', { name: new RegExp(`^${own('Pastry and bread')}`) }).click()
  const counted = await page.locator('.tile .num').allTextContents()
  await page.getByRole('button', { name: say('count.allHere') }).click()
  await page.reload()
  await page
    .locator('.tile')
    .filter({ hasText: counted[0]?.trim() ?? '' })
    .click()
  await page.getByRole('button', { name: say('walk.finish') }).click()
  await page.getByRole('button', { name: say('count.record', { n: 1 }) }).click()
  await expect(page.getByText(say('count.missed', { n: 1, codes: counted[0]?.trim() ?? '' }))).toBeVisible()

  await context.setOffline(false)
  await page.goto(`${DEMO}/today`)
  await expect(page.getByText(said('shell.waiting'))).toBeHidden({ timeout: 30_000 })
  await expect.poll(() => honings(page, stays)).toBe(before.stays + 1)
  // done and taken back: both are in the log, and it counts for nothing
  expect(await honings(page, goes)).toBe(before.goes + 1)
  expect((await eventsOf(page, goes)).filter((row) => row.includes('voided'))).toHaveLength(1)
  expect((await eventsOf(page, checked)).filter((row) => row.includes('checked'))).toHaveLength(checksBefore + 1)
  const outcome = async (): Promise<unknown> => {
    const answer = await page.request.get(`${DEMO}/api/knives/${knifeId}/bench-sessions`)
    return ((await answer.json()) as { outcome: string | null }[])[0]?.outcome
  }
  await expect.poll(outcome).toBe('finished')
  const missed = knives.find(({ code }) => code === counted[0]?.trim())?.id ?? ''
  const countOfShift = async (): Promise<{ present: number; missing: string[] } | undefined> => {
    const counts = (await (await page.request.get(`${DEMO}/api/counts`)).json()) as {
      present: number
      missing: string[]
    }[]
    return counts.find(({ missing }) => missing.includes(missed))
  }
  await expect.poll(countOfShift).toMatchObject({ present: counted.length - 1, missing: [missed] })
  // it turns up again, for whoever comes next
  const again = await page.request.post(`${DEMO}/api/counts`, {
    data: { ...(await countOfShift()), id: newId(), present: [missed], missing: [] },
  })
  expect(again.ok()).toBe(true)
  expect((await (await page.request.get(`${DEMO}/api/bench-sessions`)).json()) as unknown[]).toEqual([])
  await expect(page.getByRole('alert')).toHaveCount(0)
})
