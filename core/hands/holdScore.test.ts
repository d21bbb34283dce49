import fc from 'fast-check'
import jStat from 'jstat'
import { describe, expect, it } from 'vitest'
import { MeasureError } from '../measure'
import { chance } from '../statistics/random'
import { adviceOn, holdScore, slippedAt } from './holdScore'
import { FIRST_HAND, simulatedStroke, STEADY_HAND, type SimulatedHand } from './simulatedHand'

const drill = (hand: Omit<SimulatedHand, 'wantedDps'>, seed: number, strokes = 20): number[][] => {
  const luck = chance(seed)
  return Array.from({ length: strokes }, (_, stroke) =>
    simulatedStroke({ ...hand, wantedDps: 15 }, luck, { stroke, strokes, angles: 12 }),
  )
}
const records = fc.array(fc.array(fc.double({ min: 5, max: 40, noNaN: true }), { minLength: 4, maxLength: 20 }), {
  minLength: 6,
  maxLength: 30,
})

describe('the score of a held angle', () => {
  it('parts spread within strokes from spread between them as jStat’s one-way analysis of variance does', () => {
    fc.assert(
      fc.property(records, (strokes) => {
        const score = holdScore(strokes, 15)
        // with strokes of one length the F of the library is between over within
        const shortest = Math.min(...strokes.map(({ length }) => length))
        const even = strokes.map((stroke) => stroke.slice(0, shortest))
        const own = holdScore(even, 15)
        if (own.withinDps > 1e-6)
          expect((shortest * own.betweenDps ** 2) / own.withinDps ** 2).toBeCloseTo(jStat.anovafscore(even), 4)
        expect(score.betweenDps).toBeCloseTo(
          jStat.stdev(
            strokes.map((stroke) => jStat.mean(stroke)),
            true,
          ),
          8,
        )
        expect(score.meanDps).toBeCloseTo(jStat.mean(strokes.flat()), 8)
      }),
    )
  })

  it('finds the line of a drift as jStat’s least squares do', () => {
    fc.assert(
      fc.property(records, (strokes) => {
        const means = strokes.map((stroke) => jStat.mean(stroke))
        const { coef } = jStat.models.ols(
          means,
          means.map((_, at) => [1, at]),
        )
        expect(holdScore(strokes, 15).driftDps).toBeCloseTo((coef[1] ?? NaN) * (means.length - 1), 6)
      }),
      { numRuns: 50 },
    )
  })

  it('says of made-up hands what they were made of', () => {
    const score = holdScore(drill({ ...FIRST_HAND, tipLiftDps: 4 }, 3, 400), 15)
    expect(score.offDps).toBeCloseTo(2 + 0.25 * 4, 0)
    expect(score.tipLiftDps).toBeCloseTo(4, 0)
    expect(score.betweenDps).toBeGreaterThan(1.6)
    expect(score.betweenDps).toBeLessThan(2.5)
    expect(holdScore(drill({ ...STEADY_HAND, driftDps: 5 }, 4, 400), 15).driftDps).toBeCloseTo(5, 0)
  })

  it('names the one thing to work on, and nothing where a hand is steady', () => {
    const of = (hand: Partial<SimulatedHand>): string => adviceOn(holdScore(drill({ ...STEADY_HAND, ...hand }, 8), 15))
    expect(of({})).toBe('steady')
    expect(of({ offDps: 4 })).toBe('too-steep')
    expect(of({ offDps: -4 })).toBe('too-flat')
    expect(of({ rockDps: 3 })).toBe('rocks')
    expect(of({ guessDps: 3 })).toBe('new-guess')
    expect(of({ driftDps: 6 })).toBe('creeps')
    expect(of({ tipLiftDps: 6 })).toBe('tip-lifts')
  })

  it('does not judge a drill that was broken off', () => {
    expect(() => holdScore(drill(STEADY_HAND, 1, 5), 15)).toThrow(MeasureError)
    expect(() => holdScore([...drill(STEADY_HAND, 1), [15, 15]], 15)).toThrow(MeasureError)
  })
})

describe('an inclinometer that slipped', () => {
  it('is told from a hand that wobbles, over 200 made-up drills', () => {
    let missed = 0
    let accused = 0
    for (let seed = 0; seed < 200; seed++) {
      const steady = drill(STEADY_HAND, seed)
      const at = 4 + (seed % 12)
      const slipped = steady.map((stroke, own) => (own < at ? stroke : stroke.map((dps) => dps + 8)))
      if (slippedAt(slipped) !== at) missed++
      if (slippedAt(drill(FIRST_HAND, seed)) !== null || slippedAt(steady) !== null) accused++
    }
    expect(missed).toBeLessThanOrEqual(2)
    expect(accused).toBeLessThanOrEqual(4)
  })
})
