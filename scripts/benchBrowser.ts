import type { Browser, BrowserContext, Page } from '@playwright/test'

export interface BrowserFigures {
  readonly coldMs: number
  readonly reloadMs: number
  /** from the Rack back to Today inside the open app */
  readonly warmMs: number
  readonly verdictMs: number
  readonly frames: number
  readonly longFrames: number
}

const RUNS = 5
const FIRST_PERSON = `new MutationObserver((_, observer) => {
  if (!document.querySelector('section.person')) return
  observer.disconnect()
  requestAnimationFrame(() => setTimeout(() => { globalThis.firstPersonMs = performance.now() }))
}).observe(document, { childList: true, subtree: true })`
const LONG_FRAME_MS = 34
const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0

async function signedIn(browser: Browser, base: string, signIn: object): Promise<BrowserContext> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  // the compiler of this script names inner functions with a helper that the page does not have
  await context.addInitScript({ content: 'globalThis.__name = (it) => it' })
  // the page notes by itself when its first person is drawn, so that asking it does not count
  await context.addInitScript({ content: FIRST_PERSON })
  await context.request.post(`${base}/api/session`, { data: signIn })
  return context
}

/** Milliseconds from asking for Today until its first person is on the screen, by the page's own clock. */
async function openToday(page: Page, base: string): Promise<number> {
  await page.goto(`${base}/today`, { waitUntil: 'commit' })
  await page.waitForSelector('section.person')
  const seen = await page.waitForFunction('globalThis.firstPersonMs')
  return Number(await seen.jsonValue())
}

/** Milliseconds from touching Today in the rail of the open app until its people are there. */
async function backToToday(page: Page): Promise<number> {
  await page.click('nav a[href="/rack"]')
  await page.waitForSelector('section.station')
  return await page.evaluate(
    () =>
      new Promise<number>((settle) => {
        const started = performance.now()
        new MutationObserver(() => {
          if (document.querySelector('section.person'))
            requestAnimationFrame(() => {
              settle(performance.now() - started)
            })
        }).observe(document.body, { childList: true, subtree: true })
        document.querySelector<HTMLAnchorElement>('nav a[href="/today"]')?.click()
      }),
  )
}

async function scrollFrames(page: Page, base: string): Promise<number[]> {
  await page.goto(`${base}/rack`)
  await page.waitForSelector('svg[role=img]')
  return await page.evaluate(
    () =>
      new Promise<number[]>((settle) => {
        const gaps: number[] = []
        let last = performance.now()
        const step = (now: number): void => {
          gaps.push(now - last)
          last = now
          window.scrollBy(0, 24)
          if (gaps.length < 180) requestAnimationFrame(step)
          else settle(gaps.slice(5))
        }
        requestAnimationFrame(step)
      }),
  )
}

async function recordCheck(page: Page, base: string, code: string): Promise<number> {
  await page.goto(`${base}/check/${code}`)
  await page.waitForSelector('.spots')
  return await page.evaluate(
    () =>
      new Promise<number>((settle) => {
        const started = performance.now()
        new MutationObserver(() => {
          if (document.querySelector('[data-test=verdict]')) settle(performance.now() - started)
        }).observe(document.body, { childList: true, subtree: true })
        document.querySelector<HTMLButtonElement>('.rung')?.click()
      }),
  )
}

/** Times the screens as a browser sees them. */
export async function openTimed(
  browser: Browser,
  base: string,
  signIn: object,
  codes: readonly string[],
): Promise<BrowserFigures> {
  const cold: number[] = []
  const reload: number[] = []
  const warm: number[] = []
  for (let run = 0; run < RUNS; run++) {
    const context = await signedIn(browser, base, signIn)
    const page = await context.newPage()
    cold.push(await openToday(page, base))
    reload.push(await openToday(page, base))
    warm.push(await backToToday(page))
    await context.close()
  }
  const context = await signedIn(browser, base, signIn)
  const page = await context.newPage()
  const verdicts: number[] = []
  for (const code of codes) verdicts.push(await recordCheck(page, base, code))
  const frames = await scrollFrames(page, base)
  await context.close()
  return {
    coldMs: median(cold),
    reloadMs: median(reload),
    warmMs: median(warm),
    verdictMs: median(verdicts),
    frames: frames.length,
    longFrames: frames.filter((gap) => gap > LONG_FRAME_MS).length,
  }
}
