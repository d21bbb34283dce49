import { USUAL_SITTING } from '../../core/plan/problem'
import { writtenSittings } from '../../core/plan/sittings'
import { expect, test, type Locator, type Page } from '@playwright/test'
import IcalParser from 'ical.js'
import { actOnKnife, carry, carryByTouch, complaints, DEMO, openAsManager } from './kitchen'
import { begins, LOCALE, NUMBER, own, said, say, numbersIn } from './words'

const REFUSED = (place?: string): RegExp =>
  said('week.drag.refused', place === undefined ? {} : { place: new RegExp(`${place}.*`) })
const sessions = (page: Page): Locator => page.locator('.session')
/** Opens the week and waits until its plan stands. */
async function openWeek(page: Page): Promise<void> {
  await openAsManager(page, '/week')
  await expect(page.getByText(said('week.summary'))).toBeVisible({ timeout: 15_000 })
}

test('the sample house’s week plans itself, within what can be proven, and says why', async ({ page }) => {
  await openWeek(page)
  await expect(page.getByText(say('week.draft'))).toBeVisible()
  expect(await sessions(page).count()).toBeGreaterThan(10)
  // only quiet windows stand there, with benches as lanes
  await expect(
    page.getByRole('region', { name: new RegExp(`${own('afternoon')}|${own('morning')}`) }).first(),
  ).toBeVisible()
  await expect(page.getByRole('group', { name: own('Window bench') }).first()).toBeVisible()
  await sessions(page).first().click()
  await expect(page.locator('.panel')).toContainText(said('week.reason.saves'))
  await page.getByRole('button', { name: say('week.improve') }).click()
  await expect(page.getByRole('progressbar', { name: say('week.improve') })).toBeVisible()
  await expect(page.getByText(new RegExp(`${said('week.bound').source}|${said('week.optimal').source}`))).toBeVisible({
    timeout: 40_000,
  })
  await expect(page.getByRole('progressbar', { name: say('week.improve') })).toBeHidden({ timeout: 40_000 })
  const told = await page.locator('.lead').innerText()
  const percent = numbersIn(said('week.bound', { percent: NUMBER }).exec(told)?.[0] ?? '0')[0]
  // how near it comes in its seconds is the machine's matter, and the benchmark's; that something was proven is this one's
  expect(percent).toBeLessThan(40)
})

test('looking for a better plan can be stopped', async ({ page }) => {
  await openWeek(page)
  await page.getByRole('button', { name: say('week.improve') }).click()
  await page.getByRole('button', { name: say('week.stop') }).click()
  await expect(page.getByRole('button', { name: say('week.stop') })).toBeHidden({ timeout: 15_000 })
  await expect(page.getByRole('button', { name: say('week.improve') })).toBeEnabled()
})

test('a job is dragged and locked, the plan accepted, planned again around somebody ill, and read by another calendar', async ({
  page,
}) => {
  await openWeek(page)
  // to another window, where at once it says what that costs
  const first = sessions(page).first()
  const job = (await first.getAttribute('data-job')) ?? ''
  const code = await first.locator('b').innerText()
  const lanes = page.locator('.lane')
  const from = await page
    .locator('.window', { has: page.locator(`[data-job="${job}"]`) })
    .locator('.lane')
    .first()
    .getAttribute('data-window')
  let landed = false
  for (let at = 0; at < (await lanes.count()) && !landed; at++) {
    const lane = lanes.nth(at)
    if ((await lane.getAttribute('data-window')) === from) continue
    await carry(page, page.locator(`.session[data-job="${job}"]`), lane, async () => {
      await expect(lane).toHaveClass(/over/)
    })
    await expect(page.locator('.panel .told')).toBeVisible()
    landed = !(await page.locator('.panel .told').innerText()).startsWith(say('week.cannot', { why: '' }).trim())
  }
  expect(landed).toBe(true)
  await expect(page.locator('.panel')).toContainText(
    new RegExp(`${said('week.means').source}|${said('week.even').source}`),
  )
  await page.getByRole('button', { name: say('week.lock') }).click()
  await expect(page.locator(`.session[data-job="${job}"]`)).toHaveAttribute('aria-label', said('week.locked'))
  const lockedIn = await page
    .locator('.window', { has: page.locator(`[data-job="${job}"]`) })
    .getAttribute('aria-label')
  // it stays where it was locked, whatever else is planned afresh
  await page.getByRole('button', { name: say('week.planAfresh') }).click()
  await expect(page.getByText(said('week.summary'))).toBeVisible({ timeout: 15_000 })
  expect(await page.locator('.window', { has: page.locator(`[data-job="${job}"]`) }).getAttribute('aria-label')).toBe(
    lockedIn,
  )
  await page.getByRole('button', { name: say('week.accept') }).click()
  await expect(page.getByText(say('week.acceptedNow'))).toBeVisible()
  await expect(page.getByText(said('week.accepted'))).toBeVisible()

  // Oda falls ill for two days
  const { people } = (await (await page.request.get(`${DEMO}/api/fleet`)).json()) as {
    people: { id: string; name: string }[]
  }
  const oda = people.find(({ name }) => name === 'Oda Finch')?.id ?? ''
  const entries = ['2026-11-24', '2026-11-25', '2026-11-26', '2026-11-27', '2026-11-28'].map((day) => ({
    day,
    starts: null,
    ends: null,
    note: 'ill',
  }))
  expect((await page.request.put(`${DEMO}/api/people/${oda}/shift-days`, { data: { days: [], entries } })).ok()).toBe(
    true,
  )
  await page.reload()
  await expect(page.getByText(say('week.stale')).first()).toBeVisible({ timeout: 15_000 })
  await expect(page.getByText(said('week.gone.there', { person: 'Oda Finch' })).first()).toBeVisible()
  await page.getByRole('button', { name: say('week.planAgain') }).click()
  await expect(page.getByRole('heading', { name: say('week.changes') })).toBeVisible({ timeout: 15_000 })
  await expect(page.locator('.changes')).toContainText(say('week.why.person-away', { person: 'Oda Finch' }))
  await expect(page.locator('.session[aria-label*="Oda Finch"]')).toHaveCount(0)
  await page.getByRole('button', { name: say('week.accept') }).click()
  await expect(page.getByText(said('week.accepted'))).toBeVisible({ timeout: 15_000 })
  await expect(page.getByText(say('week.stale'))).toHaveCount(0)

  // each person's calendar, read by ical.js, which knows nothing of what wrote it
  const { accepted } = (await (await page.request.get(`${DEMO}/api/plan`)).json()) as {
    accepted: {
      sessions: {
        personId: string
        knifeId: string
        windowId: string
        benchId: string
        startsAt: string
        endsAt: string
      }[]
    }
  }
  const busiest = accepted.sessions[0]?.personId ?? ''
  const ics = await (await page.request.get(`${DEMO}/api/people/${busiest}/calendar.ics`)).text()
  const events = new IcalParser.Component(IcalParser.parse(ics))
    .getAllSubcomponents('vevent')
    .map((event) => new IcalParser.Event(event))
  const starts = events
    .filter(({ summary }) => said('calendar.sitting').test(summary))
    // what was planned before and is called off is sent as that
    .filter(({ component }) => component.getFirstPropertyValue('status') !== 'CANCELLED')
    .map(({ startDate }) => startDate.toJSDate().getTime())
    .sort()
  const MINUTE_MS = 60_000
  expect(starts).toEqual(
    writtenSittings(
      accepted.sessions.filter(({ personId }) => personId === busiest),
      USUAL_SITTING,
    )
      .map(({ startMs }) => Math.round(startMs / MINUTE_MS) * MINUTE_MS)
      .sort(),
  )
  // what is planned stands on the knife's own page
  await page.goto(`${DEMO}/knife/${code}`)
  await expect(
    page.getByText(
      new RegExp(
        `${said('verdict.plannedToday', { time: /\d\d:\d\d/ }).source}|${said('verdict.planned', { time: /\d\d:\d\d/ }).source}`,
      ),
    ),
  ).toBeVisible()
  await page.request.put(`${DEMO}/api/people/${oda}/shift-days`, {
    data: { days: entries.map(({ day }) => day), entries: [] },
  })
})

test('a session dropped on somebody’s initials is theirs, where they may and can', async ({ page }) => {
  const heard = complaints(page)
  await openWeek(page)
  const window = page.locator('.window', { has: page.locator('.session') }).first()
  const session = window.locator('.session').first()
  const job = (await session.getAttribute('data-job')) ?? ''
  const names: string[] = []
  for (const hands of await window.locator('.hands').all()) {
    const name = (await hands.getAttribute('title')) ?? ''
    const moved = page.locator(`.session[data-job="${job}"]`)
    await carry(page, moved, hands, async () => {
      await expect(hands).toHaveClass(/over/)
    })
    const spoken = page.locator('[id^="dnd-kit-announcement"]')
    await expect(spoken).toContainText(
      new RegExp(`${said('week.drag.dropped', { place: new RegExp(`${name}.*`) }).source}|${REFUSED(name).source}`),
    )
    if (REFUSED(name).test(await spoken.innerText())) continue
    await expect(moved).toHaveAttribute('aria-label', new RegExp(name))
    names.push(name)
  }
  expect(names.length).toBeGreaterThan(1)
  expect(heard).toEqual([])
})

test('a finger carries a session to another bench, and what happens is spoken', async ({ browser }) => {
  const page = await browser.newPage({ locale: LOCALE, viewport: { width: 1024, height: 768 }, hasTouch: true })
  await openWeek(page)
  const window = page.locator('.window', { has: page.locator('.session') }).first()
  await window.scrollIntoViewIfNeeded()
  const lanes = window.locator('.lane')
  const job = (await window.locator('.session').first().getAttribute('data-job')) ?? ''
  const lane = lanes.filter({ has: page.locator(`[data-job="${job}"]`) })
  const other = lanes.filter({ hasNot: page.locator(`[data-job="${job}"]`) }).first()
  const from = await lane.getAttribute('data-bench')
  const to = await other.getAttribute('data-bench')
  expect(to).not.toBe(from)
  const session = page.locator(`.session[data-job="${job}"]`)
  await carryByTouch(page, session, window.locator(`.lane[data-bench="${to}"]`))
  await expect(page.locator('.panel .told')).toBeVisible()
  await expect(page.locator('[id^="dnd-kit-announcement"]')).toContainText(
    new RegExp(`${said('week.drag.dropped').source}|${REFUSED().source}`),
  )
  const refused = (await page.locator('.panel .told').innerText()).startsWith(say('week.cannot', { why: '' }).trim())
  await expect(window.locator(`.lane[data-bench="${refused ? from : to}"] [data-job="${job}"]`)).toBeVisible()
  await page.close()
})

test('keys move a session between windows and benches, change hands, lock it and take it off', async ({ page }) => {
  await openWeek(page)
  const some = sessions(page).nth(3)
  const job = (await some.getAttribute('data-job')) ?? ''
  await some.click()
  const told = page.locator('.panel .told')
  await page.keyboard.press('ArrowDown')
  await expect(told).toBeVisible()
  await page.keyboard.press('ArrowRight')
  await expect(told).toBeVisible()
  await page.keyboard.press('l')
  await expect(page.locator(`.session[data-job="${job}"]`)).toHaveClass(/locked/)
  await page.keyboard.press('l')
  await page.keyboard.press('Delete')
  await expect(page.locator(`.session[data-job="${job}"]`)).toHaveCount(0)
  await expect(
    page.getByText(said('week.means', { parts: new RegExp(`.*${said('week.more.dullHours').source}.*`) })),
  ).toBeVisible()
  await page.getByRole('button', { name: say('week.take') }).click()
  await expect(page.locator(`.session[data-job="${job}"]`)).toHaveCount(1)
})

test('a knife whose edge does not last comes twice, the second time after the first, and says so', async ({ page }) => {
  await openWeek(page)
  const second = page.locator('.session[data-job$="#2"]').last()
  const job = (await second.getAttribute('data-job')) ?? ''
  await second.click()
  await expect(page.locator('.panel')).toContainText(said('week.reason.again'))
  const windowOf = (id: string): Promise<string | null> =>
    page.locator('.window', { has: page.locator(`[data-job="${id}"]`) }).getAttribute('aria-label')
  const [firstIn, secondIn] = [await windowOf(job.replace('#2', '')), await windowOf(job)]
  expect(firstIn).not.toBe(secondIn)
  // not in the window of its first: the reason is told, and it stays where it is
  await page.getByRole('combobox', { name: say('week.window') }).click()
  await page.getByRole('option', { name: firstIn ?? '' }).click()
  await expect(page.locator('.panel .told')).toContainText(said('week.cannot', { why: said('week.reason.too-soon') }))
  expect(await windowOf(job)).toBe(secondIn)
  // with its first off the plan, there is no second
  await page.locator(`.session[data-job="${job.replace('#2', '')}"]`).click()
  await page.keyboard.press('Delete')
  await expect(page.locator(`.session[data-job="${job}"]`)).toHaveCount(0)
})

test('a session that is done leaves the plan, which still stands, and the second one is what comes next', async ({
  page,
}) => {
  await openWeek(page)
  await page.getByRole('button', { name: say('week.planAfresh') }).click()
  await expect(page.getByText(said('week.summary'))).toBeVisible({ timeout: 15_000 })
  const accept = page.getByRole('button', { name: say('week.accept') })
  if (await accept.isEnabled()) await accept.click()
  await expect(page.getByText(said('week.accepted'))).toBeVisible({ timeout: 15_000 })
  // a knife that nobody else's test is about
  const taken = /^(CH-0[3468]|CH-1[02]|PA-|PE-0[23]|SA-|SL-|BN-|BR-)/
  const codes = await page.locator('.session[data-job$="#2"] b').allInnerTexts()
  const code = codes.find((one) => !taken.test(one)) ?? ''
  const { knives } = (await (await page.request.get(`${DEMO}/api/fleet`)).json()) as {
    knives: { id: string; code: string }[]
  }
  const knifeId = knives.find((knife) => knife.code === code)?.id ?? ''
  const planned = async (): Promise<{ personId: string; startsAt: string }[]> => {
    const { accepted } = (await (await page.request.get(`${DEMO}/api/plan`)).json()) as {
      accepted: { sessions: { knifeId: string; personId: string; startsAt: string }[] }
    }
    return accepted.sessions.filter((session) => session.knifeId === knifeId)
  }
  const [, second] = await planned()
  await page.goto(`${DEMO}/knife/${code}`)
  await actOnKnife(page, say('knife.act.sharpened'))
  await page
    .getByRole('dialog')
    .getByRole('button', { name: say('shell.record') })
    .click()
  await expect(page.getByRole('dialog')).toBeHidden()
  // the dialog closes at once, what it records is sent after it
  await expect.poll(planned).toEqual([second])
  await page.goto(`${DEMO}/week`)
  await expect(page.getByText(said('week.accepted'))).toBeVisible({ timeout: 15_000 })
  await expect(page.getByText(say('week.stale'))).toHaveCount(0)
  await expect(page.locator(`.session[data-job="${knifeId}"]`)).toHaveCount(1)
  await expect(page.locator(`.session[data-job="${knifeId}#2"]`)).toHaveCount(0)
})

test('the chef’s sliders change the plan, and custom stands beside it in numbers', async ({ page }) => {
  await openWeek(page)
  await expect(page.getByText(said('week.compared', { weeks: '2' }))).toBeVisible()
  const before = numbersIn(await page.locator('.lead').innerText())[0] ?? NaN
  // work counts for much and dull services for nothing: little is left worth doing
  await page.getByRole('slider', { name: say('week.weight.dull') }).press('Home')
  await expect
    .poll(async () => numbersIn(await page.locator('.lead').innerText())[0] ?? before, {
      timeout: 15_000,
    })
    .toBeLessThan(before)
})

test('my roll is a list on a phone, and its calendar link can be ended', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await openAsManager(page, '/roll')
  await expect(page.getByText(begins('myday.before', { service: own('dinner'), time: '17:30' })).first()).toBeVisible()
  await expect(page.getByText(begins('myday.hone', { codes: /[A-Z]{2}-\d\d/ })).first()).toBeVisible()
  expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0)
  await page.getByRole('button', { name: say('myday.link') }).click()
  const address = await page.locator('.address').innerText()
  expect((await page.request.get(address)).headers()['content-type']).toContain('text/calendar')
  const end = page.locator('#main').getByRole('button', { name: say('myday.revoke') })
  await end.click()
  await page.getByRole('button', { name: say('myday.revokeKeep') }).click()
  await expect(page.getByRole('alertdialog')).toHaveCount(0)
  await expect(page.locator('.address')).toBeVisible()
  await end.click()
  await page
    .getByRole('alertdialog')
    .getByRole('button', { name: say('myday.revoke') })
    .click()
  await expect(page.locator('.address')).toBeHidden()
  expect((await page.request.get(address)).status()).toBe(404)
})

test('a cook sees the week and plans nothing in it', async ({ page }) => {
  await openWeek(page)
  const { people } = (await (await page.request.get(`${DEMO}/api/fleet`)).json()) as {
    people: { id: string; name: string }[]
  }
  await page.request.post(`${DEMO}/api/devices`, { data: { name: 'Wall tablet', kind: 'tablet' } })
  const cook = people.find(({ name }) => name === 'Milo Tarn')?.id
  expect((await page.request.post(`${DEMO}/api/session/pin`, { data: { personId: cook, pin: '2468' } })).ok()).toBe(
    true,
  )
  await page.goto(`${DEMO}/week`)
  await expect(page.getByText(said('week.summary'))).toBeVisible({ timeout: 15_000 })
  await expect(page.getByRole('button', { name: say('week.accept') })).toHaveCount(0)
  await sessions(page).first().click()
  await expect(page.getByRole('button', { name: say('week.lock') })).toHaveCount(0)
})
