import { expect, type Locator, type Page } from '@playwright/test'
import { DEMO_SIGN_IN } from '../../demo/house'

const address = (name: string): string => {
  const url = process.env[name]
  if (!url) throw new Error(`${name} is not set; run the browser tests with: npm run test:browser`)
  return url
}
export const DEMO = address('YORVIK_DEMO_URL')
export const EMPTY = address('YORVIK_EMPTY_URL')

/** Signs the manager of the sample house in behind the screen's back, and opens a page. */
export async function openAsManager(page: Page, path: string): Promise<void> {
  const { signInName, password } = DEMO_SIGN_IN
  const answer = await page.request.post(`${DEMO}/api/session`, { data: { signInName, password } })
  expect(answer.ok()).toBe(true)
  await page.goto(DEMO + path)
}

/** Opens the check of a knife and waits until it listens to keys. */
export async function openCheck(page: Page, code: string): Promise<void> {
  await openAsManager(page, `/check/${code}`)
  await expect(page.getByRole('list', { name: 'Three marked spots' })).toBeVisible()
}

/** Does one thing with the knife whose page is open, by its key or from behind “More”. */
export async function actOnKnife(page: Page, name: string): Promise<void> {
  const keys = page.locator('.actions')
  await expect(keys.getByRole('button', { name: 'More' })).toBeVisible()
  const own = keys.getByRole('button', { name, exact: true }).or(keys.getByRole('link', { name, exact: true }))
  if ((await own.count()) > 0) return await own.click()
  await keys.getByRole('button', { name: 'More' }).click()
  await page.getByRole('menuitem', { name, exact: true }).click()
}

/** Slides to a number with the keys: Home, ten steps at a time, then one. */
export async function slideTo(slider: Locator, value: number): Promise<void> {
  const now = async (): Promise<number> => Number(await slider.getAttribute('aria-valuenow'))
  await slider.press('Home')
  const low = await now()
  await slider.press('ArrowRight')
  const step = (await now()) - low
  const steps = Math.round((value - low) / step) - 1
  if (steps < 0) await slider.press('Home')
  for (let left = steps; left > 0; left -= left >= 10 ? 10 : 1) await slider.press(left >= 10 ? 'PageUp' : 'ArrowRight')
  expect(await now()).toBeCloseTo(value, 6)
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

/** The same with a finger, which rests before it lifts. The page must have been opened with touch. */
export async function carryByTouch(page: Page, thing: Locator, target: Locator): Promise<void> {
  const touch = await page.context().newCDPSession(page)
  await thing.evaluate((one) => {
    one.scrollIntoView({ block: 'center' })
  })
  const from = await middleOf(thing)
  const send = (type: 'touchStart' | 'touchMove' | 'touchEnd', at: { x: number; y: number } | null): Promise<unknown> =>
    touch.send('Input.dispatchTouchEvent', { type, touchPoints: at ? [at] : [] })
  await send('touchStart', from)
  // it is lifted once the finger has rested
  await expect(thing).toHaveClass(/lifted/)
  const to = await middleOf(target)
  for (const part of [0.2, 0.4, 0.6, 0.8, 1])
    await send('touchMove', { x: from.x + (to.x - from.x) * part, y: from.y + (to.y - from.y) * part })
  await send('touchEnd', null)
}
