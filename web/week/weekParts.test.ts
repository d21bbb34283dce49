// @vitest-environment happy-dom
import { mount, type VueWrapper } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { defineComponent, h, ref, type Component } from 'vue'
import type { TotalsChange } from '../../core/plan/costOfChoice'
import type { PlanView } from '../../contract/week'
import { indexPlan, layOutPlan } from '../../core/plan/layout'
import { planTotals } from '../../core/plan/objective'
import {
  EVEN_WEIGHTS,
  type JobRoute,
  type NextSession,
  type Placement,
  type PlanJob,
  type PlanProblem,
} from '../../core/plan/problem'
import { withSeconds } from '../../core/plan/secondSessions'
import { HOUR_MS } from '../../core/time'
import { i18n } from '../spoken'
import { useSession } from '../stores/session'
import { knownFleet } from '../testing/knownFleet'
import DragSpace from '../ui/DragSpace.vue'
import ComparisonPanel from './ComparisonPanel.vue'
import JobPanel from './JobPanel.vue'
import PlanSheets from './PlanSheets.vue'
import PlanWeightsPanel from './PlanWeightsPanel.vue'
import RiskBand from './RiskBand.vue'
import WindowLanes from './WindowLanes.vue'
import { controls } from '../ui/controls'

// a page without a size lays nothing out
vi.mock('@vueuse/core', async (original) => ({
  ...(await original<object>()),
  useElementSize: () => ({ width: ref(600), height: ref(30) }),
}))

const DAY = 24 * HOUR_MS
/** A Tuesday. */
const START = Date.UTC(2026, 10, 24)
const window_ = (day: number): PlanProblem['windows'][number] => ({
  id: `w${day}`,
  name: 'afternoon',
  startMs: START + day * DAY + 15 * HOUR_MS,
  endMs: START + day * DAY + 17 * HOUR_MS,
  soakFromMs: START + day * DAY + 14 * HOUR_MS,
  overlapsService: false,
})
const route: JobRoute = {
  benchId: 'back',
  openingMinutes: 4,
  stages: [{ stoneId: 'coarse', minutes: 10 }],
  closingMinutes: 6,
}
const NEXT: NextSession = {
  skill: 'full',
  routes: [route],
  services: [0, 1, 2].map((day) => ({ name: 'dinner', startMs: START + day * DAY + 18 * HOUR_MS, hours: 2 })),
  freshChances: [0, 1],
  steelUm: 50,
}
const job = (id: string, next: NextSession | null = null): PlanJob => ({
  id,
  knifeId: id,
  kind: 'stone',
  skill: 'full',
  routes: [route],
  dullHours: [4, 4, 6],
  dullHoursLeft: 8,
  chanceAt: [1, 1, 1],
  wastedUm: [0, 0, 0],
  dueShare: 1,
  wanted: true,
  dullBy: { name: 'dinner', startMs: START + 18 * HOUR_MS },
  daysSinceStone: 20,
  lastHands: 'oda',
  onlyHands: null,
  group: id,
  mayBeAway: 9,
  next,
  follows: null,
})
const there = Object.fromEntries(
  [0, 1, 2].map((day) => [`w${day}`, { fromMs: window_(day).startMs, toMs: window_(day).endMs }]),
)
const PROBLEM: PlanProblem = {
  windows: [0, 1, 2].map(window_),
  benches: [
    { id: 'back', name: 'Back bench' },
    { id: 'front', name: 'Window bench' },
  ],
  stones: [{ id: 'coarse', name: 'Coarse 320', micron: 40, soakMinutes: 30, flattenMinutes: 4, knivesBetween: 9 }],
  people: [
    { id: 'oda', skills: ['full'], pace: 1, present: there },
    { id: 'kit', skills: ['hone'], pace: 1, present: there },
  ],
  jobs: [job('k', NEXT), job('x')],
  weights: EVEN_WEIGHTS,
  sitting: { beforeMinutes: 0, afterMinutes: 0 },
  locks: [],
}
const at = (jobId: string, day: number): Placement => ({ jobId, windowId: `w${day}`, benchId: 'back', personId: 'oda' })
const PLAN = [at('k', 0), at('k#2', 1), at('x', 0)]
const problem = withSeconds(PROBLEM, PLAN)
const layouts = layOutPlan(indexPlan(problem), PLAN)

const zone = { forceGf: 420, lowGf: 400, highGf: 440, word: 'dull', bluntUm: 12, roll: 0.1 }
const knife = (id: string, code: string): object => ({
  id,
  code,
  type: 'chef',
  lengthMm: 240,
  heelHeightMm: 48,
  serrated: false,
  holderId: 'oda',
  stationId: 's',
  status: 'in-service',
  word: 'dull',
  limitGf: 350,
  worstZone: 'tip',
  dullAhead: null,
  servicesAhead: [],
  zones: { heel: zone, belly: zone, tip: zone },
  verdict: {
    action: 'stone',
    reasons: [{ code: 'worn', values: { zone: 'tip', forceGf: 420, limitGf: 350 } }],
    cost: { minutes: 20, strokesPerSide: 40, steelUm: 60 },
    startGrit: 320,
    startStone: null,
    tool: null,
    dps: 17,
    runnerUp: null,
  },
})
beforeEach(() => {
  setActivePinia(createPinia())
  knownFleet({
    now: new Date(START).toISOString(),
    planned: [],
    stations: [],
    knives: [knife('k', 'CH-07'), knife('x', 'PE-02')],
    people: [
      { id: 'oda', name: 'Oda Finch' },
      { id: 'kit', name: 'Kit Larkin' },
    ],
  })
  useSession().enter({
    person: { id: 'oda', name: 'Oda Finch', role: 'chef' },
    house: { id: 'h', name: 'h', zone: 'UTC', units: 'mm', serviceLimits: {}, isDemo: false },
    rights: [],
    deviceName: null,
    now: new Date(START).toISOString(),
  } as never)
})
const shown = (component: Component, props: Record<string, unknown>): VueWrapper =>
  mount(component, {
    props,
    global: { plugins: [i18n, controls], stubs: { RouterLink: { template: '<a><slot /></a>' }, ChoiceField: true } },
  })

describe('a window with its benches', () => {
  const lanes = (day: number, more: Record<string, unknown> = {}): VueWrapper =>
    shown(
      defineComponent(
        () => () =>
          h(DragSpace, { howTo: '', told: () => '' }, () =>
            h(WindowLanes, {
              window: PROBLEM.windows[day] ?? window_(day),
              problem,
              layout: layouts.get(`w${day}`),
              chosen: null,
              locked: () => false,
              takes: () => true,
              mayPlan: true,
              ...more,
            }),
          ),
      ),
      {},
    )

  it('shows who does which knife when, who is there to do it, and what goes under water before', () => {
    const window = lanes(0)
    expect(window.findAll('.session').map((one) => one.attributes('aria-label'))).toEqual(
      expect.arrayContaining([
        expect.stringMatching(/^CH-07, Oda Finch, 15:\d\d–15:\d\d$/),
        expect.stringMatching(/^PE-02, Oda Finch, /),
      ]),
    )
    expect(window.text()).toContain('soak Coarse 320 from 14:30')
    // those who only hone are not asked to the bench
    expect(window.findAll('.hands .unseen').map((one) => one.text())).toEqual(['Oda Finch'])
    expect(window.findAll('.flat')).toHaveLength(1)
  })

  it('names the knife of a second session by its code', () => {
    expect(lanes(1).find('.session').attributes('aria-label')).toMatch(/^CH-07, /)
  })

  it('lays a session out to its length in the window', () => {
    const [first] = lanes(0).findAll('.session')
    // 4 of flattening and 20 of work in two hours, on a lane of 600 px, with its gap
    expect(first?.attributes('style')).toContain('width: 118px')
  })

  it('passes on what is chosen', async () => {
    const window = lanes(0)
    await window.find('.session').trigger('click')
    expect(window.findComponent(WindowLanes).emitted('choose')).toHaveLength(1)
  })

  it('says what is locked', () => {
    const window = lanes(0, { locked: (jobId: string) => jobId === 'k' })
    expect(window.find('[data-job="k"]').attributes('aria-label')).toMatch(/, locked$/)
    expect(window.find('[data-job="x"]').attributes('aria-label')).not.toMatch(/locked/)
  })

  it('stays a thin line to drop on where nothing is planned', () => {
    const window = lanes(2)
    expect(window.findAll('.session')).toHaveLength(0)
    expect(window.findAll('.lane.bare')).toHaveLength(2)
  })
})

describe('a chosen session', () => {
  const panel = (jobId: string, placements = PLAN, more: Record<string, unknown> = {}): VueWrapper => {
    const own = withSeconds(PROBLEM, placements)
    return shown(JobPanel, {
      jobId,
      problem: own,
      placements,
      layouts: layOutPlan(indexPlan(own), placements),
      handMade: null,
      locked: false,
      mayPlan: true,
      ...more,
    })
  }

  it('says when, on what, and why there', () => {
    const text = panel('k').text()
    expect(text).toMatch(/CH-07/)
    expect(text).toMatch(/15:\d\d–15:\d\d, 2\d min/)
    expect(text).toContain('Coarse 320')
    expect(text).toContain('In the same hands as last time.')
    expect(text).toMatch(/Leaving it would mean [\d.]+ h more of service/)
  })

  it('says of a second one that the edge will not last', () => {
    expect(panel('k#2').text()).toContain('Its edge will not last from Tuesday afternoon to the end of the plan.')
  })

  it('says what a change by hand costs, saves or breaks', () => {
    const told = (change: TotalsChange): string =>
      panel('k', PLAN, { handMade: { jobId: 'k', change, breaks: null } }).text()
    expect(told({ dullHours: 1.5, minutes: -9, wastedUm: 20.4 })).toContain(
      'That means 1.5 h more of service with dull edges, 9 min less at the bench and 20 µm more steel taken early.',
    )
    expect(told({ dullHours: 0.01, minutes: 0.2, wastedUm: 0 })).toContain('That costs nothing.')
    expect(
      panel('k', PLAN, {
        handMade: { jobId: 'k', change: null, breaks: { code: 'too-soon', values: { windowId: 'w0' } } },
      }).text(),
    ).toContain('Not there: It comes after its session on Tuesday afternoon, not before.')
    expect(panel('k', PLAN, { handMade: { jobId: 'x', change: null, breaks: null } }).text()).not.toContain(
      'That costs',
    )
  })

  it('can be placed from the shelf, locked and taken off', async () => {
    const off = panel('x', [at('k', 0)])
    await off.get('button.button').trigger('click')
    expect(off.emitted('offer')).toHaveLength(1)
    const on = panel('k')
    for (const button of on.findAll('.ways button')) await button.trigger('click')
    expect([on.emitted('lock'), on.emitted('unplace')]).toEqual([[[]], [[]]])
    expect(panel('k', PLAN, { mayPlan: false }).findAll('.ways')).toHaveLength(0)
  })
})

describe('the whole plan', () => {
  const view = {
    services: [0, 1, 2].map((day) => ({
      name: 'dinner',
      startsAt: new Date(START + day * DAY + 18 * HOUR_MS).toISOString(),
      endsAt: '',
    })),
    chances: [{ jobId: 'k', left: [1, 1, 1], fresh: [0, 1] }],
    rounds: [
      {
        kind: 'check',
        knifeId: 'x',
        personId: 'oda',
        service: 'dinner',
        startsAt: new Date(START + 18 * HOUR_MS).toISOString(),
      },
    ],
  } as unknown as PlanView

  it('shows the knives dull in each service, with it and without', () => {
    const services = shown(RiskBand, { view, problem, placements: PLAN }).findAll('li')
    expect(services.map((one) => one.attributes('aria-label'))).toEqual([
      'dinner, Tuesday: 1 knife dull if nothing is done, 0 with this plan',
      'dinner, Wednesday: 1 knife dull if nothing is done, 0 with this plan',
      'dinner, Thursday: 1 knife dull if nothing is done, 1 with this plan',
    ])
  })

  it('stands beside custom in numbers, for as many weeks as are asked', async () => {
    const panel = shown(ComparisonPanel, { problem, placements: PLAN })
    expect(panel.text()).toMatch(
      /This plan leaves [\d.]+ h of dull service for 60 min at the bench; everything every 2 weeks leaves/,
    )
    await panel.get('input').setValue(5)
    expect(panel.text()).toContain('everything every 5 weeks leaves')
    // nobody has waited five weeks: nothing is done, and everything stays dull
    expect(panel.get('tr.everyWeeks').text()).toMatch(/16\s*0\s*0$/)
  })

  it('says what each slider is about, and passes on a new weight', async () => {
    const panel = shown(PlanWeightsPanel, { weights: EVEN_WEIGHTS, totals: planTotals(problem, PLAN) })
    expect(panel.text()).toContain('60 min')
    vi.useFakeTimers()
    await panel.get('[role=slider]').trigger('keydown', { code: 'End' })
    expect(panel.emitted('weigh'), 'the search waits until the slider rests').toBeUndefined()
    vi.runAllTimers()
    vi.useRealTimers()
    expect(panel.emitted('weigh')?.at(-1)).toEqual([{ ...EVEN_WEIGHTS, dull: 3 }])
  })

  it('goes on paper by bench and day, and by person with what to check', () => {
    const benches = shown(PlanSheets, { sheets: 'benches', view, problem, layouts })
    expect(benches.findAll('section')).toHaveLength(2)
    expect(benches.text()).toMatch(/Back bench.*24 November/)
    expect(benches.text()).toContain('soak Coarse 320 from 14:30; flatten Coarse 320')
    const people = shown(PlanSheets, { sheets: 'people', view, problem, layouts })
    expect(people.findAll('section')).toHaveLength(1)
    expect(people.findAll('tr')).toHaveLength(3)
    expect(people.text()).toContain('PE-02')
    expect(people.text()).toMatch(/Tuesday, .*dinner/)
  })
})
