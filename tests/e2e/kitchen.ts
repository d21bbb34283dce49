import { expect, type BrowserContext, type Locator, type Page } from '@playwright/test'
import { v7 as newId } from 'uuid'
import { DEMO_SIGN_IN } from '../../demo/house'
import { say } from './words'

const address = (name: string): string => {
  const url = process.env[name]
  if (!url) throw new Error(`${name} is not set; run the browser tests with: npm run test:browser`)
  return url
}
export const DEMO = address('YORVIK_DEMO_URL')
export const EMPTY = address('YORVIK_EMPTY_URL')

/** Breaks off whatever session a knife is in: a test that is tried again finds its knife as it found it first. */
async function freeKnife(page: Page, code: string): Promise<void> {
  const { knives } = (await (await page.request.get(`${DEMO}/api/fleet`)).json()) as {
    knives: { id: string; code: string }[]
  }
  const knifeId = knives.find((knife) => knife.code === code)?.id
  const open = (await (await page.request.get(`${DEMO}/api/bench-sessions`)).json()) as {
    id: string
    knifeId: string
  }[]
  // the moment at which the sample houses of these tests stand
  const at = '2026-11-24T14:42:00.000Z'
  for (const session of open.filter((one) => one.knifeId === knifeId)) {
    const actions = [
      { id: newId(), at, kind: 'take-over' },
      { id: newId(), at, kind: 'abandon' },
    ]
    await page.request.post(`${DEMO}/api/bench-sessions/${session.id}/actions`, { data: { actions } })
  }
}

/** What the last test's manager was signed in by. */
let entered: Parameters<BrowserContext['addCookies']>[0] = []

/** Signs the manager of the sample house in behind the screen's back; once for all tests, unless one signed out. */
export async function enterAsManager(page: Page): Promise<void> {
  if (entered.length > 0) {
    await page.context().addCookies(entered)
    if ((await page.request.get(`${DEMO}/api/session`)).ok()) return
  }
  const { signInName, password } = DEMO_SIGN_IN
  const answer = await page.request.post(`${DEMO}/api/session`, { data: { signInName, password } })
  expect(answer.ok()).toBe(true)
  // a tablet's own mark stays with the test that enrolled it
  entered = (await page.context().cookies()).filter(({ name }) => name === 'yorvik_session')
}

/** Opens a page as the manager of the sample house; a bench with its knife free. */
export async function openAsManager(page: Page, path: string): Promise<void> {
  await enterAsManager(page)
  const code = /^\/bench\/([\w-]+)$/.exec(path)?.[1]
  if (code) await freeKnife(page, code)
  await page.goto(DEMO + path)
}

/** Opens the check of a knife and waits until it listens to keys. */
export async function openCheck(page: Page, code: string): Promise<void> {
  await openAsManager(page, `/check/${code}`)
  await expect(page.getByRole('list', { name: say('check.spots') })).toBeVisible()
}

/** Does one thing with the knife whose page is open, by its key or from behind “More”. */
export async function actOnKnife(page: Page, name: string): Promise<void> {
  const keys = page.locator('.actions')
  await expect(keys.getByRole('button', { name: say('nav.more') })).toBeVisible()
  const own = keys.getByRole('button', { name, exact: true }).or(keys.getByRole('link', { name, exact: true }))
  if ((await own.count()) > 0) return await own.click()
  await keys.getByRole('button', { name: say('nav.more') }).click()
  const behind = page.getByRole('menuitem', { name, exact: true })
  // what was done a moment ago may give the page other keys while its menu opens
  await expect(own.or(behind).first()).toBeVisible()
  if (await behind.isVisible()) return await behind.click()
  await page.keyboard.press('Escape')
  await own.click()
}

/** Slides to a number with the keys, step by step from where the slider stands. */
export async function slideTo(slider: Locator, value: number): Promise<void> {
  const left = async (): Promise<number> => value - Number(await slider.getAttribute('aria-valuenow'))
  const key = (await left()) > 0 ? 'ArrowRight' : 'ArrowLeft'
  const MOST_STEPS = 400
  for (let step = 0; step < MOST_STEPS && Math.abs(await left()) > 1e-6; step++) await slider.press(key)
  expect(await left()).toBeCloseTo(0, 6)
}

/** Fails a test on whatever the browser complains about: a script error or a blocked style. */
export function complaints(page: Page): string[] {
  const heard: string[] = []
  page.on('pageerror', (error) => heard.push(error.message))
  page.on('console', (message) => {
    if (message.type() === 'error' && !/Failed to load resource/.test(message.text())) heard.push(message.text())
  })
  return heard
}

const middleOf = async (thing: Locator): Promise<{ x: number; y: number }> => {
  const box = await thing.boundingBox()
  if (!box) throw new Error('it is not on the screen')
  return { x: box.x + Math.min(box.width / 2, 300), y: box.y + box.height / 2 }
}

/** Lifts a thing with the mouse, carries it and puts it down; `over` looks while it is still in the hand. */
export async function carry(page: Page, thing: Locator, target: Locator, over?: () => Promise<void>): Promise<void> {
  await thing.hover()
  await page.mouse.down()
  await target.evaluate((one) => {
    one.scrollIntoView({ block: 'center' })
  })
  const to = await middleOf(target)
  await page.mouse.move(to.x - 9, to.y, { steps: 6 })
  await page.mouse.move(to.x, to.y, { steps: 3 })
  await over?.()
  await page.mouse.up()
}

type Point = { readonly x: number; readonly y: number }
type TouchPart = (type: 'touchStart' | 'touchMove' | 'touchEnd', at: Point | null) => Promise<unknown>
async function finger(page: Page): Promise<TouchPart> {
  const touch = await page.context().newCDPSession(page)
  return (type, at) => touch.send('Input.dispatchTouchEvent', { type, touchPoints: at ? [at] : [] })
}
async function drawn(send: TouchPart, from: Point, to: Point): Promise<void> {
  for (const part of [0.2, 0.4, 0.6, 0.8, 1])
    await send('touchMove', { x: from.x + (to.x - from.x) * part, y: from.y + (to.y - from.y) * part })
  await send('touchEnd', null)
}

/** Lifts, carries and puts down with a finger, which rests before it lifts. */
export async function carryByTouch(page: Page, thing: Locator, target: Locator): Promise<void> {
  const send = await finger(page)
  await thing.evaluate((one) => {
    one.scrollIntoView({ block: 'center' })
  })
  const from = await middleOf(thing)
  await send('touchStart', from)
  // it is lifted once the finger has rested
  await expect(thing).toHaveClass(/lifted/)
  await drawn(send, from, await middleOf(target))
}

/** Draws a finger across the middle of the screen. */
export async function swipe(page: Page, to: 'left' | 'right'): Promise<void> {
  const { width, height } = page.viewportSize() ?? { width: 390, height: 844 }
  const [from, end] = to === 'left' ? [0.85, 0.15] : [0.15, 0.85]
  const send = await finger(page)
  const y = height / 2
  await send('touchStart', { x: width * from, y })
  await drawn(send, { x: width * from, y }, { x: width * end, y })
}

const MOST_LOOKS = 60

/** Goes to another screen of the app without opening it anew, and waits until it stands still. */
export async function goTo(page: Page, path: string): Promise<void> {
  const main = page.locator('#main')
  const left = await main.innerText()
  await page.evaluate((to) => {
    history.pushState({}, '', to)
    dispatchEvent(new PopStateEvent('popstate', { state: {} }))
  }, path)
  let before = left
  for (let looks = 0; looks < MOST_LOOKS; looks++) {
    await page.waitForTimeout(200)
    const now = await main.innerText()
    if (now === before && now !== left) return
    before = now
  }
  throw new Error(`${path} did not come`)
}

/** Whether the page is no wider than its window, once it has settled: charts are drawn anew after the rest. */
export async function fits(page: Page): Promise<boolean> {
  const settled = await page
    .waitForFunction(() => document.documentElement.scrollWidth <= window.innerWidth, undefined, { timeout: 15_000 })
    .catch(() => null)
  return settled !== null
}
