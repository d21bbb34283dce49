import { BY_CONDITION } from '../../../core/policy/policy'
import { USUAL_SITTING } from '../../../core/plan/problem'
import { writtenSittings } from '../../../core/plan/sittings'
import IcalParser from 'ical.js'
import { v4 as newId } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Fleet } from '../../../contract/fleet'
import type { PlanView } from '../../../contract/week'
import type { Placement } from '../../../core/plan/problem'
import { searchPlan } from '../../../core/plan/search'
import { isSecond, knifeOfJob, secondJobId } from '../../../core/plan/secondSessions'
import { seededRandom } from '../../../core/statistics/random'
import {
  addTestKnife,
  check,
  event,
  NOW,
  onTablet,
  startApp,
  type TestApp,
  type TestHouse,
} from '../../testing/harness'

let test: TestApp
let house: TestHouse
const knives: Record<string, string> = {}
beforeAll(async () => {
  test = await startApp()
  house = await test.house()
  await house.manager.send('PUT', '/api/benches', { id: newId(), name: 'Window bench', active: true })
  for (const grit of [320, 1000, 3000])
    await house.manager.post('/api/gear', {
      id: newId(),
      name: `Stone ${grit}`,
      kind: grit < 2000 ? 'soaking-stone' : 'splash-stone',
      scale: 'JIS',
      grit,
    })
  const pass = newId()
  await house.manager.post('/api/stations', {
    id: pass,
    name: 'Pass',
    board: 'rubber',
    product: 'fish',
    hoursPerService: 0.2,
    active: true,
  })
  for (const code of ['WEEK-1', 'WEEK-2', 'WEEK-3'])
    knives[code] = (await addTestKnife(house, { code, condition: 'new', holderId: house.people.cook.id })).id
  // hardly used at all
  knives['WEEK-4'] = (
    await addTestKnife(house, { code: 'WEEK-4', condition: 'new', stationId: pass, holderId: house.people.cook.id })
  ).id
  // two that are plainly dull, two that are fresh
  for (const code of ['WEEK-1', 'WEEK-2'])
    await house.manager.post('/api/events', { events: [check(knives[code] ?? '', 520, 540, 610)] })
  await put(`/api/people/${house.people.sharpener.id}/shifts`, {
    shifts: [1, 2, 3, 4, 5].map((weekday) => ({ weekday, starts: '10:00', ends: '18:00' })),
  })
  await put(`/api/people/${house.people.cook.id}/shifts`, {
    shifts: [1, 2, 3, 4, 5, 6, 7].map((weekday) => ({ weekday, starts: '11:00', ends: '23:00' })),
  })
  await put(`/api/people/${house.people.sharpener.id}/skills`, { skills: ['hone', 'maintenance', 'full'] })
}, 60_000)
afterAll(() => test.close())

const put = async (path: string, body: unknown): Promise<Awaited<ReturnType<TestHouse['manager']['send']>>> =>
  house.manager.send('PUT', path, body)
const view = async (): Promise<PlanView> => (await house.manager.get('/api/plan')).body as PlanView
const planned = ({ problem }: PlanView): Placement[] =>
  searchPlan({ problem, random: seededRandom(2), spent: (step) => step / 3000 })
const draft = (seen: PlanView, placements: readonly Placement[], more: object = {}): object => ({
  basedOn: seen.accepted?.version ?? 0,
  weights: seen.problem.weights,
  locks: [],
  placements,
  improvementId: null,
  ...more,
})

/** An improvement, once it has come to its end. */
async function improved(
  id: string,
): Promise<{ status: string; bound: number; cost: number; placements: readonly unknown[] }> {
  for (;;) {
    const { body } = await house.manager.get(`/api/plan/improvements/${id}`)
    if (body.status !== 'waiting' && body.status !== 'running') return body
    await new Promise((settle) => setTimeout(settle, 100))
  }
}

describe('the days ahead', () => {
  it('open the quiet windows of the week, with who is there and what each may do', async () => {
    const { problem, services } = await view()
    expect(problem.windows).toHaveLength(7)
    // it is a moment past three in the afternoon: the window is open, and planned from the next quarter on
    expect(new Date(problem.windows[0]?.startMs ?? 0).toISOString()).toBe('2026-03-10T15:15:00.000Z')
    expect(services[0]).toMatchObject({ name: 'dinner', startsAt: '2026-03-10T17:30:00.000Z' })
    const sharpener = problem.people.find(({ id }) => id === house.people.sharpener.id)
    // Tuesday to Friday, and Monday: nobody sharpens at the weekend
    expect(Object.keys(sharpener?.present ?? {})).toHaveLength(5)
    expect(sharpener?.skills).toEqual(['full', 'hone', 'maintenance'])
  })

  it('know which knives want the bench, and what waiting costs them', async () => {
    const { problem } = await view()
    const dull = problem.jobs.find(({ knifeId }) => knifeId === knives['WEEK-1'])
    const fresh = problem.jobs.find(({ knifeId }) => knifeId === knives['WEEK-4'])
    expect(dull).toMatchObject({ wanted: true, kind: 'stone', skill: 'full' })
    expect(dull?.dullHours[0]).toBeLessThan(dull?.dullHours[3] ?? 0)
    expect(dull?.dullHoursLeft).toBeGreaterThan(dull?.dullHours[3] ?? Infinity)
    expect(fresh?.wanted).toBe(false)
    expect(dull?.routes[0]?.stages.length).toBeGreaterThan(1)
  })

  it('keep summer time: the window of the Sunday the clocks go forward is an hour earlier in universal time', async () => {
    const late = await startApp({ databaseUrl: test.databaseUrl, clock: () => new Date('2026-03-27T10:00:00Z') })
    const client = late.client()
    await client.post('/api/session', { signInName: house.signInName, password: 'whetstone and water' })
    const { problem } = (await client.get('/api/plan')).body as PlanView
    const starts = problem.windows.map(({ startMs }) => new Date(startMs).toISOString())
    expect(starts[1]).toBe('2026-03-28T15:00:00.000Z')
    expect(starts[2]).toBe('2026-03-29T14:00:00.000Z')
    await late.close()
  }, 30_000)

  it('spread honing over the shifts to whoever holds the knife', async () => {
    const { rounds, unheld } = await view()
    const dinner = rounds.filter(({ startsAt, kind }) => startsAt === '2026-03-10T17:30:00.000Z' && kind === 'hone')
    expect(dinner.map(({ personId }) => personId)).toEqual([
      house.people.cook.id,
      house.people.cook.id,
      house.people.cook.id,
      house.people.cook.id,
    ])
    expect(unheld).toEqual([])
  })
})

describe('a plan', () => {
  it('is accepted, kept with its minutes, and refused when somebody was faster', async () => {
    const seen = await view()
    const placements = planned(seen)
    expect(placements.map(({ jobId }) => jobId)).toEqual(expect.arrayContaining([knives['WEEK-1'], knives['WEEK-2']]))
    const first = await put('/api/plan', draft(seen, placements))
    expect(first.status).toBe(200)
    expect(first.body).toMatchObject({ version: 1, acceptedBy: house.people.chef.id })
    expect(
      first.body.sessions.every(({ startsAt, endsAt }: { startsAt: string; endsAt: string }) => startsAt < endsAt),
    ).toBe(true)
    const second = await put('/api/plan', draft(seen, placements))
    expect(second.status).toBe(409)
    expect(second.body.error.sentence).toMatch(/Somebody else has accepted another plan/)
    expect((await view()).moved).toEqual({ gone: [], fresh: [] })
  })

  it('is refused when a person, a skill or a minute in it is not there', async () => {
    const seen = await view()
    const [one] = planned(seen)
    if (!one) throw new Error('nothing planned')
    for (const wrong of [{ personId: house.people.apprentice.id }, { windowId: 'nowhere@0' }, { benchId: newId() }]) {
      const { status, body } = await put('/api/plan', draft(seen, [{ ...one, ...wrong }]))
      expect(status).toBe(409)
      expect(body.error.sentence).toMatch(/WEEK-\d cannot be done as planned any more/)
    }
    expect((await put('/api/plan', draft(seen, [one, one]))).status).toBe(409)
    expect((await view()).accepted?.version).toBe(1)
  })

  it('says that it went stale when somebody falls ill, and what moved', async () => {
    const seen = await view()
    const session = seen.accepted?.sessions[0]
    const day = session?.startsAt.slice(0, 10)
    await put(`/api/people/${house.people.sharpener.id}/shift-days`, {
      days: [],
      entries: [{ day, starts: null, ends: null, note: 'ill' }],
    })
    const { moved, problem } = await view()
    expect(moved.gone.some((one) => one.startsWith(`there ${house.people.sharpener.id}`))).toBe(true)
    expect(
      problem.people.find(({ id }) => id === house.people.sharpener.id)?.present[session?.windowId ?? ''],
    ).toBeUndefined()
    await put(`/api/people/${house.people.sharpener.id}/shift-days`, { days: [day], entries: [] })
    expect((await view()).moved.gone).toEqual([])
  })

  it('is improved in a worker thread, with a proven bound below its cost', async () => {
    const seen = await view()
    const asked = await house.manager.post('/api/plan/improvements', {
      weights: seen.problem.weights,
      locks: [],
      placements: planned(seen),
      seconds: 3,
    })
    expect(asked.status).toBe(200)
    const { status, bound, cost, placements } = await improved(asked.body.id)
    expect(status).toBe('done')
    expect(bound).toBeLessThanOrEqual(cost + 1e-6)
    expect(bound).toBeGreaterThan(0)
    expect(placements.length).toBeGreaterThan(0)
  }, 60_000)

  it('is kept with the bound the server proved of it, and with no other', async () => {
    const seen = await view()
    const ask = { weights: seen.problem.weights, locks: [], placements: planned(seen), seconds: 2 }
    const { body: asked } = await house.manager.post('/api/plan/improvements', ask)
    const { bound } = await improved(asked.id)
    const accept = async (more: object): Promise<number | null> => {
      const now = await view()
      const { status, body } = await put('/api/plan', draft(now, planned(now), more))
      expect(status).toBe(200)
      return body.bound
    }
    // what a screen claims is nobody's proof
    expect(await accept({ bound: 1 })).toBeNull()
    const otherWeights = { ...seen.problem.weights, dull: 3 }
    expect(await accept({ improvementId: asked.id, weights: otherWeights })).toBeNull()
    expect(await accept({ improvementId: asked.id, weights: seen.problem.weights })).toBeCloseTo(bound, 6)
  }, 60_000)

  it('is improved for each question by itself: other weights are another job, the same question is one', async () => {
    const seen = await view()
    const ask = { weights: seen.problem.weights, locks: [], placements: [], seconds: 1 }
    const other = { ...ask, weights: { ...ask.weights, labour: 2 } }
    const ids = await Promise.all(
      [ask, other, ask].map(async (one) => (await house.manager.post('/api/plan/improvements', one)).body.id as string),
    )
    expect(ids[2]).toBe(ids[0])
    expect(ids[1]).not.toBe(ids[0])
    for (const id of new Set(ids)) expect((await improved(id)).status).toBe('done')
  }, 60_000)

  it('sends a knife whose edge does not last to the bench twice, never the second time first', async () => {
    const seen = await view()
    const placements = planned(seen)
    const second = placements.find(({ jobId }) => isSecond(jobId))
    const first = placements.find(({ jobId }) => jobId === knifeOfJob(second?.jobId ?? ''))
    if (!first || !second) throw new Error('no knife comes twice')
    const order = seen.problem.windows.map(({ id }) => id)
    expect(order.indexOf(first.windowId)).toBeLessThan(order.indexOf(second.windowId))
    const turned = placements.map((one) =>
      one === first
        ? { ...first, windowId: second.windowId }
        : one === second
          ? { ...second, windowId: first.windowId }
          : one,
    )
    expect((await put('/api/plan', draft(seen, turned))).status).toBe(409)
    const { status, body } = await put('/api/plan', draft(seen, placements, { locks: [first, second] }))
    expect(status).toBe(200)
    expect(body.sessions.filter(({ knifeId }: { knifeId: string }) => knifeId === first.jobId)).toHaveLength(2)
    expect((await view()).problem.locks).toEqual([first, second])
  })

  it('still stands when its work is done: what was done is off it, what comes again is on it, on every screen', async () => {
    const before = await view()
    const { accepted } = before
    const knifeId = before.problem.locks[0]?.jobId ?? ''
    const twice = accepted?.sessions.find(({ jobId }) => jobId === secondJobId(knifeId))
    const own = (sessions: readonly { knifeId: string; startsAt: string }[]): string[] =>
      sessions.filter((one) => one.knifeId === knifeId).map(({ startsAt }) => startsAt)
    expect(own(accepted?.sessions ?? [])).toHaveLength(2)
    const at = new Date(Date.parse(accepted?.acceptedAt ?? '') + 1000)
    expect(
      (
        await house.manager.post('/api/events', {
          events: [event(knifeId, 'sharpened', { finishMicron: 4, startGrit: 320 }, at)],
        })
      ).status,
    ).toBe(200)
    const after = await view()
    expect(after.moved).toEqual({ gone: [], fresh: [] })
    expect(own(after.accepted?.sessions ?? [])).toEqual([twice?.startsAt])
    // its second session is the first that is left, and the lock on it has stayed
    expect(
      after.problem.locks.filter(({ jobId }) => knifeOfJob(jobId) === knifeId).map(({ windowId }) => windowId),
    ).toEqual([twice?.windowId])
    const fleet = (await house.manager.get('/api/fleet')).body as { planned: { knifeId: string; startsAt: string }[] }
    expect(own(fleet.planned)).toEqual([twice?.startsAt])
    const others = (sessions: readonly { knifeId: string }[]): number =>
      sessions.filter((one) => one.knifeId !== knifeId).length
    expect(others(after.accepted?.sessions ?? [])).toBe(others(accepted?.sessions ?? []))
  })

  it('is the manager’s to accept', async () => {
    const cook = await onTablet(test, house, 'cook')
    const seen = (await cook.get('/api/plan')).body as PlanView
    expect((await cook.send('PUT', '/api/plan', draft(seen, []))).status).toBe(403)
    expect(
      (
        await cook.post('/api/plan/improvements', {
          weights: seen.problem.weights,
          locks: [],
          placements: [],
          seconds: 2,
        })
      ).status,
    ).toBe(403)
  })
})

/** Lines of a calendar as they were before they were folded at 75 octets. */
const unfolded = (text: string): string => text.replaceAll('\r\n ', '')

describe('a calendar', () => {
  it('is read by another parser, with each sitting at its minute; its address can be ended', async () => {
    const { accepted } = await view()
    const own = accepted?.sessions.filter(({ personId }) => personId === house.people.sharpener.id) ?? []
    const { body: link } = await house.manager.post(`/api/people/${house.people.sharpener.id}/calendar-link`)
    const stranger = test.client()
    const { status, body, headers } = await stranger.get(link.path)
    expect(status).toBe(200)
    expect(headers.get('content-type')).toContain('text/calendar')
    // ical.js, Mozilla's parser, knows nothing of the library that wrote the file
    const events = new IcalParser.Component(IcalParser.parse(body))
      .getAllSubcomponents('vevent')
      .map((event) => new IcalParser.Event(event))
    const isCancelled = (event: IcalParser.Event): boolean =>
      event.component.getFirstPropertyValue('status') === 'CANCELLED'
    const sittings = events.filter((event) => event.uid.startsWith('sitting-') && !isCancelled(event))
    const written = writtenSittings(own, USUAL_SITTING)
    expect(written.length).toBeGreaterThan(0)
    // one that is half done stands there as it was planned, until all of it is
    const planned = written.map(({ windowId, benchId, personId, startMs, endMs }) => {
      const event = sittings.find(({ uid }) => uid.startsWith(`sitting-${windowId}-${benchId}-${personId}@`))
      return [
        (event?.startDate.toJSDate().getTime() ?? Infinity) <= Math.round(startMs / 60_000) * 60_000,
        (event?.endDate.toJSDate().getTime() ?? 0) >= Math.round(endMs / 60_000) * 60_000,
      ]
    })
    expect(planned).toEqual(written.map(() => [true, true]))
    expect(sittings).toHaveLength(written.length)
    // what was planned before and is done, or left out of the plan that holds, is called off where it was taken in
    const called = events.filter(isCancelled)
    expect(called.every(({ endDate }) => endDate.toJSDate() > NOW)).toBe(true)
    for (const { summary } of sittings) expect(summary).toMatch(/^Sharpen (\d: )?WEEK-\d(, WEEK-\d)*$/)
    // what is to be checked before it is ground says so, and nothing else does
    const { knives } = (await house.manager.get('/api/fleet')).body as Fleet
    const first = own.flatMap(({ knifeId }) => knives.filter(({ id }) => id === knifeId))
    for (const { code, verdict } of first)
      expect(
        sittings.some(({ description }) => description.includes('Check first') && description.includes(code)),
        `${code} ${verdict.action}`,
      ).toBe(verdict.action === 'check')
    const codes = sittings.flatMap(({ summary }) => summary.match(/WEEK-\d/g) ?? [])
    expect(codes.length).toBeGreaterThanOrEqual(own.length)
    await house.manager.send('DELETE', `/api/people/${house.people.sharpener.id}/calendar-link`)
    expect((await stranger.get(link.path)).status).toBe(404)
    expect((await stranger.get('/api/calendar/nonsense.ics')).status).toBe(404)
  })

  it('tells whoever holds the knives what to hone, and is nobody else’s business', async () => {
    const cook = await onTablet(test, house, 'cook')
    const { body } = await cook.get(`/api/people/${house.people.cook.id}/calendar.ics`)
    expect(body).toContain('Before dinner: hone 4')
    expect(unfolded(body)).not.toContain('each time they are drawn')
    await house.manager.send('PATCH', '/api/house', {
      policies: [{ ...BY_CONDITION, scope: 'house', of: '', honing: 'when-drawn' }],
    })
    const { body: drawn } = await cook.get(`/api/people/${house.people.cook.id}/calendar.ics`)
    expect(unfolded(drawn)).toMatch(/Hone each time they are drawn: WEEK-\d/)
    await house.manager.send('PATCH', '/api/house', { policies: [] })
    expect((await cook.get(`/api/people/${house.people.sharpener.id}/calendar.ics`)).status).toBe(403)
  })
})

describe('another house', () => {
  it('plans for itself: no windows without shifts is said, not hidden', async () => {
    const empty = await test.house('Empty house')
    await addTestKnife(empty, { code: 'ALONE' })
    const seen = (await empty.manager.get('/api/plan')).body as PlanView
    expect(seen.accepted).toBeNull()
    expect(seen.problem.people.every(({ present }) => Object.keys(present).length === 0)).toBe(true)
    expect(seen.unheld.length).toBeGreaterThan(0)
  })
})

describe('thinning on a plan', () => {
  it('stays on it when the knife was only sharpened, and leaves it when it was thinned', async () => {
    const other = await test.house('Thick edges')
    const { manager, people } = other
    await manager.send('PUT', '/api/benches', { id: newId(), name: 'Bench', active: true })
    for (const grit of [220, 400, 1000, 3000])
      await manager.post('/api/gear', { id: newId(), name: `Stone ${grit}`, kind: 'splash-stone', scale: 'JIS', grit })
    await manager.send('PUT', `/api/people/${people.sharpener.id}/shifts`, {
      shifts: [1, 2, 3, 4, 5, 6, 7].map((weekday) => ({ weekday, starts: '10:00', ends: '18:00' })),
    })
    await manager.send('PUT', `/api/people/${people.sharpener.id}/skills`, { skills: ['full', 'thinning'] })
    const knife = await addTestKnife(other, {
      code: 'FAT-1',
      type: 'petty',
      lengthMm: 130,
      condition: 'in-use',
      bteMm: 0.52,
    })
    await manager.post('/api/events', { events: [check(knife.id, 180, 185, 190)] })
    const look = async (): Promise<PlanView> => (await manager.get('/api/plan')).body as PlanView
    const seen = await look()
    expect(seen.problem.jobs[0]).toMatchObject({ knifeId: knife.id, kind: 'thin', wanted: true })
    const [window, bench] = [seen.problem.windows[1]?.id ?? '', seen.problem.benches[0]?.id ?? '']
    expect(
      (
        await manager.send(
          'PUT',
          '/api/plan',
          draft(seen, [{ jobId: knife.id, windowId: window, benchId: bench, personId: people.sharpener.id }]),
        )
      ).status,
    ).toBe(200)
    const { accepted } = await look()
    const kinds = async (): Promise<string[]> =>
      ((await look()).accepted?.sessions ?? []).filter(({ kind }) => kind === 'thin').map(({ kind }) => kind)
    expect(await kinds()).toEqual(['thin'])
    const sharpened = (payload: object, afterMs: number): object =>
      event(
        knife.id,
        'sharpened',
        { finishMicron: 4, ...payload },
        new Date(Date.parse(accepted?.acceptedAt ?? '') + afterMs),
      )
    await manager.post('/api/events', { events: [sharpened({}, 1000)] })
    expect(await kinds()).toEqual(['thin'])
    await manager.post('/api/events', { events: [sharpened({ bteMm: 0.3, recessionMm: 0 }, 2000)] })
    expect(await kinds()).toEqual([])
    expect((await look()).moved.gone).toEqual([])
  }, 30_000)
})
