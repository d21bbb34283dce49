import { describe, expect, it } from 'vitest'
import type { Fleet } from '../../contract/fleet'
import type { KnifeView } from '../../contract/knives'
import { daySummary } from '../../words/day'
import { formats } from '../../words/format'
import { speaker } from '../../words/say'
import { benchMinutesLeft, dayList } from './dayList'

const zone = { forceGf: 200, lowGf: 180, highGf: 220, word: 'sound' as const }
let count = 0
function knife(action: string, holderId: string | null, more: Partial<KnifeView> = {}): KnifeView {
  const reasons = action === 'hone' ? [{ code: 'daily', values: {} }] : []
  return {
    id: `k${count++}`,
    code: `CH-${count}`,
    holderId,
    status: 'in-service',
    seen: true,
    word: 'sound',
    limitGf: 350,
    worstZone: 'tip',
    dullAhead: null,
    servicesAhead: [],
    zones: { heel: zone, belly: zone, tip: zone },
    verdict: {
      action,
      reasons,
      cost: { minutes: 20, strokesPerSide: 8, steelUm: 0 },
      startGrit: null,
      tool: null,
      dps: 17,
      runnerUp: null,
    },
    ...more,
  } as KnifeView
}
const person = (id: string, role: 'cook' | 'chef' = 'cook'): Fleet['people'][number] => ({
  id,
  name: id,
  role,
  active: true,
  hasPin: true,
  signInName: null,
  workingDps: null,
  honingHabit: null,
  honeTool: null,
})
const day = {
  startsAt: '2026-11-24T00:00:00Z',
  services: [
    { name: 'lunch', startsAt: '2026-11-24T12:00:00Z', endsAt: '2026-11-24T14:30:00Z' },
    { name: 'dinner', startsAt: '2026-11-24T17:30:00Z', endsAt: '2026-11-24T22:00:00Z' },
  ],
  quiet: [{ name: 'afternoon', startsAt: '2026-11-24T15:00:00Z', endsAt: '2026-11-24T17:00:00Z' }],
}
const fleet = (knives: KnifeView[]): Fleet => ({
  now: '2026-11-24T14:42:00Z',
  knives,
  planned: [],
  people: [person('ilse'), person('oda'), person('maren', 'chef')],
  stations: [],
  day,
})

describe('who does what today', () => {
  it('puts the most pressing knife first, and within a person worst first', () => {
    const list = dayList(
      fleet([knife('hone', 'ilse'), knife('check', 'oda'), knife('stone', 'oda'), knife('repair', 'maren')]),
      null,
    )
    expect(list.people.map((one) => one.person.id)).toEqual(['maren', 'oda', 'ilse'])
    expect(list.people[1]?.pressing.map((one) => one.verdict.action)).toEqual(['check', 'stone'])
    expect(list.people[2]?.toHone).toHaveLength(1)
  })

  it('shows a fit knife that will likely end the next service dull among the pressing ones', () => {
    const next = (chanceDull: number): KnifeView['servicesAhead'] => [
      { serviceName: 'dinner', startsAt: '2026-11-24T17:30:00Z', zone: 'tip', chanceDull },
    ]
    const list = dayList(
      fleet([knife('hone', 'ilse', { servicesAhead: next(0.7) }), knife('hone', 'ilse', { servicesAhead: next(0.2) })]),
      null,
    )
    expect(list.people[0]?.pressing).toHaveLength(1)
    expect(list.people[0]?.toHone).toHaveLength(1)
  })

  it('shows a cook their own knives first, a chef the worst', () => {
    const knives = [knife('hone', 'ilse'), knife('stone', 'oda'), knife('hone', 'maren')]
    expect(dayList(fleet(knives), 'ilse').people[0]?.person.id).toBe('ilse')
    expect(dayList(fleet(knives), 'maren').people[0]?.person.id).toBe('oda')
  })

  it('sets apart what nobody holds, what is out of service and who has nothing to do', () => {
    const list = dayList(
      fleet([knife('stone', null), knife('quarantine', 'oda', { status: 'quarantined' }), knife('none', 'ilse')]),
      null,
    )
    expect(list.unheld).toHaveLength(1)
    expect(list.outOfService).toHaveLength(1)
    expect(list.resting.map((one) => one.person.id)).toEqual(['ilse'])
    expect(list.people).toEqual([])
    expect(list.stones).toHaveLength(1)
  })

  it('counts the open bench that is left', () => {
    expect(benchMinutesLeft(day, new Date('2026-11-24T14:42:00Z').getTime())).toBe(120)
    expect(benchMinutesLeft(day, new Date('2026-11-24T16:40:00Z').getTime())).toBe(20)
    expect(benchMinutesLeft(day, new Date('2026-11-24T20:00:00Z').getTime())).toBe(0)
  })
})

describe('the day in a sentence', () => {
  const say = (knives: KnifeView[], now = '2026-11-24T14:42:00Z'): string => {
    const list = dayList(fleet(knives), null)
    const nowMs = new Date(now).getTime()
    return daySummary(
      fleet(knives),
      list.stones,
      benchMinutesLeft(day, nowMs),
      nowMs,
      speaker(),
      formats('en-GB', 'Europe/Dublin', 'mm'),
    )
  }

  it('says of knives nobody has looked at that nobody has, not that they are fit', () => {
    const unseen = knife('check', 'oda', { word: 'unseen', seen: false })
    expect(say([unseen, knife('hone', 'oda')])).toContain('1 knife has not been looked at yet.')
    expect(say([unseen])).not.toContain('fit for service')
  })

  it('says where the clock stands, what is dull and whether the bench has room', () => {
    expect(say([knife('stone', 'oda', { word: 'dull' })])).toBe(
      'Quiet until 17:30. 1 edge is dull. There is time for all of it at the bench: 32 min of 120 min.',
    )
    expect(say(Array.from({ length: 7 }, () => knife('stone', 'oda', { word: 'dull' })))).toContain(
      '152 min of work, 120 min free, 32 min missing',
    )
    expect(say([knife('hone', 'oda')], '2026-11-24T13:00:00Z')).toBe(
      'Service: lunch until 14:30. Every edge is fit for service.',
    )
  })
})
