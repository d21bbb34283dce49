import { expect, test } from '@playwright/test'
import { carry, openAsManager } from './kitchen'
import { capital, number, own, said, say, weekday } from './words'

/** The label of one of Monday’s quiet windows. */
const span = (name: string, starts: string | RegExp = /.*/, ends: string | RegExp = /.*/): RegExp =>
  said('house.spanLabel', { kind: say('house.quiet'), name: own(name), starts, ends, day: weekday(1) })

test('a person is added with a PIN, changed, and leaves', async ({ page }) => {
  await openAsManager(page, '/house?part=people')
  await page.getByRole('button', { name: say('house.addPerson') }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel(say('field.name')).fill('Ilse Brandt')
  await dialog.getByRole('button', { name: say('shell.save') }).click()
  await expect(dialog.getByRole('alert')).toContainText(say('fault.duplicate-name', { name: 'Ilse Brandt' }))
  await dialog.getByLabel(say('field.name')).fill('Vera Moss')
  await dialog.getByLabel(say('field.pin')).fill('12')
  await dialog.getByRole('button', { name: say('shell.save') }).click()
  await expect(dialog.locator('.wrong')).toContainText(say('field.pin'))
  await dialog.getByLabel(say('field.pin')).fill('8642')
  await dialog.getByRole('button', { name: say('shell.save') }).click()
  const row = page.getByRole('listitem').filter({ hasText: 'Vera Moss' })
  await expect(row).toContainText(say('field.pin'))
  await expect(row).toContainText(say('house.holdsNothing'))
  await page.getByRole('button', { name: say('house.changeOf', { name: 'Vera Moss' }) }).click()
  await dialog.getByLabel(say('field.name')).fill('Vera Mosse')
  await dialog.getByRole('button', { name: say('shell.save') }).click()
  await expect(page.getByText(say('house.stationSaved', { name: 'Vera Mosse' }))).toBeVisible()
  await page.getByRole('button', { name: say('shell.undo') }).click()
  await page.getByRole('button', { name: say('house.leavesOf', { name: 'Vera Moss' }) }).click()
  await expect(page.getByRole('button', { name: say('house.returnsOf', { name: 'Vera Moss' }) })).toBeVisible()
  await page.getByRole('button', { name: say('shell.undo') }).click()
  await page.getByRole('button', { name: say('house.leavesOf', { name: 'Vera Moss' }) }).click()
  await expect(page.getByRole('button', { name: say('house.returnsOf', { name: 'Vera Moss' }) })).toBeVisible()
})

test('a knife is carried from board to board, or sent by its menu, and taken back', async ({ page }) => {
  await openAsManager(page, '/house?part=stations')
  const on = (station: string) => page.locator(`[data-board="${own(station)}"]`)
  const knife = page.locator('[data-knife="SA-03"]')
  await expect(on('Grill').locator('[data-knife="SA-03"]')).toBeVisible()
  await carry(page, knife, on('Cold larder'))
  await expect(on('Cold larder').locator('[data-knife="SA-03"]')).toBeVisible()
  await page.getByRole('button', { name: say('shell.undo') }).click()
  await expect(on('Grill').locator('[data-knife="SA-03"]')).toBeVisible()
  await knife.getByRole('button').press('Enter')
  await page.getByRole('menuitem', { name: say('house.moveTo', { name: own('Fish counter') }) }).click()
  await expect(on('Fish counter').locator('[data-knife="SA-03"]')).toBeVisible()
  await page
    .getByRole('button', { name: say('shell.undo') })
    .last()
    .click()
  await expect(on('Grill').locator('[data-knife="SA-03"]')).toBeVisible()
})

test('a stone flattened by mistake is not', async ({ page }) => {
  await openAsManager(page, '/house?part=gear')
  const stone = page.locator(`[data-gear="${own('Middle 1000')}"]`)
  const before = (await stone.locator('.told').textContent()) ?? ''
  await stone.getByRole('button', { name: say('gear.flattened') }).click()
  await expect(stone).toContainText(say('gear.knives', { n: 0 }))
  await page.getByRole('button', { name: say('shell.undo') }).click()
  await expect(stone.locator('.told')).toHaveText(before)
})

test('a step of a recipe is carried to its place, moved with the keys, left out and back', async ({ page }) => {
  await openAsManager(page, '/house?part=recipes')
  const steps = page.getByRole('list', { name: say('recipes.stepsOf') }).getByRole('button')
  await expect(steps.first()).toContainText(capital(say('bench.step.look.name')))
  const names = async (): Promise<string[]> =>
    (await steps.allTextContents()).map((one) => one.replace(/^\s*\d+\s*/, ''))
  const [first = '', second = '', third = ''] = await names()
  await carry(page, steps.nth(0), steps.nth(2))
  await expect.poll(async () => (await names()).slice(0, 3)).toEqual([second, third, first])
  await steps.nth(2).press('Alt+ArrowUp')
  await expect.poll(async () => (await names()).slice(0, 3)).toEqual([second, first, third])
  await expect(page.getByRole('group', { name: say('recipes.cookReads') })).toContainText(say('bench.step.look.what'))
  await page.getByRole('button', { name: say('recipes.drop') }).click()
  await expect.poll(async () => (await names()).slice(0, 2)).toEqual([second, third])
  await page.getByRole('button', { name: say('shell.undo') }).click()
  await expect.poll(async () => (await names()).slice(0, 3)).toEqual([second, first, third])
})

test('a station and the week are changed from now on', async ({ page }) => {
  await openAsManager(page, '/house?part=stations')
  await page.getByRole('button', { name: say('house.changeOf', { name: own('Grill') }) }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByText(say('house.fromNow'))).toBeVisible()
  await dialog.getByLabel(say('field.hoursPerService')).fill('1,75')
  await dialog.getByRole('button', { name: say('shell.save') }).click()
  await expect(page.getByRole('listitem').filter({ hasText: own('Grill') })).toContainText(`${number(1.8, 1)} h`)
  await page.getByRole('button', { name: say('shell.undo') }).click()
  await expect(page.getByRole('listitem').filter({ hasText: own('Grill') })).not.toContainText(`${number(1.8, 1)} h`)

  await page.getByRole('link', { name: say('house.part.week'), exact: true }).click()
  const save = page.getByRole('button', { name: say('house.saveWeek') })
  await expect(save).toBeDisabled()
  // the end of Monday's morning is dragged by an hour, then the whole afternoon is moved with the keys
  const morning = page.getByRole('button', { name: span('morning') })
  const before = await morning.getAttribute('aria-label')
  const end = await morning.locator('[data-part=ends]').boundingBox()
  const hour = ((await page.getByRole('group', { name: weekday(1) }).boundingBox())?.width ?? 0) / 24
  if (!end) throw new Error('the morning has no end to drag')
  await page.mouse.move(end.x + end.width / 2, end.y + end.height / 2)
  await page.mouse.down()
  await page.mouse.move(end.x + end.width / 2 - hour, end.y + end.height / 2, { steps: 5 })
  await page.mouse.up()
  expect(before).toMatch(span('morning', /.*/, '11:15'))
  await expect(morning).toHaveAttribute('aria-label', span('morning', /.*/, '10:15'))
  await page.getByRole('button', { name: span('afternoon', '15:00', '17:00') }).press('ArrowRight')
  await expect(page.getByRole('button', { name: span('afternoon', '15:15', '17:15') })).toBeVisible()
  // typed as people type it
  await morning.click()
  await page.getByLabel(say('field.ends')).fill('10.45')
  await page.getByLabel(say('field.ends')).press('Tab')
  await expect(morning).toHaveAttribute('aria-label', span('morning', /.*/, '10:45'))
  await page.getByRole('button', { name: say('house.removeOf', { name: own('morning'), day: weekday(1) }) }).click()
  await page
    .getByRole('group', { name: weekday(1) })
    .locator('xpath=following-sibling::button')
    .first()
    .click()
  await page.getByRole('menuitem', { name: say('house.copyTo', { day: weekday(2) }) }).click()
  await expect(page.getByRole('group', { name: weekday(2) }).getByRole('button')).toHaveCount(2)
  await expect(save).toBeEnabled()
  await save.click()
  await expect(save).toBeDisabled()
  await page.reload()
  await expect(page.getByRole('button', { name: span('afternoon', '15:15', '17:15') })).toBeVisible()
  await expect(page.getByRole('button', { name: span('morning') })).toHaveCount(0)
})

test('a lower limit turns edges dull, and light or dark is this screen’s own choice', async ({ page }) => {
  await openAsManager(page, '/house?part=house')
  await page.getByLabel(say('role.bread'), { exact: true }).fill('50')
  await page.getByRole('button', { name: say('shell.save') }).click()
  await expect(page.locator('.wrong')).toContainText(say('fault.too-small', { field: say('field.bread'), limit: 100 }))
  await page.getByLabel(say('role.bread'), { exact: true }).fill('200')
  await page.getByRole('button', { name: say('shell.save') }).click()
  await expect(page.getByText(say('house.saved'))).toBeVisible()
  await page.getByRole('combobox', { name: say('theme.label') }).click()
  await page.getByRole('option', { name: say('theme.dark') }).click()
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark')
  await page.goto(`${new URL(page.url()).origin}/knife/BR-01`)
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark')
  await expect(page.locator('.zones')).toContainText(`${say('rack.limit')} 200 gf`)
  await expect(page.locator('.zones')).toContainText(new RegExp(`${say('edge.dull')}|${say('edge.out')}`))
})

test('files come out of Deliveries as they are named', async ({ page }) => {
  await openAsManager(page, '/deliveries')
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: `${say('exchange.table.fleet')}, CSV` }).click(),
  ])
  expect(download.suggestedFilename()).toBe('yorvik-fleet.csv')
  const [sheet] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: `${say('exchange.table.fleet')}, ${say('exchange.asSheet')}` }).click(),
  ])
  expect(sheet.suggestedFilename()).toBe('yorvik-fleet.xlsx')
})
