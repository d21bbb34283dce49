import fc from 'fast-check'
import jStat from 'jstat'
import { KalmanFilter } from 'kalman-filter'
import { describe, expect, it } from 'vitest'
import { momentsAfterReading, momentsAfterSign } from './evidence'
import { formVariance, independent, meanOf, predict, update, type Gaussian } from './gaussian'
import { combine, normalCdf, normalPdf, normalQuantile } from './normal'
import { priorSdOf, regress, sumOf } from './regression'

describe('the normal distribution', () => {
  // Against jStat's normal distribution; its cdf rests on an erf good to about 1e-7.
  it.each([-6, -3.2, -1.96, -1, -0.3, 0, 0.5, 1.2816, 2, 3.1, 5])('at %d agrees with a statistics library', (z) => {
    expect(normalCdf(z)).toBeCloseTo(jStat.normal.cdf(z, 0, 1), 6)
    expect(normalPdf(z)).toBeCloseTo(jStat.normal.pdf(z, 0, 1), 12)
  })

  it.each([0.001, 0.025, 0.1, 0.3, 0.5, 0.8, 0.9, 0.975, 0.9999])(
    'quantile of %d agrees with a statistics library',
    (p) => {
      expect(normalQuantile(p)).toBeCloseTo(jStat.normal.inv(p, 0, 1), 5)
    },
  )

  // Standard normal tables: Φ(1) = 0.841345, Φ(1.96) = 0.975002, Φ(3) = 0.998650.
  it.each([
    [1, 0.841345],
    [1.96, 0.975002],
    [3, 0.99865],
  ])('Φ(%d) is the table’s', (z, probability) => {
    expect(normalCdf(z)).toBeCloseTo(probability, 6)
  })

  it('quantile and distribution undo each other, far into the tails', () => {
    fc.assert(
      fc.property(fc.double({ min: 1e-8, max: 1 - 1e-8, noNaN: true }), (p) => {
        expect(normalCdf(normalQuantile(p)) / p).toBeCloseTo(1, 7)
      }),
    )
    expect(() => normalQuantile(0)).toThrow(/between 0 and 1/)
  })

  it('two statements weigh by their precision', () => {
    expect(combine({ mean: 10, sd: 1 }, { mean: 20, sd: 3 }).mean).toBeCloseTo(11, 9)
    expect(combine({ mean: 10, sd: 1 }, { mean: 20, sd: 3 }).sd).toBeCloseTo(Math.sqrt(0.9), 9)
  })
})

describe('a linear case of the filter', () => {
  /** Position and velocity, position read with noise: the textbook's constant-velocity model. */
  const READINGS = [1.1, 2.3, 2.9, 4.4, 5.2, 5.9, 7.4]
  const PROCESS = 0.04
  const NOISE = 0.25

  const own = (): Gaussian =>
    READINGS.reduce(
      (belief, reading) => {
        const ahead = predict(belief, [
          {
            index: 0,
            value: meanOf(belief, 0) + meanOf(belief, 1),
            gradient: [
              [0, 1],
              [1, 1],
            ],
            noise: PROCESS,
          },
          { index: 1, value: meanOf(belief, 1), gradient: [[1, 1]], noise: PROCESS },
        ])
        const before = { mean: meanOf(ahead, 0), variance: formVariance(ahead, [[0, 1]]) }
        return update(
          ahead,
          [[0, 1]],
          before,
          momentsAfterReading(before, { value: reading, sd: Math.sqrt(NOISE), slipChance: 0, slipSd: 1 }),
        )
      },
      independent([0, 0], [2, 2]),
    )

  // Against the npm package kalman-filter, a general implementation after Kalman (1960).
  it('agrees with a general Kalman filter', () => {
    const reference = new KalmanFilter({
      observation: { dimension: 1, stateProjection: [[1, 0]], covariance: [[NOISE]] },
      dynamic: {
        init: {
          index: -1,
          mean: [[0], [0]],
          covariance: [
            [4, 0],
            [0, 4],
          ],
        },
        transition: [
          [1, 1],
          [0, 1],
        ],
        covariance: [
          [PROCESS, 0],
          [0, PROCESS],
        ],
      },
    })
    let state: { mean: number[][]; covariance: number[][] } | null = null
    for (const reading of READINGS) state = reference.filter({ previousCorrected: state, observation: [reading] })
    const belief = own()
    expect(meanOf(belief, 0)).toBeCloseTo(state?.mean[0]?.[0] ?? NaN, 9)
    expect(meanOf(belief, 1)).toBeCloseTo(state?.mean[1]?.[0] ?? NaN, 9)
    expect(formVariance(belief, [[0, 1]])).toBeCloseTo(state?.covariance[0]?.[0] ?? NaN, 9)
    expect(formVariance(belief, [[1, 1]])).toBeCloseTo(state?.covariance[1]?.[1] ?? NaN, 9)
  })
})

describe('evidence', () => {
  const before = { mean: 0, variance: 1 }

  it('an ordinal sign leaves the moments of the truncated normal', () => {
    // Truncated at zero from below: mean √(2/π), variance 1 − 2/π (Johnson, Kotz and Balakrishnan 1994).
    const positive = momentsAfterSign(before, 0, Infinity, 1e-9)
    expect(positive.mean).toBeCloseTo(Math.sqrt(2 / Math.PI), 6)
    expect(positive.variance).toBeCloseTo(1 - 2 / Math.PI, 6)
  })

  it('never makes anybody less certain, and lies between the thresholds it speaks of', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -6, max: 6, noNaN: true }),
        fc.double({ min: 0.1, max: 3, noNaN: true }),
        (low, width) => {
          const after = momentsAfterSign(before, low, low + width, 0.2)
          expect(after.variance).toBeGreaterThan(0)
          expect(after.variance).toBeLessThanOrEqual(before.variance + 1e-9)
          expect(Number.isFinite(after.mean)).toBe(true)
        },
      ),
    )
  })

  it('a reading far off is taken for a slip, a near one is believed', () => {
    const reading = (value: number): number =>
      momentsAfterReading(before, { value, sd: 0.5, slipChance: 0.02, slipSd: 30 }).mean
    expect(reading(1)).toBeGreaterThan(0.7)
    expect(Math.abs(reading(20))).toBeLessThan(0.5)
  })
})

describe('regression', () => {
  const priors = new Map([
    ['house', 0.3],
    ['a', 0.2],
    ['b', 0.2],
  ])
  const observations = [
    {
      id: '1',
      terms: [
        ['house', 1],
        ['a', 1],
      ] as const,
      value: 0.5,
      variance: 0.01,
    },
    {
      id: '2',
      terms: [
        ['house', 1],
        ['a', 1],
      ] as const,
      value: 0.45,
      variance: 0.02,
    },
    {
      id: '3',
      terms: [
        ['house', 1],
        ['b', 1],
      ] as const,
      value: 0.05,
      variance: 0.02,
    },
  ]

  // The normal equations (Xᵀ·R⁻¹·X + P⁻¹)·β = Xᵀ·R⁻¹·y solved by jStat's matrix inverse.
  it('is the solution of the normal equations', () => {
    const rows = [
      [1, 1, 0],
      [1, 1, 0],
      [1, 0, 1],
    ]
    const precision = [1 / 0.09, 1 / 0.04, 1 / 0.04]
    const normal = precision.map((p, i) =>
      precision.map(
        (_, j) =>
          (i === j ? p : 0) +
          rows.reduce((sum, row, at) => sum + ((row[i] ?? 0) * (row[j] ?? 0)) / (observations[at]?.variance ?? 1), 0),
      ),
    )
    const right = precision.map((_, i) =>
      rows.reduce(
        (sum, row, at) => sum + ((row[i] ?? 0) * (observations[at]?.value ?? 0)) / (observations[at]?.variance ?? 1),
        0,
      ),
    )
    const inverse = jStat.inv(normal)
    const solved = inverse.map((row) => row.reduce((sum, value, at) => sum + value * (right[at] ?? 0), 0))
    const own = regress(priors, observations)
    for (const [at, effect] of ['house', 'a', 'b'].entries()) {
      expect(sumOf(own, [[effect, 1]]).mean).toBeCloseTo(solved[at] ?? NaN, 9)
      expect(sumOf(own, [[effect, 1]]).sd).toBeCloseTo(Math.sqrt(inverse[at]?.[at] ?? NaN), 9)
    }
  })

  it('without one observation is as if it had never been made', () => {
    const without = sumOf(regress(priors, observations), [['a', 1]], '2')
    const never = sumOf(
      regress(
        priors,
        observations.filter(({ id }) => id !== '2'),
      ),
      [['a', 1]],
    )
    expect(without.mean).toBeCloseTo(never.mean, 9)
    expect(without.sd).toBeCloseTo(never.sd, 9)
  })

  it('says nothing where nothing was seen', () => {
    const silent = regress(priors, [])
    expect(sumOf(silent, [['a', 1]])).toEqual({ mean: 0, sd: priorSdOf(silent, [['a', 1]]) })
  })
})
