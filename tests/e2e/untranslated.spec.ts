import { expect, test, type Page } from '@playwright/test'
import { LANGUAGE_TRAITS, LANGUAGES } from '../../contract/languages'
import { HOUSE_NAME, PEOPLE } from '../../demo/house'
import { CLOSES, OPENS, pseudoCatalogue } from '../../words/pseudo'
import { catalogues } from '../../words/say'
import { fits, goTo, openAsManager } from './kitchen'
import { SCREENS } from './screens'
import { escaped, LANGUAGE, LOCALE } from './words'

/** Gives the browser a language that nobody speaks in place of its catalogue. */
async function speakPseudo(page: Page): Promise<void> {
  await page.route('**/assets/*.js', async (route) => {
    const answer = await route.fetch()
    const script = await answer.text()
    const found = /JSON\.parse\((?:`([\s\S]*)`|'([\s\S]*)'|("[\s\S]*"))\)/.exec(script)
    if (!found || !/^\s*(?:var|let|const|export)/.test(script)) return await route.fulfill({ response: answer })
    // a module of its own, and nothing else in it: the text is read as the browser reads it
    const text = new Function(`return ${found[0]}`)() as object
    const body = script.replace(found[0], () => `JSON.parse(${JSON.stringify(JSON.stringify(pseudoCatalogue(text)))})`)
    await route.fulfill({ response: answer, body })
  })
}

/** What is nobody's to translate: names and words that the house wrote, units, keys, file formats, standards. */
const OWN = [
  HOUSE_NAME,
  ...PEOPLE.map(({ name }) => name),
  ...Object.values(catalogues[LANGUAGE].sample),
  ...LANGUAGES.map((tag) => LANGUAGE_TRAITS[tag].name),
  // sentences of the server, which has its own catalogue
  ...Object.values(catalogues[LANGUAGE].fault),
  'Chrome',
  'Linux',
  'Yorvik',
  'Europe/Dublin',
  'maren',
  'min',
  'mm',
  'gf',
  'MB',
  'Esc',
  'Enter',
  'Space',
  'CSV',
  'JIS',
  'FEPA',
  'EUR',
  'PIN',
]
const dates = (options: Intl.DateTimeFormatOptions): string[] =>
  Array.from({ length: 366 }, (_, day) =>
    new Intl.DateTimeFormat(LOCALE, { ...options, timeZone: 'UTC' }).format(Date.UTC(2024, 0, 1 + day)),
  )
/** Days, months and the last of a list as Intl writes them. */
const WRITTEN = [
  ...dates({ weekday: 'long' }),
  ...dates({ weekday: 'short' }),
  ...dates({ month: 'long' }),
  ...dates({ month: 'short' }),
  ...dates({ day: 'numeric', month: 'long' }).map((day) => day.replace(/\d+\.?/, '').trim()),
  ...dates({ day: 'numeric', month: 'short' }).map((day) => day.replace(/\d+\.?/, '').trim()),
  new Intl.ListFormat(LOCALE).format(['', '']).trim(),
]
const NOT_WORDS = new RegExp(
  [...new Set([...OWN, ...WRITTEN])]
    .sort((a, b) => b.length - a.length)
    .map((word) => `(?<!\\p{Letter})${escaped(word)}(?!\\p{Letter})`)
    .join('|'),
  'gu',
)

/** What is left of a text without what a catalogue said, sentences within sentences first. */
function unsaid(text: string): string {
  const SENTENCE = new RegExp(`${OPENS}[^${OPENS}${CLOSES}]*${CLOSES}`, 'gu')
  const rest = text.replace(SENTENCE, ' ')
  return rest === text ? text.replace(NOT_WORDS, ' ').trim() : unsaid(rest)
}

/** Texts and labels on the screen that no catalogue said. */
async function untranslated(page: Page): Promise<string[]> {
  const texts = await page.evaluate(() => {
    const found: string[] = []
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const parent = node.parentElement
      if (!parent || ['SCRIPT', 'STYLE', 'TEXTAREA', 'CODE'].includes(parent.tagName)) continue
      if (parent.closest('.js-plotly-plot, .house-words')) continue
      found.push(node.textContent ?? '')
    }
    for (const one of document.body.querySelectorAll('[aria-label], [title], [placeholder], [alt]'))
      for (const name of ['aria-label', 'title', 'placeholder', 'alt']) found.push(one.getAttribute(name) ?? '')
    return found
  })
  // a number of signs in a row that are a word, not a code or a symbol of steel
  const WORD = /\p{Lowercase}{3,}/u
  return [...new Set(texts.map(unsaid).filter((text) => WORD.test(text)))]
}

test('in a language that nobody speaks every screen says all of it, and fits a desk and a phone', async ({ page }) => {
  test.setTimeout(240_000)
  await speakPseudo(page)
  await openAsManager(page, '/today')
  await expect(page.locator('h1').first()).toContainText(/\d/)
  await expect(page.locator('main')).toContainText(OPENS)
  const faults: string[] = []
  for (const path of SCREENS) {
    if (!page.url().endsWith(path)) await goTo(page, path)
    for (const width of [1280, 390]) {
      await page.setViewportSize({ width, height: 800 })
      if (!(await fits(page))) faults.push(`${path} is wider than ${width} px`)
      faults.push(...(await untranslated(page)).map((text) => `${path} says: ${text}`))
    }
    await page.setViewportSize({ width: 1280, height: 800 })
  }
  await page.unrouteAll({ behavior: 'ignoreErrors' })
  expect([...new Set(faults)]).toEqual([])
})
