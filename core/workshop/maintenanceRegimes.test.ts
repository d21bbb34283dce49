import { describe, expect, it } from 'vitest'
import { wearBudget, type WearAsk } from './budget'
import { regimeLives, type MaintenanceRegime, type RegimeLife } from './maintenanceRegimes'

const LIFE: WearAsk = {
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
  sessionsPerYear: 20,
  price: 90,
}
const lives = new Map<MaintenanceRegime, RegimeLife>(regimeLives(LIFE).map((one) => [one.regime, one]))
const of = (regime: MaintenanceRegime): RegimeLife =>
  lives.get(regime) ??
  (() => {
    throw new Error(regime)
  })()

describe('another regime of keeping edges', () => {
  it('leaves the present one as it is', () => {
    expect(of('as-now')).toMatchObject({
      sessionsPerYear: 20,
      steelPerYearMm: 2,
      years: wearBudget(LIFE).years,
      stretch: 1,
    })
  })

  // Wear is an area that grows with use and lies across a wedge: four times the use between sessions is twice the height.
  it('takes twice the wear’s height for four times the use between sessions', () => {
    const [seldom] = regimeLives({ ...LIFE, sessionsPerYear: 10 })
    expect(seldom?.steelPerYearMm).toBeCloseTo(1, 9)
    const few = of('few-a-year')
    expect(few.steelPerYearMm / few.sessionsPerYear).toBeCloseTo(0.02 + 0.08 * Math.sqrt(20 / 2.5), 9)
  })

  it('more often costs more steel a year and a shorter life; seldom costs little and is worked with dull', () => {
    expect(of('after-each-job').steelPerYearMm).toBeGreaterThan(of('weekly').steelPerYearMm)
    expect(of('weekly').steelPerYearMm).toBeGreaterThan(of('as-now').steelPerYearMm)
    expect(of('few-a-year').years).toBeGreaterThan(of('as-now').years)
    expect(of('few-a-year').stretch).toBe(8)
    expect(of('weekly').stretch).toBeLessThan(1)
  })

  it('the abrasive rod comes between a stone every week and a stone after every job', () => {
    expect(of('abrasive-rod').steelPerYearMm).toBeGreaterThan(of('as-now').steelPerYearMm)
    expect(of('abrasive-rod').steelPerYearMm).toBeLessThan(of('after-each-job').steelPerYearMm)
  })
})
