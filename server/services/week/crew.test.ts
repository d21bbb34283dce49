import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { PlanView } from '../../../contract/week'
import { startApp, type TestApp, type TestHouse } from '../../testing/harness'

let test: TestApp
let house: TestHouse
beforeAll(async () => {
  test = await startApp()
  house = await test.house()
})
afterAll(() => test.close())

const put = async (path: string, body: unknown): Promise<Awaited<ReturnType<TestHouse['manager']['send']>>> =>
  house.manager.send('PUT', path, body)
const view = async (): Promise<PlanView> => (await house.manager.get('/api/plan')).body as PlanView

describe('shifts', () => {
  it('that overlap are refused with both of them named', async () => {
    const { status, body } = await put(`/api/people/${house.people.cook.id}/shifts`, {
      shifts: [
        { weekday: 2, starts: '10:00', ends: '16:00' },
        { weekday: 2, starts: '15:30', ends: '22:00' },
      ],
    })
    expect(status).toBe(409)
    expect(body.error.sentence).toBe('The cook cannot work 10:00–16:00 and 15:30–22:00 at once.')
  })

  it('come in from a calendar file, days and all, after a dry run', async () => {
    const calendar = [
      'BEGIN:VCALENDAR',
      'VERSION:2.0',
      'PRODID:-//rota//EN',
      'BEGIN:VEVENT',
      'UID:1',
      'DTSTAMP:20260301T000000Z',
      'DTSTART:20260312T090000Z',
      'DTEND:20260312T170000Z',
      'SUMMARY:Early',
      'RRULE:FREQ=DAILY;COUNT=3',
      'END:VEVENT',
      'END:VCALENDAR',
      '',
    ].join('\r\n')
    const path = `/api/people/${house.people.apprentice.id}/shift-days/calendar`
    const dry = await house.manager.post(path, { calendar, apply: false })
    expect(dry.body).toEqual({
      applied: false,
      leftOut: [],
      entries: ['2026-03-12', '2026-03-13', '2026-03-14'].map((day) => ({
        day,
        starts: '09:00',
        ends: '17:00',
        note: 'Early',
      })),
    })
    expect((await house.manager.get('/api/crew')).body.days).toEqual([])
    expect((await house.manager.post(path, { calendar, apply: true })).body.applied).toBe(true)
    expect((await house.manager.get('/api/crew')).body.days).toHaveLength(3)
    const wrong = await house.manager.post(path, { calendar: 'BEGIN:NOTHING', apply: true })
    expect(wrong.status).toBe(422)
    await put(`/api/people/${house.people.apprentice.id}/shift-days`, {
      days: ['2026-03-12', '2026-03-13', '2026-03-14'],
      entries: [],
    })
  })

  it('that repeat by the minute are refused with their name, and cost nobody any time', async () => {
    const path = `/api/people/${house.people.apprentice.id}/shift-days/calendar`
    const calendarOf = (rule: string, starts = '20200101T090000Z'): string =>
      [
        'BEGIN:VCALENDAR',
        'VERSION:2.0',
        'PRODID:-//rota//EN',
        'BEGIN:VEVENT',
        'UID:1',
        'DTSTAMP:20260301T000000Z',
        `DTSTART:${starts}`,
        'DURATION:PT5M',
        'SUMMARY:Every minute',
        `RRULE:${rule}`,
        'END:VEVENT',
        'END:VCALENDAR',
        '',
      ].join('\r\n')
    for (const rule of ['FREQ=MINUTELY', 'FREQ=HOURLY;INTERVAL=2', 'FREQ=DAILY;BYHOUR=9,10,11,12']) {
      const { status, body } = await house.manager.post(path, { calendar: calendarOf(rule), apply: true })
      expect([rule, status]).toEqual([rule, 422])
      expect(body.error.sentence).toContain('Every minute')
    }
    const old = await house.manager.post(path, { calendar: calendarOf('FREQ=DAILY', '00010101T090000Z'), apply: true })
    expect(old.status).toBe(422)
    const never = 'FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30'
    const stuck = await house.manager.post(path, { calendar: calendarOf(never, '20250101T090000Z'), apply: true })
    expect(stuck.status).toBe(422)
  })

  it('come in from a file as long as the address promises to take', async () => {
    const path = `/api/people/${house.people.apprentice.id}/shift-days/calendar`
    const longest = `BEGIN:NOTHING${'é'.repeat(399_000)}`
    const { status, body } = await house.manager.post(path, { calendar: longest, apply: false })
    expect([status, body.error.code]).toEqual([422, 'invalid'])
    expect((await house.manager.post(path, { calendar: 'x'.repeat(3_000_000), apply: false })).status).toBe(413)
  })

  it('skills are signed off with name and date, and taken away again', async () => {
    const path = `/api/people/${house.people.apprentice.id}/skills`
    const { body } = await put(path, { skills: ['hone'] })
    expect(
      body.skills.find(({ personId }: { personId: string }) => personId === house.people.apprentice.id),
    ).toMatchObject({ skill: 'hone', signedBy: house.people.chef.id })
    expect(
      (await put(path, { skills: [] })).body.skills.some(
        ({ personId }: { personId: string }) => personId === house.people.apprentice.id,
      ),
    ).toBe(false)
  })
})

describe('a day unlike its weekday', () => {
  it('takes the place of the week’s: a closed day has no window and no service', async () => {
    const before = await view()
    const closed = await put('/api/special-days/2026-03-14', { day: '2026-03-14', name: 'Closed', spans: [] })
    expect(closed.status).toBe(200)
    const { problem, services } = await view()
    expect(problem.windows).toHaveLength(before.problem.windows.length - 1)
    expect(services.some(({ startsAt }) => startsAt.startsWith('2026-03-14'))).toBe(false)
    await house.manager.send('DELETE', '/api/special-days/2026-03-14')
    expect((await view()).problem.windows).toHaveLength(before.problem.windows.length)
  })

  it('cannot plan away a service that has begun', async () => {
    const { status, body } = await put('/api/special-days/2026-03-10', { day: '2026-03-10', name: 'Closed', spans: [] })
    expect(status).toBe(409)
    expect(body.error.sentence).toMatch(/already begun/)
  })
})
