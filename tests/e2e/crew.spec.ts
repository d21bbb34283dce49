import { expect, test } from '@playwright/test'
import { DEMO, openAsManager } from './kitchen'
import { capital, LOCALE, said, say, weekday } from './words'

const dayOf = (day: string): string =>
  new Intl.DateTimeFormat(LOCALE, { weekday: 'long', day: 'numeric', month: 'long', timeZone: 'UTC' }).format(
    new Date(day),
  )

test('the crew: shifts that overlap are refused, skills are signed off, a special day takes the week’s place', async ({
  page,
}) => {
  await openAsManager(page, '/crew')
  await page.getByRole('button', { name: say('crew.edit', { name: 'Bram Kessel' }) }).click()
  // a second shift on Sunday, inside the one he works already
  const sunday = page.getByRole('group', { name: weekday(7) })
  await expect(sunday.getByRole('button')).toHaveCount(1)
  await sunday.locator('xpath=following-sibling::button').first().click()
  await page.getByRole('menuitem', { name: say('crew.addShift') }).click()
  await expect(sunday.getByRole('button')).toHaveCount(2)
  await page.getByRole('button', { name: say('crew.save') }).click()
  await expect(page.getByText(said('fault.shifts-overlap', { name: 'Bram Kessel' }))).toBeVisible()
  await page.keyboard.press('Escape')
  // one shift fewer, and back again
  const shiftOn = page.locator('[data-person="Bram Kessel"] .shift')
  const before = await shiftOn.count()
  await page.getByRole('button', { name: say('crew.edit', { name: 'Bram Kessel' }) }).click()
  await page
    .getByRole('group', { name: weekday(3) })
    .getByRole('button')
    .first()
    .press('Delete')
  await page.getByRole('button', { name: say('crew.save') }).click()
  await expect(shiftOn).toHaveCount(before - 1)
  await page.getByRole('button', { name: say('shell.undo') }).click()
  await expect(shiftOn).toHaveCount(before)
  const levelOf = (level: string) =>
    page.getByRole('button', {
      name: say('crew.levelOf', {
        name: 'Bram Kessel',
        skill: say('skill.maintenance'),
        level: say(`crew.level.${level}`),
      }),
      exact: true,
    })
  await levelOf('none').click()
  await page
    .getByRole('dialog')
    .getByRole('button', { name: say('crew.level.alone'), exact: true })
    .click()
  await page
    .getByRole('dialog')
    .getByRole('button', { name: say('shell.save') })
    .click()
  await expect(levelOf('alone')).toBeVisible()
  await levelOf('alone').click()
  await expect(
    page
      .getByRole('dialog')
      .getByText(said('crew.saidBy', { level: capital(say('crew.level.alone')), name: 'Maren Voss' })),
  ).toBeVisible()
  await page.keyboard.press('Escape')
  await page
    .getByRole('button', { name: say('shell.undo') })
    .last()
    .click()
  await expect(levelOf('none')).toBeVisible()
  await page.getByRole('button', { name: say('crew.addSpecial') }).click()
  await page.getByLabel(say('crew.day')).fill('29/11/2026')
  await page.getByLabel(say('field.name')).nth(1).fill('Closed for repairs')
  for (let left = 0; left < 2; left++)
    await page
      .getByRole('button', { name: say('house.remove'), exact: true })
      .first()
      .click()
  await page.getByRole('button', { name: say('shell.save'), exact: true }).click()
  await expect(
    page.getByText(say('shell.pair', { name: 'Closed for repairs', value: say('crew.closedDay') })),
  ).toBeVisible()
  await page.goto(`${DEMO}/week`)
  await expect(page.getByRole('region', { name: new RegExp(weekday(1)) }).first()).toBeVisible({ timeout: 15_000 })
  await expect(page.getByRole('region', { name: new RegExp(weekday(7)) })).toHaveCount(0)
  await page.request.delete(`${DEMO}/api/special-days/2026-11-29`)
})

test('a calendar of shifts is shown day by day before it is taken in, with what says nothing of hours', async ({
  page,
}) => {
  await openAsManager(page, '/crew')
  await page.getByRole('button', { name: say('crew.edit', { name: 'Bram Kessel' }) }).click()
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
  const days = page.getByRole('list', { name: say('crew.readDays') }).getByRole('listitem')
  await expect(days).toHaveText([
    new RegExp(`${dayOf('2026-11-28')}\\s*01:00–07:00\\s*Away kitchen`),
    new RegExp(`${dayOf('2026-11-30')}\\s*${say('crew.off')}\\s*Leave`, 'i'),
    new RegExp(`${dayOf('2026-12-05')}\\s*01:00–07:00\\s*Away kitchen`),
  ])
  await expect(page.getByText(say('crew.leftOutOne', { name: 'Dentist', why: say('crew.why.free') }))).toBeVisible()
  await page.getByRole('button', { name: say('crew.takeIn', { n: '3' }) }).click()
  await expect(page.getByRole('button', { name: say('crew.again', { n: 2 }) })).toBeVisible()
  const { days: kept } = (await (await page.request.get(`${DEMO}/api/crew`)).json()) as {
    days: { personId: string; day: string; note: string }[]
  }
  const added = kept.filter(({ note }) => note === 'Away kitchen' || note === 'Leave')
  expect(added).toHaveLength(3)
  await page.request.put(`${DEMO}/api/people/${added[0]?.personId ?? ''}/shift-days`, {
    data: { days: added.map(({ day }) => day), entries: [] },
  })
})
