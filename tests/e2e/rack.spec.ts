import { expect, test } from '@playwright/test'
import { actOnKnife, DEMO, openAsManager } from './kitchen'
import { begins, capital, LOCALE, number, own, said, say } from './words'

test('filters and order live in the address bar', async ({ page }) => {
  await openAsManager(page, '/rack')
  await page.getByLabel(say('rack.find'), { exact: true }).fill('teun')
  await expect(page).toHaveURL(/text=teun/)
  await expect(page.getByText(say('rack.count', { n: 5 }))).toBeVisible()
  await page.getByRole('combobox', { name: say('rack.condition') }).click()
  await page.getByRole('option', { name: say('rack.orWorse', { word: say('edge.dull') }) }).click()
  await expect(page).toHaveURL(/word=dull/)
  await page.reload()
  await expect(page.getByText(say('rack.count', { n: 1 }), { exact: true })).toBeVisible()
  await expect(page.getByText('SL-02')).toBeVisible()
  await page.goto(`${DEMO}/rack?view=table&sort=code&status=all`)
  await expect(page.getByRole('row')).toHaveCount(49)
  await expect(page.getByRole('row').nth(1)).toContainText('BF-01')
})

test('a knife is added with a type, a length and a station, then moved, taken out, put back and corrected', async ({
  page,
}) => {
  await openAsManager(page, '/rack')
  await page.getByRole('button', { name: say('rack.add') }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel(say('field.lengthMm')).fill('0,2')
  await dialog.getByRole('button', { name: say('rack.add') }).click()
  await expect(dialog.getByText(say('fault.too-small', { field: say('field.lengthMm'), limit: 40 }))).toBeVisible()
  await dialog.getByLabel(say('field.lengthMm')).fill('210')
  // a steel is found by its number or its symbol
  await dialog.getByRole('button', { name: say('form.measured') }).click()
  // the list closes where the form scrolls under it, as it may do late on a slow machine: one types again
  await expect(async () => {
    await dialog.getByRole('combobox', { name: say('field.steelEn') }).fill('')
    await dialog.getByRole('combobox', { name: say('field.steelEn') }).fill('crmov')
    await page.getByRole('option', { name: '1.4116' }).click({ timeout: 3000 })
  }).toPass()
  await expect(dialog.getByRole('combobox', { name: say('field.steelEn') })).toHaveValue('1.4116')
  await dialog.getByRole('button', { name: say('rack.add') }).click()
  await expect(page.getByRole('heading', { name: 'CH-14' })).toBeVisible()
  await expect(page.getByText(say('knife.notMeasured'))).toBeVisible()
  await expect(page.getByText(say('gain.heelHeightMm'), { exact: false })).toBeVisible()

  await actOnKnife(page, say('knife.move'))
  await page.getByRole('combobox', { name: say('field.holderId') }).click()
  await page.getByRole('option', { name: 'Oda Finch' }).click()
  await page.getByRole('button', { name: say('knife.moveDo') }).click()
  await expect(page.getByText(say('knife.heldBy', { name: 'Oda Finch' }), { exact: false })).toBeVisible()

  await page
    .getByRole('button', { name: say('knife.measure') })
    .first()
    .click()
  await page.getByRole('dialog').getByLabel(say('field.heelHeightMm')).fill('47.5')
  await page
    .getByRole('dialog')
    .getByRole('button', { name: say('shell.record') })
    .click()
  await expect(
    page.getByText(say('event.measured', { found: `${say('field.heelHeightMm')} ${number(47.5, 1)} mm` })),
  ).toBeVisible()

  await actOnKnife(page, say('knife.act.quarantine'))
  await page.getByRole('button', { name: say('knife.unsafe.crack') }).click()
  await expect(page.locator('.verdict')).toContainText(`${say('verdict.quarantined')} ${say('knife.unsafe.crack')}`)
  await actOnKnife(page, say('knife.act.release'))
  await page.getByRole('dialog').getByLabel(say('field.reason')).fill('looked again: a scratch')
  await page
    .getByRole('dialog')
    .getByRole('button', { name: say('knife.release') })
    .click()
  await expect(page.getByText(say('event.released', { reason: 'looked again: a scratch' }))).toBeVisible()

  await page
    .getByRole('button', { name: said('event.takeBackOf') })
    .first()
    .click()
  await page.getByRole('dialog').getByLabel(say('field.reason')).fill('wrong knife')
  await page
    .getByRole('dialog')
    .getByRole('button', { name: say('event.takeBack') })
    .click()
  await expect(page.getByText('wrong knife')).toBeVisible()
  await expect(page.locator('.verdict')).toContainText(say('verdict.quarantined'))
})

test('a tablet is enrolled, a cook taps a name and a PIN, and sees their own knives first', async ({ page }) => {
  await openAsManager(page, '/house?part=devices')
  await page.getByLabel(say('field.name')).first().fill('Pass')
  await page.getByRole('button', { name: say('house.enrolThis') }).click()
  await expect(page.getByRole('cell', { name: 'Pass', exact: true })).toBeVisible()
  await page.getByRole('button', { name: say('nav.leave') }).click()
  await page.getByRole('button', { name: 'Wren Askew' }).click()
  await page.keyboard.type('1111')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText(say('fault.wrong-pin'))
  for (const digit of '2468') await page.getByRole('button', { name: digit, exact: true }).click()
  await page.getByRole('button', { name: say('pad.enter'), exact: true }).click()
  await expect(page.getByRole('region').first()).toHaveAccessibleName('Wren Askew')
  await expect(page.getByRole('link', { name: say('nav.house') })).toBeHidden()
})

test('another screen sees a change without being told to look', async ({ page, context }) => {
  await openAsManager(page, '/knife/CH-08')
  await expect(page.getByRole('heading', { name: 'CH-08' })).toBeVisible()
  const other = await context.newPage()
  await other.goto(`${DEMO}/check/CH-08`)
  await other.getByRole('button', { name: capital(say('ladder.glints')) }).click()
  await expect(other.getByText(said('check.insteadOf'))).toBeVisible()
  await expect(
    page.getByText(
      say('event.checked', { found: say('event.rung', { zone: say('zone.whole'), rung: say('ladder.glints') }) }),
    ),
  ).toBeVisible()
})

test('several knives are chosen and handed over, taken out, honed or labelled at once, and it is all taken back', async ({
  page,
}) => {
  await openAsManager(page, '/rack?text=FI-0')
  await page.getByRole('button', { name: say('rack.choose') }).click()
  for (const code of ['FI-01', 'FI-02'])
    await page.getByRole('checkbox', { name: say('rack.chooseOne', { code }) }).click()
  await expect(page.getByText(say('rack.chosen', { n: '2' }))).toBeVisible()
  const line = (code: string) => page.getByRole('listitem').filter({ hasText: code })
  const before = await line('FI-01').textContent()

  await page.getByRole('button', { name: say('rack.handOver') }).click()
  await page
    .getByRole('dialog')
    .getByRole('combobox', { name: say('field.holderId') })
    .click()
  await page.getByRole('option', { name: 'Kit Larkin' }).click()
  await page
    .getByRole('dialog')
    .getByRole('button', { name: say('rack.handOver') })
    .click()
  await expect(page.getByText(said('rack.handedOver', { codes: /FI-0., FI-0./, name: 'Kit Larkin' }))).toBeVisible()
  await expect(line('FI-02')).toContainText('Kit Larkin')
  await page.getByRole('button', { name: say('shell.undo') }).click()
  await expect(line('FI-01')).toHaveText(before ?? '')

  await page.getByRole('button', { name: begins('rack.chooseAll') }).click()
  await page.getByRole('button', { name: say('rack.chooseNone') }).click()
  await expect(page.getByText(say('rack.chosen', { n: '0' }))).toBeVisible()
  await page.getByRole('checkbox', { name: say('rack.chooseOne', { code: 'FI-02' }) }).click()
  await page.getByRole('button', { name: say('rack.takeOut') }).click()
  await page.getByRole('button', { name: say('knife.unsafe.crack') }).click()
  await expect(page.getByText(say('rack.outMany', { codes: 'FI-02' }))).toBeVisible()
  await expect(line('FI-02')).toHaveCount(0)
  await page
    .getByRole('button', { name: say('shell.undo') })
    .last()
    .click()
  await expect(line('FI-02')).toHaveCount(1)

  for (const code of ['FI-01', 'FI-02'])
    await page.getByRole('checkbox', { name: say('rack.chooseOne', { code }) }).click()
  await page.getByRole('button', { name: say('today.honed'), exact: true }).click()
  await expect(page.getByText(said('today.honedMany', { n: 2, codes: /FI-0., FI-0./ }))).toBeVisible()
  await page
    .getByRole('button', { name: say('shell.undo') })
    .last()
    .click()

  await page.getByRole('checkbox', { name: say('rack.chooseOne', { code: 'FI-01' }) }).click()
  await page.getByRole('link', { name: say('rack.labels') }).click()
  await expect(page).toHaveURL(/\/labels\?knives=FI-01/)
  await expect(page.locator('li').filter({ hasText: 'FI-01' })).toContainText(own('Fish counter'))
})

test('filters are kept under a name, and forgotten with an undo', async ({ page }) => {
  await openAsManager(page, '/rack')
  await page.locator('.filters .select').first().click()
  await page.getByRole('option', { name: own('Grill') }).click()
  await page.getByRole('option', { name: own('Butchery') }).click()
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: say('rack.saveView') }).click()
  await page.getByLabel(say('rack.viewName')).fill('Meat')
  await page.getByRole('button', { name: say('shell.save'), exact: true }).click()
  await page.goto(`${DEMO}/rack`)
  await page.getByRole('link', { name: 'Meat' }).click()
  await expect(page.getByRole('heading', { level: 2 })).toHaveText(
    [own('Butchery'), own('Grill')].sort((a, b) => a.localeCompare(b, LOCALE)),
  )
  await page.getByRole('button', { name: say('rack.forgetView', { name: 'Meat' }) }).click()
  await expect(page.getByRole('link', { name: 'Meat' })).toHaveCount(0)
  await page.getByRole('button', { name: say('shell.undo') }).click()
  await expect(page.getByRole('link', { name: 'Meat' })).toBeVisible()
})
