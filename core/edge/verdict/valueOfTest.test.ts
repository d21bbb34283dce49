import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { normalCdf } from '../../statistics/normal'
import { valueOfTest, type Stakes } from './valueOfTest'

const stakes: Stakes = { needlessSession: 8, dullService: 20, test: 1 }
const worth = (forceGf: number, logSd: number, more: Partial<Stakes> = {}): ReturnType<typeof valueOfTest> =>
  valueOfTest({ forceGf, logSd, limitGf: 350, testLogSd: 0.1, stakes: { ...stakes, ...more } })

describe('the worth of a test', () => {
  it('is greatest where the better choice is in doubt, and none where it is not', () => {
    expect(worth(330, 0.2).valueMinutes).toBeGreaterThan(1)
    expect(worth(200, 0.1).valueMinutes).toBeLessThan(0)
    expect(worth(600, 0.1).valueMinutes).toBeLessThan(0)
    expect(worth(350, 0.005).valueMinutes).toBeLessThan(worth(350, 0.2).valueMinutes)
  })

  it('is never more than knowing for certain would be worth', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 150, max: 800, noNaN: true }),
        fc.double({ min: 0.01, max: 0.6, noNaN: true }),
        (forceGf, logSd) => {
          const { lossUntested, lossTested } = worth(forceGf, logSd)
          expect(lossTested).toBeGreaterThanOrEqual(stakes.test - 1e-9)
          expect(lossTested - stakes.test).toBeLessThanOrEqual(lossUntested + 1e-3)
        },
      ),
    )
  })

  // A perfect test of an even question: the loss without it is the smaller stake's half, with it nothing.
  it('of a perfect test is the whole expected loss', () => {
    const { lossUntested, lossTested } = valueOfTest({
      forceGf: 350,
      logSd: 0.3,
      limitGf: 350,
      testLogSd: 1e-6,
      stakes,
    })
    expect(lossUntested).toBeCloseTo(0.5 * stakes.needlessSession, 9)
    expect(lossTested).toBeCloseTo(stakes.test, 3)
  })

  // Simulation of what the formula integrates, on an even grid of truths and readings.
  it('agrees with playing it through', () => {
    const [mean, sd, noise] = [Math.log(330 / 350), 0.2, 0.1]
    const grid = Array.from({ length: 400 }, (_, index) => -4 + (8 * (index + 0.5)) / 400)
    const weight = (z: number): number => Math.exp(-0.5 * z * z)
    let [loss, total] = [0, 0]
    for (const seen of grid) {
      const reading = mean + Math.hypot(sd, noise) * seen
      const posterior = mean + (sd ** 2 / (sd ** 2 + noise ** 2)) * (reading - mean)
      const over = normalCdf(posterior / ((sd * noise) / Math.hypot(sd, noise)))
      loss += weight(seen) * Math.min((1 - over) * stakes.needlessSession, over * stakes.dullService)
      total += weight(seen)
    }
    expect(worth(330, 0.2).lossTested).toBeCloseTo(stakes.test + loss / total, 3)
  })

  it('rises with what a dull service costs', () => {
    expect(worth(300, 0.15, { dullService: 60 }).valueMinutes).toBeGreaterThan(worth(300, 0.15).valueMinutes)
  })
})
