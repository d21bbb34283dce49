import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  covariance,
  formVariance,
  independent,
  meanOf,
  predict,
  reset,
  update,
  withMean,
  type Gaussian,
  type Gradient,
  type Transition,
} from './gaussian'

type Matrix = readonly (readonly number[])[]
const SIZE = 5
const indices = Array.from({ length: SIZE }, (_, at) => at)

const times = (a: Matrix, b: Matrix): number[][] =>
  a.map((row) =>
    (b[0] ?? []).map((_, column) => row.reduce((sum, value, at) => sum + value * (b[at]?.[column] ?? 0), 0)),
  )
const transposed = (a: Matrix): number[][] => (a[0] ?? []).map((_, column) => a.map((row) => row[column] ?? 0))
const dense = (of: Gaussian): number[][] => indices.map((row) => indices.map((column) => covariance(of, row, column)))

const number = fc.double({ min: -2, max: 2, noNaN: true })
/** Covariances made of random factors, so that they can be ones: A·Aᵀ and a little on the diagonal. */
const gaussians = fc
  .tuple(
    fc.array(number, { minLength: SIZE, maxLength: SIZE }),
    fc.array(fc.array(number, { minLength: SIZE, maxLength: SIZE }), { minLength: SIZE, maxLength: SIZE }),
  )
  .map(([mean, factors]): Gaussian => {
    const full = times(factors, transposed(factors))
    return {
      mean,
      cov: indices.flatMap((row) =>
        indices.slice(0, row + 1).map((column) => (full[row]?.[column] ?? 0) + (row === column ? 0.1 : 0)),
      ),
    }
  })
const gradients = fc.uniqueArray(fc.tuple(fc.integer({ min: 0, max: SIZE - 1 }), number), {
  minLength: 1,
  maxLength: 3,
  selector: ([index]) => index,
}) as fc.Arbitrary<Gradient>
const steps = fc.uniqueArray(
  fc.record({
    index: fc.integer({ min: 0, max: SIZE - 1 }),
    value: number,
    gradient: gradients,
    noise: fc.double({ min: 0, max: 1, noNaN: true }),
  }),
  { minLength: 1, maxLength: 3, selector: ({ index }) => index },
) as fc.Arbitrary<Transition[]>
const rowOf = (gradient: Gradient): number[] => indices.map((at) => gradient.find(([index]) => index === at)?.[1] ?? 0)

function expectSame(own: Matrix, other: Matrix): void {
  for (const [row, values] of own.entries())
    for (const [column, value] of values.entries()) expect(value).toBeCloseTo(other[row]?.[column] ?? NaN, 9)
}

describe('a joint normal distribution', () => {
  it('moves on as the whole matrix product J·P·Jᵀ + Q says', () => {
    fc.assert(
      fc.property(gaussians, steps, (of, moves) => {
        const jacobian = indices.map((at) => {
          const step = moves.find(({ index }) => index === at)
          return step ? rowOf(step.gradient) : indices.map((column) => (column === at ? 1 : 0))
        })
        const whole = times(times(jacobian, dense(of)), transposed(jacobian)).map((row, at) =>
          row.map(
            (value, column) => value + (at === column ? (moves.find(({ index }) => index === at)?.noise ?? 0) : 0),
          ),
        )
        const after = predict(of, moves)
        expectSame(dense(after), whole)
        for (const at of indices)
          expect(meanOf(after, at)).toBe(moves.find(({ index }) => index === at)?.value ?? meanOf(of, at))
      }),
    )
  })

  // Kalman (1960): K = P·hᵀ/(h·P·hᵀ + R), x′ = x + K·(z − h·x), P′ = P − K·h·P, written out with whole matrices.
  it('learns from a reading as the textbook update does', () => {
    fc.assert(
      fc.property(
        gaussians,
        gradients,
        fc.double({ min: 0.05, max: 2, noNaN: true }),
        number,
        (of, gradient, noise, reading) => {
          const h = [rowOf(gradient)]
          const p = dense(of)
          const spread = times(times(h, p), transposed(h))[0]?.[0] ?? 0
          fc.pre(spread > 1e-3)
          const expected = h[0]?.reduce((sum, weight, at) => sum + weight * meanOf(of, at), 0) ?? 0
          const gain = times(p, transposed(h)).map(([value = 0]) => value / (spread + noise))
          const after = update(
            of,
            gradient,
            { mean: expected, variance: spread },
            {
              mean: expected + (spread / (spread + noise)) * (reading - expected),
              variance: (spread * noise) / (spread + noise),
            },
          )
          for (const at of indices)
            expect(meanOf(after, at)).toBeCloseTo(meanOf(of, at) + (gain[at] ?? 0) * (reading - expected), 9)
          const hp = times(h, p)[0] ?? []
          expectSame(
            dense(after),
            p.map((row, at) => row.map((value, column) => value - (gain[at] ?? 0) * (hp[column] ?? 0))),
          )
          expect(formVariance(after, gradient)).toBeLessThanOrEqual(formVariance(of, gradient) + 1e-12)
        },
      ),
    )
  })

  it('knows afresh what is renewed, with no memory of the rest', () => {
    fc.assert(
      fc.property(gaussians, fc.integer({ min: 0, max: SIZE - 1 }), (of, index) => {
        const after = reset(of, [{ index, mean: 1.5, sd: 0.2 }])
        expect(meanOf(after, index)).toBe(1.5)
        for (const other of indices) {
          if (other === index) expect(covariance(after, index, index)).toBeCloseTo(0.04, 12)
          else {
            expect(covariance(after, index, other)).toBe(0)
            expect(covariance(after, other, other)).toBe(covariance(of, other, other))
          }
        }
      }),
    )
  })

  it('starts with parameters apart, and a corrected mean keeps every doubt', () => {
    const start = independent([1, 2, 3], [0.1, 0.2, 0.3])
    expect([0, 1, 2].map((at) => covariance(start, at, at))).toEqual([
      expect.closeTo(0.01, 12),
      expect.closeTo(0.04, 12),
      expect.closeTo(0.09, 12),
    ])
    expect(covariance(start, 2, 0)).toBe(0)
    const pulled = withMean(start, 1, 5)
    expect(pulled.mean).toEqual([1, 5, 3])
    expect(pulled.cov).toBe(start.cov)
    expect(withMean(start, 1, 2)).toBe(start)
  })
})
