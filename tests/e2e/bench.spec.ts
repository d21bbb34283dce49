import { expect, test, type Page } from '@playwright/test'
import { MINUTE_MS } from '../../core/time'
import { DEMO, enterAsManager, openAsManager } from './kitchen'
import { begins, capital, LOCALE, number, own, said, say, recipe, keyNamed } from './words'

/** Three forces, as they stand in a list. */
const spots = (...forces: readonly number[]): string =>
  ['heel', 'belly', 'tip'].map((zone, at) => `${say(`zone.${zone}`)} ${forces[at] ?? ''} gf`).join(', ')
const heading = (page: Page): Promise<string> => page.getByRole('heading', { level: 1 }).innerText()

/** Goes through a whole session as somebody who does what the screen says, and gives the instructions in order. */
async function wholeSession(page: Page, code: string, id: string): Promise<string[]> {
  await openAsManager(page, `/bench/${code}`)
  await expect(page.getByRole('banner').or(page.locator('header')).first()).toContainText(code)
  await page.getByRole('combobox', { name: say('bench.recipeLabel') }).click()
  await page.getByRole('option', { name: recipe(id), exact: true }).click()
  await expect(page.locator('header').first()).toContainText(new RegExp(recipe(id), 'i'))
  await page.getByRole('button', { name: keyNamed('bench.start') }).click()
  const told: string[] = []
  const line = page.getByRole('list', { name: say('bench.title') })
  await expect(line.getByRole('listitem').first()).toBeVisible()
  for (let step = 0; step < 60; step++) {
    await expect(line.getByRole('listitem').nth(step)).toHaveAttribute('aria-current', 'step')
    told.push(await heading(page))
    if (await page.getByRole('button', { name: say('check.take'), exact: true }).isVisible()) {
      for (const force of step === 0 ? ['401', '412', '433'] : ['171', '176', '184']) {
        await page.keyboard.type(force)
        await page.keyboard.press('Enter')
      }
      await expect(page.getByText(step === 0 ? '433 gf' : '184 gf')).toBeVisible()
    }
    if (await page.getByRole('button', { name: begins('bench.stroke') }).isVisible()) {
      for (const zone of ['heel', 'belly', 'tip'].map((name) => say(`zone.${name}`))) {
        await expect(page.getByRole('button', { name: new RegExp(`^${zone}`) })).toHaveAttribute('aria-pressed', 'true')
        await page.keyboard.press('Space')
        await page.keyboard.press('Space')
        await expect(page.locator('.count .big')).toHaveText('2')
        await page.keyboard.press('b')
      }
      await expect(page.getByText(`2 · ${say('bench.burrYes')}`)).toHaveCount(3)
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
    recipe: 'full',
    says: said('bench.step.side.what'),
    logs: said('event.sharpened', { micron: '4' }),
  },
  {
    what: 'a chipped petty',
    code: 'PE-05',
    recipe: 'full',
    says: said('bench.step.side.what'),
    logs: said('event.sharpened', { micron: '4' }),
  },
  {
    what: 'a 70/30 slicer',
    code: 'SL-01',
    recipe: 'asymmetric',
    says: said('bench.recipeStep.asymmetric.first.what', { side: say('bench.right') }),
    logs: said('event.sharpened', { micron: '4' }),
  },
  {
    what: 'a serrated bread knife',
    code: 'BR-02',
    recipe: 'serrated-ground-side',
    says: said('bench.recipeStep.serrated-ground-side.teeth.what'),
    logs: said('event.sharpened', { micron: number(11.5, 1) }),
  },
  {
    what: 'a flexible boning knife',
    code: 'BF-01',
    recipe: 'boning',
    says: said('bench.recipeStep.boning.first.what'),
    logs: said('event.sharpened', { micron: number(11.5, 1) }),
  },
  {
    what: 'a 64 HRC blade',
    code: 'NA-01',
    recipe: 'hard-steel',
    says: said('bench.recipeStep.hard-steel.burr-off.what'),
    logs: said('event.sharpened', { micron: '4' }),
  },
] as const

for (const { what, code, recipe, says, logs } of SESSIONS) {
  test(`${what} goes through a whole session, from the first look to the last test`, async ({ page }) => {
    const told = await wholeSession(page, code, recipe)
    expect(told[0]).toMatch(
      new RegExp([say('bench.step.look.what'), say('bench.recipeStep.serrated-ground-side.loupe.what')].join('|')),
    )
    expect(told.some((instruction) => says.test(instruction))).toBe(true)
    expect(told.at(-1)).toBe(say('bench.step.stow.what'))
    await expect(page.getByText(logs).first()).toBeVisible()
    await expect(page.getByText(say('event.checked', { found: spots(401, 412, 433) })).first()).toBeVisible()
    await expect(page.locator('.zones')).toContainText(new RegExp(`${say('edge.keen')}|${say('edge.sound')}`))
  })
}

test('the recipe offered is the one made for the knife, and overruling the first stone says what it costs', async ({
  page,
}) => {
  await openAsManager(page, '/bench/CH-05')
  await page.getByRole('combobox', { name: say('bench.recipeLabel') }).click()
  await page.getByRole('option', { name: recipe('full'), exact: true }).click()
  await page.getByRole('combobox', { name: say('bench.starts') }).click()
  await page.getByRole('option', { name: begins('bench.startRounds', { stone: own('Fine 3000') }) }).click()
  await expect(page.getByText(said('bench.note.rounded-bevel'))).toBeVisible()
})

test('the network may go in the middle: counting goes on and is sent when it is back; another tablet takes over', async ({
  page,
  browser,
}) => {
  await openAsManager(page, '/bench/CH-12')
  await page.getByRole('combobox', { name: say('bench.recipeLabel') }).click()
  await page.getByRole('option', { name: recipe('touch-up'), exact: true }).click()
  await page.getByRole('button', { name: keyNamed('bench.start') }).click()
  while (!(await page.getByRole('button', { name: begins('bench.stroke') }).isVisible()))
    await page.getByRole('button', { name: begins('bench.next') }).click()
  await page.context().setOffline(true)
  for (let stroke = 0; stroke < 5; stroke++) await page.keyboard.press('Space')
  await expect(page.locator('.count .big')).toHaveText('5')
  await expect(page.getByText(said('bench.waiting'))).toBeVisible()
  await page.context().setOffline(false)
  await expect(page.getByText(said('bench.waiting'))).toBeHidden({ timeout: 15_000 })
  const other = await browser.newContext({ locale: LOCALE })
  const tablet = await other.newPage()
  await enterAsManager(tablet)
  await tablet.goto(`${DEMO}/bench/CH-12`)
  await tablet
    .getByRole('button', { name: say('bench.resume') })
    .first()
    .click()
  await expect(tablet.locator('.count .big')).toHaveText('5')
  await tablet.getByRole('button', { name: say('bench.abandon') }).click()
  await expect(tablet.getByRole('heading', { name: 'CH-12' })).toBeVisible()
  await other.close()
})

test('what is left for next time opens the next session, and a soak started here shows its time', async ({ page }) => {
  await openAsManager(page, '/bench/CH-13')
  await page.getByRole('combobox', { name: say('bench.recipeLabel') }).click()
  await page.getByRole('option', { name: recipe('full'), exact: true }).click()
  await page
    .getByRole('button', { name: say('bench.soakStart') })
    .first()
    .click()
  await expect(page.getByRole('timer').first()).toContainText(said('bench.soakLeft', { time: /\d+:\d\d/ }))
  await page.getByRole('button', { name: keyNamed('bench.start') }).click()
  const line = page.getByRole('list', { name: say('bench.title') })
  await expect(line.getByRole('listitem').first()).toBeVisible()
  const steps = await line.getByRole('listitem').count()
  let left = false
  for (let step = 0; step < steps; step++) {
    await expect(line.getByRole('listitem').nth(step)).toHaveAttribute('aria-current', 'step')
    const leave = page.getByRole('button', { name: say('bench.carryTitle') })
    if (!left && (await leave.isVisible())) {
      await leave.click()
      await page.getByRole('textbox', { name: say('bench.carryWhat') }).fill('a deep old scratch')
      await page.getByRole('button', { name: say('bench.carryOver') }).click()
      await expect(
        page.getByText(say('bench.carriedOver', { zone: capital(say('zone.heel')), what: 'a deep old scratch' })),
      ).toBeVisible()
      left = true
    }
    await page.getByRole('button', { name: step === steps - 1 ? begins('bench.finish') : begins('bench.next') }).click()
  }
  await expect(page.getByRole('heading', { name: 'CH-13' })).toBeVisible()
  await page.goto(`${DEMO}/bench/CH-13`)
  await expect(
    page.getByText(say('bench.carriedOver', { zone: capital(say('zone.heel')), what: 'a deep old scratch' })),
  ).toBeVisible()
})

test('the inclinometer warns of the wrong angle, the scale of a heavy hand, and the loupe’s pictures stay with the session', async ({
  page,
}) => {
  await openAsManager(page, '/bench/PE-07')
  await page.getByRole('combobox', { name: say('bench.recipeLabel') }).click()
  await page.getByRole('option', { name: recipe('touch-up'), exact: true }).click()
  await page.getByRole('button', { name: keyNamed('bench.start') }).click()
  await page.getByText(say('bench.simulators')).click()
  // the bench may begin to listen a moment after the loupe is there
  await expect(async () => {
    await page
      .getByRole('button', { name: say('shell.pair', { name: say('bench.simLoupe'), value: say('bench.live.snap') }) })
      .click()
    await expect(page.getByText(say('bench.live.picture'))).toBeVisible({ timeout: 2000 })
  }).toPass({ timeout: 20_000 })
  while (!(await page.getByRole('button', { name: begins('bench.stroke') }).isVisible()))
    await page.getByRole('button', { name: begins('bench.next') }).click()
  await expect(
    page.getByText(new RegExp(`${said('bench.live.angle', { angle: '16°' }).source}, ${say('bench.live.within')}`)),
  ).toBeVisible()
  await page.getByRole('slider', { name: say('bench.simAngle') }).press('End')
  await expect(page.getByText(say('bench.live.high', { by: '24°' }))).toBeVisible()
  await page.getByRole('slider', { name: say('bench.simPress') }).press('End')
  await expect(
    page.getByText(
      said('shell.pair', { name: say('bench.live.press', { newtons: 60 }), value: said('bench.live.pressHeavy') }),
    ),
  ).toBeVisible()
  await page.getByRole('button', { name: say('bench.abandon') }).click()
  await expect(page.getByRole('heading', { name: 'PE-07' })).toBeVisible()
})

test('a house writes its own words into a recipe, and the bench says them', async ({ page }) => {
  await openAsManager(page, '/house?part=recipes')
  // a page that scrolls late closes the list: one opens it again
  await expect(async () => {
    await page.getByRole('combobox', { name: say('recipes.choose') }).click()
    await page.getByRole('option', { name: recipe('strop') }).click({ timeout: 5000 })
  }).toPass()
  await page.getByLabel(say('bench.recipeLabel')).first().fill('Hold it to the window first.')
  await page.getByRole('button', { name: say('recipes.save') }).click()
  await expect(page.getByText(say('recipes.saved'))).toBeVisible()
  await page.goto(`${DEMO}/bench/CH-01`)
  await page.getByRole('combobox', { name: say('bench.recipeLabel') }).click()
  await page.getByRole('option', { name: recipe('strop'), exact: true }).click()
  await page.getByRole('button', { name: keyNamed('bench.start') }).click()
  await expect(page.getByRole('heading', { name: 'Hold it to the window first.' })).toBeVisible()
  await page.getByRole('button', { name: say('bench.abandon') }).click()
  await expect(page.getByRole('heading', { name: 'CH-01' })).toBeVisible()
  await page.goto(`${DEMO}/house?part=recipes`)
  await page.getByRole('combobox', { name: say('recipes.choose') }).click()
  await page.getByRole('option', { name: recipe('strop') }).click()
  await page.getByRole('button', { name: say('recipes.original') }).click()
  await expect(page.getByText(say('recipes.restored'))).toBeVisible()
})

test('stones are put to soak from Today, in advance', async ({ page }) => {
  await openAsManager(page, '/today')
  await page
    .getByRole('button', { name: say('bench.soakStart') })
    .first()
    .click()
  await expect(page.getByRole('timer').first()).toContainText(said('bench.soakLeft', { time: /\d+:\d\d/ }))
  await page.reload()
  await expect(page.getByRole('timer').first()).toContainText(said('bench.soakLeft', { time: /\d+:\d\d/ }))
  await page
    .getByRole('button', { name: say('bench.soakLift') })
    .first()
    .click()
  await expect(page.getByRole('timer')).toHaveCount(0)
})

/** Begins the named work on a knife and goes on to the first counted side. */
async function toFirstSide(page: Page, code: string, id: string): Promise<void> {
  await openAsManager(page, `/bench/${code}`)
  await page.getByRole('combobox', { name: say('bench.recipeLabel') }).click()
  await page.getByRole('option', { name: recipe(id), exact: true }).click()
  await page.getByRole('button', { name: keyNamed('bench.start') }).click()
  await goToSide(page)
}
async function goToSide(page: Page): Promise<void> {
  while (!(await page.getByRole('button', { name: begins('bench.stroke') }).isVisible()))
    await page.getByRole('button', { name: begins('bench.next') }).click()
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
  await toFirstSide(page, 'CH-02', 'full')
  await expect(page.getByText(say('bench.pace.first-stone-too-long'))).toBeHidden()
  await workOn(page, 21)
  await expect(page.getByText(say('bench.pace.first-stone-too-long'))).toBeVisible()
  // on to the second stone, where the burr should show almost at once
  await page.getByRole('button', { name: begins('bench.next') }).click()
  await goToSide(page)
  await page.getByRole('button', { name: begins('bench.next') }).click()
  await goToSide(page)
  await workOn(page, 4)
  await expect(page.getByText(say('bench.pace.burr-late'))).toBeVisible()
  for (const zone of [1, 2, 3]) {
    void zone
    await page.keyboard.press('b')
  }
  await expect(page.getByText(say('bench.pace.burr-late'))).toBeHidden()
  await page.getByRole('button', { name: say('bench.abandon') }).click()
  await expect(page.getByRole('heading', { name: 'CH-02' })).toBeVisible()
})

/** How hard to press, whatever is felt of it already. */
const aboutNewtons = (wanted: RegExp): RegExp =>
  new RegExp(
    ['pressWanted', 'pressOk', 'pressHeavy', 'pressLight']
      .map((told) => said(`bench.live.${told}`, { wanted }).source)
      .join('|'),
  )

test('pressing falls along the ladder, and the rhythm counts and says the count aloud', async ({ page }) => {
  await page.addInitScript(() => {
    const spoken: string[] = []
    Object.assign(window, { spoken })
    window.speechSynthesis.speak = (words) => {
      spoken.push(words.text)
    }
  })
  await page.clock.install({ time: new Date('2026-11-24T14:42:00Z') })
  await toFirstSide(page, 'CH-02', 'full')
  await expect(page.getByText(aboutNewtons(/14|12|10/)).first()).toBeVisible()
  await page.getByRole('button', { name: say('bench.speak') }).click()
  await page.getByRole('button', { name: say('bench.rhythm'), exact: true }).click()
  await page.clock.runFor(1300 * 10 + 100)
  await expect(page.locator('.count .big')).toHaveText('10')
  await page.getByRole('button', { name: say('bench.tickOff') }).click()
  expect(await page.evaluate('window.spoken')).toEqual(['5', '10'])
  for (let stroke = 0; stroke < 110; stroke++) await page.keyboard.press('Space')
  await expect(page.getByText(aboutNewtons(/3/)).first()).toBeVisible()
  await page.getByRole('button', { name: say('bench.quiet') }).click()
  await page.getByRole('button', { name: say('bench.abandon') }).click()
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
  await page
    .getByRole('button', { name: say('bench.soakStart') })
    .first()
    .click()
  await page.getByRole('link', { name: say('nav.rack') }).click()
  await page.clock.runFor(9 * MINUTE_MS)
  expect(await page.evaluate('window.tones')).toEqual([])
  await page.clock.fastForward(40 * MINUTE_MS)
  await expect(page.getByText(said('bench.soakRings')).first()).toBeVisible()
  await expect.poll(() => page.evaluate('window.tones')).toEqual([660, 880])
  await page.goto(`${DEMO}/today`)
  await page
    .getByRole('button', { name: say('bench.soakLift') })
    .first()
    .click()
})

test('a session that is over can be read again from the knife', async ({ page }) => {
  await openAsManager(page, '/knife/SL-01')
  await page
    .getByRole('link', { name: recipe('asymmetric') })
    .first()
    .click()
  await expect(page.getByText(say('session.before', { forces: spots(401, 412, 433) }))).toBeVisible()
  await expect(page.getByText(say('session.after', { forces: spots(171, 176, 184) }))).toBeVisible()
  await expect(
    page
      .getByRole('row', {
        name: said('session.burr', { zones: ['heel', 'belly', 'tip'].map((zone) => say(`zone.${zone}`)).join(', ') }),
      })
      .first(),
  ).toContainText(said('session.strokes', { byZone: '2 / 2 / 2' }))
})

test('ten seconds of “Next” are kept as a claim: the knife is not called keen, and Today asks for the test', async ({
  page,
}) => {
  await openAsManager(page, '/bench/CH-05')
  await page.getByRole('button', { name: keyNamed('bench.start') }).click()
  const line = page.getByRole('list', { name: say('bench.title') })
  await expect(line.getByRole('listitem').first()).toBeVisible()
  const steps = await line.getByRole('listitem').count()
  for (let step = 0; step < steps; step++) {
    await expect(line.getByRole('listitem').nth(step)).toHaveAttribute('aria-current', 'step')
    await page.keyboard.press('Enter')
  }
  await expect(page.getByRole('heading', { name: 'CH-05' })).toBeVisible()
  await expect(page.locator('.verdict')).toContainText(say('reason.claimed'))
  await expect(page.getByText(say('edge.unseen')).first()).toBeVisible()
  await page.goto(`${DEMO}/today`)
  await expect(page.getByRole('region', { name: 'Bram Kessel' })).toContainText(say('reason.claimed'))
})
