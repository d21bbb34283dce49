import { describe, expect, it } from 'vitest'
import { faceAngle } from '../geometry/stack'
import { knownBlade, MEASURABLE, type DescribedBlade } from '../knife/blade'
import { KNIFE_TYPES, knifeDefaults, meanDps, TYPE_TEMPLATES } from '../knife/knifeTypes'
import { minimumHeightMm, THICKNESS_LIMIT_MM, thicknessLimitMm } from '../knife/limits'
import { steelByEn } from '../knife/steels'
import { hasRight, PERSON_ROLES, RIGHTS, ROLE_RIGHTS } from './rights'
import { BOARD_FACTOR, PRODUCT_FACTOR } from './stations'

const unmeasured: DescribedBlade = {
  type: 'chef',
  lengthMm: 240,
  heelHeightMm: null,
  spineMm: null,
  bteMm: null,
  bteNewMm: null,
  dpsLeft: null,
  dpsRight: null,
  serrated: false,
  steelEn: null,
  hrc: null,
}

describe('what a knife of a kind usually is', () => {
  // Usual angles per side by kind of knife (common practice).
  it.each([
    ['chef', 15, 20],
    ['santoku', 10, 20],
    ['petty', 15, 20],
    ['paring', 15, 20],
    ['slicer', 10, 20],
    ['skinning', 20, 25],
    ['breaking', 20, 25],
    ['boning-stiff', 23, 30],
    ['boning-flexible', 20, 30],
  ] as const)('sharpens a %s between %d and %d dps', (type, low, high) => {
    const { dpsLeft, dpsRight } = TYPE_TEMPLATES[type]
    expect(Math.min(dpsLeft, dpsRight)).toBeGreaterThanOrEqual(low)
    expect(Math.max(dpsLeft, dpsRight)).toBeLessThanOrEqual(high)
  })

  it.each(KNIFE_TYPES)('gives a %s an edge steeper than its face and thinner than its spine', (type) => {
    const usual = knifeDefaults(type, TYPE_TEMPLATES[type].typicalLengthMm)
    expect(meanDps(usual)).toBeGreaterThan(faceAngle({ heelHeightMm: usual.heelHeightMm, spineMm: usual.spineMm }))
    expect(usual.bteMm).toBeLessThan(usual.spineMm)
    expect(minimumHeightMm(type)).toBeLessThan(usual.heelHeightMm)
    expect(thicknessLimitMm(type)).toBeGreaterThan(usual.bteMm)
  })

  it('has a code prefix of its own for every kind', () => {
    expect(new Set(KNIFE_TYPES.map((type) => TYPE_TEMPLATES[type].codePrefix)).size).toBe(KNIFE_TYPES.length)
  })

  it('does not call a cleaver thick for being one', () => {
    expect(thicknessLimitMm('cleaver')).toBeGreaterThan(THICKNESS_LIMIT_MM.butchery)
    expect(thicknessLimitMm('chef')).toBeCloseTo(0.525, 9)
  })
})

describe('a blade nobody has measured', () => {
  it('stands on the usual figures and says so', () => {
    const blade = knownBlade(unmeasured)
    expect(blade.assumed).toEqual([...MEASURABLE])
    expect(blade.geometry).toMatchObject({ heelHeightMm: 48, spineMm: 2.4, dps: 17, hrc: 57 })
  })

  it('takes the hardness of its steel, and its own above that', () => {
    expect(knownBlade({ ...unmeasured, steelEn: '1.2379' }).measures.hrc).toBe(steelByEn('1.2379')?.typicalHrc)
    const measured = knownBlade({ ...unmeasured, steelEn: '1.2379', hrc: 59 })
    expect(measured.measures.hrc).toBe(59)
    expect(measured.assumed).not.toContain('hrc')
    expect(measured.spec.carbides).toEqual({ CrC: 12 })
  })

  it('reckons a single bevel at the mean of its two sides', () => {
    expect(knownBlade({ ...unmeasured, type: 'single-bevel-slicer', lengthMm: 270 }).spec.dps).toBe(7.5)
  })
})

describe('boards and products', () => {
  // End grain and rubber are kind, hard plastic hard, plates ruinous (common practice).
  it('wear in the order the trade knows', () => {
    expect(BOARD_FACTOR['end-grain']).toBeLessThan(BOARD_FACTOR['soft-plastic'])
    expect(BOARD_FACTOR.rubber).toBeLessThan(BOARD_FACTOR['soft-plastic'])
    expect(BOARD_FACTOR['soft-plastic']).toBeLessThan(BOARD_FACTOR['hard-plastic'])
    expect(BOARD_FACTOR['hard-plastic']).toBeLessThan(BOARD_FACTOR.plate)
    expect(PRODUCT_FACTOR['meat-on-bone']).toBe(Math.max(...Object.values(PRODUCT_FACTOR)))
  })
})

describe('rights', () => {
  it('only grow from apprentice to chef', () => {
    const [chef, sharpener, cook, apprentice] = PERSON_ROLES.map((role) => new Set(ROLE_RIGHTS[role]))
    for (const [less, more] of [
      [apprentice, cook],
      [cook, sharpener],
      [sharpener, chef],
    ] as const) {
      expect([...(less ?? [])].filter((right) => !more?.has(right))).toEqual([])
    }
    expect(chef?.size).toBe(RIGHTS.length)
  })

  it('let anybody take an unsafe knife out, and only trained hands put it back', () => {
    expect(PERSON_ROLES.every((role) => hasRight(role, 'quarantine'))).toBe(true)
    expect(PERSON_ROLES.filter((role) => hasRight(role, 'release'))).toEqual(['chef', 'sharpener'])
    expect(PERSON_ROLES.filter((role) => hasRight(role, 'log-sharpening'))).toEqual(['chef', 'sharpener'])
    expect(PERSON_ROLES.filter((role) => hasRight(role, 'manage-house'))).toEqual(['chef'])
  })
})
