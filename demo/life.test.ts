import { describe, expect, it } from 'vitest'
import { occurrences, type WeeklySpan } from '../core/house/serviceClock'
import { chance } from '../core/statistics/random'
import { DAY_MS } from '../core/time'
import { liveThrough, type Life } from './life'

const now = Date.UTC(2026, 10, 24, 14, 42)
const week: WeeklySpan[] = [1, 2, 3, 4, 5, 6, 7].map((weekday) => ({
  id: String(weekday),
  weekday,
  name: 'dinner',
  starts: '18:00',
  ends: '22:00',
}))
const life = (seed: number, more: Partial<Life> = {}): Life => ({
  spec: {
    dps: 17,
    hrc: 57,
    carbides: { CrC: 2 },
    serrated: false,
    joined: { heelHeightMm: 48, spineMm: 2.4, bteMm: 0.35, measured: { height: false, bte: false, spine: false } },
  },
  geometry: {
    lengthMm: 240,
    heelHeightMm: 48,
    spineMm: 2.4,
    bteMm: 0.35,
    bteWhenNewMm: 0.35,
    dps: 17,
    hrc: 57,
    minimumHeightMm: 34.5,
  },
  limitGf: 350,
  board: 'soft-plastic',
  product: 'mixed',
  hoursPerService: 3,
  trueWear: 1,
  services: occurrences(week, 'UTC', now - 70 * DAY_MS, now + DAY_MS),
  nowMs: now,
  holderId: 'ilse',
  hands: [{ personId: 'oda', leavesGf: { heel: 0, belly: 0, tip: 0 } }],
  habits: {
    logsHoning: 1,
    honesWith: null,
    honesBefore: 0.8,
    daysBetweenChecks: 4,
    laddersInstead: 0,
    sharpensOver: 1,
    untendedFromMs: now,
  },
  chance: chance(seed),
  ...more,
})

describe('a made-up life', () => {
  it('is the same from the same seed and another from another', () => {
    expect(liveThrough(life(7))).toEqual(liveThrough(life(7)))
    expect(liveThrough(life(7))).not.toEqual(liveThrough(life(8)))
  })

  it('never runs ahead of now', () => {
    expect(liveThrough(life(7)).every((event) => event.atMs <= now)).toBe(true)
  })

  it('comes to the stone more often on a harder board', () => {
    const sessions = (more: Partial<Life>): number =>
      [1, 2, 3, 4, 5].reduce(
        (sum, seed) => sum + liveThrough(life(seed, more)).filter((event) => event.kind === 'sharpened').length,
        0,
      )
    expect(sessions({ board: 'hard-plastic' })).toBeGreaterThan(sessions({ board: 'end-grain' }))
  })

  it('leaves alone what nobody tends', () => {
    const left = liveThrough(life(7, { habits: { ...life(7).habits, untendedFromMs: now - 20 * DAY_MS } }))
    expect(left.filter((event) => event.kind === 'checked' && event.atMs > now - 20 * DAY_MS)).toEqual([])
    expect(liveThrough(life(7, { holderId: null })).some((event) => event.kind === 'honed')).toBe(false)
  })
})

describe('chance', () => {
  it('is uniform and normal enough to tell stories with', () => {
    const luck = chance(42)
    const normals = Array.from({ length: 4000 }, () => luck.normal())
    const mean = normals.reduce((sum, value) => sum + value, 0) / normals.length
    const variance = normals.reduce((sum, value) => sum + (value - mean) ** 2, 0) / normals.length
    expect(Math.abs(mean)).toBeLessThan(0.06)
    expect(variance).toBeGreaterThan(0.92)
    expect(variance).toBeLessThan(1.08)
    const shares = Array.from({ length: 4000 }, () => luck.between(2, 6))
    expect(Math.min(...shares)).toBeGreaterThanOrEqual(2)
    expect(Math.max(...shares)).toBeLessThan(6)
  })
})
