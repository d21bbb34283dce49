import { describe, expect, it } from 'vitest'
import { occurrences, type WeeklySpan } from '../../house/serviceClock'
import type { Board } from '../../house/stations'
import type { BladeSpec } from '../../knife/bladeSpec'
import { HOUR_MS } from '../../time'
import { DEFAULT_PRIOR } from '../filter/belief'
import type { KnifeEvent } from '../model/events'
import { edgeForce, wornForce } from '../model/force'
import { foldHistory } from './history'
import { type UsageContext } from './usage'
import type { KnifeState } from './state'

/** Weeks in a kitchen, held against what the trade knows (common practice) and what the wear law implies. */
const START = Date.UTC(2026, 0, 5)
const DAY = 24 * HOUR_MS
const week: WeeklySpan[] = [1, 2, 3, 4, 5, 6, 7].flatMap((weekday) => [
  { id: `l${weekday}`, weekday, name: 'lunch', starts: '12:00', ends: '14:00' },
  { id: `d${weekday}`, weekday, name: 'dinner', starts: '18:00', ends: '22:00' },
])
const services = occurrences(week, 'UTC', START, START + 60 * DAY)
const soft: BladeSpec = {
  dps: 17,
  hrc: 57,
  carbides: { CrC: 2 },
  serrated: false,
  joined: { heelHeightMm: 48, spineMm: 2.4, bteMm: 0.35, measured: { height: false, bte: false, spine: false } },
}

/** A kitchen in which what is not written down did not happen. */
const WRITTEN_DOWN = { ...DEFAULT_PRIOR, habit: { mean: -12, sd: 1e-6 } }

function after(
  days: number,
  options: { spec?: BladeSpec; board?: Board; honesADay?: number; mismatchDps?: number } = {},
): KnifeState {
  const { spec = soft, board = 'soft-plastic', honesADay = 0, mismatchDps = 0 } = options
  const usage: UsageContext = {
    stations: new Map([['here', [{ fromMs: 0, board, product: 'mixed', hoursPerService: 2 }]]]),
    services,
  }
  const hones = Array.from({ length: days * honesADay }, (_, index): KnifeEvent => ({
    id: `h${String(index).padStart(5, '0')}`,
    kind: 'honed',
    personId: null,
    payload: { tool: 'smooth-steel', mismatchDps },
    atMs: START + Math.floor(index / honesADay) * DAY + (index % honesADay === 0 ? 11.5 : 17.5) * HOUR_MS,
  }))
  const added: KnifeEvent = {
    id: 'a',
    kind: 'added',
    atMs: START,
    personId: null,
    payload: { condition: 'new', stationId: 'here', holderId: null },
  }
  return foldHistory({
    spec,
    usage,
    events: [added, ...hones],
    untilMs: START + days * DAY,
    limitGf: 350,
    prior: WRITTEN_DOWN,
  })
}
const belly = (state: KnifeState, dps = 17): number => edgeForce(state.zones.belly, dps)

describe('weeks in a kitchen', () => {
  it('a knife honed before every service stays keener than one honed once a day, and that than one never honed', () => {
    const [twice, once, never] = [after(7, { honesADay: 2 }), after(7, { honesADay: 1 }), after(7)].map((state) =>
      belly(state),
    )
    expect(twice).toBeLessThan(once ?? 0)
    expect(once).toBeLessThan(never ?? 0)
  })

  it('honing does not put the stone off for ever: what is worn stays worn', () => {
    expect(wornForce(after(21, { honesADay: 2 }).zones.belly, 17)).toBeCloseTo(wornForce(after(21).zones.belly, 17), 3)
    expect(belly(after(45, { honesADay: 2 }))).toBeGreaterThan(350)
  })

  it('a kept-up knife in soft stainless wants a stone after a week or two, not after a day or a season', () => {
    const days =
      Array.from({ length: 45 }, (_, index) => index + 1).find(
        (count) => belly(after(count, { honesADay: 2 })) > 350,
      ) ?? 99
    expect(days).toBeGreaterThanOrEqual(5)
    expect(days).toBeLessThanOrEqual(21)
  })

  it('suspects the board first: hard plastic dulls sooner than end grain', () => {
    expect(belly(after(7, { board: 'hard-plastic', honesADay: 2 }))).toBeGreaterThan(
      1.15 * belly(after(7, { board: 'end-grain', honesADay: 2 })),
    )
  })

  it('the same steel at a lower angle stays under the same blunt width longer', () => {
    const blunt = (dps: number): number => after(10, { spec: { ...soft, dps } }).zones.belly.wornAreaUm2
    expect(blunt(15)).toBeCloseTo(blunt(20), 0)
    expect(wornForce(after(10, { spec: { ...soft, dps: 15 } }).zones.belly, 15)).toBeLessThan(
      wornForce(after(10, { spec: { ...soft, dps: 20 } }).zones.belly, 20),
    )
  })

  it('harder steel with more carbide lasts longer', () => {
    const hard: BladeSpec = { ...soft, hrc: 61, carbides: { CrC: 12 } }
    expect(wornForce(after(10, { spec: hard }).zones.belly, 17)).toBeLessThan(wornForce(after(10).zones.belly, 17))
  })

  it('honing at the wrong angle is worse than honing at the right one: too low does nothing, too high fattens the edge', () => {
    const right = belly(after(7, { honesADay: 2 }))
    expect(belly(after(7, { honesADay: 2, mismatchDps: -6 }))).toBeCloseTo(belly(after(7)), 2)
    expect(belly(after(7, { honesADay: 2, mismatchDps: 6 }))).toBeGreaterThan(right)
  })

  it('the tip goes first and the heel last', () => {
    const state = after(10, { honesADay: 2 })
    const [heel, middle, tip] = (['heel', 'belly', 'tip'] as const).map((zone) => edgeForce(state.zones[zone], 17))
    expect(tip).toBeGreaterThan(middle ?? 0)
    expect(middle).toBeGreaterThan(heel ?? 0)
  })
})
