import AxeBuilder from '@axe-core/playwright'
import { expect, test, type Page } from '@playwright/test'
import { complaints, DEMO, fits, openAsManager } from './kitchen'
import { SCREENS } from './screens'
import { begins, capital, own, said, say, weekday } from './words'

/** What axe holds to be serious, of all rules or of those about contrast alone. */
async function graveFaults(page: Page, rules?: readonly string[]): Promise<string[]> {
  // only what is wrong is told, and in the page itself, which has no frames: a third of the time, the same rules
  const axe = new AxeBuilder({ page }).options({ resultTypes: ['violations'], preload: false }).setLegacyMode(true)
  const { violations } = await (
    rules ? axe.withRules([...rules]) : axe.withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
  ).analyze()
  return violations
    .filter((one) => one.impact === 'serious' || one.impact === 'critical')
    .map((one) => `${one.id}: ${one.nodes.map((node) => node.html.slice(0, 160)).join(' | ')}`)
}

/** A desk, a tablet, a phone, and A4 (ISO 216, 210 mm wide) within its margins of 10 mm, at 96 pixels to the inch. */
const WIDTHS = [
  { name: 'desk', width: 1280, media: 'screen' },
  { name: 'tablet', width: 1024, media: 'screen' },
  { name: 'phone', width: 390, media: 'screen' },
  { name: 'A4', width: 718, media: 'print' },
] as const

/** Where the screen that is open is wider than what it is seen on. */
async function tooWide(page: Page): Promise<string[]> {
  const wide: string[] = []
  // a sheet of labels is as wide as its paper
  const seenOn = WIDTHS.filter(({ media }) => media === 'screen' || !page.url().includes('/labels'))
  for (const { name, width, media } of seenOn) {
    await page.setViewportSize({ width, height: 800 })
    await page.emulateMedia({ media, colorScheme: 'light' })
    if (!(await fits(page))) wide.push(`${name}: ${await page.evaluate(() => document.documentElement.scrollWidth)} px`)
  }
  return wide
}

test('axe sees a fault that is put there', async ({ page }) => {
  await openAsManager(page, '/rack')
  await expect(page.locator('h1')).toBeVisible()
  await page.locator('h1').evaluate((heading) => {
    heading.style.color = '#e8e6e0'
    heading.insertAdjacentHTML('afterend', '<img src="/icon-192.png" width="20">')
  })
  const found = (await graveFaults(page)).join('\n')
  expect(found).toContain('color-contrast')
  expect(found).toContain('image-alt')
})

for (const path of [...SCREENS, '/sign-in'] as const) {
  test(`axe finds nothing serious on ${path}, light or dark, it fits, and the browser does not complain`, async ({
    page,
  }) => {
    const heard = complaints(page)
    await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' })
    if (path === '/sign-in') await page.goto(DEMO + path)
    else await openAsManager(page, path)
    await expect(page.locator('h1, header b').first()).toBeVisible()
    await page.waitForLoadState('networkidle').catch(() => undefined)
    expect(await graveFaults(page)).toEqual([])
    // the screen is the same in the dark but for its colours
    await page.emulateMedia({ colorScheme: 'dark', reducedMotion: 'reduce' })
    expect(await graveFaults(page, ['color-contrast'])).toEqual([])
    expect(await tooWide(page)).toEqual([])
    expect(heard).toEqual([])
  })
}

interface State {
  readonly name: string
  readonly path: string
  readonly reach: (page: Page) => Promise<unknown>
}
/** What a screen looks like once somebody does something on it, or something goes wrong. */
const STATES: readonly State[] = [
  {
    name: 'a kitchen’s own list being read',
    path: '/deliveries',
    reach: async (page) => {
      await page.locator('input[type=file]').setInputFiles('tests/e2e/files/thirty-knives.xlsx')
      await page.getByText(say('exchange.problems', { n: 1 })).waitFor()
      await page.getByRole('button', { name: said('exchange.newStations') }).click()
      await page.getByRole('button', { name: say('exchange.openLine', { row: '10' }) }).click()
    },
  },
  {
    name: 'a label being looked for',
    path: '/today',
    reach: async (page) => {
      await expect(page.locator('section.person').first()).toBeVisible()
      await page.keyboard.press('.')
      await page.getByRole('button', { name: say('scan.simulator') }).click()
    },
  },
  {
    name: 'a knife of the rack walk',
    path: '/rack-walk',
    reach: async (page) => {
      await page.getByRole('button', { name: say('type.chef'), exact: true }).click()
      await expect(page.getByRole('button', { name: say('walk.next') })).toBeEnabled()
    },
  },
  {
    name: 'the finder with what it found',
    path: '/today',
    reach: async (page) => {
      await expect(page.locator('section.person').first()).toBeVisible()
      await page.keyboard.press('/')
      await page.getByRole('searchbox', { name: say('finder.title') }).fill('chef')
      await page.keyboard.press('ArrowDown')
    },
  },
  {
    name: 'help with its keys',
    path: '/week',
    reach: async (page) => {
      await page.getByRole('button', { name: say('nav.keys') }).click()
      await expect(page.getByRole('dialog')).toBeVisible()
    },
  },
  {
    name: 'a menu',
    path: '/knife/CH-07',
    reach: (page) => page.getByRole('button', { name: say('nav.more') }).click(),
  },
  { name: 'a word explained', path: '/knife/FI-03', reach: (page) => page.locator('.term').first().click() },
  {
    name: 'a form with faults',
    path: '/house?part=people',
    reach: async (page) => {
      await page.getByRole('button', { name: say('house.addPerson') }).click()
      await page
        .getByRole('dialog')
        .getByRole('button', { name: say('shell.save') })
        .click()
      await expect(page.locator('.wrong').first()).toBeVisible()
    },
  },
  {
    name: 'a list of choices',
    path: '/rack',
    reach: (page) => page.getByRole('combobox', { name: say('rack.condition') }).click(),
  },
  {
    name: 'suggestions under a field',
    path: '/rack',
    reach: async (page) => {
      await page.getByRole('button', { name: say('rack.add') }).click()
      await page.getByRole('button', { name: say('form.measured') }).click()
      const steel = page.getByRole('combobox', { name: say('field.steelEn') })
      // a form that scrolls late closes the list under its field: one types again
      await expect(async () => {
        await steel.fill('')
        await steel.fill('1.4')
        await page.getByRole('option').first().waitFor({ timeout: 5000 })
      }).toPass()
    },
  },
  {
    name: 'several chosen',
    path: '/rack',
    reach: async (page) => {
      await page.getByRole('button', { name: say('rack.choose') }).click()
      await page.getByRole('checkbox').first().click()
    },
  },
  {
    name: 'a calendar open',
    path: '/crew',
    reach: async (page) => {
      await page.getByRole('button', { name: say('crew.addSpecial') }).click()
      await page.locator('.when-open').first().click()
    },
  },
  {
    name: 'a shift chosen',
    path: '/crew',
    reach: async (page) => {
      await page.getByRole('button', { name: say('crew.edit', { name: 'Bram Kessel' }) }).click()
      await page
        .getByRole('group', { name: weekday(3) })
        .getByRole('button')
        .first()
        .click()
    },
  },
  {
    name: 'a session chosen',
    path: '/week',
    reach: (page) => page.locator('.session').first().click({ timeout: 20_000 }),
  },
  {
    name: 'a question before the end',
    path: '/house?part=devices',
    reach: async (page) => {
      await page.request.post(`${DEMO}/api/devices`, { data: { name: own('pass'), kind: 'instrument' } })
      await page.reload()
      await page
        .getByRole('button', { name: say('house.revoke') })
        .first()
        .click()
      await page.getByRole('button', { name: say('myday.revokeKeep') }).waitFor()
    },
  },
  {
    name: 'no server',
    path: '/today',
    reach: async (page) => {
      await expect(page.locator('section.person').first()).toBeVisible()
      await page.context().setOffline(true)
      await page
        .getByRole('button', { name: begins('today.honedOf', { code: /[A-Z]{2}-\d+/ }) })
        .first()
        .click()
      await expect(page.getByText(said('shell.waiting')).first()).toBeVisible()
    },
  },
]
for (const { name, path, reach } of STATES) {
  test(`axe finds nothing serious with ${name}, light or dark`, async ({ page }) => {
    await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' })
    await openAsManager(page, path)
    await expect(page.locator('h1, header b').first()).toBeVisible()
    await reach(page)
    expect(await graveFaults(page)).toEqual([])
    await page.emulateMedia({ colorScheme: 'dark', reducedMotion: 'reduce' })
    expect(await graveFaults(page, ['color-contrast'])).toEqual([])
  })
}

test('axe finds nothing serious in a house that has just begun', async ({ page }) => {
  await page.route('**/api/fleet', async (route) => {
    const answer = await route.fetch()
    const fleet = (await answer.json()) as object
    await route.fulfill({ response: answer, json: { ...fleet, knives: [], stations: [], planned: [] } })
  })
  await openAsManager(page, '/today')
  await expect(page.locator('.empty').first()).toBeVisible()
  expect(await graveFaults(page)).toEqual([])
  for (const path of ['/rack', '/roll', '/house?part=stations']) {
    await page.goto(DEMO + path)
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    expect(await graveFaults(page), path).toEqual([])
  }
})

test('keys of the check screen are large enough for a knuckle', async ({ page }) => {
  await page.setViewportSize({ width: 1024, height: 768 })
  await openAsManager(page, '/check/CH-03')
  const keys = ['check.take', 'check.record', 'check.back', 'ladder.silent-paper'].map((key) => capital(say(key)))
  for (const name of ['1', '0', ...keys]) {
    const box = await page
      .getByRole('button', { name: new RegExp(`^${name}( |$)`) })
      .first()
      .boundingBox()
    expect(box?.height ?? 0, name).toBeGreaterThanOrEqual(56)
  }
})
