import { expect, test, type Page } from '@playwright/test'
import { actOnKnife, DEMO, openAsManager, slideTo } from './kitchen'
import { begins, number, said, say, recipe, numbersIn } from './words'

/** Goes through a bench session as the screen says, and gives its instructions in order. */
async function throughTheSession(page: Page): Promise<string[]> {
  const line = page.getByRole('list', { name: say('bench.title') })
  await expect(line.getByRole('listitem').first()).toBeVisible({ timeout: 15_000 })
  const steps = await line.getByRole('listitem').count()
  const told: string[] = []
  for (let step = 0; step < steps; step++) {
    await expect(line.getByRole('listitem').nth(step)).toHaveAttribute('aria-current', 'step')
    told.push(await page.getByRole('heading', { level: 1 }).innerText())
    if (await page.getByRole('button', { name: begins('bench.stroke') }).isVisible()) {
      await page.keyboard.press('Space')
      await expect(page.locator('.count .big')).toHaveText('1')
    }
    await page.getByRole('button', { name: step === steps - 1 ? begins('bench.finish') : begins('bench.next') }).click()
  }
  return told
}

/** What a cut of the workshop says. */
const cut = (name: string, angle: string | RegExp = /.*/): RegExp =>
  said(`bench.recipeStep.workshop.cut-${name}.what`, { angle })

interface Work {
  readonly kind: string
  readonly code: string
  /** an instruction of the session that only this work has */
  readonly says: RegExp
  /** the way it is done, where the trade has more than one */
  readonly way?: string
  /** what else than thickness the knife has lost afterwards */
  readonly costs?: 'workshop.height' | 'field.lengthMm'
}

/** Knives no other test needs, one for each operation and way of doing it. */
const WORK: readonly Work[] = [
  { kind: 'thin', code: 'CH-08', says: cut('face') },
  { kind: 'flat-to-convex', code: 'CH-06', says: cut('second-bevel') },
  { kind: 'full-convex', code: 'CH-10', says: cut('facet'), costs: 'workshop.height' },
  { kind: 'boning', code: 'BN-01', says: cut('shoulder', '12°') },
  { kind: 're-bevel', code: 'SA-02', says: cut('bevel', '13°') },
  { kind: 'micro-bevel', code: 'PE-02', says: cut('micro') },
  { kind: 'ratio', code: 'SL-01', says: cut('bevel', /1\d°/), costs: 'workshop.height' },
  { kind: 'chip', code: 'PE-03', says: cut('straight'), costs: 'workshop.height' },
  {
    kind: 'tip',
    code: 'PA-01',
    way: 'from.spine',
    says: cut('tip-spine'),
    costs: 'field.lengthMm',
  },
  {
    kind: 'tip',
    code: 'PA-02',
    way: 'from.edge',
    says: said('bench.recipeStep.workshop.tip-bevel.what'),
    costs: 'field.lengthMm',
  },
  { kind: 'serrated', code: 'BR-01', way: 'school.ground-side', says: cut('ground-side') },
  { kind: 'serrated', code: 'BR-01', way: 'school.flat-back', says: cut('burr') },
]

/** A measure of the workshop's panel, as it is and as the work leaves it, mm. */
async function measure(page: Page, name: string): Promise<{ readonly from: number; readonly to: number }> {
  const text = await page.locator('dt', { hasText: name }).locator('xpath=following-sibling::dd[1]').innerText()
  const numbers = numbersIn(text)
  return { from: numbers[0] ?? NaN, to: numbers.at(-1) ?? NaN }
}

async function openWorkshop(page: Page): Promise<void> {
  await actOnKnife(page, say('knife.act.workshop'))
  await expect(page.getByText(said('workshop.sum'))).toBeVisible()
}

for (const { kind, code, says, way, costs } of WORK) {
  test(`${kind}${way ? `, ${way}` : ''}: from the knife’s page through the workshop to a finished session`, async ({
    page,
  }) => {
    await openAsManager(page, `/knife/${code}`)
    await openWorkshop(page)
    await page.getByRole('button', { name: say(`workshop.kind.${kind}`), exact: true }).click()
    if (way) await page.getByRole('button', { name: say(`workshop.option.${way}`) }).click()
    await expect(page.getByRole('heading', { name: say(`workshop.kind.${kind}`), exact: true })).toBeVisible()
    if (costs)
      await expect(page.locator('dt', { hasText: say(costs) }).locator('xpath=following-sibling::dd[1]')).toContainText(
        '→',
      )
    const thickness = await measure(page, say('workshop.field.targetBteMm'))
    const lost = costs && (await measure(page, say(costs)))
    await page.getByRole('button', { name: say('workshop.start') }).click()
    const told = await throughTheSession(page)
    expect(told[0]).toBe(say('bench.step.look.what'))
    expect(told.some((instruction) => says.test(instruction))).toBe(true)
    await expect(page.getByRole('heading', { name: code })).toBeVisible()
    await expect(page.getByRole('link', { name: recipe('workshop') }).first()).toBeVisible()
    // what the workshop promised is what the knife is taken to be now
    await openWorkshop(page)
    expect(Math.abs((await measure(page, say('workshop.field.targetBteMm'))).from - thickness.to)).toBeLessThanOrEqual(
      0.011,
    )
    if (!lost || !costs) return
    expect(lost.to).toBeLessThan(lost.from)
    if (costs === 'field.lengthMm')
      await page.getByRole('button', { name: say('workshop.kind.tip'), exact: true }).click()
    await expect(page.locator('dt', { hasText: say(costs) })).toBeVisible()
    expect(Math.abs((await measure(page, say(costs))).from - lost.to)).toBeLessThanOrEqual(0.011)
  })
}

test('a chip ground half out waits with the knife, and the bench offers the rest with its next session', async ({
  page,
}) => {
  await openAsManager(page, '/workshop/PA-03')
  await page.getByRole('button', { name: say('workshop.kind.chip'), exact: true }).click()
  await page.getByRole('button', { name: say('workshop.option.sessions.3') }).click()
  const ahead = page
    .getByRole('heading', { name: say('workshop.series', { n: '3' }) })
    .locator('xpath=..')
    .getByRole('row')
  await expect(ahead).toHaveCount(4)
  await expect(ahead.nth(1)).toContainText(`${number(0.15, 2)} mm`)
  await page.getByRole('button', { name: say('workshop.start') }).click()
  await throughTheSession(page)
  // its end has reached the house
  await expect(page.getByRole('heading', { name: 'PA-03' })).toBeVisible()
  await page.goto(`${DEMO}/bench/PA-03`)
  await expect(page.getByText(say('workshop.restWaits', { kind: say('workshop.kind.chip') }))).toBeVisible()
  await page.goto(`${DEMO}/workshop/PA-03`)
  await expect(page.getByRole('heading', { name: say('workshop.series', { n: '2' }) })).toBeVisible()
  await expect(page.getByText(`${number(0.15, 2)} mm`).first()).toBeVisible()
})

test('a change of ratio lists its sessions ahead with the strokes for each side', async ({ page }) => {
  await openAsManager(page, '/workshop/SL-03')
  await page.getByRole('button', { name: say('workshop.kind.ratio') }).click()
  await slideTo(page.getByRole('slider', { name: say('workshop.field.toRight') }), 30)
  const rows = page
    .getByRole('heading', { name: say('workshop.series', { n: '4' }) })
    .locator('xpath=..')
    .getByRole('row')
  await expect(rows).toHaveCount(5)
  await expect(rows.last()).toContainText('70 / 30')
  for (const row of (await rows.all()).slice(1)) await expect(row).toContainText(/\d+\s\/\s\d+.*min/)
})

test('the shoulder is taken hold of on the drawing, and angle or thickness follow', async ({ page }) => {
  await openAsManager(page, '/workshop/SL-03')
  await page.getByRole('button', { name: say('workshop.kind.re-bevel') }).click()
  const angle = page.getByRole('slider', { name: say('workshop.field.dps'), exact: true })
  const before = Number(await angle.getAttribute('aria-valuenow'))
  const handle = page.locator('circle.handle')
  await expect(handle).toBeVisible()
  const box = await handle.boundingBox()
  if (!box) throw new Error('the handle has no place')
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2 + 40, box.y + box.height / 2, { steps: 4 })
  await page.mouse.up()
  expect(Number(await angle.getAttribute('aria-valuenow'))).toBeGreaterThan(before)
})

test('dragging the thickness changes the numbers at once, and what cannot be is said with an offer', async ({
  page,
}) => {
  await openAsManager(page, '/workshop/CH-04')
  await page.getByRole('button', { name: say('workshop.kind.thin'), exact: true }).click()
  const sum = page.getByText(said('workshop.sum'))
  await expect(sum).toBeVisible()
  const before = await sum.innerText()
  await slideTo(page.getByRole('slider', { name: begins('workshop.field.targetBteMm') }), 0.2)
  await expect(sum).not.toHaveText(before)
  await page.getByRole('slider', { name: begins('workshop.field.targetBteMm') }).press('End')
  await expect(page.getByRole('alert')).toContainText(said('workshop.wrong.targetBteMm'))
  await expect(page.getByRole('button', { name: say('workshop.start') })).toBeDisabled()
  await page.getByRole('button', { name: say('workshop.kind.re-bevel') }).click()
  await slideTo(page.getByRole('slider', { name: begins('workshop.field.dps') }), 5)
  await expect(
    page
      .getByText(new RegExp(`${said('workshop.sum').source}|${said('workshop.wrong.angle-below-face').source}`))
      .first(),
  ).toBeVisible()
  await page.getByRole('button', { name: say('workshop.kind.chip'), exact: true }).click()
  await page.getByRole('button', { name: say('workshop.option.sessions.2') }).click()
  await expect(page.getByText(said('workshop.loss', { height: `${number(0.15, 2)} mm` }))).toBeVisible()
  await page.getByRole('button', { name: say('workshop.kind.tip'), exact: true }).click()
  await page.getByRole('slider', { name: say('workshop.field.lostMm') }).press('End')
  await expect(page.getByText(said('workshop.tipSum'))).toBeVisible()
})

test('measurements at a spot are kept, and contradictions in them named', async ({ page }) => {
  await openAsManager(page, '/workshop/CH-03')
  await page.getByLabel(say('workshop.thickAt', { mm: '3' })).fill('0.9')
  await page.getByLabel(say('workshop.thickAt', { mm: '10' })).fill('0.7')
  await expect(page.getByText(say('workshop.contradiction.thinner-higher', { highMm: '10', lowMm: '3' }))).toBeVisible()
  await page.getByLabel(say('workshop.thickAt', { mm: '3' })).fill('0.55')
  await page.getByLabel(say('workshop.thickAt', { mm: '10' })).fill('0.95')
  await expect(page.getByText(said('workshop.contradiction.thinner-higher'))).toBeHidden()
  await page.getByLabel(say('workshop.height')).fill('46.5')
  await page.getByRole('button', { name: say('workshop.keep') }).click()
  await expect(page.getByText(say('workshop.kept'))).toBeVisible()
  await page.reload()
  await expect(page.getByLabel(say('workshop.thickAt', { mm: '10' }))).toHaveValue(number(0.95, 2))
  expect((await measure(page, say('workshop.height'))).from).toBeCloseTo(46.5, 1)
})

test('the faces a session left are told, and stand in place of what was measured before', async ({ page }) => {
  await openAsManager(page, '/workshop/SL-02')
  await page.getByLabel(say('workshop.thickAt', { mm: '5' })).fill('0.6')
  await page.getByRole('button', { name: say('workshop.keep') }).click()
  await expect(page.getByText(say('workshop.kept'))).toBeVisible()
  await page.getByRole('button', { name: say('workshop.kind.thin'), exact: true }).click()
  await page.getByRole('button', { name: say('workshop.maintenance') }).click()
  await page.getByRole('button', { name: say('workshop.start') }).click()
  await throughTheSession(page)
  await expect(page.getByText(said('event.leftThick')).first()).toBeVisible()
  await page.goto(`${DEMO}/workshop/SL-02`)
  await expect(page.getByText(said('workshop.leftByWork', { list: /.*5 mm.*/ }))).toBeVisible()
  await expect(page.getByLabel(say('workshop.thickAt', { mm: '5' }))).toHaveValue('')
})

test('a blade of nobody’s can be tried out', async ({ page }) => {
  await openAsManager(page, '/workshop')
  await expect(page.getByText(say('workshop.free'), { exact: true })).toBeVisible()
  const sum = page.getByText(said('workshop.sum'))
  await expect(sum).toBeVisible()
  const before = await sum.innerText()
  await page.getByLabel(say('workshop.height')).fill('60')
  await expect(sum).not.toHaveText(before)
  await page.getByLabel(say('workshop.height')).fill('0')
  await expect(page.getByRole('alert')).toContainText(say('workshop.wrong.heelHeightMm', { value: '0', usual: '48' }))
  await page.getByLabel(say('workshop.height')).fill('45')
  await page.getByLabel(say('workshop.field.targetBteMm')).last().fill('3')
  await expect(page.getByRole('alert')).toContainText(
    say('workshop.wrong.bteMm', { value: '3', high: number(2.4, 1), usual: number(0.35, 2) }),
  )
  await page.getByLabel(say('workshop.field.targetBteMm')).last().fill('0.4')
  await expect(page.getByRole('alert')).toHaveCount(0)
  await page.getByRole('combobox', { name: say('field.type') }).click()
  await page.getByRole('option', { name: say('type.bread'), exact: true }).click()
  await expect(page.getByRole('button', { name: say('workshop.kind.serrated'), exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
  await expect(page.getByRole('button', { name: say('workshop.start') })).toHaveCount(0)
})

test('work saved as a work order is offered at the bench and planned by the week', async ({ page }) => {
  await openAsManager(page, '/workshop/CH-12')
  await page.getByRole('button', { name: say('workshop.kind.thin'), exact: true }).click()
  await page.getByRole('button', { name: say('workshop.maintenance') }).click()
  await page.getByRole('button', { name: say('workshop.save') }).click()
  await expect(page.getByText(say('workshop.saved'))).toBeVisible()
  await page.goto(`${DEMO}/bench/CH-12`)
  await page.getByRole('button', { name: say('workshop.startSaved') }).click()
  const told = await throughTheSession(page)
  expect(told.some((instruction) => cut('face').test(instruction))).toBe(true)
  // its end has reached the house
  await expect(page.getByRole('heading', { name: 'CH-12' })).toBeVisible()
  await page.goto(`${DEMO}/workshop/CH-12`)
  await expect(page.getByRole('button', { name: say('workshop.save') })).toBeVisible()
  await expect(page.getByText(said('workshop.isSaved'))).toBeHidden()
})
