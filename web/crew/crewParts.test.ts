// @vitest-environment happy-dom
import { flushPromises, mount, type VueWrapper } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Component } from 'vue'
import type { SignOff } from '../../contract/signOff'
import type { Crew } from '../../contract/week'
import { i18n } from '../spoken'
import { useFleet } from '../live/fleet'
import { useSession } from '../stores/session'
import { knownFleet } from '../testing/knownFleet'
import ShiftTable from './ShiftTable.vue'
import SkillTable from './SkillTable.vue'
import SpecialDays from './SpecialDays.vue'
import { controls } from '../ui/controls'

const ODA = '2d2f4a80-6a4e-4a38-8f0c-2f4b5a3d9e22'
const KIT = '3e2f4a80-6a4e-4a38-8f0c-2f4b5a3d9e33'
const SHIFT = '1c1f4a80-6a4e-4a38-8f0c-2f4b5a3d9e11'
const people = [
  { id: ODA, name: 'Oda Finch' },
  { id: KIT, name: 'Kit Larkin' },
]
const CREW: Crew = {
  shifts: [
    { id: SHIFT, personId: ODA, weekday: 2, starts: '06:00', ends: '12:00' },
    { id: SHIFT, personId: ODA, weekday: 2, starts: '18:00', ends: '02:00' },
  ],
  days: [
    { id: SHIFT, personId: KIT, day: '2026-11-26', starts: null, ends: null, note: 'away' },
    { id: SHIFT, personId: KIT, day: '2026-11-27', starts: '10:00', ends: '14:00', note: '' },
  ],
  skills: [{ personId: ODA, skill: 'full', level: 'alone', signedBy: KIT, signedAt: '2026-10-01T12:00:00Z' }],
  benches: [],
  special: [
    {
      day: '2026-11-28',
      name: 'Wedding',
      spans: [
        { kind: 'quiet', name: 'morning', starts: '08:00', ends: '10:00' },
        { kind: 'service', name: 'banquet', starts: '13:00', ends: '23:00' },
      ],
    },
    { day: '2026-12-25', name: 'Closed', spans: [] },
  ],
  paces: [{ personId: ODA, pace: 0.9, sessions: 10 }],
}
let sent: { method: string; path: string; body: unknown }[]
let answer: () => Response
beforeEach(() => {
  setActivePinia(createPinia())
  knownFleet({ now: '2026-11-24T14:42:00Z', planned: [], stations: [], knives: [], people })
  useSession().enter({
    person: { id: ODA, name: 'Oda Finch', role: 'chef' },
    house: { id: 'h', name: 'h', zone: 'UTC', units: 'mm', serviceLimits: {}, isDemo: false },
    rights: [],
    deviceName: null,
    now: '2026-11-24T14:42:00Z',
  } as never)
  sent = []
  answer = () => new Response(JSON.stringify(CREW), { status: 200 })
  vi.stubGlobal('fetch', (path: string, init: RequestInit = {}) => {
    sent.push({ method: init.method ?? 'GET', path, body: init.body ? JSON.parse(String(init.body)) : null })
    return Promise.resolve(path.endsWith('/fleet') ? new Response(JSON.stringify(useFleet().fleet)) : answer())
  })
})
afterEach(() => {
  vi.unstubAllGlobals()
})
const lastWrite = (): unknown => sent.filter(({ method }) => method !== 'GET').at(-1)
const shown = (component: Component, props: Record<string, unknown>): VueWrapper =>
  mount(component, { props, global: { plugins: [i18n, controls], stubs: { ChoiceField: true } } })

describe('shifts', () => {
  const table = (): VueWrapper => shown(ShiftTable, { crew: CREW, people, load: new Map([[ODA, 95]]), week: [] })

  it('are drawn over the day they lie in, one past midnight beyond it', () => {
    const bars = table()
      .findAll('li')[0]
      ?.findAll('.shift')
      .map((bar) => bar.attributes('style'))
    // a day on the wall runs from five to five
    const [morning, night] = (bars ?? []).map((style) =>
      /left: ([\d.]+)%; width: ([\d.]+)%/
        .exec(style ?? '')
        ?.slice(1)
        .map(Number),
    )
    expect(morning).toEqual([expect.closeTo(100 / 24, 2), 25])
    expect(night).toEqual([expect.closeTo(1300 / 24, 2), expect.closeTo(800 / 24, 2)])
    expect(table().text()).toContain('18–2')
  })

  it('stand beside single days, planned minutes and a pace learned or not', () => {
    const [oda, kit] = table()
      .findAll('li')
      .map((row) => row.text())
    expect(oda).toContain('95 min')
    expect(oda).toContain('0.90 × the table, 10 sessions')
    expect(kit).toContain('26 Nov: away; 27 Nov: 10:00–14:00')
  })

  it('are changed person by person', async () => {
    const crew = table()
    await crew.findAll('button')[1]?.trigger('click')
    expect(crew.emitted('edit')).toEqual([[KIT]])
  })
})

const NOTHING = {
  sessions: 0,
  supervised: 0,
  tested: 0,
  held: 0,
  lastMs: null,
  drills: 0,
  steadyDrills: 0,
  lessons: 0,
  missing: ['supervised', 'tested', 'held'],
} as const
const signOffOf = (personId: string, skill: SignOff['skill'], more: Partial<SignOff> = {}): SignOff => ({
  personId,
  skill,
  level: null,
  signedBy: null,
  signedAt: null,
  signedOn: null,
  now: { ...NOTHING, missing: [...NOTHING.missing] },
  proposal: null,
  ...more,
})
const SIGN_OFFS = [
  signOffOf(ODA, 'full', { level: 'alone', signedBy: KIT, signedAt: '2026-10-01T12:00:00Z' }),
  signOffOf(KIT, 'full', {
    level: 'supervised',
    signedBy: ODA,
    signedAt: '2026-10-01T12:00:00Z',
    now: { ...NOTHING, supervised: 3, tested: 3, held: 3, missing: [] },
    proposal: { to: 'alone', why: 'evidence' },
  }),
]

describe('who may do what', () => {
  beforeEach(() => {
    answer = () => new Response(JSON.stringify(SIGN_OFFS), { status: 200 })
  })
  const opened = async (): Promise<VueWrapper> => {
    const table = shown(SkillTable, { people })
    await flushPromises()
    return table
  }
  const mark = (table: VueWrapper, label: RegExp): ReturnType<VueWrapper['find']> | undefined =>
    table.findAll('button').find((one) => label.test(one.attributes('aria-label') ?? ''))

  it('says how far each has come', async () => {
    const table = await opened()
    expect(mark(table, /^Oda Finch, full/)?.attributes('aria-label')).toMatch(/: alone$/)
    expect(mark(table, /^Kit Larkin, full/)?.attributes('aria-label')).toMatch(/: beside$/)
    expect(mark(table, /^Kit Larkin, thinning/)?.attributes('aria-label')).toMatch(/: not yet$/)
  })

  it('asks the chef what the log proposes, and does it at a touch', async () => {
    const table = await opened()
    expect(table.text()).toContain('Kit Larkin has done full sharpening three times with somebody beside')
    await table
      .findAll('button')
      .find((one) => one.text() === 'Yes: alone')
      ?.trigger('click')
    await flushPromises()
    expect(lastWrite()).toMatchObject({
      method: 'PUT',
      path: `/api/people/${KIT}/levels/full`,
      body: { level: 'alone' },
    })
    expect(table.emitted('changed')).toHaveLength(1)
  })

  it('stays as it was when the server refuses, and says why', async () => {
    const table = await opened()
    answer = () =>
      new Response(JSON.stringify({ error: { code: 'signs-self', sentence: 'Nobody signs themself off.' } }), {
        status: 403,
      })
    await table
      .findAll('button')
      .find((one) => one.text() === 'Leave it so')
      ?.trigger('click')
    await flushPromises()
    expect(table.get('[role="alert"]').text()).toBe('Nobody signs themself off.')
    expect(table.emitted('changed')).toBeUndefined()
  })
})

describe('days unlike others', () => {
  it('are told with their spans, or as closed', () => {
    const text = shown(SpecialDays, { crew: CREW }).text()
    expect(text).toContain('Saturday 28 November Wedding: quiet window morning 08:00–10:00, banquet 13:00–23:00')
    expect(text).toMatch(/Closed: closed/)
  })

  it('are made from a usual one, span by span, and go back to being usual', async () => {
    const days = shown(SpecialDays, { crew: CREW })
    await days.findAll('button').at(-1)?.trigger('click')
    const form = days.get('form')
    await form.trigger('submit')
    await flushPromises()
    expect(form.findAll('.wrong').length, 'a day and a name are asked for').toBe(2)
    await form.findAll('input')[0]?.setValue('31/12/2026')
    await form.findAll('input')[1]?.setValue('New Year')
    await form.findAll('.line button.quiet')[0]?.trigger('click')
    await form.trigger('submit')
    await flushPromises()
    expect(lastWrite()).toMatchObject({
      method: 'PUT',
      path: expect.stringContaining('2026-12-31') as string,
      body: { day: '2026-12-31', name: 'New Year', spans: [{ kind: 'service' }] },
    })
    expect(days.find('form').exists()).toBe(false)
    await days.findAll('li button')[0]?.trigger('click')
    await flushPromises()
    expect(lastWrite()).toMatchObject({ method: 'DELETE', path: expect.stringContaining('2026-11-28') as string })
  })
})
