import { expect, test, type Page } from '@playwright/test'
import { fits, goTo, openAsManager } from './kitchen'
import { say } from './words'

const LONG = 'Donaudampfschifffahrtsgesellschaftskapitaensmuetzenfabrikanten'
/** Right to left, without spaces, in pictures, and in one word of 62 letters. */
const NAMES = ['عبد الرحمن بن محمد الطويل', 'สมชายใจดีมากที่สุดในครัวนี้ครับผม', '👩‍🍳👨‍🍳🔪🧄🧅🥕🍖🥩', LONG]

interface FleetBody {
  people: { id: string; name: string; active: boolean }[]
  stations: { id: string; name: string }[]
  knives: { id: string; name: string; holderId: string | null; stationId: string }[]
}

/** Changes what the server tells of the house before the page reads it. */
async function houseAs(page: Page, change: (body: FleetBody) => void): Promise<void> {
  await page.route('**/api/fleet', async (route) => {
    const answer = await route.fetch()
    const body = (await answer.json()) as FleetBody
    change(body)
    await route.fulfill({ response: answer, json: body })
  })
}
function hardNames(body: FleetBody): void {
  const holders = [...new Set(body.knives.flatMap(({ holderId }) => holderId ?? []))]
  for (const person of body.people) person.name = NAMES[holders.indexOf(person.id)] ?? person.name
  for (const station of body.stations.slice(0, 2)) station.name = LONG
  body.knives.forEach((knife, at) => {
    if (at % 3 === 0) knife.name = LONG
  })
}
const sideways = (page: Page): Promise<number> =>
  page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)

const SCREENS = [
  '/today',
  '/rack',
  '/rack?view=table',
  '/knife/CH-07',
  '/check/CH-03',
  '/bench/CH-03',
  '/workshop/CH-07',
  '/learned',
  '/deliveries',
  '/week',
  '/crew',
  '/roll',
  '/labels?knives=CH-07,BR-01',
  '/rack-walk',
  '/moving-in?part=stations',
  '/moving-in?part=people',
  '/moving-in?part=missing',
  '/house?part=people',
  '/house?part=stations',
  '/house?part=week',
  '/house?part=gear',
  '/house?part=recipes',
  '/house?part=ways',
  '/house?part=devices',
  '/house?part=house',
] as const

/** Opens screen after screen without leaving the app, and says which of them are wider than the window. */
async function tooWide(page: Page): Promise<string[]> {
  const wide: string[] = []
  for (const path of SCREENS) {
    if (!page.url().endsWith(path)) await goTo(page, path)
    if (!(await fits(page))) wide.push(`${path}: ${await sideways(page)} px`)
  }
  return wide
}

test('names of 62 letters, in Arabic, Thai and pictures fit 320 pixels without scrolling sideways', async ({
  page,
}) => {
  test.setTimeout(150_000)
  await page.setViewportSize({ width: 320, height: 640 })
  await houseAs(page, hardNames)
  await openAsManager(page, '/today')
  expect(await tooWide(page)).toEqual([])
})

test('the same with letters of twice the size', async ({ page }) => {
  test.setTimeout(150_000)
  await page.addInitScript(() => {
    // before the page is there, as the setting of a browser would be
    new MutationObserver((_changes, watcher) => {
      document.documentElement.style.fontSize = '200%'
      watcher.disconnect()
    }).observe(document, { childList: true })
  })
  await houseAs(page, hardNames)
  await openAsManager(page, '/today')
  expect(await page.evaluate(() => getComputedStyle(document.documentElement).fontSize)).toBe('32px')
  expect(await tooWide(page)).toEqual([])
})

test('two hundred people and a station without knives are shown whole', async ({ page }) => {
  await houseAs(page, (body) => {
    const [first] = body.people
    if (!first) throw new Error('the house has nobody')
    for (let n = 1; n <= 200; n++)
      body.people.push({ ...first, id: `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`, name: `Cook ${n}` })
    body.knives.forEach((knife, at) => {
      knife.holderId = body.people[at % body.people.length]?.id ?? null
    })
    const [, bare] = body.stations
    const [station] = body.stations
    for (const knife of body.knives) if (knife.stationId === bare?.id) knife.stationId = station?.id ?? ''
  })
  await openAsManager(page, '/house?part=people')
  await expect(page.locator('[data-person]')).toHaveCount(214)
  await page.goto(new URL('/house?part=stations', page.url()).href)
  await expect(page.getByText(say('house.boardEmpty'))).toHaveCount(1)
  await page.goto(new URL('/today', page.url()).href)
  await expect(page.locator('.lead').first()).toBeVisible()
  expect(await sideways(page)).toBeLessThanOrEqual(0)
})

test('without its face the page is read in the device’s own', async ({ page }) => {
  await page.route(/\.woff2?$/, (route) => route.abort())
  await openAsManager(page, '/today')
  await expect(page.locator('.lead').first()).toBeVisible()
  expect(await sideways(page)).toBeLessThanOrEqual(0)
})

test('who wants no movement gets none', async ({ page }) => {
  await openAsManager(page, '/today')
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  /** How long something takes that a library would move. */
  const movesFor = (): Promise<string> =>
    page.evaluate(() => {
      const moved = document.body.appendChild(document.createElement('i'))
      moved.style.transition = 'opacity 1s'
      const takes = getComputedStyle(moved).transitionDuration
      moved.remove()
      return takes
    })
  expect(await movesFor()).toBe('1s')
  await page.emulateMedia({ reducedMotion: 'reduce' })
  expect(await movesFor()).toBe('0s')
})
