import { expect, type Page } from '@playwright/test'
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

/** Fails a test on whatever the browser complains about: a script error or a blocked style. */
export function complaints(page: Page): string[] {
  const heard: string[] = []
  page.on('pageerror', (error) => heard.push(error.message))
  page.on('console', (message) => {
    if (message.type() === 'error' && !/Failed to load resource/.test(message.text())) heard.push(message.text())
  })
  return heard
}
