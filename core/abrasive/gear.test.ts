import { describe, expect, it } from 'vitest'
import {
  bathFor,
  flatteningState,
  GEAR_KINDS,
  gearWarnings,
  isDiamond,
  isStone,
  KNIVES_BETWEEN_FLATTENING,
  needsFlattening,
  usualSoakMinutes,
} from './gear'

describe('what may not be done, said before it happens (common practice)', () => {
  it.each([
    ['oil on a water stone', { kind: 'soaking-stone', micron: 11.5, liquid: 'oil' }, 'oil-on-water-stone'],
    ['water on an oil stone', { kind: 'oil-stone', micron: 20, liquid: 'water' }, 'water-on-oil-stone'],
    ['a fine stone left soaking', { kind: 'splash-stone', micron: 4, soaking: true }, 'soaking-hurts'],
    ['a smooth steel on a 62 HRC blade', { kind: 'smooth-steel', micron: null, hrc: 62 }, 'steel-on-hard-blade'],
    ['leaning on a diamond plate', { kind: 'diamond-plate', micron: 30, newtons: 20 }, 'heavy-on-diamond'],
    ['leaning on a finishing stone', { kind: 'splash-stone', micron: 2, newtons: 20 }, 'heavy-on-finish'],
    ['a stone worn to a wafer', { kind: 'soaking-stone', micron: 11.5, thicknessLeftMm: 3 }, 'worn-out-stone'],
  ] as const)('%s', (_, use, warning) => {
    expect(gearWarnings(use)).toEqual([warning])
  })

  it.each([
    ['water on a water stone', { kind: 'soaking-stone', micron: 11.5, liquid: 'water', soaking: true, newtons: 12 }],
    ['oil on an oil stone', { kind: 'oil-stone', micron: 20, liquid: 'oil' }],
    ['a smooth steel on soft stainless', { kind: 'smooth-steel', micron: null, hrc: 56 }],
    ['a ceramic rod on hard steel', { kind: 'ceramic-rod', micron: 5, hrc: 63 }],
    ['a light hand on diamond', { kind: 'diamond-plate', micron: 30, newtons: 10, liquid: 'oil' }],
    ['a stone nobody has measured', { kind: 'soaking-stone', micron: 11.5, thicknessLeftMm: null }],
  ] as const)('nothing against %s', (_, use) => {
    expect(gearWarnings(use)).toEqual([])
  })
})

describe('soaking and baths (common practice)', () => {
  it('coarse stones soak up to half an hour, middle ones a quarter to a third, small and fine ones ten to fifteen minutes', () => {
    expect(usualSoakMinutes('soaking-stone', 63)).toBe(30)
    expect(usualSoakMinutes('soaking-stone', 11.5)).toBe(20)
    expect(usualSoakMinutes('soaking-stone', 4)).toBe(12)
  })

  it('nothing else soaks', () => {
    for (const kind of GEAR_KINDS.filter((one) => one !== 'soaking-stone')) expect(usualSoakMinutes(kind, 40)).toBe(0)
  })

  it('coarse and fine have separate baths, and what takes no water has none', () => {
    expect(bathFor('soaking-stone', 63)).toBe('coarse')
    expect(bathFor('splash-stone', 4)).toBe('fine')
    expect(bathFor('diamond-plate', 30)).toBe('none')
    expect(bathFor('oil-stone', 63)).toBe('none')
  })
})

describe('flattening', () => {
  it('is due by knives or by a measured dish, whichever comes first, and says which', () => {
    expect(flatteningState({ kind: 'soaking-stone', knivesSince: 0, dishMm: null })).toEqual({
      due: false,
      share: 0,
      because: null,
    })
    expect(flatteningState({ kind: 'soaking-stone', knivesSince: KNIVES_BETWEEN_FLATTENING, dishMm: null })).toEqual({
      due: true,
      share: 1,
      because: 'knives',
    })
    expect(flatteningState({ kind: 'soaking-stone', knivesSince: 0, dishMm: 0.3 })).toEqual({
      due: true,
      share: 1,
      because: 'dish',
    })
    expect(flatteningState({ kind: 'soaking-stone', knivesSince: 1, dishMm: 0.05 }).share).toBeCloseTo(1 / 3, 9)
  })

  it('never is on a diamond plate, a rod or a strop', () => {
    for (const kind of ['diamond-plate', 'ceramic-rod', 'strop', 'smooth-steel'] as const) {
      expect(needsFlattening(kind)).toBe(false)
      expect(flatteningState({ kind, knivesSince: 50, dishMm: 1 }).due).toBe(false)
    }
  })

  it('stones and diamonds are told apart: resin dishes, a plate does not', () => {
    expect(GEAR_KINDS.filter(isStone)).toEqual([
      'soaking-stone',
      'splash-stone',
      'oil-stone',
      'diamond-plate',
      'diamond-resin',
    ])
    expect(GEAR_KINDS.filter(isDiamond)).toEqual(['diamond-plate', 'diamond-resin', 'diamond-rod'])
    expect(needsFlattening('diamond-resin')).toBe(true)
  })
})
