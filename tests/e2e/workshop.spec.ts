import { expect, test, type Page } from '@playwright/test'
import { actOnKnife, DEMO, openAsManager, slideTo } from './kitchen'

/** Goes through a bench session as the screen says, and gives its instructions in order. */
async function throughTheSession(page: Page): Promise<string[]> {
  const line = page.getByRole('list', { name: 'bench' })
  await expect(line.getByRole('listitem').first()).toBeVisible({ timeout: 15_000 })
  const steps = await line.getByRole('listitem').count()
  const told: string[] = []
  for (let step = 0; step < steps; step++) {
    await expect(line.getByRole('listitem').nth(step)).toHaveAttribute('aria-current', 'step')
    told.push(await page.getByRole('heading', { level: 1 }).innerText())
    if (await page.getByRole('button', { name: /^Stroke/ }).isVisible()) {
      await page.keyboard.press('Space')
      await expect(page.locator('.count .big')).toHaveText('1')
    }
    await page.getByRole('button', { name: step === steps - 1 ? /^Finish/ : /^Next/ }).click()
  }
  return told
}

interface Work {
  readonly kind: string
  readonly code: string
  /** an instruction of the session that only this work has */
  readonly says: RegExp
  /** the way it is done, where the trade has more than one */
  readonly way?: string
  /** what else than thickness the knife has lost afterwards */
  readonly costs?: 'Heel height' | 'Length'
}

/** Knives no other test needs, one for each operation and way of doing it. */
const WORK: readonly Work[] = [
  { kind: 'Thin', code: 'CH-08', says: /face: lay it [\d.]+° to the middle, spine [\d.]+ mm off its face/ },
  { kind: 'Flat to convex', code: 'CH-06', says: /the second bevel, [\d.]+°/ },
  { kind: 'Full convex', code: 'CH-10', says: /the next facet/, costs: 'Heel height' },
  { kind: 'Boning shoulder', code: 'BN-01', says: /the shoulder at 12°/ },
  { kind: 'Another angle', code: 'SA-02', says: /the bevel at 13°/ },
  { kind: 'Micro-bevel', code: 'PE-02', says: /a narrow bevel at \d+°/ },
  { kind: 'Another ratio', code: 'SL-01', says: /the bevel at 1\d°/, costs: 'Heel height' },
  { kind: 'Chip', code: 'PE-03', says: /grind it straight down past the chip/, costs: 'Heel height' },
  {
    kind: 'Tip',
    code: 'PA-01',
    way: 'from the spine: the edge keeps its line',
    says: /stand the spine on the stone and grind it down towards the point/,
    costs: 'Length',
  },
  {
    kind: 'Tip',
    code: 'PA-02',
    way: 'from the edge: the spine keeps its line',
    says: /a new bevel on the tip, \d+°/,
    costs: 'Length',
  },
  { kind: 'Serrated', code: 'BR-01', way: 'along the ground side', says: /as if it were plain/ },
  { kind: 'Serrated', code: 'BR-01', way: 'from the flat back', says: /knock the burr back through the gullets/ },
]

/** A measure of the workshop's panel, as it is and as the work leaves it, mm. */
async function measure(page: Page, name: string): Promise<{ readonly from: number; readonly to: number }> {
  const text = await page.locator('dt', { hasText: name }).locator('xpath=following-sibling::dd[1]').innerText()
  const numbers = [...text.matchAll(/[\d.]+/g)].map(([number]) => Number(number))
  return { from: numbers[0] ?? NaN, to: numbers.at(-1) ?? NaN }
}

async function openWorkshop(page: Page): Promise<void> {
  await actOnKnife(page, 'Open the workshop')
  await expect(page.getByText(/min on the stones; [\d.]+ g of steel/)).toBeVisible()
}

for (const { kind, code, says, way, costs } of WORK) {
  test(`${kind.toLowerCase()}${way ? `, ${way}` : ''}: from the knife’s page through the workshop to a finished session`, async ({
    page,
  }) => {
    await openAsManager(page, `/knife/${code}`)
    await openWorkshop(page)
    await page.getByRole('button', { name: kind, exact: true }).click()
    if (way) await page.getByRole('button', { name: way }).click()
    await expect(page.getByRole('heading', { name: kind, exact: true })).toBeVisible()
    if (costs)
      await expect(page.locator('dt', { hasText: costs }).locator('xpath=following-sibling::dd[1]')).toContainText('→')
    const thickness = await measure(page, 'Thickness behind the edge')
    const lost = costs && (await measure(page, costs))
    await page.getByRole('button', { name: 'Start at the bench' }).click()
    const told = await throughTheSession(page)
    expect(told[0]).toMatch(/^Look at it first/)
    expect(told.some((instruction) => says.test(instruction))).toBe(true)
    await expect(page.getByRole('heading', { name: code })).toBeVisible()
    await expect(page.getByRole('link', { name: 'Workshop work' }).first()).toBeVisible()
    // what the workshop promised is what the knife is taken to be now
    await openWorkshop(page)
    expect(Math.abs((await measure(page, 'Thickness behind the edge')).from - thickness.to)).toBeLessThanOrEqual(0.011)
    if (!lost || !costs) return
    expect(lost.to).toBeLessThan(lost.from)
    if (costs === 'Length') await page.getByRole('button', { name: 'Tip', exact: true }).click()
    await expect(page.locator('dt', { hasText: costs })).toBeVisible()
    expect(Math.abs((await measure(page, costs)).from - lost.to)).toBeLessThanOrEqual(0.011)
  })
}

test('a chip ground half out waits with the knife, and the bench offers the rest with its next session', async ({
  page,
}) => {
  await openAsManager(page, '/workshop/PA-03')
  await page.getByRole('button', { name: 'Chip', exact: true }).click()
  await page.getByRole('button', { name: 'half now, the rest over the next two' }).click()
  const ahead = page.getByRole('heading', { name: 'Over 3 sessions' }).locator('xpath=..').getByRole('row')
  await expect(ahead).toHaveCount(4)
  await expect(ahead.nth(1)).toContainText('0.15 mm')
  await page.getByRole('button', { name: 'Start at the bench' }).click()
  await throughTheSession(page)
  // its end has reached the house
  await expect(page.getByRole('heading', { name: 'PA-03' })).toBeVisible()
  await page.goto(`${DEMO}/bench/PA-03`)
  await expect(page.getByText('Left from last time: Chip. It comes with this session.')).toBeVisible()
  await page.goto(`${DEMO}/workshop/PA-03`)
  await expect(page.getByRole('heading', { name: 'Over 2 sessions' })).toBeVisible()
  await expect(page.getByText('0.15 mm').first()).toBeVisible()
})

test('a change of ratio lists its sessions ahead with the strokes for each side', async ({ page }) => {
  await openAsManager(page, '/workshop/SL-03')
  await page.getByRole('button', { name: 'Another ratio' }).click()
  await slideTo(page.getByRole('slider', { name: 'Right share wanted' }), 30)
  const rows = page.getByRole('heading', { name: 'Over 4 sessions' }).locator('xpath=..').getByRole('row')
  await expect(rows).toHaveCount(5)
  await expect(rows.last()).toContainText('70 / 30')
  for (const row of (await rows.all()).slice(1)) await expect(row).toContainText(/\d+ \/ \d+.*min/)
})

test('the shoulder is taken hold of on the drawing, and angle or thickness follow', async ({ page }) => {
  await openAsManager(page, '/workshop/SL-03')
  await page.getByRole('button', { name: 'Another angle' }).click()
  const angle = page.getByRole('slider', { name: 'Angle', exact: true })
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
  await page.getByRole('button', { name: 'Thin', exact: true }).click()
  const sum = page.getByText(/min on the stones; [\d.]+ g of steel/)
  await expect(sum).toBeVisible()
  const before = await sum.innerText()
  await slideTo(page.getByRole('slider', { name: /^Thickness behind the edge/ }), 0.2)
  await expect(sum).not.toHaveText(before)
  await page.getByRole('slider', { name: /Thickness behind the edge/ }).press('End')
  await expect(page.getByRole('alert')).toContainText(/choose something thinner, such as [\d.]+ mm/)
  await expect(page.getByRole('button', { name: 'Start at the bench' })).toBeDisabled()
  await page.getByRole('button', { name: 'Another angle' }).click()
  await slideTo(page.getByRole('slider', { name: /^Angle/ }), 5)
  await expect(page.getByText(/min on the stones|Flatter than the face/).first()).toBeVisible()
  await page.getByRole('button', { name: 'Chip', exact: true }).click()
  await page.getByRole('button', { name: 'half now, the rest next session' }).click()
  await expect(page.getByText(/The edge loses 0\.15 mm of height/)).toBeVisible()
  await page.getByRole('button', { name: 'Tip', exact: true }).click()
  await page.getByRole('slider', { name: 'Broken off or bent, length' }).press('End')
  await expect(page.getByText(/min on the stones/)).toBeVisible()
})

test('measurements at a spot are kept, and contradictions in them named', async ({ page }) => {
  await openAsManager(page, '/workshop/CH-03')
  await page.getByLabel('Thickness 3 mm up').fill('0.9')
  await page.getByLabel('Thickness 10 mm up').fill('0.7')
  await expect(page.getByText('Thinner at 10 mm than at 3 mm: one of them is misread.')).toBeVisible()
  await page.getByLabel('Thickness 3 mm up').fill('0.55')
  await page.getByLabel('Thickness 10 mm up').fill('0.95')
  await expect(page.getByText(/one of them is misread/)).toBeHidden()
  await page.getByLabel('Heel height').fill('46.5')
  await page.getByRole('button', { name: 'Keep the measurement' }).click()
  await expect(page.getByText('The measurement is kept.')).toBeVisible()
  await page.reload()
  await expect(page.getByLabel('Thickness 10 mm up')).toHaveValue('0.95')
  expect((await measure(page, 'Heel height')).from).toBeCloseTo(46.5, 1)
})

test('the faces a session left are told, and stand in place of what was measured before', async ({ page }) => {
  await openAsManager(page, '/workshop/SL-02')
  await page.getByLabel('Thickness 5 mm up').fill('0.6')
  await page.getByRole('button', { name: 'Keep the measurement' }).click()
  await expect(page.getByText('The measurement is kept.')).toBeVisible()
  await page.getByRole('button', { name: 'Thin', exact: true }).click()
  await page.getByRole('button', { name: 'A little' }).click()
  await page.getByRole('button', { name: 'Start at the bench' }).click()
  await throughTheSession(page)
  await expect(page.getByText(/behind the edge now/).first()).toBeVisible()
  await page.goto(`${DEMO}/workshop/SL-02`)
  await expect(page.getByText(/As the last work here left it, worked out, not measured: .* at 5 mm/)).toBeVisible()
  await expect(page.getByLabel('Thickness 5 mm up')).toHaveValue('')
})

test('a blade of nobody’s can be tried out', async ({ page }) => {
  await openAsManager(page, '/workshop')
  await expect(page.getByText('What if', { exact: true })).toBeVisible()
  const sum = page.getByText(/min on the stones; [\d.]+ g of steel/)
  await expect(sum).toBeVisible()
  const before = await sum.innerText()
  await page.getByLabel('Heel height').fill('60')
  await expect(sum).not.toHaveText(before)
  await page.getByLabel('Heel height').fill('0')
  await expect(page.getByRole('alert')).toContainText(
    'A heel height of 0 mm cannot be right: knives of this kind have about 48 mm.',
  )
  await page.getByLabel('Heel height').fill('45')
  await page.getByLabel('Thickness behind the edge').last().fill('3')
  await expect(page.getByRole('alert')).toContainText(
    '3 mm behind the edge on a spine of 2.4 mm: the two are mixed up. About 0.35 mm is usual.',
  )
  await page.getByLabel('Thickness behind the edge').last().fill('0.4')
  await expect(page.getByRole('alert')).toHaveCount(0)
  await page.getByRole('combobox', { name: 'Type' }).click()
  await page.getByRole('option', { name: 'bread', exact: true }).click()
  await expect(page.getByRole('button', { name: 'Serrated', exact: true })).toHaveAttribute('aria-pressed', 'true')
  await expect(page.getByRole('button', { name: 'Start at the bench' })).toHaveCount(0)
})

test('work saved as a work order is offered at the bench and planned by the week', async ({ page }) => {
  await openAsManager(page, '/workshop/CH-12')
  await page.getByRole('button', { name: 'Thin', exact: true }).click()
  await page.getByRole('button', { name: 'A little' }).click()
  await page.getByRole('button', { name: 'Save as a work order' }).click()
  await expect(page.getByText('The work order is saved; the week plans it.')).toBeVisible()
  await page.goto(`${DEMO}/bench/CH-12`)
  await page.getByRole('button', { name: 'Begin the work order' }).click()
  const told = await throughTheSession(page)
  expect(told.some((instruction) => /face: lay it/.test(instruction))).toBe(true)
  // its end has reached the house
  await expect(page.getByRole('heading', { name: 'CH-12' })).toBeVisible()
  await page.goto(`${DEMO}/workshop/CH-12`)
  await expect(page.getByRole('button', { name: 'Save as a work order' })).toBeVisible()
  await expect(page.getByText(/This knife has a work order/)).toBeHidden()
})
