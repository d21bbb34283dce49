import { expect, test, type Page } from '@playwright/test'
import { v7 as newId } from 'uuid'
import { DEMO_SIGN_IN } from '../../demo/house'
import { complaints, DEMO, openAsManager } from './kitchen'

const NOVICE = 'Finn Harrow'
const TEACHER = 'Oda Finch'

interface People {
  readonly people: readonly { readonly id: string; readonly name: string }[]
  readonly knives: readonly { readonly id: string; readonly code: string }[]
}
const kitchenOf = async (page: Page): Promise<People> =>
  (await (await page.request.get(`${DEMO}/api/fleet`)).json()) as People

/** Whoever stands at the wall tablet now. */
async function becomes(page: Page, personId: string): Promise<void> {
  const answer = await page.request.post(`${DEMO}/api/session/pin`, { data: { personId, pin: DEMO_SIGN_IN.pin } })
  expect(answer.ok()).toBe(true)
}
const asChef = async (page: Page): Promise<void> => {
  const { signInName, password } = DEMO_SIGN_IN
  expect((await page.request.post(`${DEMO}/api/session`, { data: { signInName, password } })).ok()).toBe(true)
}
const answerIs = async (page: Page, answer: string): Promise<void> => {
  await page.getByRole('button', { name: answer, exact: true }).click()
  await expect(page.getByText('That is right. This lesson is done.')).toBeVisible()
}

/** The chef says how far the novice has come, with what it stands on before their eyes. */
async function signOff(page: Page, skill: string, level: string): Promise<void> {
  await asChef(page)
  await page.goto(`${DEMO}/crew`)
  await page.getByRole('button', { name: new RegExp(`^${NOVICE}, ${skill}:`) }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('button', { name: level, exact: true }).click()
  await dialog.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('button', { name: `${NOVICE}, ${skill}: ${level}`, exact: true })).toBeVisible()
}

/** A session of maintenance with the teacher beside, tested off the stone. */
async function besideTeacher(page: Page, knifeId: string, besideId: string): Promise<void> {
  const id = newId()
  const begun = await page.request.post(`${DEMO}/api/bench-sessions`, {
    data: { id, knifeId, recipeId: 'touch-up', besideId },
  })
  expect(await begun.json()).toMatchObject({ besideId })
  const at = '2026-11-24T14:42:00.000Z'
  const tested = ['heel', 'belly', 'tip'].map((zone) => ({
    id: newId(),
    at,
    kind: 'force',
    when: 'after',
    zone,
    forceGf: 170,
  }))
  const ended = await page.request.post(`${DEMO}/api/bench-sessions/${id}/actions`, {
    data: { actions: [...tested, { id: newId(), at, kind: 'finish' }] },
  })
  expect(ended.ok()).toBe(true)
}

test('somebody who never sharpened goes from lesson one to “alone” for maintenance, is planned for it, and for no thinning', async ({
  page,
}) => {
  test.setTimeout(150_000)
  const problems = complaints(page)
  await openAsManager(page, '/today')
  const { people, knives } = await kitchenOf(page)
  const idOf = (name: string): string => people.find((one) => one.name === name)?.id ?? ''
  await page.request.post(`${DEMO}/api/devices`, { data: { name: 'Wall', kind: 'tablet' } })
  await becomes(page, idOf(NOVICE))

  // lesson one, with a wrong answer first
  await page.goto(`${DEMO}/course`)
  await expect(page.getByText('Next lesson: Whole fingers.')).toBeVisible()
  await page.getByRole('link', { name: 'Next', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Whole fingers', level: 1 })).toBeVisible()
  await page.getByRole('button', { name: 'In the dishwasher' }).click()
  await expect(page.getByText('Not that.')).toBeVisible()
  await answerIs(page, 'Beside the sink, where everybody sees it')
  await page.getByRole('link', { name: 'Next lesson' }).click()
  await answerIs(page, 'To the stone')
  await page.getByRole('link', { name: 'Next lesson' }).click()
  // the blade of the drawing lies at the angle that is written beside it
  await expect(page.getByRole('img', { name: 'From the end of the blade: it lies at 17°' })).toBeVisible()
  await answerIs(page, 'The same angle at each stroke')

  // drills with simulators: the angle, and the burr
  await page.getByRole('link', { name: 'Practise it' }).click()
  await page.getByRole('button', { name: 'No instrument? A made-up hand' }).click()
  await page.getByRole('button', { name: 'a steady hand' }).click()
  await page.getByRole('button', { name: 'Begin' }).click()
  await expect(page.getByRole('heading', { name: 'A steady hand' })).toBeVisible({ timeout: 60_000 })
  await expect(page.getByText('Next: Hold the angle, left hand. That is the weak side.')).toBeVisible()
  await page.getByRole('button', { name: 'Burr hunt' }).click()
  await page.getByRole('button', { name: 'A made-up edge' }).click()
  for (let edge = 1; edge <= 4; edge++) {
    await expect(page.getByRole('heading', { name: `Edge ${edge} of 4` })).toBeVisible()
    const felt = page.getByRole('group', { name: 'A burr, by the thumb' })
    for (const zone of ['Heel', 'Belly', 'Tip']) {
      await page.getByRole('button', { name: `Stroke the ${zone.toLowerCase()}` }).click()
      const told = await page.getByText(new RegExp(`At the ${zone.toLowerCase()} it`)).innerText()
      if (told.includes('catches')) await felt.getByRole('button', { name: zone }).click()
    }
    await page.getByRole('button', { name: 'Now look' }).click()
    await expect(page.getByRole('group', { name: 'A burr, under the loupe' })).toBeVisible()
    await page.getByRole('button', { name: 'Next edge' }).click()
  }
  await expect(page.getByText(/^\d+ of 12$/)).toBeVisible()

  // alone at the bench: refused; beside a teacher: both names are kept
  const refused = await page.request.post(`${DEMO}/api/bench-sessions`, {
    data: { id: newId(), knifeId: knives.find(({ code }) => code === 'NA-01')?.id, recipeId: 'touch-up' },
  })
  expect(refused.status()).toBe(403)
  await signOff(page, 'maintenance', 'beside')
  await becomes(page, idOf(NOVICE))
  for (const code of ['NA-01', 'SA-01', 'CH-12'])
    await besideTeacher(page, knives.find((one) => one.code === code)?.id ?? '', idOf(TEACHER))

  // what it stands on is before the chef, who says so; what is missing is said as well
  await asChef(page)
  await page.goto(`${DEMO}/crew`)
  await page.getByRole('button', { name: `${NOVICE}, maintenance: beside` }).click()
  const dialog = page.getByRole('dialog')
  await expect(
    dialog.locator('dt', { hasText: 'With somebody beside' }).locator('xpath=following-sibling::dd[1]'),
  ).toHaveText('3')
  await expect(
    dialog.locator('dt', { hasText: 'sharp off the stone' }).locator('xpath=following-sibling::dd[1]'),
  ).toHaveText('3')
  await expect(dialog.getByText(/Before “alone”/)).toBeVisible()
  await page.keyboard.press('Escape')
  await signOff(page, 'maintenance', 'alone')

  // nobody else may do maintenance this week: it is planned for the one who may, and thinning is not
  const { skills } = (await (await page.request.get(`${DEMO}/api/crew`)).json()) as {
    skills: { personId: string; skill: string }[]
  }
  const had = new Map<string, string[]>()
  for (const { personId, skill } of skills) had.set(personId, [...(had.get(personId) ?? []), skill])
  const leave = async (keep: (skill: string) => boolean): Promise<void> => {
    for (const [personId, own] of had) {
      if (personId === idOf(NOVICE)) continue
      const answer = await page.request.put(`${DEMO}/api/people/${personId}/skills`, {
        data: { skills: own.filter(keep) },
      })
      expect(answer.ok()).toBe(true)
    }
  }
  await leave((skill) => skill !== 'maintenance' && skill !== 'thinning')
  try {
    await page.goto(`${DEMO}/week`)
    await expect(page.locator('.session').first()).toBeVisible({ timeout: 20_000 })
    await expect(page.locator(`.session[aria-label*="${NOVICE}"]`).first()).toBeVisible({ timeout: 20_000 })
    const { problem } = (await (await page.request.get(`${DEMO}/api/plan`)).json()) as {
      problem: {
        jobs: { knifeId: string; skill: string; wanted: boolean }[]
        people: { id: string; skills: string[] }[]
      }
    }
    expect(problem.people.find(({ id }) => id === idOf(NOVICE))?.skills).toEqual(['hone', 'maintenance'])
    const codeOf = (knifeId: string): string => knives.find(({ id }) => id === knifeId)?.code ?? ''
    for (const { knifeId, skill, wanted } of problem.jobs) {
      const planned = page.locator(`.session[aria-label*="${codeOf(knifeId)}"]`)
      if (skill === 'maintenance' && wanted)
        for (const one of await planned.all()) await expect(one).toHaveAttribute('aria-label', new RegExp(NOVICE))
      if (skill === 'thinning') await expect(planned).toHaveCount(0)
    }
    await expect(page.getByText(/Nobody is signed off for thinning/).first()).toBeVisible()
  } finally {
    await leave(() => true)
    await page.request.put(`${DEMO}/api/people/${idOf(NOVICE)}/levels/maintenance`, { data: { level: null } })
  }
  expect(problems).toEqual([])
})

test('a step at the bench leads to its lesson and back; an accident is two touches, and names nobody', async ({
  page,
}) => {
  await openAsManager(page, '/bench/CH-09')
  await page.getByRole('button', { name: /Begin/ }).click()
  await expect(page.getByRole('list', { name: 'bench' }).getByRole('listitem').first()).toBeVisible()
  await page.getByRole('link', { name: 'How it is done' }).click()
  await expect(page.getByRole('heading', { name: 'Reading an edge', level: 1 })).toBeVisible()
  await page.getByRole('link', { name: 'Back to the bench' }).click()
  await page.getByRole('button', { name: /Go on with it/ }).click()
  await page.getByRole('link', { name: 'Accident or near miss' }).click()
  await page.getByRole('button', { name: 'It nearly went wrong' }).click()
  await page.getByRole('button', { name: 'At the bench' }).click()
  await expect(page.getByText('Written down. Thank you.')).toBeVisible()
  const line = page.getByRole('listitem').filter({ hasText: 'It nearly went wrong at the bench' })
  await expect(line).toContainText('step: looking')
  await expect(line).not.toContainText('Maren')
  await page.goto(`${DEMO}/bench/CH-09`)
  await page.getByRole('button', { name: /Go on with it/ }).click()
  await page.getByRole('button', { name: 'Stop here' }).click()
})
