import { describe, expect, it } from 'vitest'
import type { SectionBlade } from '../geometry/section'
import type { WorkshopAsk } from './plan'
import { restOf, seriesAhead } from './series'

const SLICER: SectionBlade = {
  heelHeightMm: 38,
  spineMm: 2,
  bteMm: 0.28,
  dpsLeft: 14,
  dpsRight: 14,
  grind: 'flat',
  ratioRight: 70,
}
const STONES = [
  { id: '220', micron: 63 },
  { id: '1000', micron: 11.5 },
  { id: '3000', micron: 4 },
]
const ask: Omit<WorkshopAsk, 'operation'> = {
  blade: SLICER,
  type: 'slicer',
  lengthMm: 270,
  hrc: 58,
  stones: STONES,
  finishMicron: 4,
}

describe('a change of ratio over several sessions', () => {
  const series = seriesAhead({ ...ask, operation: { kind: 'ratio', toRight: 50, sessions: 4 } })

  it('lists every session ahead with the ratio it leaves, five points a time from 70/30 to 50/50', () => {
    expect(series.map(({ session }) => session)).toEqual([1, 2, 3, 4])
    expect(series.map(({ plan }) => Math.round(plan.done.ratioRight))).toEqual([65, 60, 55, 50])
    expect(series.map(({ rest }) => rest?.kind ?? null)).toEqual(['ratio', 'ratio', 'ratio', null])
  })

  it('puts the extra strokes on the narrow side each time (common practice)', () => {
    for (const { strokes } of series) expect(strokes.left).toBeGreaterThan(strokes.right)
  })

  it('costs height each time, and the blade of the next is what the one before left', () => {
    for (const { plan } of series) expect(plan.done.lossMm).toBeGreaterThan(0)
    expect(series.map(({ plan }) => Math.max(...plan.done.before.outline.map(({ y }) => y)))).toEqual(
      [...series].map((_, at) =>
        expect.closeTo(38 - series.slice(0, at).reduce((sum, { plan }) => sum + plan.done.lossMm, 0), 9),
      ),
    )
  })
})

describe('a repair in parts', () => {
  it('is half now, the rest at the next two', () => {
    const series = seriesAhead({ ...ask, operation: { kind: 'chip', depthMm: 0.4, sessions: 3 } })
    expect(series.map(({ plan }) => Math.round(100 * plan.done.lossMm) / 100)).toEqual([0.2, 0.1, 0.12])
  })

  it('of a tip shortens the blade once', () => {
    const series = seriesAhead({ ...ask, operation: { kind: 'tip', lostMm: 4, from: 'spine', sessions: 3 } })
    expect(series.map(({ plan }) => plan.tip?.lengthLossMm)).toEqual([4, 0, 0])
    const [first = 0, ...later] = series.map(({ plan }) => plan.tip?.areaMm2 ?? 0)
    for (const area of later) expect(area).toBeCloseTo(first / 2, 4)
  })

  it('leaves nothing to do after work that is done at once', () => {
    expect(restOf({ kind: 'chip', depthMm: 0.4, sessions: 1 })).toBeNull()
    expect(restOf({ kind: 'thin', targetBteMm: 0.2 })).toBeNull()
    expect(seriesAhead({ ...ask, operation: { kind: 'thin', targetBteMm: 0.2 } })).toHaveLength(1)
  })
})
