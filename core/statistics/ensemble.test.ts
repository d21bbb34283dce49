import jStat from 'jstat'
import { describe, expect, it } from 'vitest'
import { makeEnsemble, quantileOf } from './ensemble'
import { covariance, independent, predict } from './gaussian'

const ENSEMBLE = makeEnsemble(128, 4)
const tied = predict(independent([1, -2, 0, 5], [1, 0.5, 2, 0]), [
  {
    index: 2,
    value: 3,
    gradient: [
      [0, 0.7],
      [1, -1],
      [2, 1],
    ],
    noise: 0.1,
  },
])

describe('an ensemble', () => {
  const columns = ENSEMBLE.drawFrom(tied)
  const of = (index: number): number[] => [...(columns[index] ?? [])]

  // Means and covariances of the members by jStat, against the distribution they were drawn from.
  it('has the means and covariances of the distribution it stands for', () => {
    for (const [index, mean] of tied.mean.entries()) {
      expect(jStat.mean(of(index))).toBeCloseTo(mean, 9)
      for (let other = 0; other <= index; other++)
        expect(Math.abs(jStat.covariance(of(index), of(other)) - covariance(tied, index, other))).toBeLessThan(0.25)
    }
  })

  it('spreads like a normal: its quantiles are those of jStat’s', () => {
    const sorted = Float64Array.from(of(0)).sort()
    for (const share of [0.1, 0.25, 0.5, 0.75, 0.9])
      expect(Math.abs(quantileOf(sorted, share) - jStat.normal.inv(share, 1, 1))).toBeLessThan(0.12)
  })

  it('is the same every time, and a parameter nobody doubts has one value', () => {
    expect(ENSEMBLE.drawFrom(tied)).toEqual(columns)
    expect(new Set(of(3))).toEqual(new Set([5]))
  })

  it('gives each step luck of its own, spread evenly over its members', () => {
    const [first, second] = [ENSEMBLE.luck(0), ENSEMBLE.luck(1)]
    expect([...first].filter((one) => one < 0.25)).toHaveLength(32)
    expect(first).not.toEqual(second)
    expect(ENSEMBLE.luck(0)).toBe(first)
    expect(Math.abs(jStat.corrcoeff([...first], [...second]))).toBeLessThan(0.25)
  })
})

describe('a quantile', () => {
  it('lies between neighbours, and among those who never get there it is never', () => {
    expect(quantileOf([1, 2, 3, 4], 0.5)).toBe(2.5)
    expect(quantileOf([1, 2, 3, Infinity], 0.9)).toBe(Infinity)
    expect(quantileOf([1, 2, 3, 4], 0)).toBe(1)
  })
})
