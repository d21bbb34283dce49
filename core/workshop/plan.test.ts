import { describe, expect, it } from 'vitest'
import type { SectionBlade } from '../geometry/section'
import { atAngle, nextJob, wearBudget, type WearAsk } from './budget'
import { fitSection } from './fit'
import { planWorkshop } from './plan'
import { workshopSession } from './session'

const CHEF: SectionBlade = {
  heelHeightMm: 45,
  spineMm: 2.2,
  bteMm: 0.42,
  dpsLeft: 17,
  dpsRight: 17,
  grind: 'flat',
  ratioRight: 50,
}
const STONES = [
  { id: '220', micron: 63 },
  { id: '320', micron: 40 },
  { id: '1000', micron: 11.5 },
  { id: '3000', micron: 4 },
]
const ask = { blade: CHEF, type: 'chef' as const, lengthMm: 240, hrc: 57, stones: STONES, finishMicron: 11.5 }

describe('an operation on the stones of a house', () => {
  const plan = planWorkshop({ ...ask, operation: { kind: 'thin', targetBteMm: 0.32 } })

  it('starts thinning by more than a tenth of a millimetre on the coarsest stone (common practice: #220)', () => {
    const more = planWorkshop({ ...ask, operation: { kind: 'thin', targetBteMm: 0.28 } })
    expect(more.stages[0]?.stone.id).toBe('220')
    expect(plan.stages.at(-1)?.stone.id).toBe('1000')
  })

  it('gives volume and grams of what goes: area times edge length times 7.75 g/cm³', () => {
    expect(plan.volumeMm3).toBeCloseTo(plan.done.areaMm2 * 240, 9)
    expect(plan.grams).toBeCloseTo((plan.volumeMm3 / 1000) * 7.75, 9)
  })

  it('shares strokes by what each side loses', () => {
    const [cut] = plan.cuts
    expect(cut?.strokes.left).toBe(cut?.strokes.right)
    const uneven = planWorkshop({
      ...ask,
      blade: { ...CHEF, ratioRight: 70 },
      operation: { kind: 'ratio', toRight: 50, sessions: 2 },
    })
    expect(uneven.cuts[0]?.strokes.left).not.toBe(uneven.cuts[0]?.strokes.right)
  })

  it('takes longer for more', () => {
    expect(planWorkshop({ ...ask, operation: { kind: 'thin', targetBteMm: 0.25 } }).minutes).toBeGreaterThan(
      plan.minutes,
    )
  })

  it('says no stones where there are none', () => {
    expect(() => planWorkshop({ ...ask, stones: [], operation: { kind: 'thin', targetBteMm: 0.32 } })).toThrow(
      expect.objectContaining({ code: 'no-stones' }),
    )
  })
})

describe('flat-to-convex on the stones', () => {
  const plan = planWorkshop({ ...ask, operation: { kind: 'flat-to-convex', targetBteMm: 0.32 } })

  it('blends the shoulder on the stone after the one it was cut on (common practice: cut on #400, blended on #800)', () => {
    expect(plan.cuts.map(({ name, stage }) => [name, stage])).toEqual([
      ['face', 0],
      ['second-bevel', 0],
      ['blend', 1],
    ])
    const session = workshopSession(plan, 11.5)
    const stoneOf = (recipeStep: string): (string | null)[] =>
      session.steps
        .filter((step) => step.recipeStep === recipeStep && step.kind === 'side')
        .map(({ stoneId }) => stoneId)
    expect(new Set(stoneOf('cut-second-bevel'))).toEqual(new Set([plan.stages[0]?.stone.id]))
    expect(new Set(stoneOf('cut-blend'))).toEqual(new Set([plan.stages[1]?.stone.id]))
    const order = session.steps.map(({ id }) => id)
    expect(order.indexOf('flatten-2')).toBeLessThan(order.indexOf('cut-3-first'))
    expect(order.indexOf('cut-3-first')).toBeLessThan(order.indexOf('refine-1-first'))
  })

  it('counts the blending, and gives it to the only stone where there is one', () => {
    const one = planWorkshop({
      ...ask,
      stones: [{ id: '400', micron: 30 }],
      operation: { kind: 'flat-to-convex', targetBteMm: 0.32 },
    })
    expect(one.cuts.every(({ stage }) => stage === 0)).toBe(true)
    expect(one.minutes).toBeCloseTo(
      one.cuts.reduce((sum, { minutes }) => sum + minutes, 0),
      6,
    )
  })

  it('steps of a session have ids of their own, each with a stone that the plan has', () => {
    for (const operation of [
      { kind: 'flat-to-convex', targetBteMm: 0.32 },
      { kind: 'full-convex', targetBteMm: 0.32 },
      { kind: 'chip', depthMm: 0.4, sessions: 2 },
      { kind: 'tip', lostMm: 4, from: 'edge', sessions: 1 },
    ] as const) {
      const { steps, stages } = workshopSession(planWorkshop({ ...ask, operation }), 4)
      expect(new Set(steps.map(({ id }) => id)).size).toBe(steps.length)
      for (const { stage, stoneId } of steps)
        expect(stage === null ? null : stages[stage]?.stone.id).toBe(stage === null ? null : stoneId)
      expect(steps[0]?.kind).toBe('look')
      expect(steps.slice(-3).map(({ kind }) => kind)).toEqual(['test', 'clean', 'stow'])
    }
  })
})

describe('stropping after workshop work', () => {
  it('takes a burr off an edge; faces alone leave none', () => {
    const strops = (operation: Parameters<typeof planWorkshop>[0]['operation']): boolean =>
      workshopSession(planWorkshop({ ...ask, operation }), 4).steps.some(({ kind }) => kind === 'strop')
    expect(strops({ kind: 'chip', depthMm: 0.4, sessions: 1 })).toBe(true)
    expect(strops({ kind: 'thin', targetBteMm: 0.3 })).toBe(false)
  })
})

describe('what is left of a blade', () => {
  const life: WearAsk = {
    heelHeightMm: 45,
    minimumHeightMm: 36,
    lengthMm: 240,
    lengthPerHeight: 1.5,
    spineMm: 2.2,
    bteMm: 0.35,
    dps: 17,
    thickestMm: 0.45,
    thinToMm: 0.32,
    perSessionMm: { low: 0.05, middle: 0.1, high: 0.15 },
    sessionsPerYear: 45,
    price: 90,
  }

  it('is its height over what a session takes, with a band, its thinnings on the way', () => {
    const budget = wearBudget(life)
    expect(budget.sessions).toBe(90)
    expect(budget.early.sessions).toBeLessThan(budget.sessions)
    expect(budget.late.sessions).toBeGreaterThan(budget.sessions)
    expect(budget.years).toBeCloseTo(2, 9)
    expect(budget.costPerMonth).toBeCloseTo(90 / 24, 9)
    expect(budget.thinnings.length).toBeGreaterThan(0)
    for (const { bteMm } of budget.path) expect(bteMm).toBeLessThanOrEqual(0.45)
  })

  it('is longer at a steeper angle that takes less a session, and nothing on a blade already too low', () => {
    expect(wearBudget({ ...life, perSessionMm: { low: 0.04, middle: 0.08, high: 0.12 } }).sessions).toBeGreaterThan(
      wearBudget(life).sessions,
    )
    expect(wearBudget({ ...life, heelHeightMm: 36 }).sessions).toBe(0)
  })
})

describe('another angle', () => {
  it('flatter means fewer sessions of a blade, each holding longer: the years stay much the same', () => {
    const life: WearAsk = {
      heelHeightMm: 45,
      minimumHeightMm: 36,
      lengthMm: 240,
      lengthPerHeight: 1.5,
      spineMm: 2.2,
      bteMm: 0.35,
      dps: 20,
      thickestMm: 0.45,
      thinToMm: 0.32,
      perSessionMm: { low: 0.05, middle: 0.1, high: 0.15 },
      sessionsPerYear: 45,
      price: 90,
    }
    const flatter = atAngle(life, 15)
    // 15 against 20 dps: 1.358 times the hours to a given blunt width
    expect(life.sessionsPerYear / flatter.sessionsPerYear).toBeCloseTo(1.358, 3)
    expect(wearBudget(flatter).sessions).toBeLessThan(wearBudget(life).sessions)
    expect(wearBudget(flatter).years / wearBudget(life).years).toBeCloseTo(1, 1)
  })
})

describe('a blade too low for its job', () => {
  it('goes on as a narrower kind, or is worn out for good', () => {
    expect(nextJob('chef')).toBe('slicer')
    expect(nextJob('cleaver')).toBeNull()
  })
})

describe('measurements of a section', () => {
  it('that agree are taken as they are', () => {
    const fitted = fitSection(CHEF, {
      bteMm: 0.42,
      bevelLeftMm: 0.72,
      bevelRightMm: 0.72,
      thicknessAt: [
        { heightMm: 3, thicknessMm: 0.6 },
        { heightMm: 10, thicknessMm: 0.95 },
      ],
    })
    expect(fitted.contradictions).toEqual([])
    expect(fitted.blade.thicknessAt).toHaveLength(2)
    expect(fitted.assumed).toEqual([])
  })

  it('that contradict each other are named: a bevel no angle explains, a blade thinner higher up, another angle, another face', () => {
    const codes = (found: Parameters<typeof fitSection>[1]): string[] =>
      fitSection(CHEF, found).contradictions.map(({ code }) => code)
    expect(codes({ bteMm: 0.6, bevelLeftMm: 0.2, bevelRightMm: 0.2 })).toEqual(['bevel-too-narrow'])
    expect(
      codes({
        thicknessAt: [
          { heightMm: 3, thicknessMm: 0.9 },
          { heightMm: 10, thicknessMm: 0.7 },
        ],
      }),
    ).toEqual(['thinner-higher'])
    expect(codes({ bevelLeftMm: 0.4, bevelRightMm: 0.4 })).toEqual(['angle-differs'])
    expect(
      codes({
        thicknessAt: [
          { heightMm: 3, thicknessMm: 0.6 },
          { heightMm: 10, thicknessMm: 0.95 },
        ],
        faceDps: 5,
      }),
    ).toEqual(['face-differs'])
    expect(codes({ thicknessAt: [{ heightMm: 10, thicknessMm: 3 }] })).toEqual(['thicker-than-spine'])
  })

  it('say the ratio where both bevels were measured', () => {
    expect(fitSection(CHEF, { bevelLeftMm: 0.43, bevelRightMm: 1.0 }).blade.ratioRight).toBe(70)
  })
})
