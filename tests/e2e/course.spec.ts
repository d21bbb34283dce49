import { expect, test, type Page } from '@playwright/test'
import { v7 as newId } from 'uuid'
import { DEMO_SIGN_IN } from '../../demo/house'
import { complaints, DEMO, openAsManager } from './kitchen'
import { begins, capital, said, say, keyNamed } from './words'

const NOVICE = 'Finn Harrow'
const TEACHER = 'Oda Finch'

interface People {
  readonly people: readonly { readonly id: string; readonly name: string }[]
  readonly knives: readonly { readonly id: string; readonly code: string }[]
}
const levelOf = (skill: string, level: string): string => say('crew.levelOf', { name: NOVICE, skill, level })
const catches = (zone: string): string => say('practice.burr.catches', { zone })
const smooth = (zone: string): string => say('practice.burr.smooth', { zone })
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
  await expect(page.getByText(say('course.right'))).toBeVisible()
}

/** The chef says how far the novice has come, with what it stands on before their eyes. */
async function signOff(page: Page, skill: string, level: string): Promise<void> {
  await asChef(page)
  await page.goto(`${DEMO}/crew`)
  await page.getByRole('button', { name: begins('crew.levelOf', { name: NOVICE, skill }) }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('button', { name: level, exact: true }).click()
  await dialog.getByRole('button', { name: say('shell.save') }).click()
  await expect(page.getByRole('button', { name: levelOf(skill, level), exact: true })).toBeVisible()
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
  await expect(page.getByText(say('practice.next.lesson', { lesson: say('course.lesson.safety.title') }))).toBeVisible()
  await page.getByRole('link', { name: say('course.next'), exact: true }).click()
  await expect(page.getByRole('heading', { name: say('course.lesson.safety.title'), level: 1 })).toBeVisible()
  await page.getByRole('button', { name: say('course.lesson.safety.answers.2') }).click()
  await expect(page.getByText(said('course.wrongAnswer'))).toBeVisible()
  await answerIs(page, say('course.lesson.safety.answers.1'))
  await page.getByRole('link', { name: say('course.after') }).click()
  await answerIs(page, say('course.lesson.rod.answers.0'))
  await page.getByRole('link', { name: say('course.after') }).click()
  // the blade of the drawing lies at the angle that is written beside it
  await expect(page.getByRole('img', { name: say('course.figure.end', { angle: '17°' }) })).toBeVisible()
  await answerIs(page, say('course.lesson.first-stone.answers.2'))

  // drills with simulators: the angle, and the burr
  await page.getByRole('link', { name: say('course.practise') }).click()
  await page.getByRole('button', { name: say('practice.simulator') }).click()
  await page.getByRole('button', { name: say('practice.simulated.steady') }).click()
  await page.getByRole('button', { name: say('practice.start') }).click()
  await expect(page.getByRole('heading', { name: say('practice.advice.steady') })).toBeVisible({ timeout: 60_000 })
  await expect(
    page.getByText(
      say('practice.next.weak-side', { drill: say('practice.drill.hold'), hand: say('practice.hand.left') }),
    ),
  ).toBeVisible()
  await page.getByRole('button', { name: say('practice.drill.burr') }).click()
  await page.getByRole('button', { name: say('practice.burr.madeUp') }).click()
  for (let edge = 1; edge <= 4; edge++) {
    await expect(page.getByRole('heading', { name: say('practice.burr.edge', { n: edge, all: 4 }) })).toBeVisible()
    const felt = page.getByRole('group', { name: say('practice.burr.felt') })
    for (const zone of ['heel', 'belly', 'tip'].map((name) => say(`zone.${name}`))) {
      await page.getByRole('button', { name: say('practice.burr.stroke', { zone }) }).click()
      const told = page.getByText(new RegExp([catches(zone), smooth(zone)].join('|')))
      if ((await told.innerText()).includes(catches(zone))) await felt.getByRole('button', { name: zone }).click()
    }
    await page.getByRole('button', { name: say('practice.burr.look') }).click()
    await expect(page.getByRole('group', { name: say('practice.burr.seen') })).toBeVisible()
    await page.getByRole('button', { name: say('practice.burr.done') }).click()
  }
  await expect(page.getByText(said('practice.of', { n: /\d+/, all: '12' }))).toBeVisible()

  // alone at the bench: refused; beside a teacher: both names are kept
  const refused = await page.request.post(`${DEMO}/api/bench-sessions`, {
    data: { id: newId(), knifeId: knives.find(({ code }) => code === 'NA-01')?.id, recipeId: 'touch-up' },
  })
  expect(refused.status()).toBe(403)
  await signOff(page, say('skill.maintenance'), say('crew.level.supervised'))
  await becomes(page, idOf(NOVICE))
  for (const code of ['NA-01', 'SA-01', 'CH-12'])
    await besideTeacher(page, knives.find((one) => one.code === code)?.id ?? '', idOf(TEACHER))

  // what it stands on is before the chef, who says so; what is missing is said as well
  await asChef(page)
  await page.goto(`${DEMO}/crew`)
  await page.getByRole('button', { name: levelOf(say('skill.maintenance'), say('crew.level.supervised')) }).click()
  const dialog = page.getByRole('dialog')
  await expect(
    dialog
      .locator('dt', { hasText: capital(say('crew.evidence.supervised')) })
      .locator('xpath=following-sibling::dd[1]'),
  ).toHaveText('3')
  await expect(
    dialog.locator('dt', { hasText: say('crew.evidence.tested') }).locator('xpath=following-sibling::dd[1]'),
  ).toHaveText('3')
  await expect(dialog.getByText(say('crew.stillMissing'))).toBeVisible()
  await page.keyboard.press('Escape')
  await signOff(page, say('skill.maintenance'), say('crew.level.alone'))

  // nobody else may do maintenance this week: it is planned for the one who may, and thinning is not
  const { skills } = (await (await page.request.get(`${DEMO}/api/crew`)).json()) as {
    skills: { personId: string; skill: string }[]
  }
  const had = new Map<string, string[]>()
  for (const { personId, skill } of skills) had.set(personId, [...(had.get(personId) ?? []), skill])
  const leave = async (keep: (skill: string) => boolean): Promise<void> => {
    for (const [personId, theirs] of had) {
      if (personId === idOf(NOVICE)) continue
      const answer = await page.request.put(`${DEMO}/api/people/${personId}/skills`, {
        data: { skills: theirs.filter(keep) },
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
    await expect(page.getByText(said('week.reason.no-skill', { skill: say('skill.thinning') })).first()).toBeVisible()
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
  await page.getByRole('button', { name: keyNamed('bench.start') }).click()
  await expect(
    page
      .getByRole('list', { name: say('bench.title') })
      .getByRole('listitem')
      .first(),
  ).toBeVisible()
  await page.getByRole('link', { name: say('course.show') }).click()
  await expect(page.getByRole('heading', { name: say('course.lesson.read.title'), level: 1 })).toBeVisible()
  await page.getByRole('link', { name: say('course.back') }).click()
  await page.getByRole('button', { name: say('bench.resume') }).click()
  await page.getByRole('link', { name: say('incident.open') }).click()
  await page.getByRole('button', { name: capital(say('incident.what.near-miss')) }).click()
  await page.getByRole('button', { name: say('incident.place.bench') }).click()
  await expect(page.getByText(say('incident.saved'))).toBeVisible()
  const line = page.getByRole('listitem').filter({
    hasText: say('incident.at', { what: say('incident.what.near-miss'), place: say('incident.place.bench') }),
  })
  await expect(line).toContainText(say('incident.atStep', { step: say('incident.step.look') }))
  await expect(line).not.toContainText('Maren')
  await page.goto(`${DEMO}/bench/CH-09`)
  await page.getByRole('button', { name: say('bench.resume') }).click()
  await page.getByRole('button', { name: say('bench.abandon') }).click()
  // the knife is free again for whoever comes next
  await expect(page.getByRole('heading', { name: 'CH-09' })).toBeVisible()
})
