import { USUAL_SITTING } from '../../core/plan/problem'
import { writtenSittings } from '../../core/plan/sittings'
import { expect, test, type Locator, type Page } from '@playwright/test'
import IcalParser from 'ical.js'
import { actOnKnife, carry, carryByTouch, complaints, DEMO, openAsManager } from './kitchen'

const sessions = (page: Page): Locator => page.locator('.session')
/** Opens the week and waits until its plan stands. */
async function openWeek(page: Page): Promise<void> {
  await openAsManager(page, '/week')
  await expect(page.getByText(/\d+ sessions, \d+ min of bench work/)).toBeVisible({ timeout: 15_000 })
}

test('the sample house’s week plans itself, within what can be proven, and says why', async ({ page }) => {
  await openWeek(page)
  await expect(page.getByText('A draft: nobody works by it yet.')).toBeVisible()
  expect(await sessions(page).count()).toBeGreaterThan(10)
  // only quiet windows stand there, with benches as lanes
  await expect(page.getByRole('region', { name: /afternoon|morning/ }).first()).toBeVisible()
  await expect(page.getByRole('group', { name: 'Window bench' }).first()).toBeVisible()
  await sessions(page).first().click()
  await expect(page.locator('.panel')).toContainText(/Leaving it would mean [\d.]+ h more of service/)
  await page.getByRole('button', { name: 'Look for a better one' }).click()
  await expect(page.getByRole('progressbar', { name: 'Look for a better one' })).toBeVisible()
  await expect(page.getByText(/At most [\d.]+ % from the best possible|As good as can be: proven/)).toBeVisible({
    timeout: 40_000,
  })
  await expect(page.getByRole('progressbar', { name: 'Look for a better one' })).toBeHidden({ timeout: 40_000 })
  const told = await page.locator('.lead').innerText()
  const percent = Number(/At most ([\d.]+) %/.exec(told)?.[1] ?? 0)
  // how near it comes in its seconds is the machine's matter, and the benchmark's; that something was proven is this one's
  expect(percent).toBeLessThan(40)
})

test('looking for a better plan can be stopped', async ({ page }) => {
  await openWeek(page)
  await page.getByRole('button', { name: 'Look for a better one' }).click()
  await page.getByRole('button', { name: 'Stop looking' }).click()
  await expect(page.getByRole('button', { name: 'Stop looking' })).toBeHidden({ timeout: 15_000 })
  await expect(page.getByRole('button', { name: 'Look for a better one' })).toBeEnabled()
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
    landed = !(await page.locator('.panel .told').innerText()).startsWith('Not there')
  }
  expect(landed).toBe(true)
  await expect(page.locator('.panel')).toContainText(
    /That means .*(of service with dull edges|at the bench|steel taken early)|That costs nothing/,
  )
  await page.getByRole('button', { name: 'Lock it here' }).click()
  await expect(page.locator(`.session[data-job="${job}"]`)).toHaveAttribute('aria-label', /locked/)
  const lockedIn = await page
    .locator('.window', { has: page.locator(`[data-job="${job}"]`) })
    .getAttribute('aria-label')
  // it stays where it was locked, whatever else is planned afresh
  await page.getByRole('button', { name: 'Plan from the start' }).click()
  await expect(page.getByText(/\d+ sessions, \d+ min of bench work/)).toBeVisible({ timeout: 15_000 })
  expect(await page.locator('.window', { has: page.locator(`[data-job="${job}"]`) }).getAttribute('aria-label')).toBe(
    lockedIn,
  )
  await page.getByRole('button', { name: 'Use this plan' }).click()
  await expect(page.getByText('The house works by this plan now.')).toBeVisible()
  await expect(page.getByText(/The plan of the house, accepted/)).toBeVisible()

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
  await expect(page.getByText('The plan does not fit any more.').first()).toBeVisible({ timeout: 15_000 })
  await expect(page.getByText(/Oda Finch is not there on/).first()).toBeVisible()
  await page.getByRole('button', { name: 'Plan again around it' }).click()
  await expect(page.getByRole('heading', { name: 'What changes' })).toBeVisible({ timeout: 15_000 })
  await expect(page.locator('.changes')).toContainText('Oda Finch is not there.')
  await expect(page.locator('.session[aria-label*="Oda Finch"]')).toHaveCount(0)
  await page.getByRole('button', { name: 'Use this plan' }).click()
  await expect(page.getByText(/The plan of the house, accepted/)).toBeVisible({ timeout: 15_000 })
  await expect(page.getByText('The plan does not fit any more.')).toHaveCount(0)

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
    .filter(({ summary }) => summary.startsWith('Sharpen '))
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
  await expect(page.getByText(/Planned (\w+ )?\d\d:\d\d/)).toBeVisible()
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
    await expect(spoken).toContainText(`put down at ${name}`)
    if ((await spoken.innerText()).includes('does not fit')) continue
    await expect(moved).toHaveAttribute('aria-label', new RegExp(name))
    names.push(name)
  }
  expect(names.length).toBeGreaterThan(1)
  expect(heard).toEqual([])
})

test('a finger carries a session to another bench, and what happens is spoken', async ({ browser }) => {
  const page = await browser.newPage({ viewport: { width: 1024, height: 768 }, hasTouch: true })
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
  await expect(page.locator('[id^="dnd-kit-announcement"]')).toContainText(/put down at|does not fit/)
  const refused = (await page.locator('.panel .told').innerText()).startsWith('Not there')
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
  await expect(page.getByText(/That means .* more of service with dull edges/)).toBeVisible()
  await page.getByRole('button', { name: 'Place it' }).click()
  await expect(page.locator(`.session[data-job="${job}"]`)).toHaveCount(1)
})

test('a knife whose edge does not last comes twice, the second time after the first, and says so', async ({ page }) => {
  await openWeek(page)
  const second = page.locator('.session[data-job$="#2"]').last()
  const job = (await second.getAttribute('data-job')) ?? ''
  await second.click()
  await expect(page.locator('.panel')).toContainText(/Its edge will not last from \w+ \w+ to the end of the plan/)
  const windowOf = (id: string): Promise<string | null> =>
    page.locator('.window', { has: page.locator(`[data-job="${id}"]`) }).getAttribute('aria-label')
  const [firstIn, secondIn] = [await windowOf(job.replace('#2', '')), await windowOf(job)]
  expect(firstIn).not.toBe(secondIn)
  // not in the window of its first: the reason is told, and it stays where it is
  await page.getByRole('combobox', { name: 'Window' }).click()
  await page.getByRole('option', { name: firstIn ?? '' }).click()
  await expect(page.locator('.panel .told')).toContainText(/Not there: It comes after its session on/)
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
  await page.getByRole('button', { name: 'Plan from the start' }).click()
  await expect(page.getByText(/\d+ sessions, \d+ min of bench work/)).toBeVisible({ timeout: 15_000 })
  const accept = page.getByRole('button', { name: 'Use this plan' })
  if (await accept.isEnabled()) await accept.click()
  await expect(page.getByText(/The plan of the house, accepted/)).toBeVisible({ timeout: 15_000 })
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
  await actOnKnife(page, 'Write down a sharpening')
  await page.getByRole('dialog').getByRole('button', { name: 'Record' }).click()
  await expect(page.getByRole('dialog')).toBeHidden()
  // the dialog closes at once, what it records is sent after it
  await expect.poll(planned).toEqual([second])
  await page.goto(`${DEMO}/week`)
  await expect(page.getByText(/The plan of the house, accepted/)).toBeVisible({ timeout: 15_000 })
  await expect(page.getByText('The plan does not fit any more.')).toHaveCount(0)
  await expect(page.locator(`.session[data-job="${knifeId}"]`)).toHaveCount(1)
  await expect(page.locator(`.session[data-job="${knifeId}#2"]`)).toHaveCount(0)
})

test('the chef’s sliders change the plan, and custom stands beside it in numbers', async ({ page }) => {
  await openWeek(page)
  await expect(
    page.getByText(
      /This plan leaves [\d.]+ h of dull service for \d+ min at the bench; everything every 2 weeks leaves/,
    ),
  ).toBeVisible()
  const before = Number(/(\d+) sessions/.exec(await page.locator('.lead').innerText())?.[1])
  // work counts for much and dull services for nothing: little is left worth doing
  await page.getByRole('slider', { name: 'Dull services' }).press('Home')
  await expect
    .poll(async () => Number(/(\d+) sessions/.exec(await page.locator('.lead').innerText())?.[1] ?? before), {
      timeout: 15_000,
    })
    .toBeLessThan(before)
})

test('my roll is a list on a phone, and its calendar link can be ended', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await openAsManager(page, '/roll')
  await expect(page.getByText(/^Before dinner, 17:30/).first()).toBeVisible()
  await expect(page.getByText(/^Hone [A-Z]{2}-\d\d/).first()).toBeVisible()
  expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0)
  await page.getByRole('button', { name: 'Subscribe by link' }).click()
  const address = await page.locator('.address').innerText()
  expect((await page.request.get(address)).headers()['content-type']).toContain('text/calendar')
  const end = page.locator('#main').getByRole('button', { name: 'End the link' })
  await end.click()
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByRole('alertdialog')).toHaveCount(0)
  await expect(page.locator('.address')).toBeVisible()
  await end.click()
  await page.getByRole('alertdialog').getByRole('button', { name: 'End the link' }).click()
  await expect(page.locator('.address')).toBeHidden()
  expect((await page.request.get(address)).status()).toBe(404)
})

test('the crew: shifts that overlap are refused, skills are signed off, a special day takes the week’s place', async ({
  page,
}) => {
  await openAsManager(page, '/crew')
  await page.getByRole('button', { name: 'Shifts of Bram Kessel' }).click()
  // a second shift on Sunday, inside the one he works already
  const sunday = page.getByRole('group', { name: 'Sunday' })
  await expect(sunday.getByRole('button')).toHaveCount(1)
  await sunday.locator('xpath=following-sibling::button').first().click()
  await page.getByRole('menuitem', { name: 'Add a shift' }).click()
  await expect(sunday.getByRole('button')).toHaveCount(2)
  await page.getByRole('button', { name: 'Save shifts' }).click()
  await expect(page.getByText(/Bram Kessel cannot work .* at once/)).toBeVisible()
  await page.keyboard.press('Escape')
  // one shift fewer, and back again
  const shiftOn = page.locator('[data-person="Bram Kessel"] .shift')
  const before = await shiftOn.count()
  await page.getByRole('button', { name: 'Shifts of Bram Kessel' }).click()
  await page.getByRole('group', { name: 'Wednesday' }).getByRole('button').first().press('Delete')
  await page.getByRole('button', { name: 'Save shifts' }).click()
  await expect(shiftOn).toHaveCount(before - 1)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(shiftOn).toHaveCount(before)
  const levelOf = (level: string) =>
    page.getByRole('button', { name: `Bram Kessel, maintenance: ${level}`, exact: true })
  await levelOf('not yet').click()
  await page.getByRole('dialog').getByRole('button', { name: 'alone', exact: true }).click()
  await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click()
  await expect(levelOf('alone')).toBeVisible()
  await levelOf('alone').click()
  await expect(page.getByRole('dialog').getByText(/Alone, said by Maren Voss on/)).toBeVisible()
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Undo' }).last().click()
  await expect(levelOf('not yet')).toBeVisible()
  await page.getByRole('button', { name: 'Add a day' }).click()
  await page.getByLabel('Day').fill('29/11/2026')
  await page.getByLabel('Name').nth(1).fill('Closed for repairs')
  for (let left = 0; left < 2; left++) await page.getByRole('button', { name: 'Remove', exact: true }).first().click()
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByText('Closed for repairs: closed')).toBeVisible()
  await page.goto(`${DEMO}/week`)
  await expect(page.getByRole('region', { name: /Monday/ }).first()).toBeVisible({ timeout: 15_000 })
  await expect(page.getByRole('region', { name: /Sunday/ })).toHaveCount(0)
  await page.request.delete(`${DEMO}/api/special-days/2026-11-29`)
})

test('a calendar of shifts is shown day by day before it is taken in, with what says nothing of hours', async ({
  page,
}) => {
  await openAsManager(page, '/crew')
  await page.getByRole('button', { name: 'Shifts of Bram Kessel' }).click()
  const entry = (lines: string): string => `BEGIN:VEVENT\r\nDTSTAMP:20261101T000000Z\r\n${lines}\r\nEND:VEVENT\r\n`
  const calendar = [
    'BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//rota//EN\r\n',
    // a Friday evening in New York is Saturday in this house
    entry(
      'UID:a\r\nDTSTART;TZID=America/New_York:20261127T200000\r\nDTEND;TZID=America/New_York:20261128T020000\r\nSUMMARY:Away kitchen\r\nRRULE:FREQ=WEEKLY;COUNT=2',
    ),
    entry('UID:b\r\nDTSTART;VALUE=DATE:20261130\r\nSUMMARY:Leave'),
    entry('UID:c\r\nDTSTART:20261201T090000Z\r\nDTEND:20261201T100000Z\r\nTRANSP:TRANSPARENT\r\nSUMMARY:Dentist'),
    'END:VCALENDAR\r\n',
  ].join('')
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'rota.ics', mimeType: 'text/calendar', buffer: Buffer.from(calendar) })
  const days = page.getByRole('list', { name: 'Days in this calendar' }).getByRole('listitem')
  await expect(days).toHaveText([
    /Saturday 28 November\s*01:00–07:00\s*Away kitchen/,
    /Monday 30 November\s*off\s*Leave/i,
    /Saturday 5 December\s*01:00–07:00\s*Away kitchen/,
  ])
  await expect(page.getByText('Dentist: it is marked as free')).toBeVisible()
  await page.getByRole('button', { name: 'Add 3 days' }).click()
  await expect(page.getByRole('button', { name: 'These 2 days again a week later' })).toBeVisible()
  const { days: kept } = (await (await page.request.get(`${DEMO}/api/crew`)).json()) as {
    days: { personId: string; day: string; note: string }[]
  }
  const own = kept.filter(({ note }) => note === 'Away kitchen' || note === 'Leave')
  expect(own).toHaveLength(3)
  await page.request.put(`${DEMO}/api/people/${own[0]?.personId ?? ''}/shift-days`, {
    data: { days: own.map(({ day }) => day), entries: [] },
  })
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
  await expect(page.getByText(/\d+ sessions, \d+ min of bench work/)).toBeVisible({ timeout: 15_000 })
  await expect(page.getByRole('button', { name: 'Use this plan' })).toHaveCount(0)
  await sessions(page).first().click()
  await expect(page.getByRole('button', { name: 'Lock it here' })).toHaveCount(0)
})
