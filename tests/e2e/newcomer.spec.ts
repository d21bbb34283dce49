import { expect, test } from '@playwright/test'
import { actOnKnife, complaints, DEMO, openAsManager } from './kitchen'
import { capital, LOCALE, own, said, say } from './words'

const TODAY = new Intl.DateTimeFormat(LOCALE, { weekday: 'long', day: 'numeric', month: 'long' }).format(
  Date.UTC(2026, 10, 24),
)

test('a newcomer signs in with what is on the screen, reads Today, checks a knife and sees its verdict change', async ({
  page,
}) => {
  const heard = complaints(page)
  await page.goto(DEMO)
  const shown = page.locator('.demo code')
  await page.getByLabel(say('field.signInName')).fill((await shown.nth(0).textContent()) ?? '')
  await page.getByLabel(say('field.password'), { exact: true }).fill((await shown.nth(1).textContent()) ?? '')
  await page.getByRole('button', { name: say('door.enter') }).click()

  await expect(page.getByRole('heading', { name: TODAY })).toBeVisible()
  await expect(page.locator('.lead').first()).toContainText(say('day.quietUntil', { time: '17:30' }))
  await expect(page.getByRole('img', { name: new RegExp(`${own('lunch')} 12:00–14:30`) })).toBeVisible()
  const ilse = page.getByRole('region', { name: 'Ilse Brandt' })
  await expect(ilse).toContainText(said('action.stone'))
  await expect(ilse).toContainText(say('reason.hone-failed'))

  await ilse.getByRole('link', { name: 'CH-07' }).first().click()
  await actOnKnife(page, say('knife.act.check'))
  await expect(page.getByRole('list', { name: say('check.spots') })).toBeVisible()
  await page.keyboard.type('160')
  await page.keyboard.press('Enter')
  await page.keyboard.type('165')
  await page.keyboard.press('Enter')
  await page.keyboard.type('170')
  await page.keyboard.press('Enter')
  await page.keyboard.press('Enter')
  await expect(page.locator('[data-test=verdict]')).not.toContainText(said('action.stone'))
  await expect(page.getByText(said('check.insteadOf', { what: said('action.stone') }))).toBeVisible()

  await page.getByRole('button', { name: say('shell.undo') }).click()
  await expect(page.getByText(said('check.was', { force: /3.*/ })).first()).toBeVisible()
  await page.keyboard.press('Escape')
  await page.goto(`${DEMO}/today`)
  await expect(page.getByRole('region', { name: 'Ilse Brandt' })).toContainText(said('action.stone'))
  expect(heard).toEqual([])
})

test('honing is one touch, with its undo', async ({ page }) => {
  await openAsManager(page, '/today')
  const button = page.getByRole('button', { name: say('today.honedOf', { code: 'CH-04' }) })
  await button.click()
  await expect(button).toBeHidden()
  await expect(page.getByText(say('today.honedDone', { code: 'CH-04' }))).toBeVisible()
  await page.getByRole('button', { name: say('shell.undo') }).click()
  await expect(button).toBeVisible()
})

test('after a honing the toast asks whether it came back, and a “no” is heard', async ({ page }) => {
  await openAsManager(page, '/today')
  const { knives } = (await (await page.request.get(`${DEMO}/api/fleet`)).json()) as {
    knives: { code: string; holderId: string | null; verdict: { action: string } }[]
  }
  // any held knife that a rod is next for, and that no other test is about
  const code =
    knives.find(
      ({ code: one, holderId, verdict }) => verdict.action === 'hone' && holderId !== null && /^(SA|NA|FI)/.test(one),
    )?.code ?? ''
  await page.getByRole('button', { name: say('today.honedOf', { code }) }).click()
  const asked = page.getByRole('group', { name: say('today.cameBack') })
  await asked.getByRole('button', { name: say('today.back.not'), exact: true }).click()
  await expect(page.getByText(say('today.cameBackDone.not', { code }))).toBeVisible()
  await page.goto(`${DEMO}/knife/${code}`)
  await expect(page.getByText(say('reason.hone-failed'))).toBeVisible()
  await expect(page.getByText(say('event.came-back.not'))).toBeVisible()
})

test('one touch hones all of a person’s knives, one a station’s, and both can be taken back', async ({ page }) => {
  await openAsManager(page, '/today')
  const all = page.getByRole('button', { name: say('today.honedAllOf', { name: 'Teun Aalders' }) })
  await all.click()
  await expect(page.getByText(said('today.honedMany', { n: /\d/, codes: /.*BN-01.*/ }))).toBeVisible()
  await expect(all).toBeHidden()
  await page.getByRole('button', { name: say('shell.undo') }).click()
  await expect(all).toBeVisible()
  const larder = page.getByRole('button', { name: say('today.stationHoneOf', { name: own('Cold larder') }) })
  await larder.click()
  await expect(larder).toBeHidden()
  await page
    .getByRole('button', { name: say('shell.undo') })
    .last()
    .click()
  await expect(larder).toBeVisible()
  await expect(page.getByRole('region', { name: 'Wren Askew' })).toBeVisible()
})

test('a chef walks the kitchen: one touch a person, and the Learned page knows whose steel was out', async ({
  page,
}) => {
  await openAsManager(page, '/today')
  await page.getByRole('button', { name: say('today.walk') }).click()
  const milo = page.getByRole('group', { name: say('today.walkOf', { name: 'Milo Tarn' }) })
  await milo.getByRole('button', { name: say('today.inOrder') }).click()
  await expect(milo.getByRole('button', { name: say('today.inOrder') })).toHaveAttribute('aria-pressed', 'true')
  await page.getByRole('button', { name: say('today.walkDone') }).click()
  await expect(milo).toBeHidden()
})

test('a check without a tester is two touches', async ({ page }) => {
  await openAsManager(page, '/today')
  await page.getByRole('link', { name: say('next.of', { action: say('next.check'), code: 'SA-03' }) }).click()
  await page.getByRole('button', { name: capital(say('ladder.silent-paper')), exact: true }).click()
  await expect(page.getByText(said('check.insteadOf'))).toBeVisible()
})

test('keys find a knife, open its check and go back', async ({ page }) => {
  await openAsManager(page, '/today')
  await expect(page.getByRole('heading', { name: TODAY })).toBeVisible()
  await page.keyboard.press('/')
  await expect(page.getByRole('searchbox', { name: say('finder.title') })).toBeFocused()
  await page.keyboard.type('sl02')
  await expect(page.getByRole('dialog').getByText('SL-02')).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'SL-02' })).toBeVisible()
  await page.keyboard.press('c')
  await expect(page).toHaveURL(/check\/SL-02/)
  await page.keyboard.press('Escape')
  await expect(page.getByRole('heading', { name: 'SL-02' })).toBeVisible()
  // a knife whose page was seen stands first, however it was opened
  await page.keyboard.press('/')
  await expect(page.getByRole('option').first()).toContainText('SL-02')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog')).toContainText(say('keys.everywhere./'))
})
