import { chromium, type BrowserContext, type Page } from '@playwright/test'
import { mkdirSync, rmSync } from 'node:fs'
import { DEMO_SIGN_IN } from '../demo/house'
import { serveHouses } from './houses'

interface Picture {
  readonly name: string
  readonly path: string
  readonly size?: readonly [width: number, height: number]
  readonly prepare?: (page: Page) => Promise<void>
}

const PHONE = [390, 844] as const
const FOLDER = 'docs/screenshots'
/** Begins a full session and works the first side as far as the belly. */
async function atTheStone(page: Page): Promise<void> {
  await page.getByRole('button', { name: /Begin/ }).click()
  const stroke = page.getByRole('button', { name: /^Stroke/ })
  while (!(await stroke.isVisible())) await page.getByRole('button', { name: /^Next/ }).click()
  for (let count = 0; count < 18; count++) await page.keyboard.press('Space')
  await page.keyboard.press('b')
  for (let count = 0; count < 14; count++) await page.keyboard.press('Space')
  await page.waitForTimeout(4000)
}

const PICTURES: readonly Picture[] = [
  { name: 'today', path: '/today' },
  { name: 'moving-in', path: '/moving-in?part=stations' },
  {
    name: 'wall',
    path: '/wall',
    prepare: async (page) => {
      await page.keyboard.press('ArrowRight')
      await page.keyboard.press('ArrowRight')
    },
  },
  { name: 'rack', path: '/rack' },
  { name: 'knife', path: '/knife/CH-07', prepare: (page) => page.locator('.main-svg').first().waitFor() },
  {
    name: 'week',
    path: '/week',
    prepare: async (page) => {
      await page.getByRole('button', { name: 'Look for a better one' }).click()
      await page
        .getByText(/At most [\d.]+ %|As good as can be/)
        .first()
        .waitFor({ timeout: 40_000 })
      await page.getByRole('progressbar').waitFor({ state: 'hidden', timeout: 40_000 })
      await page.getByRole('button', { name: 'Use this plan' }).click()
      await page.getByText(/The plan of the house/).waitFor()
      await page.locator('.session').nth(1).click()
      await page.evaluate(() => {
        window.scrollTo(0, 0)
      })
      await page
        .getByRole('button', { name: 'Close' })
        .click({ timeout: 2000 })
        .catch(() => undefined)
    },
  },
  {
    name: 'my-roll-phone',
    path: '/roll',
    size: PHONE,
    prepare: (page) => page.getByRole('link', { name: 'To the bench' }).first().waitFor(),
  },
  { name: 'crew', path: '/crew' },
  { name: 'workshop', path: '/workshop/CH-07', prepare: (page) => page.getByText(/min on the stones/).waitFor() },
  { name: 'learned', path: '/learned', prepare: (page) => page.locator('.main-svg').first().waitFor() },
  { name: 'check', path: '/check/CH-07' },
  {
    name: 'deliveries',
    path: '/deliveries',
    prepare: async (page) => {
      await page.locator('input[type=file]').setInputFiles('tests/e2e/files/thirty-knives.xlsx')
      await page.getByText('One row has a problem.').waitFor()
    },
  },
  {
    name: 'practice',
    path: '/practice',
    prepare: async (page) => {
      await page.getByRole('button', { name: 'No instrument? A made-up hand' }).click()
      await page.getByRole('button', { name: 'a first try' }).click()
      await page.getByRole('button', { name: 'Begin' }).click()
      await page.locator('.result').waitFor({ timeout: 60_000 })
      await page.locator('.result').evaluate((result) => {
        result.scrollIntoView({ block: 'center' })
      })
    },
  },
  {
    name: 'count',
    path: '/count',
    prepare: async (page) => {
      await page.getByRole('button', { name: /^All knives/ }).click()
      await page.getByRole('button', { name: 'All here' }).click()
      await page.getByRole('button', { name: 'CH-04' }).click()
      await page.mouse.move(0, 0)
    },
  },
  {
    name: 'year',
    path: '/year',
    prepare: async (page) => {
      await page.getByRole('button', { name: 'Play the year' }).click()
      await page.getByText('one way comes out best').waitFor({ timeout: 60_000 })
    },
  },
  { name: 'lesson', path: '/course/first-stone' },
  {
    name: 'ledger',
    path: '/ledger',
    prepare: async (page) => {
      const money = {
        currency: 'EUR',
        hourly: { chef: 32, sharpener: 24, cook: 20, apprentice: 15 },
        interest: 0.03,
        grinder: 9,
        dullHour: null,
        gear: {},
      }
      await page.request.put(new URL('/api/money', page.url()).href, { data: { money, rate: null } })
      await page.reload()
      await page.getByText(/In twelve months/).waitFor()
    },
  },
  { name: 'bench', path: '/bench/CH-07', prepare: atTheStone },
  {
    name: 'bench-phone',
    path: '/bench/CH-07',
    size: PHONE,
    prepare: async (page) => {
      await page.getByRole('button', { name: /Go on with it/ }).click()
      await page.getByRole('button', { name: /^Stroke/ }).waitFor()
    },
  },
]

async function take(context: BrowserContext, base: string, picture: Picture): Promise<void> {
  const page = await context.newPage()
  const [width, height] = picture.size ?? [1280, 800]
  await page.setViewportSize({ width, height })
  await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' })
  await page.goto(base + picture.path)
  await page.waitForLoadState('networkidle', { timeout: 1500 }).catch(() => undefined)
  await page.locator('h1, header b').first().waitFor()
  await picture.prepare?.(page)
  await page.evaluate(() => document.fonts.ready)
  await page.screenshot({ path: `${FOLDER}/${picture.name}.png` })
  await page.close()
}

/** One picture of each main view, from the sample house at the picture moment. */
async function main(): Promise<void> {
  rmSync('.data/pictures', { recursive: true, force: true })
  mkdirSync(FOLDER, { recursive: true })
  const houses = await serveHouses('pictures')
  const browser = await chromium.launch({
    executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  })
  try {
    const inside = await browser.newContext({ locale: 'en-GB' })
    const { signInName, password } = DEMO_SIGN_IN
    await inside.request.post(`${houses.demoUrl}/api/session`, { data: { signInName, password } })
    for (const picture of PICTURES) {
      await take(inside, houses.demoUrl, picture)
      console.log(`${picture.name}.png`)
    }
  } finally {
    await browser.close()
    await houses.stop()
  }
}

main().then(
  () => {
    process.exit(0)
  },
  (error: unknown) => {
    console.error(error)
    process.exit(1)
  },
)
