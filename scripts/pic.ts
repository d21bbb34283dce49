import { chromium, type Page } from '@playwright/test'
import { DEMO_SIGN_IN } from '../demo/house'
import { serveHouses } from './houses'

const houses = await serveHouses('pic', { lookedAt: false })
try {
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' })
  const { signInName, password } = DEMO_SIGN_IN
  await context.request.post(`${houses.demoUrl}/api/session`, { data: { signInName, password } })
  const page = await context.newPage()
  page.on('pageerror', (error) => console.log('PAGE', error.message))
  page.on('console', (message) => message.type() === 'error' && console.log('CONSOLE', message.text()))
  const shot = (name: string): Promise<unknown> => page.screenshot({ path: `/tmp/pic-${name}.png` })
  const { main } = await import(process.argv[2] ?? '')
  await main({ page, shot, url: houses.demoUrl, context } as { page: Page; shot: typeof shot; url: string })
  await browser.close()
} finally {
  await houses.stop()
}
process.exit(0)
