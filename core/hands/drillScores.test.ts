import jStat from 'jstat'
import { describe, expect, it } from 'vitest'
import { LADDER_FORCE } from '../edge/model/ladder'
import { chance } from '../statistics/random'
import { beatAdvice, beatScore } from './beatScore'
import { burrAdvice, burrScore } from './burrScore'
import { eyeAdvice, eyeScore } from './eyeScore'
import { FIRM_N, pressAdvice, pressScore, wantedNewtons } from './pressScore'
import { FIRST_PRESS, simulatedPress, STEADY_PRESS, type PressingHand } from './simulatedPress'

const STROKES = 12
const pressed = (hand: PressingHand, seed = 7): number[][] => {
  const luck = chance(seed)
  return Array.from({ length: STROKES }, (_, stroke) =>
    simulatedPress(hand, luck, { stroke, strokes: STROKES, told: 12 }),
  )
}

describe('pressing', () => {
  it('begins at four to six pounds-force and ends at the weight of the fingers (common practice)', () => {
    const POUND_FORCE_N = 4.4482216 // exact by definition, 0.45359237 kg × 9.80665 m/s²
    expect(FIRM_N[0]).toBeCloseTo(4 * POUND_FORCE_N, 0)
    expect(FIRM_N[1]).toBeCloseTo(6 * POUND_FORCE_N, 0)
    const wanted = Array.from({ length: STROKES }, (_, stroke) => wantedNewtons(stroke, STROKES))
    expect(wanted.slice(0, 4).every((newtons) => newtons >= FIRM_N[0] && newtons <= FIRM_N[1])).toBe(true)
    expect(wanted.at(-1)).toBeLessThan((wanted[0] as number) / 2)
    expect([...wanted].sort((a, b) => b - a)).toEqual(wanted)
  })

  it('is scored as a statistics library scores the same strokes', () => {
    const strokes = [20, 21, 22, 19, 16, 13, 10, 8, 6].map((force) => [force * 0.9, force, force * 1.1, force, 0.5])
    const score = pressScore(strokes)
    const working = strokes.map((stroke) => stroke.slice(0, 4))
    const means = working.map((stroke) => jStat.mean(stroke))
    expect(score.startN).toBeCloseTo(jStat.mean(means.slice(0, 3)), 10)
    expect(score.endN).toBeCloseTo(jStat.mean(means.slice(-3)), 10)
    // strokes of one shape: the pooled deviation of their shares is that of any one of them
    const shares = (working[0] as number[]).map((force) => force / (means[0] as number))
    expect(score.alongShare).toBeCloseTo(jStat.stdev(shares, true), 10)
  })

  it('tells a first hand from a trained one, and what is wrong with it', () => {
    expect(pressAdvice(pressScore(pressed(STEADY_PRESS)))).toBe('steady')
    expect(pressAdvice(pressScore(pressed(FIRST_PRESS)))).toBe('too-heavy')
    expect(pressAdvice(pressScore(pressed({ ...STEADY_PRESS, share: 0.5 })))).toBe('too-light')
    expect(pressAdvice(pressScore(pressed({ ...STEADY_PRESS, fades: 0 })))).toBe('no-fade')
    expect(pressAdvice(pressScore(pressed({ ...STEADY_PRESS, uneven: 0.28 })))).toBe('uneven')
  })

  it.each([
    ['too few strokes', pressed(STEADY_PRESS).slice(0, 5)],
    ['strokes that were hardly told', pressed(STEADY_PRESS).map((stroke) => stroke.slice(0, 2))],
    ['a scale nobody pressed', pressed(STEADY_PRESS).map((stroke) => stroke.map(() => 0))],
  ])('says nothing of %s', (_, strokes) => {
    expect(() => pressScore(strokes)).toThrow('out-of-range')
  })
})

describe('a thumb that hunts burrs', () => {
  it('is right where it felt what was there, and nothing where nothing was', () => {
    const score = burrScore([
      { felt: ['heel', 'tip'], seen: ['heel', 'belly'] },
      { felt: [], seen: [] },
    ])
    expect(score).toEqual({ zones: 6, right: 4, missed: 1, imagined: 1 })
  })

  it('hears what it does wrong', () => {
    const edges = (felt: readonly ('heel' | 'tip')[], seen: readonly ('heel' | 'tip')[]) =>
      burrAdvice(burrScore(Array.from({ length: 4 }, () => ({ felt, seen }))))
    expect(edges(['heel'], ['heel'])).toBe('steady')
    expect(edges([], ['heel'])).toBe('misses')
    expect(edges(['heel', 'tip'], ['heel'])).toBe('imagines')
  })
})

describe('an eye that reads edges', () => {
  const edges = [
    { saidGf: 200, measuredGf: 250 },
    { saidGf: 300, measuredGf: 320 },
    { saidGf: 400, measuredGf: 520 },
    { saidGf: 180, measuredGf: 210 },
  ]
  it('is scored by the geometric mean and deviation of a statistics library', () => {
    const ratios = edges.map(({ saidGf, measuredGf }) => saidGf / measuredGf)
    const score = eyeScore(edges)
    expect(score.factor).toBeCloseTo(jStat.geomean(ratios), 10)
    expect(score.logSd).toBeCloseTo(jStat.stdev(ratios.map(Math.log), true), 10)
    expect(eyeAdvice(score)).toBe('too-hopeful')
  })

  it('reads true, too dull, or anyhow', () => {
    const read = (factors: readonly number[]) =>
      eyeAdvice(eyeScore(factors.map((factor) => ({ saidGf: 300 * factor, measuredGf: 300 }))))
    expect(read([1, 1.05, 0.95])).toBe('steady')
    expect(read([1.3, 1.4, 1.2])).toBe('too-harsh')
    expect(read([0.6, 1.7, 1])).toBe('scatters')
    expect(LADDER_FORCE.glints.logSd).toBeLessThan(Math.log(1.7))
  })

  it('says nothing of two edges or of no force', () => {
    expect(() => eyeScore(edges.slice(0, 2))).toThrow('out-of-range')
    expect(() => eyeScore(edges.map((edge) => ({ ...edge, measuredGf: 0 })))).toThrow('out-of-range')
  })
})

describe('a beat kept in silence', () => {
  it('is due after as many strokes as the beat has in that time', () => {
    // eight strokes at forty a minute are twelve seconds
    expect(beatScore({ perMinute: 40, silentStrokes: 8, tappedMs: 12_000 }).lateShare).toBeCloseTo(0, 12)
    expect(beatScore({ perMinute: 40, silentStrokes: 8, tappedMs: 13_200 }).lateShare).toBeCloseTo(0.1, 12)
  })

  it.each([
    [12_300, 'steady'],
    [10_500, 'hurries'],
    [13_600, 'slows'],
    [3_000, 'miscounts'],
  ] as const)('tapped after %i ms: %s', (tappedMs, advice) => {
    expect(beatAdvice(beatScore({ perMinute: 40, silentStrokes: 8, tappedMs }))).toBe(advice)
  })

  it('cannot be of no strokes', () => {
    expect(() => beatScore({ perMinute: 40, silentStrokes: 0, tappedMs: 1 })).toThrow('out-of-range')
  })
})
