import { describe, expect, it } from 'vitest'
import type { EdgeStory, KnifeView } from '../contract/knives'
import type { HouseLearning, LearnedFactor } from '../contract/learning'
import { formats } from './format'
import { handWords, knifeLessons, mismatchWords, steelWords, toolWords, wearFactorWords } from './learned'
import { speaker } from './say'

const say = speaker()
const format = formats('en-GB', 'Europe/Dublin', 'mm')
const band = (mean: number, low: number, high: number): EdgeStory['learned']['wear'] => ({ mean, low, high })
const even = band(1, 0.85, 1.2)
const story = (learned: Partial<EdgeStory['learned']> = {}): EdgeStory =>
  ({
    learned: {
      knownFrom: 'own',
      readingCount: 40,
      wear: even,
      zoneWear: { heel: even, belly: even, tip: even },
      honing: band(0.55, 0.45, 0.62),
      lifeHours: { low: 12, middle: 20.4, high: 33 },
      bentShare: 0.2,
      habit: { honed: 0.67, low: 0.5, high: 0.8, logged: 0.5, services: 60, stated: null },
      ...learned,
    },
  }) as EdgeStory
const lessons = (learned: Partial<EdgeStory['learned']> = {}): string =>
  knifeLessons(story(learned), say, format).join(' ')

describe('what was learned of a knife, in a cook’s words', () => {
  it('says how fast it wears, with the doubt', () => {
    expect(lessons({ wear: band(1.4, 1.2, 1.65) })).toContain(
      'It wears 40 % faster than is usual for its steel and station (20 to 65 %).',
    )
    expect(lessons({ wear: band(0.7, 0.55, 0.9) })).toContain(
      'It wears 30 % slower than is usual for its steel and station (10 to 45 %).',
    )
    expect(lessons()).toContain('It wears about as is usual for its steel and station')
  })

  it('says what it stands on: its own readings, a few, or similar knives', () => {
    expect(lessons()).toContain('Stands on 40 readings of its own.')
    expect(lessons({ readingCount: 1, knownFrom: 'similar' })).toContain(
      'Only 1 reading of its own; the rest is what similar knives do here.',
    )
    expect(lessons({ readingCount: 0, knownFrom: 'similar' })).toContain('Nobody has read it yet')
  })

  it('tells bent from worn, because that decides rod or stone', () => {
    expect(lessons({ bentShare: 0.75 })).toContain('75 % of what dulls it now is bent: the rod brings that back.')
    expect(lessons({ bentShare: 0.4 })).toContain('the rest is worn: the rod helps some')
    expect(lessons({ bentShare: 0.1 })).toContain('only a stone brings that back')
  })

  it('names a tip or a heel that goes sooner, and nothing when the zones go alike', () => {
    expect(lessons({ zoneWear: { heel: even, belly: even, tip: band(1.5, 1.3, 1.7) } })).toContain(
      'The tip goes sooner',
    )
    expect(lessons({ zoneWear: { heel: band(1.5, 1.3, 1.7), belly: even, tip: even } })).toContain(
      'The heel goes sooner',
    )
    expect(lessons()).not.toContain('goes sooner')
  })

  it('says how long it lasts from fresh, and when that is beyond all services', () => {
    expect(lessons()).toContain('From fresh to its limit it lasts about 20 h on the board (12 to 33 h).')
    expect(lessons({ lifeHours: { low: 40, middle: null, high: null } })).toContain('lasts longer than all services')
    expect(lessons({ lifeHours: { low: 12, middle: 20, high: null } })).toContain('(12 to more)')
  })
})

describe('what is left of the blade', () => {
  const steel: EdgeStory['steel'] = {
    points: [],
    minimumHeightMm: 34.5,
    thickestMm: 0.5,
    sessionsPerYear: 26,
    perSessionMm: 0.05,
  }
  const dates = { earlyAt: '2027-02-01T00:00:00Z', middleAt: '2027-06-01T00:00:00Z', lateAt: '2028-03-01T00:00:00Z' }
  const knife = (more: Partial<KnifeView>): KnifeView =>
    ({ bteMm: 0.4, heelHeightMm: 45, thinningDue: dates, wornOut: dates, ...more }) as KnifeView
  const said = (more: Partial<KnifeView> = {}): string => steelWords(knife(more), steel, say, format).join(' ')

  it('has dates with their bands', () => {
    expect(said()).toContain('About 26 sessions a year, 0.05 mm of height each.')
    expect(said()).toContain('Thinning is due about June 2027 (between February 2027 and March 2028).')
    expect(said()).toContain('It is worn out for its job about June 2027')
  })

  it('says when it is time already, and when there is no end in sight', () => {
    expect(said({ bteMm: 0.53, thinningDue: null })).toContain(
      'Thinning is due: 0.53 mm behind the edge, and it wedges from 0.50 mm.',
    )
    expect(said({ heelHeightMm: 33, wornOut: null })).toContain(
      'It is worn out for its job: 33 mm at the heel, 34.5 mm needed.',
    )
    expect(said({ thinningDue: null, wornOut: null })).toContain('there is no end in sight')
  })
})

describe('a working angle against the edge', () => {
  const knife = (mismatch: KnifeView['mismatch']): KnifeView =>
    ({ mismatch, dpsLeft: 17, dpsRight: 17, verdict: { dps: 17 } }) as KnifeView

  it('says what it will do', () => {
    expect(
      mismatchWords(knife({ workingDps: 11, mismatchDps: -6, does: 'shoulder-only', reach: 0 }), 'Milo', say, format),
    ).toBe('Milo works at 11°, this edge stands at 17°: the rod touches only the shoulder and honing does nothing.')
    expect(
      mismatchWords(knife({ workingDps: 14, mismatchDps: -3, does: 'too-little', reach: 0.67 }), 'Milo', say, format),
    ).toContain('67 % of it')
    expect(
      mismatchWords(knife({ workingDps: 23, mismatchDps: 6, does: 'micro-bevel', reach: 1 }), 'Milo', say, format),
    ).toContain('fatter micro-bevel')
    expect(mismatchWords(knife(null), 'Milo', say, format)).toBe('')
  })
})

describe('what the house has taught', () => {
  const effect = (says: LearnedFactor['says'], factor = 1.6): LearnedFactor => ({
    says,
    factor,
    low: factor - 0.3,
    high: factor + 0.4,
  })

  it('names what eats edges and is silent where the readings are', () => {
    expect(wearFactorWords('banquet prep', effect('more'), say, format)).toBe(
      'Banquet prep eats edges: 1.60 times as fast as it should (1.30 to 2.00).',
    )
    expect(wearFactorWords('Sauté', effect('less', 0.7), say, format)).toContain('30 % slower')
    expect(wearFactorWords('Grill', effect('nothing'), say, format)).toBe('Grill: the readings do not say yet.')
  })

  it('names the zones of a hand that come out dull, the worst first', () => {
    const hand: HouseLearning['hands'][number] = {
      personId: 'c',
      name: 'Corin',
      readings: 90,
      whole: effect('as-expected', 1.1),
      life: effect('less', 0.72),
      zones: [
        { zone: 'heel', effect: effect('more', 1.12) },
        { zone: 'belly', effect: effect('as-expected', 1) },
        { zone: 'tip', effect: effect('more', 1.45) },
      ],
    }
    expect(handWords(hand, say)).toBe(
      'Corin’s edges come out needing more force: tip 45 %, heel 12 %; judged after five to six hours of use, they last 28 % shorter.',
    )
    expect(handWords({ ...hand, life: effect('nothing', 1) }, say)).toBe(
      'Corin’s edges come out needing more force: tip 45 %, heel 12 %.',
    )
    expect(handWords({ ...hand, zones: [], whole: effect('less', 0.9) }, say)).toContain(
      'keener than the house’s usual ones, by 10 %',
    )
    expect(handWords({ ...hand, zones: [], whole: effect('nothing') }, say)).toContain('do not say yet')
  })

  it('says what a tool brings back, against its table', () => {
    const tool: HouseLearning['tools'][number] = {
      tool: 'smooth-steel',
      honings: 300,
      tableEfficiency: 0.6,
      efficiency: 0.42,
      low: 0.35,
      high: 0.5,
      says: 'less',
    }
    expect(toolWords(tool, say)).toBe(
      'Smooth steel brings back only 42 % of the bend (35 to 50), not the table’s 60 %.',
    )
    expect(toolWords({ ...tool, says: 'nothing' }, say)).toContain('do not say more than the table’s 60 %')
  })
})
