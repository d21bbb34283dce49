import { expect, test, type Page } from '@playwright/test'
import { MINUTE_MS } from '../../core/time'
import { DEMO_SIGN_IN } from '../../demo/house'
import { DEMO, openAsManager } from './kitchen'

const heading = (page: Page): Promise<string> => page.getByRole('heading', { level: 1 }).innerText()

/** Goes through a whole session as somebody who does what the screen says, and gives the instructions in order. */
async function wholeSession(page: Page, code: string, recipe: string): Promise<string[]> {
  await openAsManager(page, `/bench/${code}`)
  await expect(page.getByRole('banner').or(page.locator('header')).first()).toContainText(code)
  await page.getByRole('combobox', { name: 'What to do' }).click()
  await page.getByRole('option', { name: recipe, exact: true }).click()
  await expect(page.locator('header').first()).toContainText(new RegExp(recipe, 'i'))
  await page.getByRole('button', { name: /Begin/ }).click()
  const told: string[] = []
  const line = page.getByRole('list', { name: 'bench' })
  await expect(line.getByRole('listitem').first()).toBeVisible()
  for (let step = 0; step < 60; step++) {
    await expect(line.getByRole('listitem').nth(step)).toHaveAttribute('aria-current', 'step')
    told.push(await heading(page))
    if (await page.getByRole('button', { name: 'Take', exact: true }).isVisible()) {
      for (const force of step === 0 ? ['401', '412', '433'] : ['171', '176', '184']) {
        await page.keyboard.type(force)
        await page.keyboard.press('Enter')
      }
      await expect(page.getByText(step === 0 ? '433 gf' : '184 gf')).toBeVisible()
    }
    if (await page.getByRole('button', { name: /^Stroke/ }).isVisible()) {
      for (const zone of ['heel', 'belly', 'tip']) {
        await expect(page.getByRole('button', { name: new RegExp(`^${zone}`) })).toHaveAttribute('aria-pressed', 'true')
        await page.keyboard.press('Space')
        await page.keyboard.press('Space')
        await expect(page.locator('.count .big')).toHaveText('2')
        await page.keyboard.press('b')
      }
      await expect(page.getByText('2 · burr felt')).toHaveCount(3)
    }
    for (const box of await page.getByRole('checkbox').all()) await box.click()
    const isLast = step === (await line.getByRole('listitem').count()) - 1
    await page.keyboard.press('Enter')
    // what was read at the first look lays the plan out again
    if (step === 0) await expect.poll(() => isReplanned(page)).toBe(true)
    if (isLast) break
  }
  await expect(page.getByRole('heading', { name: code })).toBeVisible()
  return told
}

/** Whether the session that is open has been laid out by what was seen. */
async function isReplanned(page: Page): Promise<boolean> {
  const open = (await (await page.request.get(`${DEMO}/api/bench-sessions`)).json()) as { id: string }[]
  const plans = await Promise.all(
    open.map(async ({ id }) => (await (await page.request.get(`${DEMO}/api/bench-sessions/${id}`)).json()) as unknown),
  )
  return plans.some((one) => (one as { plan: { because: unknown[] } }).plan.because.length > 0)
}

const SESSIONS = [
  {
    what: 'a dull chef’s knife',
    code: 'CH-11',
    recipe: 'Full sharpening',
    says: /section by section, until a burr is felt all along/,
    logs: /Sharpened to 4 µm/,
  },
  {
    what: 'a chipped petty',
    code: 'PE-05',
    recipe: 'Full sharpening',
    says: /section by section, until a burr is felt all along/,
    logs: /Sharpened to 4 µm/,
  },
  {
    what: 'a 70/30 slicer',
    code: 'SL-01',
    recipe: 'Asymmetric edge',
    says: /right side, the wide bevel/,
    logs: /Sharpened to 4 µm/,
  },
  {
    what: 'a serrated bread knife',
    code: 'BR-02',
    recipe: 'Serrated, along the ground side',
    says: /Along the ground side as if it were plain/,
    logs: /Sharpened to 11.5 µm/,
  },
  {
    what: 'a flexible boning knife',
    code: 'BF-01',
    recipe: 'Boning knife, every time',
    says: /six up-and-backs a section/,
    logs: /Sharpened to 11.5 µm/,
  },
  {
    what: 'a 64 HRC blade',
    code: 'NA-01',
    recipe: 'Very hard steel',
    says: /light alternating turns, a hair steeper/,
    logs: /Sharpened to 4 µm/,
  },
] as const

for (const { what, code, recipe, says, logs } of SESSIONS) {
  test(`${what} goes through a whole session, from the first look to the last test`, async ({ page }) => {
    const told = await wholeSession(page, code, recipe)
    expect(told[0]).toMatch(/^Look at (it first|every tooth)/)
    expect(told.some((instruction) => says.test(instruction))).toBe(true)
    expect(told.at(-1)).toMatch(/^Put it away protected/)
    await expect(page.getByText(logs).first()).toBeVisible()
    await expect(page.getByText('Checked: heel 401 gf, belly 412 gf, tip 433 gf.').first()).toBeVisible()
    await expect(page.locator('.zones')).toContainText(/keen|sound/)
  })
}

test('the recipe offered is the one made for the knife, and overruling the first stone says what it costs', async ({
  page,
}) => {
  await openAsManager(page, '/bench/CH-05')
  await page.getByRole('combobox', { name: 'What to do' }).click()
  await page.getByRole('option', { name: 'Full sharpening', exact: true }).click()
  await page.getByRole('combobox', { name: 'First stone' }).click()
  await page
    .getByRole('option', { name: /^Fine 3000 first: about \d+ min to the burr and likely a rounded bevel/ })
    .click()
  await expect(page.getByText(/past twenty the bevel gets rounded meanwhile/)).toBeVisible()
})

test('the network may go in the middle: counting goes on and is sent when it is back; another tablet takes over', async ({
  page,
  browser,
}) => {
  await openAsManager(page, '/bench/CH-12')
  await page.getByRole('combobox', { name: 'What to do' }).click()
  await page.getByRole('option', { name: 'Touch-up', exact: true }).click()
  await page.getByRole('button', { name: /Begin/ }).click()
  while (!(await page.getByRole('button', { name: /^Stroke/ }).isVisible()))
    await page.getByRole('button', { name: /^Next/ }).click()
  await page.context().setOffline(true)
  for (let stroke = 0; stroke < 5; stroke++) await page.keyboard.press('Space')
  await expect(page.locator('.count .big')).toHaveText('5')
  await expect(page.getByText(/touches wait on this device/)).toBeVisible()
  await page.context().setOffline(false)
  await expect(page.getByText(/touches wait on this device/)).toBeHidden({ timeout: 15_000 })
  const other = await browser.newContext({ locale: 'en-GB' })
  const tablet = await other.newPage()
  const { signInName, password } = DEMO_SIGN_IN
  await tablet.request.post(`${DEMO}/api/session`, { data: { signInName, password } })
  await tablet.goto(`${DEMO}/bench/CH-12`)
  await tablet
    .getByRole('button', { name: /Go on with it/ })
    .first()
    .click()
  await expect(tablet.locator('.count .big')).toHaveText('5')
  await tablet.getByRole('button', { name: 'Stop here' }).click()
  await expect(tablet.getByRole('heading', { name: 'CH-12' })).toBeVisible()
  await other.close()
})

test('what is left for next time opens the next session, and a soak started here shows its time', async ({ page }) => {
  await openAsManager(page, '/bench/CH-13')
  await page.getByRole('combobox', { name: 'What to do' }).click()
  await page.getByRole('option', { name: 'Full sharpening', exact: true }).click()
  await page.getByRole('button', { name: 'Start soaking' }).first().click()
  await expect(page.getByRole('timer').first()).toContainText(/\d+:\d\d left/)
  await page.getByRole('button', { name: /Begin/ }).click()
  const line = page.getByRole('list', { name: 'bench' })
  await expect(line.getByRole('listitem').first()).toBeVisible()
  const steps = await line.getByRole('listitem').count()
  let left = false
  for (let step = 0; step < steps; step++) {
    await expect(line.getByRole('listitem').nth(step)).toHaveAttribute('aria-current', 'step')
    const leave = page.getByRole('button', { name: 'Something stays for next time' })
    if (!left && (await leave.isVisible())) {
      await leave.click()
      await page.getByLabel('What stays').fill('a deep old scratch')
      await page.getByRole('button', { name: 'Leave it for next time' }).click()
      await expect(page.getByText('Heel: a deep old scratch')).toBeVisible()
      left = true
    }
    await page.getByRole('button', { name: step === steps - 1 ? /^Finish/ : /^Next/ }).click()
  }
  await expect(page.getByRole('heading', { name: 'CH-13' })).toBeVisible()
  await page.goto(`${DEMO}/bench/CH-13`)
  await expect(page.getByText('Heel: a deep old scratch')).toBeVisible()
})

test('the inclinometer warns of the wrong angle, the scale of a heavy hand, and the loupe’s pictures stay with the session', async ({
  page,
}) => {
  await openAsManager(page, '/bench/PE-07')
  await page.getByRole('combobox', { name: 'What to do' }).click()
  await page.getByRole('option', { name: 'Touch-up', exact: true }).click()
  await page.getByRole('button', { name: /Begin/ }).click()
  await page.getByText('Simulated instruments').click()
  // the bench may begin to listen a moment after the loupe is there
  await expect(async () => {
    await page.getByRole('button', { name: /Take a picture/ }).click()
    await expect(page.getByText('Pictures of the edge')).toBeVisible({ timeout: 2000 })
  }).toPass({ timeout: 20_000 })
  while (!(await page.getByRole('button', { name: /^Stroke/ }).isVisible()))
    await page.getByRole('button', { name: /^Next/ }).click()
  await expect(page.getByText(/on the line: 16°, on the angle/)).toBeVisible()
  await page.getByRole('slider', { name: /Inclinometer/ }).press('End')
  await expect(page.getByText(/24° too steep: it puts on a micro-bevel/)).toBeVisible()
  await page.getByRole('slider', { name: /Scale under the stone/ }).press('End')
  await expect(page.getByText(/Pressing 60 N: too heavy/)).toBeVisible()
  await page.getByRole('button', { name: 'Stop here' }).click()
  await expect(page.getByRole('heading', { name: 'PE-07' })).toBeVisible()
})

test('a house writes its own words into a recipe, and the bench says them', async ({ page }) => {
  await openAsManager(page, '/house?part=recipes')
  await page.getByRole('combobox', { name: 'Recipe' }).click()
  await page.getByRole('option', { name: 'Strop only' }).click()
  await page.getByLabel('What to do').first().fill('Hold it to the window first.')
  await page.getByRole('button', { name: 'Save the recipe' }).click()
  await expect(page.getByText('The recipe is saved.')).toBeVisible()
  await page.goto(`${DEMO}/bench/CH-01`)
  await page.getByRole('combobox', { name: 'What to do' }).click()
  await page.getByRole('option', { name: 'Strop only', exact: true }).click()
  await page.getByRole('button', { name: /Begin/ }).click()
  await expect(page.getByRole('heading', { name: 'Hold it to the window first.' })).toBeVisible()
  await page.getByRole('button', { name: 'Stop here' }).click()
  await expect(page.getByRole('heading', { name: 'CH-01' })).toBeVisible()
  await page.goto(`${DEMO}/house?part=recipes`)
  await page.getByRole('combobox', { name: 'Recipe' }).click()
  await page.getByRole('option', { name: /Strop only/ }).click()
  await page.getByRole('button', { name: 'Back to the original' }).click()
  await expect(page.getByText('The recipe is the original again.')).toBeVisible()
})

test('stones are put to soak from Today, in advance', async ({ page }) => {
  await openAsManager(page, '/today')
  await page.getByRole('button', { name: 'Start soaking' }).first().click()
  await expect(page.getByRole('timer').first()).toContainText(/\d+:\d\d left/)
  await page.reload()
  await expect(page.getByRole('timer').first()).toContainText(/\d+:\d\d left/)
  await page.getByRole('button', { name: 'Taken out' }).first().click()
  await expect(page.getByRole('timer')).toHaveCount(0)
})

/** Begins the named work on a knife and goes on to the first counted side. */
async function toFirstSide(page: Page, code: string, recipe: string): Promise<void> {
  await openAsManager(page, `/bench/${code}`)
  await page.getByRole('combobox', { name: 'What to do' }).click()
  await page.getByRole('option', { name: recipe, exact: true }).click()
  await page.getByRole('button', { name: /Begin/ }).click()
  await goToSide(page)
}
async function goToSide(page: Page): Promise<void> {
  while (!(await page.getByRole('button', { name: /^Stroke/ }).isVisible()))
    await page.getByRole('button', { name: /^Next/ }).click()
}
/** Works on for some minutes; a silence of over five would be a pause. */
async function workOn(page: Page, minutes: number): Promise<void> {
  for (let spent = 0; spent < minutes; spent += 4) {
    await page.clock.fastForward(Math.min(4, minutes - spent) * MINUTE_MS)
    await page.keyboard.press('Space')
  }
}

test('twenty minutes on the first stone, and a burr that comes late on a finer one, are said with what to do', async ({
  page,
}) => {
  await page.clock.install({ time: new Date('2026-11-24T14:42:00Z') })
  await toFirstSide(page, 'CH-02', 'Full sharpening')
  await expect(page.getByText(/it is too fine for this edge/)).toBeHidden()
  await workOn(page, 21)
  await expect(
    page.getByText(/Over twenty minutes on the first stone: it is too fine for this edge.*Go coarser/),
  ).toBeVisible()
  // on to the second stone, where the burr should show almost at once
  await page.getByRole('button', { name: /^Next/ }).click()
  await goToSide(page)
  await page.getByRole('button', { name: /^Next/ }).click()
  await goToSide(page)
  await workOn(page, 4)
  await expect(page.getByText(/If it does not, the angle has dropped: check it with the marker/)).toBeVisible()
  for (const zone of [1, 2, 3]) {
    void zone
    await page.keyboard.press('b')
  }
  await expect(page.getByText(/the angle has dropped/)).toBeHidden()
  await page.getByRole('button', { name: 'Stop here' }).click()
  await expect(page.getByRole('heading', { name: 'CH-02' })).toBeVisible()
})

test('pressing falls along the ladder, and the rhythm counts and says the count aloud', async ({ page }) => {
  await page.addInitScript(() => {
    const said: string[] = []
    Object.assign(window, { said })
    window.speechSynthesis.speak = (words) => {
      said.push(words.text)
    }
  })
  await page.clock.install({ time: new Date('2026-11-24T14:42:00Z') })
  await toFirstSide(page, 'CH-02', 'Full sharpening')
  await expect(page.getByText(/about (14|12|10) N/).first()).toBeVisible()
  await page.getByRole('button', { name: 'Say the count' }).click()
  await page.getByRole('button', { name: 'Tick', exact: true }).click()
  await page.clock.runFor(1300 * 10 + 100)
  await expect(page.locator('.count .big')).toHaveText('10')
  await page.getByRole('button', { name: 'Stop ticking' }).click()
  expect(await page.evaluate('window.said')).toEqual(['5', '10'])
  for (let stroke = 0; stroke < 110; stroke++) await page.keyboard.press('Space')
  await expect(page.getByText(/about 3 N/).first()).toBeVisible()
  await page.getByRole('button', { name: 'Say nothing' }).click()
  await page.getByRole('button', { name: 'Stop here' }).click()
  await expect(page.getByRole('heading', { name: 'CH-02' })).toBeVisible()
})

test('a soaked stone rings on whatever screen the person is', async ({ page }) => {
  await page.addInitScript(() => {
    const tones: number[] = []
    Object.assign(window, { tones })
    const start = OscillatorNode.prototype.start
    OscillatorNode.prototype.start = function (when) {
      tones.push(this.frequency.value)
      start.call(this, when)
    }
  })
  await page.clock.install({ time: new Date('2026-11-24T14:42:00Z') })
  await openAsManager(page, '/today')
  await page.getByRole('button', { name: 'Start soaking' }).first().click()
  await page.getByRole('link', { name: 'Rack' }).click()
  await page.clock.runFor(9 * MINUTE_MS)
  expect(await page.evaluate('window.tones')).toEqual([])
  await page.clock.fastForward(40 * MINUTE_MS)
  await expect(page.getByText(/has soaked long enough/).first()).toBeVisible()
  await expect.poll(() => page.evaluate('window.tones')).toEqual([660, 880])
  await page.goto(`${DEMO}/today`)
  await page.getByRole('button', { name: 'Taken out' }).first().click()
})

test('a session that is over can be read again from the knife', async ({ page }) => {
  await openAsManager(page, '/knife/SL-01')
  await page.getByRole('link', { name: 'Asymmetric edge' }).first().click()
  await expect(page.getByText('Before: heel 401 gf, belly 412 gf, tip 433 gf.')).toBeVisible()
  await expect(page.getByText('After: heel 171 gf, belly 176 gf, tip 184 gf.')).toBeVisible()
  await expect(page.getByRole('row', { name: /burr felt at heel, belly, tip/ }).first()).toContainText(
    '(heel / belly / tip 2 / 2 / 2)',
  )
})

test('ten seconds of “Next” are kept as a claim: the knife is not called keen, and Today asks for the test', async ({
  page,
}) => {
  await openAsManager(page, '/bench/CH-05')
  await page.getByRole('button', { name: /Begin/ }).click()
  const line = page.getByRole('list', { name: 'bench' })
  await expect(line.getByRole('listitem').first()).toBeVisible()
  const steps = await line.getByRole('listitem').count()
  for (let step = 0; step < steps; step++) {
    await expect(line.getByRole('listitem').nth(step)).toHaveAttribute('aria-current', 'step')
    await page.keyboard.press('Enter')
  }
  await expect(page.getByRole('heading', { name: 'CH-05' })).toBeVisible()
  await expect(page.locator('.verdict')).toContainText('no stroke, no burr and no test written down')
  await expect(page.getByText(/not looked at yet/).first()).toBeVisible()
  await page.goto(`${DEMO}/today`)
  await expect(page.getByRole('region', { name: 'Bram Kessel' })).toContainText(
    'Test the edge before anybody trusts it.',
  )
})
