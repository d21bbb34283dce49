// @vitest-environment happy-dom
import { flushPromises, mount, type VueWrapper } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import type { Fleet } from '../../contract/fleet'
import type { KnifeView } from '../../contract/knives'
import { i18n } from '../spoken'
import { knownFleet } from '../testing/knownFleet'
import StoneList from './StoneList.vue'
import TodayScreen from './TodayScreen.vue'
import { controls } from '../ui/controls'

const zone = { forceGf: 420, lowGf: 400, highGf: 440, word: 'dull' as const, bluntUm: 12, roll: 0.1 }
const knife = (at: number): KnifeView =>
  ({
    id: `k${at}`,
    code: `CH-${String(at).padStart(2, '0')}`,
    type: 'chef',
    lengthMm: 240,
    heelHeightMm: 48,
    serrated: false,
    holderId: `p${at % 9}`,
    stationId: 's',
    status: 'in-service',
    seen: true,
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
  }) as unknown as KnifeView
const fleet = (people: number, knives: number): Fleet =>
  ({
    now: '2026-11-24T14:42:00Z',
    planned: [],
    knives: Array.from({ length: knives }, (_, at) => knife(at)),
    people: Array.from({ length: people }, (_, at) => ({
      id: `p${at}`,
      name: `Person ${at}`,
      role: 'cook',
      active: true,
      hasPin: true,
      signInName: null,
      workingDps: null,
    })),
    stations: [
      { id: 's', name: 'Grill', board: 'soft-plastic', product: 'mixed', hoursPerService: 1, weight: 1, active: true },
    ],
    day: {
      startsAt: '2026-11-24T00:00:00Z',
      services: [{ name: 'dinner', startsAt: '2026-11-24T17:30:00Z', endsAt: '2026-11-24T22:00:00Z' }],
      quiet: [{ name: 'afternoon', startsAt: '2026-11-24T15:00:00Z', endsAt: '2026-11-24T17:00:00Z' }],
    },
  }) as unknown as Fleet

/** Frames that pass when the test says so. */
let frames: FrameRequestCallback[] = []
const frame = async (): Promise<void> => {
  const due = frames
  frames = []
  for (const run of due) run(0)
  await nextTick()
  await flushPromises()
}
beforeEach(() => {
  setActivePinia(createPinia())
  frames = []
  vi.stubGlobal('requestAnimationFrame', (run: FrameRequestCallback) => frames.push(run))
})
afterEach(() => {
  vi.unstubAllGlobals()
})
const shown = async (given: Fleet): Promise<VueWrapper> => {
  knownFleet(given)
  const screen = mount(TodayScreen, {
    global: { plugins: [i18n, controls], stubs: { RouterLink: true, ServiceClock: true, SoakAhead: true } },
  })
  await nextTick()
  return screen
}

describe('Today', () => {
  it('paints a screenful of people, then the rest a few a frame, until all are there', async () => {
    const screen = await shown(fleet(9, 18))
    expect(screen.findAll('section.person')).toHaveLength(3)
    const counts = []
    for (let turn = 0; turn < 8; turn++) {
      await frame()
      counts.push(screen.findAll('section.person').length)
    }
    // one frame for painting between two helpings
    expect(counts).toEqual([3, 6, 6, 9, 9, 9, 9, 9])
    expect(frames).toHaveLength(0)
  })

  it('needs no second helping where there are few', async () => {
    const screen = await shown(fleet(2, 2))
    expect(screen.findAll('section.person')).toHaveLength(2)
    await frame()
    expect(screen.findAll('section.person')).toHaveLength(2)
  })

  it('draws only the first knives for the stones at first, but counts the minutes of all', async () => {
    const screen = await shown(fleet(9, 18))
    const stones = screen.getComponent(StoneList)
    expect(stones.findAll('li')).toHaveLength(8)
    expect(stones.text()).toContain('372 min of work')
    for (let turn = 0; turn < 6; turn++) await frame()
    expect(stones.findAll('li')).toHaveLength(18)
    expect(stones.text()).toContain('372 min of work')
  })

  it('says that there is nothing to do, and how to fill an empty rack', async () => {
    const screen = await shown(fleet(2, 0))
    expect(screen.find('.empty').exists()).toBe(true)
    expect(screen.findAll('section.person')).toHaveLength(0)
  })
})
